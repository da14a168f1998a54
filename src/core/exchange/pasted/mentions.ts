import type { Material } from "../../material/material";
import { readOne } from "../../reading/line";
import { sensesOf } from "../../reading/lexicon";
import { meantBy } from "../../reading/names";
import { type Choice, type Reading, type ReadingContext, sayReading } from "../../reading/said";
import { type Thing, type Things, thingsIn } from "../../reading/things";
import { tokensOf } from "../../reading/tokens";
import { type Act, actsOf } from "./acts";
import { saysHowMuch } from "./listed";
import type { Place } from "./parts";

/** A sentence taken apart: what it names, and what it does. */
export interface Sentence {
  /** Where it begins in the whole text. */
  readonly from: number;
  readonly text: string;
  readonly things: Things;
  readonly acts: readonly Act[];
  readonly heard: (k: number) => boolean;
}
export function sentenceAt(from: number, text: string, ctx: ReadingContext): Sentence {
  const things = thingsIn(text, tokensOf(text), ctx, true);
  const owned = new Uint8Array(things.tokens.length);
  for (const x of things.things)
    if (x.names.length > 0 || x.amounts.length > 0) owned.fill(1, x.all.from, x.all.to);
  const { acts, heard } = actsOf(text, things.tokens, (k) => owned[k] === 1, ctx.system);
  return { from, text, things, acts, heard };
}

/** Something that goes in, named in a sentence. */
export interface Mention extends Place {
  readonly x: Thing;
  readonly material: Material | undefined;
  readonly reading: () => Reading;
  /** Only its name was said, no amount. */
  readonly bare: boolean;
  /** Named as what stays out: “all but the honey”. */
  readonly out: boolean;
  /** The token its name begins at. */
  readonly at: number;
}

const isBare = (x: Thing): boolean =>
  x.amounts.length === 0 && x.asMuch === undefined && !x.taste && !x.equal;

const asChoice = (reading: Reading): Choice => ({ words: sayReading(reading), reading });

/** A thing listed before that a word stands for, or that is named within a longer name. */
type ByWord = (name: string, inside: readonly Material[]) => Material | undefined;

/** Everything a sentence names that could go in. Words nobody knows count where an amount is said of them, or where they stand in a row with what goes in. */
export function mentionsOf({ from, things }: Sentence, ctx: ReadingContext, byWord: ByWord): Mention[] {
  const { tokens, joints } = things;
  const out: Mention[] = [];
  let each: Thing["amounts"] | undefined;
  const equal = things.things.find((x) => x.equal);
  things.things.forEach((typed, i) => {
    let x = typed;
    if (x.each) each = x.amounts;
    else if (each && x.amounts.length === 0 && joints[i] === "and") x = { ...x, amounts: each };
    else each = undefined;
    if (equal && i > 0 && x.amounts.length === 0 && i < 2 + things.things.indexOf(equal))
      x = { ...x, equal: true };
    const last = out.at(-1);
    // “a handful of sage and another of thyme”.
    if (
      last &&
      x.amounts.length === 0 &&
      tokens.slice(last.x.all.to, x.name.from).some((t) => t.low === "another")
    )
      x = { ...x, amounts: last.x.amounts };
    const known = x.names.length > 0;
    const bare = known ? isBare(x) : !saysHowMuch(x, tokens);
    const inRow =
      joints[i] === "and" && last !== undefined && beside(things, last.x, x) && last.material !== undefined;
    if (!known && bare && !inRow && x.inside.length === 0 && !byWord(x.typed, x.inside)) return;
    // “the elder”, after elderberries were said, is those; alone it is no thing that goes in.
    if (known && bare && x.names.every((n) => n.bare) && !byWord(x.typed, x.inside)) return;
    const before = tokens.slice(0, x.name.from);
    const but = before.findLastIndex((t) => sensesOf(t.low).but === true);
    const place = { from: from + tokens[x.all.from]!.from, to: from + tokens[x.all.to - 1]!.to };
    const one = (): Reading => readOne(things, x, ctx);
    if (joints[i] === "or" && last && !last.out && !(bare && last.bare)) {
      const first = last.reading;
      const second =
        x.amounts.length > 0 ? one : (): Reading => readOne(things, { ...x, amounts: last.x.amounts }, ctx);
      const reading = (): Reading => ({
        is: "ask",
        question: "Which of them goes in?",
        choices: [asChoice(first()), asChoice(second())],
      });
      out[out.length - 1] = { ...last, to: place.to, reading, bare: false };
      return;
    }
    out.push({
      ...place,
      x,
      material: materialOf(x, bare, byWord),
      reading: one,
      bare,
      out: x.not || (but >= 0 && !before.slice(but).some((t) => t.low === "then")),
      at: x.name.from,
    });
  });
  return out;
}
function materialOf(x: Thing, bare: boolean, byWord: ByWord): Material | undefined {
  if (bare && (x.names.length === 0 || x.names.every((n) => n.bare))) return byWord(x.typed, x.inside);
  return x.names.length > 0 ? meantBy(x.names)[0]!.material : undefined;
}
/** Whether nothing but what joins stands between two things. */
const beside = (t: Things, a: Thing, b: Thing): boolean =>
  t.tokens.slice(a.all.to, b.all.from).every((x) => x.kind === "mark" || sensesOf(x.low).idle === true);
