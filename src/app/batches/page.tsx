import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { z } from "zod";
import { batchYears, batchesOf, live } from "@/store/shelf";
import { db } from "@/store/db";
import { cardOf } from "@/ui/shelf/card";
import { YearShelf } from "@/ui/batch/year-shelf";
import { TickToCompare } from "@/ui/batch/tick-to-compare";
import { frame } from "../frame";

export const metadata: Metadata = { title: "All batches" };

const Year = z.coerce.number().int().min(1900).max(2199);

/** Every batch there ever was, a year at a time: the discarded and the taken back among them. */
export default async function Batches({ searchParams }: { searchParams: Promise<{ year?: string }> }) {
  const [{ today }, years, { year: asked }] = await Promise.all([frame(), batchYears(db()), searchParams]);
  const said = Year.safeParse(asked);
  const year = said.success ? said.data : years[0]?.year;
  const rows = year === undefined ? [] : await batchesOf(db(), year);
  const working = rows.some((b) => b.state === "working" || b.state === "strained");
  const cards = working ? (await live(db())).map((b) => cardOf(b, today)) : [];
  return (
    <div className="pt-5">
      <h1>{year === undefined ? "All batches" : `All batches, ${year}`}</h1>
      {years.length === 0 && (
        <p className="pt-4">
          None yet. <Link href="/bench">Plan the first at the Bench.</Link>
        </p>
      )}
      {years.length > 1 && (
        <nav aria-label="Years" className="flex flex-wrap gap-x-5 pt-2">
          {years.map((y) => (
            <Link
              key={y.year}
              href={`/batches?year=${y.year}`}
              aria-current={y.year === year ? "page" : undefined}
              className={`inline-flex items-center min-h-11 ${y.year === year ? "font-bold no-underline text-iron" : ""}`}
            >
              {y.year}, {y.batches}
            </Link>
          ))}
        </nav>
      )}
      <TickToCompare many={rows.length > 1}>
        <YearShelf rows={rows} cards={cards} />
      </TickToCompare>
      {year !== undefined && (
        <p className="flex flex-wrap gap-x-5 pt-4">
          <a
            className="inline-flex items-center min-h-11"
            href={`/batches/year.pdf?year=${year}`}
            target="_blank"
            rel="noopener"
          >
            the year on one page, PDF
          </a>
          <a
            className="inline-flex items-center min-h-11"
            href={`/batches/year.svg?year=${year}`}
            target="_blank"
            rel="noopener"
          >
            the same, SVG
          </a>
        </p>
      )}
    </div>
  );
}
