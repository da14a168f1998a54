import type { Cut, Form } from "../material/classes";
import { exactly } from "../estimate";
import { type Amount, counted } from "../quantity/amount";
import type { CountUnit } from "../quantity/units";
import { coverAt, byDepth, fillAt, goalAt, partFillAt } from "./amounts";
import { CUT_WORDS, FORM_WORDS, FRESH_WORK, KEPT_WORDS, LITTLE_WORDS, REMARK } from "./line-words";
import { bracketAt } from "./brackets";
import { nameWord } from "./names";
import { hedgeAt } from "./hedges";
import { isFault, numberAt } from "./numbers";
import { halfMore, piecesBehind } from "./pieces-behind";
import { quantityAt } from "./quantities";
import type { Cursor, Quantity } from "./quantity";
import { CONTAINERS, PACKING_ADVERBS, PACKING_WORDS, SIZE_WORDS } from "./quantity-words";
import {
  ABOUT_NOTHING,
  type About,
  MARKS,
  type Scan,
  byWhatAt,
  isPieceWord,
  isAfterName,
  nothingScanned,
  remarkEnd,
  sayForm,
} from "./scanned";
import { type Token, says } from "./tokens";

class Scanner {
  readonly scan: Scan = nothingScanned();
  private i = 0;
  /** Pieces that were named before their number. */
  private waiting: CountUnit | undefined;
  private readonly named: boolean;
  constructor(
    private readonly c: Cursor,
    private readonly text: string,
    private readonly about: About,
  ) {
    this.named = about !== ABOUT_NOTHING;
  }

  run(): Scan {
    const { tokens } = this.c;
    while (this.i < tokens.length && !this.scan.fault) {
      if (this.c.named(this.i)) this.i++;
      else if (!this.special() && !this.word() && !this.quantity()) this.leave();
    }
    // “garlic cloves”, and no word of how many.
    if (this.waiting && this.scan.amounts.length === 0)
      this.scan.amounts.push({ q: { is: "vague", word: "some", count: exactly(1), next: 1 }, from: 0 });
    return this.scan;
  }

  private slice(from: number, to: number): string {
    const t = this.c.tokens;
    return to > from ? this.text.slice(t[from]!.from, t[to - 1]!.to) : "";
  }

  private put(amount: Amount, next: number): true {
    this.scan.amounts.push({ q: { is: "amount", amount, next }, from: this.i });
    this.i = next;
    return true;
  }

  /** Phrases that are amounts in themselves, and those that say there is none. */
  private special(): boolean {
    const t = this.c.tokens;
    if (says(t, this.i, "to", "taste") || says(t, this.i, "as", "needed")) {
      this.scan.toTaste = true;
      this.i += 2;
      return true;
    }
    const part = partFillAt(this.c, this.i);
    if (part) return this.put(part.amount, part.next);
    const fill = fillAt(t, this.i);
    if (fill !== undefined) return this.put({ kind: "fill" }, fill);
    const found = coverAt(this.c, this.i) ?? goalAt(this.c, this.i) ?? this.depth();
    if (!found) return false;
    if (found.ok) return this.put(found.value.amount, found.value.next);
    this.scan.fault = found.faults[0]!;
    return true;
  }

  /** “… by an inch”, after a name that covers. */
  private depth(): ReturnType<typeof byDepth> {
    const last = this.scan.amounts.at(-1)?.q;
    if (last?.is !== "amount" || last.amount.kind !== "cover" || last.amount.term) return undefined;
    const by = byDepth(this.c, this.i);
    if (by?.ok) this.scan.amounts.pop();
    return by;
  }

  private word(): boolean {
    const t = this.c.tokens;
    const at = t[this.i]!;
    if (at.kind === "mark") return this.mark(at);
    if (at.kind !== "word") return false;
    const low = at.low;
    const form = FORM_WORDS[low];
    const cut = CUT_WORDS[low];
    if (form || cut) return this.formOrCut(low, form, cut);
    if (PACKING_ADVERBS[low] && t[this.i + 1]?.low === "-" && PACKING_WORDS[t[this.i + 2]?.low ?? ""]) {
      this.scan.packing = PACKING_ADVERBS[low];
      this.i += 3;
      return true;
    }
    if (PACKING_WORDS[low] || (PACKING_ADVERBS[low] && PACKING_WORDS[t[this.i + 1]?.low ?? ""])) {
      this.scan.packing = PACKING_ADVERBS[low] ?? PACKING_WORDS[low];
      this.i += PACKING_ADVERBS[low] ? 2 : 1;
      return true;
    }
    if (low === "optional" || low === "optionally") this.scan.optional = true;
    else if (low === "each") this.scan.each = true;
    else if (low === "or") this.scan.either = true;
    else if (this.half()) return true;
    else if (low === "juiced" || low === "zested") this.scan.made = low === "juiced" ? "juice" : "peel";
    else if (low === "divided") this.scan.notes.push("divided");
    else if (this.beginsAmount()) return false;
    else if (REMARK.has(low) && this.scan.amounts.length > 0 && this.begins(",")) return this.remark();
    else if (KEPT_WORDS.has(low) || KEPT_WORDS.has(nameWord(low))) this.kept();
    else if (this.timesSign(low)) return true;
    else if (this.pieces(low)) return true;
    else if (this.byWhat()) return true;
    else if (!LITTLE_WORDS.has(low) && !this.isOnePart(low)) return false;
    else if (low === "a" || low === "an" || SIZE_WORDS[low]) return false;
    this.i++;
    return true;
  }

