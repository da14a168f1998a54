import type { ReadingContext } from "../../reading/said";
import { readLine } from "../../reading/line";
import { tokensOf } from "../../reading/tokens";
import { startsWithAmount } from "./listed";
import type { SourceRow } from "./rows";
import { DEEDS } from "./verbs";

/** The name of a recipe, where its text begins with one: the rows it stands in, and the rest. */
export interface NameFound {
  readonly name: string;
  readonly at: { readonly from: number; readonly to: number };
  readonly rows: readonly SourceRow[];
}

/** “Lime honey. Fill a jar …”, “Cough syrup: 1 oz …”: the name stands before what is done. */
function leading(rows: readonly SourceRow[], ctx: ReadingContext): NameFound | undefined {
  const row = rows[0]!;
  const found = /^([^.:;]{3,60})[.:]\s+(?=\S)/.exec(row.text);
  if (!found) return undefined;
  const t = tokensOf(found[1]!);
  if (t.length > 7 || t.some((x) => DEEDS[x.low]) || startsWithAmount(t, ctx)) return undefined;
  const name = found[1]!.trim();
  const rest = { ...row, from: row.from + found[0].length, text: row.text.slice(found[0].length) };
  const named = { ...row, to: row.from + found[0].length, text: name };
  return { name, at: { from: row.from, to: row.from + name.length }, rows: [named, rest, ...rows.slice(1)] };
}

const KIND_LAST = /\b(?:vinegar|honey|syrup|oxymel|tincture|cider|elixir|bitters|tonic|cordial)$/i;
const countsNothing = (text: string, ctx: ReadingContext): boolean =>
  KIND_LAST.test(text) &&
  !/^[\d¼-¾⅐-⅞]/.test(text) &&
  !["line", "lines", "ask"].includes(readLine(text, ctx).is);

/** The first line is the name, where it is short, has no amount and does nothing. */
export function nameFound(rows: readonly SourceRow[], ctx: ReadingContext): NameFound | undefined {
  const [first, second] = rows;
  if (!first || first.heading || first.listed) return undefined;
  const lead = leading(rows, ctx);
  if (lead || !second) return lead;
  const { text } = first;
  const t = tokensOf(text);
  if (text.length > 80 || /[.;]$/.test(text) || t.length === 0) return undefined;
  // “Four Thieves vinegar” counts nothing.
  if (startsWithAmount(t, ctx) && !countsNothing(text, ctx)) return undefined;
  if (DEEDS[t[0]!.low]) return undefined;
  const dash = /^(.{3,60}?)(?:,| [–—-] | \(|: )/.exec(text);
  return { name: (dash?.[1] ?? text).trim(), at: { from: first.from, to: first.to }, rows };
}
