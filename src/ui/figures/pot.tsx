"use client";
import { printLength, printTemperature } from "@/core/reading/print";
import { type Solid, diameterAt } from "@/core/vessel/profile";
import { CM_PER_INCH } from "@/core/quantity/units";
import { useWidth } from "../kit/width";
import { Brush } from "./brush";
import { fillOf } from "./substance";
import { spread } from "./spread";
import type { DrawnLayer } from "./vessel";

export interface PotMark {
  readonly cm: number;
  readonly words: string;
  readonly more?: string | undefined;
  readonly sort: "was" | "now" | "stop" | "pour";
}

const INK: Readonly<Record<PotMark["sort"], string>> = {
  was: "var(--color-ash)",
  now: "var(--color-cobalt)",
  stop: "var(--color-rust)",
  pour: "var(--color-cobalt)",
};

interface Props {
  readonly solid: Solid;
  readonly layers: readonly DrawnLayer[];
  /** What has boiled away stood from here to there, cm. */
  readonly gone?: { readonly fromCm: number; readonly toCm: number } | undefined;
  readonly marks: readonly PotMark[];
  readonly thermometer?: { readonly celsius: number | undefined; readonly grey: boolean } | undefined;
  readonly lidOn: boolean;
  readonly ruler: "cm" | "in";
  readonly degrees: "C" | "F";
  readonly title: string;
}

/** Pixels kept for the labels at the right, and for the handle; on a phone the handle is left out. */
const LABELS = 152;
const NARROW = 520;
const handleOf = (width: number): number => (width < NARROW ? 0 : 56);

/** Half of the inside as points from the base up, with the points of the profile between. */
function wallOf(s: Solid, from: number, to: number): [cm: number, r: number][] {
  const between = s.profile.filter(([h]) => h > from + 1e-6 && h < to - 1e-6);
  return [
    [from, diameterAt(s, from) / 2],
    ...between.map(([h, d]): [number, number] => [h, d / 2]),
    [to, diameterAt(s, to) / 2],
  ];
}

interface Scale {
  readonly k: number;
  readonly middle: number;
  readonly y: (cm: number) => number;
}

function band(s: Solid, { k, middle, y }: Scale, from: number, to: number): string {
  const wall = wallOf(s, from, to);
  const at = (h: number, r: number): string => `${(middle + r * k).toFixed(1)} ${y(h).toFixed(1)}`;
  const right = wall.map(([h, r]) => at(h, r));
  const left = [...wall].reverse().map(([h, r]) => at(h, -r));
  return `M${[...right, ...left].join("L")}Z`;
}

function Dipstick({
  x,
  scale,
  brimCm,
  ruler,
}: {
  x: number;
  scale: Scale;
  brimCm: number;
  ruler: "cm" | "in";
}) {
  const each = ruler === "in" ? CM_PER_INCH : 1;
  const top = Math.floor(brimCm / each) + 1;
  const long = ruler === "in" ? 1 : 5;
  const step = ruler === "in" ? 0.5 : 1;
  const ticks = Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => i * step);
  const [y0, y1] = [scale.y(0) - 2, scale.y(top * each) - 8];
  return (
    <g aria-hidden="true">
      <rect
        x={x}
        y={y1}
        width={44}
        height={y0 - y1}
        fill="#cdbd94"
        stroke="var(--color-iron)"
        strokeWidth="2"
      />
      {[13, 24, 34].map((at, i) => (
        <path
          key={at}
          d={`M${x + at} ${y0 - 8}q${i === 1 ? -3 : 3} ${-(y0 - y1) / 2} 0 ${-(y0 - y1 - 20)}`}
          fill="none"
          stroke="#a8925f"
          strokeWidth="1.2"
        />
      ))}
      {ticks.map((n) => (
        <path
          key={n}
          d={`M${x} ${scale.y(n * each)}h${n % long === 0 ? 14 : 8}`}
          stroke="var(--color-iron)"
          strokeWidth="1.4"
        />
      ))}
      {ticks
        .filter((n) => n > 0 && n % long === 0)
        .map((n) => (
          <text key={n} x={x + 18} y={scale.y(n * each) + 6} fontSize="17" fill="var(--color-iron)">
            {n}
          </text>
        ))}
    </g>
  );
}

