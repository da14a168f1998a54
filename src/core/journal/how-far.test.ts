/** Begun is not made: what stands in the plan alone wants making, whatever page asks; and what was made is not asked to be made again. */
import { describe, expect, test } from "@jest/globals";
import { type Said, batchOf } from "../../../tests/trial-journal";
import { lineOf } from "../plan/edit";
import { WAYS } from "../plan/kinds";
import { line, made } from "../plan/trial";
import { howFar } from "./how-far";
import { reckonBatch } from "./reckon";
import { walkOf } from "./walk";

const herb = [line("thyme", "30 g", { form: "dried" })];
const later = (days: number): string => `2026-11-${24 + days}`;
const farOf = (way: string, day: number, ...said: readonly Said[]) => {
  const b = batchOf(made(way, herb), ...said);
  const r = reckonBatch(b);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return { b, r: r.value, is: howFar(b, r.value, later(day)) };
};
/** Ticks of the first sitting, up to the cloth. */
function ticksOf(way: string): readonly Said[] {
  const { b, r } = farOf(way, 0);
  const moves = walkOf(b, r.program, 0).moves;
  const cut = moves.findIndex((m) => m.sort === "strain" || m.sitting > 0);
  return moves
    .slice(0, cut < 0 ? moves.length : cut)
    .map((m, i): Said =>
      m.sort === "add"
        ? [1 + i, "added", { line: m.lines[0], amount: lineOf(b.plan, m.lines[0]!)!.amount }]
        : [1 + i, "stepped", { move: m.id, did: "done" }],
    );
}
const POTS = WAYS.filter((w) => farOf(w.id, 0).r.care.window === undefined).map((w) => w.id);
const JARS = WAYS.filter((w) => farOf(w.id, 0).r.care.window !== undefined).map((w) => w.id);

describe("what is made in one go", () => {
  test.each(POTS)("%s", (way) => {
    const ticks = ticksOf(way);
    expect(ticks.length).toBeGreaterThan(2);
    // Nothing ticked: it wants making, today and days after; nobody has made it meanwhile but whoever says so.
    for (const day of [0, 1, 5]) expect(farOf(way, day).is.stands).toBe("to-make");
    for (let n = 1; n < ticks.length; n++)
      expect([n, farOf(way, 0, ...ticks.slice(0, n)).is.stands]).toEqual([n, "being-made"]);
    expect(farOf(way, 0, ...ticks).is.stands).toBe("made");
  });
});

describe("what stands for weeks", () => {
  test.each(JARS)("%s", (way) => {
    const ticks = ticksOf(way);
    expect(farOf(way, 0).is.stands).toBe("to-make");
    expect(farOf(way, 0, ...ticks.slice(0, 1)).is.stands).toBe("being-made");
    expect(farOf(way, 0, ...ticks).is.stands).toBe("made");
    // A jar that stood overnight is made, whether anybody ticked its moves or not: it is tended, not filled again.
    for (const day of [1, 2, 6]) expect(farOf(way, day).is.stands).toBe("made");
  });
});

test("strained, nothing is left to make, however little was ticked", () => {
  expect(POTS.length).toBeGreaterThan(3);
  expect(JARS.length).toBeGreaterThan(8);
  for (const way of POTS)
    expect(farOf(way, 0, [60, "strained", { measured: "300 mL", how: "wrung" }]).is.stands).toBe("made");
});
