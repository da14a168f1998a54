import type { UnitSystem } from "@/core/quantity/units";
import { UNITS } from "@/core/quantity/units";
import { type Solid, diameterAt, heightAt, solidOf } from "@/core/vessel/profile";
import { useWidth } from "../kit/width";
import { Brush } from "./brush";
import { type Substance, fillOf } from "./substance";
import { spread } from "./spread";

/** What stands in the jug, from the bottom up: each to the level its own pouring brings it to, mL. */
export interface JugLayer {
  readonly toMl: number;
  readonly substance: Substance;
  /** Beside its level: the figure, and what it is. */
  readonly figure: string;
  readonly words: string;
  /** Two lines more under it. */
  readonly more?: string | undefined;
  readonly rest?: string | undefined;
}

interface Props {
  readonly layers: readonly JugLayer[];
  /** Where the first level was foreseen, mL. */
  readonly foreseen: { readonly low: number; readonly high: number } | undefined;
  /** The most it may have to hold, mL. */
  readonly holds: number;
  readonly system: UnitSystem;
  readonly title: string;
}

/** Jugs as they are sold: what they hold, and every how much they are marked and named, in mL or in cups. */
const METRIC = [
  [250, 25, 100],
  [500, 50, 100],
  [1000, 50, 250],
  [2000, 100, 500],
  [3000, 250, 500],
  [5000, 250, 1000],
  [10_000, 500, 2000],
] as const;
const IN_CUPS = [
  [1, 0.125, 0.5],
  [2, 0.25, 0.5],
  [4, 0.25, 1],
  [8, 0.5, 1],
  [16, 1, 2],
  [32, 2, 4],
  [64, 4, 8],
] as const;

interface Marked {
  readonly solid: Solid;
  readonly ticks: readonly { readonly ml: number; readonly name: string | undefined }[];
}

const metricName = (ml: number): string => (ml >= 1000 ? `${ml / 1000} L` : String(ml));
const cupName = (cups: number): string => {
  const words = { 0.5: "½", 1.5: "1½", 2.5: "2½" }[cups] ?? String(cups);
  return cups <= 1 ? `${words} cup` : words;
};

/** The smallest jug that holds it, with the scale it bears. */
function jugFor(ml: number, system: UnitSystem): Marked {
  const cup = system === "us" ? UNITS["us-cup"].size : 1;
  const sizes: readonly (readonly [number, number, number])[] = system === "us" ? IN_CUPS : METRIC;
  const last = sizes.at(-1)!;
  const [holds, each, named] = sizes.find(([s]) => s * cup >= ml) ?? [
    Math.ceil(ml / cup),
    last[1] * 4,
    last[2] * 4,
  ];
  // A jug is near as wide as two thirds of its height, and a little wider above; its brim a tenth over its last mark.
  const unit = solidOf([
    [0, 0.62],
    [1, 0.74],
  ]);
  const k = Math.cbrt((holds * cup * 1.12) / unit.brimMl);
  const solid = solidOf(unit.profile.map(([h, d]) => [h * k, d * k] as const));
  const n = Math.floor(holds / each + 1e-9);
  const ticks = Array.from({ length: n }, (_, i) => (i + 1) * each).map((at) => ({
    ml: at * cup,
    name: Math.abs(at / named - Math.round(at / named)) < 1e-6 ? nameOf(at, system) : undefined,
  }));
  return { solid, ticks };
}
const nameOf = (at: number, system: UnitSystem): string => (system === "us" ? cupName(at) : metricName(at));

const [TOP, BASE] = [26, 12];
/** Room for the levels' words at the left and the handle at the right, px. */
const [WORDS, HANDLE] = [178, 66];

/** Where the jug stands in its drawing, px. */
interface Frame extends Marked {
  readonly width: number;
  /** Room for the levels' words. */
  readonly words: number;
  readonly middle: number;
  readonly bottom: number;
  readonly y: (ml: number) => number;
  /** Half of the inside's width at a level. */
  readonly half: (ml: number) => number;
}

function frameOf(marked: Marked, width: number): Frame {
  const { solid } = marked;
  const narrow = width < 480;
  const height = narrow ? 330 : 396;
  const words = narrow ? 128 : WORDS;
  const k = Math.min(
    (height - TOP - BASE) / solid.brimCm,
    (width - words - HANDLE - 24) / solid.profile[1]![1],
  );
  return {
    ...marked,
    ...{ width, words },
    middle: words + 14 + (solid.profile[1]![1] / 2) * k,
    bottom: TOP + solid.brimCm * k,
    y: (ml) => TOP + (solid.brimCm - heightAt(solid, ml)) * k,
    half: (ml) => (diameterAt(solid, heightAt(solid, ml)) / 2) * k,
  };
}

function Poured({ layers, f }: { layers: readonly JugLayer[]; f: Frame }) {
  const { middle, half, y } = f;
  return layers.map((l, i) => {
    const from = i === 0 ? 0 : layers[i - 1]!.toMl;
    return (
      <path
        key={i}
        className="vessel-level"
        d={`M${middle - half(from)} ${y(from)}L${middle - half(l.toMl)} ${y(l.toMl)}H${middle + half(l.toMl)}L${middle + half(from)} ${y(from)}Z`}
        fill={fillOf(l.substance)}
        stroke="var(--color-iron)"
        strokeOpacity="0.5"
      />
    );
  });
}

