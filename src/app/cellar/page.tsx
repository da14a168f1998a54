import type { Metadata } from "next";
import Link from "next/link";
import { daysBetween, printDay } from "@/core/day";
import { db } from "@/store/db";
import { cellar } from "@/store/shelf";
import { frame } from "../frame";

export const metadata: Metadata = { title: "Cellar" };

const PLACES = {
  "cool-dark": "Cool and dark",
  cupboard: "In the cupboard",
  fridge: "In the fridge",
  freezer: "In the ice box",
} as const;

export default async function Cellar() {
  const [{ today }, lines] = await Promise.all([frame(), cellar(db())]);
  return (
    <div className="pt-5 max-w-5xl">
      <h1>Cellar</h1>
      {lines.length === 0 && (
        <p className="pt-4">
          No bottles yet. They stand here once a batch is bottled, the first to use in front.
        </p>
      )}
      {(Object.keys(PLACES) as (keyof typeof PLACES)[]).map((place) => {
        const here = lines.filter((l) => l.place === place);
        if (here.length === 0) return null;
        return (
          <section key={place} className="pt-6">
            <h2 className="ruled-head">{PLACES[place]}, first to use first</h2>
            <ul>
              {here.map((l) => {
                const left = daysBetween(today, l.best_by);
                return (
                  <li
                    key={`${l.batch_id}-${l.best_by}`}
                    className="grid grid-cols-[6rem_minmax(0,1fr)] sm:grid-cols-[6rem_minmax(0,1fr)_auto] gap-x-4 border-b border-rule py-3 items-baseline"
                  >
                    <span className="stencil">{l.code}</span>
                    <span className="min-w-0 break-words">
                      <Link href={`/batch/${l.batch_id}`}>{l.name}</Link>,{" "}
                      {l.bottles === 1 ? "one bottle" : `${l.bottles} bottles`}, {Math.round(l.ml)} mL
                    </span>
                    <span
                      className={`col-start-2 sm:col-start-auto ${left < 0 ? "text-rust font-bold" : ""}`}
                    >
                      {left < 0 ? "past" : "best by"} {printDay(l.best_by, "year")}
                      {l.shortened && (
                        <Link href={`/batch/${l.batch_id}/label`} className="block font-normal">
                          sooner than its label; print a new one
                        </Link>
                      )}
                    </span>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
