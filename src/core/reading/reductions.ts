import { fail, fault, isFault, ok, type Result } from "../fault";
import type { UnitSystem } from "../quantity/units";
import { readAmount } from "./amounts";
import { numberAt } from "./numbers";
import { printCount } from "./print";
import { tokensOf } from "./tokens";

/** What a liquid is boiled down to: a share of what is there, or a volume in mL. */
export type Reduction = { readonly toShare: number } | { readonly toMl: number };

/** What is done to it, which says nothing of how far. */
const BOILED: ReadonlySet<string> = new Set([
  "reduce", "reduced", "boil", "boiled", "simmer", "simmered", "cook", "cooked", "it", "liquid", "the", "down", "until",
]); // prettier-ignore
const HALVED: ReadonlySet<string> = new Set(["halve", "halved"]);
/** Words behind a share that say it is of what was there. */
const OF_IT: ReadonlySet<string> = new Set([
  "of", "the", "it", "its", "liquid", "volume", "size", "amount", "what", "was", "were", "there", "original", "is", "left", "remains", "remain", "has", "gone",
]); // prettier-ignore
const EXAMPLE = "Write “1/2” or the volume to stop at, like “500 mL”.";

/**
 * What to boil down to, as typed: `1/2`, `half`, `by half`, `by a third`, `to a third`, `500 mL`.
 * “By” says what goes, “to” what stays. Faults: `NotAReduction` and those of an amount.
 */
export function readReduction(text: string, system: UnitSystem): Result<Reduction> {
  const t = tokensOf(text.trim());
  let from = 0;
  while (BOILED.has(t[from]?.low ?? "")) from++;
  if (HALVED.has(t[from]?.low ?? "") && t.length === from + 1) return ok({ toShare: 1 / 2 });
  const by = t[from]?.low === "by" || t.some((x) => x.low === "gone");
  if (t[from]?.low === "by" || t[from]?.low === "to") from++;
  const n = numberAt(t, from);
  if (isFault(n)) return fail(n);
  const rest = n ? t.slice(n.next).filter((x) => !OF_IT.has(x.low)) : t;
  const percent = n && rest.length === 1 && rest[0]!.low === "%";
  const share = n ? n.span.value / (percent ? 100 : 1) : NaN;
  if (n && (rest.length === 0 || percent) && share < 1) {
    const stays = by ? 1 - share : share;
    if (stays > 0.05 && stays < 1) return ok({ toShare: stays });
    return fail(fault("NotAReduction", `Less than a twentieth would be left. ${EXAMPLE}`, [], "1/2"));
  }
  const a = readAmount(
    t.slice(from).length < t.length ? text.trim().slice(t[from]?.from ?? 0) : text,
    system,
  );
  if (by && a.ok)
    return fail(
      fault("NotAReduction", `“${text.trim()}” says how much goes; write what stays in the pan. ${EXAMPLE}`),
    );
  if (a.ok && a.value.kind === "measure" && a.value.dimension === "volume")
    return ok({ toMl: a.value.si.value });
  return fail(fault("NotAReduction", `“${text.trim()}” is not a reduction. ${EXAMPLE}`, [], "1/2"));
}

/** A reduction as it is written; reading it again gives the same. */
export const printReduction = (r: Reduction): string =>
  "toShare" in r ? printCount(r.toShare) : `${printCount(r.toMl)} mL`;
