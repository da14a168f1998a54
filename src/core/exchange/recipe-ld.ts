import { z } from "zod";
import { type Result, fail, fault, ok } from "../fault";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import { readPlan } from "../plan/file";
import type { Plan } from "../plan/plan";
import { readTexts } from "../plan/read-plan";
import { written } from "./written";

/** The property of ours that carries the whole plan, so that what comes back is what went out. */
const WHOLE = "jolly-crock/plan";

/** Minutes as an ISO 8601 duration. */
function isoDuration(minutes: number): string {
  const m = Math.round(minutes);
  const [days, hours, rest] = [Math.floor(m / 1440), Math.floor((m % 1440) / 60), m % 60];
  const time = `${hours > 0 ? `${hours}H` : ""}${rest > 0 ? `${rest}M` : ""}`;
  if (days === 0 && time === "") return "PT0M";
  return `P${days > 0 ? `${days}D` : ""}${time === "" ? "" : `T${time}`}`;
}

/** Minutes at the heat, and minutes of everything that is waited for. */
function minutesOf(plan: Plan): { readonly cook: number; readonly total: number } {
  const read = readTexts(plan);
  let [cook, total] = [0, 0];
  for (const s of read.ok ? read.value.steps : []) {
    if (s.do !== "simmer" && s.do !== "pressure" && s.do !== "steep") continue;
    const minutes = s.for.days.value * 1440;
    total += minutes;
    if (s.do !== "steep") cook += minutes;
  }
  return { cook, total };
}

/**
 * A recipe as schema.org Recipe in JSON-LD: lines, steps, times and yield in plain words for anyone, and the whole plan as a property of ours.
 * @param yields how much comes of it, in words
 */
export function toRecipeLd(
  plan: Plan,
  { catalogue = MATERIALS, yields, note }: { catalogue?: Catalogue; yields?: string; note?: string } = {},
): Record<string, unknown> {
  const w = written(plan, catalogue);
  const { cook, total } = minutesOf(plan);
  return {
    "@context": "https://schema.org/",
    "@type": "Recipe",
    name: w.name,
    recipeCategory: w.kind,
    recipeIngredient: w.lines,
    recipeInstructions: w.steps.map((text, i) => ({ "@type": "HowToStep", position: i + 1, text })),
    ...(yields ? { recipeYield: yields } : {}),
    ...(cook > 0 ? { cookTime: isoDuration(cook) } : {}),
    ...(total > 0 ? { totalTime: isoDuration(total) } : {}),
    ...(note ? { description: note } : {}),
    additionalProperty: [
      { "@type": "PropertyValue", name: "measures", value: w.measures },
      { "@type": "PropertyValue", name: WHOLE, value: JSON.stringify(plan) },
    ],
  };
}

const Text = z.union([z.string(), z.number().transform(String)]);
const Several = <T extends z.ZodType>(of: T) => z.union([of.transform((x) => [x]), z.array(of)]);
const Step: z.ZodType<unknown> = z.unknown();
const RecipeLd = z.looseObject({
  name: Text.optional(),
  recipeCategory: z.unknown().optional(),
  recipeIngredient: Several(Text).optional(),
  ingredients: Several(Text).optional(),
  recipeInstructions: z.union([Text, z.array(Step), z.looseObject({})]).optional(),
  description: Text.optional(),
  additionalProperty: Several(z.looseObject({ name: z.unknown().optional(), value: z.unknown().optional() }))
    .optional()
    .catch(undefined),
});

/** Steps however they are nested: text, HowToStep, HowToSection. */
function stepsIn(x: unknown, out: string[] = []): string[] {
  if (out.length > 200) return out;
  if (typeof x === "string") out.push(...x.split(/\n+/));
  else if (Array.isArray(x)) for (const y of x) stepsIn(y, out);
  else if (x && typeof x === "object") {
    const { text, itemListElement, name } = x as {
      text?: unknown;
      itemListElement?: unknown;
      name?: unknown;
    };
    stepsIn(text ?? itemListElement ?? name, out);
  }
  return out.map((s) => s.trim()).filter((s) => s !== "");
}

/** Every Recipe within a JSON-LD value: itself, in a list, in a @graph. */
function recipesIn(x: unknown, depth = 0): unknown[] {
  if (depth > 6 || !x || typeof x !== "object") return [];
  if (Array.isArray(x)) return x.flatMap((y) => recipesIn(y, depth + 1));
  const o = x as Record<string, unknown>;
  const type = [o["@type"]].flat();
  if (type.some((t) => t === "Recipe" || t === "schema:Recipe" || t === "https://schema.org/Recipe"))
    return [x];
  return ["@graph", "mainEntity", "itemListElement", "item"].flatMap((k) => recipesIn(o[k], depth + 1));
}

/** A recipe from JSON-LD: the plan itself where it is one of ours, else its words, to be read as any pasted recipe is. */
export type FromLd = { readonly plan: Plan } | { readonly text: string };

/** Reads JSON-LD already parsed. Faults: `NoRecipe`, `NotARecipe`. */
export function fromRecipeLd(json: unknown): Result<FromLd> {
  const [found] = recipesIn(json);
  if (!found)
    return fail(
      fault(
        "NoRecipe",
        "There is no recipe in it. JSON-LD of a recipe says “@type”: “Recipe”; a plan of ours says its format.",
      ),
    );
  const read = RecipeLd.safeParse(found);
  if (!read.success)
    return fail(
      fault(
        "NotARecipe",
        "It is called a recipe and is not written as one.",
        read.error.issues[0]!.path.map(String),
      ),
    );
  const r = read.data;
  const whole = r.additionalProperty?.find((p) => p.name === WHOLE)?.value;
  if (typeof whole === "string") {
    const plan = planIn(whole);
    if (plan) return ok({ plan });
  }
  const measures = r.additionalProperty?.find((p) => p.name === "measures")?.value;
  const lines = r.recipeIngredient ?? r.ingredients ?? [];
  const text = [
    r.name ?? "",
    ...(typeof r.recipeCategory === "string" ? [`Kind: ${r.recipeCategory}`] : []),
    ...(typeof measures === "string" ? [`Measures: ${measures}`] : []),
    "Ingredients:",
    ...lines,
    "Method:",
    ...stepsIn(r.recipeInstructions),
    ...(r.description ? ["Notes:", r.description] : []),
  ].join("\n");
  return ok({ text });
}

function planIn(text: string): Plan | undefined {
  try {
    const plan = readPlan(JSON.parse(text));
    return plan.ok ? plan.value : undefined;
  } catch {
    return undefined;
  }
}
