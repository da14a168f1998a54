import { KIND, cautiousWay } from "../../plan/kinds";
import type { UnitSystem } from "../../quantity/units";
import { KINDS, type Kind, type Plan } from "../../plan/plan";
import { degreesOf } from "../../plan/read-plan";
import { readLine } from "../../reading/line";
import type { NameSpan } from "../../reading/names";
import { type ReadingContext, contextIn } from "../../reading/said";
import { tokensOf } from "../../reading/tokens";
import { type Act, actsOf } from "./acts";
import { type Claim, claimIn, isClaim, isTaken } from "./claims";
import { type Fittings, fitting } from "./fitting";
import { kindOf } from "./kind-of";
import { Laying } from "./lay";
import { type RowRead, isListed, readListed } from "./listed";
import { mentionsOf, spansOf } from "./mentions";
import { nameFound } from "./named";
import type { PastedPart, Place } from "./parts";
import { Performer, type Sentence } from "./perform";
import { type SourceRow, rowsOf, sentencesOf } from "./rows";
import { DEEDS } from "./verbs";
import { vesselSaid } from "./vessel-said";

/** A row of what was pasted, and all that was found in it. */
export interface PastedRow {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  readonly parts: readonly PastedPart[];
}

export interface Pasted {
  readonly rows: readonly PastedRow[];
  readonly name: string | undefined;
  readonly kind: Kind;
  readonly kindSure: boolean;
  /** Nothing while nothing that goes in was found. */
  readonly plan: Plan | undefined;
  /** What was taken for granted of the whole. */
  readonly took: readonly string[];
  readonly claims: readonly Claim[];
  readonly counts: { readonly read: number; readonly asked: number; readonly notes: number };
}

export interface PasteContext extends Fittings {
  readonly ounces?: ReadingContext["ounces"];
  /** Kind as chosen by hand, over what is guessed. */
  readonly kind?: Kind | undefined;
}

const READ: ReadonlySet<PastedPart["is"]> = new Set([
  "name",
  "line",
  "again",
  "step",
  "shake",
  "taken",
  "claim",
]);
const ASKED: ReadonlySet<PastedPart["is"]> = new Set(["ask", "unknown", "wrong"]);
/** “To make lime honey, put …” names it on the way. */
const TO_MAKE = /^to make ([^,]{3,60}),/i;
const EVEN = /\bequal (?:parts|amounts|quantities|measures)\b/i;

/** “Kind: fire cider”, as our own files say it. */
const STATED = /^(?:kind|measures):\s*([a-z ]+)$/i;
function statedIn(text: string): Kind | undefined {
  const said = /^\W*kind:\s*([a-z ]+?)\s*$/im.exec(text)?.[1]?.toLowerCase();
  return KINDS.find((k) => KIND[k].name === said);
}
/** Whose cups a text of ours says it means. */
export function measuresIn(text: string): UnitSystem | undefined {
  const said = /^\W*measures:\s*(us|metric|imperial)\s*$/im.exec(text)?.[1]?.toLowerCase();
  return (["us", "metric", "imperial"] as const).find((x) => x === said);
}

class Paste {
  private readonly ctx: ReadingContext;
  private readonly kind: Kind;
  private readonly kindSure: boolean;
  private readonly laying: Laying;
  private readonly performer: Performer;
  private readonly willStrain: boolean;
  private readonly sourceRows: readonly SourceRow[];
  private readonly nameAt: Place | undefined;
  private name: string | undefined;
  private taken: string | undefined;

  constructor(
    private readonly text: string,
    private readonly c: PasteContext,
  ) {
    const { system, catalogue, ounces } = c;
    const plain = contextIn(system, { ...(catalogue ? { catalogue } : {}), ...(ounces ? { ounces } : {}) });
    const stated = statedIn(text);
    const rows = rowsOf(text).filter((r) => !STATED.test(r.text));
    const named = nameFound(rows, plain);
    this.name = named?.name;
    this.nameAt = named?.at;
    this.sourceRows = named?.rows ?? rows;
    const tokens = tokensOf(text);
    const materials = spansOf(tokens, plain).map((s) => s.names[0]!.material);
    const heated = tokens.some((t) => DEEDS[t.low] === "simmer" || t.low === "decoction");
    const guess = kindOf(this.name ?? "", materials, heated);
    this.kind = c.kind ?? stated ?? guess.kind;
    this.kindSure = c.kind !== undefined || stated !== undefined || guess.sure;
    this.willStrain = tokens.some((t) => DEEDS[t.low] === "strain");
    this.ctx = { ...plain, usual: cautiousWay(this.kind).usual ?? KIND[this.kind].usual };
    this.laying = new Laying(this.kind, system);
    this.performer = new Performer(text, this.ctx, this.laying, this.willStrain);
  }

