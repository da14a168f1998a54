import { exactly } from "../../estimate";
import type { Material } from "../../material/material";
import type { Nameless } from "../../plan/ids";
import type { Kind, Line, Plan, Step } from "../../plan/plan";
import { measure } from "../../quantity/amount";
import type { UnitSystem } from "../../quantity/units";
import { readAmount } from "../../reading/amounts";
import { nameWord, wordsOfName } from "../../reading/names";
import { printAmount } from "../../reading/print";
import type { SaidLine } from "../../reading/said";
import { plainLetters } from "../../reading/tokens";
import type { PastedPart } from "./parts";

/** A line as it was found, not yet set into a step. */
export interface FoundLine {
  readonly material: Material;
  line: Nameless<Line>;
  readonly said: SaidLine;
  placed: boolean;
  /** What is left of a divided line waits for its own words. */
  rest?: true;
  /** Where it is shown. */
  readonly part: PastedPart;
  readonly parts: PastedPart[];
}

export type NewStep = Mutable<Nameless<Step>>;
type Mutable<S> = S extends unknown ? { -readonly [K in keyof S]: S[K] } : never;
export type AddStep = Extract<NewStep, { do: "add" }>;

/** The most letters of own words that one step keeps. */
const MOST_WORDS = 500;

/** The lines that were found, and the steps they are set into, in the order they were said. */
export class FoundLines {
  readonly steps: NewStep[] = [];
  /** What was taken for granted of the whole, in words. */
  readonly took: string[] = [];
  shake: Plan["shake"];
  /** Own words said before the first step. */
  protected before: string | undefined;
  protected lines: FoundLine[] = [];
  /** What goes in by the strained liquid, and was said before the cloth. */
  protected readonly waits: FoundLine[] = [];

  constructor(
    protected readonly kind: Kind,
    protected readonly system: UnitSystem,
  ) {}

  list(l: FoundLine): void {
    this.lines.push(l);
  }
  get all(): readonly FoundLine[] {
    return this.lines;
  }
  /** A listed line of a material, one not set in yet before one that is. */
  known(material: Material): FoundLine | undefined {
    const of = this.lines.filter((l) => l.material === material);
    const exact = of.find((l) => !l.placed) ?? of[0];
    if (exact || material.kind !== "stuff") return exact;
    // “the vinegar” is whichever vinegar was listed.
    const alike = this.lines.filter(
      (l) => l.material.kind === "stuff" && l.material.row.class === material.row.class,
    );
    return alike.length === 1 ? alike[0] : undefined;
  }
  /** The one listed thing that a word of its name stands for: “the hips”, “the root”, “pepper”. */
  byWord(name: string): Material | undefined {
    const word = nameWord(plainLetters(name));
    const of = new Set(
      this.lines.flatMap((l) => {
        const names = [l.line.called ?? "", ...l.material.row.names.slice(0, 1)];
        return names.some((n) => wordsOfName(n).includes(word)) ? [l.material] : [];
      }),
    );
    return of.size === 1 ? [...of][0] : undefined;
  }
  has(d: NewStep["do"]): boolean {
    return this.steps.some((s) => s.do === d);
  }
  get strained(): boolean {
    return this.has("strain");
  }

  protected adding(): AddStep {
    const last = this.steps.at(-1);
    if (last?.do === "add") return last as AddStep;
    const made: AddStep = { do: "add", what: [] };
    this.steps.push(made);
    return made;
  }

  /** Less of a line goes in here than was listed: what is left of it waits for “the rest”, or for its name again. */
  divide(l: FoundLine, here: NonNullable<SaidLine["amount"]>): void {
    const listed = readAmount(l.line.amount, this.system);
    const [all, some] = [listed.ok ? listed.value : undefined, here.amount];
    if (l.placed || all?.kind !== "measure" || some.kind !== "measure" || all.dimension !== some.dimension)
      return;
    const left = all.si.value - some.si.value;
    if (left < 0.03 * all.si.value) return;
    const { unit } = all.terms[0]!;
    const amount = printAmount(measure([{ unit, count: exactly(left / unit.size) }]), this.system);
    this.lines.push({ ...l, line: { ...l.line, amount }, rest: true });
    this.reword(l, { ...l.line, amount: here.text });
  }

  /** “pour in the rest”: what was left of a divided line. @returns whether there was any */
  placeRest(): boolean {
    const rest = this.lines.filter((l) => l.rest && !l.placed);
    for (const l of rest) this.place(l);
    return rest.length > 0;
  }

  /** Something to do that is no step here: it stays in its words with the step it follows. @returns whether there was room for it */
  own(words: string): boolean {
    const last = this.steps.at(-1);
    if (!last) {
      this.before = this.before ? `${this.before}. ${words}` : words;
      return this.before.length <= MOST_WORDS;
    }
    const all = last.words ? `${last.words}. ${words}` : words;
    if (all.length > MOST_WORDS) return false;
    last.words = all;
    return true;
  }

  /** Takes out what nobody said the amount of. */
  withoutAmounts(): readonly FoundLine[] {
    const missing = this.lines.filter((l) => l.line.took?.includes("amount"));
    this.lines = this.lines.filter((l) => !missing.includes(l));
    for (const s of this.steps)
      if (s.do === "add") {
        const step = s as AddStep;
        step.what = step.what.filter((x) => !missing.some((l) => l.line === x));
      }
    return missing;
  }

  /** Says a line anew, wherever it stands. */
  reword(l: FoundLine, line: Nameless<Line>): void {
    for (const s of this.steps)
      if (s.do === "add") {
        const { what } = s as AddStep;
        const at = what.indexOf(l.line as Line);
        if (at >= 0) what[at] = line as Line;
      }
    l.line = line;
  }

  place(l: FoundLine): void {
    if (l.placed) return;
    l.placed = true;
    // A share of the strained liquid waits for the cloth, wherever it was said.
    if (!this.strained && this.ofLiquid(l)) {
      this.waits.push(l);
      return;
    }
    this.adding().what.push(l.line as Line);
  }

  /** Sets in what is listed and waits, all of it or its plants, but what was said to stay out. */
  placeAll(which: "all" | "plants", out: readonly Material[]): void {
    for (const l of this.lines)
      if (!l.placed && !out.includes(l.material) && (which === "all" || l.material.kind === "plant"))
        this.place(l);
  }

  protected ofLiquid({ line }: FoundLine): boolean {
    const amount = readAmount(line.amount, this.system);
    return amount.ok && amount.value.kind === "of-liquid";
  }
}
