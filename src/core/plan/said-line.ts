import type { Form } from "../material/classes";
import type { SaidLine } from "../reading/said";
import type { Nameless } from "./ids";
import type { Line } from "./plan";

const FRESH: ReadonlySet<Form | undefined> = new Set(["fresh", "frozen", "wilted"]);

/** How much is usual where none was said: a third of the jar dried, half of it fresh, a part of a liquid. */
const usualAmount = (l: SaidLine): string => {
  if (l.material.kind === "stuff") return "1 part";
  return FRESH.has(l.form) ? "1/2 jar" : "1/3 jar";
};

/** A line as it was read, as a line of a plan; what was taken for granted goes with it until it is said. */
export function lineOfSaid(l: SaidLine): Nameless<Line> {
  const took = [...new Set([...l.took.map((t) => t.what), ...(l.amount ? [] : (["amount"] as const))])];
  const note = l.notes.join(", ").slice(0, 200);
  return {
    material: l.material.row.id,
    ...(l.called ? { called: l.called.slice(0, 60) } : {}),
    amount: l.amount?.text ?? usualAmount(l),
    ...(l.form ? { form: l.form } : {}),
    ...(l.cut ? { cut: l.cut } : {}),
    ...(l.strength ? { strength: l.strength } : {}),
    ...(l.water !== undefined ? { water: l.water } : {}),
    ...(took.length > 0 ? { took } : {}),
    ...(note ? { note } : {}),
    ...(l.optional ? { optional: true } : {}),
  };
}
