"use client";
import { capital } from "@/core/words";
import type { Went } from "@/core/reckoning/went";
import { WentBars } from "../figures/went-bars";
import { useUnits } from "../kit/units";
import { WRINGING_WORDS } from "./step-words";

/** Where the liquid goes, as a short account that ends in what comes out. */
export function LiquidWent({
  went,
  head,
  drawn = false,
}: {
  went: Went;
  head: string;
  /** As bars to one scale, too. */
  drawn?: boolean;
}) {
  const units = useUnits();
  const rows: readonly (readonly [string, number, "+" | "−" | ""])[] = [
    ["poured", went.poured, ""],
    ["from the plants", went.fromPlants, "+"],
    ["shrinks when mixed", went.closedUp, "−"],
    ["boiled off", went.boiledOff, "−"],
    [
      went.weighed
        ? "held in what is left of the herb, as weighed"
        : "held in what is left of the herb, about",
      went.held,
      "−",
    ],
    [went.weighed ? "on cloth and pot, or spilt" : "on cloth and pot, typical", went.onCloth, "−"],
  ];
  const all = went.poured + went.fromPlants;
  const share = (ml: number): string => `${Math.round((100 * ml) / Math.max(1, all))} %`;
  return (
    <section aria-label={head} className="pt-3">
      <h3 className="ruled-head">{head}</h3>
      {drawn && <WentBars went={went} />}
      <dl className="grid grid-cols-[1fr_auto] gap-x-4 text-[1.0625rem] pt-1">
        {rows
          .filter(([, ml]) => ml >= 1)
          .map(([name, ml, sign]) => (
            <div key={name} className="contents">
              <dt className="text-ash">{name}</dt>
              <dd className="text-right tabular-nums">
                {sign} {units.volumeExact(ml)}
                {sign === "−" && <span className="text-ash"> {share(ml)}</span>}
              </dd>
            </div>
          ))}
        <dt className="font-semibold border-t border-rule">comes out</dt>
        <dd className="text-right tabular-nums font-semibold border-t border-rule">
          {units.volumeExact(went.out)} <span className="font-normal text-ash">{share(went.out)}</span>
        </dd>
        {went.boiledAfter >= 1 && (
          <>
            <dt className="text-ash">boiled off after the cloth</dt>
            <dd className="text-right tabular-nums">− {units.volumeExact(went.boiledAfter)}</dd>
          </>
        )}
      </dl>
      {went.wringMore && (
        <p className="quiet pt-1">
          {capital(WRINGING_WORDS[went.wringMore.how])}, it would give about{" "}
          {units.about(Math.round(went.wringMore.ml / 5) * 5)} more.
        </p>
      )}
    </section>
  );
}
