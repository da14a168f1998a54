import { describe, expect, test } from "@jest/globals";
import { leftOut } from "./carried";
import { linesOf } from "./edit";
import { WAYS } from "./kinds";
import type { Line, Plan } from "./plan";
import { emptyPlan, madeBy, roleOf } from "./ways";

/*
 * What the maker typed stays when the way is changed: each word and amount is in the plan that comes of it, or is laid before them as left out.
 * Tried over every way with every other, in three kitchens.
 */

const UNITS = ["us", "metric", "imperial"] as const;

/** Every pour said anew by hand, with a note and a name of the maker's own; a herb, a juice; every step's time or place said anew. */
function typedOver(plan: Plan): Plan {
  let n = 0;
  const own = (l: Line): Line => ({
    ...l,
    amount: `${++n + 0.25} cups`,
    note: `note ${n}`,
    called: `the ${n} jug`,
    why: `because ${n}`,
  });
  const steps = plan.steps.map((s) => {
    switch (s.do) {
      case "add":
        return { ...s, what: s.what.map(own), words: `words ${++n}` };
      case "simmer":
      case "pressure":
        return { ...s, for: `${60 + ++n} min` };
      case "steep":
        return { ...s, for: `${60 + ++n} ${/week/.test(s.for) ? "weeks" : "min"}`, words: `words ${n}` };
      case "reduce":
        return { ...s, to: `0.${++n}` };
      case "cool":
        return { ...s, to: `${30 + ++n} °C` };
      case "strain":
        return { ...s, how: s.how === "pressed" ? ("drained" as const) : ("pressed" as const) };
      case "bottle":
        return { ...s, words: `words ${++n}` };
    }
  });
  const [first, ...rest] = steps;
  if (first?.do !== "add") throw new Error("a way begins with what goes in");
  const more: Line[] = [
    { id: "901", material: "hyssop", form: "dried", amount: "1½ cups, loosely", note: "from the fence" },
    { id: "902", material: "lemon-juice", amount: "of 2 lemons" },
    { id: "903", material: "sugar", amount: "3 heaped spoons", why: "for the boys" },
  ];
  return { ...plan, steps: [{ ...first, what: [...first.what, ...more] }, ...rest] };
}

/** Every text in it but ids and what a way is: what could be lost. */
function textsOf(x: unknown): string[] {
  const all: string[] = [];
  const walk = (v: unknown, key: string): void => {
    if (
      typeof v === "string" &&
      !["id", "do", "way", "kind", "format", "units", "vessel", "in"].includes(key)
    )
      all.push(v);
    else if (typeof v === "object" && v !== null) for (const [k, w] of Object.entries(v)) walk(w, k);
  };
  walk(x, "");
  return all;
}

describe("another way", () => {
  test.each(UNITS)("keeps what was typed, or lays it before the maker, in a kitchen of %s", (units) => {
    const lost: string[] = [];
    let tried = 0;
    for (const from of WAYS)
      for (const to of WAYS) {
        if (from.id === to.id) continue;
        const was = typedOver(madeBy(from, emptyPlan(from.kind, units)));
        const is = madeBy(to, was);
        const kept = new Set([...textsOf(is.steps), ...textsOf(leftOut(was, is))]);
        tried++;
        for (const t of textsOf(was.steps)) if (!kept.has(t)) lost.push(`${from.id} to ${to.id}: ${t}`);
        const ids = [...linesOf(is), ...is.steps].map((x) => x.id);
        if (new Set(ids).size !== ids.length) lost.push(`${from.id} to ${to.id}: an id twice`);
      }
    expect(tried).toBe(WAYS.length * (WAYS.length - 1));
    expect(lost).toEqual([]);
  });

  test("a share typed by hand follows the way, and is told; a measure stays", () => {
    const start = emptyPlan("oxymel", "us");
    const sharp = WAYS.find((w) => w.id === "oxymel-sharp")!;
    const said = (vinegar: string): Plan => ({
      ...start,
      steps: start.steps.map((s) =>
        s.do === "add" ? { ...s, what: s.what.map((l, i) => (i === 0 ? { ...l, amount: vinegar } : l)) } : s,
      ),
    });
    const [share, measure] = [said("1½ parts"), said("1½ cups")];
    expect(linesOf(madeBy(sharp, share))[0]!.amount).toBe("2 parts");
    expect(leftOut(share, madeBy(sharp, share)).lines.map((l) => l.amount)).toEqual(["1½ parts"]);
    expect(linesOf(madeBy(sharp, measure))[0]!.amount).toBe("1½ cups");
    expect(leftOut(measure, madeBy(sharp, measure)).lines).toEqual([]);
  });

  test("standing said in days, or as months, is standing still", () => {
    const start = emptyPlan("oxymel", "us");
    const sharp = WAYS.find((w) => w.id === "oxymel-sharp")!;
    for (const lasts of ["17 days", "a fortnight", "two months", "40 hours"]) {
      const said = {
        ...start,
        steps: start.steps.map((s) => (s.do === "steep" ? { ...s, for: lasts } : s)),
      };
      expect(madeBy(sharp, said).steps.flatMap((s) => (s.do === "steep" ? [s.for] : []))).toEqual([lasts]);
    }
  });

  test("what nobody typed follows the way, and nothing is called left out", () => {
    for (const from of WAYS)
      for (const to of WAYS) {
        const was = madeBy(from, emptyPlan(from.kind, "us"));
        const is = madeBy(to, was);
        expect([from.id, to.id, leftOut(was, is)]).toEqual([from.id, to.id, { lines: [], steps: [] }]);
        const clear = emptyPlan(to.kind, "us");
        const plain = madeBy(to, clear);
        const amounts = (p: Plan): string[] =>
          linesOf(p)
            .filter((l) => roleOf(l) !== "herb")
            .map((l) => l.amount);
        expect(amounts(is)).toEqual(amounts(plain));
      }
  });

  test("there and back again, the plan is as it was", () => {
    for (const from of WAYS)
      for (const to of WAYS.filter((w) => w.kind === from.kind && w.id !== from.id)) {
        const was = madeBy(from, emptyPlan(from.kind, "metric"));
        const back = madeBy(from, madeBy(to, was));
        expect(linesOf(back).map((l) => l.amount)).toEqual(linesOf(was).map((l) => l.amount));
      }
  });
});
