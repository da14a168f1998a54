import { type Mention, type Sentence, mentionsOf } from "./mentions";
import { COVER_CM, type Amount } from "../../quantity/amount";
import { exactly } from "../../estimate";
import type { Material } from "../../material/material";
import type { Deed } from "../../reading/deeds";
import { isShort } from "../../reading/durations";
import { readOne } from "../../reading/line";
import type { Reading, ReadingContext } from "../../reading/said";
import { sensesOf } from "../../reading/lexicon";
import { type Token } from "../../reading/tokens";
import { type Act } from "./acts";
import { type Claim, claimIn, claimOf } from "./claims";
import { Answering } from "./answering";
import type { FoundLine } from "./found-lines";
import type { Laying } from "./lay";
import type { Answers, PastedPart, Place, SaidStep } from "./parts";
import { cutBy } from "./verbs";

type Deeds = ReadonlySet<Deed>;
/** Deeds that may be said of “everything”, “the herbs” or “the rest”. */
const TAKES_ALL: Deeds = new Set<Deed>([
  "add",
  "cover",
  "fill",
  "simmer",
  "pressure",
  "steep",
  "boil",
  "warm",
]);
const GOES_IN: Deeds = new Set<Deed>([...TAKES_ALL, "cool", "reduce"]);
/** Only looked at, cut or fetched: what is named there with an amount is listed, and set in where it goes in. */
const LISTS: Deeds = new Set<Deed>(["take", "keep", "gather", "away", "strain", "bottle", "shake"]);

/** Does what sentences say, in their order: each thing named goes in at the deed before it. */
export class Interpreter extends Answering {
  readonly claims: Claim[] = [];
  hot = false;

  constructor(
    text: string,
    ctx: ReadingContext,
    laying: Laying,
    private readonly willStrain: boolean,
    answers: Answers,
  ) {
    super(text, ctx, laying, answers);
  }

  perform(s: Sentence, parts: PastedPart[], least = 0): void {
    const { acts } = s;
    const found = mentionsOf(
      s,
      this.ctx,
      (name, inside) => this.laying.byWord(name) ?? inside.find((m) => this.laying.known(m)),
    ).filter((m) => m.from >= s.from + least);
    const out = found.flatMap((m) => (m.out && m.material ? [m.material] : []));
    const deedAt = (m: Mention): Act | undefined => acts.findLast((a) => a.at < m.at) ?? acts[0];
    const done = new Set<Mention>();
    acts.forEach((act, i) => {
      const mine = found.filter((m) => !m.out && !done.has(m) && deedAt(m) === act);
      // What goes in hand-warm goes in once it has cooled.
      if (act.deed === "cool") this.deed(s, act, parts);
      for (const m of mine) {
        done.add(m);
        this.mention(s, m, act, acts, parts);
      }
      this.wholes(s, act, i === 0 ? 0 : act.at, acts[i + 1]?.at ?? s.things.tokens.length, out);
      // “simmer until it is down by half” says no time, since it says how far.
      const until = act.deed === "simmer" && act.forText === undefined && acts[i + 1]?.deed === "reduce";
      if (act.deed !== "cool" && !until) this.deed(s, act, parts);
    });
    // Named where nothing is done: “2 cups of honey. A stick of cinnamon.”
    for (const m of found) if (!m.out && !done.has(m) && !m.bare) this.put(m.reading(), m, parts);
  }

  /** “everything but the honey”, “the herbs”, “the rest”: all of them that wait. */
  private wholes(s: Sentence, act: Act, from: number, to: number, out: readonly Material[]): void {
    if (!TAKES_ALL.has(act.deed)) return;
    const free = s.things.tokens.slice(from, to);
    const says = (all: "all" | "plants" | "rest"): boolean => free.some((t) => sensesOf(t.low).all === all);
    if (act.deed === "warm" && !free.some((t) => t.low === "everything" || t.low === "ingredients")) return;
    const over = free.some((t) => t.low === "over");
    if (says("rest") && this.laying.placeRest()) return;
    if ((says("all") || says("rest")) && !over) this.laying.placeAll("all", out);
    else if (
      (says("plants") || free.some((t) => PLANTS.has(t.low))) &&
      act.deed !== "steep" &&
      !this.isSecondRun(free)
    )
      this.laying.placeAll("plants", out);
  }
  private isSecondRun(words: readonly Token[]): boolean {
    return this.laying.strained && words.some((t) => t.low === "again");
  }

