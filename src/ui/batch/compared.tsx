import Link from "../kit/link";
import { printDay } from "@/core/day";
import { COMPARED, type Side, comparedApart, comparedOf, linesCompared } from "@/core/journal/compare";
import type { Measures } from "@/core/reading/measures";
import { ROW_WORDS, amount, said } from "./compared-words";

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
      className="relative overflow-x-auto pt-6"
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
