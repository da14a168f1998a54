import { exactly } from "../estimate";
import type { Batch } from "../journal/fold";
import { reckonMade } from "../journal/reckon";
import type { Verdict } from "../keeping/verdict";
import { isSweet } from "../material/material";
import type { Line } from "../plan/plan";
import type { Goal } from "../quantity/amount";
import { printAmount } from "../reading/print";
import { beforeFinish } from "../reckoning/in-the-pot";
import type { Resolved } from "../reckoning/program";
import type { Reckoning } from "../reckoning/reckon";

/** A stretch of the dial along which the verdict is the same. Shares of the strained liquid, by volume. */
export interface DialPlace {
  readonly from: number;
  readonly to: number;
  readonly verdict: Verdict;
}

/** What the liquid is at one place of the dial. */
export interface DialPoint {
  readonly share: number;
  readonly figures: Readonly<Record<DialBy, number>>;
  readonly verdict: Verdict;
}

/** What the dial may be read in: the share poured in, or a figure of what it makes. */
export const DIAL_BY = ["share", "brix", "acid", "abv"] as const;
export type DialBy = (typeof DIAL_BY)[number];

export interface Dial {
  readonly line: string;
  readonly name: string;
  /** The far end, as a share of the strained liquid. */
  readonly most: number;
  readonly places: readonly DialPlace[];
  readonly points: readonly DialPoint[];
  /** What it can be read in: only what this line moves far enough to be dialled by. */
  readonly by: readonly DialBy[];
}

/** Where nothing of it goes in: the line stays on the page, and out of the reckoning. */
export const NONE_OF_IT = "0 of liquid";
export const goesIn = (l: Line): boolean => l.amount !== NONE_OF_IT;

const STEPS = 24;
const BISECTIONS = 7;
/** A figure is dialled by where it moves at least so far along the dial. */
const MOVES: Readonly<Record<Exclude<DialBy, "share">, number>> = { brix: 5, acid: 0.3, abv: 3 };

/** An amount as that share of the strained liquid. */
export const shareOf = (share: number): string =>
  share < 0.002
    ? NONE_OF_IT
    : printAmount({ kind: "of-liquid", count: exactly(Number(share.toPrecision(3))) }, "us");

const GOALS: Readonly<Record<Exclude<DialBy, "share">, Goal>> = { brix: "brix", acid: "acid", abv: "abv" };

/** An amount as what it is to bring the liquid to. */
export const goalOf = (by: Exclude<DialBy, "share">, target: number): string =>
  printAmount({ kind: "goal", goal: GOALS[by], target: Number(target.toPrecision(3)) }, "us");

/** How much of it one would ever pour in: honey by the quarters, spirit up to as much again, the rest by the spoon. */
function usualMost(l: Resolved): number {
  if (isSweet(l.stuff)) return 1.25;
  return l.stuff.class === "spirit" || l.stuff.class === "water" ? 1 : 0.5;
}

const pointAt = (share: number, { finished, verdict }: Reckoning): DialPoint => ({
  share,
  verdict,
  figures: { share, brix: finished.brix.value, acid: finished.acid.value, abv: finished.abv.value },
});

/** Whether two verdicts say the same to whoever puts the bottle away. */
export const sameVerdict = (a: Verdict, b: Verdict): boolean =>
  a.place === b.place && a.life.days === b.life.days && a.coolDark === b.coolDark && a.vented === b.vented;

/**
 * One line that goes into the strained liquid as a dial: the verdict at every share of it, from none to much, the rest as it is. Borders are found
 * to a hundredth of a step. About fifty reckonings: not for every frame, since moving the line itself leaves it as it was.
 * @returns nothing where the line is none of a measured liquid, or cannot be reckoned
 */
