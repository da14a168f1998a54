import { memo } from "react";
import { type KeepingMap, keepingMap } from "@/core/keeping/map";
import type { Figures } from "@/core/reckoning/reckon";

const maps: Partial<
  Record<
    KeepingMap["up"],
    {
      map: KeepingMap;
      paths: { cupboard: string; "use-now": string };
      spots: Record<string, [number, number] | undefined>;
    }
  >
> = {};
const W = 340;
const H = 124;

/** The regions as paths of merged cells, made once: they depend on the rows alone. */
function drawn(up: KeepingMap["up"]) {
  const held = maps[up];
  if (held) return held;
  const map = keepingMap(up);
  const cw = W / map.across.length;
  const ch = H / map.upward.length;
  const paths = { cupboard: "", "use-now": "" };
  const sums: Record<string, { x: number; y: number; n: number }> = {};
  map.cells.forEach((row, r) => {
    for (let i = 0; i < row.length;) {
      let j = i;
      while (j < row.length && row[j] === row[i]) j++;
      const region = row[i]!;
      if (region !== "fridge")
        paths[region] +=
          `M${(i * cw).toFixed(1)} ${(H - (r + 1) * ch).toFixed(1)}h${((j - i) * cw).toFixed(1)}v${(ch + 0.3).toFixed(1)}h-${((j - i) * cw).toFixed(1)}z`;
      const s = (sums[region] ??= { x: 0, y: 0, n: 0 });
      s.x += ((i + j) / 2) * cw * (j - i);
      s.y += (H - (r + 0.5) * ch) * (j - i);
      s.n += j - i;
      i = j;
    }
  });
  const spots = Object.fromEntries(
    ["cupboard", "fridge", "use-now"].map((k) => [
      k,
      sums[k] ? [sums[k].x / sums[k].n, sums[k].y / sums[k].n] : undefined,
    ]),
  ) as Record<string, [number, number] | undefined>;
  return (maps[up] = { map, paths, spots });
}

/** The ground of the chart and its axes; the same until the rows change. */
const Regions = memo(function Regions({ up }: { up: KeepingMap["up"] }) {
  const { paths, spots } = drawn(up);
  return (
    <>
      <rect width={W} height={H} fill="var(--color-glaze)" />
      <path d={paths["use-now"]} fill="var(--color-rust-pale)" />
      <path d={paths.cupboard} fill="var(--color-celadon)" />
      <g fontSize="14" fill="var(--color-iron)">
        {spots["cupboard"] && (
          <text x={W - 6} y={16} textAnchor="end">
            cupboard
          </text>
        )}
        <text x={6} y={H - 6}>
          use soon
        </text>
        {spots["fridge"] && (
          <text x={Math.min(W - 60, spots["fridge"][0])} y={spots["fridge"][1] + 10} textAnchor="middle">
            fridge
          </text>
        )}
      </g>
      <path d={`M0 0V${H}H${W}`} fill="none" stroke="var(--color-iron)" strokeWidth="2" />
      <g fontSize="14" fill="var(--color-ash)">
        <text x="-8" y="12" textAnchor="end">
          {up === "acetic" ? "acid" : "spirit"}
        </text>
        <text x="-8" y="28" textAnchor="end">
          %
        </text>
        <text x="0" y={H + 20}>
          0
        </text>
        <text x={W} y={H + 20} textAnchor="end">
          % sugar by weight
        </text>
      </g>
    </>
  );
});

/**
 * Sweetness across, sharpness or strength up; the places as regions from the real rows, this batch as a point with its spread,
 * and the path from strained to finished.
 */
export function KeepingChart({
  strained,
  finished,
  words,
}: {
  strained: Figures;
  finished: Figures;
  words: string;
}) {
  const up: KeepingMap["up"] =
    finished.abv.value > 2 && finished.abv.value * 0.15 > finished.acetic.value ? "abv" : "acetic";
  const { map } = drawn(up);
  const x = (bx: number): number => (Math.min(map.mostAcross, bx) / map.mostAcross) * W;
  const y = (u: number): number => H - (Math.min(map.mostUp, u) / map.mostUp) * H;
  const at = [x(finished.brix.value), y(finished[up].value)] as const;
  const from = [x(strained.brix.value), y(strained[up].value)] as const;
  const moved = Math.hypot(at[0] - from[0], at[1] - from[1]) > 6;
  const rx = Math.max(5, (x(finished.brix.high) - x(finished.brix.low)) / 2);
  const ry = Math.max(5, (y(finished[up].low) - y(finished[up].high)) / 2);
  return (
    <div data-drawing="">
      <svg
        viewBox={`-46 -6 ${W + 52} ${H + 34}`}
        className="w-full h-auto"
        role="img"
        aria-label={`Keeping chart. Sweetness ${finished.brix.value.toFixed(0)} % sugar, ${up === "acetic" ? `acetic acid ${finished.acetic.value.toFixed(1)} per cent` : `alcohol ${finished.abv.value.toFixed(0)} per cent`}. ${words}`}
      >
        <Regions up={up} />
        {moved && (
          <>
            <path
              d={`M${from[0]} ${from[1]}L${at[0]} ${at[1]}`}
              stroke="var(--color-cobalt)"
              strokeWidth="2.5"
              strokeDasharray="3 5"
              strokeLinecap="round"
            />
            <circle
              cx={from[0]}
              cy={from[1]}
              r="3.5"
              fill="var(--color-paper)"
              stroke="var(--color-cobalt)"
              strokeWidth="2"
            />
          </>
        )}
        <ellipse cx={at[0]} cy={at[1]} rx={rx} ry={ry} fill="var(--color-cobalt)" opacity="0.25" />
        <circle cx={at[0]} cy={at[1]} r="6.5" fill="var(--color-cobalt)" />
      </svg>
    </div>
  );
}
