import type { CameFrom } from "../src/core/formulary/events";
import { readPasted } from "../src/core/exchange/pasted/pasted";
import { linesOf, withAmount, withStep } from "../src/core/plan/edit";
import type { Plan, Step } from "../src/core/plan/plan";

/** A later version: the day it was written, what was changed, and why. */
type Change = readonly [day: string, why: string, change: (p: Plan) => Plan];

/** A recipe of the book: the batch whose plan it is, or its own words; how it began, and how it grew. */
export interface DemoRecipe {
  readonly key: string;
  readonly day: string;
  /** The story whose plan it begins with, changed to what it first was. */
  readonly of: string | { readonly text: string };
  readonly first?: (p: Plan) => Plan;
  readonly note?: string;
  readonly from?: CameFrom;
  readonly then?: readonly Change[];
}

const amounts =
  (by: Readonly<Record<string, string>>) =>
  (p: Plan): Plan =>
    linesOf(p).reduce((q, l) => (by[l.material] ? withAmount(q, l.id, by[l.material]!) : q), p);
const steeped =
  (text: string) =>
  (p: Plan): Plan => {
    const steep = p.steps.find((s) => s.do === "steep");
    return steep ? withStep(p, steep.id, (s): Step => (s.do === "steep" ? { ...s, for: text } : s)) : p;
  };
const stands =
  (where: "fridge" | "dark-cupboard") =>
  (p: Plan): Plan => {
    const steep = p.steps.find((s) => s.do === "steep");
    return steep ? withStep(p, steep.id, (s): Step => (s.do === "steep" ? { ...s, in: where } : s)) : p;
  };
const inVessel =
  (vessel: string) =>
  (p: Plan): Plan => ({ ...p, vessel });
const all =
  (...fs: readonly ((p: Plan) => Plan)[]) =>
  (p: Plan): Plan =>
    fs.reduce((q, f) => f(q), p);

/** What the keeper pasted in, as it was told on the quay. */
const WINTER_DAMSON = `Winter damson, from the lock above
a good pound of damsons, stones out
2 tbsp dried horehound
cover with water and half an hour
honey, same as the juice, hand-warm
Strain it through a cloth before the honey.
and a word to the heron`;
const BOATMANS = `Boatman’s mustard vinegar
2 tbsp mustard seed
150 g fresh horseradish, grated
500 ml white wine vinegar
Put it all in a jar and leave for three weeks in the dark, shaking every few days. Strain and bottle.`;

export const RECIPES: readonly DemoRecipe[] = [
  {
    key: "hyssop",
    day: "2025-09-28",
    of: "OX-26-02",
    first: all(
      inVessel("m-720-screw"),
      steeped("4 weeks"),
      stands("fridge"),
      amounts({ hyssop: "1 cup", "fennel-seed": "2 tbsp", "heather-honey": "3 parts" }),
    ),
    note: "For the towpath in winter, a spoon in hot water.",
    from: { as: "told", by: "a passing boat" },
    then: [
      [
        "2026-01-11",
        "All honey, and the hyssop hid behind it.",
        amounts({ hyssop: "1¼ cups", "fennel-seed": "3 tbsp", "heather-honey": "2 parts" }),
      ],
      [
        "2026-10-18",
        "Two to one was still sweet. A bigger jar, and longer.",
        all(
          inVessel("m-1000"),
          steeped("6 weeks"),
          stands("dark-cupboard"),
          amounts({ hyssop: "1½ cups", "heather-honey": "1 part" }),
        ),
      ],
    ],
  },
  { key: "blackberry", day: "2026-04-11", of: "OX-26-01", from: { as: "told", by: "the boatwright’s aunt" } },
  { key: "nettle", day: "2026-05-02", of: "VI-26-01", note: "Tops only, before they flower." },
  { key: "lime", day: "2026-07-04", of: "HO-26-01" },
  {
    key: "beetroot",
    day: "2026-08-08",
    of: "FC-26-01",
    then: [
      [
        "2026-09-06",
        "The beetroot stood above the vinegar and it had to go. A weight, and less of it.",
        (p) => ({ ...amounts({ beetroot: "200 g" })(p), weighted: true }),
      ],
    ],
  },
  {
    key: "horehound",
    day: "2026-10-31",
    of: "SY-26-01",
    first: amounts({ caraway: "½ tbsp" }),
    then: [["2026-11-07", "The caraway could not be tasted.", amounts({ caraway: "1 tbsp" })]],
  },
  { key: "hawthorn", day: "2026-10-20", of: "TI-26-01" },
  { key: "lovage", day: "2026-10-15", of: "FC-26-02" },
  { key: "damson-honey", day: "2026-11-14", of: "HO-26-02" },
  { key: "blackcurrant", day: "2026-10-24", of: "VI-26-02" },
  { key: "meadowsweet", day: "2026-11-23", of: "OX-26-03" },
  {
    key: "winter-damson",
    day: "2026-11-15",
    of: { text: WINTER_DAMSON },
    from: { as: "pasted", text: WINTER_DAMSON },
  },
  { key: "mustard", day: "2026-11-16", of: { text: BOATMANS }, from: { as: "pasted", text: BOATMANS } },
];

/** The plans of a recipe’s versions, oldest first, with the day and the why of each. */
export function versionsOf(
  r: DemoRecipe,
  planOfStory: (code: string) => Plan,
): readonly { readonly day: string; readonly why: string | undefined; readonly plan: Plan }[] {
  let plan: Plan;
  if (typeof r.of === "string") plan = planOfStory(r.of);
  else {
    const read = readPasted(r.of.text, { system: "us" });
    if (!read.plan || read.counts.asked > 0) throw new Error(`${r.key}: ${JSON.stringify(read.rows)}`);
    plan = read.plan;
  }
  plan = (r.first ?? ((p) => p))(plan);
  const out = [{ day: r.day, why: undefined as string | undefined, plan }];
  for (const [day, why, change] of r.then ?? []) {
    plan = change(plan);
    out.push({ day, why, plan });
  }
  return out;
}
