import { MATERIALS } from "../../material/catalogue";
import { STATED, secondRecipe, statedIn, whichRecipe } from "./stated";
import { KIND, cautiousWay } from "../../plan/kinds";
import { type Kind, type Plan } from "../../plan/plan";
import { amountChoices } from "../../reading/choices";
import { type ReadingContext, contextIn } from "../../reading/said";
import { type Things, thingsIn } from "../../reading/things";
import { tokensOf } from "../../reading/tokens";
import { actsOf } from "./acts";
import { type Claim, REASON, STEEPS, TOLD, isClaim, isTaken } from "./claims";
import { leftIn } from "./conserved";
import { type Fittings, fitting } from "./fitting";
import { Interpreter } from "./interpret";
import { type Sentence, sentenceAt } from "./mentions";
import { guessOf } from "./kind-of";
import { Laying } from "./lay";
import { languageOf } from "./language";
import { isListed, readListed, saysHowMuch } from "./listed";
import { nameFound } from "./named";
import type { Answers, PastedPart, Place } from "./parts";
import { type SourceRow, rowsOf, sentencesOf } from "./rows";
import { readDuration } from "../../reading/durations";
import { cutBy } from "./verbs";
import { vesselSaid } from "./vessel-said";

/** A row of what was pasted, and all that was found in it. */
export interface PastedRow extends Place {
  readonly text: string;
  readonly parts: readonly PastedPart[];
}

export interface Pasted {
  readonly rows: readonly PastedRow[];
  readonly name: string | undefined;
  readonly kind: Kind;
  readonly kindSure: boolean;
  readonly plan: Plan | undefined;
  /** What was taken for granted of the whole. */
  readonly took: readonly string[];
  readonly claims: readonly Claim[];
  readonly counts: { readonly read: number; readonly asked: number; readonly notes: number };
}

export interface PasteContext extends Fittings {
  readonly ounces?: ReadingContext["ounces"];
  readonly kind?: Kind | undefined;
  readonly answers?: Answers | undefined;
}

const ASKED: ReadonlySet<PastedPart["is"]> = new Set<PastedPart["is"]>(["ask", "unknown", "wrong", "left"]);
const NOTES: ReadonlySet<PastedPart["is"]> = new Set<PastedPart["is"]>(["note", "struck"]);
/** “To make lime honey, put …” names it on the way. */
const TO_MAKE = /^(?:to make|for) (?:the |an? )?([^,]{3,60}),/i;

class Paste {
  private readonly ctx: ReadingContext;
  private readonly kind: Kind;
  private readonly kindSure: boolean;
  private readonly laying: Laying;
  private readonly interpreter: Interpreter;
  private readonly willStrain: boolean;
  private readonly sourceRows: readonly SourceRow[];
  private readonly nameAt: Place | undefined;
  private readonly answers: Answers;
  /** Where a second recipe begins, and its name. */
  private readonly second: { readonly from: number; readonly name: string } | undefined;
  private name: string | undefined;
  private readonly taken: string[] = [];
  private begun = false;

  constructor(
    private readonly text: string,
    private readonly c: PasteContext,
  ) {
    const { system, ounces } = c;
    this.answers = c.answers ?? {};
    const plain = contextIn(system, {
      catalogue: c.catalogue ?? MATERIALS,
      madeIn: true,
      ...(ounces ? { ounces } : {}),
    });
    const stated = statedIn(text);
    const all = rowsOf(text).filter((r) => !STATED.test(r.text));
    this.second = secondRecipe(all, plain);
    const wantsSecond = this.second !== undefined && this.answers[this.second.name]?.path?.[0] === 1;
    const cut = this.second?.from ?? Infinity;
    const rows = all.filter((r) => (wantsSecond ? r.from >= cut : r.from < cut));
    const named = nameFound(rows, plain);
    this.name = named?.name;
    this.nameAt = named?.at;
    const mine = named?.rows ?? rows;
    this.sourceRows = wantsSecond
      ? [...all.filter((r) => r.from < cut), ...mine]
      : [...mine, ...all.filter((r) => r.from >= cut)];
    const guess = guessOf(mine, this.name ?? "", plain);
    this.kind = c.kind ?? stated ?? guess.kind;
    this.kindSure = c.kind !== undefined || stated !== undefined || guess.sure;
    this.willStrain = guess.strains;
    this.ctx = { ...plain, usual: cautiousWay(this.kind).usual ?? KIND[this.kind].usual };
    this.laying = new Laying(this.kind, system);
    this.interpreter = new Interpreter(text, this.ctx, this.laying, this.willStrain, this.answers);
  }

