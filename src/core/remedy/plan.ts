import { z } from "zod";
import { type Result, fail, fault, ok } from "../fault";
import { CUTS, FORMS } from "../material/classes";
import { PLANT_CLASSES } from "../material/classes";
import { PlantRow, StuffRow } from "../material/material";
import { LIDS, VesselSpec, WARES } from "../vessel/vessel";

export const KINDS = ["syrup", "oxymel", "fire-cider", "honey", "vinegar", "tincture"] as const;
export type Kind = (typeof KINDS)[number];
export const KIND_WORDS: Readonly<Record<Kind, { readonly name: string; readonly code: string }>> = {
  syrup: { name: "syrup", code: "SY" },
  oxymel: { name: "oxymel", code: "OX" },
  "fire-cider": { name: "fire cider", code: "FC" },
  honey: { name: "infused honey", code: "HO" },
  vinegar: { name: "infused vinegar", code: "VI" },
  tincture: { name: "tincture", code: "TI" },
};

const text = z.string().max(200);

/** One thing that goes in. Amounts and strengths stay as typed; `amount` is read by `parseAmount`. */
export const Line = z.strictObject({
  material: z.string().min(1).max(60),
  form: z.enum(FORMS).optional(),
  cut: z.enum(CUTS).optional(),
  amount: text,
  /** As read off the bottle: "5 %", "50 grain", "80 US proof". */
  strength: text.optional(),
  /** % water of a honey, by refractometer. */
  water: z.number().optional(),
});
export type Line = z.infer<typeof Line>;

export const PLACES = ["dark-cupboard", "counter", "sunny-sill", "fridge"] as const;
export const WRINGING = ["drained", "wrung", "pressed"] as const;

export const Step = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("add"), what: z.array(Line).max(60) }),
  /** Simmer at the lid given; `loses` is what boils away, as an amount. */
  z.strictObject({ do: z.literal("simmer"), for: text, loses: text.optional() }),
  /** Boil down to a volume ("500 mL") or a share ("1/2"). */
  z.strictObject({ do: z.literal("reduce"), to: text }),
  z.strictObject({ do: z.literal("pressure"), for: text }),
  z.strictObject({ do: z.literal("steep"), for: text, in: z.enum(PLACES).optional() }),
  z.strictObject({ do: z.literal("cool"), toC: z.number().min(0).max(100) }),
  /** `measured` replaces the predicted yield once it is known. */
  z.strictObject({ do: z.literal("strain"), how: z.enum(WRINGING), measured: text.optional() }),
  z.strictObject({ do: z.literal("bottle"), hot: z.boolean().optional() }),
]);
export type Step = z.infer<typeof Step>;

export const PLAN_FORMAT = "jolly-crock/plan";
export const PLAN_VERSION = 1;

/** A remedy to be made: what goes in, in which order, into which vessel. Strict keys; every amount is the text the maker typed. */
export const Plan = z.strictObject({
  format: z.literal(PLAN_FORMAT),
  version: z.literal(PLAN_VERSION),
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
  shake: z.enum(["twice-daily", "daily", "every-few-days", "when-remembered"]).optional(),
  /** Plants kept under by a weight or a tied bag. */
  weighted: z.boolean().optional(),
  meantFor: z.array(z.string().max(60)).max(20).optional(),
  /** How it is taken, in the maker's own words, for the label. */
  taken: z.string().max(200).optional(),
  /** Measured at the bench on the finished liquid; each replaces an estimate, with its own error. */
  measured: z
    .array(
      z.discriminatedUnion("what", [
        z.strictObject({ what: z.literal("ph"), by: z.enum(["strip", "meter"]), value: z.number(), coloured: z.boolean().optional(), hours: z.number().min(0), lapsed: z.boolean().optional() }),
        z.strictObject({ what: z.literal("brix"), by: z.literal("refractometer"), value: z.number(), herbSolids: z.number().min(0), hours: z.number().min(0), lapsed: z.boolean().optional() }),
        z.strictObject({ what: z.literal("gravity"), by: z.literal("hydrometer"), value: z.number(), hours: z.number().min(0), lapsed: z.boolean().optional() }),
      ]),
    )
    .max(20)
    .optional(),
  /** What befell it that no composition shows. `cooling` is minutes and °C. */
  happened: z.strictObject({ layersUnmixed: z.boolean().optional(), herbStoodAbove: z.boolean().optional(), cooling: z.array(z.tuple([z.number(), z.number()])).max(500).optional() }).optional(),
  materials: z.array(z.union([PlantRow.extend({ class: z.enum(PLANT_CLASSES) }), StuffRow])).max(60).optional(),
  steps: z.array(Step).min(1).max(40),
});
export type Plan = z.infer<typeof Plan>;

/** Reads a plan from JSON already parsed. Every old version is read here and brought up to the present one. Faults carry the path. */
export function readPlan(json: unknown): Result<Plan> {
  const read = Plan.safeParse(json);
  if (read.success) return ok(read.data);
  return fail(
    ...read.error.issues.map((issue) => {
      const path = issue.path.filter((p): p is string | number => typeof p !== "symbol");
      if (issue.code === "unrecognized_keys") return fault("UnknownKey", `“${issue.keys.join("”, “")}” is not a key of a plan. docs/formats.md lists them.`, path);
      if (issue.code === "invalid_type" && issue.input === undefined) return fault("MissingKey", `“${path.join(".")}” is missing.`, path);
      return fault("NotAPlan", issue.message, path);
    }),
  );
}
