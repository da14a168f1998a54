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

/** Puts runs and their names into as few lines as hold them. */
function inLines(runs: readonly Run[], a: Along): Run[][] {
  const lines: { runs: Run[]; end: number }[] = [];
  for (const r of [...runs].sort((x, y) => x.from - y.from)) {
    const begin = xOf(a, r.from);
    const end = xOf(a, r.to) + 10 + r.name.length * LETTER;
    const line = lines.find((l) => l.end + 12 < begin);
    if (line) {
      line.runs.push(r);
      line.end = end;
    } else lines.push({ runs: [r], end });
  }
  return lines.slice(0, MOST_LINES).map((l) => l.runs);
}

/** The months, and over them when what is wanted fresh can be had. */
export function Heads({ told, a, width }: { told: Told; a: Along; width: number }) {
  const lines = inLines(runsOf(told, a), a);
  const foot = lines.length * LINE + 24;
  const firsts = firstsOf(a);
  return (
    <svg width={width} height={foot + 8} className="block max-w-full" role="img" aria-label={saidOf(lines)}>
      {lines.length > 0 && !isNarrow(a) && (
        <text x="0" y="18" fontSize="15" fill="var(--color-ash)">
          to be picked
        </text>
      )}
      {lines.map((line, i) =>
        line.map((r) => {
          const [from, to] = [xOf(a, r.from), xOf(a, r.to)];
          const words = r.name.length * LETTER;
          const before = to + 8 + words > width;
          return (
            <g key={`${r.name} ${r.from}`}>
              <Brush
                x={from}
                y={i * LINE + 14}
                width={Math.max(30, to - from)}
                ink={r.to < 0 ? "var(--color-ash)" : "var(--color-celadon-deep)"}
              />
              <text
                x={before ? from - 6 : to + 8}
                y={i * LINE + 19}
                textAnchor={before ? "end" : "start"}
                fontSize="14"
                fill="var(--color-iron)"
              >
                {r.name}
              </text>
            </g>
          );
        }),
      )}
      {firsts.map((m) => (
        <text key={m.day} x={xOf(a, m.day) + 2} y={foot} fontSize="15" fill="var(--color-iron)">
          {m.name}
          {m.name === "Jan" && xOf(a, m.day) < width - 80 ? ` ${m.year}` : ""}
        </text>
      ))}
      <path d={`M0 ${foot + 6}H${width}`} stroke="var(--color-iron)" strokeWidth="4" />
    </svg>
  );
}

const saidOf = (lines: readonly (readonly Run[])[]): string =>
  lines.length === 0
    ? "The months of the year"
    : `The months of the year, and when these can be picked: ${[...new Set(lines.flat().map((r) => r.name))].join(", ")}`;
