/*
 * Readings as they come, and which of them count. One that does not is kept and said, never used and never thrown away.
 */

/** What can be read at the stove and the bench, with what an instrument for it can show, and how far it may be out (one standard deviation). */
export const READ = {
  temperature: { unit: "°C", low: -20, high: 130, sd: { probe: 0.4, dial: 1.5, hand: 1 } },
  weight: { unit: "g", low: 0, high: 30_000, sd: { scale: 1, hand: 2 } },
  depth: { unit: "cm", low: 0, high: 60, sd: { dipstick: 0.1, hand: 0.1 } },
} as const;
export type Readable = keyof typeof READ;

/** A reading with the time it was made, ms, and what with. */
export interface Raw {
  readonly what: Readable;
  readonly value: number;
  readonly ms: number;
  /** "probe", "scale", "dial", "dipstick"; typed by hand where it is none of these. */
  readonly by: string | undefined;
}

export type Aside = "out-of-range" | "jump" | "backward" | "in-the-future" | "stale";
export const ASIDE_WORDS: Readonly<Record<Aside, string>> = {
  "out-of-range": "more than the instrument can show",
  jump: "a jump no kitchen makes",
  backward: "less on the scale than before, while pouring",
  "in-the-future": "from a time that has not come yet",
  stale: "the same again and again: the instrument hangs",
};

export interface Sifted<R extends Raw> {
  readonly used: readonly R[];
  readonly aside: readonly { readonly reading: R; readonly why: Aside }[];
}

/** °C in 10 s that no pan, ladle or tap brings about. */
const JUMP = { celsius: 40, ms: 10_000 };
/** A live probe never shows the same tenth so often in a row, nor so long. */
const HANGS = { times: 30, ms: 120_000, above: 30 };
const GRACE_MS = 5 * 60_000;
/** A scale breathes by this much, g. */
const BREATHES = 3;

const inRange = (r: Raw): boolean => {
  const { low, high } = READ[r.what];
  return Number.isFinite(r.value) && r.value >= low && r.value <= high;
};

const jumps = (r: Raw, last: Raw | undefined): boolean =>
  r.what === "temperature" &&
  last !== undefined &&
  r.ms - last.ms <= JUMP.ms &&
  Math.abs(r.value - last.value) > JUMP.celsius;

/** Whether a hot pan has shown one and the same figure too long to be alive. */
function hangs(r: Raw, run: readonly Raw[]): boolean {
  if (r.what !== "temperature" || r.value < HANGS.above || r.by !== "probe") return false;
  const first = run[0];
  return run.length >= HANGS.times && first !== undefined && r.ms - first.ms >= HANGS.ms;
}

/**
 * The readings of one thing, in order of time, sifted.
 * @param pouring something is being poured onto the scale, so that less than before is a fault
 */
export function sift<R extends Raw>(readings: readonly R[], nowMs: number, pouring = false): Sifted<R> {
  const used: R[] = [];
  const aside: { reading: R; why: Aside }[] = [];
  let run: R[] = [];
  for (const r of [...readings].sort((a, b) => a.ms - b.ms)) {
    const last = used.at(-1);
    run = run.at(-1)?.value === r.value ? [...run, r] : [r];
    const why = faultOf(r, last, run, nowMs, pouring);
    if (why) aside.push({ reading: r, why });
    else used.push(r);
  }
  return { used, aside };
}

function faultOf(
  r: Raw,
  last: Raw | undefined,
  run: readonly Raw[],
  nowMs: number,
  pouring: boolean,
): Aside | undefined {
  if (r.ms > nowMs + GRACE_MS) return "in-the-future";
  if (!inRange(r)) return "out-of-range";
  if (jumps(r, last)) return "jump";
  if (pouring && r.what === "weight" && last && r.value < last.value - BREATHES) return "backward";
  return hangs(r, run) ? "stale" : undefined;
}

/** How far a reading may be out, by what it was made with: one standard deviation, in its unit. */
export function sdOf(r: Pick<Raw, "what" | "by">): number {
  const by: Readonly<Record<string, number>> = READ[r.what].sd;
  return by[r.by ?? "hand"] ?? by["hand"]!;
}

/** One reading a minute is as good as sixty: the middle one of each. */
export function thinned<R extends Raw>(readings: readonly R[]): R[] {
  const minutes = new Map<number, R[]>();
  for (const r of readings) {
    const m = Math.floor(r.ms / 60_000);
    minutes.set(m, [...(minutes.get(m) ?? []), r]);
  }
  return [...minutes.values()].map((of) => {
    const middle = of.map((r) => r.value).sort((a, b) => a - b)[of.length >> 1]!;
    return of.find((r) => r.value === middle)!;
  });
}
