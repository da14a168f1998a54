import { describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { type Chance, chance } from "../../../tests/chance";
import { MATERIALS } from "../material/catalogue";
import type { Form } from "../material/classes";
import { formsOf } from "../material/material";
import { HAZARDS } from "../material/hurts/hazards";
import { PLANTS_THAT_HURT } from "../material/hurts/rows";
import type { Person } from "../people/person";
import { type Happened, NOTHING_HAPPENED } from "../plan/happened";
import { KIND, wayById } from "../plan/kinds";
import type { Plan } from "../plan/plan";
import { type TrialLine, line, made, trial } from "../plan/trial";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import type { Caution } from "./caution";
import { cautionsOf } from "./rules";

const TODAY = "2026-11-24";
/** Two thousand of each by hand, as `JOLLY_PLANS=2000`; a few hundred in every run. */
const PLANS = Number(process.env["JOLLY_PLANS"] ?? 500);

interface Judged {
  readonly reckoning: Reckoning;
  readonly cautions: readonly Caution[];
}
/** The judgement of a plan; nothing where it cannot be made at all (it does not fit, say). */
function judge(
  plan: Plan,
  meantFor: readonly Person[] = [],
  happened: Happened = NOTHING_HAPPENED,
): Judged | undefined {
  const program = resolve(plan, {}, happened);
  if (!program.ok) return undefined;
  const reckoning = reckonProgram(program.value);
  return {
    reckoning,
    cautions: cautionsOf({ program: program.value, reckoning, meantFor, others: [], today: TODAY }),
  };
}
const isStopped = (j: Judged): boolean =>
  j.cautions.some((c) => c.severity === "stop" || c.severity === "never");

const COMMON = readFileSync(join(__dirname, "../../../tests/common-herbs.txt"), "utf8").trim().split("\n");
const person = (more: Partial<Person>): Person => ({ name: "k", flags: [], allergies: [], ...more });
const grams = (c: Chance, low: number, high: number): string => `${c.from(low, high).toFixed(1)} g`;
const extra = (c: Chance): TrialLine[] =>
  c.next() < 0.5
    ? [line(c.pick(["thyme", "clove", "fennel-seed", "cinnamon-ceylon"]), grams(c, 1, 8), { form: "dried" })]
    : [];
const standing = (
  c: Chance,
  what: readonly TrialLine[],
  place?: "counter" | "dark-cupboard" | "sunny-sill",
): Plan =>
  made("oxymel-even", [], {
    steps: [
      { do: "add", what },
      {
        do: "steep",
        for: c.pick(["10 days", "2 weeks", "4 weeks", "6 weeks"]),
        ...(place ? { in: place } : {}),
      },
      { do: "strain", how: c.pick(["drained", "wrung", "pressed"]) },
      { do: "bottle" },
    ],
  });
const sweets = (c: Chance): TrialLine[] =>
  c.pick([
    [],
    [line("sugar", grams(c, 10, 250))],
    [line("maple-syrup", grams(c, 10, 150))],
    [line("treacle", grams(c, 5, 60))],
  ]);

/** Plans of one hazard, each seeded, and whether a judgement answers it. */
interface Hazard {
  readonly plan: (c: Chance) => Plan;
  readonly people?: readonly Person[];
  readonly happened?: (c: Chance, plan: Plan) => Happened;
  readonly answered: (j: Judged) => boolean;
}

const LOW_ACID = [
  "garlic",
  "onion",
  "red-onion",
  "leek",
  "shallot",
  "ginger",
  "horseradish",
  "turmeric",
  "galangal",
  "carrot",
  "beetroot",
  "celeriac",
  "radish",
  "marshmallow-root",
  "wild-garlic",
  "ramps",
  "elephant-garlic",
  "burdock-root",
];
const ALLERGIES: readonly (readonly [string, string])[] = [
  ["chamomile", "daisies"], ["calendula", "compositae"], ["yarrow", "ragweed"], ["lime-blossom", "linden"], ["holy-basil", "tulsi"], ["lovage", "celery"],
  ["dill", "celery"], ["willow-bark", "aspirin"], ["meadowsweet", "salicylates"], ["sumac", "cashew"], ["peppermint", "mint"], ["coriander-leaf", "cilantro"],
]; // prettier-ignore

const OUTRIGHT = PLANTS_THAT_HURT.filter(
  (h) => HAZARDS[h.hazard].severity === "never" && h.parts.length + h.sound.length === 0,
);

const DANGERS: Readonly<Record<string, Hazard>> = {
  "raw elder": {
    plan: (c) => {
      const form = c.pick(["fresh", "frozen", "dried", "powdered"] as const);
      const elder = line("elderberry", grams(c, 5, 250), { form });
      const way = c.pick([
        "oxymel-even",
        "oxymel-sweet",
        "oxymel-sharp",
        "vinegar-plain",
        "honey-dried",
        "tincture-jarful",
        "cider-after",
        "tincture-vinegar",
      ]);
      return made(way, [elder, ...extra(c)], { vessel: "m-2000" });
    },
    answered: isStopped,
  },
  "low-acid in honey": {
    plan: (c) =>
      standing(c, [
        line(c.pick(LOW_ACID), grams(c, 5, 400), { form: c.pick(["fresh", "frozen"] as const) }),
        ...extra(c),
        line(c.pick(["honey", "dry-honey", "heather-honey"]), grams(c, 200, 600)),
        ...sweets(c),
      ]),
    answered: (j) =>
      isStopped(j) && j.reckoning.verdict.cupboard === null && j.reckoning.verdict.fridge.days <= 30,
  },
  "thin syrup": {
    plan: (c) =>
      made("syrup-cupboard", [], {
        steps: [
          {
            do: "add",
            what: [
              line(c.pick(["horehound", "thyme", "elecampane", "hyssop"]), grams(c, 10, 60), {
                form: "dried",
              }),
              line("water", "800 mL"),
            ],
          },
          { do: "simmer", for: "30 min" },
          { do: "strain", how: "wrung" },
          { do: "add", what: [line("sugar", `to ${c.from(20, 65).toFixed(1)} Bx`)] },
          { do: "simmer", for: "3 min" },
          { do: "bottle", hot: true },
        ],
      }),
    answered: (j) => j.reckoning.verdict.cupboard === null,
  },
  "weak acid": {
    plan: (c) =>
      standing(c, [
        line(c.pick(["nettle", "thyme", "sage", "hyssop"]), grams(c, 20, 150), { form: "fresh" }),
        line("cider-vinegar", "300 mL", { strength: `${c.from(1, 5).toFixed(1)} %` }),
        line("water", `${c.from(500, 900).toFixed(0)} mL`),
      ]),
    answered: (j) => isStopped(j) && j.reckoning.verdict.cupboard === null,
  },
  "wet honey": {
    plan: (c) =>
      standing(c, [
        line(c.pick(["lime-blossom", "thyme", "rose-petal"]), grams(c, 5, 40), { form: "dried" }),
        line("honey", "500 mL", { water: Number(c.from(19, 28).toFixed(1)) }),
      ]),
    answered: (j) => isStopped(j) && j.reckoning.verdict.cupboard?.days !== 365,
  },
  "slow cooling": {
    plan: (c) => made("syrup-fridge", [line(c.pick(["horehound", "thyme", "marshmallow-root"]), grams(c, 10, 60), { form: "dried" })], {
      steps: [
        { do: "add", what: [line("horehound", grams(c, 10, 60), { form: "dried" }), line("water", "800 mL")] },
        { do: "simmer", for: "30 min" },
        { do: "strain", how: "wrung" },
      ],
    }),
    happened: (c) => ({ ...NOTHING_HAPPENED, cooling: [[0, 95], [20, 60], [20 + c.from(242, 900), 21], [1200, 4]] }),
    answered: (j) => j.reckoning.verdict.place === "do-not-keep",
  }, // prettier-ignore
  "poison by another name": {
    plan: (c) => {
      const never = c.pick(OUTRIGHT);
      const name = c.pick([...never.names, never.latin]);
      const row = {
        id: "own-x",
        names: [c.pick([name, `${name} leaf`, `dried ${name}`, name.toUpperCase()])],
        class: "leaf" as const,
        source: "own",
      };
      const way = c.pick(["oxymel-even", "tincture-jarful", "syrup-fridge", "honey-dried"]);
      return made(way, [line("own-x", grams(c, 1, 40), { form: "dried" }), ...extra(c)], {
        materials: [row],
      });
    },
    answered: (j) => j.cautions.some((x) => x.severity === "never"),
  },
  infant: {
    plan: (c) =>
      standing(c, [
        line(c.pick(COMMON), grams(c, 1, 20)),
        line("honey", grams(c, 1, 600)),
        line("cider-vinegar", grams(c, 1, 300)),
      ]),
    people: [person({ born: "2026-03" })],
    answered: (j) => j.cautions.some((x) => x.id === "honey-for-an-infant" && x.severity === "never"),
  },
};

describe("a hazard is stopped, whatever the amounts and whatever stands beside it", () => {
  test.each(Object.entries(DANGERS))("%s", (name, h) => {
    let tried = 0;
    const missed: string[] = [];
    for (let i = 0; tried < PLANS && i < PLANS * 3; i++) {
      const c = chance(i * 7919 + name.length);
      const plan = h.plan(c);
      const j = judge(plan, h.people, h.happened?.(c, plan));
      if (!j) continue;
      tried++;
      if (!h.answered(j)) missed.push(JSON.stringify(plan.steps).slice(0, 400));
    }
    expect(tried).toBe(PLANS);
    expect(missed.slice(0, 3)).toEqual([]);
  });
  test("allergy", () => {
    let tried = 0;
    const missed: string[] = [];
    for (let i = 0; tried < PLANS; i++) {
      const c = chance(i + 31);
      const [plant, to] = c.pick(ALLERGIES);
      const plan = made(c.pick(["oxymel-even", "vinegar-plain", "tincture-jarful"]), [
        line(plant, grams(c, 0.5, 60), { form: "dried" }),
        ...extra(c),
      ]);
      const j = judge(plan, [person({ allergies: [c.pick([to, to.toUpperCase(), `${to} (bad)`])] })]);
      if (!j) continue;
      tried++;
      if (!isStopped(j)) missed.push(`${plant} for ${to}`);
    }
    expect(missed.slice(0, 3)).toEqual([]);
  });
});

describe("ordinary plans", () => {
  /** Handling, infant honey and lids are said of everything and counted nowhere. */
  const STANDING = new Set(["metal-lid-on-vinegar", "honey-under-twelve-months", "heat-in-glass"]);
  const WAYS = Object.values(KIND)
    .flatMap((k) => k.ways.map((w) => w.id))
    .filter((id) => id !== "honey-sill");
  test("eighty herbs and more, all known", () => {
    expect(COMMON.length).toBeGreaterThanOrEqual(80);
    expect(COMMON.filter((id) => !MATERIALS.has(id))).toEqual([]);
  });
  test("of common herbs, bought, in every way: none is stopped, and few are cautioned", () => {
    const stopped: string[] = [];
    const cautioned = new Map<string, number>();
    let [tried, told] = [0, 0];
    for (let i = 0; tried < PLANS && i < PLANS * 4; i++) {
      const c = chance(i * 104_729 + 5);
      const way = wayById(c.pick(WAYS))!;
      const id = c.pick(COMMON);
      const m = MATERIALS.get(id)!;
      const forms = formsOf(m).filter((f) => f === "fresh" || f === "dried");
      // Fresh low-acid roots want vinegar or the stove, and a fresh herb its own way in honey: that is a hazard, tried above.
      const form: Form = way.kind === "honey" && way.id !== "honey-fresh" ? "dried" : c.pick(forms);
      if (formsOf(m).every((f) => f !== form)) continue;
      const wet = form === "fresh";
      const mild = new Set(["leaf", "flower", "peel"]);
      const lowAcid = m.kind === "plant" && !mild.has(m.row.class) && !m.row.tags?.includes("sour");
      if (wet && lowAcid && way.kind === "honey") continue;
      const plan = made(way.id, [line(id, grams(c, 3, wet ? 60 : 25), { form, gathered: false })]);
      const j = judge(trial(plan, {}));
      if (!j) continue;
      tried++;
      const stop = j.cautions.find((x) => x.severity === "stop" || x.severity === "never");
      if (stop) stopped.push(`${way.id} ${id} ${form}: ${stop.id}`);
      const grave = j.cautions.filter((x) => x.severity === "caution" && !STANDING.has(x.id));
      if (grave.length > 0) told++;
      for (const x of grave) cautioned.set(x.id, (cautioned.get(x.id) ?? 0) + 1);
    }
    expect(tried).toBe(PLANS);
    expect([...new Set(stopped)].slice(0, 10)).toEqual([]);
    expect([told / tried < 0.03, told / tried < 0.03 ? {} : Object.fromEntries(cautioned)]).toEqual([
      true,
      {},
    ]);
  });
});
