import { z } from "zod";
import { toRecipeLd } from "@/core/exchange/recipe-ld";
import { toMarkdown, toText } from "@/core/exchange/written";
import { planOf, present, versionOf } from "@/core/formulary/recipe";
import { reckonedPlan } from "@/core/formulary/reckoned";
import { db } from "@/store/db";
import { recipeOf } from "@/store/recipes";
import { measuresIn } from "@/core/reading/measures";
import { stores } from "@/store/stores";
import { fileName } from "../../file-name";

const FORMS = {
  json: "application/json",
  jsonld: "application/ld+json",
  md: "text/markdown",
  txt: "text/plain",
} as const;
const Asked = z.object({
  as: z.enum(["json", "jsonld", "md", "txt"]).catch("json"),
  v: z.coerce.number().int().optional().catch(undefined),
});

/** A recipe at one of its versions, in one of the open formats. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = z.uuid().safeParse((await context.params).id);
  const recipe = id.success ? await recipeOf(db(), id.data) : undefined;
  const asked = Asked.parse(Object.fromEntries(new URL(request.url).searchParams));
  const version = recipe && (asked.v === undefined ? present(recipe) : versionOf(recipe, asked.v));
  if (!recipe || !version)
    return new Response("There is no such recipe, or no such version of it.\n", { status: 404 });
  const plan = planOf(recipe, version);
  const { catalogue } = await stores(db());
  const made = reckonedPlan(plan, catalogue);
  const yields = made
    ? `about ${measuresIn(plan.units).volumeBoth(made.reckoning.finished.ml.value)}`
    : undefined;
  const more = { catalogue, ...(yields ? { yields } : {}), ...(recipe.note ? { note: recipe.note } : {}) };
  const texts: Readonly<Record<typeof asked.as, () => string>> = {
    json: () => `${JSON.stringify(plan, undefined, 2)}\n`,
    jsonld: () => `${JSON.stringify(toRecipeLd(plan, more), undefined, 2)}\n`,
    md: () => toMarkdown(plan, catalogue, recipe.note),
    txt: () => toText(plan, catalogue, recipe.note),
  };
  return new Response(texts[asked.as](), {
    headers: {
      "content-type": `${FORMS[asked.as]}; charset=utf-8`,
      "content-disposition": `attachment; filename="${fileName(recipe.name)}-${version.n}.${asked.as}"`,
      "cache-control": "no-store",
      "x-recipe-seq": String(recipe.seq),
    },
  });
}
