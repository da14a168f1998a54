import { isFault } from "../fault";
import { UNITS, type UnitId, type UnitSystem } from "../quantity/units";
import { numberAt } from "../reading/numbers";
import { quantityAt } from "../reading/quantities";
import { type Token, tokensOf } from "../reading/tokens";

/** How many of which size, and where that stood. */
export interface SizeSaid {
  readonly count: number | undefined;
  /** mL of one. */
  readonly ml: number | undefined;
  readonly claims: readonly (readonly [from: number, to: number])[];
}

const VESSEL: ReadonlySet<string> = new Set([
  "jar", "jars", "bottle", "bottles", "flask", "flasks", "crock", "crocks", "vial", "vials",
]); // prettier-ignore
/** Words between a size or a number and the jar: “half gallon clip-top jar”. */
const OF_VESSEL: ReadonlySet<string> = new Set([
  "clip", "top", "glass", "-", "dropper", "droppers", "little", "small", "big", "large", "screw", "swing", "mason", "full",
]); // prettier-ignore
/** Sizes that jars are called by; so many of them are so many jars. */
const PINT = new Set(["pint", "pints", "pt", "pts"]);
const QUART = new Set(["quart", "quarts", "qt", "qts"]);
const GALLON = new Set(["gallon", "gallons", "gal"]);
/** More than this of one thing are not counted on a shelf. */
const MOST_OF_THEM = 500;

const inSystem = (what: "pint" | "quart" | "gallon" | "floz", system: UnitSystem): number =>
  UNITS[`${system === "imperial" ? "imp" : "us"}-${what}` as UnitId].size;

/** mL that a word alone means of a jar, “quart jar”, “half-pint jar”, and the token after it. */
function calledAt(t: readonly Token[], i: number, system: UnitSystem): Found | undefined {
  const half = t[i]?.low === "half" && t[i + 1]?.low === "-";
  const at = half ? i + 2 : i;
  const low = t[at]?.low ?? "";
  const whole = (value: number): Found => ({ value: half ? value / 2 : value, next: at + 1 });
  if (PINT.has(low)) return whole(inSystem("pint", system));
  if (QUART.has(low)) return whole(inSystem("quart", system));
  return GALLON.has(low) ? whole(inSystem("gallon", system)) : undefined;
}

interface Found {
  readonly value: number;
  readonly next: number;
}

/** mL of a quantity at a token; ounces of a bottle are fluid ones, and of a jar of honey nobody can say. */
function volumeAt(t: readonly Token[], i: number, system: UnitSystem): Found | undefined {
  const n = numberAt(t, i);
  if (n && !isFault(n) && ["oz", "ounce", "ounces"].includes(t[n.next]?.low ?? ""))
    return { value: n.span.value * inSystem("floz", system), next: n.next + 1 };
  const called = calledAt(t, i, system);
  if (called) return called;
  const q = quantityAt({ tokens: t, system, named: () => false }, i);
  if (!q || isFault(q) || q.is !== "amount" || q.amount.kind !== "measure") return undefined;
  return q.amount.dimension === "volume" ? { value: q.amount.si.value, next: q.next } : undefined;
}

/** A whole number of things: “3 x”, “two”, “a”, “6 of”. */
function countAt(t: readonly Token[], i: number): Found | undefined {
  const n = numberAt(t, i);
  if (!n || isFault(n)) return undefined;
  const { value } = n.span;
  return Number.isInteger(value) && value >= 1 && value <= MOST_OF_THEM ? { value, next: n.next } : undefined;
}

/** The token after a vessel's word and what stands before it: “clip-top jar”, “dropper bottle”; nothing where none is named. */
function vesselAt(t: readonly Token[], i: number): number | undefined {
  let k = i;
  while (OF_VESSEL.has(t[k]?.low ?? "")) k++;
  if (!VESSEL.has(t[k]?.low ?? "")) return undefined;
  return t[k + 1]?.low === "of" ? k + 2 : k + 1;
}

/** So many of a size, at a token. */
function sizeAt(
  t: readonly Token[],
  i: number,
  system: UnitSystem,
): { readonly count?: number; readonly ml?: number; readonly next: number } | undefined {
  // “syrup x 4”: the number may stand behind its sign.
  const behind = t[i]?.low === "x" ? countAt(t, i + 1) : undefined;
  if (behind && !volumeAt(t, i + 1, system)) return { count: behind.value, next: behind.next };
  const count = countAt(t, i);
  if (count) {
    const times = ["x", "of"].includes(t[count.next]?.low ?? "");
    const called = calledAt(t, count.next, system);
    if (called && count.value > 1)
      return { count: count.value, ml: called.value, next: vesselAt(t, called.next) ?? called.next };
    const at = times ? count.next + 1 : count.next;
    const each = times || t[at]?.kind === "number" ? volumeAt(t, at, system) : undefined;
    if (each) return { count: count.value, ml: each.value, next: vesselAt(t, each.next) ?? each.next };
    const vessel = vesselAt(t, count.next);
    if (vessel !== undefined) return { count: count.value, next: vessel };
  }
  // “a 250 g jar” is called by what it holds of something else: how much of this goes in nobody said.
  const weight = numberAt(t, i);
  const grams = weight && !isFault(weight) && t[weight.next]?.low === "g" ? weight.next + 1 : undefined;
  const byWeight = grams === undefined ? undefined : vesselAt(t, grams);
  if (byWeight !== undefined) return { next: byWeight };
  const ml = volumeAt(t, i, system);
  if (ml) return { ml: ml.value, next: vesselAt(t, ml.next) ?? ml.next };
  const vessel = vesselAt(t, i);
  return vessel === undefined ? undefined : { next: vessel };
}

/** Every size and number of bottles or jars in a line; the first of each counts, and each is claimed. */
export function sizesIn(text: string, system: UnitSystem): SizeSaid {
  const t = tokensOf(text);
  const claims: (readonly [number, number])[] = [];
  let count: number | undefined;
  let ml: number | undefined;
  for (let i = 0; i < t.length; i++) {
    const s = sizeAt(t, i, system);
    if (!s || (s.count !== undefined && count !== undefined) || (s.ml !== undefined && ml !== undefined))
      continue;
    count ??= s.count;
    ml ??= s.ml;
    claims.push([t[i]!.from, t[s.next - 1]!.to]);
    i = s.next - 1;
  }
  return { count, ml, claims };
}

const FULL: readonly (readonly [RegExp, number])[] = [
  [/\b(?:two thirds|2\/3|⅔) full\b/i, 2 / 3],
  [/\b(?:three quarters|3\/4) full\b|¾ full\b|⅔ full\b/i, 3 / 4],
  [/\b(?:a third|one third|1\/3) full\b|⅓ full\b/i, 1 / 3],
  [/\b(?:a quarter|one quarter|1\/4) full\b|¼ full\b/i, 1 / 4],
  [/\b(?:half|1\/2)[- ](?:full|empty|gone)\b|½ full\b/i, 1 / 2],
];

/** How full it is said to be, and where that stands. */
export function fullAt(
  text: string,
): { readonly share: number; readonly from: number; readonly to: number } | undefined {
  for (const [what, share] of FULL) {
    const m = what.exec(text);
    if (m) return { share, from: m.index, to: m.index + m[0].length };
  }
  return undefined;
}
