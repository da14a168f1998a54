import type { Material } from "../../material/material";
import { lineOfSaid } from "../../plan/said-line";
import { isShort } from "../../reading/durations";
import { readLine } from "../../reading/line";
import type { Reading, ReadingContext } from "../../reading/said";
import { type Token, tokensOf } from "../../reading/tokens";
import type { Act } from "./acts";
import { claimOf, type Claim } from "./claims";
import type { FoundLine, Laying } from "./lay";
import { type Mention, spansOf } from "./mentions";
import type { PastedPart, Place, SaidStep } from "./parts";
import { ALL_OF_IT, CUT_BY, PLANTS_OF_IT, THE_REST } from "./verbs";

export interface Sentence {
  readonly from: number;
  readonly text: string;
  readonly tokens: readonly Token[];
}

const SHARE_WORDS: Readonly<Record<number, string>> = { 3: "1/4", 4: "1/3", 6: "1/2", 8: "2/3", 9: "3/4" };
const shareWords = (share: number): string => SHARE_WORDS[Math.round(share * 12)] ?? "1/2";
/** “Loosely pack”: how a cup is filled, said before it. */
const PACKED = /\b(loosely|lightly|firmly|tightly)\s+pack\b/i;
type DeedSet = ReadonlySet<string>;
const GOES_IN: DeedSet = new Set([
  "add",
  "cover",
  "fill",
  "simmer",
  "pressure",
  "steep",
  "boil",
  "warm",
  "cool",
  "reduce",
]);
const TAKES_ALL: DeedSet = new Set(["add", "cover", "fill", "simmer", "pressure", "steep", "boil", "warm"]);

/** Does what sentences say, in their order: each thing named goes in at the deed before it. */
export class Performer {
  readonly claims: Claim[] = [];
  hot = false;
  /** What a question stands about. */
  private readonly asked = new Set<Material>();

  constructor(
    private readonly text: string,
    private readonly ctx: ReadingContext,
    private readonly laying: Laying,
    private readonly willStrain: boolean,
  ) {}

  /** Writes down what a reading came to. @returns the lines it added */
  put(reading: Reading, at: Place, parts: PastedPart[], listed = true): FoundLine[] {
    switch (reading.is) {
      case "line":
      case "lines":
        return (reading.is === "line" ? [reading.line] : reading.lines).map((line) => {
          parts.push({ ...at, is: "line", line });
          const l = { material: line.material, line: lineOfSaid(line), listed, placed: false };
          this.laying.list(l);
          return l;
        });
      case "ask":
        for (const s of spansOf(tokensOf(this.text.slice(at.from, at.to)), this.ctx))
          for (const n of s.names) this.asked.add(n.material);
        parts.push({ ...at, is: "ask", question: reading.question, choices: reading.choices });
        return [];
      case "unknown": {
        const near = reading.near.map((n) => ({ words: n.material.row.names[0]!, text: n.text }));
        parts.push({ ...at, is: "unknown", name: reading.name, near });
        return [];
      }
      case "fault":
        parts.push({ ...at, is: "wrong", fault: reading.fault });
        return [];
    }
  }

  perform(s: Sentence, acts: readonly Act[], found: readonly Mention[], parts: PastedPart[]): void {
    const out = found.filter((m) => m.out).map((m) => m.material);
    const deedAt = (m: Mention): Act | undefined => acts.findLast((a) => a.at < m.at) ?? acts[0];
    const done = new Set<Mention>();
    acts.forEach((act, i) => {
      const mine = found.filter((m) => !m.out && !done.has(m) && deedAt(m) === act);
      // What goes in hand-warm goes in once it has cooled.
      if (act.deed === "cool") this.deed(s, act, parts);
      for (const m of mine) {
        done.add(m);
        this.mention(s, m, act, parts);
      }
      this.wholes(s, act, i === 0 ? 0 : act.at, acts[i + 1]?.at ?? s.tokens.length, out);
      // “simmer until it is down by half” says no time, since it says how far.
      const until = act.deed === "simmer" && act.forText === undefined && acts[i + 1]?.deed === "reduce";
      if (act.deed !== "cool" && !until) this.deed(s, act, parts);
    });
    // Named where nothing is done: “2 cups of honey. A stick of cinnamon.”
    for (const m of found) if (!m.out && !done.has(m) && !m.bare) this.put(m.reading, placeOf(s, m), parts);
  }