  read(): Pasted {
    const rows = this.sourceRows.map((row) => ({
      from: row.from,
      to: row.to,
      text: row.text,
      parts: this.partsOf(row),
    }));
    const all = rows.flatMap((r) => r.parts);
    const count = (of: ReadonlySet<PastedPart["is"]>): number => all.filter((p) => of.has(p.is)).length;
    const plan = this.plan();
    return {
      rows,
      name: this.name,
      kind: this.kind,
      kindSure: this.kindSure,
      plan,
      took: this.laying.took,
      claims: this.performer.claims,
      counts: { read: count(READ), asked: count(ASKED), notes: all.filter((p) => p.is === "note").length },
    };
  }

  private partsOf(row: SourceRow): readonly PastedPart[] {
    const whole = { from: row.from, to: row.to };
    if (this.nameAt?.from === row.from) return [{ ...this.nameAt, is: "name", name: this.name! }];
    if (row.heading) return [{ ...whole, is: "heading" }];
    if (row.section === "notes") return [{ ...whole, is: "note" }];
    const parts: PastedPart[] = [];
    const read = this.takenApart(row);
    const lines = isListed(read, this.ctx) ? readListed(read, this.ctx) : undefined;
    if (lines)
      for (const l of lines)
        this.performer.put(l.reading, { from: row.from + l.from, to: row.from + l.to }, parts);
    else
      for (const s of sentencesOf(row.text)) {
        const text = row.text.slice(s.from, s.to);
        this.sentence({ from: row.from + s.from, text, tokens: tokensOf(text) }, row, parts);
      }
    return parts.length > 0 ? parts : [{ ...whole, is: "note" }];
  }

  private actsIn(text: string, tokens: Sentence["tokens"], spans: readonly NameSpan[]): Act[] {
    const named = new Set(spans.flatMap((s) => s.tokens));
    return actsOf(text, tokens, (k) => named.has(k), this.c.system, degreesOf(this.c.system));
  }

  private takenApart(row: SourceRow): RowRead {
    const tokens = tokensOf(row.text);
    const spans = spansOf(tokens, this.ctx);
    return { row, text: row.text, tokens, spans, acts: this.actsIn(row.text, tokens, spans) };
  }

  private sentence(s: Sentence, row: SourceRow, parts: PastedPart[]): void {
    const spans = spansOf(s.tokens, this.ctx);
    const acts = this.actsIn(s.text, s.tokens, spans);
    const whole = { from: s.from, to: s.from + s.text.length };
    if (row.section === "taking" || isTaken(s.text, acts)) {
      this.taken ??= s.text.slice(0, 200).replace(/[.\s]+$/, "");
      return void parts.push({ ...whole, is: "taken" });
    }
    if (row.section === "keeping" || isClaim(s.text, acts, this.laying.strained, this.willStrain)) {
      const claim = claimIn(s.text, acts, this.c.system);
      this.performer.claims.push(claim);
      return void parts.push({ ...whole, is: "claim", claim });
    }
    const before = parts.length;
    const rest = this.evenParts(s, spans, parts);
    const toMake = TO_MAKE.exec(s.text);
    this.name ??= toMake?.[1];
    const at = acts.map((a) => a.at);
    const found = mentionsOf(s.text, s.tokens, spans, at, this.ctx).filter(
      (m) => m.from >= (toMake?.[0].length ?? 0) && (m.from < rest.from || m.from >= rest.to),
    );
    this.performer.perform(s, acts, found, parts);
    if (parts.length === before) parts.push({ ...whole, is: "note" });
  }

  /** “mix equal parts honey and vinegar”: a part of each. @returns where that stood */
  private evenParts(s: Sentence, spans: readonly NameSpan[], parts: PastedPart[]): Place {
    const nowhere = { from: 0, to: 0 };
    const even = EVEN.exec(s.text);
    if (!even) return nowhere;
    const two = spans.filter((x) => s.tokens[x.tokens[0]!]!.from > even.index).slice(0, 2);
    if (two.length < 2) return nowhere;
    const to = s.tokens[Math.max(...two[1]!.tokens)]!.to;
    const named = s.text.slice(even.index + even[0].length, to).replace(/^\s*of\b/, "");
    const reading = readLine(`equal parts ${named}`, this.ctx);
    if (reading.is !== "lines") return nowhere;
    const at = { from: s.from + even.index, to: s.from + to };
    for (const l of this.performer.put(reading, at, parts)) this.laying.place(l);
    return { from: even.index, to };
  }

  private plan(): Plan | undefined {
    if (this.laying.all.length === 0) return undefined;
    const name = (this.name ?? "").slice(0, 80) || "Untitled";
    const plan = this.laying.plan(name, this.performer.hot, this.taken ? { taken: this.taken } : {});
    const fitted = fitting(plan, vesselSaid(this.text, this.c.system), this.c);
    if (fitted.took) this.laying.took.push(fitted.took);
    return fitted.plan;
  }
}

/**
 * Reads a recipe in ordinary words: what goes in, what is done, how long it is said to keep; everything that was understood, asked about or
 * left, beside the words it came from. Nothing is dropped, and nothing guessed into something else.
 */
export const readPasted = (text: string, c: PasteContext): Pasted => new Paste(text, c).read();
