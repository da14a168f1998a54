import { isFault } from "../fault";
import { byDepth, specialAt } from "./amounts";
import { durationAt, isTimeWord } from "./durations";
import { type Senses, isDone, sensesOf } from "./lexicon";
import { type NameSpan, PART_WORDS, firstOf, lastOf, nameWord } from "./names";
import { OPENS_PHRASE, OPENS_SPECIAL, OPENS_WARMTH, SAYS_A_SHARE, opensAmount } from "./openers";
import type { Piece, PieceSort } from "./piece";
import { numberAt, oneAt, saysNumber } from "./numbers";
import { packingAt } from "./described";
import { quantityAt } from "./quantities";
import { type Cursor, unitAt } from "./quantity";
import type { ReadingContext } from "./said";
import { temperatureAt, warmthAt } from "./temperatures";
import { type Token, says } from "./tokens";
import { unitWord } from "./unit-words";

const DONE_TO = new Set(["a", "an", "the", "your", "some", "up", "each", "them", "it", "all"]);
const NO_SENSES: Senses = {};
const MARKS: Readonly<Record<string, PieceSort>> = {
  "(": "open",
  "[": "open",
  ")": "close",
  "]": "close",
  ",": "comma",
  ";": "comma",
  "&": "and",
  "+": "and",
  "/": "slash",
  "|": "colon",
  ":": "colon",
};
/** Words that are a piece by themselves, whatever else they may be. */
const WORDS: Readonly<Record<string, PieceSort>> = Object.assign(
  Object.create(null) as Record<string, PieceSort>,
  {
    or: "or", and: "and", n: "and", plus: "and", optional: "optional", optionally: "optional", each: "each", apiece: "each", less: "less", minus: "less",
  },
); // prettier-ignore

const LIQUIDS = new Set([
  "liquid",
  "juice",
  "decoction",
  "infusion",
  "tea",
  "strained",
  "liquor",
  "strainings",
]);

/** Takes a text's tokens for what they are, once, from left to right. */
export class PieceReader {
  readonly pieces: Piece[] = [];
  readonly c: Cursor;
  private i = 0;
  private readonly startsName: (NameSpan | undefined)[];
  private readonly hasTime: boolean;
  private readonly hasShare: boolean;

  constructor(
    readonly text: string,
    readonly tokens: readonly Token[],
    private readonly ctx: ReadingContext,
    spans: readonly NameSpan[],
    /** Among sentences a verb is no amount: “cover the thyme with honey”. */
    private readonly prose: boolean,
  ) {
    const named = new Uint8Array(tokens.length);
    this.startsName = new Array<NameSpan | undefined>(tokens.length);
    for (const s of spans) {
      this.startsName[firstOf(s)] = s;
      for (let k = firstOf(s); k <= lastOf(s); k++) named[k] = 1;
    }
    this.c = { tokens, system: ctx.system, named: (k) => named[k] === 1 };
    this.hasTime = tokens.some((t) => t.kind === "word" && isTimeWord(t.low));
    this.hasShare = tokens.some((t) => SAYS_A_SHARE.has(t.low));
  }

  run(): readonly Piece[] {
    while (this.i < this.tokens.length) {
      const t = this.tokens[this.i]!;
      const span = this.startsName[this.i];
      // A name that is known to be of no plant here.
      if (span && span.names.length === 0) this.put({ is: "word" }, lastOf(span) + 1);
      else if (span) this.put({ is: "name", span }, lastOf(span) + 1);
      else if (!this.phrase(t) && !this.measured(t)) this.single(t);
    }
    return this.pieces;
  }

  private put(p: Omit2<Piece>, to: number): true {
    // Made a moment ago for this place: it is filled in rather than made again.
    const piece = p as Omit<Piece, "from" | "to" | "senses"> & { from: number; to: number; senses: Senses };
    piece.from = this.i;
    piece.to = to;
    piece.senses = to === this.i + 1 ? sensesOf(this.tokens[this.i]!.low) : NO_SENSES;
    this.pieces.push(piece as Piece);
    this.i = to;
    return true;
  }
  private low(k: number): string {
    return this.tokens[k]?.low ?? "";
  }

