import { describe, expect, test } from "@jest/globals";
import { line, made, measuredAs } from "../plan/trial";
import type { Plan } from "../plan/plan";
import { type Reckoning, reckonProgram } from "./reckon";
import { resolve } from "./resolve";

const boiled = (how: object): Plan =>
  made("syrup-fridge", [], {
    steps: [
      {
        do: "add",
        what: [line("horehound", "40 g", { form: "dried" }), line("water", "1 L"), line("sugar", "300 g")],
      },
      how as never,
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  });
const HALF = boiled({ do: "reduce", to: "half" });
function reckoned(plan: Plan, jug?: string): Reckoning {
  const p = resolve(plan, {}, jug === undefined ? undefined : measuredAs(plan, jug));
  if (!p.ok) throw new Error(p.faults[0]!.message);
  return reckonProgram(p.value);
}
const width = (e: { low: number; high: number }): number => e.high - e.low;

describe("a measured jug and what was boiled before it", () => {
  test.each([
    ["reduced by a mark", HALF],
    ["simmered", boiled({ do: "simmer", for: "2 hours" })],
  ])("%s: the jug is what came out, and the pot is known the closer for it", (_, plan) => {
    const [likely, as] = [reckoned(plan), reckoned(plan)];
    const jug = `${Math.round(likely.strained.ml.value)} mL`;
    const measured = reckoned(plan, jug);
    expect(measured.strained.ml.value).toBeCloseTo(likely.strained.ml.value, -0.3);
    expect(width(measured.strained.ml)).toBeLessThan(0.04 * measured.strained.ml.value);
    expect(width(measured.jar.ml)).toBeLessThan(0.7 * width(as.jar.ml));
    // What was likely and came out moves nothing.
    expect(measured.strained.brix.value).toBeCloseTo(likely.strained.brix.value, 0);
    expect(width(measured.strained.brix)).toBeLessThan(width(likely.strained.brix));
  });
  test("less in the jug was boiled farther and held more; more of it was boiled less, and is thinner", () => {
    const [less, likely, more] = [reckoned(HALF, "450 mL"), reckoned(HALF), reckoned(HALF, "620 mL")];
    expect(less.ledger.steamG).toBeGreaterThan(likely.ledger.steamG);
    expect(less.ledger.marcG).toBeGreaterThan(likely.ledger.marcG);
    expect(more.ledger.steamG).toBeLessThan(likely.ledger.steamG);
    expect(less.strained.brix.value).toBeGreaterThan(likely.strained.brix.value);
    expect(more.strained.brix.value).toBeLessThan(likely.strained.brix.value);
  });
  test("more than half came out of a pot boiled to half by eye: it is believed, not refused", () =>
    expect(reckoned(HALF, "700 mL").strained.ml.value).toBeCloseTo(700, 0));
  test("what is missing beyond all likelihood was spilt: nothing is called thicker and thicker for it", () => {
    const [some, half, none] = ["400 mL", "200 mL", "60 mL"].map(
      (j) => reckoned(HALF, j).strained.brix.value,
    );
    expect(half!).toBeLessThan(some! * 1.12);
    expect(none!).toBeCloseTo(half!, 1);
    // Nor is the pot known any closer for a jug that it does not explain.
    expect(width(reckoned(HALF, "200 mL").strained.brix)).toBeGreaterThan(
      0.95 * width(reckoned(HALF).strained.brix),
    );
  });
  test("boiled to a volume in the jug itself, there is no guess to share in", () => {
    const plan = boiled({ do: "reduce", to: "600 mL" });
    expect(reckoned(plan, "500 mL").ledger.steamG).toBeCloseTo(reckoned(plan).ledger.steamG, 6);
  });
});
