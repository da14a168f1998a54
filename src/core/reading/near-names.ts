import { MATERIALS, type Catalogue } from "../material/catalogue";
import type { Material } from "../material/material";
import { distance } from "../quantity/near";
import { sensesOf } from "./lexicon";
import { soundOf } from "./sounds";
import { PART_WORDS, allNames, wordsOfName } from "./names";

interface Nearby {
  readonly material: Material;
  readonly words: readonly string[];
  readonly sounds: readonly string[];
  readonly joined: string;
}
const indexes = new WeakMap<Catalogue, readonly Nearby[]>();
function nearbyOf(catalogue: Catalogue): readonly Nearby[] {
  let all = indexes.get(catalogue);
  if (!all) {
    all = [...catalogue.values()].flatMap((material) =>
      [...allNames(material), ...(material.row.loose ?? [])].map((n) => {
        const words = wordsOfName(n);
        return { material, words, sounds: words.map(soundOf), joined: words.join("") };
      }),
    );
    indexes.set(catalogue, all);
  }
  return all;
}

/** More slips than this and it is another word, however long it is. */
const MOST_SLIPS = 4;
const SOUNDS_ALIKE = 0.2;
const BEGINS_ALIKE = 0.6;
/** Where less than this of a name is alike, it is not offered. */
const TOO_FAR = 0.75;

/** How unlike two words are: 0 the same, 1 nothing in common. */
function unlike(w: string, sound: string, v: string, otherSound: string): number {
  if (w === v) return 0;
  const longer = Math.max(w.length, v.length);
  const reach = Math.min(MOST_SLIPS, Math.max(1, Math.floor(longer / 3)));
  const d = longer < 3 ? reach + 1 : distance(w, v, reach);
  const slips = d <= reach ? 0.1 + (0.8 * d) / reach : 1;
  const alike = sound.length > 1 && sound === otherSound ? SOUNDS_ALIKE : 1;
  // “pokeberry” and “poke”, “pokeweed”.
  const begun =
    w.length > 4 && v.length > 3 && (w.startsWith(v) || (v.length > 5 && w.slice(0, 4) === v.slice(0, 4)));
  return Math.min(slips, alike, begun ? BEGINS_ALIKE : 1);
}

/** How far a typed name is from one of the catalogue: the mean of its words’ distances, what one has and the other lacks counting too. */
function farness(words: readonly string[], sounds: readonly string[], joined: string, n: Nearby): number {
  let sum = 0;
  let weight = 0;
  const used = new Set<number>();
  words.forEach((w, i) => {
    const counts = PART_WORDS.has(w) ? 0.4 : 1;
    let best = 1;
    let at = -1;
    n.words.forEach((v, k) => {
      const far = used.has(k) ? 1 : unlike(w, sounds[i]!, v, n.sounds[k]!);
      if (far < best) [best, at] = [far, k];
    });
    // A part alone in common is nothing in common.
    if (at >= 0) used.add(at);
    sum += counts * best;
    weight += counts;
  });
  n.words.forEach((v, k) => {
    if (used.has(k)) return;
    const counts = PART_WORDS.has(v) ? 0.15 : 0.35;
    sum += counts;
    weight += counts;
  });
  const whole = unlike(joined, "", n.joined, "-");
  const shares =
    [...used].some((k) => !PART_WORDS.has(n.words[k]!)) || n.words.every((v) => PART_WORDS.has(v));
  return Math.min(shares ? sum / weight : 1, whole);
}

/**
 * Materials whose names are near a name that is not one, nearest first: to be offered, never taken. Whole names, their words, what they sound
 * like and slips of the pen are looked at.
 */
export function nearNames(name: string, catalogue: Catalogue = MATERIALS, most = 5): Material[] {
  const all = wordsOfName(name);
  const telling = all.filter((w) => {
    const s = sensesOf(w);
    return !s.idle && !s.kept && !s.form && !s.cut && !s.vague;
  });
  const words = telling.length > 0 ? telling : all;
  if (words.every((w) => PART_WORDS.has(w))) return [];
  const sounds = words.map(soundOf);
  const joined = words.join("");
  const best = new Map<Material, number>();
  for (const n of nearbyOf(catalogue)) {
    const far = farness(words, sounds, joined, n);
    if (far < TOO_FAR && far < (best.get(n.material) ?? Infinity)) best.set(n.material, far);
  }
  return [...best]
    .sort(([a, x], [b, y]) => x - y || (a.row.id < b.row.id ? -1 : 1))
    .slice(0, most)
    .map(([m]) => m);
}
