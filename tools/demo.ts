/** Writes demo/lock-cottage.jsonl, the demo household's journal in the open format. Run by hand after the scenario changes: `node --import tsx tools/demo.ts`. */
import { createHash } from "node:crypto";
import { writeFileSync } from "node:fs";
import { BOTTLE_ENTRIES, type BottleEventType, readBottleBody } from "../src/core/cellar/bottle";
import { addDays, dayAt, instantOf } from "../src/core/day";
import { type Body, type EventType, type JournalEvent, ENTRIES, readBody } from "../src/core/journal/events";
import { type Batch, fold } from "../src/core/journal/fold";
import { freeze } from "../src/core/journal/freeze";
import { reckonBatch } from "../src/core/journal/reckon";
import { issue } from "../src/core/label/label";
import type { Line, Plan } from "../src/core/plan/plan";
import { resolve } from "../src/core/reckoning/resolve";
import { withIds } from "../src/core/plan/ids";
import { wayById } from "../src/core/plan/kinds";
import type { TrialLine } from "../src/core/plan/trial";
import { PLAIN_BENCH, emptyPlan, madeBy } from "../src/core/plan/ways";
import { readRecipeBody } from "../src/core/formulary/events";
import { type Drawn, drawPictures } from "./demo-pictures";
import { RECIPES, versionsOf } from "./demo-recipes";
import { seasonLines } from "./demo-season";
import { readStoreBody } from "../src/core/stores/events";
import type { Lot, StoreItem } from "../src/core/stores/item";
import { gramsOf } from "../src/core/stores/stores";
import { JOURNAL_VERSION } from "../src/store/exchange";
import { usualHousehold } from "../src/store/household";
import { VESSELS } from "../src/core/vessel/catalogue";
import { vesselWords } from "../src/core/vessel/vessel";

const ZONE = "Europe/London";
const uuid = (name: string): string => {
  const h = createHash("sha256").update(`lock-cottage ${name}`).digest("hex");
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
};
type Happening = readonly [day: string, time: string, type: EventType, body: unknown];
/** What became of a bottle, by its place in the list of those that were filled. */
type BottleHappening = readonly [bottle: number, day: string, type: BottleEventType, body: unknown];
interface Story {
  readonly code: string;
  readonly name: string;
  readonly way: string;
  readonly vessel: string;
  readonly herbs: readonly TrialLine[];
  /** Changes to what the way pours: by material. */
  readonly pour?: Readonly<Record<string, Partial<Line>>>;
  readonly change?: (p: Plan) => Plan;
  readonly begun: readonly [day: string, time: string];
  readonly reasons?: Record<string, string>;
  /** The recipe of the book it was begun from, and its version, whose plan it is where that differs from the story’s. */
  readonly recipe?: readonly [key: string, version: number];
  readonly then: readonly Happening[];
  readonly bottles?: readonly [
    day: string,
    time: string,
    readonly (readonly [vessel: string, ml: number, place: "cupboard" | "fridge" | "freezer"])[],
  ];
  readonly used?: readonly BottleHappening[];
}

const herb = (material: string, amount: string, more: Partial<Line> = {}): TrialLine => ({
  material,
  amount,
  ...more,
});
const dried = { form: "dried" as const };
const fresh = { form: "fresh" as const };
const shaken = (...days: string[]): Happening[] =>
  days.map((d) => [d, "08:10", "touched", { what: "shake" }]);

/** Spoons poured from a bottle: so many a week from a Monday on, some weeks more than others. */
function spoons(bottle: number, monday: string, aWeek: readonly number[], ml: number): BottleHappening[] {
  const said = ml === 15 ? "1 tbsp" : `${ml / 5} tsp`;
  return aWeek
    .flatMap((times, week) =>
      Array.from({ length: times }, (_, i): BottleHappening => {
        const body = { ml, said, for: i % 2 === 0 ? "the keeper" : "the boatwright" };
        return [bottle, addDays(monday, week * 7 + ((i * 3 + week) % 7)), "poured", body];
      }),
    )
    .sort((a, b) => (a[1] < b[1] ? -1 : 1));
}

