import { z } from "zod";
import { linesOf } from "../plan/edit";
import { type Nameless, withIds } from "../plan/ids";
import { KIND } from "../plan/kinds";
import { KINDS, type Line, PLAN_FORMAT, PLAN_VERSION, type Plan, PlanFile } from "../plan/plan";
import { emptyPlan, roleOf } from "../plan/ways";
import { CAME_FROM, PLACE_CLASSES } from "../journal/events";
import type { Catalogue } from "../material/catalogue";
import { UNNAMED } from "../material/unnamed";
import type { UnitSystem } from "../quantity/units";
import { NOT_KNOWN } from "../reading/print";
import { realDay } from "../real-day";

const day = realDay("Write a day the calendar has, like 2026-11-02.");

export const HEATED = ["simmered", "boiled"] as const;
export type Heated = (typeof HEATED)[number];

/** A bottle as it stands. */
const BottleStands = z.strictObject({
  id: z.uuid(),
  vessel: z.string().min(1).max(60),
  ml: z
    .number("Say how much is in it, in mL.")
    .positive("Say how much is in it: more than nothing.")
    .max(20_000, "No bottle of a household holds more than 20 L."),
  place: z.enum(PLACE_CLASSES),
  at: z.string().max(40).optional(),
});

/** A jar at work or bottles that stand already, as far as they are known. */
export const Standing = z.strictObject({
  as: z.enum(["jar", "bottles"]),
  from: z.enum(CAME_FROM),
  name: z
    .string()
    .trim()
    .min(1, "Say what it is, like “fire cider”.")
    .max(80, "Keep the name under 80 letters."),
  kind: z.enum(KINDS, "Say what kind of remedy it is: its days and its place go by that."),
  /** The day it was begun, made or got. */
  on: day,
  /** What is in it as far as known; an amount may be “not known”. */
  contents: PlanFile.shape.steps.element.options[0].shape.what,
  /** What it was over the heat, where it was: simmered and sweetened after, or boiled with all that is in it and bottled hot. */
  heated: z.enum(HEATED).optional(),
  /** There are plants in it that nobody named. */
  unnamed: z.boolean(),
  /** The jar it stands in. */
  vessel: z.string().max(60).optional(),
  bottles: z.array(BottleStands).max(100, "Write down a hundred bottles of one making at a time."),
  /** The day the first of the bottles was opened. */
  opened: day.optional(),
  /** The day its own label says. */
  bestBy: day.optional(),
  note: z.string().max(2000).optional(),
});
export type Standing = z.infer<typeof Standing>;

const bare = (material: string, note?: string): Nameless<Line> => ({
  material,
  amount: NOT_KNOWN,
  ...(note ? { note } : {}),
});

/** Plants of it, with the form they are taken in where nobody said: fresh, which keeps less. */
function plantsOf(s: Standing, catalogue: Catalogue): readonly Nameless<Line>[] {
  const said = s.contents.filter((l) => roleOf(l, catalogue) === "herb");
  return s.unnamed || said.length === 0 ? [...said, bare(UNNAMED.id)] : said;
}

/** What was poured over them: what was said, and what such a remedy is made with where that was not. Of a vinegar nobody read the strength. */
function pouredOf(s: Standing, catalogue: Catalogue): readonly Nameless<Line>[] {
  const said = s.contents.filter((l) => roleOf(l, catalogue) !== "herb");
  // Who says what was poured says all of it, unless there is more in it.
  if (said.length > 0 && !s.unnamed) return said;
  const roles = new Set(said.map((l) => roleOf(l, catalogue)));
  const { jar, bottle } = KIND[s.kind].holds;
  const rest = (s.as === "jar" ? jar : bottle).filter(
    (material) => !roles.has(roleOf({ material }, catalogue)),
  );
  return [...said, ...rest.map((material) => bare(material, "as its kind has it; nobody said"))];
}

/** Minutes that a syrup is simmered by most who make one; general knowledge, unchecked. */
const SIMMERED = "20 min";
/** How a bottle came to be, as far as it is known: over the heat only where that was said, and its honey after it unless it was boiled too. */
function stepsOf(s: Standing, what: readonly Nameless<Line>[], catalogue: Catalogue): PlanFile["steps"] {
  const rest = [{ do: "strain", how: "drained" }] as const;
  if (s.heated === undefined) return [{ do: "add", what: [...what] }, ...rest, { do: "bottle" }];
  if (s.heated === "boiled")
    return [
      { do: "add", what: [...what] },
      { do: "simmer", for: SIMMERED },
      ...rest,
      { do: "bottle", hot: true },
    ];
  const isHoney = (l: Nameless<Line>): boolean => catalogue.get(l.material)?.row.class === "honey";
  const after = what.filter(isHoney);
  return [
    { do: "add", what: what.filter((l) => !isHoney(l)) },
    { do: "simmer", for: SIMMERED },
    ...rest,
    ...(after.length > 0 ? [{ do: "add" as const, what: after }] : []),
    { do: "bottle" },
  ];
}

/** Vessel-less contents are reckoned by parts of this much, mL; a measured volume stands in its place. */
const PART = "500 mL";

/**
 * The plan of what stands: what is known of it in it as it was said, and of the rest that it is not known. A jar goes on by the careful way of its
 * kind; a bottle was strained, and no more is taken for granted of it.
 */
export function planOfStanding(s: Standing, units: UnitSystem, catalogue: Catalogue): Plan {
  const plants = plantsOf(s, catalogue);
  const what = [...plants, ...pouredOf(s, catalogue)];
  const materials = plants.some((l) => l.material === UNNAMED.id) ? { materials: [UNNAMED] } : {};
  const head = { format: PLAN_FORMAT, version: PLAN_VERSION, units, name: s.name, kind: s.kind } as const;
  if (s.as === "bottles")
    return withIds({
      ...{ ...head, ...materials, part: PART },
      steps: stepsOf(s, what, catalogue),
    });
  const { steps, way } = emptyPlan(s.kind, units);
  const first = steps.findIndex((x) => x.do === "add");
  return withIds({
    ...{ ...head, ...materials, way },
    ...(s.vessel === undefined ? {} : { vessel: s.vessel }),
    steps: steps.map((x, i) => (i === first && x.do === "add" ? { do: "add", what: [...what] } : x)),
  });
}

/** Names of what is in it that is not known by its amount. */
export const notKnown = (plan: Plan): readonly string[] =>
  linesOf(plan).flatMap((l) => (l.amount === NOT_KNOWN ? [l.called ?? l.material] : []));
