/** What the verdict asks of a lid is said, offered and warned of by everyone who speaks of lids; and nobody speaks of a vinegar that is not there. */
import { describe, expect, test } from "@jest/globals";
import { DEMO_PLANS, PLANS_OF_WAYS } from "../../../tests/demo-plans";
import { careOf } from "../care/care";
import { bottlesFor, bottlesWanted } from "../cellar/fill";
import { closingOf, isClamped } from "../keeping/closing";
import { made, line, trial } from "../plan/trial";
import type { Plan } from "../plan/plan";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { VESSELS } from "../vessel/catalogue";
import { cautionsOf } from "./rules";

const HERBS = [
  line("garlic", "1 cup", { form: "fresh" }),
  line("ginger", "½ cup", { form: "fresh" }),
  line("elderberry", "1 cup", { form: "fresh" }),
  line("lemon", "2", { form: "fresh" }),
  line("thyme", "1 cup", { form: "dried" }),
  line("onion", "1 cup", { form: "fresh" }),
];
const LIDS = ["metal", "coated-metal", "plastic", "glass"] as const;

/** Every way, on each of these herbs, under each lid; and the demo's. */
const PLANS: readonly Plan[] = [
  ...DEMO_PLANS,
  ...PLANS_OF_WAYS.flatMap((p) => HERBS.flatMap((h) => LIDS.map((lid) => trial(made(p.way!, [h]), { lid })))),
];
const REACHED = PLANS.flatMap((plan) => {
  const program = resolve(plan);
  if (!program.ok) return [];
  const r = reckonProgram(program.value);
  const cautions = cautionsOf({
    program: program.value,
    reckoning: r,
    meantFor: [],
    others: [],
    today: "2026-11-24",
  });
  return [{ plan, program: program.value, r, cautions }];
});
const LOOSE = REACHED.filter((x) => x.r.verdict.vented);
const EMPTIES = [...VESSELS.values()].map((v) => ({ vessel: v.id, count: 3 }));

describe("what is to be kept with a loose lid", () => {
  test("is among what is tried, often", () => {
    expect(REACHED.length).toBeGreaterThan(400);
    expect(LOOSE.length).toBeGreaterThan(20);
  });
  test("is offered nothing that clamps, from the household's own or of the usual", () => {
    const offered = LOOSE.flatMap(({ plan, r }) =>
      [EMPTIES, EMPTIES.filter((e) => isClamped(VESSELS.get(e.vessel)!)), []].flatMap((has) =>
        (["us", "metric"] as const).flatMap((market) => [
          ...bottlesFor(plan.kind, has, market, closingOf(r.verdict)).map((b) => b.vessel),
          ...bottlesWanted(plan.kind, r.finished.ml.value, has, market, closingOf(r.verdict)).fills.map(
            (f) => f.vessel,
          ),
        ]),
      ),
    );
    expect(offered.length).toBeGreaterThan(100);
    expect(offered.filter(isClamped).map((v) => v.id)).toEqual([]);
  });
  test("has its lid spoken of where it is bottled, and its gas is no surprise to the signs", () => {
    for (const { cautions, plan } of LOOSE) {
      const at = (id: string) => cautions.find((c) => c.id === id)!;
      expect([plan.name, at("lid-loose")?.todo]).toEqual([plan.name, expect.stringMatching(/loose/)]);
      expect(at("discard-signs").says).toMatch(/[Bb]ubbles may come/);
    }
  });
  test("what may be shut tight is told nothing of it", () => {
    const shut = REACHED.filter((x) => !x.r.verdict.vented && x.r.verdict.place !== "do-not-keep");
    expect(shut.length).toBeGreaterThan(100);
    for (const { cautions } of shut) {
      expect(cautions.some((c) => c.id === "lid-loose")).toBe(false);
      expect(cautions.find((c) => c.id === "discard-signs")!.says).toMatch(/gas where none belongs/);
    }
  });
});

test("vinegar is named only where vinegar was poured", () => {
  const said = REACHED.filter((x) => !x.program.lines.some((l) => l.stuff.class === "vinegar")).flatMap(
    ({ cautions }) => cautions.filter((c) => c.about.what === "vessel").map((c) => c.says),
  );
  expect(said.length).toBeGreaterThan(10);
  expect([...new Set(said.filter((s) => /vinegar/i.test(s)))]).toEqual([]);
});

test("what was poured by weight is not topped up to a mark it never had", () => {
  const whys = REACHED.filter((x) => x.program.lines.some((l) => l.amount.kind === "ratio")).flatMap(
    ({ program, r }) => careOf(program, r.fit, r.working).rules.map((t) => `${t.sort}: ${t.why}`),
  );
  expect(whys.length).toBeGreaterThan(5);
  expect(whys.filter((w) => /^top-up|the mark/.test(w))).toEqual([]);
});
