import type { Metadata } from "next";
import { TABLES } from "@/exchange/tables";
import { frame } from "../frame";

export const metadata: Metadata = { title: "Carried out" };

/** Everything that can be carried out, and in what form. */
export default async function ExportPage() {
  await frame();
  return (
    <div className="pt-5 max-w-3xl">
      <h1>Carried out</h1>
      <p className="py-3">
        What is written down here is the household’s own. Tables open in any spreadsheet; the one file holds
        all there is, with a page that says what is what.
      </p>
      <ul className="border-t border-rule">
        {Object.entries(TABLES).map(([table, says]) => (
          <li
            key={table}
            className="border-b border-rule grid grid-cols-[7rem_minmax(0,1fr)] gap-x-4 items-baseline"
          >
            <a
              className="inline-flex items-center min-h-11 font-semibold"
              href={`/export/table?of=${table}`}
              download
            >
              {table}.csv
            </a>
            <span>{says}</span>
          </li>
        ))}
        <li className="border-b border-rule grid grid-cols-[7rem_minmax(0,1fr)] gap-x-4 items-baseline">
          <a className="inline-flex items-center min-h-11 font-semibold" href="/export/all.zip" download>
            household.zip
          </a>
          <span>everything: the journal, the book, the tables, the photographs</span>
        </li>
      </ul>
    </div>
  );
}
