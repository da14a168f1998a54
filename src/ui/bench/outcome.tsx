"use client";
import type { Care } from "@/core/care/care";
import { type Day, addDays, printDay } from "@/core/care/day";
import type { Reckoning } from "@/core/remedy/reckon";
import { KeepingChart } from "../figures/keeping-chart";
import { useUnits } from "../kit/units";
import { distanceWords, verdictHead, verdictWhy } from "./words";

/** What you will have: yield, ready day, where it keeps and why, and what a spoon holds. */
export function Outcome({ r, care, today, stale }: { r: Reckoning; care: Care; today: Day; stale: boolean }) {
  const units = useUnits();
  const head = verdictHead(r.verdict);
  const w = care.window;
  const spoon = (x: number): string => (x < 0.05 ? "0" : x < 1 ? x.toFixed(1) : x < 10 ? x.toFixed(1) : x.toFixed(0));
  const near = r.verdict.next && r.verdict.next.lacks.length === 1 && Math.abs(r.verdict.next.lacks[0]!.at - r.verdict.next.lacks[0]!.condition.line) / Math.abs(r.verdict.next.lacks[0]!.condition.line) < 0.4 ? r.verdict.next : undefined;
  return (
    <section aria-labelledby="outcome" className={stale ? "opacity-60" : ""}>
      <h2 id="outcome" className="ruled-head">What you will have</h2>
      <div className="grid grid-cols-2 gap-4 pt-2">
        <p>
          <span className="block text-[2.25rem] font-bold leading-tight" data-testid="yield">{units.display === "metric" ? units.volumeExact(r.finished.ml.value) : units.volumeExact(r.finished.ml.value)}</span>
          <span className="quiet">between {Math.round(r.finished.ml.low / 5) * 5} and {Math.round(r.finished.ml.high / 5) * 5}</span>
        </p>
        <p>
          <span className="block text-[2.25rem] font-bold leading-tight" data-testid="ready">{w ? printDay(addDays(today, w.best), "short") : "today"}</span>
          <span className="quiet">{w ? `strain ${printDay(addDays(today, w.earliest), "short")} to ${printDay(addDays(today, w.latest), "short")}` : "strained and bottled the same day"}</span>
        </p>
      </div>
      <h3 className="pt-3 text-[1.25rem] font-bold leading-snug" data-testid="verdict">{head.place} {head.life && <span className={r.verdict.place === "cupboard" ? "bg-celadon px-1" : r.verdict.place === "fridge" ? "bg-cobalt-pale px-1" : "bg-rust-pale px-1"}>{head.life}</span>}</h3>
      <ul className="pt-1" data-testid="why">{verdictWhy(r.verdict, r).map((x) => <li key={x}>{x}</li>)}</ul>
      {near && <p className="quiet pt-1">For {near.row.cupboard ? `${near.row.cupboard.words} in a cupboard` : `${near.row.fridge.words} in the fridge`}: {near.lacks.map(distanceWords).join("; ")}.</p>}
      <div className="pt-3"><KeepingChart strained={r.strained} finished={r.finished} words={`${head.place} ${head.life}`} /></div>
      <dl className="grid grid-cols-[1fr_auto] gap-x-4 border-t border-rule pt-2 mt-1">
        <dt>a spoon (5 mL)</dt>
        <dd className="text-right">{spoon(r.herbPerMl.value * 5)} g herb&ensp;{spoon(r.finished.sugar100.value * 0.05)} g sugar{r.finished.abv.value > 0.1 ? <>&ensp;{spoon((r.finished.abv.value / 100) * 5 * 0.789)} g alcohol</> : null}</dd>
        {r.shares && (
          <>
            <dt className="sr-only">sweetener</dt>
            <dd className="col-span-2">sweetener: {Number(r.shares.honeyOfLiquid.toFixed(2))} to 1 of liquid, {Math.round(100 * r.shares.honeyOfFinished)} % of the bottle, {Math.round(100 * r.shares.sugarByWeight)} % sugar by weight</dd>
          </>
        )}
      </dl>
    </section>
  );
}