export function dialOf(batch: Batch, lines: readonly Line[], id: string): Dial | undefined {
  const line = lines.find((l) => l.id === id);
  if (!line) return undefined;
  const at = (share: number): DialPoint | undefined => {
    const finished = lines.map((l) => (l.id === id ? { ...l, amount: shareOf(share) } : l)).filter(goesIn);
    const r = reckonMade(batch, { ...batch.making, finished });
    return r.ok ? pointAt(share, r.value.reckoning) : undefined;
  };
  const shown = reckonMade(batch, {
    ...batch.making,
    finished: lines
      .map((l) => (l.id === id && !goesIn(l) ? { ...l, amount: shareOf(0.1) } : l))
      .filter(goesIn),
  });
  const l = shown.ok
    ? shown.value.program.lines.find((x) => x.stage === "finish" && x.line.id === id)
    : undefined;
  if (!shown.ok || !l || l.stuff.plant) return undefined;
  const now = goesIn(line) ? poured(l) / Math.max(1, beforeFinish(shown.value.program).ml) : 0;
  const usual = usualMost(l);
  const most = now <= usual ? usual : Math.ceil(now * 1.25 * 2) / 2;
  const points = Array.from({ length: STEPS + 1 }, (_, i) => at((most * i) / STEPS)).filter(
    (p) => p !== undefined,
  );
  if (points.length < 2) return undefined;
  const figure = (by: DialBy): readonly number[] => points.map((p) => p.figures[by]);
  const moves = (by: Exclude<DialBy, "share">): boolean =>
    Math.max(...figure(by)) - Math.min(...figure(by)) >= MOVES[by];
  return {
    ...{ line: id, name: l.stuff.name, most, points },
    places: placesOf(points, at),
    by: DIAL_BY.filter((by) => by === "share" || moves(by)),
  };
}

/** mL of a line as it is measured. */
const poured = (l: Resolved): number => l.grams / l.stuff.bulkLoose;

function placesOf(points: readonly DialPoint[], at: (share: number) => DialPoint | undefined): DialPlace[] {
  const found: { from: number; to: number; verdict: Verdict }[] = [];
  let last = points[0]!;
  found.push({ from: last.share, to: last.share, verdict: last.verdict });
  for (const p of points.slice(1)) {
    if (!sameVerdict(p.verdict, last.verdict)) {
      let [low, high] = [last, p];
      for (let i = 0; i < BISECTIONS; i++) {
        const mid = at((low.share + high.share) / 2);
        if (!mid) break;
        if (sameVerdict(mid.verdict, last.verdict)) low = mid;
        else high = mid;
      }
      found.at(-1)!.to = low.share;
      found.push({ from: high.share, to: p.share, verdict: p.verdict });
    }
    found.at(-1)!.to = p.share;
    last = p;
  }
  return found.map((f, i) => ({ ...f, to: found[i + 1]?.from ?? f.to }));
}

/** The share at which the dial shows a figure, between two of its points; nothing where it never does. */
export function shareAt(dial: Dial, by: DialBy, target: number): number | undefined {
  if (by === "share") return target;
  for (const [i, b] of dial.points.entries()) {
    const a = dial.points[i - 1];
    if (!a) continue;
    const [x, y] = [a.figures[by], b.figures[by]];
    if (x === y || (target - x) * (target - y) > 0) continue;
    return a.share + ((b.share - a.share) * (target - x)) / (y - x);
  }
  return undefined;
}

/** What the liquid would be at a share, between two of the dial's points. */
export function figureAt(dial: Dial, by: DialBy, share: number): number {
  const i = dial.points.findIndex((p) => p.share >= share);
  const b = dial.points[i < 0 ? dial.points.length - 1 : i]!;
  const a = dial.points[Math.max(0, i - 1)]!;
  if (i <= 0 || b.share === a.share) return b.figures[by];
  return a.figures[by] + ((b.figures[by] - a.figures[by]) * (share - a.share)) / (b.share - a.share);
}

/** The share nearest to this one at which it keeps as it does in a place of the dial, a step inside its border so that a hand need not be exact. */
export function into(place: DialPlace, share: number, most: number): number {
  const inside = Math.min((place.to - place.from) / 2, most / 100);
  return Math.min(place.to - inside, Math.max(place.from + inside, share));
}
