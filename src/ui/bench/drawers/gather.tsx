"use client";
import { Told } from "../../kit/told";
import { useMemo } from "react";
import { Printer } from "lucide-react";
import type { Reckoning } from "@/core/reckoning/reckon";
import type { Program } from "@/core/reckoning/program";
import { capital, counted } from "@/core/words";
import type { Fruit } from "@/core/stores/one-fruit";
import { type Want, needOf } from "@/core/stores/need";
import type { Stores } from "@/core/stores/stores";
import { OntoTheList } from "../../stores/onto-the-list";
import { useUnits } from "../../kit/units";

function Wants({ head, wants }: { head: string; wants: readonly Want[] }) {
  const units = useUnits();
  if (wants.length === 0) return null;
  return (
    <section>
      <h3 className="ruled-head pt-1">{head}</h3>
      <ul>
        {wants.map((w) => {
          const measured = w.liquid
            ? units.volumeBoth(w.lackMl)
            : `${units.massExact(w.lackG)}, about ${units.volume(w.lackMl)}`;
          const amount = w.said ?? measured;
          return (
            <li
              key={w.name + w.form}
              className="py-1.5 border-b border-rule grid grid-cols-[1.25rem_1fr] gap-x-3"
            >
              <span className="w-4 h-4 border border-iron translate-y-1" aria-hidden="true" />
              <span>
                <span className="font-semibold">{w.name}</span>
                {w.form ? `, ${w.form}` : ""}: {amount}
                {w.said && !w.liquid && <span className="text-ash"> (about {units.massExact(w.lackG)})</span>}
                {w.haveG > 0.5 && (
                  <span className="text-ash">
                    {" "}
                    beside the{" "}
                    {w.liquid
                      ? units.volumeExact((w.haveG / w.lackG) * w.lackMl)
                      : units.massExact(w.haveG)}{" "}
                    on hand
                  </span>
                )}
                {w.instead && (
                  <span className="block text-ash">
                    <Told of={w.instead} />.
                  </span>
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Had({ have }: { have: readonly Want[] }) {
  const units = useUnits();
  if (have.length === 0) return null;
  return (
    <section>
      <h3 className="ruled-head pt-1">In the stores already</h3>
      <ul>
        {have.map((w) => (
          <li key={w.name + w.form} className="py-1.5 border-b border-rule flex justify-between gap-3">
            <span>
              {w.name}
              {w.form ? `, ${w.form}` : ""}
            </span>
            <span className="text-ash">{units.massExact(w.wantG)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Fruit for juice and zest, counted as it is bought. */
function Fruits({ of }: { of: readonly Fruit[] }) {
  if (of.length === 0) return null;
  const words = (f: Fruit): string =>
    `${capital(counted(f.count, f.fruit))}: ${f.for}${f.for === "zest and juice" ? " of the same" : ""}.`;
  return (
    <p className="quiet" data-testid="fruit">
      {of.map(words).join(" ")}
    </p>
  );
}

/** What to gather, what to buy and what to lay ready; prints as a list of its own. */
export function GatherDrawer({
  program,
  reckoning,
  stores,
  name,
  jars,
}: {
  program: Program;
  reckoning: Reckoning;
  stores: Stores;
  name: string;
  jars: number;
}) {
  const units = useUnits();
  const { market } = units;
  const need = useMemo(
    () => needOf(program, reckoning, stores, market, jars),
    [program, reckoning, stores, market, jars],
  );
  const all = need.gather.length + need.buy.length + need.bottles.length === 0;
  return (
    <div className="print-alone" data-testid="need">
      <h2 className="hidden print:block text-[1.5rem] pb-3">
        {name}
        {jars > 1 ? `, ${jars} jars alike` : ""}: to gather and buy
      </h2>
      <div className="grid gap-x-10 gap-y-3 md:grid-cols-3 print:grid-cols-1">
        {all ? (
          <p className="py-1">All of it is in the stores.</p>
        ) : (
          <div className="grid gap-y-3 content-start">
            <Wants head="To gather" wants={need.gather} />
            <Wants head="To buy" wants={need.buy} />
            <Fruits of={need.fruit} />
            {need.bottles.length > 0 && (
              <section>
                <h3 className="ruled-head pt-1">Bottles to find</h3>
                <ul>
                  {need.bottles.map((b) => (
                    <li key={b.name} className="py-1.5 border-b border-rule">
                      {b.count} × {b.name}
                    </li>
                  ))}
                </ul>
              </section>
            )}
          </div>
        )}
        <section>
          <h3 className="ruled-head pt-1">To lay ready</h3>
          <ul>
            {need.gear.map((g) => (
              <li key={g} className="py-1.5 border-b border-rule">
                {g}
              </li>
            ))}
          </ul>
        </section>
        <Had have={need.have} />
      </div>
      <p className="no-print pt-3 flex flex-wrap gap-x-6 items-center">
        <button
          type="button"
          className="plain min-h-11 inline-flex items-center gap-2"
          onClick={() => window.print()}
        >
          <Printer size={18} aria-hidden="true" /> print this list
        </button>
        <OntoTheList need={need} name={name} />
      </p>
    </div>
  );
}
