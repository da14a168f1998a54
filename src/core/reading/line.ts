import { fault } from "../fault";
import type { Material } from "../material/material";
import { nearest } from "../quantity/near";
import { type NameSpan, PART_OF_CLASS, PART_WORDS, meantBy, nameWord, namesIn } from "./names";
import { unknownName } from "./naming";
import { isFault, oneAt } from "./numbers";
import type { Cursor } from "./quantity";
import { type Reading, type ReadingContext } from "./said";
import { scanLine } from "./scan";
import { ABOUT_NOTHING, type About, type Scan } from "./scanned";
import { piecesOf } from "./fit-amount";
import { settled } from "./settle";
import { readMade } from "./made-of";
import { eitherAmount, severalNamed } from "./several";
import { sharesOf } from "./shares";
import { type Token, tokensOf } from "./tokens";
import { UNIT_WORDS, unitWord } from "./unit-words";
import { cloveOrGarlic, whichOf, withoutAsides, withoutCounters } from "./which";

/** The longest line read; longer ones are several things. */
export const LONGEST_LINE = 300;

const wrong = (name: string, message: string, suggestion?: string): Reading => ({
  is: "fault",
  fault: fault(name, message, [], suggestion),
});
const distinct = (spans: readonly NameSpan[]): readonly NameSpan[] =>
  spans.length < 2
    ? spans
    : spans.filter(
        (s, i) =>
          spans.findIndex((o) => meantBy(o.names)[0]!.material === meantBy(s.names)[0]!.material) === i,
      );

/** Which tokens belong to a name. */
function namedIn(tokens: readonly Token[], spans: readonly NameSpan[]): readonly boolean[] {
  const named = tokens.map(() => false);
  for (const s of spans) for (const k of s.tokens) named[k] = true;
  return named;
}

function namesOf(tokens: readonly Token[], ctx: ReadingContext): readonly NameSpan[] {
  const all = namesIn(tokens, ctx.catalogue);
  return all.length < 2 ? all : withoutCounters(tokens, withoutAsides(tokens, all));
}

/** “1. 5 g thyme”, “2) sage”: the number of a list, which is no amount. */
function isNumbered(t: readonly Token[]): boolean {
  const [number, mark, next] = t;
  if (number?.kind !== "number" || number.glyph || !next) return false;
  // “2. cups honey” is two cups with a slip of the pen.
  const unit = next.kind === "word" && unitWord(next.low, next.text, "us") !== undefined;
  return (mark?.low === "." || mark?.low === ")") && mark.glued && !unit;
}

/** A line typed in a kitchen, read whole. See `Reading` for what may come of it; never throws, and takes some microseconds. */
export function readLine(text: string, ctx: ReadingContext): Reading {
  if (text.length > LONGEST_LINE)
    return wrong(
      "TooLong",
      `That is ${text.length} letters. Keep a line under ${LONGEST_LINE}, with one thing on it; a whole recipe is pasted in the Formulary.`,
    );
  const tokens = tokensOf(text);
  if (!tokens.some((t) => t.kind === "word")) return nothingNamed(text, tokens, ctx);
  if (isNumbered(tokens)) return readLine(text.slice(tokens[2]!.from), ctx);
  const wet = waterSaid(text, tokens, ctx);
  if (wet) return wet;
  const shares = sharesOf(text, tokens, ctx, readLine);
  if (shares) return shares;
  const made = readMade(text, tokens, ctx, readLine);
  if (made) return made;
  const spans = namesOf(tokens, ctx);
  const taken = namedIn(tokens, spans);
  const c: Cursor = { tokens, system: ctx.system, named: (i) => taken[i] === true };
  const first = ctx.chosen ?? spans[0]?.names[0]?.material;
  const scan = scanLine(c, text, first ? aboutOf(first) : ABOUT_NOTHING);
  if (scan.fault) return { is: "fault", fault: scan.fault };
  if (ctx.chosen) return settled(ctx.chosen, scan, tokens, text, ctx, false, "");
  const unknown = unknownWords(tokens, scan, spans);
  if (spans.length === 0 || unknown.length > 0) {
    const name = nameTyped(tokens, spans, scan, text);
    if (name === "") return nothingNamed(text, tokens, ctx);
    const whole = countedInName(tokens, scan, unknown, text);
    if (whole) return unknownName(whole.name, ctx, whole.scan);
    const slip = misspeltUnit(tokens, unknown, spans, text);
    if (slip) return slip;
    const remark = remarkOrName(tokens, scan, spans, text, ctx);
    if (remark) return remark;
    return unknownName(name, ctx, scan, spans[0] ? meantBy(spans[0].names)[0]!.material : undefined);
  }
  const apart = distinct(spans);
  if (apart.length > 1) return severalNamed(apart, scan, tokens, text, ctx, readLine);
  const either = eitherAmount(apart[0]!, scan, tokens, text);
  if (either) return either;
  const meant = meantBy(apart[0]!.names);
  const typedName = apart[0]!.tokens.map((k) => tokens[k]!.text).join(" ");
  if (meant.length > 1) return whichOf(meant, scan, ctx, typedName);
  const clove = cloveOrGarlic(apart[0]!, scan, tokens, ctx);
  if (clove) return clove;
  return settled(meant[0]!.material, scan, tokens, text, ctx, meant[0]!.loose, typedName);
}

