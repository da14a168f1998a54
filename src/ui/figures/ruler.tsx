import { memo } from "react";

import { CM_PER_INCH } from "@/core/quantity/units";
import { INK } from "./vessel-shell";

/** Heights up the side, as the household’s own ruler has them. */
export const Ruler = memo(function Ruler({
  x,
  brimCm,
  top,
  k,
  ruler,
}: {
  x: number;
  brimCm: number;
  top: number;
  k: number;
  ruler: "cm" | "in";
}) {
  const { eachCm, tick, long } = scaleOf(ruler, brimCm);
  const ticks = Array.from({ length: Math.floor(brimCm / eachCm / tick) + 1 }, (_, i) => i * tick);
  const y = (n: number): number => top + (brimCm - n * eachCm) * k;
  const highest = ticks.at(-1)!;
  return (
    <g fontSize="14" fill="var(--color-ash)" aria-hidden="true">
      <path d={`M${x - 14} ${y(0)}V${y(highest)}`} stroke={INK} strokeWidth="1.2" />
      {ticks.map((n) => (
        <g key={n}>
          <path d={`M${x - 14} ${y(n)}h-${n % long === 0 ? 9 : 5}`} stroke={INK} strokeWidth="1.2" />
          {n % long === 0 && (
            <text x={x - 27} y={y(n) + 5} textAnchor="end">
              {n}
            </text>
          )}
        </g>
      ))}
      <text x={x - 27} y={y(highest) - 10} textAnchor="end">
        {ruler}
      </text>
    </g>
  );
});

/** cm of one of the ruler, how far apart its ticks are, and which of them carry a figure. */
function scaleOf(ruler: "cm" | "in", brimCm: number): { eachCm: number; tick: number; long: number } {
  const tall = brimCm > 40;
  if (ruler === "in") return { eachCm: CM_PER_INCH, tick: 0.5, long: tall ? 4 : 1 };
  return { eachCm: 1, tick: 1, long: tall ? 10 : 5 };
}
