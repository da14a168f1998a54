import Link from "../kit/link";
import { printDay } from "@/core/day";
import type { Estimate } from "@/core/estimate";
import {
  type Compared as Row,
  COMPARED,
  type Side,
  comparedApart,
  comparedOf,
  linesCompared,
} from "@/core/journal/compare";
import { counted } from "@/core/words";
import type { Measures } from "@/core/reading/measures";
import { verdictHead } from "../plan/verdict-words";

const ROW_WORDS: Readonly<Record<Row, string>> = {
  yield: "yield",
  days: "stood",
  sweetness: "sweetness",
  sharpness: "sharpness",
  strength: "strength",
  keeping: "keeping",
  herb: "herb a spoon",
  sugar: "sugar a spoon",
  alcohol: "alcohol a spoon",
};

/** A figure with half its spread: “812 mL ± 15”. */
function withSpread({ value, low, high }: Estimate, unit: string, places = 0): string {
  const half = (high - low) / 2;
  const spread = half < 0.5 * 10 ** -places ? "" : ` ± ${half.toFixed(places)}`;
  return `${value.toFixed(places)}${spread} ${unit}`;
}

/** A volume as the household's jug is marked, so that two of them are compared at a glance. */
function volume({ value, low, high, ...e }: Estimate, { jug }: Measures): string {
  const is = { ...e, value: value / jug.ml, low: low / jug.ml, high: high / jug.ml };
  return withSpread(is, jug.words, jug.ml === 1 ? 0 : 1);
}
const amount = (a: Estimate, liquid: boolean, units: Measures): string =>
  liquid ? volume(a, units) : withSpread(a, "g", a.value < 10 ? 1 : 0);

function said(side: Side, row: Row, units: Measures): string {
  const f = comparedOf(side, row);
  if (!f) return "not yet";
  switch (row) {
    case "yield":
      return volume(f, units);
    case "days":
      return f.value === 0 ? "made in a day" : counted(f.value, "day");
    case "sweetness":
      return withSpread(f, "°Bx");
    case "sharpness":
      return f.value < 0.05 ? "none" : withSpread(f, "% acid", 1);
    case "strength":
      return f.value < 0.5 ? "none" : withSpread(f, "% vol");
    case "keeping": {
      const head = verdictHead(side.reckoned.reckoning.verdict);
      return `${head.place} ${head.life}`;
    }
    case "herb":
      return withSpread(f, "g", 2);
    case "sugar":
      return withSpread(f, "g", 1);
    case "alcohol":
      return f.value < 0.01 ? "none" : withSpread(f, "g", 2);
  }
}

/** The head of a row; marked where the batches truly differ in it. */
function RowHead({ words, apart }: { words: string; apart: boolean }) {
  return (
    <th scope="row" className="text-left font-normal text-ash py-2 pr-4">
      <span className={apart ? "border-b-4 border-cobalt text-iron font-semibold" : ""}>
        {words}
        {apart && <span className="sr-only"> (differs)</span>}
      </span>
    </th>
  );
}

/** Batches as columns: what went in, and what came of it; a row with a brush stroke differs by more than the spreads. */
export function Compared({ sides, measures: units }: { sides: readonly Side[]; measures: Measures }) {
  const apart = comparedApart(sides);
  return (
    <div
      className="relative overflow-x-auto pt-3"
      role="region"
      aria-label="Batches side by side"
      tabIndex={0}
    >
      <table className="w-full min-w-[40rem] max-w-6xl table-fixed border-collapse">
        <caption className="text-left quiet pb-2">
          A row with a brush stroke differs by more than what is known of it.
        </caption>
        <thead>
          <tr className="border-b-2 border-iron align-bottom">
            <th scope="col" className="w-36 sm:w-48">
              <span className="sr-only">What</span>
            </th>
            {sides.map(({ batch }) => (
              <th key={batch.id} scope="col" className="text-left font-normal px-3 py-2">
                <Link href={`/batch/${batch.id}`} className="stencil">
                  {batch.code}
                </Link>
                <strong className="block">{batch.name}</strong>
                <span className="quiet">{printDay(batch.begunDay, "year")}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {linesCompared(sides).map((l) => (
            <tr key={l.material} className="border-b border-rule align-top">
              <RowHead words={l.name} apart={l.apart} />
              {l.amounts.map((a, i) => (
                <td key={sides[i]!.batch.id} className="px-3 py-2">
                  {a ? amount(a, l.liquid, units) : "none"}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
        <tbody className="border-t-2 border-iron">
          {COMPARED.map((row) => (
            <tr key={row} className="border-b border-rule align-top">
              <RowHead words={ROW_WORDS[row]} apart={apart.has(row)} />
              {sides.map((side) => (
                <td key={side.batch.id} className="px-3 py-2">
                  {said(side, row, units)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <BySpoon sides={sides} />
    </div>
  );
}

/** How many spoons of the weakest hold as much herb as one of the strongest, where that is known well enough to be said. */
function BySpoon({ sides }: { sides: readonly Side[] }) {
  const by = sides
    .flatMap((s) => {
      const herb = comparedOf(s, "herb");
      return herb && herb.low > 0 ? [{ code: s.batch.code, herb }] : [];
    })
    .sort((a, b) => a.herb.value - b.herb.value);
  const [weak, strong] = [by[0], by.at(-1)];
  if (!weak || !strong || strong.herb.low <= weak.herb.high) return null;
  const times = strong.herb.value / weak.herb.value;
  return (
    <p className="pt-3" data-testid="by-spoon">
      A spoon of <span className="stencil">{strong.code}</span> holds as much herb as about{" "}
      {Number(times.toFixed(times < 10 ? 1 : 0))} spoons of <span className="stencil">{weak.code}</span>.
    </p>
  );
}
