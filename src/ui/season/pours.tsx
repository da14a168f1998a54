import { memo } from "react";
import { FAN_STEP, type Replayed } from "@/core/season/replay";
import type { RemedyPoured } from "@/core/season/facts";
import type { Told, ToldRemedy } from "@/core/season/told";
import { counted } from "@/core/words";
import { fillOf } from "../figures/substance";
import { pourPath } from "../figures/pour-path";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import { useUnits } from "../kit/units";
import { type Along, isDrawn, isNarrow, xOf } from "./along";
import { dayWords } from "./words";

const [HIGH, TALL, NARROW_TALL] = [34, 46, 86];
/** Days between two points of a pour. */
const STEP = 2;

interface Shown {
  readonly r: ToldRemedy;
  readonly poured: RemedyPoured;
  readonly lived: Replayed | undefined;
}

/** Runs of days on which something wanted is not there. */
function shortRuns(short: Float32Array): { from: number; to: number }[] {
  const out: { from: number; to: number }[] = [];
  for (let d = 0; d < short.length; d++) {
    if (short[d]! <= 0) continue;
    const last = out.at(-1);
    if (last && last.to === d - 1) last.to = d;
    else out.push({ from: d, to: d });
  }
  return out;
}

/** What stands there already, mL on each day. */
function thereAlready({ pour, lots, there }: RemedyPoured): Float64Array {
  const out = new Float64Array(pour.there.length);
  for (let i = 0; i < there; i++) {
    const from = Math.max(0, lots[i]!.from);
    pour.lots[i]!.forEach((ml, k) => (out[from + k]! += ml));
  }
  return out;
}

interface Figure {
  readonly shown: Shown;
  readonly told: Told;
  readonly a: Along;
  readonly width: number;
  /** mL that stand full height. */
  readonly most: number;
}

/** Runs on which it is out, and by when the first begins. */
function Out({ shown, told, a, width, base }: Figure & { base: number }) {
  const runs = shortRuns(shown.poured.pour.short).filter((s) => isDrawn(a, s.from, s.to));
  const [first] = runs;
  return (
    <>
      {runs.map((s) => (
        <path
          key={s.from}
          d={`M${xOf(a, s.from)} ${base}H${Math.max(xOf(a, s.from) + 3, xOf(a, s.to + 1))}`}
          stroke="var(--color-rust)"
          strokeWidth="6"
        />
      ))}
      {first && xOf(a, first.from) < width - 110 * a.k && (
        <text
          x={xOf(a, first.from) + 7}
          y={base - 8}
          fontSize={14 * a.k}
          fontWeight="bold"
          fill="var(--color-rust)"
          stroke="var(--color-ground)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {first.from === 0 ? "none today" : `out ${dayWords(told, first.from)}`}
        </text>
      )}
    </>
  );
}

/** A remedy's stock over the year: what stands there in its own substance, what is planned stitched, and the fan of the replays behind. */
function Drawn({ base, ...figure }: Figure & { base: number }) {
  const { shown, told, a, width, most } = figure;
  const { r, poured, lived } = shown;
  const up = (ml: number): number => (ml <= 0 ? 0 : Math.max(1.5, HIGH * Math.sqrt(ml / most)));
  const at = (of: (d: number) => number, step: number): { x: number; up: number }[] => {
    const out: { x: number; up: number }[] = [];
    for (let d = Math.max(0, a.from); d < Math.min(told.days, a.to); d += step)
      out.push({ x: xOf(a, d), up: up(of(d)) });
    return out;
  };
  const already = thereAlready(poured);
  const fan = (of: Float32Array): { x: number; up: number }[] =>
    at((d) => of[Math.min(of.length - 1, Math.floor(d / FAN_STEP))]!, FAN_STEP);
  return (
    <>
      {lived && <path d={pourPath(base, fan(lived.high), fan(lived.low))} fill="var(--color-cobalt-pale)" />}
      <path
        d={pourPath(
          base,
          at((d) => poured.pour.there[d]!, STEP),
        )}
        fill="none"
        stroke="var(--color-cobalt)"
        strokeWidth="1.3"
        strokeDasharray="4 3"
      />
      <path
        d={pourPath(
          base,
          at((d) => already[d]!, STEP),
        )}
        fill={fillOf(SUBSTANCE_OF[r.kind])}
        stroke="var(--color-iron)"
      />
      <path d={`M${a.x0} ${base}H${width}`} stroke="var(--color-iron)" strokeWidth="1.5" />
      <Out {...figure} base={base} />
    </>
  );
}

type PourProps = Shown &
  Omit<Figure, "shown"> & { readonly open: boolean; readonly toggle: (id: string) => void };

const Pour = memo(function Pour({ open, toggle, r, poured, lived, ...rest }: PourProps) {
  const shown = { r, poured, lived };
  const { told, a, width } = rest;
  const { volume } = useUnits();
  const narrow = isNarrow(a);
  const tall = (narrow ? NARROW_TALL : TALL) * a.k;
  return (
    <div className="relative" style={{ height: tall }} data-pour={r.id}>
      <svg
        width={width}
        height={tall}
        className="absolute inset-0 max-w-full pointer-events-none"
        aria-hidden="true"
      >
        <Drawn {...rest} shown={shown} base={tall - 6} />
      </svg>
      <button
        type="button"
        className="plain absolute left-0 top-0 text-left leading-tight min-h-11"
        style={{ maxWidth: narrow ? "100%" : a.x0 - 12 }}
        aria-label={`${r.name}: what is wanted`}
        aria-expanded={open}
        onClick={() => toggle(r.id)}
      >
        {r.name}
      </button>
      <span className="sr-only">{pourWords(shown, told, volume)}</span>
    </div>
  );
});

/** What is drawn, in words. */
function pourWords({ r, poured, lived }: Shown, told: Told, volume: (ml: number) => string): string {
  const { pour } = poured;
  const first = pour.short.findIndex((x) => x > 0);
  const out =
    first < 0
      ? "is there all year"
      : `is out ${dayWords(told, first)}; ${counted(Math.max(1, Math.round(pour.without)), "day")} without`;
  const thrown = pour.thrown > 20 ? `; ${volume(pour.thrown)} past its day` : "";
  const replays = lived ? `; ran out in ${lived.ranOut} of 500 replays` : "";
  return `${r.name} ${out}${thrown}${replays}.`;
}

/** Each remedy's stock as it is poured out over the year, with the fan of the replays round it. */
export function Pours({
  told,
  poured,
  lived,
  a,
  width,
  open,
  toggle,
}: {
  told: Told;
  poured: readonly RemedyPoured[];
  lived: readonly (Replayed | undefined)[];
  a: Along;
  width: number;
  open: string | undefined;
  toggle: (id: string) => void;
}) {
  const most = Math.max(200, ...poured.map((p) => p.pour.there.reduce((m, x) => Math.max(m, x), 0)));
  return (
    <div>
      {told.remedies.map((r, i) => (
        <Pour
          key={r.id}
          {...{ r, poured: poured[i]!, lived: lived[i] }}
          {...{ told, a, width, most, open: open === r.id, toggle }}
        />
      ))}
    </div>
  );
}
