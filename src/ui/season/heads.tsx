import { memo } from "react";
import type { Told } from "@/core/season/told";
import { addDays } from "@/core/day";
import { inMonths } from "@/core/season/wish";
import { Brush } from "../figures/brush";
import { type Along, firstsOf, isNarrow, xOf } from "./along";

/** A run of days on which a plant can be had. */
interface Run {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** When each fresh plant that is wanted can be picked or bought, as runs of days. */
function runsOf(told: Told, a: Along): Run[] {
  const all = new Map(told.remedies.flatMap((r) => r.picks.map((p) => [p.name, p.months] as const)));
  // What is had all year has no time to be drawn.
  for (const [name, [first, last]] of all) if (first === 1 && last === 12) all.delete(name);
  return [...all].flatMap(([name, months]) => {
    const out: Run[] = [];
    let begun: number | undefined;
    for (let d = a.from; d <= a.to + 1; d++) {
      const on = d <= a.to && inMonths(months, Number(addDays(told.today, d).slice(5, 7)));
      if (on) begun ??= d;
      else if (begun !== undefined) {
        out.push({ name, from: begun, to: d - 1 });
        begun = undefined;
      }
    }
    return out;
  });
}

const [LINE, LETTER] = [24, 7.4];
/** Lines of picking that are drawn; more are told in the list of what is wanted. */
const MOST_LINES = 5;

interface Laid extends Run {
  /** Where its name stands: behind it, or before it where there is no room behind. */
  readonly words: number;
  readonly before: boolean;
}

/** Puts runs and their names into as few lines as hold them. */
function inLines(runs: readonly Run[], a: Along): Laid[][] {
  const lines: { runs: Laid[]; end: number }[] = [];
  for (const r of [...runs].sort((x, y) => x.from - y.from)) {
    const [from, to] = [xOf(a, r.from), Math.max(xOf(a, r.to), xOf(a, r.from) + 30)];
    const wide = r.name.length * LETTER * a.k;
    const before = to + 10 + wide > a.x1;
    const laid: Laid = { ...r, before, words: before ? from - 6 : to + 8 };
    const begin = before ? from - 8 - wide : from;
    const end = before ? to : to + 10 + wide;
    const line = lines.find((l) => l.end + 12 < begin);
    if (line) {
      line.runs.push(laid);
      line.end = end;
    } else lines.push({ runs: [laid], end });
  }
  return lines.slice(0, MOST_LINES).map((l) => l.runs);
}

/** The months, and over them when what is wanted fresh can be had. */
export const Heads = memo(function Heads({ told, a, width }: { told: Told; a: Along; width: number }) {
  const lines = inLines(runsOf(told, a), a);
  const tall = LINE * a.k;
  const foot = lines.length * tall + 24 * a.k;
  const month = ((a.x1 - a.x0) * 30.4) / (a.to - a.from);
  const firsts = firstsOf(a);
  return (
    <svg width={width} height={foot + 8} className="block max-w-full" role="img" aria-label={saidOf(lines)}>
      {lines.length > 0 && !isNarrow(a) && (
        <text x="0" y={18 * a.k} fontSize={15 * a.k} fill="var(--color-ash)">
          to be picked
        </text>
      )}
      {lines.map((line, i) =>
        line.map((r) => (
          <g key={`${r.name} ${r.from}`}>
            <Brush
              x={xOf(a, r.from)}
              y={i * tall + 14 * a.k}
              width={Math.max(30, xOf(a, r.to) - xOf(a, r.from))}
              ink={r.to < 0 ? "var(--color-ash)" : "var(--color-celadon-deep)"}
            />
            <text
              x={r.words}
              y={i * tall + 19 * a.k}
              textAnchor={r.before ? "end" : "start"}
              fontSize={14 * a.k}
              fill="var(--color-iron)"
            >
              {r.name}
            </text>
          </g>
        )),
      )}
      {firsts.map((m) => (
        <text key={m.day} x={xOf(a, m.day) + 2} y={foot} fontSize={15 * a.k} fill="var(--color-iron)">
          {m.name}
          {m.name === "Jan" && month > 84 * a.k && xOf(a, m.day) < width - 80 * a.k ? ` ${m.year}` : ""}
        </text>
      ))}
      <path d={`M0 ${foot + 6}H${width}`} stroke="var(--color-iron)" strokeWidth="4" />
    </svg>
  );
});

const saidOf = (lines: readonly (readonly Run[])[]): string =>
  lines.length === 0
    ? "The months of the year"
    : `The months of the year, and when these can be picked: ${[...new Set(lines.flat().map((r) => r.name))].join(", ")}`;
