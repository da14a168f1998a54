import { type Result, ok } from "../fault";
import { WATER } from "../mixture/components";
import type { Cut, Form } from "./classes";
import { type Material, stuffOf } from "./material";

export interface Conversion {
  /** g of the one that stand for 1 g of the other. */
  readonly byMass: number;
  /** mL of loose heap of the one that stand for 1 mL of the other. */
  readonly byVolume: number;
}

/**
 * How much of a plant in one form stands for as much of it in another: by dry matter, shown by weight and by the loose heap.
 * No fixed "double it": fresh nettle and fresh thyme hold very different water. Faults: `NoSuchForm`.
 */
export function convert(
  material: Material,
  from: { form: Form; cut?: Cut },
  to: { form: Form; cut?: Cut },
): Result<Conversion> {
  const a = stuffOf(material, from);
  if (!a.ok) return a;
  const b = stuffOf(material, to);
  if (!b.ok) return b;
  const byMass = (1 - a.value.composition[WATER]!) / (1 - b.value.composition[WATER]!);
  return ok({ byMass, byVolume: (byMass * a.value.bulkLoose) / b.value.bulkLoose });
}