  /** “leaves” beside nettle. */
  private isOnePart(low: string): boolean {
    return this.about.parts.includes(nameWord(low));
  }

  private half(): boolean {
    const next = halfMore(this.scan, this.c.tokens, this.i);
    if (next === undefined) return false;
    this.i = next;
    return true;
  }

  /** “garlic x 10”, “10 x garlic”: the sign of times says nothing beside the number. */
  private timesSign(low: string): boolean {
    const next = this.i + 1;
    const before = this.c.tokens[this.i - 1]?.kind === "number";
    const after = this.scan.amounts.length === 0 && this.c.tokens[next]?.kind === "number";
    if (low !== "x" || !(after || (before && this.c.named(next)))) return false;
    this.i++;
    return true;
  }

  /** “8 oz honey by weight”. */
  private byWhat(): boolean {
    const by = byWhatAt(this.c.tokens, this.i);
    if (by === undefined || this.scan.amounts.length === 0) return false;
    this.scan.by = by;
    this.i += 2;
    return true;
  }

  /** “at least 1 cup”, “up to 1 cup”: little words that open an amount. */
  private beginsAmount(): boolean {
    const t = this.c.tokens;
    const hedge = hedgeAt(t, this.i);
    const next = hedge?.next ?? (says(t, this.i, "up", "to") ? this.i + 2 : undefined);
    return next !== undefined && next > this.i + 1 && numberAt(t, next) !== undefined;
  }

  private pieces(low: string): boolean {
    const found = piecesBehind(this.scan, low, this.about, this.c.system);
    if (!found) return false;
    if ("alone" in found) return this.put(counted(found.alone, exactly(1)), this.i + 1);
    if ("waits" in found) this.waiting = found.waits;
    this.i++;
    return true;
  }

  /** Whether a mark stands just before, as before a remark. */
  private begins(mark: string): boolean {
    return this.c.tokens[this.i - 1]?.low === mark;
  }

  private kept(): void {
    const { text, low } = this.c.tokens[this.i]!;
    if (FRESH_WORK.has(low)) this.scan.worked = true;
    this.scan.notes.push(text);
  }

  private remark(): true {
    const end = remarkEnd(this.c.tokens, this.i);
    this.scan.notes.push(this.slice(this.i, end));
    this.i = end;
    return true;
  }

  private formOrCut(low: string, form: Form | undefined, cut: Cut | undefined): true {
    sayForm(this.scan, low, form, cut);
    this.i++;
    return true;
  }

  private mark(at: Token): boolean {
    if (at.low === "(") return this.bracket();
    if (MARKS.has(at.low)) {
      // A dash glued to a number is a minus sign, which the number will say.
      if (at.low === "-" && this.c.tokens[this.i + 1]?.kind === "number" && !at.glued) return false;
      this.i++;
      return true;
    }
    return false;
  }

  private bracket(): true {
    this.i = bracketAt(this.scan, this.c, this.text, this.i);
    return true;
  }

  private quantity(): boolean {
    // “leaf” after a name that has none is part of another name, not one of it.
    if (this.isPart()) return false;
    const q = quantityAt(this.c, this.i);
    if (!q) return false;
    if (isFault(q)) {
      this.scan.fault = q;
      return true;
    }
    if (q.is === "amount" || q.is === "vague") this.scan.amounts.push({ q: this.waitedFor(q), from: this.i });
    else this.scan.strength ??= q;
    this.i = q.next;
    return true;
  }

  /** “garlic cloves, 10”: a bare number behind pieces counts those. */
  private waitedFor<Q extends Quantity>(q: Q): Q {
    const waiting = this.waiting;
    if (!waiting || q.is !== "amount" || q.amount.kind !== "count" || q.amount.unit !== "piece") return q;
    this.waiting = undefined;
    return { ...q, amount: counted(waiting, q.amount.count) };
  }

  private isPart(): boolean {
    return this.named && isPieceWord(this.c.tokens[this.i]!, this.c.system) && isAfterName(this.c, this.i);
  }

  private leave(): void {
    const at = this.c.tokens[this.i]!;
    // A container's word after its size, a piece after its length: said already.
    if (!CONTAINERS.has(at.low) || this.scan.amounts.length === 0) this.scan.unknown.push(this.i);
    this.i++;
  }
}

/**
 * Sorts out everything in a typed line but its name: amounts, strength, form, cut, packing, remarks, and words nobody knows.
 */
export const scanLine = (c: Cursor, text: string, about: About): Scan => new Scanner(c, text, about).run();
