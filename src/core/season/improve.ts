import { boundOf } from "./bound";
import { broken } from "./broken";
import { drawnFrom } from "./drawn";
import { type Formulated, formulate, inVessels, optionsIn } from "./formulation";
import { greedy } from "./greedy";
import { planOne } from "./one-remedy";
import type { Option } from "./options";
import type { Solver } from "./programme";
import { leftBy } from "./slots";
import { Together } from "./together";
import { type Scales, weigh } from "./weigh";
import type { Start } from "./year";

/** How far a search has come. */
export interface Found {
  readonly starts: readonly Start[];
  /** Points of it, and points no plan can be under, as far as is known. */
  readonly points: number;
  readonly bound: number;
  /** Pieces of the year that were planned anew, and how many of those made it better. */
  readonly tried: number;
  readonly better: number;
  /** Nothing it would try next is left. */
  readonly done: boolean;
}

/** Seconds for one piece. */
const PIECE_SECONDS = 0.7;
const PIECE_GAP = 0.001;
/** Weeks of a piece of the year, and how far the next lies from it. */
const [PIECE_WEEKS, PIECE_STEP] = [12, 6];
/** Groups of remedies that are planned anew between two pieces. */
const GROUPS = 5;
/** Groups that did no better, one after the other, before it is enough. */
const ENOUGH = 150;
/** Rounds of prices, at the most. */
const PRICED = 16;
/** Steps up to prices before those of the plans are taken; and again after so many rounds, where they are farther off than this. */
const [CLIMBED, FAR_AFTER, FAR] = [10, 8, 0.05];
/** Prices as near as this need not be nearer. */
const NEAR = 0.003;
const BETTER = 1e-6;

/** The plan as it stands, and how it is judged. */
interface Search {
  readonly scales: Scales;
  readonly solve: Solver;
  readonly draw: () => number;
  /** Remedies somebody knows how to make. */
  readonly makeable: readonly number[];
  readonly may: (starts: readonly Start[]) => boolean;
  starts: readonly Start[];
  points: number;
}

/** Takes a plan that is better and can be. @returns whether it did */
function take(s: Search, next: readonly Start[] | undefined): boolean {
  if (!next) return false;
  const points = weigh(s.scales, next);
  if (points >= s.points - BETTER || !s.may(next)) return false;
  s.starts = next;
  s.points = points;
  return true;
}

/** The options a plan has chosen already, as whole numbers a solver may begin with. */
function asItIs(
  f: Formulated,
  starts: readonly Start[],
  { alike, year }: Scales,
): { at: number[]; values: number[] } {
  const values = f.options.map(
    (o) =>
      starts.filter(
        (s) =>
          !s.pinned &&
          s.remedy === year.wanted[o.remedy]!.id &&
          s.day === o.day &&
          s.strain === o.strain &&
          s.fill === o.fill &&
          s.in === o.in &&
          alike[o.alike]!.ids.includes(s.vessel),
      ).length,
  );
  return { at: [...f.at], values };
}

/** A piece of the year planned anew, exactly, while the rest stands. */
function anew({ scales, starts, makeable, solve }: Search, from: number): readonly Start[] | undefined {
  const { weeks } = scales;
  const [first, last] = [weeks.bounds[from]!, weeks.bounds[Math.min(weeks.count, from + PIECE_WEEKS)]!];
  const inIt = (day: number): boolean => day >= first && day < last;
  const stand = starts.filter((s) => s.pinned || !inIt(s.day));
  const f = formulate(scales, { remedies: makeable, allows: (o: Option) => inIt(o.day), stand });
  if (f.options.length === 0) return undefined;
  const { x } = solve(f.programme, {
    seconds: PIECE_SECONDS,
    gap: PIECE_GAP,
    from: asItIs(f, starts, scales),
  });
  return x && inVessels(optionsIn(f, x), stand, scales);
}

/** Beginnings a beam keeps where remedies are planned beside each other, and where plans are made by prices. */
const [KEPT, KEPT_PRICED] = [16, 8];

/** Some remedies planned anew one after the other, in an order that is drawn. */
function oneByOne(
  { scales, starts, draw }: Search,
  remedies: readonly number[],
  lean?: { readonly prices: Float64Array; readonly weeks: readonly [number, number] },
): readonly Start[] | undefined {
  const of = new Set(remedies.map((i) => scales.year.wanted[i]!.id));
  const [from, to] = (lean?.weeks ?? [0, scales.weeks.count]).map((w) => scales.weeks.bounds[w]!) as [
    number,
    number,
  ];
  const prices = lean?.prices;
  const shake = lean && draw;
  let next: readonly Start[] | undefined = starts.filter(
    (s) => s.pinned || !of.has(s.remedy) || s.day < from || s.day >= to,
  );
  for (const i of remedies) {
    if (!next) return undefined;
    const id = scales.year.wanted[i]!.id;
    const stand = next.filter((s) => s.remedy === id);
    const within = { stand, left: leftBy(scales, next), kept: KEPT, prices, shake };
    next = inVessels(planOne(scales, i, within), next, scales);
  }
  return next;
}

