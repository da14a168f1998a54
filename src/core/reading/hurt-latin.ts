import { PLANTS_THAT_HURT } from "../material/hurts/rows";
import type { Hurts } from "../material/hurts/hazards";
import { concerns } from "./hurt-names";
import { DRUG_WORDS, partOf, plantWords } from "./plant-words";

const GENERA = new Map<string, Hurts[]>();
for (const h of PLANTS_THAT_HURT)
  for (const latin of [h.latin, ...h.also]) {
    const genus = plantWords(latin)[0]!;
    GENERA.set(genus, [...(GENERA.get(genus) ?? []), h]);
  }
const isSomeSpecies = (word: string | undefined): boolean =>
  word === undefined || word === "sp" || word === "spp" || word === "specie" || partOf(word) !== undefined;

/** Rows of a genus that a Latin name is one of, and whether only the genus was given where others of it are used. */
export function byLatin(
  words: readonly string[],
  first = words.length,
): {
  readonly hurts: Hurts[];
  readonly genusOnly: Hurts | undefined;
} {
  const hurts: Hurts[] = [];
  let genusOnly: Hurts | undefined;
  words.slice(0, first).forEach((word, i) => {
    const species = words.slice(i + 1).filter((w) => w !== "x");
    for (const h of GENERA.get(word) ?? []) {
      const ours = [h.latin, ...h.also].map((l) => plantWords(l)).filter((l) => l[0] === word);
      const whole = ours.some((l) => l.slice(1).every((w, k) => species[k] === w));
      if (whole && concerns(h, words, [])) hurts.push(h);
      else if (!whole && isSomeSpecies(species[0]) && h.parts.length === 0 && plantWords(h.latin)[0] === word)
        genusOnly ??= h;
    }
  });
  return { hurts, genusOnly: hurts.length > 0 ? undefined : genusOnly };
}

const ENDINGS = [
  "idis",
  "onis",
  "atis",
  "arum",
  "orum",
  "inis",
  "icis",
  "ae",
  "is",
  "us",
  "um",
  "on",
  "es",
  "ix",
  "i",
  "a",
  "e",
  "o",
  "",
];
/** What a Latin word may be without its ending, whichever case it stands in. */
const stemsOf = (word: string): string[] =>
  ENDINGS.filter((e) => word.endsWith(e) && word.length - e.length >= 4).map((e) =>
    word.slice(0, word.length - e.length),
  );
const LATIN_STEMS = new Map<string, Hurts[]>();
for (const h of PLANTS_THAT_HURT) {
  const single = h.names.filter((n) => !n.includes(" "));
  for (const stem of [h.latin, ...h.also, ...single].flatMap(plantWords).flatMap(stemsOf))
    LATIN_STEMS.set(stem, [...(LATIN_STEMS.get(stem) ?? []), h]);
}
/** “Symphyti radix”: the apothecary's genitive. */
export function byDrugName(words: readonly string[]): Hurts[] {
  if (!words.some((w) => DRUG_WORDS.has(w))) return [];
  return words
    .filter((w) => !DRUG_WORDS.has(w))
    .flatMap((w) => stemsOf(w).flatMap((stem) => LATIN_STEMS.get(stem) ?? []))
    .filter((h) => concerns(h, words, []));
}
