"use client";
import dynamic from "next/dynamic";
import { temperaturesOf } from "@/core/journal/forecast";
import type { Foreseen } from "./foreseen-course";
import { sifted } from "@/core/journal/at-the-stove";
import type { Batch } from "@/core/journal/fold";
import { ASIDE_WORDS, type Aside } from "@/core/kitchen/sift";
import { useUnits } from "../kit/units";
import { clockTime } from "../kitchen/time";

/** The chart comes when there is something to plot, and not before. */
const Chart = dynamic(() => import("./readings-chart").then((m) => m.ReadingsChart));

/** Fewer than these are told in the journal well enough. */
const WORTH_PLOTTING = 3;

/** What the thermometer showed over the making, what is foreseen from it, and what was kept aside. */
export function Readings({
  batch,
  zone,
  foreseen,
}: {
  batch: Batch;
  zone: string;
  foreseen: readonly Foreseen[];
}) {
  const { degrees } = useUnits();
  const points = temperaturesOf(batch).map((t) => ({ minute: t.minute, celsius: t.celsius }));
  const data = [...points, ...foreseen];
  const { aside } = sifted(batch.stove.readings, "temperature");
  if (points.length < WORTH_PLOTTING) return null;
  const clock = (minute: number): string => clockTime(minute * 60_000, zone);
  const why = [...new Set(aside.map((a) => ASIDE_WORDS[a.why as Aside]))];
  return (
    <section aria-label="Readings">
      <h2 className="ruled-head pt-4">Readings</h2>
      <figure>
        <div
          className="h-56"
          role="img"
          aria-label={`${points.length} temperatures, from ${clock(points[0]!.minute)} to ${clock(points.at(-1)!.minute)}.`}
        >
          <Chart data={data} dots={points.length <= 60} clock={clock} degrees={degrees} />
        </div>
        <figcaption className="quiet">
          {points.length} temperatures.
          {aside.length > 0 ? ` ${aside.length} kept aside: ${why.join("; ")}.` : ""}
        </figcaption>
      </figure>
    </section>
  );
}
