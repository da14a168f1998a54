import type { Material } from "../../material/material";
import { CUT_WORDS, FORM_WORDS, KEPT_WORDS } from "../../reading/line-words";
import { readLine } from "../../reading/line";
import { type NameSpan, meantBy, namesIn } from "../../reading/names";
import { isFault, numberAt } from "../../reading/numbers";
import { quantityAt } from "../../reading/quantities";
import { type Reading, type ReadingContext, sayLine } from "../../reading/said";
import type { Token } from "../../reading/tokens";
import { BUT, DEEDS } from "./verbs";

/** Something that goes in, named in a sentence. */
export interface Mention {
  /** Where its words stand in the sentence. */
  readonly from: number;
  readonly to: number;
  /** Its name as typed, with what stands before it. */
  readonly name: string;
  /** The token its name begins at. */
  readonly at: number;
  readonly material: Material;
  readonly reading: Reading;
  /** Only its name was said, no amount. */
  readonly bare: boolean;
  /** Named as what stays out: “all but the honey”. */
  readonly out: boolean;
}

const PARTS_TWO: ReadonlySet<string> = new Set([
  ",",
  ";",
  ":",
  "and",
  "&",
  "plus",
  "with",
  "in",
  "into",
  "over",
  "to",
  "on",
  "then",
  "or",
  "then",
  "+",
  "(",
]);
/** What comes after these is no more of the thing named. */
const GOES_ON: ReadonlySet<string> = new Set([
  "then", "until", "till", "into", "for", "while", "when", "so", "which", "because", "after", "before", "over", "once", "that", "if", "this", "they", "it", "them", "through", "every", "per", "below", "under",
]); // prettier-ignore

const MADE: ReadonlySet<string> = new Set(["juice", "zest", "peel", "rind"]);

/** “juice and zest of”, standing before a number, goes with it. */
function withMade(t: readonly Token[], k: number, least: number): number {
  if (t[k - 1]?.low !== "of" && t[k - 1]?.low !== "from") return k;
  if (!MADE.has(t[k - 2]?.low ?? "") || k - 2 < least) return k;
  const two = ["and", "&"].includes(t[k - 3]?.low ?? "") && MADE.has(t[k - 4]?.low ?? "");
  return two && k - 4 >= least ? k - 4 : k - 2;
}

function numberEnd(t: readonly Token[], k: number): number | undefined {
  const n = numberAt(t, k);
  return n && !isFault(n) ? n.next : undefined;
}

/** Where the words of a name begin: its amount before it, or the last thing that parts it from what came before. */
function startOf(t: readonly Token[], least: number, first: number, ctx: ReadingContext): number {
  for (let k = least; k < first; k++) {
    // A bare word of counting behind a name counts that name: “a cinnamon stick and a thumb of ginger”.
    if (k === least && k > 0 && t[k]!.kind === "word" && !numberAt(t, k)) continue;
    if (
      k > least &&
      !PARTS_TWO.has(t[k - 1]!.low) &&
      !DEEDS[t[k - 1]!.low] &&
      !["the", "of", "about"].includes(t[k - 1]!.low)
    )
      continue;
    const q = quantityAt({ tokens: t, system: ctx.system, named: (i) => i === first }, k);
    const next = q && !isFault(q) ? q.next : numberEnd(t, k);
    if (next === undefined || next > first) continue;
    let parted = false;
    for (let i = next; i < first; i++)
      if ([",", ";", "with", "in", "into", "over"].includes(t[i]!.low) || DEEDS[t[i]!.low]) parted = true;
    if (!parted) return withMade(t, k, least);
  }
  for (let k = first; k > least; k--) if (PARTS_TWO.has(t[k - 1]!.low) || DEEDS[t[k - 1]!.low]) return k;
  return least;
}

const isWork = (x: Token): boolean =>
  x.kind === "mark" ||
  FORM_WORDS[x.low] !== undefined ||
  CUT_WORDS[x.low] !== undefined ||
  KEPT_WORDS.has(x.low) ||
  ["and", "or", "to", "taste", "optional"].includes(x.low);

/** How far the words of a name go on: its form and work, an amount behind it; never into what is done next. */
function endOf(t: readonly Token[], last: number, most: number): number {
  let end = last + 1;
  while (end < most && !GOES_ON.has(t[end]!.low) && !(DEEDS[t[end]!.low] && !isWork(t[end]!))) end++;
  return end;
}

