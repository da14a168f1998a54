import { z } from "zod";
import { planOf, present, versionOf } from "@/core/formulary/recipe";
import { reckonedPlan } from "@/core/formulary/reckoned";
import { planDigits } from "@/exchange/plan-code";
import { type Card, CARDS, cardPdf } from "@/print/card";
import { db } from "@/store/db";
import { recipeOf } from "@/store/recipes";
import { stores } from "@/store/stores";
import { verdictHead } from "@/ui/plan/verdict-words";
import { fileName } from "../../file-name";

const Asked = z.object({
  size: z.enum(Object.keys(CARDS) as [Card, ...Card[]]).catch("a6"),
  v: z.coerce.number().int().optional().catch(undefined),
});
const said = (words: string, status: number): Response =>
  new Response(`${words}\n`, { status, headers: { "content-type": "text/plain; charset=utf-8" } });

/** A recipe on a card, as PDF. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = z.uuid().safeParse((await context.params).id);
  const recipe = id.success ? await recipeOf(db(), id.data) : undefined;
  const asked = Asked.parse(Object.fromEntries(new URL(request.url).searchParams));
  const version = recipe && (asked.v === undefined ? present(recipe) : versionOf(recipe, asked.v));
  if (!recipe || !version) return said("There is no such recipe, or no such version of it.", 404);
  const plan = planOf(recipe, version);
  const { catalogue } = await stores(db());
  const made = reckonedPlan(plan, catalogue);
  if (!made) return said("It cannot be reckoned as it stands. Set it on the Bench, where it says why.", 422);
  const head = verdictHead(made.reckoning.verdict);
  const card = { plan, made, keeps: `${head.place} ${head.life}`, digits: planDigits(plan), catalogue };
  const pdf = await cardPdf(card, asked.size);
  if (!pdf.ok) return said(pdf.faults[0]!.message, 422);
  return new Response(new Uint8Array(pdf.value), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="${fileName(recipe.name)}-${asked.size}.pdf"`,
      "cache-control": "no-store",
    },
  });
}
