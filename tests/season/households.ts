import type { Lot, Making, PlanVessel, StandsIn, Wanted, Year } from "../../src/core/season/year";

/** Numbers from a seed, 0 to 1 (mulberry32). */
export function drawnFrom(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

interface Sort {
  readonly pot: boolean;
  readonly steep: readonly [number, number, number] | undefined;
  readonly keeps: readonly (readonly [StandsIn, number])[];
  readonly aYear: readonly [number, number];
}
/** What is made in a house, roughly as the kinds are: days in the jar, days it keeps, mL a week. */
const SORTS: readonly Sort[] = [
  {
    pot: true,
    steep: undefined,
    keeps: [
      ["fridge", 28],
      ["freezer", 365],
    ],
    aYear: [40, 200],
  },
  { pot: true, steep: undefined, keeps: [["fridge", 90]], aYear: [30, 150] },
  { pot: false, steep: [14, 21, 28], keeps: [["cupboard", 182]], aYear: [20, 120] },
  { pot: false, steep: [28, 42, 60], keeps: [["cupboard", 365]], aYear: [20, 150] },
  { pot: false, steep: [28, 42, 56], keeps: [["cupboard", 1825]], aYear: [5, 30] },
  { pot: false, steep: [14, 28, 42], keeps: [["cupboard", 365]], aYear: [10, 60] },
];

const between = (draw: () => number, [low, high]: readonly [number, number]): number =>
  low + draw() * (high - low);
const whole = (draw: () => number, low: number, high: number): number =>
  Math.floor(between(draw, [low, high + 1]));
const anyOf = <T>(draw: () => number, of: readonly T[]): T => of[whole(draw, 0, of.length - 1)]!;

function needOf(draw: () => number, days: number, aWeek: number, away: Uint8Array): Float64Array {
  const wave = draw() < 0.6 ? 0.7 * draw() : 0;
  const at = draw() * 2 * Math.PI;
  const begins = draw() < 0.25 ? whole(draw, 0, days / 2) : 0;
  const ends = draw() < 0.25 ? whole(draw, days / 2, days) : days;
  return Float64Array.from({ length: days }, (_, d) =>
    away[d] || d < begins || d >= ends
      ? 0
      : (aWeek / 7) * Math.max(0, 1 + wave * Math.cos((d / 365.25) * 2 * Math.PI + at)),
  );
}

export interface Drawn {
  readonly days?: number;
  readonly remedies?: readonly [number, number];
  readonly vessels?: readonly [number, number];
  /** Whatever may be odd is. */
  readonly odd?: boolean;
}

/** A household's year, drawn: some with little room, some away in January, some with hardly a vessel. */
export function drawnYear(
  seed: number,
  { days = 364, remedies = [3, 9], vessels = [4, 12], odd = false }: Drawn = {},
): Year {
  const draw = drawnFrom(seed);
  const away = new Uint8Array(days);
  for (let n = whole(draw, 0, 2); n > 0; n--) {
    const from = whole(draw, 0, days - 1);
    away.fill(1, from, Math.min(days, from + whole(draw, 3, odd ? 120 : 28)));
  }
  const only = draw() < 0.5 ? undefined : new Set([whole(draw, 0, 6), whole(draw, 0, 6)]);
  const suits = Uint8Array.from({ length: days }, (_, d) => Number(!away[d] && (!only || only.has(d % 7))));
  const pots: PlanVessel[] = [{ id: "pot", ml: anyOf(draw, [1500, 3000, 5000]), pot: true, free: 0 }];
  const jars = Array.from({ length: whole(draw, ...vessels) }, (_, i): PlanVessel => {
    const free = draw() < 0.3 ? whole(draw, 1, 60) : 0;
    return { id: `jar-${i}`, ml: anyOf(draw, [370, 500, 500, 720, 1000, 1000, 1500]), pot: false, free };
  });
  const wanted = Array.from({ length: whole(draw, ...remedies) }, (_, i): Wanted => {
    const sort = anyOf(draw, SORTS);
    const aWeek = between(draw, sort.aYear) * (odd && draw() < 0.1 ? 200 : 1);
    const need = needOf(draw, days, odd && draw() < 0.1 ? 0 : aWeek, away);
    const first = whole(draw, 0, 11);
    const picked = draw() < 0.4 ? anyOf(draw, odd ? [0, 1, 3, 6] : [2, 3, 6]) : 12;
    const herbs = Uint8Array.from({ length: days }, (_, d) =>
      Number((Math.floor((d / days) * 12) - first + 12) % 12 < picked),
    );
    const value = between(draw, [0.6, 0.85]);
    const making: Making = {
      pot: sort.pot,
      steep: sort.steep && { earliest: sort.steep[0], best: sort.steep[1], latest: sort.steep[2] },
      gives: { value, low: value * 0.85 },
      hours: { begin: between(draw, [0.5, 1.5]), strain: sort.steep ? 0.5 : 0 },
      keeps: sort.keeps.map(([place, d]) => ({ in: place, days: d })),
      herbs,
      cost: between(draw, [0.002, 0.03]),
      worksCold: !sort.pot && draw() < 0.1,
    };
    const stock: Lot[] = Array.from({ length: whole(draw, 0, 2) }, () => ({
      ml: between(draw, [1, 12]) * aWeek,
      from: draw() < 0.3 ? whole(draw, 1, 40) : 0,
      until: whole(draw, 20, 300),
      in: sort.keeps[0]![0],
    }));
    const gifts = draw() < 0.25 ? [{ day: whole(draw, 10, days - 1), ml: whole(draw, 1, 6) * 100 }] : [];
    return {
      ...{ id: `remedy-${i}`, never: draw() < 0.4, weight: anyOf(draw, [0.5, 1, 2]), need, gifts, stock },
      making: odd && draw() < 0.1 ? undefined : making,
    };
  });
  const hours = odd && draw() < 0.1 ? 0.4 : between(draw, [2, 6]);
  return {
    ...{ days, wanted, vessels: odd && draw() < 0.1 ? [] : [...pots, ...jars] },
    room: { fridge: whole(draw, odd ? 0 : 1, 6) * 500, freezer: whole(draw, 0, 4) * 500 },
    hours: { week: hours, day: Math.min(hours, draw() < 0.5 ? hours : 2.5) },
    begins: suits,
    strains: draw() < 0.5 ? suits : Uint8Array.from({ length: days }, (_, d) => Number(!away[d])),
  };
}

/** A household small enough that every plan of it can be gone through: two remedies, three vessels, twelve weeks, days for it every other week. */
export function smallYear(seed: number): Year {
  const draw = drawnFrom(seed * 7919 + 1);
  const days = 84;
  const suits = Uint8Array.from({ length: days }, (_, d) => Number(d % 14 === 0));
  const wanted = [0, 1].map((i): Wanted => {
    const pot = i === 0 && draw() < 0.5;
    const aWeek = between(draw, [40, 160]);
    const begins = whole(draw, 0, 6) * 7;
    return {
      ...{ id: `remedy-${i}`, never: draw() < 0.5, weight: 1, gifts: [] },
      need: Float64Array.from({ length: days }, (_, d) => (d < begins ? 0 : aWeek / 7)),
      stock: [{ ml: aWeek * between(draw, [0, 5]), from: 0, until: whole(draw, 10, 90), in: "cupboard" }],
      making: {
        ...{ pot, steep: pot ? undefined : { earliest: 26, best: 28, latest: 30 } },
        gives: { value: 0.7, low: 0.6 },
        hours: { begin: 1, strain: pot ? 0 : 0.5 },
        keeps: pot ? [{ in: "fridge", days: 28 }] : [{ in: "cupboard", days: whole(draw, 27, 60) }],
        herbs: new Uint8Array(days).fill(1),
        ...{ cost: 0.01, worksCold: false },
      },
    };
  });
  const sizes = [anyOf(draw, [500, 720]), anyOf(draw, [1000, 1500])];
  return {
    ...{ days, wanted },
    vessels: [
      { id: "pot", ml: 1500, pot: true, free: 0 },
      ...sizes.map((ml, i): PlanVessel => ({ id: `jar-${i}`, ml, pot: false, free: draw() < 0.3 ? 14 : 0 })),
    ],
    room: { fridge: anyOf(draw, [800, 1600]), freezer: 0 },
    hours: { week: anyOf(draw, [1.5, 2, 4]), day: 4 },
    begins: suits,
    strains: suits,
  };
}
