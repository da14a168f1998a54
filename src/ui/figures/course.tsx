"use client";
import { printTemperature } from "@/core/reading/print";
import { useWidth } from "../kit/width";

interface Read {
  readonly minute: number;
  readonly celsius: number;
}
interface Ahead extends Read {
  readonly low: number;
  readonly high: number;
}

interface Props {
  readonly readings: readonly Read[];
  readonly ahead: readonly Ahead[];
  readonly now: number;
  /** °C it is to reach, and when it does; minutes on the readings' clock. */
  readonly target?:
    | { readonly celsius: number; readonly low: number; readonly value: number; readonly high: number }
    | undefined;
  /** What was done when, by minute. */
  readonly notes: readonly { readonly minute: number; readonly words: string }[];
  readonly clockOf: (minute: number) => string;
  readonly degrees: "C" | "F";
}

const HEIGHT = 150;
const [TOP, FLOOR] = [16, 118];

/** Readings whose ticks do not run into each other: at least so many pixels apart. */
const TICK_APART = 9;
function apart(readings: readonly Read[], x: (m: number) => number): readonly Read[] {
  let last = -Infinity;
  return readings.filter((r) => {
    if (x(r.minute) - last < TICK_APART) return false;
    last = x(r.minute);
    return true;
  });
}

/** The drawing's two scales: minutes across, °C up; and the part of the time it shows. */
interface Scale {
  readonly width: number;
  readonly first: number;
  readonly last: number;
  readonly x: (minute: number) => number;
  readonly y: (celsius: number) => number;
}

function scaleOf(p: Props, width: number): Scale {
  const first = Math.min(p.now - 5, ...p.readings.map((r) => r.minute));
  const last = Math.max(p.now + 30, ...p.ahead.map((a) => a.minute));
  return {
    ...{ width, first, last },
    x: (m) => 4 + ((m - first) / (last - first)) * (width - 8),
    y: (c) => FLOOR - ((Math.min(105, Math.max(10, c)) - 10) / 95) * (FLOOR - TOP),
  };
}

const lineOf = ({ x, y }: Scale, of: readonly Read[]): string =>
  of.map((r, i) => `${i === 0 ? "M" : "L"}${x(r.minute).toFixed(1)} ${y(r.celsius).toFixed(1)}`).join("");

/** What is foreseen: stitches in a pale band. */
function Foreseen({ ahead, s }: { ahead: Props["ahead"]; s: Scale }) {
  if (ahead.length < 2) return null;
  const top = lineOf(
    s,
    ahead.map((a) => ({ ...a, celsius: a.high })),
  );
  const under = [...ahead].reverse().map((a) => `${s.x(a.minute).toFixed(1)} ${s.y(a.low).toFixed(1)}`);
  return (
    <>
      <path d={`${top}L${under.join("L")}Z`} fill="var(--color-cobalt-pale)" />
      <path
        d={lineOf(s, ahead)}
        fill="none"
        stroke="var(--color-cobalt)"
        strokeWidth="3"
        strokeDasharray="1 7"
        strokeLinecap="round"
      />
    </>
  );
}

/** What was read: a thin line with brush ticks. */
function WasRead({ readings, s }: { readings: Props["readings"]; s: Scale }) {
  return (
    <>
      <path d={lineOf(s, readings)} fill="none" stroke="var(--color-cobalt)" strokeWidth="1.5" />
      {apart(readings, s.x).map((r) => (
        <path
          key={r.minute}
          d={`M${s.x(r.minute) - 2} ${s.y(r.celsius) + 7}l4 -14`}
          stroke="var(--color-cobalt)"
          strokeWidth="4"
          strokeLinecap="round"
        />
      ))}
    </>
  );
}

/** The clock under it, at whole quarters or hours. */
function Clock({ s, clockOf }: { s: Scale; clockOf: Props["clockOf"] }) {
  const { first, last, width, x } = s;
  const each = [15, 30, 60, 120, 240].find((m) => (last - first) / m <= Math.max(3, width / 150)) ?? 480;
  const ticks = Array.from(
    { length: Math.floor((last - first) / each) + 1 },
    (_, i) => (Math.ceil(first / each) + i) * each,
  ).filter((m) => m >= first && m <= last);
  return (
    <>
      <path d={`M0 ${FLOOR + 4}H${width}`} stroke="var(--color-iron)" strokeWidth="2.5" />
      {ticks.map((m) => (
        <g key={m}>
          <path d={`M${x(m)} ${FLOOR + 4}v7`} stroke="var(--color-iron)" strokeWidth="1.5" />
          <text
            x={Math.min(width - 24, Math.max(24, x(m)))}
            y={FLOOR + 28}
            textAnchor="middle"
            fontSize="17"
            fill="var(--color-ash)"
          >
            {clockOf(m)}
          </text>
        </g>
      ))}
    </>
  );
}

const saidOf = ({ target, readings, degrees, clockOf }: Props): string =>
  target
    ? `${printTemperature(target.celsius, degrees)} at about ${clockOf(target.value)}, ${clockOf(target.low)} to ${clockOf(target.high)}`
    : `${readings.length} temperatures read`;

/** The course of a pan: what was read as brush ticks, what is foreseen as stitches in a pale band, now as a stroke. */
export function Course(p: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(1200);
  const s = scaleOf(p, width);
  const { x, y } = s;
  const { target } = p;
  return (
    <div ref={ref} className="w-full">
      <svg
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="max-w-full"
        role="img"
        aria-label={`The course of the pan: ${saidOf(p)}.`}
      >
        {target && (
          <rect
            x={x(target.low)}
            y={y(target.celsius)}
            width={Math.max(2, x(s.last) - x(target.low))}
            height={FLOOR - y(target.celsius)}
            fill="var(--color-celadon)"
          />
        )}
        <Foreseen ahead={p.ahead} s={s} />
        <WasRead readings={p.readings} s={s} />
        <path
          d={`M${x(p.now) - 2} ${TOP - 10}Q${x(p.now) + 7} ${(TOP + FLOOR) / 2} ${x(p.now) - 3} ${FLOOR + 4}`}
          fill="none"
          stroke="var(--color-cobalt)"
          strokeWidth="6"
          strokeLinecap="round"
        />
        {target && (
          <circle
            cx={x(target.value)}
            cy={y(target.celsius)}
            r="7"
            fill="var(--color-paper)"
            stroke="var(--color-cobalt)"
            strokeWidth="3"
          />
        )}
        <Clock s={s} clockOf={p.clockOf} />
        {p.notes
          .filter((n) => n.minute >= s.first && n.minute <= s.last)
          .map((n) => (
            <text
              key={`${n.minute}${n.words}`}
              x={x(n.minute)}
              y={FLOOR - 8}
              fontSize="16"
              fill="var(--color-ash)"
            >
              {n.words}
            </text>
          ))}
      </svg>
    </div>
  );
}