/** The same with less behind it, where what is behind it is not known: up to a comma, to what is done to it, to the name alone. */
function* shorter(t: readonly Token[], last: number, end: number): Generator<number> {
  yield end;
  for (let k = last + 1; k < end; k++) if ([",", "(", "and", "with", "in"].includes(t[k]!.low)) yield k;
  let work = last + 1;
  while (work < end && isWork(t[work]!)) work++;
  if (work < end) yield work;
  yield last + 1;
}

const understood = (r: Reading): boolean =>
  r.is === "line" || r.is === "lines" || (r.is === "ask" && r.choices.length > 0);

function readBest(
  text: string,
  t: readonly Token[],
  from: number,
  last: number,
  end: number,
  ctx: ReadingContext,
): { reading: Reading; to: number } {
  let first: { reading: Reading; to: number } | undefined;
  for (const to of shorter(t, last, end)) {
    const reading = readLine(text.slice(t[from]!.from, t[to - 1]!.to).replace(/[\s,(]+$/, ""), ctx);
    const here = { reading, to };
    first ??= here;
    if (reading.is === "line" || reading.is === "lines") return here;
    if (understood(reading) && reading.is === "ask" && !/names several|remark/.test(reading.question))
      return here;
  }
  return first!;
}

function amountIn(r: Reading): boolean {
  switch (r.is) {
    case "line":
      return r.line.amount !== undefined;
    case "unknown":
      return r.amount !== undefined;
    case "lines":
    case "ask":
    case "fault":
      return true;
  }
}

/** Names that are said of something else: the jar a sauce came in, the tea it tastes like. */
export const spansOf = (t: readonly Token[], ctx: ReadingContext): NameSpan[] =>
  namesIn(t, ctx.catalogue).sort((a, b) => a.tokens[0]! - b.tokens[0]!);

/** Everything a sentence names that could go in, each with as much as was said of it. */
export function mentionsOf(
  text: string,
  t: readonly Token[],
  spans: readonly NameSpan[],
  acts: readonly number[],
  ctx: ReadingContext,
): Mention[] {
  const out: Mention[] = [];
  let least = 0;
  const starts = spans.map((s, j) => {
    const before = j === 0 ? 0 : Math.max(...spans[j - 1]!.tokens) + 1;
    return startOf(
      t,
      Math.max(before, ...acts.filter((a) => a < s.tokens[0]!).map((a) => a + 1)),
      Math.min(...s.tokens),
      ctx,
    );
  });
  let each: string | undefined;
  // “sage, thyme and lavender, all fresh”.
  const all = /\ball (fresh|dried|frozen)\b/i.exec(text)?.[1];
  spans.forEach((s, j) => {
    const [first, last] = [Math.min(...s.tokens), Math.max(...s.tokens)];
    const from = Math.max(starts[j]!, least);
    const nextAct = acts.find((a) => a > last) ?? t.length;
    const end = endOf(t, last, Math.min(starts[j + 1] ?? t.length, nextAct));
    const { reading, to } = readBest(text, t, from, last, Math.max(end, last + 1), ctx);
    least = to;
    const stayOut = t.findLastIndex((x, k) => k < first && BUT.has(x.low));
    const sinceOut = stayOut >= 0 && !acts.some((a) => a > stayOut && a < first);
    let read = reading;
    const head = text.slice(t[from]!.from, t[first]!.from);
    if (/\beach\b/i.test(head) || /\beach\b/i.test(text.slice(t[last]!.to, t[to - 1]!.to)))
      each = head.replace(/\b(?:each|of)\b/gi, "").trim();
    else if (each !== undefined && reading.is === "line" && !reading.line.amount)
      read = readLine(`${each} ${text.slice(t[from]!.from, t[to - 1]!.to)}`, ctx);
    const took = read.is === "line" && read.line.took.some((x) => x.what === "form");
    if (all !== undefined && took && read.is === "line")
      read = readLine(
        `${sayLine({ amount: read.line.amount?.text, material: read.line.material, cut: read.line.cut })}, ${all}`,
        ctx,
      );
    out.push({
      from: t[from]!.from,
      to: t[to - 1]!.to,
      name: text.slice(t[from]!.from, t[last]!.to),
      at: first,
      material: meantBy(s.names)[0]!.material,
      reading: read,
      bare:
        !amountIn(read) || (read.is !== "line" && read.is !== "lines" && from === first && last + 1 >= to),
      out: sinceOut,
    });
  });
  return out;
}
