import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { printDay } from "@/core/day";
import { recipeOf } from "@/core/journal/recipe";
import { contentsOf } from "@/core/label/label";
import { batchPage } from "../../../batch-page";
import { PrintIt, Recipe } from "@/ui/batch/recipe";
import { verdictHead } from "@/ui/plan/verdict-words";

export const metadata: Metadata = { title: "Recipe" };

/** A batch's recipe by itself, on one page to be printed. */
export default async function RecipePage({ params }: { params: Promise<{ id: string }> }) {
  const { batch, r, measures } = await batchPage(params);
  const head = verdictHead(r.reckoning.verdict);
  const { vessel } = r.program;
  return (
    <div className="pt-5 max-w-2xl print-alone">
      <p className="no-print">
        <Link href={`/batch/${batch.id}`} className="stencil text-xl">
          {batch.code}
        </Link>
      </p>
      <h1>{batch.name}</h1>
      <p className="quiet pb-3">
        {batch.code}, begun {printDay(batch.begunDay, "year")}
        {vessel ? `, in a ${vessel.size} ${vessel.sort}` : ""}
      </p>
      <Recipe parts={recipeOf(batch, r)} />
      <p className="pt-4">
        It makes about <strong>{measures.volumeBoth(r.reckoning.finished.ml.value)}</strong>. {head.place}{" "}
        {head.life}
      </p>
      <p className="quiet pt-1 pb-5">{contentsOf(r.program)}</p>
      <PrintIt />
    </div>
  );
}
