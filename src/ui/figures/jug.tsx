import type { UnitSystem } from "@/core/quantity/units";
import { useWidth } from "../kit/width";
import { Brush } from "./brush";
import { BASE, type JugFrame, TOP, jugFor, jugFrame } from "./jug-frame";
import { ClothOver, Hand, clothDepth } from "./jug-over";
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
  /** Pixels for a centimetre, where it stands among other vessels. */
  readonly scale?: number | undefined;
  /** How tall it may be where it stands alone, px. */
  readonly tall?: number;
  /** Whether there is little room there. */
  readonly little?: boolean;
  /** The cloth that hangs in its mouth: what it was filled with, or empty. */
  readonly cloth?: "empty" | "full" | undefined;
  /** What a touch at a level says, mL to the half of the jug's least mark. */
  readonly touch?: ((ml: number) => void) | undefined;
}

function Poured({ layers, f }: { layers: readonly JugLayer[]; f: JugFrame }) {
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
function JugScale({ layers, f, from }: { layers: readonly JugLayer[]; f: JugFrame; from: number }) {
  // In a small jug the names of the marks want the room left of its middle.
  const x = f.middle - (f.half(0) < 90 ? 40 : 8);
  return (
    <g aria-hidden="true">
      {f.ticks.map((t) => {
        const at = f.y(t.ml);
        if (at < from) return null;
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
function Band({ foreseen, f }: { foreseen: NonNullable<Props["foreseen"]>; f: JugFrame }) {
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
function Levels({ layers, f }: { layers: readonly JugLayer[]; f: JugFrame }) {
  const heights = layers.map((l) => f.y(l.toMl));
  const labels = spread(heights, 52, TOP + 20, f.bottom - (layers[0]?.more ? 62 : 24));
  return layers.map((l, i) => (
    <g key={`label${i}`} aria-hidden="true">
      <Brush x={f.middle - f.half(l.toMl) - 18} y={f.y(l.toMl)} width={100} ink="var(--color-cobalt)" />
      <text
        x={f.words - 12}
        y={labels[i]! + 4}
        textAnchor="end"
        fontSize={f.small ? 19 : 23}
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
            fontSize={f.small ? 14 : 16}
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
export function JugFigure({
  layers,
  foreseen,
  holds,
  system,
  title,
  scale,
  little = false,
  tall = 396,
  cloth,
  touch,
}: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(600);
  const f = jugFrame(jugFor(holds, system), width, scale, little, tall);
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
        className="overflow-visible mx-auto max-w-full"
      >
        <path
          d={`M${middle - base} ${bottom}L${middle - brim} ${TOP}H${middle + brim}L${middle + base} ${bottom}Z`}
          fill="var(--color-glaze)"
          opacity="0.55"
        />
        <Poured layers={layers} f={f} />
        <Outline {...{ middle, base, brim, bottom }} />
        {cloth && <ClothOver full={cloth === "full"} f={f} />}
        <JugScale layers={layers} f={f} from={cloth ? TOP + clothDepth(f) : 0} />
        {foreseen && <Band foreseen={foreseen} f={f} />}
        <Levels layers={layers} f={f} />
        {touch && <Hand touch={touch} f={f} />}
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