  private mention(s: Sentence, m: Mention, act: Act, acts: readonly Act[], parts: PastedPart[]): void {
    const known = m.material && this.laying.known(m.material);
    if (act.deed === "prepare") {
      if (known) this.cut(known, act);
      if (known && m.bare) parts.push({ ...place(m), is: "again", material: m.material! });
      else if (!known && (!m.bare || !m.material)) this.place(this.put(m.reading(), m, parts), acts, act);
      return;
    }
    if (LISTS.has(act.deed)) {
      if (!m.bare && !known) this.put(m.reading(), m, parts);
      else if (known) parts.push({ ...place(m), is: "again", material: m.material! });
      return;
    }
    if (!GOES_IN.has(act.deed)) return;
    if (known) {
      if (act.deed !== "warm" && act.deed !== "reduce") {
        this.amountHere(known, s, m, act);
        this.laying.place(known);
      }
      parts.push({ ...place(m), is: "again", material: m.material! });
      return;
    }
    if (this.isAsked(m, parts)) return;
    if (act.deed === "warm" && m.bare) return;
    const reading = m.bare ? this.unsaid(s, m, act) : (this.filled(s, m, act) ?? m.reading());
    if (reading) for (const l of this.put(reading, m, parts)) this.laying.place(l);
  }

  /** A question stands about it already: what is said of it here is where it goes, or how much of it, and that answers the question. */
  private isAsked(m: Mention, parts: PastedPart[]): boolean {
    const asked = m.material && this.asked.get(m.material);
    if (!asked || !m.material) return false;
    const reading = m.bare ? undefined : m.reading();
    const kind = reading?.is === "line" ? reading.line.amount?.amount.kind : undefined;
    if (kind === "measure" || kind === "count" || kind === "of-liquid") {
      const at = asked.parts.indexOf(asked.part);
      if (at >= 0)
        asked.parts[at] = { from: asked.part.from, to: asked.part.to, is: "again", material: m.material };
      this.asked.delete(m.material);
      return false;
    }
    parts.push({ ...place(m), is: "again", material: m.material });
    return true;
  }

  /** What is cut with its amount goes in where the next deed puts it; where none does, here. */
  private place(lines: readonly FoundLine[], acts: readonly Act[], act: Act): void {
    if (!acts.some((a) => a.at > act.at && GOES_IN.has(a.deed))) return;
    for (const l of lines) this.laying.place(l);
  }

  /** A thing named without an amount where it goes in: to cover, to fill, a jar so full of it; else it is asked how much. */
  private unsaid(s: Sentence, m: Mention, act: Act): Reading | undefined {
    const share = act.share === undefined ? undefined : ({ kind: "jar", count: exactly(act.share) } as const);
    const stuff = m.material?.kind === "stuff";
    const covers = act.deed === "cover" || /\b(?:enough|cover(?:ed|s)?|submerge[ds]?)\b/i.test(s.text);
    if (stuff && covers && !share) return this.with(s, m, { kind: "cover", term: undefined, cm: COVER_CM });
    if (share) return this.with(s, m, share);
    if (stuff && act.deed === "fill") return this.with(s, m, { kind: "fill" });
    if (act.deed === "boil" || act.deed === "cool") return undefined;
    return m.reading();
  }
  /** “fill a litre jar with vinegar”: the jar is the one it is made in, and its size no amount. */
  private filled(s: Sentence, m: Mention, act: Act): Reading | undefined {
    const q = m.x.amounts[0]?.q;
    const jar = act.deed === "fill" && q?.is === "amount" && q.by === "volume" && m.x.amounts.length === 1;
    if (!jar) return undefined;
    return this.with(
      s,
      m,
      m.material?.kind === "stuff" ? { kind: "fill" } : { kind: "jar", count: exactly(1) },
    );
  }
  private with(s: Sentence, m: Mention, amount: Amount): Reading {
    return readOne(s.things, m.x, this.ctx, amount);
  }

