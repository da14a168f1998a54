import { grams } from "../quantity/carried";
import { type Result, fail, fault, ok, under } from "../fault";
import { readAmount } from "../reading/amounts";
import type { Batch } from "./fold";
import type { Reckoning } from "../reckoning/reckon";
import type { UnitSystem } from "../quantity/units";

/** Grams of a weight of marc as typed: `320 g`, `11 oz`. Faults: as `readAmount`, and `NotAWeight`; the path is `marc`. */
export function readMarc(text: string, system: UnitSystem): Result<number> {
  const read = readAmount(text, system);
  if (!read.ok) return fail(...under(["marc"], read.faults));
  const a = read.value;
  if (a.kind !== "measure" || a.dimension !== "mass")
    return fail(fault("NotAWeight", "Write what the scale shows, like “320 g” or “11 oz”.", ["marc"]));
  return ok(a.si.value);
}

/** What the marc of a batch weighed, g; nothing where it was not weighed. */
export function marcGrams(b: Pick<Batch, "making" | "plan">): number | undefined {
  const { marc } = b.making.strained ?? {};
  const read = marc === undefined ? undefined : readMarc(marc, b.plan.units);
  return read?.ok ? read.value : undefined;
}

/** A cloth and a bowl weigh so much at the least, and a scale and a jug are read so well: share of what should be there. */
const [LEAST_G, SPREAD] = [40, 0.15];

/**
 * Whether the marc weighs more than can have stayed in it: what went in and is neither steam nor in the jug. Less is no question, since some
 * stays on the pot, and some is spilt. g.
 */
export function oddMarc(weighedG: number, r: Reckoning): string | undefined {
  const stayed = r.ledger.marcG;
  if (weighedG <= stayed * (1 + SPREAD) + LEAST_G) return undefined;
  return `The marc weighs ${grams(weighedG)}, and of what went in only about ${grams(stayed)} is not in the jug. Was it weighed with its cloth or bowl, or is the jug misread?`;
}
