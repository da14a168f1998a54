import { PLANTS_THAT_HURT } from "../material/hurts/rows";
import type { Hurts } from "../material/hurts/hazards";
import { distance } from "../quantity/near";
import { HURTING, ORDINARY, concerns } from "./hurt-names";
import { isIdle, partOf, plantWords } from "./plant-words";
import { soundOf } from "./sounds";

/** Slips of the pen under which a name is still asked about. Short words are too near to each other to be asked. */
function reachFor(length: number): number {
  if (length < 5) return 0;
  return length < 9 ? 1 : 2;
}
/** A name that is close, and what it would be. */
export interface Slip {
  readonly name: string;
  readonly hurts: Hurts;
}
interface Target {
  readonly joined: string;
  readonly words: readonly string[];
  readonly sound: string;
  readonly name: string;
  readonly of: Hurts;
}
const targetOf = (of: Hurts, name: string, words: readonly string[]): Target => ({
  joined: words.join(""),
  words,
  sound: soundOf(words.join("")),
  name,
  of,
});
const TARGETS: readonly Target[] = [
  ...HURTING.map((n) => targetOf(n.of, n.name, n.words)),
  ...PLANTS_THAT_HURT.flatMap((h) =>
    [h.latin, ...h.also].map((latin) => targetOf(h, latin, plantWords(latin).slice(0, 1))),
  ),
];
function isSlip(typed: string, target: string): boolean {
  const reach = reachFor(Math.max(target.length, typed.length));
  if (target.length < 5 || reach === 0 || Math.abs(typed.length - target.length) > reach) return false;
  const d = distance(typed, target, reach);
  return d > 0 && d <= reach && (d < 2 || typed[0] === target[0]);
}
/** A slip of a name: in one string, or word by word where there are as many, for two names that share a word are not the same by it. */
function isSlipOf(typed: readonly string[], target: Target): boolean {
  if (Math.abs(typed.length - target.words.length) > 1) return false;
  const joined = typed.join("");
  if (joined === target.joined) return false;
  const sound = soundOf(joined);
  const isHeard =
    joined.length > 5 && sound.length > 2 && joined[0] === target.joined[0] && sound === target.sound;
  if (isHeard && distance(joined, target.joined, 2) < 3) return true;
  if (typed.length !== target.words.length || typed.length === 1) return isSlip(joined, target.joined);
  return typed.every((w, i) => w === target.words[i] || isSlip(w, target.words[i]!));
}
export function nearTo(words: readonly string[]): Slip | undefined {
  for (let from = 0; from < words.length; from++)
    for (let n = 1; n <= Math.min(4, words.length - from); n++) {
      const some = words.slice(from, from + n);
      if (some.every((w) => ORDINARY.has(w) || isIdle(w) || partOf(w) !== undefined)) continue;
      const hit = TARGETS.find((t) => isSlipOf(some, t) && concerns(t.of, words, plantWords(t.name)));
      if (hit) return { name: hit.name, hurts: hit.of };
    }
  return undefined;
}
