import type { Material } from "../../material/material";
import { lineOfSaid } from "../../plan/said-line";
import { amountChoices } from "../../reading/choices";
import type { Choice, Reading, ReadingContext, SaidLine } from "../../reading/said";
import type { FoundLine } from "./found-lines";
import type { Laying } from "./lay";
import type { Answers, PastedPart, Place } from "./parts";

/** Writes down what readings come to, with what was answered about their words. */
export abstract class Answering {
  /** What a question stands about, and where. */
  protected readonly asked = new Map<Material, { readonly part: PastedPart; readonly parts: PastedPart[] }>();

  constructor(
    private readonly text: string,
    protected readonly ctx: ReadingContext,
    protected readonly laying: Laying,
    private readonly answers: Answers,
  ) {}

  /** What may be answered about a reading; of a line that says no amount, how much. */
  private choicesOf(r: Reading): readonly Choice[] {
    if (r.is === "ask") return r.choices;
    if (r.is === "unknown") return r.near();
    return r.is === "line" && !r.line.amount ? amountChoices(r.line, this.ctx) : [];
  }

  /** A reading with what was answered about its words; nothing where they were struck out. */
  private answered(
    reading: Reading,
    key: string,
  ): { readonly reading: Reading; readonly answered: boolean } | undefined {
    const answer = Object.hasOwn(this.answers, key) ? this.answers[key] : undefined;
    if (answer?.out) return undefined;
    let r = reading;
    for (const i of answer?.path ?? []) {
      const next = this.choicesOf(r)[i];
      if (!next) break;
      r = next.reading;
    }
    const form = answer?.form;
    if (form && r.is === "line" && r.line.material.kind === "plant")
      r = { is: "line", line: { ...r.line, form, took: r.line.took.filter((t) => t.what !== "form") } };
    return { reading: r, answered: answer !== undefined };
  }

  /** Writes down what a reading came to. @returns the lines it added */
  put(read: Reading, at: Place, parts: PastedPart[]): FoundLine[] {
    const key = this.text.slice(at.from, at.to).trim();
    const found = this.answered(read, key);
    if (!found) {
      parts.push({ ...at, is: "struck", key });
      return [];
    }
    const { reading, answered } = found;
    switch (reading.is) {
      case "line":
      case "lines":
        return (reading.is === "line" ? [reading.line] : reading.lines).map((line) =>
          this.list(line, { ...at, is: "line", line, key, answered }, parts),
        );
      case "ask":
        return this.ask(
          reading,
          { ...at, is: "ask", question: reading.question, choices: reading.choices, key },
          parts,
        );
      case "unknown":
        parts.push({ ...at, is: "unknown", unknown: reading, key });
        return [];
      case "fault":
        parts.push({ ...at, is: "wrong", fault: reading.fault });
        return [];
    }
  }
  private ask(reading: Extract<Reading, { is: "ask" }>, part: PastedPart, parts: PastedPart[]): [] {
    parts.push(part);
    const of = reading.choices.flatMap((c) => (c.reading.is === "line" ? [c.reading.line.material] : []));
    for (const m of reading.of ? [reading.of, ...of] : of) this.asked.set(m, { part, parts });
    return [];
  }
  /** Whether a material is in the plan, or in a question. */
  readonly has = (m: Material): boolean => this.asked.has(m) || this.laying.known(m) !== undefined;

  private list(line: SaidLine, part: PastedPart, parts: PastedPart[]): FoundLine {
    parts.push(part);
    const l: FoundLine = {
      material: line.material,
      line: lineOfSaid(line),
      said: line,
      placed: false,
      part,
      parts,
    };
    this.laying.list(l);
    return l;
  }
}
