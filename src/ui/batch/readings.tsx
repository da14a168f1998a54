"use client";
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { temperaturesOf } from "@/core/journal/forecast";
import { sifted } from "@/core/journal/at-the-stove";
import type { Batch } from "@/core/journal/fold";
import { ASIDE_WORDS, type Aside } from "@/core/kitchen/sift";
import { printTemperature } from "@/core/reading/print";
import { useUnits } from "../kit/units";
import { clockTime } from "../kitchen/time";

/** Fewer than these are told in the journal well enough. */
const WORTH_PLOTTING = 3;

/** What the thermometer showed over the making, and what was kept aside. */
export function Readings({ batch, zone }: { batch: Batch; zone: string }) {
  const { degrees } = useUnits();
  const points = temperaturesOf(batch).map((t) => ({ minute: t.minute, celsius: t.celsius }));
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
          <ResponsiveContainer width="100%" height="100%">
            <LineChart data={points} margin={{ top: 12, right: 16, bottom: 4, left: 0 }}>
              <CartesianGrid stroke="var(--color-rule)" vertical={false} />
              <XAxis
                dataKey="minute"
                type="number"
                domain={["dataMin", "dataMax"]}
                tickFormatter={clock}
                tick={{ fontSize: 14, fill: "var(--color-ash)" }}
                stroke="var(--color-iron)"
              />
              <YAxis
                width={64}
                tickFormatter={(c: number) => printTemperature(c, degrees)}
                tick={{ fontSize: 14, fill: "var(--color-ash)" }}
                stroke="var(--color-iron)"
              />
              <Tooltip
                isAnimationActive={false}
                labelFormatter={(m) => clock(Number(m))}
                formatter={(c) => [printTemperature(Number(c), degrees), "read"]}
              />
              <Line
                dataKey="celsius"
                stroke="var(--color-cobalt)"
                strokeWidth={2}
                dot={points.length <= 60 ? { r: 3 } : false}
                isAnimationActive={false}
              />
            </LineChart>
          </ResponsiveContainer>
        </div>
        <figcaption className="quiet">
          {points.length} temperatures.
          {aside.length > 0 ? ` ${aside.length} kept aside: ${why.join("; ")}.` : ""}
        </figcaption>
      </figure>
    </section>
  );
}
