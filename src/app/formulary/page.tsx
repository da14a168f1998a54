import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { db } from "@/store/db";
import { recipesIn } from "@/store/recipes";
import { busyVessels } from "@/store/shelf";
import { storedItems } from "@/store/stores";
import { Book } from "@/ui/formulary/book";
import { Spines } from "@/ui/formulary/spines";
import { WriteIn } from "@/ui/formulary/write-in";
import { frame } from "../frame";
import { bookRows } from "./book-rows";

export const metadata: Metadata = { title: "Formulary" };

/** The household’s own book: its recipes, and a place to write or paste one in. */
export default async function FormularyPage({ searchParams }: { searchParams: Promise<{ q?: string }> }) {
  const { q = "" } = await searchParams;
  const [{ home }, book, away, items, busy] = await Promise.all([
    frame(),
    bookRows(q.slice(0, 80)),
    recipesIn(db(), { away: true, most: 40 }),
    storedItems(db()),
    busyVessels(db()),
  ]);
  return (
    <div className="pt-5 grid gap-x-10 gap-y-6 lg:grid-cols-2">
      <div className="min-w-0">
        <h1 className="pb-2">The book</h1>
        {book.rows.length === 0 && q === "" ? (
          <p>
            Nothing is in it yet. Write or paste a recipe in beside this, keep one from the{" "}
            <Link href="/bench">Bench</Link>, or from any batch you made.
          </p>
        ) : (
          <>
            {(book.more > 0 || q !== "") && <Book rows={[]} more={book.more} asked={q} />}
            <Spines rows={book.rows} more={book.more} />
          </>
        )}
        {away.length > 0 && (
          <details className="pt-3">
            <summary className="min-h-11 text-cobalt">put away: {away[0]?.all}</summary>
            <Spines rows={away} more={(away[0]?.all ?? 0) - away.length} />
          </details>
        )}
        <p className="pt-4 flex flex-wrap gap-x-4">
          <a className="inline-flex items-center min-h-11" href="/export/all.zip" download>
            everything, as one file
          </a>
          <Link className="inline-flex items-center min-h-11 min-w-11" href="/export">
            tables
          </Link>
        </p>
      </div>
      <WriteIn household={home.units} items={items} busy={busy} />
    </div>
  );
}