/** “honey (16.8 % water)”: what a refractometer showed of it. */
function waterSaid(text: string, t: readonly Token[], ctx: ReadingContext): Reading | undefined {
  if (!text.includes("%")) return undefined;
  const at = t.findIndex((x, k) => x.kind === "number" && t[k + 1]?.low === "%" && t[k + 2]?.low === "water");
  if (at < 1) return undefined;
  const bracket = t[at - 1]!.low === "(" && t[at + 3]?.low === ")";
  const rest = `${text.slice(0, t[bracket ? at - 1 : at]!.from)}${text.slice(t[bracket ? at + 3 : at + 2]!.to)}`;
  const read = readLine(rest.replace(/[\s,]+$/, ""), ctx);
  if (read.is !== "line" || read.line.material.row.class !== "honey") return undefined;
  return { is: "line", line: { ...read.line, water: t[at]!.value } };
}

/** “two handfulls thyme”: one word nobody knows right behind the number and before a known name, and near a unit. */
function misspeltUnit(
  tokens: readonly Token[],
  unknown: readonly number[],
  spans: readonly NameSpan[],
  text: string,
): Reading | undefined {
  const [at] = unknown;
  const word = at === undefined ? undefined : tokens[at];
  if (!word || unknown.length > 1 || word.low.length < 4 || spans.length !== 1) return undefined;
  const before = oneAt(tokens, at! - 1);
  if (!before || isFault(before) || spans[0]!.tokens[0]! < at!) return undefined;
  const near = nearest(word.low, UNIT_WORDS);
  if (!near) return undefined;
  const right = `${text.slice(0, word.from)}${near}${text.slice(word.to)}`.trim();
  return wrong("UnknownUnit", `“${word.text}” is not a unit here. Did you mean “${near}”?`, right);
}

const aboutOf = (m: Material): About => ({ parts: PART_OF_CLASS[m.row.class] ?? [], pieces: piecesOf(m) });

/** Words nobody knows; a mark beside a name is none, nor is the “to” of “1 part honey to 2 parts vinegar”. */
const unknownWords = (tokens: readonly Token[], scan: Scan, spans: readonly NameSpan[]): number[] =>
  scan.unknown.filter(
    (k) =>
      !(spans.length > 0 && tokens[k]!.kind === "mark") && !(spans.length > 1 && tokens[k]!.low === "to"),
  );

