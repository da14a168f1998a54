import { printLength } from "@/core/reading/print";

import { type Profile, type Solid, diameterAt, solidOf } from "@/core/vessel/profile";
import { type Substance, SUBSTANCE_WORDS, fillOf } from "./substance";
import { type DrawnLid, GLASS, Shell } from "./vessel-shell";
import { Ruler } from "./ruler";

export interface DrawnLayer {
  readonly fromCm: number;
  readonly toCm: number;
  readonly substance: Substance;
}
export interface DrawnMark {
  readonly cm: number;
  readonly words: string;
  /** The liquid's surface lies inside the herb. */
  readonly hidden?: boolean;
}
export type { DrawnLid } from "./vessel-shell";

interface Props {
  readonly profile: Profile;
  readonly layers: readonly DrawnLayer[];
  readonly marks?: readonly DrawnMark[];
  readonly lid: DrawnLid;
  /** Pixels for a centimetre. */
  readonly scale: number;
  readonly headspaceCm?: number;
  /** cm scale up the side and marks with words; without them the drawing is for a shelf. */
  readonly measured?: boolean;
  readonly ruler?: "cm" | "in";
  /** A former version, as dark-and-light dashes: its vessel, and the levels it stood at, cm. */
  readonly ghost?: { readonly profile: Profile; readonly cms: readonly number[] } | undefined;
  readonly floaters?: readonly string[];
  readonly floatAtCm?: number;
  /** What the drawing is of, for those who hear it. */
  readonly title: string;
}

/** Half of the inside's outline from one height to another, as x offsets from the middle. */
function slice(s: Solid, from: number, to: number): [number, number][] {
  const points: [number, number][] = [[from, diameterAt(s, from) / 2]];
  for (const [h, d] of s.profile) if (h > from + 1e-6 && h < to - 1e-6) points.push([h, d / 2]);
  points.push([to, diameterAt(s, to) / 2]);
  return points;
}

/**
 * Heights spread so that no two labels stand closer than `gap`, each as near its own as can be, none outside `least`–`most` while there is room.
 * Least squares by pooling neighbours: with i·gap taken off, the order must only not fall.
 */
export function spread(heights: readonly number[], gap: number, least: number, most: number): number[] {
  const order = heights.map((h, i) => ({ h, i })).sort((a, b) => a.h - b.h || a.i - b.i);
  const pools: { sum: number; n: number }[] = [];
  order.forEach((o, k) => {
    pools.push({ sum: o.h - k * gap, n: 1 });
    while (
      pools.length > 1 &&
      pools[pools.length - 2]!.sum / pools[pools.length - 2]!.n >
        pools[pools.length - 1]!.sum / pools[pools.length - 1]!.n
    ) {
      const top = pools.pop()!;
      const under = pools[pools.length - 1]!;
      under.sum += top.sum;
      under.n += top.n;
    }
  });
  const out = new Array<number>(heights.length);
  const highest = most - (heights.length - 1) * gap;
  let k = 0;
  for (const p of pools)
    for (let j = 0; j < p.n; j++, k++)
      out[order[k]!.i] = Math.max(least, Math.min(highest, p.sum / p.n)) + k * gap;
  return out;
}

/** In plain words, what the drawing shows. */
export function described(p: Pick<Props, "layers" | "marks" | "title" | "floaters">): string {
  const layers = [...p.layers]
    .sort((a, b) => a.fromCm - b.fromCm)
    .map((l) => `${SUBSTANCE_WORDS[l.substance]} from ${l.fromCm.toFixed(1)} to ${l.toCm.toFixed(1)} cm`);
  return `${p.title}. ${layers.length > 0 ? `From the base up: ${layers.join("; ")}.` : "Empty."}${p.floaters && p.floaters.length > 0 ? ` ${p.floaters.join(" and ")} float and want a weight.` : ""}`;
}

/** cm the lid stands over the brim. */
function lidHeight(lid: DrawnLid, brimCm: number): number {
  if (lid === "none" || lid === "off") return 0.3;
  return lid === "cork" ? 2.2 : Math.min(1.8, Math.max(0.9, brimCm * 0.1));
}

/** How things stood in a former version: its vessel’s inside and its levels, dashed dark and light. */
function Ghost({
  profile,
  cms,
  middle,
  k,
  y,
}: {
  profile: Profile;
  cms: readonly number[];
  middle: number;
  k: number;
  y: (cm: number) => number;
}) {
  const solid = solidOf(profile);
  const top = Math.max(...cms, 0);
  const half = slice(solid, 0, Math.min(solid.brimCm, Math.max(top, 0.1)));
  const right = half.map(([h, r]) => `${(middle + r * k).toFixed(1)} ${y(h).toFixed(1)}`);
  const left = [...half].reverse().map(([h, r]) => `${(middle - r * k).toFixed(1)} ${y(h).toFixed(1)}`);
  const levels = cms
    .filter((cm) => cm > 0.05 && cm < solid.brimCm)
    .map((cm) => {
      const r = (diameterAt(solid, cm) / 2) * k;
      return `M${(middle - r).toFixed(1)} ${y(cm).toFixed(1)}H${(middle + r).toFixed(1)}`;
    });
  const d = `M${right.join("L")}M${left.join("L")}${levels.join("")}`;
  return (
    <g fill="none" strokeWidth="2.2" data-ghost>
      <path d={d} stroke="var(--color-white)" />
      <path d={d} stroke="var(--color-iron)" strokeDasharray="6 5" />
    </g>
  );
}