  read(): Pasted {
    const language = languageOf(this.text);
    const rows = this.sourceRows.map((row) => ({
      from: row.from,
      to: row.to,
      text: row.text,
      parts: this.partsOf(row),
    }));
    const plan = this.plan();
    for (const r of rows) this.conserve(r);
    if (language && rows[0])
      rows[0].parts.unshift({
        from: rows[0].from,
        to: rows[0].to,
        is: "ask",
        choices: [],
        key: "",
        question: `This reads like ${language}, and only English is read in this language of recipes. The figures are kept; the names are asked.`,
      });
    const all = rows.flatMap((r) => r.parts);
    const asked = all.filter((p) => ASKED.has(p.is)).length;
    const notes = all.filter((p) => NOTES.has(p.is)).length;
    const read = all.filter((p) => p.is !== "heading").length - asked - notes;
    return {
      rows: rows.sort((a, b) => a.from - b.from),
      name: this.name,
      kind: this.kind,
      kindSure: this.kindSure,
      plan,
      took: this.laying.took,
      claims: this.interpreter.claims,
      counts: { read, asked, notes },
    };
  }

  private isOther(row: SourceRow): boolean {
    const { second } = this;
    if (!second) return false;
    const wantsSecond = this.answers[second.name]?.path?.[0] === 1;
    return wantsSecond ? row.from < second.from : row.from >= second.from;
  }

  private partsOf(row: SourceRow): PastedPart[] {
    const whole = { from: row.from, to: row.to };
    const parts: PastedPart[] = [];
    if (this.second?.from === row.from) parts.push(whichRecipe(whole, this.name, this.second.name));
    if (this.isOther(row)) return [...parts, { ...whole, is: "note" }];
    if (this.nameAt?.from === row.from) {
      // “Lime honey (from the boatwright)”: what stands behind the name is told of it.
      const rest =
        this.text.slice(row.from, row.to).length > (this.name?.length ?? 0) + 2
          ? [{ ...whole, is: "note" as const }]
          : [];
      return [...parts, { ...this.nameAt, is: "name", name: this.name! }, ...rest];
    }
    if (row.heading) return [...parts, { ...whole, is: "heading" }];
    if (row.section === "facts") return [...parts, { ...whole, is: "fact" }];
    if (row.section === "notes") {
      for (const s of sentencesOf(row.text))
        this.noted(row.from + s.from, row.text.slice(s.from, s.to), parts);
      return parts;
    }
    const text = row.text.replace(/[.;,]+$/, "");
    const things = thingsIn(text, tokensOf(text), this.ctx);
    const owned = ownedBy(things);
    const { acts } = actsOf(text, things.tokens, (k) => owned[k] === 1, this.c.system);
    const read = { row: { ...row, text }, things, acts };
    const reading = isListed(read, this.ctx) ? readListed(read, this.ctx) : undefined;
    if (reading) this.interpreter.put(reading, { from: row.from, to: row.from + text.length }, parts);
    else
      for (const s of sentencesOf(row.text))
        this.sentence(row.from + s.from, row.text.slice(s.from, s.to), row, parts);
    if (parts.length === 0) parts.push({ ...whole, is: "note" });
    return parts;
  }

  /** Among notes stands how it is taken and how long it keeps; nothing of them goes in. */
  private noted(from: number, text: string, parts: PastedPart[]): void {
    const s = sentenceAt(from, text, this.ctx);
    const at = { from, to: from + text.length };
    if (isTaken(text, s.acts, s.things)) this.take(at, parts);
    else if (isClaim(text, s.acts, true, true)) this.interpreter.claim(s, parts);
    else parts.push({ ...at, is: "note" });
  }

