import { z } from "zod";
import { CUTS, FORMS, PLANT_CLASSES } from "../material/classes";
import { PlantRow, StuffRow } from "../material/rows";
import { TAKEN } from "../reading/said";
import { LIDS, VesselSpec, WARES } from "../vessel/vessel";

export const KINDS = ["syrup", "oxymel", "fire-cider", "honey", "vinegar", "tincture"] as const;
export type Kind = (typeof KINDS)[number];

const text = z.string().max(200);
/** Given once to a line or step and kept through edits, recipe versions and what was really done. */
const id = z.string().regex(/^[a-z0-9][a-z0-9.-]{0,39}$/);

/** Where a line comes from, when not from anywhere: a lot of the stores, the bottles of a batch of ours, or its marc. */
export const Source = z.union([
  z.strictObject({ lot: z.uuid() }),
  z.strictObject({ bottle: z.uuid() }),
  z.strictObject({ batch: z.uuid() }),
  z.strictObject({ marc: z.uuid() }),
]);
export type Source = z.infer<typeof Source>;

export const COOKED = ["simmered", "steamed", "blanched", "roasted"] as const;
export type Cooked = (typeof COOKED)[number];

const LINE = {
  material: z.string().min(1).max(60),
  /** The maker's own word for it, where it is not the catalogue's. */
  called: z.string().min(1).max(60).optional(),
  form: z.enum(FORMS).optional(),
  cut: z.enum(CUTS).optional(),
  amount: text,
  /** As read off the bottle: "5 %", "50 grain", "80 US proof". */
  strength: text.optional(),
  /** % water of a honey, by refractometer. */
  water: z.number().optional(),
  /** What was taken for granted when it was read, until it is said. */
  took: z.array(z.enum(TAKEN)).max(TAKEN.length).optional(),
  /** Words that change no figure, as typed. */
  note: text.optional(),
  /** Why it goes in, in the maker's own words. */
  why: z.string().min(1).max(200).optional(),
  optional: z.boolean().optional(),
  /** What was done to it over the heat before it goes in, in a pan of its own, and for how long. */
  cooked: z.strictObject({ how: z.enum(COOKED), for: text }).optional(),
  /** Whether the plant was gathered, where that was asked. */
  gathered: z.boolean().optional(),
  from: Source.optional(),
} as const;

/** One thing that goes in. Amounts and strengths stay as typed. */
export const Line = z.strictObject({ id, ...LINE });
export type Line = z.infer<typeof Line>;

export const PLACES = ["dark-cupboard", "counter", "sunny-sill", "fridge"] as const;
export type SteepPlace = (typeof PLACES)[number];
export const WRINGING = ["drained", "wrung", "pressed"] as const;
export type Wringing = (typeof WRINGING)[number];
/** What of the plants stays in where there is an end without a cloth: fruit that is eaten with its honey, a sprig in its vinegar. */
export const STAYS = ["all", "some"] as const;
export type Stays = (typeof STAYS)[number];

/** What else is done at a step, in the maker's own words. */
const words = z.string().min(1).max(500).optional();

const steps = <L extends z.ZodType, I extends z.ZodType>(line: L, ids: I) =>
  z.discriminatedUnion("do", [
    z.strictObject({ id: ids, words, do: z.literal("add"), what: z.array(line).max(60) }),
    /** Simmer, lid on unless it is said off; `loses` is what boils away, as an amount. */
    z.strictObject({
      id: ids,
      words,
      do: z.literal("simmer"),
      for: text,
      loses: text.optional(),
      lid: z.enum(["on", "off"]).optional(),
    }),
    /** Boil down to a volume ("500 mL") or a share ("1/2"). */
    z.strictObject({ id: ids, words, do: z.literal("reduce"), to: text }),
    z.strictObject({ id: ids, words, do: z.literal("pressure"), for: text }),
    z.strictObject({ id: ids, words, do: z.literal("steep"), for: text, in: z.enum(PLACES).optional() }),
    /** Stand until it has cooled to this: "43 °C", "110 °F". */
    z.strictObject({ id: ids, words, do: z.literal("cool"), to: text }),
    z.strictObject({ id: ids, words, do: z.literal("strain"), how: z.enum(WRINGING) }),
    z.strictObject({ id: ids, words, do: z.literal("bottle"), hot: z.boolean().optional() }),
  ]);