/** A dial and its needle, its stem in the pan; grey where what it shows is old. */
function Thermometer({ x, scale, brimCm, p }: { x: number; scale: Scale; brimCm: number; p: Props }) {
  const { celsius, grey } = p.thermometer!;
  const [cx, cy, r] = [x, scale.y(brimCm) - 62, 46];
  const ink = grey ? "var(--color-ash)" : "var(--color-cobalt)";
  // From 0 °C at the left to 120 °C at the right, over the top.
  const turn = (c: number): number => Math.PI * (1.25 - 1.5 * Math.min(1, Math.max(0, c / 120)));
  const at = (c: number, far: number): string =>
    `${(cx + far * Math.cos(turn(c))).toFixed(1)} ${(cy - far * Math.sin(turn(c))).toFixed(1)}`;
  return (
    <g aria-hidden="true">
      <path
        d={`M${cx + 10} ${cy + r - 4}L${cx + 58} ${scale.y(0.8)}`}
        stroke="var(--color-iron)"
        strokeWidth="6"
      />
      <path
        d={`M${cx + 10} ${cy + r - 4}L${cx + 58} ${scale.y(0.8)}`}
        stroke="var(--color-tin)"
        strokeWidth="3"
      />
      <circle cx={cx} cy={cy} r={r} fill="var(--color-paper)" stroke="var(--color-iron)" strokeWidth="2.5" />
      {Array.from({ length: 13 }, (_, i) => (
        <path
          key={i}
          d={`M${at(i * 10, r - 3)}L${at(i * 10, r - 9)}`}
          stroke="var(--color-iron)"
          strokeWidth="1.3"
        />
      ))}
      {celsius !== undefined && (
        <path d={`M${cx} ${cy}L${at(celsius, r - 12)}`} stroke={ink} strokeWidth="4" />
      )}
      <circle cx={cx} cy={cy} r={5} fill="var(--color-iron)" />
      <text x={cx + r + 14} y={cy + 2} fontSize="24" fontWeight="700" fill={ink}>
        {celsius === undefined ? "–" : printTemperature(celsius, p.degrees)}
      </text>
      <text x={cx + r + 14} y={cy + 24} fontSize="16" fill="var(--color-ash)">
        {grey ? "last seen" : "in the pan"}
      </text>
    </g>
  );
}

const layerWords = (layers: readonly DrawnLayer[], ruler: "cm" | "in"): string =>
  layers.length === 0 ? "Empty." : `Filled to ${printLength(Math.max(...layers.map((l) => l.toCm)), ruler)}.`;

function PotBody({ p, scale, handle }: { p: Props; scale: Scale; handle: number }) {
  const { solid } = p;
  const { k, middle, y } = scale;
  const wall = wallOf(solid, 0, solid.brimCm);
  const out = 5;
  const side = (sign: 1 | -1): string =>
    wall
      .map(
        ([h, r]) =>
          `${(middle + sign * (r * k + out)).toFixed(1)} ${(y(h) + (h === 0 ? out : 0)).toFixed(1)}`,
      )
      .join("L");
  const half = (diameterAt(solid, solid.brimCm) / 2) * k + out;
  return (
    <g aria-hidden="true" fill="none" stroke="var(--color-iron)">
      <path
        d={`M${side(-1).split("L").reverse().join("L")}L${side(1)}`}
        strokeWidth="2.5"
        strokeLinejoin="round"
      />
      <path d={`M${middle - half - 3} ${y(solid.brimCm)}H${middle + half + 3}`} strokeWidth="3" />
      {handle > 0 && <path d={`M${middle + half} ${y(solid.brimCm * 0.84)}h${handle}`} strokeWidth="8" />}
      {p.lidOn && (
        <g fill="var(--color-tin)" strokeWidth="2">
          <rect x={middle - half - 5} y={y(solid.brimCm) - 12} width={2 * half + 10} height={10} />
          <rect x={middle - 13} y={y(solid.brimCm) - 25} width={26} height={13} />
        </g>
      )}
    </g>
  );
}