  /** “everything but the honey”, “the herbs”, “the rest”: all of them that wait. */
  private wholes(s: Sentence, act: Act, from: number, to: number, out: readonly Material[]): void {
    if (!TAKES_ALL.has(act.deed)) return;
    const words = s.tokens.slice(from, to).map((t) => t.low);
    if (act.deed === "warm" && !words.some((w) => w === "everything" || w === "ingredients")) return;
    if (words.some((w) => ALL_OF_IT.has(w) || THE_REST.has(w)) && !words.includes("over"))
      this.laying.placeAll("all", out);
    else if (words.some((w) => PLANTS_OF_IT.has(w)) && act.deed !== "steep")
      this.laying.placeAll("plants", out);
  }

  private mention(s: Sentence, m: Mention, act: Act, parts: PastedPart[]): void {
    const at = placeOf(s, m);
    const known = this.laying.known(m.material);
    if (act.deed === "prepare") {
      if (known) this.cut(known, act);
      else if (!m.bare) this.put(m.reading, at, parts);
      return;
    }
    if (act.deed === "take" || act.deed === "keep") {
      if (!m.bare && !known) this.put(m.reading, at, parts);
      return;
    }
    if (!GOES_IN.has(act.deed)) return;
    if (known) {
      if (act.deed === "warm" || act.deed === "reduce") return;
      this.amountHere(known, s, m, act);
      this.laying.place(known);
      parts.push({ ...at, is: "again", material: m.material });
      return;
    }
    if (act.deed === "warm" && m.bare) return;
    const reading = m.bare ? this.unsaid(s, m, act) : this.packed(s, m, act);
    if (!reading) return;
    for (const l of this.put(reading, at, parts, false)) this.laying.place(l);
  }

  /** “Loosely pack 2 cups of leaves”. */
  private packed(s: Sentence, m: Mention, act: Act): Reading {
    const how = act.word === "pack" ? PACKED.exec(s.text)?.[1] : undefined;
    return how ? readLine(`${s.text.slice(m.from, m.to)}, ${how.toLowerCase()} packed`, this.ctx) : m.reading;
  }

  /** A liquid with a verb that is its amount: with all that is said behind it, else by its name alone. */
  private with(verb: string, s: Sentence, m: Mention, typed: string): Reading | undefined {
    const whole = s.text.slice(m.from, m.to).replace(/^(?:the|your|some)\s+/i, "");
    return [whole, typed].map((x) => readLine(`${verb} ${x}`, this.ctx)).find((r) => r.is === "line");
  }

  /** A thing named without an amount where it goes in: to cover, to fill, a jar so full of it; else as it is usual. */
  private unsaid(s: Sentence, m: Mention, act: Act): Reading | undefined {
    const typed =
      m.material.kind === "plant" ? s.text.slice(m.from, m.to) : m.name.replace(/^(?:the|your|some)\s+/i, "");
    const stuff = m.material.kind === "stuff";
    if (stuff && (act.deed === "cover" || /\b(?:enough|cover(?:ed|s)?)\b/i.test(s.text))) {
      return this.with("cover with", s, m, typed) ?? m.reading;
    }
    if (stuff && act.share !== undefined)
      return this.with(`${shareWords(act.share)} jar`, s, m, typed) ?? m.reading;
    if (stuff && act.deed === "fill") return this.with("fill with", s, m, typed);
    if (act.share !== undefined && !stuff) {
      const full = readLine(`${shareWords(act.share)} jar ${typed}`, this.ctx);
      return full.is === "line" ? full : m.reading;
    }
    if (act.deed === "boil" || act.deed === "cool") return undefined;
    // Asked about already where it was listed.
    return this.asked.has(m.material) ? undefined : m.reading;
  }

  /** Listed without an amount: how much is said where it goes in. */
  private amountHere(l: FoundLine, s: Sentence, m: Mention, act: Act): void {
    if (!l.line.took?.includes("amount")) return;
    const reading = m.bare ? this.unsaid(s, m, act) : m.reading;
    if (reading?.is !== "line" || !reading.line.amount) return;
    const { took, ...line } = l.line;
    const rest = (took ?? []).filter((x) => x !== "amount");
    const amount = reading.line.amount.text;
    this.laying.reword(l, { ...line, amount, ...(rest.length > 0 ? { took: rest } : {}) });
  }

  private cut(l: FoundLine, act: Act): void {
    const cut = CUT_BY[act.word];
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
        return laying.cool(act.toC, act.toText);
      case "strain":
        if (!laying.strained) waits();
        return laying.strain(act);
      case "bottle":
        if (!laying.strained && this.willStrain) waits();
        this.hot ||= act.hot === true;
        return;
      case "take":
      case "prepare":
    }
  }
}

const placeOf = (s: Sentence, m: Mention): Place => ({ from: s.from + m.from, to: s.from + m.to });
