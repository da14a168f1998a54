import { z } from "zod";
import { CUTS, FORMS, PLANT_CLASSES } from "../material/classes";
import { PlantRow, StuffRow } from "../material/rows";
import { TAGS, type Tag } from "../material/tags";
import { type Happened, NOTHING_HAPPENED, Reading } from "./happened";
import { withIds } from "./ids";
import { HEAD, PLACES, type Plan, type PlanFile, WRINGING } from "./plan";

/*
 * Plans of version 1: no ids, a straining's measure and what befell the making written into the plan. They are read for ever.
 */
const text = z.string().max(200);
const Line1 = z.strictObject({
  material: z.string().min(1).max(60),
  form: z.enum(FORMS).optional(),
  cut: z.enum(CUTS).optional(),
  amount: text,
  strength: text.optional(),
  water: z.number().optional(),
});
/** A line as entries of version 1 and 2 hold it. */
export const OldLine = Line1;

const Step1 = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("add"), what: z.array(Line1).max(60) }),
  z.strictObject({ do: z.literal("simmer"), for: text, loses: text.optional() }),
  z.strictObject({ do: z.literal("reduce"), to: text }),
  z.strictObject({ do: z.literal("pressure"), for: text }),
  z.strictObject({ do: z.literal("steep"), for: text, in: z.enum(PLACES).optional() }),
  z.strictObject({ do: z.literal("cool"), toC: z.number().min(0).max(100) }),
  z.strictObject({ do: z.literal("strain"), how: z.enum(WRINGING), measured: text.optional() }),
  z.strictObject({ do: z.literal("bottle"), hot: z.boolean().optional() }),
]);

const anyTags = { tags: z.array(z.string()).optional() } as const;
export const Plan1 = z.strictObject({
  ...HEAD,
  version: z.literal(1),
  measured: z.array(Reading).max(20).optional(),
  happened: z
    .strictObject({
      layersUnmixed: z.boolean().optional(),
      herbStoodAbove: z.boolean().optional(),
      cooling: z
        .array(z.tuple([z.number(), z.number()]))
        .max(500)
        .optional(),
    })
    .optional(),
  materials: z
    .array(z.union([PlantRow.extend({ class: z.enum(PLANT_CLASSES), ...anyTags }), StuffRow.extend(anyTags)]))
    .max(60)
    .optional(),
  steps: z.array(Step1).min(1).max(40),
});
export type Plan1 = z.infer<typeof Plan1>;

/** A tag this build does not know did nothing in version 1 either. */
const known = (tags: readonly string[] | undefined): Tag[] =>
  (tags ?? []).filter((t): t is Tag => (TAGS as readonly string[]).includes(t));

function broughtUp(s: Plan1["steps"][number]): PlanFile["steps"][number] {
  switch (s.do) {
    case "cool":
      return { do: "cool", to: `${s.toC} °C` };
    case "strain":
      return { do: "strain", how: s.how };
    default:
      return s;
  }
}

/** A plan of version 1 as one of version 2, and what happened besides. Ids follow from the order of its lines and steps alone. */
export function fromVersion1(old: Plan1): { readonly plan: Plan; readonly happened: Happened } {
  const { measured, happened, materials, steps, ...head } = old;
  const plan = withIds({
    ...head,
    version: 2,
    steps: steps.map(broughtUp),
    ...(materials
      ? { materials: materials.map((m) => ({ ...m, tags: known(m.tags) })) as PlanFile["materials"] }
      : {}),
  });
  return {
    plan,
    happened: {
      ...NOTHING_HAPPENED,
      strained: steps.flatMap((s, i) =>
        s.do === "strain" && s.measured !== undefined
          ? [{ step: plan.steps[i]!.id, measured: s.measured, how: s.how }]
          : [],
      ),
      readings: measured ?? [],
      layersUnmixed: happened?.layersUnmixed ?? false,
      herbStoodAbove: happened?.herbStoodAbove ?? false,
      lookedOver: false,
      cooling: happened?.cooling ?? [],
    },
  };
}
