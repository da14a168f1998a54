"use client";
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { printTemperature } from "@/core/reading/print";

interface Point {
  readonly minute: number;
  /** °C as it was read, or as it is foreseen. */
  readonly celsius?: number;
  readonly ahead?: number;
}

/** Temperatures over time: what was read as a line, what is foreseen as stitches. */
export function ReadingsChart({
  data,
  dots,
  clock,
  degrees,
}: {
  data: readonly Point[];
  dots: boolean;
  clock: (minute: number) => string;
  degrees: "C" | "F";
}) {
  return (
    <ResponsiveContainer width="100%" height="100%">
      <LineChart data={data} margin={{ top: 12, right: 16, bottom: 4, left: 0 }}>
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
          formatter={(c, name) => [
            printTemperature(Number(c), degrees),
            name === "ahead" ? "foreseen" : "read",
          ]}
        />
        <Line
          dataKey="celsius"
          stroke="var(--color-cobalt)"
          strokeWidth={2}
          dot={dots ? { r: 3 } : false}
          isAnimationActive={false}
        />
        <Line
          dataKey="ahead"
          stroke="var(--color-cobalt)"
          strokeWidth={3}
          strokeDasharray="1 7"
          strokeLinecap="round"
          dot={false}
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