  /** Listed without an amount: how much is said where it goes in. Listed with one, and less of it goes in here: the rest waits. */
  private amountHere(l: FoundLine, s: Sentence, m: Mention, act: Act): void {
    const missing = l.line.took?.includes("amount") === true;
    if (m.bare && !missing) return;
    const reading = m.bare ? this.unsaid(s, m, act) : m.reading();
    if (reading?.is !== "line" || !reading.line.amount) return;
    const { amount } = reading.line;
    if (!missing) return this.laying.divide(l, amount);
    const { took, ...line } = l.line;
    const rest = (took ?? []).filter((x) => x !== "amount");
    this.laying.reword(l, { ...line, amount: amount.text, ...(rest.length > 0 ? { took: rest } : {}) });
    const at = l.parts.indexOf(l.part);
    if (at >= 0 && l.part.is === "line") l.parts[at] = { ...l.part, line: { ...l.part.line, amount } };
  }

  private cut(l: FoundLine, act: Act): void {
    const cut = cutBy(act.word);
    if (cut && l.material.kind === "plant" && !l.line.cut && l.line.form !== "powdered")
      this.laying.reword(l, { ...l.line, cut });
  }

  private deed(s: Sentence, act: Act, parts: PastedPart[]): void {
    const at = { from: s.from, to: s.from + s.text.length };
    const before = this.laying.steps.length;
    if (act.shake && act.deed !== "take") {
      this.laying.shake = act.shake;
      parts.push({ ...at, is: "shake", shake: act.shake });
    }
    if (act.deed === "keep" && this.laying.strained && (act.for || act.place)) {
      const claim = claimOf(s.text, act);
      this.claims.push(claim);
      parts.push({ ...at, is: "claim", claim });
    } else this.lay(act);
    const made = this.laying.steps.slice(before).find((x) => x.do !== "add");
    if (made) parts.push({ ...at, is: "step", step: made as SaidStep });
  }

  private lay(act: Act): void {
    const { laying } = this;
    const waits = (): void => void (act.forText && laying.steep(act));
    switch (act.deed) {
      case "simmer":
        return laying.simmer(act);
      case "pressure":
        return laying.pressure(act);
      case "boil":
        if (act.for && isShort(act.for)) laying.simmer(act);
        return;
      case "reduce":
        if (act.reduce) laying.reduce(act.reduce);
        return;
      case "warm":
        if (act.forText && laying.steps.length > 0) laying.simmer(act);
        return;
      case "add":
        // “stir for two minutes” is no wait.
        if (act.for && act.for.days.value >= 1 / 96) waits();
        return;
      case "keep":
      case "steep":
      case "cover":
      case "fill":
      case "shake":
      case "away":
        return waits();
      case "cool":
        if (act.toC === undefined) return waits();
        return laying.cool(act.toC);
      case "strain":
        if (!laying.strained) waits();
        return laying.strain(act);
      case "bottle":
        if (!laying.strained && this.willStrain) waits();
        this.hot ||= act.hot === true;
        return;
      case "take":
      case "prepare":
      case "gather":
    }
  }

  /** A sentence that says how long and where it keeps. */
  claim(s: Sentence, parts: PastedPart[]): void {
    const claim = claimIn(s.text, s.acts, this.ctx);
    this.claims.push(claim);
    parts.push({ from: s.from, to: s.from + s.text.length, is: "claim", claim });
  }
}

/** Words that stand for the plants of a recipe. */
const PLANTS: ReadonlySet<string> = new Set([
  "herb", "herbs", "spice", "spices", "root", "roots", "berry", "berries", "plants", "flowers", "leaves", "fruit", "blossoms", "blossom", "seeds", "petals", "hips", "tops", "seed",
]); // prettier-ignore
const place = ({ from, to }: Place): Place => ({ from, to });
