import type { Piece } from "./piece";
import type { Token } from "./tokens";

const QUALIFIES: ReadonlySet<Piece["is"]> = new Set([
  "form",
  "kept",
  "packing",
  "by",
  "part",
  "made",
  "strength",
  "each",
  "not",
]);
export const HOW_MUCH: ReadonlySet<Piece["is"]> = new Set(["amount", "asmuch", "equal"]);
const SMALL = new Set(["of", "the", "a", "an", "some", "my", "our", "your", "about", "very", "such", "just"]);
export const isSmall = (p: Piece, t: readonly Token[]): boolean =>
  (p.is === "idle" || p.is === "opens") && SMALL.has(t[p.from]!.low);

/** Walks back from a name over what is said before it. */
export class Lead {
  private at: number;
  private start: number;
  constructor(
    private readonly pieces: readonly Piece[],
    private readonly t: readonly Token[],
    from: number,
    private readonly least: number,
    /** The thing before has said no amount of its own. */
    private readonly beforeWants: boolean,
  ) {
    this.at = from - 1;
    this.start = from;
  }

  private piece(k = this.at): Piece | undefined {
    return k >= this.least ? this.pieces[k] : undefined;
  }

  /** Back over form, work and small words, and brackets that name nothing. @returns whether any that matters was passed */
  private qualifiers(): boolean {
    const before = this.start;

    for (let p = this.piece(); p; p = this.piece()) {
      if (QUALIFIES.has(p.is)) this.start = this.at--;
      else if (p.is === "idle" && this.t[p.from]!.low === "with" && this.piece(this.at - 1)?.is === "amount")
        this.at--;
      else if (p.is === "colon" && this.piece(this.at - 1)?.is === "each") this.at--;
      else if (isSmall(p, this.t) || (p.is === "mark" && this.t[p.from]!.low !== ".")) this.at--;
      else if (p.is === "close") {
        const open = this.openBefore(this.at);
        if (open === undefined) break;
        this.start = open;
        this.at = open - 1;
      } else break;
    }
    return this.start < before;
  }

  private openBefore(close: number): number | undefined {
    for (let k = close - 1; k >= this.least; k--) {
      const { is } = this.pieces[k]!;
      if (is === "open") return k;
      if (is === "name" || is === "word") return undefined;
    }
    return undefined;
  }

  run(): number {
    this.qualifiers();
    // Across commas and “and” between words of work, where an amount stands before them: “1 cup peeled and diced”.
    for (let p = this.piece(); p && (p.is === "comma" || p.is === "and" || p.is === "or"); p = this.piece()) {
      const [at, start] = [this.at, this.start];
      this.at--;
      const more = this.qualifiers();
      const reached = this.piece();
      const fine = reached
        ? HOW_MUCH.has(reached.is) && (more || (p.is === "comma" && !this.beforeWants))
        : more && this.least === 0;
      const onward = more && (reached?.is === "comma" || reached?.is === "or");
      if (!fine && !onward) {
        [this.at, this.start] = [at, start];
        break;
      }
    }
    const p = this.piece();
    if (p && HOW_MUCH.has(p.is)) this.amount();
    else if (p?.is === "not") this.start = this.at;
    return this.start;
  }

  /** Back over the amount, another beside it, and what is made of so many: “25 g/1 oz”, “1 cup dried or 2 cups”, “juice of 2”. */
  private amount(): void {
    this.start = this.at--;
    this.counted();
    const p = this.piece();
    const before = this.piece(this.at - 1);
    if (p?.is === "amount" || (p?.is === "slash" && before?.is === "amount")) {
      this.at = p.is === "amount" ? this.at : this.at - 1;
      return this.amount();
    }
    if (p?.is === "or") {
      const [at, start] = [this.at, this.start];
      this.at--;
      this.qualifiers();
      if (this.piece()?.is === "amount") return this.amount();
      [this.at, this.start] = [at, start];
    }
    this.made();
    if (this.piece()?.is === "not") this.start = this.at--;
    if (this.piece()?.is === "colon" && this.piece(this.at - 1)?.is === "optional") this.start = this.at - 1;
  }

  /** “1 whole head”: a number, and words of work before what it counts. */
  private counted(): void {
    if (this.t[this.pieces[this.start]!.from]!.kind === "number") return;
    const [at, start] = [this.at, this.start];
    this.qualifiers();
    const p = this.piece();
    if (this.start < start && p?.is === "amount" && isBareCount(p)) this.start = this.at--;
    else [this.at, this.start] = [at, start];
  }

  private made(): void {
    // “juice 1 lemon”.
    if (this.piece()?.is === "made") this.start = this.at--;
    const low = this.t[this.piece()?.from ?? -1]?.low;
    if (low !== "of" && low !== "from") return;
    const made = this.piece(this.at - 1);
    if (made?.is !== "made" && !(made?.is === "part")) return;
    this.at--;
    for (let p = this.piece(); p; p = this.piece()) {
      if (QUALIFIES.has(p.is) || p.is === "made") this.start = this.at--;
      else if (p.is === "and" || isSmall(p, this.t)) this.at--;
      else break;
    }
  }
}

/** A number of pieces, of no unit. */
export const isBareCount = (p: Piece): boolean =>
  p.is === "amount" && p.q.is === "amount" && p.q.amount.kind === "count" && p.q.amount.unit === "piece";
