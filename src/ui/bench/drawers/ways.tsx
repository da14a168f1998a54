"use client";
import { Told } from "../../kit/told";
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
import { sweetness } from "@/core/words";
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
      return <>{care.window ? printDay(addDays(today, care.window.best), "short", today) : "today"}</>;
    case "yield":
      return <>{units.volumeExact(r.finished.ml.value)}</>;
    case "sweetness":
      return <>{sweetness(r.finished.brix.value)}</>;
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
          {cost.priced === "none" ? "no prices" : printMoney(cost.batch.value, currency)}
          {cost.priced === "some" ? "+" : ""}
        </>
      );
  }
}

/** The ways that stand side by side: the plan's own first, then those that were chosen, or the next of its kind. */
function useBeside({ plan, lots, company }: Pick<Props, "plan" | "lots" | "company">) {
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
  const swap = (i: number, id: string): void =>
    setBeside(
      shown
        .slice(1)
        .map((w, k) => (k === i ? id : w.id))
        .filter((x) => x !== ""),
    );
  return { columns, others, shown, swap, clear: () => setBeside([]) };
}

/** The head of a column: the way as planned, or one to be chosen. */
function ColumnHead({
  column: c,
  nth,
  choices,
  swap,
}: {
  column: Column;
  nth: number;
  choices: readonly Way[];
  swap: (id: string) => void;
}) {
  return (
    <th scope="col" className="text-left font-normal px-3 py-2 align-top">
      {nth === 0 ? (
        <span className="font-bold">
          {c.way.name}
          <span className="quiet font-normal"> (as planned)</span>
        </span>
      ) : (
        <>
          <label className="sr-only" htmlFor={`beside-${nth}`}>
            Way in column {nth + 1}
          </label>
          <select
            id={`beside-${nth}`}
            className="stitch w-full max-w-[21rem] text-ellipsis"
            value={c.way.id}
            onChange={(e) => swap(e.target.value)}
          >
            {choices.map((w) => (
              <option key={w.id} value={w.id}>
                {w.name}
              </option>
            ))}
          </select>
        </>
      )}
      <span className="quiet block">{c.way.why}</span>
    </th>
  );
}

/** What goes in of a way, by weight or by volume; or why it cannot be made so. */
function WhatGoesIn({ column: { made, cannot } }: { column: Column }) {
  const units = useUnits();
  if (!made) return <span className="wrong">{cannot}</span>;
  return made.reckoning.lines.map((l) => (
    <span key={l.id} className="block">
      {l.name}{" "}
      <span className="text-ash">
        {made.program.lines.find((x) => x.line.id === l.id)!.stuff.plant
          ? units.massExact(l.grams.value)
          : units.volumeExact(l.ml.value)}
      </span>
    </span>
  ));
}

/** One thing of every column, under its name; a brush stroke where they truly differ. */
function ComparedRow({
  words,
  differs,
  columns,
  cell,
}: {
  words: string;
  differs?: boolean;
  columns: readonly Column[];
  cell: (column: Column) => React.ReactNode;
}) {
  return (
    <tr className="border-b border-rule align-top">
      <th scope="row" className="text-left font-normal text-ash py-1.5">
        {differs ? (
          <span className="border-b-4 border-cobalt text-iron font-semibold">
            {words}
            <span className="sr-only"> (differs)</span>
          </span>
        ) : (
          words
        )}
      </th>
      {columns.map((c, i) => (
        <td key={i} className={`px-3 py-1.5 ${differs ? "font-semibold" : ""}`}>
          {cell(c)}
        </td>
      ))}
    </tr>
  );
}

function CautionsOf({ column: { made } }: { column: Column }) {
  if (made?.cautions.length === 0) return <span className="text-ash">none</span>;
  return made?.cautions.map((x, i) => (
    <span key={i} className="block">
      <Told of={x.says} />
    </span>
  ));
}

/** Two or three ways on the same herbs, as columns; where they truly differ is marked. */
export function WaysDrawer({ plan, lots, company, today, currency, take }: Props) {
  const { columns, others, shown, swap, clear } = useBeside({ plan, lots, company });
  const marks = differing(columns);
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
              <ColumnHead
                key={i}
                column={c}
                nth={i}
                choices={others.filter((w) => w.id === c.way.id || !shown.includes(w))}
                swap={(id) => swap(i - 1, id)}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          <ComparedRow words="what goes in" columns={columns} cell={(c) => <WhatGoesIn column={c} />} />
          {(Object.keys(ROW_WORDS) as RowName[]).map((row) => (
            <ComparedRow
              key={row}
              words={ROW_WORDS[row]}
              differs={marks.has(row)}
              columns={columns}
              cell={(c) => <Cell column={c} row={row} today={today} currency={currency} />}
            />
          ))}
          <ComparedRow words="cautions" columns={columns} cell={(c) => <CautionsOf column={c} />} />
          <tr>
            <td />
            {columns.map((c, i) => (
              <td key={i} className="px-3 py-2">
                {i > 0 && c.made && (
                  <button
                    type="button"
                    className="plain min-h-11"
                    onClick={() => {
                      clear();
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
