"use client";
import { useMemo, useState } from "react";
import { addDays, printDay, type Day } from "@/core/day";
import type { Company } from "@/core/people/company";
import { type Column, type RowName, compareWays, differing } from "@/core/advice/ways-side-by-side";
import type { Plan } from "@/core/plan/plan";
import { spoonOf } from "@/core/reckoning/spoon";
import { cautiousWay, type Way, waysOf, wayById } from "@/core/plan/kinds";
import { printMoney } from "@/core/stores/cost";
import type { LotOnHand } from "@/core/stores/stores";
import { useUnits } from "../../kit/units";
import { verdictHead } from "../../plan/verdict-words";

const ROW_WORDS: Readonly<Record<RowName, string>> = {
  ready: "ready",
  yield: "yield",
  sweetness: "sweetness",
  sharpness: "sharpness",
  strength: "strength",
  keeping: "keeping",
  herb: "herb a spoon",
  sugar: "sugar a spoon",
  alcohol: "alcohol a spoon",
  cost: "cost of the batch",
};

interface Props {
  readonly plan: Plan;
  readonly lots: readonly LotOnHand[];
  readonly company: Company;
  readonly today: Day;
  readonly currency: string;
  readonly take: (plan: Plan, about?: string) => void;
}

/** What a column says in a row. */
function Cell({
  column: c,
  row,
  today,
  currency,
}: {
  column: Column;
  row: RowName;
  today: Day;
  currency: string;
}) {
  const units = useUnits();
  if (!c.made) return null;
  const { reckoning: r, care, cost } = c.made;
  switch (row) {
    case "ready":
      return <>{care.window ? printDay(addDays(today, care.window.best), "short") : "today"}</>;
    case "yield":
      return <>{units.volumeExact(r.finished.ml.value)}</>;
    case "sweetness":
      return <>{r.finished.brix.value.toFixed(0)} °Bx</>;
    case "sharpness":
      return <>{r.finished.acid.value < 0.05 ? "none" : `${r.finished.acid.value.toFixed(1)} % acid`}</>;
    case "strength":
      return <>{r.finished.abv.value < 0.5 ? "none" : `${r.finished.abv.value.toFixed(0)} % vol`}</>;
    case "keeping": {
      const head = verdictHead(r.verdict);
      return (
        <>
          {head.place} {head.life}
        </>
      );
    }
    case "herb":
      return <>{spoonOf(r).herb.value.toFixed(2)} g</>;
    case "sugar":
      return <>{spoonOf(r).sugar.value.toFixed(1)} g</>;
    case "alcohol":
      return <>{spoonOf(r).alcohol.value.toFixed(2)} g</>;
    case "cost":
      return (
        <>
          {cost.unpriced.length === cost.lines.length ? "no prices" : printMoney(cost.batch.value, currency)}
          {cost.unpriced.length > 0 && cost.unpriced.length < cost.lines.length ? "+" : ""}
        </>
      );
  }
}

