import { linesOf } from "../plan/edit";
import type { Line, Step } from "../plan/plan";
import { isLiquid } from "../material/material";
import type { Batch } from "./fold";
import type { BatchReckoning } from "./reckon";

/** A line of a batch's recipe: as it was typed, and what it came to. */
export interface RecipeLine {
  readonly id: string;
  readonly name: string;
  /** Form, cut and strength, as they were said. */
  readonly how: string;
  readonly typed: string;
  readonly grams: number;
  readonly ml: number;
  readonly liquid: boolean;
  readonly note: string | undefined;
  readonly optional: boolean;
  /** What the plan had said, where something else went in. */
  readonly planned: string | undefined;
}

/** A recipe in the order it is made: lines that go in together, or what is done with them. */
export type RecipePart =
  | { readonly what: "lines"; readonly id: string; readonly lines: readonly RecipeLine[] }
  | { readonly what: "step"; readonly id: string; readonly step: Exclude<Step, { do: "add" }> };

/** The recipe of a batch as it was really made, its amounts as typed with grams beside. */
export function recipeOf(batch: Batch, r: BatchReckoning): readonly RecipePart[] {
  const planned = new Map(linesOf(batch.begunPlan).map((l) => [l.id, l]));
  const lineOf = (l: Line): RecipeLine => {
    const found = r.reckoning.lines.find((x) => x.id === l.id);
    const stuff = r.program.lines.find((x) => x.line.id === l.id)?.stuff;
    const was = planned.get(l.id);
    return {
      id: l.id,
      name: found?.name ?? l.material,
      how: [stuff?.form, stuff?.cut, l.strength].filter(Boolean).join(", "),
      typed: l.amount,
      grams: found?.grams.value ?? 0,
      ml: found?.ml.value ?? 0,
      liquid: stuff !== undefined && isLiquid(stuff),
      note: l.note,
      optional: l.optional ?? false,
      planned: was && was.amount !== l.amount ? was.amount : undefined,
    };
  };
  return batch.plan.steps.flatMap((s): RecipePart[] => {
    if (s.do !== "add") return [{ what: "step", id: s.id, step: s }];
    return s.what.length > 0 ? [{ what: "lines", id: s.id, lines: s.what.map(lineOf) }] : [];
  });
}