export const Step = steps(Line, id);
export type Step = z.infer<typeof Step>;
export type StepOf<D extends Step["do"]> = Extract<Step, { do: D }>;
export const STEP_SORTS = [
  "add",
  "simmer",
  "reduce",
  "pressure",
  "steep",
  "cool",
  "strain",
  "bottle",
] as const;

export const PLAN_FORMAT = "jolly-crock/plan";
export const PLAN_VERSION = 2;

export const SHAKES = ["twice-daily", "daily", "every-few-days", "when-remembered"] as const;

/** All of a plan but its steps and its version, the same in every version so far. */
export const HEAD = {
  format: z.literal(PLAN_FORMAT),
  /** Whose cups and spoons the amounts are in. */
  units: z.enum(["us", "metric", "imperial"]),
  name: z.string().min(1).max(80),
  kind: z.enum(KINDS),
  /** The way it is made, by id; see docs/formats.md. */
  way: z.string().max(60).optional(),
  /** A catalogue id, or a vessel of one's own. */
  vessel: z.union([z.string().max(60), VesselSpec]).optional(),
  /** The lid put on, where it is not the vessel's own. */
  lid: z.enum(LIDS).optional(),
  /** What the vessel is made of, where it is not what such vessels usually are. */
  ware: z.enum(WARES).optional(),
  /** The size of one part when no vessel decides it, e.g. "500 mL". */
  part: text.optional(),
  /** How often it is shaken. */
  shake: z.enum(SHAKES).optional(),
  /** Plants kept under by a weight or a tied bag. */
  weighted: z.boolean().optional(),
  meantFor: z.array(z.string().max(60)).max(20).optional(),
  /** How it is taken, in the maker's own words, for the label. */
  taken: z.string().max(200).optional(),
  /** What it is for, in the maker's own words and for their eyes: it is found by, and printed nowhere. */
  purpose: z.string().max(200).optional(),
  /** Who told it. */
  toldBy: z.string().max(120).optional(),
  /** How long others say it keeps, in their words: set beside what is reckoned, never believed. */
  saidToKeep: z.string().max(200).optional(),
} as const;

/** What is only said of a plan, in words of the maker's own; it changes no figure. `kept` is theirs alone, and goes on no card or code. */
export const SAYINGS = {
  taken: { kept: false, most: 200 },
  purpose: { kept: true, most: 200 },
  toldBy: { kept: true, most: 120 },
  saidToKeep: { kept: false, most: 200 },
} as const;
export type Saying = keyof typeof SAYINGS;
export const SAYING_NAMES = Object.keys(SAYINGS) as Saying[];

const materials = z
  .array(z.union([PlantRow.extend({ class: z.enum(PLANT_CLASSES) }), StuffRow]))
  .max(60)
  .optional();

/**
 * A remedy to be made: what goes in, in which order, into which vessel. Intent only; what happened is a journal's.
 * Strict keys; every amount is the text the maker typed.
 */
export const Plan = z.strictObject({
  ...HEAD,
  version: z.literal(PLAN_VERSION),
  materials,
  /** Highest number given to a line or step so far, so that none is given twice. */
  ids: z.number().int().min(0).max(1_000_000),
  steps: z.array(Step).min(1).max(40),
});
export type Plan = z.infer<typeof Plan>;

/** A plan as it may stand in a file written by hand: lines and steps without ids are given them in order. */
export const PlanFile = z.strictObject({
  ...HEAD,
  version: z.literal(PLAN_VERSION),
  materials,
  ids: z.number().int().min(0).max(1_000_000).optional(),
  steps: z
    .array(steps(z.strictObject({ id: id.optional(), ...LINE }), id.optional()))
    .min(1)
    .max(40),
});
export type PlanFile = z.infer<typeof PlanFile>;

/** The plan as it may be handed on: without what is the maker's alone. */
export function handedOn(plan: Plan): Plan {
  const mine = new Set<string>(SAYING_NAMES.filter((s) => SAYINGS[s].kept));
  return Object.fromEntries(Object.entries(plan).filter(([key]) => !mine.has(key))) as Plan;
}
