import { type ReadingContext } from "../../reading/said";
import { type Thing, thingsIn } from "../../reading/things";
import { tokensOf } from "../../reading/tokens";
import { startsWithAmount } from "./listed";
import type { SourceRow } from "./rows";
import { deedOf } from "./verbs";

/** The name of a recipe, where its text begins with one: the rows it stands in, and the rest. */
export interface NameFound {
  readonly name: string;
  readonly at: { readonly from: number; readonly to: number };
  readonly rows: readonly SourceRow[];
}
const doesFirst = (text: string): boolean => {
  const [first] = tokensOf(text);
  return first !== undefined && deedOf(first.low) !== undefined && !["good"].includes(first.low);
};

/** “Lime honey. Fill a jar …”, “Cough syrup: 1 oz …”: the name stands before what is done. */
function leading(rows: readonly SourceRow[], ctx: ReadingContext): NameFound | undefined {
  const row = rows[0]!;
  const found = /^([^.:;,]{3,60})[.:]\s+(?=\S)/.exec(row.text);
  if (!found) return undefined;
  const t = tokensOf(found[1]!);
  if (
    t.length > 7 ||
    startsWithAmount(t, ctx) ||
    (t.some((x) => deedOf(x.low)) && !KIND_LAST.test(found[1]!))
  )
    return undefined;
  const said = found[1]!.trim();
  const titled = /^(?:title|name|recipe)$/i.test(said);
  const name = titled ? row.text.slice(found[0].length).trim() : said;
  const rest = { ...row, from: row.from + found[0].length, text: row.text.slice(found[0].length) };
  const named = { ...row, to: row.from + found[0].length, text: said };
  if (titled) return { name, at: { from: row.from, to: row.to }, rows };
  return { name, at: { from: row.from, to: row.from + name.length }, rows: [named, rest, ...rows.slice(1)] };
}

const KIND_LAST = /\b(?:vinegar|honey|syrup|oxymel|tincture|cider|elixir|bitters|tonic|cordial|glycerite)$/i;
/** “Four Thieves vinegar” counts nothing; “500 ml vinegar” does. */
const countsNothing = (text: string, ctx: ReadingContext): boolean => {
  if (!KIND_LAST.test(text) || /^[\d¼-¾⅐-⅞]/.test(text)) return false;
  const { things } = thingsIn(text, tokensOf(text), ctx);
  const measured = (x: Thing): boolean =>
    x.amounts.some(({ q }) => q.is === "vague" || q.amount.kind !== "count" || q.amount.unit !== "piece");
  return !things.some((x) => x.names.length > 0 && measured(x));
};

/** Whether a row may be the name of a recipe: short, without an amount, and doing nothing. */
export function isTitle({ text, heading, listed, section }: SourceRow, ctx: ReadingContext): boolean {
  const t = tokensOf(text);
  if (heading || listed || section === "facts" || text.length > 80 || /[.;,]$/.test(text) || t.length === 0)
    return false;
  if (startsWithAmount(t, ctx) && !countsNothing(text, ctx)) return false;
  return !doesFirst(text) || KIND_LAST.test(text);
}

/** The first line is the name, where it is short, has no amount and does nothing. */
export function nameFound(rows: readonly SourceRow[], ctx: ReadingContext): NameFound | undefined {
  const [first, second] = rows;
  if (!first || first.heading || first.listed) return undefined;
  const lead = leading(rows, ctx);
  if (lead || !second) return lead;
  if (!isTitle(first, ctx)) return undefined;
  const dash = /^(.{3,60}?)(?:,| [–—-] | \(|: )/.exec(first.text);
  return { name: (dash?.[1] ?? first.text).trim(), at: { from: first.from, to: first.to }, rows };
}
