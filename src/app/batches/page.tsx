import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { z } from "zod";
import { printDay } from "@/core/day";
import type { BatchState } from "@/core/journal/fold";
import { KIND } from "@/core/plan/kinds";
import { batchYears, batchesOf } from "@/store/shelf";
import { db } from "@/store/db";
import { TickToCompare } from "@/ui/batch/tick-to-compare";
import { frame } from "../frame";

export const metadata: Metadata = { title: "All batches" };

const STATE_WORDS: Readonly<Record<BatchState, string>> = {
  working: "working",
  strained: "strained",
  bottled: "bottled",
  discarded: "discarded",
  undone: "begun by accident",
};
const Year = z.coerce.number().int().min(1900).max(2199);

/** Every batch there ever was, a year at a time: the discarded and the taken back among them. */
export default async function Batches({ searchParams }: { searchParams: Promise<{ year?: string }> }) {
  const [, years, { year: asked }] = await Promise.all([frame(), batchYears(db()), searchParams]);
  const said = Year.safeParse(asked);
  const year = said.success ? said.data : years[0]?.year;
  const rows = year === undefined ? [] : await batchesOf(db(), year);
  return (
    <div className="pt-5 max-w-5xl">
      <h1>All batches</h1>
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
        {rows.map((b) => (
          <li
            key={b.id}
            className="grid grid-cols-[2rem_6rem_minmax(0,1fr)] sm:grid-cols-[2rem_6.5rem_minmax(0,1fr)_8rem_9rem] gap-x-3 border-b border-rule py-2.5"
          >
            <input
              type="checkbox"
              name="b"
              value={b.id}
              aria-label={`Compare ${b.code}`}
              className="w-6 h-6 accent-cobalt"
            />
            <span className="stencil">{b.code}</span>
            <span className="min-w-0 break-words">
              <Link href={`/batch/${b.id}`}>{b.name}</Link>
              <span className="text-ash">, {KIND[b.kind].name}</span>
            </span>
            <span className="col-start-3 sm:col-start-auto text-ash">
              begun {printDay(b.begun_day, "short")}
            </span>
            <span className={`col-start-3 sm:col-start-auto ${b.state === "working" ? "font-bold" : ""}`}>
              {STATE_WORDS[b.state]}
            </span>
          </li>
        ))}
      </TickToCompare>
    </div>
  );
}
