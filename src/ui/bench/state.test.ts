import { describe, expect, test } from "@jest/globals";
import { likeFirst } from "@/core/advice/fixes";
import { linesOf, withLast } from "@/core/plan/edit";
import { line } from "@/core/plan/trial";
import { PLAIN_BENCH } from "@/core/plan/ways";
import type { Plan } from "@/core/plan/plan";
import { vesselOfOwn } from "@/core/stores/stores";
import { bottlesFor } from "@/core/cellar/fill";
import { type Bench, type State, addLine, begun, fresh, step, usualName } from "./state";
import { alike, chosenAmong, freeChoices } from "./vessel-choice";

const JAR = { ...PLAIN_BENCH, jar: "m-1000" };
const bench = (more: Partial<Plan> = {}): Bench => {
  const b = fresh("us", JAR);
  return { ...b, plan: { ...b.plan, ...more } };
};
const start: State = begun(bench(), { context: {}, company: { people: [], today: "2026-11-24" }, lots: [] });
const named = (h: State, name: string, about?: string): State =>
  step(h, { do: "change", to: { ...h.now, plan: { ...h.now.plan, name } }, ...(about ? { about } : {}) });

describe("the Bench's history", () => {
  test("goes back and forth, and a new change forgets what was undone", () => {
    const two = named(named(start, "a"), "b");
    const back = step(two, { do: "undo" });
    expect(back.now.plan.name).toBe("a");
    expect(step(back, { do: "redo" }).now.plan.name).toBe("b");
    expect(named(back, "c").future).toEqual([]);
  });
  test("changes of one drag are one step; of two, two", () => {
    const drag = ["a", "b", "c"].reduce((h, n) => named(h, n, "drag-parts"), start);
    expect(step(drag, { do: "undo" }).now.plan.name).toBe(start.now.plan.name);
    expect(named(drag, "d", "drag-herb").past).toHaveLength(2);
  });
  test("undoing never changes what it will be begun under", () => {
    const h = step(named(start, "a"), { do: "undo" });
    expect([h.now.id, h.now.key]).toEqual([start.now.id, start.now.key]);
  });
  test("with nothing to undo or redo it stays", () =>
    expect([step(start, { do: "undo" }), step(start, { do: "redo" })]).toEqual([start, start]));
});

describe("a clear Bench", () => {
  test("pours what the household has", () =>
    expect(
      linesOf(
        fresh("us", {
          ...JAR,
          usual: { sweet: { material: "heather-honey" }, vinegar: { material: "red-wine-vinegar" } },
        }).plan,
      ).map((l) => l.material),
    ).toEqual(["red-wine-vinegar", "heather-honey"]));
  test("a herb stands before what is poured over it; a liquid after", () => {
    const p = addLine(addLine(bench().plan, line("thyme", "1 cup")), line("water", "1 part"));
    expect(linesOf(p).map((l) => l.material)).toEqual(["thyme", "cider-vinegar", "honey", "water"]);
  });
  test("is called by its herbs", () => {
    const with_ = (...herbs: string[]) =>
      usualName(herbs.reduce((p, h) => addLine(p, line(h, "1 cup")), bench().plan));
    expect([with_(), with_("thyme"), with_("thyme", "sage"), with_("thyme", "sage", "hyssop")]).toEqual([
      "A new oxymel",
      "Thyme oxymel",
      "Thyme & sage oxymel",
      "Thyme, sage & more oxymel",
    ]);
  });
  test("one thing more at the end goes in before it is bottled", () =>
    expect(withLast(bench().plan, line("lemon-juice", "2 tbsp")).steps.map((s) => s.do)).toEqual([
      "add",
      "steep",
      "strain",
      "add",
      "bottle",
    ]));
});

describe("the other jar", () => {
  test("follows the first in all but vessel and amounts", () => {
    const first: Plan = {
      ...bench().plan,
      name: "Thyme oxymel",
      taken: "Daily",
      meantFor: ["the keeper"],
      steps: bench().plan.steps.map((s) => (s.do === "steep" ? { ...s, in: "fridge" as const } : s)),
    };
    const rest: Plan = { ...bench({ vessel: "m-500", taken: "Hourly" }).plan };
    expect(likeFirst(rest, first)).toMatchObject({
      vessel: "m-500",
      name: "Thyme oxymel",
      taken: "Daily",
      meantFor: ["the keeper"],
      steps: [rest.steps[0], { do: "steep", in: "fridge" }, { do: "strain" }, { do: "bottle" }],
    });
    expect(likeFirst({ ...rest, taken: "Hourly" }, { ...first, taken: undefined }).taken).toBeUndefined();
  });
});

describe("the household's vessels in the list", () => {
  const own = (id: string, vessel: string, more: object = {}) => {
    const o = { what: "vessel" as const, vessel, ...more };
    return { id, own: o, vessel: vesselOfOwn(o)! };
  };
  const all = [
    own("a", "m-1000"),
    own("b", "m-1000"),
    own("c", "m-1000", { lid: "metal" }),
    own("d", "m-500"),
  ];
  test("those alike are one, with what stands in them; another lid is another vessel", () => {
    const groups = alike(all, [{ vessel: "m-1000", code: "OX-26-01" }]);
    expect(groups.map((g) => [g.choice.vessel.id, g.count, g.holds])).toEqual([
      ["m-500", 1, []],
      ["m-1000", 2, ["OX-26-01"]],
      ["m-1000", 1, []],
    ]);
    expect(chosenAmong(groups, { vessel: "m-1000", lid: "metal" })!.count).toBe(1);
    expect(chosenAmong(groups, { vessel: "m-3000" })).toBeUndefined();
  });
  test("only free ones are offered where something does not fit", () =>
    expect(freeChoices(all, [{ vessel: "m-500", code: "TI-26-01" }]).map((c) => [c.named, c.lid])).toEqual([
      ["m-1000", undefined],
      ["m-1000", undefined],
      ["m-1000", "metal"],
    ]));
  test("droppers are for tinctures, jars for honey, bottles for the rest; a usual size where none are counted", () => {
    const on = [
      { vessel: "d-100", count: 3 },
      { vessel: "b-250-swing", count: 2 },
      { vessel: "us-half-pint", count: 4 },
      { vessel: "b-500-swing", count: 0 },
    ];
    const ids = (kind: Plan["kind"], empties = on) =>
      bottlesFor(kind, empties, "metric", "shut").map((b) => b.vessel.id);
    expect([ids("tincture"), ids("honey"), ids("syrup"), ids("oxymel", [])]).toEqual([
      ["d-100"],
      ["b-250-swing", "us-half-pint"],
      ["b-250-swing"],
      ["b-250-swing"],
    ]);
  });
});