  /** Phrases that are one thing: to taste, by weight, as much as, for every cup of liquid. */
  private phrase(t: Token): boolean {
    if (t.kind !== "word") return t.kind === "number" && this.hasShare ? this.much() : false;
    if (this.hasShare && (this.much() || this.against())) return true;
    if (OPENS_WARMTH.has(t.low)) {
      const warm = warmthAt(this.tokens, this.i);
      if (warm) return this.put({ is: "warmth", celsius: warm.celsius }, warm.next);
    }
    if (!OPENS_PHRASE.has(t.low)) return false;
    const { tokens, i } = this;
    if (says(tokens, i, "to", "taste")) return this.put({ is: "taste" }, i + 2);
    if (
      says(tokens, i, "as", "needed") ||
      says(tokens, i, "as", "required") ||
      says(tokens, i, "as", "desired")
    )
      return this.put({ is: "taste" }, i + 2);
    if (says(tokens, i, "by", "weight")) return this.put({ is: "by", by: "weight" }, i + 2);
    if (says(tokens, i, "by", "volume")) return this.put({ is: "by", by: "volume" }, i + 2);
    if (t.low === "if" && says(tokens, i, "if", "you", "like")) return this.put({ is: "optional" }, i + 3);
    if (says(tokens, i, "if", "liked") || says(tokens, i, "if", "wanted") || says(tokens, i, "if", "using"))
      return this.put({ is: "optional" }, i + 2);
    if (
      t.low === "equal" &&
      ["parts", "amounts", "measures", "quantities", "volumes"].includes(this.low(i + 1))
    )
      return this.put({ is: "equal" }, this.low(i + 2) === "of" ? i + 3 : i + 2);
    return this.per();
  }

  /** “for each cup of strained liquid”, “per pint of juice”, “to every litre”. */
  private per(): boolean {
    const { i } = this;
    const low = this.low(i);
    const second = this.low(i + 1);
    const opens =
      low === "per" || ((low === "for" || low === "to") && (second === "each" || second === "every"));
    if (!opens) return false;
    const at = low === "per" ? i + 1 : i + 2;
    const n = numberAt(this.tokens, at);
    const u = unitAt(this.c, n && !isFault(n) ? n.next : at);
    if (!u || !("unit" in u.unit) || u.unit.unit.dimension !== "volume") return false;
    const count = n && !isFault(n) ? n.span.value : 1;
    let next = u.next;
    while (["of", "the", "strained"].includes(this.low(next))) next++;
    if (!LIQUIDS.has(this.low(next))) {
      if (next > u.next || this.c.named(next)) return false;
      next = u.next - 1;
    }
    return this.put({ is: "per", ml: count * u.unit.unit.size }, next + 1);
  }

  /** “half as much”, “twice as much”, “3 times as much”, “the same (amount) of”, “as much”. */
  private much(): boolean {
    const { tokens, i } = this;
    const low = this.low(i);
    if (says(tokens, i, "as", "much")) return this.put({ is: "asmuch", by: 1 }, i + 2);
    if ((low === "twice" || low === "double") && says(tokens, i + 1, "as", "much"))
      return this.put({ is: "asmuch", by: 2 }, i + 3);
    if (low === "double" && says(tokens, i, "double", "the", "amount"))
      return this.put({ is: "asmuch", by: 2 }, i + 3);
    const the = low === "the" || low === "an" ? i + 1 : i;
    if (this.low(the) === "same" || (this.low(the) === "equal" && this.low(the + 1) === "amount")) {
      let k = the + 1;
      while (["amount", "again", "quantity", "volume"].includes(this.low(k))) k++;
      return this.put({ is: "asmuch", by: 1 }, this.low(k) === "of" ? k + 1 : k);
    }
    const n = oneAt(tokens, i);
    if (!n || isFault(n)) return false;
    const times = this.low(n.next) === "times" ? n.next + 1 : n.next;
    if (says(tokens, times, "as", "much")) return this.put({ is: "asmuch", by: n.span.value }, times + 2);
    return says(tokens, times, "the", "amount")
      ? this.put({ is: "asmuch", by: n.span.value }, times + 2)
      : false;
  }

  /** “as the vinegar”, “as liquid”, “of the juice” behind “half the amount”. */
  private against(): boolean {
    const low = this.low(this.i);
    if (low !== "as" && low !== "equal") return false;
    if (!this.pieces.some((p) => p.is === "asmuch" || p.is === "equal") && low === "as") return false;
    let k = this.i + 1;
    while (["the", "there", "is", "to", "you", "have", "of", "strained"].includes(this.low(k))) k++;
    const span = this.startsName[k];
    if (span) return this.put({ is: "against", span }, lastOf(span) + 1);
    return LIQUIDS.has(this.low(k)) ? this.put({ is: "against", span: undefined }, k + 1) : false;
  }

