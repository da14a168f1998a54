/** Recipes told in prose, and recipes kept aside: what is told is read, and nothing is lost or invented. */
import { describe, expect, test } from "@jest/globals";
import { DEMO_PLANS, PLANS_OF_WAYS } from "../../../../tests/demo-plans";
import { recipesIn, scoreOf } from "../../../../tests/phrases/score-recipes";
import { VOICES, isOfLiquid, told } from "../../../../tests/phrases/voices";
import { MATERIALS } from "../../material/catalogue";
import { linesOf } from "../../plan/edit";
import type { Plan } from "../../plan/plan";
import { readAmount } from "../../reading/amounts";
import { readDuration } from "../../reading/durations";
import { printAmount } from "../../reading/print";
import type { PastedPart } from "./parts";
import { readPasted } from "./pasted";

const PLANS = [...DEMO_PLANS, ...PLANS_OF_WAYS];
const said = (text: string, { units }: Plan): string => {
  const a = readAmount(text, units);
  if (!a.ok) return `? ${text}`;
  return a.value.kind === "cover" ? "cover" : printAmount(a.value, units);
};
const linesSaid = (p: Plan, of: Plan = p): string[] =>
  linesOf(p)
    .filter((l) => !isOfLiquid(l, of))
    .map((l) => `${said(l.amount, of)} ${l.material}`)
    .sort();
const waits = (p: Plan): number[] =>
  p.steps.flatMap((s) => {
    const d = "for" in s ? readDuration(s.for) : undefined;
    return d?.ok ? [d.value.days.value] : [];
  });

describe.each(VOICES)("%s, a plan is read as what it was", (voice) => {
  test.each(PLANS.map((p) => [`${p.name}, ${p.way ?? ""}`, p] as const))("%s", (_, plan) => {
    const text = told(plan, voice);
    const read = readPasted(text, { system: plan.units, kind: plan.kind });
    expect(read.plan).toBeDefined();
    const shares = linesOf(plan)
      .filter((l) => isOfLiquid(l, plan))
      .map((l) => l.material);
    const lines = linesSaid(read.plan!, plan).filter((l) => !shares.some((m) => l.endsWith(` ${m}`)));
    const wanted = linesSaid(plan).filter((l) => !shares.some((m) => l.endsWith(` ${m}`)));
    expect([text, lines]).toEqual([text, wanted]);
    expect(waits(read.plan!)).toEqual(waits(plan));
  });
});

const ASIDE = ["blind/recipes-a.txt", "blind/recipes-b.txt"].flatMap(recipesIn);
describe("recipes kept aside", () => {
  const all = ASIDE.map((c) => ({ ...scoreOf(c), title: c.title, wants: c.wants }));
  const share = (re: RegExp): number => {
    const wants = all.flatMap((s) => s.wants.filter((w) => re.test(w)));
    const missed = all.flatMap((s) => s.missed.filter((w) => re.test(w)));
    expect(wants.length).toBeGreaterThan(60);
    return 1 - missed.length / wants.length;
  };
  test("there are forty", () => expect(ASIDE).toHaveLength(40));
  test("95 of a hundred lines are right", () => expect(share(/^(?:line|ask)/)).toBeGreaterThanOrEqual(0.95));
  test("so are nine kinds and times of ten", () =>
    expect(share(/^(?:kind|step)/)).toBeGreaterThanOrEqual(0.9));
  test("nothing is invented", () =>
    // Of two recipes in one text the first is laid out until it is said which.
    expect(all.filter((s) => s.more.length > 0 && !s.title.startsWith("two recipes"))).toEqual([]));
});

/** Parts that show the words they stand on, in the plan, in a question, or as what they are. */
const SHOWS: ReadonlySet<PastedPart["is"]> = new Set<PastedPart["is"]>([
  "name", "heading", "fact", "line", "again", "taken", "claim", "own", "ask", "unknown", "wrong", "left", "note", "struck",
]); // prettier-ignore
const NAMES = [...MATERIALS.values()]
  .map((m) => m.row.names[0]!)
  .filter((n) => /^[a-z]{5,}$/.test(n) && !["water", "clove"].includes(n));

describe("nothing of a text is lost", () => {
  const texts = [...ASIDE, ...recipesIn("../../src/core/exchange/pasted/texts.txt")];
  test("every name and every weighed amount stands in a part that shows it, or in the plan", () => {
    let looked = 0;
    const lost = texts.flatMap(({ title, text }) => {
      const p = readPasted(text, { system: "us" });
      const inPlan = new Set((p.plan ? linesOf(p.plan) : []).map((l) => l.material));
      return p.rows.flatMap((row) => {
        const shown = (at: number): boolean =>
          row.parts.some((x) => SHOWS.has(x.is) && x.from <= row.from + at && x.to > row.from + at);
        const names = NAMES.flatMap((n) =>
          [...row.text.toLowerCase().matchAll(new RegExp(`\\b${n}s?\\b`, "g"))].map(
            (m) => [n, m.index] as const,
          ),
        );
        looked += names.length;
        return names
          .filter(
            ([n, at]) =>
              !shown(at) && !inPlan.has([...MATERIALS.values()].find((m) => m.row.names[0] === n)!.row.id),
          )
          .map(([n]) => `${title}: ${n} in “${row.text.slice(0, 60)}”`);
      });
    });
    expect(looked).toBeGreaterThan(200);
    expect(lost).toEqual([]);
  });
});

describe("answers", () => {
  const text = "Hedge honey\n1 cup elderberries\n2 cups honey\nsteep 3 weeks, strain";
  const read = (answers: Parameters<typeof readPasted>[1]["answers"]) =>
    readPasted(text, { system: "us", answers });
  test("a question is answered by its place, and the text is not touched", () => {
    const first = read({});
    expect(first.counts.asked).toBe(1);
    const done = read({ "1 cup elderberries": { path: [1] } });
    expect(done.counts.asked).toBe(0);
    expect(linesOf(done.plan!).find((l) => l.material === "elderberry")).toMatchObject({
      form: "dried",
      amount: "1 cup",
    });
  });
  test("what is struck out stays out, and is shown struck", () => {
    const done = read({ "1 cup elderberries": { out: true } });
    expect(linesOf(done.plan!).map((l) => l.material)).toEqual(["honey"]);
    expect(done.rows.flatMap((r) => r.parts).some((p) => p.is === "struck")).toBe(true);
  });
  test("how much, where nobody said it, is asked and never a third of the jar", () => {
    const bare = "Rose honey\nFresh rose petals\n2 cups honey\nsteep two weeks, strain";
    const asked = readPasted(bare, { system: "us" });
    expect(linesOf(asked.plan!).map((l) => l.material)).toEqual(["honey"]);
    const done = readPasted(bare, { system: "us", answers: { "Fresh rose petals": { path: [0] } } });
    expect(linesOf(done.plan!).find((l) => l.material === "rose-petal")?.amount).toBe("½ jar");
  });
  test("a letter with no recipe in it is no plan; another language is said", () => {
    expect(
      readPasted("Dear Hazel,\nThe canal froze on the 14th. With love.", { system: "us" }).plan,
    ).toBeUndefined();
    const french =
      "Sirop de thym\n30 g de thym\n500 ml d'eau\nFaire bouillir l'eau, ajouter le thym, laisser infuser.";
    expect(JSON.stringify(readPasted(french, { system: "us" }).rows)).toContain("French");
  });
});