function Mark({
  m,
  stickX,
  labelX,
  labelY,
  y,
  ruler,
}: {
  m: PotMark;
  stickX: number;
  labelX: number;
  labelY: number;
  y: number;
  ruler: "cm" | "in";
}) {
  return (
    <g aria-hidden="true">
      <Brush x={stickX - 4} y={y} width={labelX - stickX - 12} ink={INK[m.sort]} />
      <text x={labelX} y={labelY + 6} fontSize="20" fontWeight="700" fill={INK[m.sort]}>
        {printLength(m.cm, ruler)}{" "}
        <tspan fontWeight={m.sort === "stop" ? 700 : 400} fontSize="18">
          {m.words}
        </tspan>
      </text>
      {m.more && (
        <text x={labelX} y={labelY + 27} fontSize="16" fill="var(--color-ash)">
          {m.more}
        </text>
      )}
    </g>
  );
}

/** A pan in cross-section to scale, with the dipstick in it and what is marked on that. */
export function PotFigure(p: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const { solid } = p;
  const widest = Math.max(...solid.profile.map(([, d]) => d));
  const over = p.thermometer ? 118 : 44;
  const k = Math.max(6, Math.min(25, (width - LABELS - handleOf(width)) / (widest + 1), 300 / solid.brimCm));
  const middle = (widest / 2) * k + 12;
  const height = over + solid.brimCm * k + 14;
  const scale: Scale = { k, middle, y: (cm) => over + (solid.brimCm - cm) * k };
  const stickX = middle + (widest / 2) * k - 66;
  const labelX = middle + (widest / 2) * k + 30;
  const labels = spread(
    p.marks.map((m) => scale.y(m.cm)),
    p.marks.some((m) => m.more) ? 44 : 30,
    16,
    height - 34,
  );
  const said = p.marks.map((m) => `${m.words} at ${printLength(m.cm, p.ruler)}`).join(", ");
  return (
    <div ref={ref} className="w-full">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${p.title}. ${layerWords(p.layers, p.ruler)}${said ? ` ${said}.` : ""}`}
        className="overflow-visible max-w-full"
      >
        <path d={band(solid, scale, 0, solid.brimCm)} fill="var(--color-glaze)" opacity="0.6" />
        {p.gone && p.gone.toCm > p.gone.fromCm + 0.02 && (
          <path d={band(solid, scale, p.gone.fromCm, p.gone.toCm)} fill={fillOf("steam")} opacity="0.7" />
        )}
        {p.layers.map((l, i) =>
          l.toCm > l.fromCm + 1e-3 ? (
            <path
              key={i}
              className="vessel-level"
              d={band(solid, scale, l.fromCm, Math.min(l.toCm, solid.brimCm))}
              fill={fillOf(l.substance)}
              stroke="var(--color-iron)"
              strokeOpacity="0.4"
            />
          ) : null,
        )}
        {p.thermometer && <Thermometer x={58} scale={scale} brimCm={solid.brimCm} p={p} />}
        <PotBody p={p} scale={scale} handle={Math.max(0, handleOf(width) - 12)} />
        <Dipstick x={stickX} scale={scale} brimCm={solid.brimCm} ruler={p.ruler} />
        {p.marks.map((m, i) => (
          <Mark
            key={m.sort + m.words}
            m={m}
            stickX={stickX}
            labelX={labelX}
            labelY={labels[i]!}
            y={scale.y(m.cm)}
            ruler={p.ruler}
          />
        ))}
      </svg>
    </div>
  );
}
