import { KIND } from "../../plan/kinds";
import { KINDS, type Kind } from "../../plan/plan";
import type { UnitSystem } from "../../quantity/units";
import type { ReadingContext } from "../../reading/said";
import { thingsIn } from "../../reading/things";
import { tokensOf } from "../../reading/tokens";
import type { PastedPart, Place } from "./parts";
import { isTitle } from "./named";
import type { SourceRow } from "./rows";
import { deedOf } from "./verbs";

/** “Kind: fire cider”, as our own files say it. */
export const STATED = /^(?:kind|measures):\s*([a-z ]+)$/i;
export function statedIn(text: string): Kind | undefined {
  const said = /^\W*kind:\s*([a-z ]+?)\s*$/im.exec(text)?.[1]?.toLowerCase();
  return KINDS.find((k) => KIND[k].name === said);
}
/** Whose cups a text of ours says it means. */
export function measuresIn(text: string): UnitSystem | undefined {
  const said = /^\W*measures:\s*(us|metric|imperial)\s*$/im.exec(text)?.[1]?.toLowerCase();
  return (["us", "metric", "imperial"] as const).find((x) => x === said);
}
/** A title behind an empty line, when a method has been said already and a list follows: another recipe. */
export function secondRecipe(
  rows: readonly SourceRow[],
  ctx: ReadingContext,
): { readonly from: number; readonly name: string } | undefined {
  // Most texts have no empty line before another title.
  if (!rows.some((r, i) => i > 1 && r.apart)) return undefined;
  let strained = false;
  for (const [i, row] of rows.entries()) {
    const next = rows[i + 1];
    if (i > 1 && strained && row.apart && next && !row.heading && isTitle(row, ctx)) {
      const t = tokensOf(next.text);
      const lists = next.heading
        ? next.section === "lines"
        : t[0]?.kind === "number" || thingsIn(next.text, t, ctx).things.some((x) => x.amounts.length > 0);
      if (lists && tokensOf(row.text).length < 9) return { from: row.from, name: row.text };
    }
    if (row.section !== "notes")
      strained ||= tokensOf(row.text).some(
        (t) => deedOf(t.low) === "strain" || deedOf(t.low) === "steep" || deedOf(t.low) === "bottle",
      );
  }
  return undefined;
}

/** The question which of two recipes in one text is meant. */
export function whichRecipe(at: Place, first: string | undefined, second: string): PastedPart {
  const names = [first ?? "the first", second];
  const choices = names.map((words) => ({ words, reading: { is: "lines", lines: [] } as const }));
  return {
    ...at,
    is: "ask",
    question: `Two recipes stand in this text. Which of them is it?`,
    choices,
    key: second,
  };
}