/** A few that may stand in each other's way, in any order. */
function drawn({ scales, makeable, draw }: Search): number[] {
  const first = makeable[Math.floor(draw() * makeable.length)]!;
  const pot = scales.year.wanted[first]!.making!.pot;
  const others = makeable.filter((i) => i !== first && scales.year.wanted[i]!.making!.pot === pot);
  const out = [first];
  for (let n = 1 + Math.floor(draw() * 2); n > 0 && others.length > 0; n--)
    out.push(...others.splice(Math.floor(draw() * others.length), 1));
  return draw() < 0.5 ? out : out.reverse();
}

/** Half the time a group is planned as it is; else with some of the prices on what is shared, a few weeks or all, and each beginning shaken. */
function leaning({ draw, scales }: Search, prices: Float64Array) {
  if (draw() < 0.3) return undefined;
  const times = 1.5 * draw();
  const { count } = scales.weeks;
  const first = draw() < 0.4 ? 0 : Math.floor(draw() * count);
  const last = first === 0 ? count : Math.min(count, first + 8 + Math.floor(draw() * 18));
  return { prices: prices.map((p) => p * times), weeks: [first, last] as const };
}

/** A plan without those starts that cannot be beside what is pinned: mending begins with all the rest of it. */
function withoutBroken(year: Scales["year"], from: readonly Start[], allowed: number): readonly Start[] {
  let starts = from;
  for (;;) {
    const all = broken(year, starts);
    if (all.length <= allowed) return starts;
    const named = new Set(all.flatMap((b) => [b.start, b.other]));
    const less = starts.filter((s) => s.pinned || !named.has(s.id));
    if (less.length === starts.length) return starts;
    starts = less;
  }
}

/**
 * A plan made better, piece by piece; each step tells the best so far, which is never worse than the one before and never breaks what that did not.
 * Ends when nothing is left to try; whoever listens may end it before.
 * @param from the plan to begin with; one made at once where none is given. What is pinned in it stays
 */
export function* improve(
  scales: Scales,
  solve: Solver,
  from: readonly Start[] = [],
  seed = 1,
): Generator<Found, Found> {
  const pinned = from.filter((s) => s.pinned);
  const allowed = broken(scales.year, pinned).length;
  const quick = greedy(scales, pinned);
  const s: Search = {
    ...{ scales, solve, draw: drawnFrom(seed) },
    makeable: scales.year.wanted.flatMap((w, i) => (w.making ? [i] : [])),
    may: (starts) => broken(scales.year, starts).length <= allowed,
    ...{ starts: quick, points: weigh(scales, quick) },
  };
  if (s.makeable.length > 0) take(s, withoutBroken(scales.year, from, allowed));
  let [bound, tried, better] = [0, 0, 0];
  const did = (did: boolean): Found => {
    tried += 1;
    if (did) better += 1;
    return { starts: s.starts, points: s.points, bound, tried, better, done: false };
  };
  yield { ...did(false), tried: 0 };
  if (s.makeable.length === 0) return { ...did(false), points: s.points, bound: s.points, done: true };
  for (const i of s.makeable) yield did(take(s, oneByOne(s, [i])));
  const whole = new Together(scales, pinned, solve);
  whole.addPlan(quick);
  /** The whole plans of single remedies, put together: what stands is one way to. */
  const together = (): readonly Start[] | undefined => {
    whole.addPlan(s.starts);
    const best = whole.best(PIECE_SECONDS);
    return best && inVessels(best, pinned, scales);
  };
  whole.addPlan(s.starts);
  for (const _ of whole.climb(KEPT_PRICED, s.points, CLIMBED)) yield did(false);
  let off: number | undefined = 1;
  for (let round = 0; round < PRICED && off !== undefined && off >= NEAR; round++) {
    // Prices that are far off still are climbed to once more.
    if (round === FAR_AFTER && off > FAR)
      for (const _ of whole.climb(KEPT_PRICED, s.points, CLIMBED)) yield did(false);
    off = whole.again(KEPT_PRICED);
    yield did(round % 4 === 3 && take(s, together()));
  }
  yield did(take(s, together()));
  let fresh = false;
  const plan = (remedy: number, options: readonly Option[]): void => {
    if (whole.add(remedy, options)[1]) fresh = true;
  };
  const bounds = boundOf(scales, pinned, { prices: whole.prices, paid: whole.paid(), solve, plan });
  let [bounding, idle, week] = [true, 0, 0];
  while (bounding || idle < ENOUGH) {
    if (bounding) {
      const next = bounds.next();
      bound = Math.max(bound, next.value);
      bounding = !next.done;
      const made = fresh ? together() : undefined;
      fresh = false;
      yield did(take(s, made));
      // Until there is a bound at all nothing else is done.
      if (bound === 0 && bounding) continue;
    }
    for (let n = 0; n < GROUPS; n++) {
      const is = take(s, oneByOne(s, drawn(s), leaning(s, whole.prices)));
      idle = is ? 0 : idle + 1;
      yield did(is);
    }
    if (bounding) continue;
    const is = take(s, anew(s, week));
    week = week + PIECE_STEP < scales.weeks.count ? week + PIECE_STEP : 0;
    if (is) idle = 0;
    yield did(is);
  }
  return { ...did(false), done: true };
}
