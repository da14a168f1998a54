import { COVER_CM, type Amount } from "../quantity/amount";
import { exactly } from "../estimate";
import { howMuch } from "./fit-amount";
import { type Choice, type ReadingContext, type SaidLine, sayAmount } from "./said";

const WET: ReadonlySet<string | undefined> = new Set(["fresh", "frozen", "wilted"]);

/** Answers to “how much?” of a line that does not say: usual measures, and how jars are filled. */
export function amountChoices(line: SaidLine, ctx: ReadingContext): readonly Choice[] {
  const { material } = line;
  const usual = howMuch(material, "", 1, ctx.system);
  const measured = "question" in usual ? usual.choices : [];
  const jar = (share: number, words: string) => ({
    words,
    amount: { kind: "jar", count: exactly(share) } as Amount,
  });
  const shares =
    material.kind === "plant"
      ? [WET.has(line.form) ? jar(1 / 2, "half the jar") : jar(1 / 3, "a third of the jar")]
      : [
          { words: "to cover", amount: { kind: "cover", term: undefined, cm: COVER_CM } as Amount },
          { words: "to fill the jar", amount: { kind: "fill" } as Amount },
          { words: "1 part", amount: { kind: "part", count: exactly(1) } as Amount },
        ];
  return [...shares, ...measured].map(({ words, amount }) => ({
    words,
    reading: { is: "line", line: { ...line, amount: { amount, text: sayAmount(amount, ctx.system) } } },
  }));
}