  /** Numbers with what they are of: times, temperatures, strengths, amounts. */
  private measured(t: Token): boolean {
    const { tokens, i } = this;
    if (t.kind === "number") {
      const warm = temperatureAt(tokens, i, this.ctx.system === "us" ? "F" : "C");
      if (warm) return this.put({ is: "warmth", celsius: warm.celsius }, warm.next);
      if (says(tokens, i + 1, "%", "water")) return this.put({ is: "water", percent: t.value }, i + 3);
    }
    if (this.hasTime && t.kind !== "mark") {
      // “up to 2 months” is a time, whatever else it says.
      const time = durationAt(tokens, says(tokens, i, "up", "to") ? i + 2 : i);
      if (time?.ok && !this.c.named(time.value.next - 1)) return this.put({ is: "time" }, time.value.next);
    }
    const covers =
      t.low === "by" &&
      this.pieces.some((p) => p.is === "amount" && p.q.is === "amount" && p.q.amount.kind === "cover");
    const phrase = t.kind === "word" && OPENS_SPECIAL.has(t.low) && (!this.prose || t.low === "to");
    const special = (covers ? byDepth(this.c, i) : undefined) ?? (phrase ? specialAt(this.c, i) : undefined);
    if (special && !special.ok) return this.put({ is: "fault", fault: special.faults[0]! }, i + 1);
    if (special) {
      const { amount, next } = special.value;
      return this.put({ is: "amount", q: { is: "amount", amount, next } }, next);
    }
    if (this.isPieceOf(t) || this.isDoneTo(t)) return false;
    if (this.isOfThatLength(t)) {
      this.pieces.push({ ...this.pieces.pop()!, to: i + 1 });
      this.i++;
      return true;
    }
    const q = opensAmount(t, this.ctx.system) ? quantityAt(this.c, i) : undefined;
    if (!q) return false;
    if (isFault(q)) return this.put({ is: "fault", fault: q }, i + 1);
    if (q.is === "amount" || q.is === "vague") return this.put({ is: "amount", q }, q.next);
    return this.put({ is: "strength", q }, q.next);
  }

  /** “slice a couple of onions”: a verb before what it is done to, and no unit. */
  private isDoneTo(t: Token): boolean {
    const next = this.tokens[this.i + 1];
    if (t.kind !== "word" || !next || !sensesOf(t.low).deed || this.pieces.at(-1)?.is === "amount")
      return false;
    return next.kind === "number" || DONE_TO.has(next.low) || (next.kind === "word" && saysNumber(next.low));
  }

  /** “a 2-inch piece”, “2 × 3 in pieces”: the length says how much already. */
  private isOfThatLength(t: Token): boolean {
    const last = this.pieces.at(-1);
    if (t.kind !== "word" || last?.is !== "amount" || last.q.is !== "amount") return false;
    const a = last.q.amount;
    const u = unitWord(t.low, t.low, this.ctx.system);
    return a.kind === "measure" && a.dimension === "length" && u !== undefined && "count" in u;
  }

  /** A word that counts pieces, right behind the name of what it counts: “rosemary sprigs”, “garlic cloves”, “nettle tops”. */
  private isPieceOf(t: Token): boolean {
    const end = this.pieces.at(-1);
    // “leaf & flower”.
    const last = end?.is === "and" && this.pieces.at(-2)?.is === "part" ? this.pieces.at(-2) : end;
    if (t.kind !== "word" || !last || !["name", "word", "part", "form", "everyday"].includes(last.is))
      return false;
    const senses = sensesOf(t.low);
    const u = unitWord(t.low, t.low, this.ctx.system);
    const counts = u !== undefined && "count" in u && u.count !== "handful" && u.count !== "pinch";
    return senses.part === true || (counts && last.is !== "form");
  }

  private single(t: Token): void {
    const to = this.i + 1;
    if (t.kind === "mark") return void this.put({ is: MARKS[t.low] ?? "mark" } as Omit2<Piece>, to);
    if (t.kind === "number") return void this.put({ is: "word" }, to);
    if (t.low === "x") return void this.put({ is: "mark" }, to);
    const packing = packingAt(this.tokens, this.i);
    const s = sensesOf(t.low);
    if (packing && (s.packing || packing.next > to))
      return void this.put({ is: "packing", packing: packing.packing }, packing.next);
    const word = WORDS[t.low];
    if (word) return void this.put({ is: word } as Omit2<Piece>, to);
    this.put(this.wordPiece(t, s), to);
  }

  private wordPiece(t: Token, s: Senses): Omit2<Piece> {
    if (s.made && !s.work && !(this.prose && this.isDoneTo(t))) return { is: "made", made: s.made };
    if (s.form || s.cut || s.work) return { is: "form", form: s.form, cut: s.cut, work: s.work === true };
    const u = unitWord(t.low, t.low, this.ctx.system);
    const count = u && "count" in u ? u.count : undefined;
    const after = this.pieces.at(-1)?.is;
    if (s.part || (count && (after === "name" || after === "word" || after === "part")))
      return { is: "part", part: nameWord(t.low), count };
    if (PART_WORDS.has(nameWord(t.low))) return { is: "part", part: nameWord(t.low), count };
    if (s.not && !s.joins) return { is: "not" };
    if (s.container) return { is: "container" };
    if (s.opens) return { is: "opens" };
    if (s.kept || s.hedge || s.size || s.plainSize) return { is: "kept" };
    if (s.idle || s.joins || s.packs) return { is: "idle" };
    if (s.noun && !s.everyday) return { is: "word" };
    if (s.deed) return { is: "deed", deed: s.deed };
    if (s.everyday || s.all || s.liquid || s.cloth || s.vague) return { is: "everyday" };
    return isDone(t.low) ? { is: "everyday" } : { is: "word" };
  }
}
type Omit2<P> = P extends unknown ? Omit<P, "from" | "to" | "senses"> : never;