/** The jug's own scale; where it is full it is read through the liquid. */
function JugScale({ layers, f }: { layers: readonly JugLayer[]; f: Frame }) {
  const x = f.middle - 8;
  return (
    <g aria-hidden="true">
      {f.ticks.map((t) => {
        const at = f.y(t.ml);
        const under = layers.some((l) => l.toMl > t.ml);
        const ink = under ? "var(--color-paper)" : "var(--color-iron)";
        return (
          <g key={t.ml}>
            <path d={`M${x} ${at}h${t.name ? 40 : 20}`} stroke={ink} strokeWidth={t.name ? 2.2 : 1.4} />
            {t.name && (
              <text
                x={x + 46}
                y={at + 6}
                fontSize="17"
                fontWeight="700"
                fill={ink}
                stroke={under ? "var(--color-iron)" : "none"}
                strokeWidth={under ? 2.5 : 0}
                paintOrder="stroke"
              >
                {t.name}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** The stretch in which the first level was foreseen. */
function Band({ foreseen, f }: { foreseen: NonNullable<Props["foreseen"]>; f: Frame }) {
  const { middle, half, y, words } = f;
  return (
    <g aria-hidden="true">
      <rect
        x={words - 4}
        y={y(foreseen.high)}
        width={middle - half(foreseen.high) - words + 6}
        height={Math.max(3, y(foreseen.low) - y(foreseen.high))}
        fill="var(--color-cobalt-pale)"
        stroke="var(--color-cobalt)"
        strokeWidth="1.6"
      />
    </g>
  );
}

/** A brush stroke at every level, its figure and its words beside it. */
function Levels({ layers, f }: { layers: readonly JugLayer[]; f: Frame }) {
  const heights = layers.map((l) => f.y(l.toMl));
  const labels = spread(heights, 52, TOP + 20, f.bottom - (layers[0]?.more ? 62 : 24));
  return layers.map((l, i) => (
    <g key={`label${i}`} aria-hidden="true">
      <Brush x={f.middle - f.half(l.toMl) - 18} y={f.y(l.toMl)} width={100} ink="var(--color-cobalt)" />
      <text
        x={f.words - 12}
        y={labels[i]! + 4}
        textAnchor="end"
        fontSize="23"
        fontWeight="700"
        fill="var(--color-cobalt)"
      >
        {l.figure}
      </text>
      {[l.words, l.more, l.rest].map((text, n) =>
        text === undefined ? null : (
          <text
            key={n}
            x={f.words - 12}
            y={labels[i]! + 24 + 19 * n}
            textAnchor="end"
            fontSize="16"
            fill={n === 0 ? "var(--color-iron)" : "var(--color-ash)"}
          >
            {text}
          </text>
        ),
      )}
    </g>
  ));
}

/** A measuring jug to scale, filled level by level; a brush stroke across what was read and what it is to come to. */
export function JugFigure({ layers, foreseen, holds, system, title }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(600);
  const f = frameOf(jugFor(holds, system), width);
  const [brim, base] = [f.half(f.solid.brimMl), f.half(0)];
  const { middle, bottom } = f;
  const said = layers.map((l) => [l.words, l.figure, l.more, l.rest].filter((x) => x).join(" ")).join(", ");
  return (
    <div ref={ref} className="w-full min-w-0">
      <svg
        // At another width it is another drawing: nothing rises from where it stood in the last one.
        key={width}
        width={width}
        height={bottom + BASE}
        viewBox={`0 0 ${width} ${bottom + BASE}`}
        role="img"
        aria-label={`${title}: ${said || "empty"}.`}
        className="overflow-visible mx-auto"
      >
        <path
          d={`M${middle - base} ${bottom}L${middle - brim} ${TOP}H${middle + brim}L${middle + base} ${bottom}Z`}
          fill="var(--color-glaze)"
          opacity="0.55"
        />
        <Poured layers={layers} f={f} />
        <Outline {...{ middle, base, brim, bottom }} />
        <JugScale layers={layers} f={f} />
        {foreseen && <Band foreseen={foreseen} f={f} />}
        <Levels layers={layers} f={f} />
      </svg>
    </div>
  );
}

function Outline({
  middle,
  base,
  brim,
  bottom,
}: {
  middle: number;
  base: number;
  brim: number;
  bottom: number;
}) {
  const left = `M${middle - brim - 26} ${TOP - 3}L${middle - brim - 2} ${TOP + 34}L${middle - base - 4} ${bottom}`;
  const handle = (by: number): string => {
    const tall = bottom - TOP;
    const [h0, h1] = [TOP + tall * 0.16, bottom - tall * 0.25];
    const x = (at: number): number => middle + brim - ((brim - base) * (at - TOP)) / (bottom - TOP) + 3;
    return `M${x(h0)} ${h0 + by}h${34 - by}q${18 - by} 0 ${16 - by} ${20 - by}L${x(h1) + 32 - by} ${h1 - 18}q-2 ${16 - by} -${16 - by} ${16 - by}H${x(h1)}`;
  };
  return (
    <g aria-hidden="true" fill="none" stroke="var(--color-iron)" strokeWidth="2.4" strokeLinejoin="round">
      <path
        d={`${left}Q${middle - base} ${bottom + 6} ${middle - base + 10} ${bottom + 6}H${middle + base - 10}Q${middle + base} ${bottom + 6} ${middle + base + 4} ${bottom}L${middle + brim + 3} ${TOP - 3}`}
      />
      <path d={`M${middle - brim - 26} ${TOP - 3}L${middle - brim + 14} ${TOP}`} />
      <path d={handle(0)} />
      <path d={handle(9)} strokeWidth="1.4" />
    </g>
  );
}
