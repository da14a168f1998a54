import { fault, isFault } from "../fault";
import { nearest } from "../quantity/near";
import { explains, unaccounted } from "./accounted";
import { sensesOf } from "./lexicon";
import { oneAt } from "./numbers";
import type { Piece } from "./piece";
import {
  type Choice,
  type Claim,
  type Reading,
  type ReadingContext,
  type SaidLine,
  sayReading,
} from "./said";
import { settle, settleWith } from "./settle";
import type { Amount } from "../quantity/amount";
import { type Thing, type Things, thingsIn } from "./things";
import { type Token, tokensOf } from "./tokens";
import { UNIT_WORDS, unitWord } from "./unit-words";

/** The longest line read; longer ones are several things. */
export const LONGEST_LINE = 300;

const wrong = (name: string, message: string, suggestion?: string): Reading => ({
  is: "fault",
  fault: fault(name, message, [], suggestion),
});

/** Where a line begins behind its bullet, its box, or its number in a list: “- ”, “[ ] ”, “1. 5 g thyme”, “2) sage”. */
function listEnd(t: readonly Token[]): number {
  let k = 0;
  while (t[k]?.kind === "mark" && t[k]!.low !== "(" && t[k]!.low !== "~" && t[k]!.low !== "∞") {
    // A dash glued to a number is a minus sign, unless it is a bullet at the head of a line with a blank behind it.
    if (t[k]!.low === "-" && t[k + 1]?.kind === "number" && t[k + 1]!.glued) return k;
    k++;
  }
  const [number, mark, next] = [t[k], t[k + 1], t[k + 2]];
  if (number?.kind !== "number" || number.glyph || !next || (mark?.low !== "." && mark?.low !== ")"))
    return k;
  // “2. cups honey” is two cups with a slip of the pen.
  const unit = next.kind === "word" && unitWord(next.low, next.text, "us") !== undefined;
  return mark.glued && (mark.low === ")" || !unit) ? k + 2 : k;
}

/** A line typed in a kitchen, read whole. See `Reading` for what may come of it; never throws, and takes some microseconds. */
export function readLine(text: string, ctx: ReadingContext): Reading {
  if (text.length > LONGEST_LINE)
    return wrong(
      "TooLong",
      `That is ${text.length} letters. Keep a line under ${LONGEST_LINE}, with one thing on it; a whole recipe is pasted in the Formulary.`,
    );
  const all = tokensOf(text);
  const start = listEnd(all);
  const tokens = start === 0 ? all : all.slice(start);
  return readThings(thingsIn(text, tokens, ctx), ctx);
}

/** What one thing of a sentence comes to, with all that is said of it there. @param amount how much of it, where that is said by the deed */
export function readOne(from: Things, x: Thing, ctx: ReadingContext, amount?: Amount): Reading {
  const reading = amount ? settleWith(from, x, ctx, amount) : single(from, x, ctx);
  return checked(from, reading, from.tokens.slice(x.all.from, x.all.to));
}

/** What the things said in a line come to together. */
export function readThings(from: Things, ctx: ReadingContext): Reading {
  const { things, pieces } = from;
  const [first] = things;
  const bad = pieces.find((p): p is Extract<Piece, { is: "fault" }> => p.is === "fault");
  if (bad) return { is: "fault", fault: bad.fault };
  if (!first) return nothingNamed(from);
  if (things.length === 1) return checked(from, single(from, first, ctx));
  return checked(from, several(from, ctx));
}

function single(from: Things, x: Thing, ctx: ReadingContext): Reading {
  if (x.equal && from.things.length < 2)
    return {
      is: "ask",
      question: "Equal parts of what? Name two things, like “equal parts honey and vinegar”.",
      choices: [],
    };
  return (x.names.length === 0 ? misspeltUnit(from, x) : undefined) ?? settle(from, x, ctx);
}