/** The words that make the name as typed: what is known of it and what is not, with the parts of plants between. */
function nameTyped(tokens: readonly Token[], spans: readonly NameSpan[], scan: Scan, text: string): string {
  const at = [...spans.flatMap((s) => s.tokens), ...scan.unknown].filter((k) => tokens[k]!.kind !== "number");
  if (at.length === 0) return "";
  let first = Math.min(...at);
  let last = Math.max(...at);
  while (tokens[last + 1]?.kind === "word" && PART_WORDS.has(nameWord(tokens[last + 1]!.low))) last++;
  while (first < last && tokens[first]!.kind === "mark") first++;
  return text.slice(tokens[first]!.from, tokens[last]!.to).trim();
}

/** “white pepper”, where it is not known: the word behind is no unit but the end of the name. */
function countedInName(
  tokens: readonly Token[],
  scan: Scan,
  unknown: readonly number[],
  text: string,
): { readonly name: string; readonly scan: Scan } | undefined {
  const last = unknown.at(-1);
  const at = last === undefined ? undefined : scan.amounts.find((a) => a.from === last + 1);
  if (last === undefined || at?.q.is !== "amount" || at.q.amount.kind !== "count") return undefined;
  if (at.q.amount.unit === "piece" || tokens[last + 1]?.kind !== "word") return undefined;
  const name = text.slice(tokens[unknown[0]!]!.from, tokens[last + 1]!.to).trim();
  return { name, scan: { ...scan, amounts: scan.amounts.filter((a) => a !== at) } };
}

/** Words nobody knows, after the name and a comma: a remark, or part of a name not known here? It is asked. */
function remarkOrName(
  tokens: readonly Token[],
  scan: Scan,
  spans: readonly NameSpan[],
  text: string,
  ctx: ReadingContext,
): Reading | undefined {
  const first = spans[0];
  const from = Math.min(...scan.unknown);
  const after = first ? Math.max(...first.tokens) : Infinity;
  const comma = tokens.findIndex((t, k) => k > after && k < from && (t.low === "," || t.low === ";"));
  if (!first || comma < 0 || spans.length > 1) return undefined;
  const words = text.slice(tokens[comma + 1]!.from, tokens[Math.max(...scan.unknown)]!.to);
  const rest = `${text.slice(0, tokens[comma]!.from)}${text.slice(tokens[Math.max(...scan.unknown)]!.to)}`;
  const name = nameTyped(tokens, spans, scan, text);
  const near = unknownName(name, ctx, scan);
  const others =
    near.is === "unknown" ? near.near.filter((n) => n.material !== meantBy(first.names)[0]!.material) : [];
  return {
    is: "ask",
    question: `Is “${words}” a remark, or part of the name?`,
    choices: [
      {
        words: `a remark on the ${meantBy(first.names)[0]!.material.row.names[0]}`,
        text: `${rest.trim()} (${words.replace(/[()]/g, "")})`,
      },
      ...others.slice(0, 3).map((n) => ({ words: n.material.row.names[0]!, text: n.text })),
    ],
  };
}

function nothingNamed(text: string, tokens: readonly Token[], ctx: ReadingContext): Reading {
  if (text.trim() === "") return wrong("NotAMaterial", "Name what goes in: “1½ cups hyssop, dried”.");
  const number = tokens.length > 0 ? oneAt(tokens, 0) : undefined;
  if (isFault(number)) return { is: "fault", fault: number };
  const q = scanLine({ tokens, system: ctx.system, named: () => false }, text, ABOUT_NOTHING);
  if (q.fault) return { is: "fault", fault: q.fault };
  // “pepper” counts something and is the last word of several names.
  const word = tokens.filter((t) => t.kind === "word").at(-1);
  const near = word ? unknownName(word.text, ctx, q) : undefined;
  if (
    near?.is === "unknown" &&
    near.near.some(({ material }) =>
      material.row.names.some((n) => nameWord(n.toLowerCase().split(" ").at(-1)!) === nameWord(word!.low)),
    )
  )
    return near;
  return wrong(
    "NotAMaterial",
    `“${text.trim().slice(0, 60)}” names nothing that goes in. Write it like “1½ cups hyssop, dried”.`,
  );
}
