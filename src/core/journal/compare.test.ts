import { describe, expect, test } from "@jest/globals";
import { thymeOxymel } from "../../../tests/plans";
import type { Plan } from "../plan/plan";
import { resolve } from "../reckoning/resolve";
import { type Side, comparedApart, comparedOf, linesCompared } from "./compare";
import { type JournalEvent, readBody } from "./events";
import { fold } from "./fold";
import { foundBy, soughtIn } from "./found-by";
import { freeze } from "./freeze";
import { reckonBatch } from "./reckon";

const ID = "0b8c9e3e-6b1f-4c6e-9f5e-5a4b3c2d1e0f";

/** A batch begun by a plan, and strained on a day where one is given. */
function side(plan: Plan, strained?: readonly [day: string, measured: string]): Side {
  const program = resolve(plan);
  if (!program.ok) throw new Error(program.faults[0]!.message);
  const entry = (seq: number, type: JournalEvent["type"], day: string, body: unknown): JournalEvent =>
    ({
      ...{ type, version: type === "begun" ? 2 : 1, streamId: ID, seq, key: `${ID}${seq}` },
      ...{ at: `${day}T09:00:00Z`, day },
      body: readBody(type, type === "begun" ? 2 : 1, body),
    }) as JournalEvent;
  const batch = fold([
    entry(1, "begun", "2026-10-01", { code: "OX-26-09", plan, frozen: freeze(program.value) }),
    ...(strained ? [entry(2, "strained", strained[0], { measured: strained[1], how: "wrung" })] : []),
  ])!;
  const r = reckonBatch(batch);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return { batch, reckoned: r.value };
}

describe("batches side by side", () => {
  const plain = side(thymeOxymel("30 g", "400 mL", "400 mL"));
  test("the same twice differs in nothing", () => {
    expect([...comparedApart([plain, plain])]).toEqual([]);
    expect(linesCompared([plain, plain]).map((l) => [l.name, l.apart])).toEqual([
      ["thyme", false],
      ["cider vinegar", false],
      ["honey", false],
    ]);
  });
  test("half the honey is less sweet and sharper, and what went in says so; a gram of thyme is within its measuring", () => {
    const sharp = side(thymeOxymel("31 g", "400 mL", "200 mL"));
    const apart = comparedApart([plain, sharp]);
    expect(apart.has("sweetness") && apart.has("sharpness") && apart.has("sugar")).toBe(true);
    expect(apart.has("strength")).toBe(false);
    const lines = new Map(linesCompared([plain, sharp]).map((l) => [l.name, l]));
    expect(lines.get("honey")).toMatchObject({ liquid: true, apart: true });
    expect(lines.get("honey")!.amounts.map((a) => Math.round(a!.value))).toEqual([400, 200]);
    expect(lines.get("cider vinegar")!.apart).toBe(false);
  });
  test("what went into one alone is a difference, and stands as nothing in the other", () => {
    const base = thymeOxymel("30 g", "400 mL", "400 mL");
    const [first, ...rest] = base.steps;
    const more = {
      ...base,
      steps: [
        {
          ...first!,
          what: [
            ...(first as { what: object[] }).what,
            { id: "f", material: "fennel-seed", form: "dried", amount: "10 g" },
          ],
        },
        ...rest,
      ],
    } as Plan;
    const fennel = linesCompared([plain, side(more)]).find((l) => l.material === "fennel-seed")!;
    expect(fennel.apart).toBe(true);
    expect(fennel.amounts.map((a) => a && Math.round(a.value))).toEqual([undefined, 10]);
  });
  test("days stood count from the beginning to the straining; a jar that works has none yet", () => {
    const strained = side(thymeOxymel("30 g", "400 mL", "400 mL"), ["2026-11-12", "700 mL"]);
    expect(comparedOf(strained, "days")!.value).toBe(42);
    expect(comparedOf(strained, "yield")!.value).toBeCloseTo(700, 0);
    expect(comparedOf(plain, "days")).toBeUndefined();
  });
});

describe("what a batch is found by", () => {
  const text = foundBy(side({ ...thymeOxymel(), meantFor: ["the keeper"] }).batch);
  test.each(["ox-26-09", "thyme", "thymus", "oxymel", "working", "october", "2026", "keeper", "honey"])(
    "%s",
    (word) => expect(text).toContain(` ${word}`),
  );
  test("each word stands once, and words that only ask are not looked for", () => {
    const words = text.trim().split(" ");
    expect(words.length).toBe(new Set(words).size);
    expect(soughtIn("What has ELDERBERRIES in it?").map((s) => [s.word, s.one])).toEqual([
      ["elderberries", "elderberry"],
    ]);
    expect(soughtIn(" ?! ")).toEqual([]);
    expect(soughtIn("a b c d e f g h i j k l m".repeat(3)).length).toBeLessThanOrEqual(8);
  });
});