  private sentence(from: number, typed: string, row: SourceRow, parts: PastedPart[]): void {
    const reason = REASON.exec(typed);
    const text = reason && reason.index > 3 ? typed.slice(0, reason.index) : typed;
    if (text !== typed) parts.push({ from: from + text.length, to: from + typed.length, is: "note" });
    const s = sentenceAt(from, text, this.ctx);
    const whole = { from, to: from + text.length };
    const keeps = row.section === "taking" && isClaim(text, s.acts, true, true);
    if (keeps) return this.interpreter.claim(s, parts);
    if (row.section === "taking" || isTaken(text, s.acts, s.things)) return this.take(whole, parts);
    const steep = STEEPS.exec(text);
    const lasting = steep ? readDuration(text.slice(steep[0].length)) : undefined;
    if (steep && lasting?.ok) {
      const act = {
        deed: "steep",
        at: 0,
        word: "time",
        for: lasting.value,
        forText: text.slice(steep[0].length).trim(),
      } as const;
      this.laying.steep(act);
      return void parts.push({ ...whole, is: "step", step: { do: "steep", for: act.forText } });
    }
    if (row.section === "keeping" || isClaim(text, s.acts, this.laying.strained, this.willStrain))
      return this.interpreter.claim(s, parts);
    const dose = this.doseIn(s);
    if (dose !== undefined) {
      this.sentence(from, text.slice(0, dose).trimEnd(), row, parts);
      return this.take({ from: from + dose, to: whole.to }, parts);
    }
    const before = parts.length;
    const toMake = TO_MAKE.exec(text);
    if (toMake && this.name === undefined) this.name = toMake[1];
    if (!TOLD.test(text) || s.acts.length > 2) this.interpreter.perform(s, parts, toMake?.[0].length ?? 0);
    this.begun ||= this.laying.steps.length > 0 || this.laying.all.length > 0;
    const only = parts.slice(before);
    const cuts = s.acts.some((a) => cutBy(a.word) !== undefined);
    const prepares = s.acts.length > 0 && s.acts.every((a) => a.deed === "prepare") && !cuts;
    if (only.length === 0 || (prepares && only.every((p) => p.is === "again")))
      this.own(whole, s, row, parts);
  }

  /** Where a sentence goes on to say how it is taken: “… strain it and take a teaspoon in tea”. */
  private doseIn({ text, acts, things }: Sentence): number | undefined {
    const take = acts.findIndex((a, i) => i > 0 && a.deed === "take");
    if (take < 0) return undefined;
    const at = things.tokens[acts[take]!.at]!.from;
    const rest = text.slice(at);
    return isTaken(rest, acts.slice(take), thingsIn(rest, tokensOf(rest), this.ctx, true)) ? at : undefined;
  }

  private take(at: Place, parts: PastedPart[]): void {
    this.taken.push(this.text.slice(at.from, at.to).replace(/[.\s]+$/, ""));
    parts.push({ ...at, is: "taken" });
  }

  /** Something to do that is no known step stays in its words, at its place; anything else is a note. */
  private own(at: Place, s: Sentence, row: SourceRow, parts: PastedPart[]): void {
    const [first] = s.things.tokens;
    const does =
      first !== undefined &&
      (row.section === "method" || this.begun) &&
      s.things.tokens.length > 1 &&
      !TOLD.test(s.text);
    if (does && this.laying.own(this.text.slice(at.from, at.to).replace(/[.\s]+$/, "")))
      parts.push({ ...at, is: "own" });
    else parts.push({ ...at, is: "note" });
  }

  private plan(): Plan | undefined {
    for (const l of this.laying.withoutAmounts()) {
      const at = l.parts.indexOf(l.part);
      const { part } = l;
      if (at < 0 || part.is !== "line") continue;
      const choices = amountChoices(l.said, this.ctx);
      const question = `How much ${l.said.called ?? l.material.row.names[0]!}?`;
      l.parts[at] = { from: part.from, to: part.to, is: "ask", question, choices, key: part.key };
    }
    if (this.laying.all.length === 0) return undefined;
    const name = (this.name ?? "").slice(0, 80) || "Untitled";
    const taken = this.taken.join("; ").slice(0, 200);
    const plan = this.laying.plan(name, this.interpreter.hot, taken ? { taken } : {});
    const fitted = fitting(plan, vesselSaid(this.text, this.c.system), this.c);
    if (fitted.took) this.laying.took.push(fitted.took);
    return fitted.plan;
  }

  /** Every amount and every name of a row is in something that was understood, asks, or is shown as left. */
  private conserve(r: { from: number; text: string; parts: PastedPart[] }): void {
    for (const left of leftIn(r, this.ctx, this.interpreter.has)) {
      const answer = Object.hasOwn(this.answers, left.words) ? this.answers[left.words] : undefined;
      const at = { from: left.from, to: left.to };
      r.parts.push(
        answer?.out
          ? { ...at, is: "struck", key: left.words }
          : { ...at, is: "left", words: left.words, key: left.words },
      );
    }
  }
}

function ownedBy({ tokens, things }: Things): Uint8Array {
  const owned = new Uint8Array(tokens.length);
  for (const x of things)
    if (x.names.length > 0 || saysHowMuch(x, tokens)) owned.fill(1, x.all.from, x.all.to);
  return owned;
}

/**
 * Reads a recipe in ordinary words: what goes in, what is done, how long it is said to keep; everything that was understood, asked about or
 * left, beside the words it came from. Nothing is dropped, and nothing guessed into something else.
 */
export const readPasted = (text: string, c: PasteContext): Pasted => new Paste(text, c).read();