/** Two or three ways on the same herbs, as columns; where they truly differ is marked. */
export function WaysDrawer({ plan, lots, company, today, currency, take }: Props) {
  const units = useUnits();
  const all = waysOf(plan.kind);
  const here = all.find((w) => w.id === plan.way) ?? cautiousWay(plan.kind);
  const others = all.filter((w) => w.id !== here.id);
  const [beside, setBeside] = useState<readonly string[]>([]);
  const chosen = beside.map((id) => others.find((w) => w.id === id)).filter((w): w is Way => w !== undefined);
  const shown = [here, ...(chosen.length > 0 ? chosen : others.slice(0, 2))].slice(0, 3);
  const ids = shown.map((w) => w.id).join(" ");
  const columns = useMemo(
    () =>
      compareWays(
        plan,
        ids.split(" ").flatMap((id) => wayById(id) ?? []),
        lots,
        company,
      ),
    [plan, ids, lots, company],
  );
  const marks = differing(columns);
  const swap = (i: number, id: string): void =>
    setBeside(
      shown
        .slice(1)
        .map((w, k) => (k === i ? id : w.id))
        .filter((x) => x !== ""),
    );
  return (
    <div className="relative overflow-x-auto" role="region" aria-label="Ways side by side" tabIndex={0}>
      <table className="w-full min-w-[44rem] table-fixed border-collapse">
        <caption className="text-left quiet pb-2">
          The same herbs, by weight, each way. A row with a brush stroke differs by more than the margin.
        </caption>
        <thead>
          <tr className="align-bottom border-b-2 border-iron">
            <th scope="col" className="w-28 sm:w-40">
              <span className="sr-only">What</span>
            </th>
            {columns.map((c, i) => (
              <th key={i} scope="col" className="text-left font-normal px-3 py-2 align-top">
                {i === 0 ? (
                  <span className="font-bold">
                    {c.way.name}
                    <span className="quiet font-normal"> (as planned)</span>
                  </span>
                ) : (
                  <>
                    <label className="sr-only" htmlFor={`beside-${i}`}>
                      Way in column {i + 1}
                    </label>
                    <select
                      id={`beside-${i}`}
                      className="stitch w-full max-w-[21rem] text-ellipsis"
                      value={c.way.id}
                      onChange={(e) => swap(i - 1, e.target.value)}
                    >
                      {others
                        .filter((w) => w.id === c.way.id || !shown.includes(w))
                        .map((w) => (
                          <option key={w.id} value={w.id}>
                            {w.name}
                          </option>
                        ))}
                    </select>
                  </>
                )}
                <span className="quiet block">{c.way.why}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr className="border-b border-rule align-top">
            <th scope="row" className="text-left font-normal text-ash py-1.5">
              what goes in
            </th>
            {columns.map((c, i) => (
              <td key={i} className="px-3 py-1.5">
                {c.made ? (
                  c.made.reckoning.lines.map((l) => (
                    <span key={l.id} className="block">
                      {l.name}{" "}
                      <span className="text-ash">
                        {c.made!.program.lines.find((x) => x.line.id === l.id)!.stuff.plant
                          ? units.massExact(l.grams.value)
                          : units.volumeExact(l.ml.value)}
                      </span>
                    </span>
                  ))
                ) : (
                  <span className="wrong">{c.cannot}</span>
                )}
              </td>
            ))}
          </tr>
          {(Object.keys(ROW_WORDS) as RowName[]).map((row) => (
            <tr key={row} className="border-b border-rule">
              <th scope="row" className="text-left font-normal text-ash py-1.5">
                {marks.has(row) ? (
                  <span className="border-b-4 border-cobalt text-iron font-semibold">
                    {ROW_WORDS[row]}
                    <span className="sr-only"> (differs)</span>
                  </span>
                ) : (
                  ROW_WORDS[row]
                )}
              </th>
              {columns.map((c, i) => (
                <td key={i} className={`px-3 py-1.5 ${marks.has(row) ? "font-semibold" : ""}`}>
                  <Cell column={c} row={row} today={today} currency={currency} />
                </td>
              ))}
            </tr>
          ))}
          <tr className="align-top">
            <th scope="row" className="text-left font-normal text-ash py-1.5">
              cautions
            </th>
            {columns.map((c, i) => (
              <td key={i} className="px-3 py-1.5">
                {c.made && c.made.cautions.length === 0 && <span className="text-ash">none</span>}
                {c.made?.cautions.map((x, i) => (
                  <span key={i} className="block">
                    {x.says}
                  </span>
                ))}
              </td>
            ))}
          </tr>
          <tr>
            <td />
            {columns.map((c, i) => (
              <td key={i} className="px-3 py-2">
                {i > 0 && c.made && (
                  <button
                    type="button"
                    className="plain min-h-11"
                    onClick={() => {
                      setBeside([]);
                      take({ ...c.plan, name: plan.name });
                    }}
                  >
                    make it this way
                  </button>
                )}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}