/** Cross-section of a vessel to scale, from its real profile; every level is the reckoned one. */
export function VesselFigure(p: Props) {
  const solid = solidOf(p.profile);
  const k = p.scale;
  const measured = p.measured === true;
  const widest = Math.max(...p.profile.map(([, d]) => d)) / 2 + GLASS;
  const mouth = p.profile[p.profile.length - 1]![1] / 2;
  const pot = p.lid === "none";
  const lidCm = lidHeight(p.lid, solid.brimCm);
  const ruler = p.ruler ?? "cm";
  const rulerW = measured ? 46 : 0;
  const marksW = measured ? 128 : 0;
  const handle = pot ? 3.2 : 0;
  const middle = rulerW + widest * k + 2;
  const width = middle + (widest + handle) * k + 2 + marksW;
  const top = lidCm * k + 4;
  const height = top + (solid.brimCm + GLASS) * k + 6;
  const y = (cm: number): number => top + (solid.brimCm - cm) * k;
  const mirrored = (points: readonly [number, number][], out = 0): string =>
    [
      ...points.map(([h, r]) => [middle + (r + out) * k, y(h)] as const),
      ...[...points].reverse().map(([h, r]) => [middle - (r + out) * k, y(h)] as const),
    ]
      .map(([a, b], i) => `${i === 0 ? "M" : "L"}${a.toFixed(1)} ${b.toFixed(1)}`)
      .join("") + "Z";
  const inside = slice(solid, 0, solid.brimCm);
  // The glass follows the inside a little way out, open at the brim.
  const wall = [
    [-GLASS, Math.max(0.3, inside[0]![1] - 0.3)] as [number, number],
    ...inside.map(([h, r]) => [h, r + GLASS] as [number, number]),
  ];
  const right = wall.map(([h, r]) => `${(middle + r * k).toFixed(1)} ${y(h).toFixed(1)}`);
  const left = [...wall].reverse().map(([h, r]) => `${(middle - r * k).toFixed(1)} ${y(h).toFixed(1)}`);
  const marks = p.marks ?? [];
  const labelAt = spread(
    marks.map((m) => y(m.cm)),
    40,
    top + 8,
    height - 30,
  );
  const surface = Math.max(0, ...p.layers.map((l) => l.toCm));
  const line = p.headspaceCm === undefined ? undefined : solid.brimCm - p.headspaceCm;
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={described(p)}
      className="max-w-full h-auto overflow-visible"
    >
      <path d={mirrored(inside)} fill="var(--color-glaze)" opacity="0.35" />
      {p.layers.map((l, i) =>
        l.toCm > l.fromCm + 1e-3 ? (
          <path
            key={i}
            className="vessel-level"
            d={mirrored(slice(solid, l.fromCm, l.toCm))}
            fill={fillOf(l.substance)}
            stroke="var(--color-iron)"
            strokeOpacity="0.35"
            strokeWidth="0.7"
          />
        ) : null,
      )}
      {p.ghost && <Ghost {...p.ghost} middle={middle} k={k} y={y} />}
      {p.floatAtCm !== undefined && p.floaters && p.floaters.length > 0 && (
        <g aria-hidden="true">
          {[-0.55, -0.2, 0.2, 0.55].map((s, i) => {
            const r = diameterAt(solid, p.floatAtCm!) / 2;
            return (
              <path
                key={i}
                d={`M${middle + s * r * k - 7} ${y(p.floatAtCm!) + 3}q7-9 14 0q-7 5-14 0z`}
                fill="#7d8a4c"
                stroke="#42562a"
                strokeWidth="0.8"
              />
            );
          })}
        </g>
      )}
      <Shell
        right={right.slice().reverse().join("L")}
        left={left.slice().reverse().join("L")}
        lid={p.lid}
        measured={measured}
        middle={middle}
        mouth={mouth}
        k={k}
        brimY={y(solid.brimCm)}
        handleY={y(solid.brimCm * 0.86)}
        lidCm={lidCm}
        handle={handle}
      />
      {measured && line !== undefined && surface < line - 0.05 && (
        <path
          d={`M${middle - (diameterAt(solid, line) / 2) * k} ${y(line)}H${middle + (diameterAt(solid, line) / 2) * k}`}
          stroke="var(--color-ash)"
          strokeWidth="1"
          strokeDasharray="5 4"
        />
      )}
      {measured && <Ruler x={rulerW} brimCm={solid.brimCm} top={top} k={k} ruler={ruler} />}
      {measured &&
        marks.map((m, i) => {
          const from = middle + (diameterAt(solid, m.cm) / 2) * k;
          const at = labelAt[i]!;
          const textX = middle + widest * k + 26;
          return (
            <g key={i} aria-hidden="true">
              <path
                d={`M${from - 26} ${y(m.cm)}H${from + 6}L${textX - 6} ${at}`}
                fill="none"
                stroke="var(--color-cobalt)"
                strokeWidth={m.hidden ? 2 : 3}
                strokeDasharray={m.hidden ? "4 3" : undefined}
                strokeLinecap="round"
                strokeLinejoin="round"
              />
              <text x={textX} y={at + 2} fontSize="16" fontWeight="700" fill="var(--color-cobalt)">
                {printLength(m.cm, ruler)}
              </text>
              <text x={textX} y={at + 18} fontSize="14" fill="var(--color-iron)">
                {m.words}
              </text>
            </g>
          );
        })}
    </svg>
  );
}
