"use client";
import type { Supply } from "@/core/cellar/supply";
import { type Day, addDays, daysBetween, printDay } from "@/core/day";
import { useWidth } from "../kit/width";
import { pourPath } from "./pour-path";
import { type Substance, fillOf } from "./substance";

interface Props {
  readonly supply: Supply;
  readonly today: Day;
  /** The day at the right end, the same for all that stand under each other. */
  readonly until: Day;
  /** mL that stand full height, the same for all. */
  readonly most: number;
  readonly substance: Substance;
  /** By when the next is to be begun. */
  readonly startBy: Day | undefined;
  readonly title: string;
}

const [HIGH, BASE, TALL] = [44, 58, 82];
/** Px a month's name wants. */
const MONTH = 62;

/** The first days of the months between two days. */
function firsts(from: Day, to: Day): Day[] {
  const all: Day[] = [];
  for (let d = addDays(`${from.slice(0, 7)}-01`, 32); d <= to; d = addDays(d, 32)) {
    d = `${d.slice(0, 7)}-01`;
    all.push(d);
  }
  return all;
}

/** A brush stroke from top to bottom: a day that is measured. */
const stroke = (x: number, up: number): string =>
  `M${x - 4} ${BASE - up}q6 ${up * 0.5} 2 ${up + 6}q6-5 5-${up * 0.5}q-1-${up * 0.4}-7-${up * 0.5 + 6}z`;

/** What there is of a remedy, poured out over the weeks until it is gone; pale where the day may lie, stitched where the next must be begun. */
export function PourFigure({ supply, today, until, most, substance, startBy, title }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const days = Math.max(1, daysBetween(today, until));
  const x = (day: Day): number =>
    6 + (Math.min(days, Math.max(0, daysBetween(today, day))) / days) * (width - 12);
  const { out, stockMl } = supply;
  const end = out && (out.likely ?? until);
  const high = stockMl > 0 ? Math.max(6, HIGH * Math.sqrt(stockMl / Math.max(1, most))) : 0;
  const every = Math.max(1, Math.ceil(MONTH / ((width - 12) / (days / 30.4))));
  return (
    <div ref={ref} data-drawing="">
      <svg
        width={width}
        height={TALL}
        viewBox={`0 0 ${width} ${TALL}`}
        role="img"
        aria-label={title}
        className="block max-w-full"
      >
        {out && !supply.counted && (
          <rect
            x={x(out.early)}
            y={BASE - 13}
            width={Math.max(4, x(out.late ?? until) - x(out.early))}
            height="13"
            fill="var(--color-cobalt-pale)"
          />
        )}
        {stockMl > 0 && (
          <path
            d={pourPath(BASE, [
              { x: x(today), up: high },
              { x: x(end ?? until), up: end ? 0 : high },
            ])}
            fill={fillOf(substance)}
            stroke="var(--color-iron)"
            strokeWidth="1.2"
            strokeDasharray={out ? undefined : "5 4"}
          />
        )}
        <path d={`M0 ${BASE}H${width}`} stroke="var(--color-iron)" strokeWidth="2" />
        {firsts(today, until).map((d, i) => (
          <g key={d}>
            <path d={`M${x(d)} ${BASE}v7`} stroke="var(--color-iron)" strokeWidth="1.2" />
            {i % every === 0 && x(d) < width - 36 && (
              <text x={x(d) + 3} y={BASE + 20} fontSize="14" fill="var(--color-ash)">
                {printDay(d, "short", d).split(" ")[1]}
              </text>
            )}
          </g>
        ))}
        {end && <path d={stroke(x(end), 26)} fill="var(--color-cobalt)" />}
        {startBy !== undefined && startBy >= today && startBy <= until && (
          <path
            d={`M${x(startBy)} ${BASE}V6`}
            stroke="var(--color-cobalt)"
            strokeWidth="2"
            strokeDasharray="4 4"
          />
        )}
        {startBy !== undefined && startBy < today && (
          <path d={stroke(x(today) + 3, 40)} fill="var(--color-rust)" />
        )}
      </svg>
    </div>
  );
}