/** What a thermometer showed of a pan that cools, every six minutes from a time on. */
function cooling(day: string, from: string, celsius: readonly number[]): Happening[] {
  const [h, m] = from.split(":").map(Number) as [number, number];
  return celsius.map((value, i): Happening => {
    const minute = h * 60 + m + 6 * i;
    const time = `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;
    return [day, time, "read", { what: "temperature", value, by: "probe", sd: 0.4 }];
  });
}

const OXYMEL_LOOK = { liquid: "#a9702a", herb: "#6d6a35" } as const;
const pictures: Drawn[] = [];
/** A photograph that was taken of a batch, and how it looked. */
function picture(
  code: string,
  day: string,
  time: string,
  words: string,
  look: Omit<Drawn, "batch" | "id">,
): Happening {
  const id = uuid(`${code} picture ${day}`);
  pictures.push({ batch: uuid(code), id, ...look });
  return [day, time, "pictured", { picture: id, words }];
}

const STORIES: readonly Story[] = [
  {
    code: "OX-25-01",
    name: "Hyssop & fennel oxymel",
    way: "oxymel-even",
    vessel: "m-720-screw",
    herbs: [],
    recipe: ["hyssop", 1],
    begun: ["2025-10-04", "15:10"],
    then: [
      ...shaken("2025-10-06", "2025-10-10", "2025-10-19"),
      ["2025-11-01", "11:00", "strained", { measured: "540 mL", how: "wrung" }],
      ["2025-11-01", "11:20", "finished", { lines: [] }],
      ["2025-11-01", "11:30", "tasted", { sweet: 4, sharp: 1, herb: 1, words: "all honey" }],
    ],
    bottles: ["2025-11-01", "11:40", [["b-500-swing", 500, "fridge"]]],
    used: [...spoons(0, "2025-11-03", [5, 6, 4, 6, 5, 6], 15), [0, "2026-01-05", "emptied", {}]],
  },
  {
    code: "OX-25-02",
    name: "Hyssop & fennel oxymel",
    way: "oxymel-even",
    vessel: "m-720-screw",
    herbs: [],
    recipe: ["hyssop", 2],
    begun: ["2025-12-14", "16:30"],
    then: [
      ...shaken("2025-12-17", "2025-12-29", "2026-01-04"),
      ["2026-01-13", "17:15", "strained", { measured: "565 mL", how: "wrung" }],
      ["2026-01-13", "17:30", "finished", { lines: [] }],
      [
        "2026-01-13",
        "17:40",
        "tasted",
        { sweet: 3, sharp: 2, herb: 2, words: "Two to one was all honey; the hyssop hid behind it." },
      ],
    ],
    bottles: ["2026-01-13", "17:50", [["b-500-swing", 500, "fridge"]]],
    used: [[0, "2026-03-22", "emptied", {}]],
  },
  {
    code: "OX-26-01",
    name: "Blackberry-leaf oxymel",
    way: "oxymel-sharp",
    vessel: "m-720-screw",
    herbs: [herb("blackberry-leaf", "2 cups", dried), herb("fennel-seed", "1 tbsp", dried)],
    pour: { "cider-vinegar": { strength: "5 %" } },
    begun: ["2026-04-11", "17:40"],
    then: [
      ...shaken("2026-04-13", "2026-04-16", "2026-04-21"),
      ["2026-05-09", "16:00", "strained", { measured: "520 mL", how: "wrung" }],
      ["2026-05-09", "16:30", "finished", { lines: [] }],
    ],
    bottles: [
      "2026-05-09",
      "17:00",
      [
        ["b-250-swing", 250, "cupboard"],
        ["b-250-swing", 250, "fridge"],
      ],
    ],
  },
  {
    code: "VI-26-01",
    name: "Nettle vinegar",
    way: "vinegar-plain",
    vessel: "m-1000",
    herbs: [herb("nettle", "1/2 jar", fresh)],
    pour: { "cider-vinegar": { strength: "6 %" } },
    begun: ["2026-05-02", "10:20"],
    then: [
      [
        "2026-05-03",
        "09:00",
        "topped-up",
        { line: { id: "in", material: "cider-vinegar", amount: "40 mL", strength: "6 %" } },
      ],
      ...shaken("2026-05-04", "2026-05-07"),
      ["2026-05-30", "11:00", "strained", { measured: "840 mL", how: "wrung" }],
      ["2026-05-30", "11:05", "finished", { lines: [] }],
    ],
    bottles: [
      "2026-05-30",
      "11:30",
      [
        ["b-500-swing", 520, "cupboard"],
        ["b-330-swing", 320, "cupboard"],
      ],
    ],
    used: [...spoons(0, "2026-06-22", [3, 4, 3, 5, 4, 3, 5, 4, 3], 15), [0, "2026-08-24", "emptied", {}]],
  },
  {
    code: "HO-26-01",
    name: "Lime-blossom honey",
    way: "honey-dried",
    vessel: "m-500",
    herbs: [herb("lime-blossom", "1 cup", dried)],
    pour: { honey: { material: "heather-honey", water: 16.8 } },
    begun: ["2026-07-04", "20:00"],
    then: [
      ["2026-07-10", "08:00", "touched", { what: "turn" }],
      ["2026-08-01", "10:00", "strained", { measured: "390 mL", how: "drained" }],
      [
        "2026-08-01",
        "10:10",
        "noted",
        { text: "Slow through the cloth; stood the jar in warm water. Tastes of hay and lime." },
      ],
      ["2026-08-01", "10:20", "finished", { lines: [] }],
    ],
    bottles: [
      "2026-08-01",
      "10:40",
      [
        ["us-half-pint", 215, "cupboard"],
        ["us-quarter-pint", 110, "cupboard"],
      ],
    ],
    used: [
      [1, "2026-08-20", "given", { to: "a passing boat" }],
      ...spoons(0, "2026-09-07", [2, 2, 1, 2, 3, 2, 1, 2, 3, 2, 1], 5),
      [0, "2026-11-15", "inspected", { signs: ["layers"], outcome: "fine" }],
    ],
  },
  {
    code: "FC-26-01",
    name: "Beetroot fire cider",
    way: "cider-after",
    vessel: "m-1500",
    herbs: [
      herb("beetroot", "300 g", { ...fresh, cut: "sliced" }),
      herb("horseradish", "10 cm", { ...fresh, cut: "grated" }),
      herb("onion", "1 bulb", fresh),
      herb("mustard-seed", "2 tbsp", dried),
    ],
    pour: { "cider-vinegar": { strength: "5 %" } },
    begun: ["2026-08-08", "15:00"],
    then: [
      ...shaken("2026-08-10"),
      [
        "2026-08-19",
        "08:30",
        "noted",
        { text: "Away on the boat nine days. Beet slices stand clear of the vinegar, white fur on two." },
      ],
      [
        "2026-08-19",
        "08:40",
        "discarded",
        { why: "Herb stood above the liquid and moulded. All of it to the far compost, jar scalded." },
      ],
    ],
  },
  {
    code: "SY-26-01",
    name: "Horehound syrup",
    way: "syrup-fridge",
    vessel: "p-3000",
    herbs: [herb("horehound", "2 cups", dried), herb("caraway", "1 tbsp", dried)],
    change: (p) => ({ ...p, taken: "A teaspoon as wanted, in hot water or off the spoon." }),
    begun: ["2026-11-07", "13:00"],
    then: [
      ["2026-11-07", "14:30", "strained", { measured: "640 mL", how: "wrung" }],
      [
        "2026-11-07",
        "14:40",
        "corrected",
        { seq: 2, body: { measured: "460 mL", how: "wrung" }, why: "Read the wrong side of the jug." },
      ],
      ["2026-11-07", "14:41", "probed", { instrument: "probe-1", did: "in" }],
      ["2026-11-07", "14:41", "stood", { as: "open" }],
      ...cooling(
        "2026-11-07",
        "14:42",
        [88, 79.2, 72.4, 66.6, 61.9, 58, 54.8, 52.1, 49.6, 47.4, 45.5, 43.8, 42.4],
      ),
      ["2026-11-07", "15:55", "probed", { instrument: "probe-1", did: "out" }],
      ["2026-11-07", "16:05", "finished", { lines: [{ id: "in", material: "honey", amount: "460 mL" }] }],
    ],
    bottles: [
      "2026-11-07",
      "16:30",
      [
        ["b-500-swing", 500, "fridge"],
        ["b-330-swing", 310, "freezer"],
      ],
    ],
    used: spoons(0, "2026-11-08", [7], 5),
  },
  {
    code: "TI-26-01",
    name: "Hawthorn tincture",
    way: "tincture-jarful",
    vessel: "m-500",
    herbs: [herb("hawthorn-berry", "1/2 jar", { ...dried, cut: "crushed" })],
    pour: { "vodka-40": { material: "spirit-50", strength: "50 %" } },
    begun: ["2026-10-20", "19:00"],
    then: [...shaken("2026-10-22", "2026-10-26", "2026-11-02", "2026-11-23")],
  },
  {
    code: "OX-26-02",
    name: "Hyssop & fennel oxymel",
    way: "oxymel-even",
    vessel: "m-1000",
    herbs: [herb("hyssop", "1½ cups", dried), herb("fennel-seed", "3 tbsp", { ...dried, cut: "crushed" })],
    pour: { "cider-vinegar": { strength: "5.2 %" }, honey: { material: "heather-honey", water: 16.8 } },
    change: (p) => ({
      ...p,
      meantFor: ["the keeper", "the boatwright"],
      taken: "A spoonful in the morning, in the cold months.",
    }),
    begun: ["2026-10-18", "11:00"],
    then: [
      picture("OX-26-02", "2026-10-18", "11:30", "poured, the honey still below", {
        ...OXYMEL_LOOK,
        drawn: 0.05,
      }),
      ["2026-10-19", "08:00", "touched", { what: "top-up" }],
      ...shaken("2026-10-20", "2026-10-25"),
      picture("OX-26-02", "2026-10-29", "08:30", "the herb sinks", { ...OXYMEL_LOOK, drawn: 0.4 }),
      ...shaken("2026-11-01", "2026-11-12"),
      picture("OX-26-02", "2026-11-20", "08:30", "dark as tea", { ...OXYMEL_LOOK, drawn: 0.9 }),
      [
        "2026-11-22",
        "18:30",
        "tasted",
        { sweet: 2, sharp: 3, herb: 2, words: "rounder than last week, the fennel comes late", ready: false },
      ],
      ...shaken("2026-11-23"),
    ],
  },
  {
    code: "FC-26-02",
    name: "Lovage & horseradish fire cider",
    way: "cider-after",
    vessel: "m-1500",
    herbs: [
      herb("horseradish", "12 cm", { ...fresh, cut: "grated" }),
      herb("lovage", "2 handfuls", fresh),
      herb("red-onion", "1 bulb", fresh),
      herb("chilli", "1–2 peppers", fresh),
      herb("lemon-peel", "2 tbsp", { ...fresh, cut: "grated" }),
      herb("juniper", "1 tbsp", dried),
    ],
    pour: { "cider-vinegar": { strength: "6 %" } },
    begun: ["2026-10-15", "16:20"],
    then: [
      [
        "2026-10-16",
        "08:00",
        "topped-up",
        { line: { id: "in", material: "cider-vinegar", amount: "60 mL", strength: "6 %" } },
      ],
      ...shaken("2026-10-18", "2026-10-24", "2026-11-03"),
      picture("FC-26-02", "2026-11-07", "12:00", "all of it under", {
        liquid: "#c9a04a",
        herb: "#7d8f4e",
        drawn: 0.7,
      }),
      ["2026-11-08", "12:15", "tasted", { sharp: 4, hot: 3, bitter: 1, herb: 2, ready: true }],
    ],
  },
  {
    code: "HO-26-02",
    name: "Damson honey",
    way: "honey-fresh",
    vessel: "m-750",
    herbs: [herb("damson", "250 g", { form: "frozen", cut: "sliced" })],
    pour: { honey: { material: "heather-honey", water: 16.8 } },
    begun: ["2026-11-14", "18:00"],
    then: [
      ["2026-11-15", "08:00", "touched", { what: "let-out" }],
      ["2026-11-21", "08:00", "touched", { what: "let-out" }],
      ["2026-11-21", "08:01", "touched", { what: "push-under" }],
      ["2026-11-23", "08:00", "touched", { what: "turn" }],
    ],
  },
  {
    code: "VI-26-02",
    name: "Blackcurrant vinegar",
    way: "vinegar-spoon",
    vessel: "m-720-screw",
    herbs: [herb("blackcurrant", "200 g", { form: "frozen", cut: "crushed" })],
    pour: { "cider-vinegar": { material: "white-wine-vinegar", strength: "6 %" } },
    begun: ["2026-10-24", "14:00"],
    then: [
      ...shaken("2026-10-27", "2026-11-06"),
      ["2026-11-23", "17:30", "strained", { measured: "560 mL", how: "wrung" }],
    ],
  },
  {
    code: "OX-26-03",
    name: "Meadowsweet & lime-blossom oxymel",
    way: "oxymel-thirds",
    vessel: "us-pint",
    herbs: [herb("meadowsweet", "1/3 jar", dried), herb("lime-blossom", "1/4 cup", dried)],
    pour: { "cider-vinegar": { strength: "6 %" } },
    begun: ["2026-11-23", "19:30"],
    then: [],
  },
];

/** What stands in the stores: the day it was kept, and the thing. Weights of lots are reckoned from what is typed. */
const lotKept = (
  got: string,
  material: string,
  amount: string,
  price: number | undefined,
  more: Partial<Omit<Lot, "what">> = {},
): readonly [string, Omit<Lot, "grams">] => [
  got,
  { what: "lot", material, amount, got, ...(price === undefined ? {} : { price }), ...more },
];
const STORES: readonly (readonly [day: string, item: StoreItem | Omit<Lot, "grams">])[] = [
  ["2026-03-28", { what: "person", name: "the keeper", flags: [], allergies: [] }],
  [
    "2026-03-28",
    { what: "person", name: "the boatwright", flags: ["blood-pressure"], allergies: ["ragweed"] },
  ],
  ["2026-03-28", { what: "person", name: "the schoolchild", born: "2017-05", flags: [], allergies: [] }],
  ["2026-04-02", { what: "person", name: "the baby", born: "2026-03", flags: [], allergies: [] }],
  ...(
    [
      "m-1500",
      "m-1000",
      "m-1000",
      "m-750",
      "m-720-screw",
      "m-720-screw",
      "m-500",
      "m-500",
      "us-pint",
      "m-370-screw",
      "p-3000",
    ] as const
  ).map((vessel) => ["2026-03-29", { what: "vessel", vessel }] as const),
  [
    "2026-03-29",
    {
      what: "vessel",
      name: "tall pickle jar",
      vessel: {
        id: "tall-pickle-jar",
        name: "tall pickle jar",
        size: "1.1 L",
        sort: "jar",
        lid: "plastic",
        shape: { heightCm: 21.5, diameterCm: 8.4 },
      },
    },
  ],
  ["2026-03-29", { what: "vessel", name: "grandmother’s crock", vessel: "c-2000", ware: "unknown-glaze" }],
  ...(
    [
      ["b-250-swing", 6],
      ["b-500-swing", 3],
      ["b-330-swing", 2],
      ["us-half-pint", 4],
      ["d-100", 3],
      ["d-50", 8],
    ] as const
  ).map(([vessel, count]) => ["2026-11-08", { what: "empties", vessel, count }] as const),
  lotKept("2026-09-04", "hyssop", "180 g", 0, { form: "dried", from: "the garden, second cutting" }),
  lotKept("2026-10-02", "fennel-seed", "120 g", 2.4, { form: "dried", from: "market boat" }),
  lotKept("2026-08-19", "horehound", "90 g", 0, { form: "dried", from: "the garden" }),
  lotKept("2026-07-01", "lime-blossom", "60 g", 0, { form: "dried", from: "the avenue by the lock" }),
  lotKept("2026-10-11", "hawthorn-berry", "250 g", 0, { form: "dried", from: "the hedge" }),
  lotKept("2026-06-20", "meadowsweet", "45 g", 0, { form: "dried", from: "the water meadow" }),
  lotKept("2026-05-12", "nettle", "80 g", 0, { form: "dried", from: "the towpath, far side" }),
  lotKept("2026-10-02", "marshmallow-root", "70 g", 3.2, { form: "dried", from: "market boat" }),
  lotKept("2026-10-02", "caraway", "100 g", 1.8, { form: "dried", from: "market boat" }),
  lotKept("2026-10-02", "mustard-seed", "150 g", 1.6, { form: "dried", from: "market boat" }),
  lotKept("2026-10-02", "juniper", "60 g", 2.9, { form: "dried", from: "market boat" }),
  lotKept("2026-09-20", "thyme", "40 g", 0, { form: "dried", from: "the garden" }),
  lotKept("2026-08-30", "blackcurrant", "600 g", 0, { form: "frozen", from: "the garden" }),
  lotKept("2026-09-12", "elderberry", "900 g", 0, { form: "frozen", from: "the hedge, stripped and washed" }),
  lotKept("2026-09-25", "damson", "800 g", 0, { form: "frozen", from: "the old tree, stones out" }),
  lotKept("2026-10-14", "cider-vinegar", "5 L", 9.5, { strength: "5 %", from: "market boat" }),
  lotKept("2026-10-14", "cider-vinegar", "1.5 L", 4.2, { strength: "6 %", from: "market boat" }),
  lotKept("2026-10-30", "home-vinegar", "2 L", 0, { from: "the windfalls of last year" }),
  lotKept("2026-08-22", "heather-honey", "3 kg", 30, { water: 16.8, from: "the moor hives, set and dry" }),
  lotKept("2026-10-05", "late-honey", "1.8 kg", 12, { water: 19.6, from: "the towpath hives, taken late" }),
  lotKept("2026-10-18", "spirit-50", "700 mL", 17, { strength: "50 %", from: "market boat" }),
  lotKept("2026-10-18", "spirit-95", "500 mL", 21, { strength: "95 %", from: "market boat" }),
  lotKept("2026-10-18", "glycerin", "500 mL", 6.5, { from: "market boat" }),
  lotKept("2026-11-01", "sugar", "3 kg", 3.3, { from: "market boat" }),
];

const RECIPE_PLANS = new Map<string, ReturnType<typeof versionsOf>>();
/** The plan of a story: its recipe’s, at the version it was begun from, or its own. */
function planOf(s: Story): Plan {
  if (s.herbs.length > 0) return ownPlan(s);
  const [key, version] = s.recipe!;
  return { ...recipePlans(key)[version - 1]!.plan, name: s.name };
}
function recipePlans(key: string): ReturnType<typeof versionsOf> {
  const known = RECIPE_PLANS.get(key);
  if (known) return known;
  const made = versionsOf(
    RECIPES.find((r) => r.key === key)!,
    (code) => ownPlan(STORIES.find((x) => x.code === code)!),
  );
  RECIPE_PLANS.set(key, made);
  return made;
}
function ownPlan(s: Story): Plan {
  const way = wayById(s.way)!;
  const bench = { ...PLAIN_BENCH, jar: s.vessel, pot: s.vessel };
  const start = withIds({
    ...emptyPlan(way.kind, "us", bench),
    name: s.name,
    vessel: s.vessel,
    steps: [{ do: "add", what: [...s.herbs] }] as never,
  });
  const made = madeBy(way, start, bench);
  const steps = made.steps.map((st) =>
    st.do === "add"
      ? { ...st, what: st.what.map((l) => (s.pour?.[l.material] ? { ...l, ...s.pour[l.material] } : l)) }
      : st,
  );
  return withIds((s.change ?? ((p) => p))({ ...made, steps }));
}

// A household that scoops with US cups and reads its thermometer and ruler in °C and cm.
const { heightM, strainDays, morning, feed, ...usual } = usualHousehold("us");
const HOUSEHOLD = {
  id: uuid("household"),
  name: "Lock Cottage No. 9",
  zone: ZONE,
  ...usual,
  away: undefined,
  currency: "£",
  degrees: "C",
  lengths: "cm",
  weeks: {
    heightM,
    strainDays,
    // The lock is shut for repairs and the household goes to see the boat fair.
    away: [{ from: "2027-01-08", to: "2027-01-17", why: "to the boat fair" }],
    morning,
    feed,
  },
} as const;

const out: { line: string; recorded: string }[] = [];
STORES.forEach(([day, item], i) => {
  const weighed = item.what === "lot" ? gramsOf(item, "us") : undefined;
  if (weighed && !weighed.ok) throw new Error(`store ${i}: ${weighed.faults[0]!.message}`);
  const body = readStoreBody("kept", 1, { item: weighed ? { ...item, grams: weighed.value } : item });
  const at = new Date(instantOf(day, "09:00", ZONE)).toISOString();
  out.push({
    recorded: at,
    line: JSON.stringify({
      kind: "store",
      stream: uuid(`store ${i}`),
      seq: 1,
      key: uuid(`store ${i} 1`),
      type: "kept",
      version: 1,
      at,
      recordedAt: at,
      day: dayAt(at, ZONE),
      body,
    }),
  });
});
for (const s of STORIES) {
  const plan = planOf(s);
  const program = resolve(plan);
  if (!program.ok)
    throw new Error(`${s.code}: ${program.faults[0]!.message} at ${program.faults[0]!.path.join(".")}`);
  const stream = uuid(s.code);
  const events: JournalEvent[] = [];
  const write = (day: string, time: string, type: EventType, body: unknown): void => {
    const seq = events.length + 1;
    const at = instantOf(day, time, ZONE);
    const e = {
      type,
      version: ENTRIES[type].version,
      streamId: stream,
      seq,
      key: uuid(`${s.code} ${seq}`),
      at: new Date(at).toISOString(),
      day: dayAt(at, ZONE),
      body: readBody(type, ENTRIES[type].version, body),
    } as JournalEvent;
    events.push(e);
    out.push({
      recorded: e.at,
      line: JSON.stringify({
        kind: "batch",
        stream,
        seq,
        key: e.key,
        type,
        version: e.version,
        at: e.at,
        recordedAt: e.at,
        day: e.day,
        body: e.body,
      }),
    });
  };
  write(s.begun[0], s.begun[1], "begun", {
    code: s.code,
    plan,
    frozen: freeze(program.value),
    ...(s.reasons ? { reasons: s.reasons } : {}),
    ...recipeOfStory(s),
  } satisfies Body<"begun">);
  for (const [day, time, type, body] of s.then) write(day, time, type, body);
  if (s.bottles) {
    const r = reckonBatch(fold(events)!);
    if (!r.ok) throw new Error(`${s.code}: ${r.faults[0]!.message}`);
    const [day, time, list] = s.bottles;
    write(day, time, "bottled", {
      bottles: list.map(([v, ml, place], i) => ({
        id: uuid(`${s.code} bottle ${i}`),
        vessel: v,
        name: vesselWords(VESSELS.get(v)!),
        ml,
        place,
      })),
      verdict: issue(r.value.reckoning.verdict),
      own: null,
    });
  }
  bottled(fold(events)!, s.used ?? []);
  const done = reckonBatch(fold(events)!);
  if (!done.ok) throw new Error(`${s.code}: ${done.faults[0]!.message}`);
  process.stderr.write(
    `${s.code} ${fold(events)!.state} ${Math.round(done.value.reckoning.finished.ml.value)} mL, works at ${done.value.reckoning.working.place}, ${done.value.reckoning.verdict.row.id} ${done.value.reckoning.verdict.place} ${done.value.reckoning.verdict.life.words}; ${done.value.cautions
      .filter((c) => c.severity !== "note")
      .map((c) => `${c.severity}:${c.id}`)
      .join(" ")}\n`,
  );
}
/** The recipe a story was begun from: the one that is named, or the one whose plan it is, at the version that stood then. */
function recipeOfStory(s: Story): { recipe?: { id: string; version: number } } {
  const key = s.recipe?.[0] ?? RECIPES.find((r) => r.of === s.code)?.key;
  if (!key) return {};
  const stood = recipePlans(key).filter((v) => v.day <= s.begun[0]).length;
  return { recipe: { id: uuid(`recipe ${key}`), version: s.recipe?.[1] ?? Math.max(1, stood) } };
}

/** Writes the book: every recipe, and every later way of it. */
for (const r of RECIPES) {
  recipePlans(r.key).forEach(({ day, why, plan }, i) => {
    const at = new Date(instantOf(day, "07:50", ZONE)).toISOString();
    const type = i === 0 ? "written" : "changed";
    const said = i === 0 ? { plan, note: r.note, from: r.from } : { plan, why };
    const e = {
      kind: "recipe",
      stream: uuid(`recipe ${r.key}`),
      seq: i + 1,
      key: uuid(`recipe ${r.key} ${i + 1}`),
      type,
    };
    const line = {
      ...e,
      version: 1,
      at,
      recordedAt: at,
      day,
      body: readRecipeBody(type, 1, JSON.parse(JSON.stringify(said))),
    };
    out.push({ recorded: at, line: JSON.stringify(line) });
  });
}

/** Writes what became of a batch's bottles, each in a journal of its own. */
function bottled(batch: Batch, used: readonly BottleHappening[]): void {
  batch.bottles.forEach((bottle, n) => {
    used
      .filter(([of]) => of === n)
      .sort((a, b) => (a[1] < b[1] ? -1 : 1))
      .forEach(([, day, type, body], i) => {
        const at = new Date(instantOf(day, "08:20", ZONE)).toISOString();
        const said = readBottleBody(type, BOTTLE_ENTRIES[type].version, body);
        const e = { kind: "bottle", stream: bottle.id, seq: i + 1, key: uuid(`${bottle.id} ${i + 1}`), type };
        const line = { ...e, version: BOTTLE_ENTRIES[type].version, at, recordedAt: at, day, body: said };
        out.push({ recorded: at, line: JSON.stringify(line) });
      });
  });
}

out.sort((a, b) => (a.recorded < b.recorded ? -1 : a.recorded > b.recorded ? 1 : 0));
writeFileSync(
  "demo/lock-cottage.jsonl",
  `${[JSON.stringify({ format: "jolly-crock/journal", version: JOURNAL_VERSION, household: HOUSEHOLD }), ...out.map((x) => x.line), ...seasonLines(HOUSEHOLD.id)].join("\n")}\n`,
);
await drawPictures(pictures);