/** “two handfulls thyme”: one word nobody knows right behind the number and before a known name, and near a unit. */
function misspeltUnit(from: Things, x: Thing): Reading | undefined {
  const { text, tokens } = from;
  const word = tokens[x.name.from]!;
  const before = oneAt(tokens, x.name.from - 1);
  if (
    x.inside.length === 0 ||
    word.low.length < 4 ||
    !before ||
    isFault(before) ||
    before.next !== x.name.from
  )
    return undefined;
  const near = isUnknown(word) ? nearest(word.low, UNIT_WORDS) : undefined;
  if (!near) return undefined;
  const right = `${text.slice(0, word.from)}${near}${text.slice(word.to)}`.trim();
  return wrong("UnknownUnit", `“${word.text}” is not a unit here. Did you mean “${near}”?`, right);
}
const isUnknown = (t: Token): boolean => {
  const s = sensesOf(t.low);
  return t.kind === "word" && !s.part && !s.noun && !s.everyday && !s.kept;
};

/** Several things: a line for each where each says its own amount; else asked, as one name that is not known, or one of them. */
function several(from: Things, ctx: ReadingContext): Reading {
  const { things, joints } = from;
  const amounts = things.map((x) => x.amounts.length > 0 || x.asMuch !== undefined || x.taste);
  const each = things.some((x) => x.each);
  const equal = things[0]!.equal;
  const shared = each ? things.find((x) => x.amounts.length > 0) : undefined;
  const or = joints.includes("or");
  const readings = things.map((x) => {
    if (equal && !x.equal) return settle(from, { ...x, equal: true }, ctx);
    if ((shared || or) && x.amounts.length === 0)
      return settle(
        from,
        { ...x, amounts: (shared ?? things.find((y) => y.amounts.length > 0) ?? x).amounts },
        ctx,
      );
    return settle(from, x, ctx);
  });
  if (or && !equal) return { is: "ask", question: "Which of them goes in?", choices: readings.map(asChoice) };
  const lines = readings.flatMap((r) => (r.is === "line" ? [r.line] : []));
  if (lines.length === things.length && (equal || shared || amounts.every((a) => a)))
    return { is: "lines", lines };
  const first = readings.find((r) => r.is === "fault");
  if (first) return first;
  return {
    is: "ask",
    question: `“${from.text.trim()}” names several things. Which is it? Give each a line of its own.`,
    choices: readings.map(asChoice),
  };
}
const asChoice = (reading: Reading): Choice => ({ words: sayReading(reading), reading });

/** Every word of a line must be in what it came to: what is not is asked about, whatever the grammar thought of it. */
function checked(from: Things, reading: Reading, tokens: readonly Token[] = from.tokens): Reading {
  if (reading.is !== "line" && reading.is !== "lines") return reading;
  const lines = reading.is === "line" ? [reading.line] : reading.lines;
  const { text } = from;
  const claims = lines.length === 1 ? lines[0]!.claims : lines.flatMap((l) => l.claims);
  const left = unaccounted(tokens, claims);
  if (left.length === 0 && lines.every((l) => explains(l, tokens))) return reading;
  const words =
    left.length > 0
      ? text.slice(left[0]!.from, left.at(-1)!.to)
      : text.slice(tokens[0]!.from, tokens.at(-1)!.to);
  return {
    is: "ask",
    question: `What is “${words}”? Without it this is ${sayReading(reading)}.`,
    choices: [{ words: "leave it out", reading: withStruck(reading, left) }],
    ...(lines.length === 1 ? { of: lines[0]!.material } : {}),
  };
}

/** The same with what was not understood kept as a remark. */
function withStruck(reading: Reading, left: readonly Token[]): Reading {
  if (reading.is !== "line") return reading;
  const claims: Claim[] = left.map((t) => ({ role: "note", from: t.from, to: t.to }));
  const line: SaidLine = {
    ...reading.line,
    notes: [...reading.line.notes, ...(left.length > 0 ? [left.map((t) => t.text).join(" ")] : [])],
    claims: [...reading.line.claims, ...claims],
  };
  return { is: "line", line };
}

/** A line that names nothing: its fault, or that it names nothing. */
function nothingNamed({ text }: Things): Reading {
  if (text.trim() === "") return wrong("NotAMaterial", "Name what goes in: “1½ cups hyssop, dried”.");
  return wrong(
    "NotAMaterial",
    `“${text.trim().slice(0, 60)}” names nothing that goes in. Write it like “1½ cups hyssop, dried”.`,
  );
}
