import { type Estimate, estimate } from "../estimate";
import { massOf } from "../mixture/components";
import { FIGURES, type FigureName, figuresInto, sameFiguresInto } from "../mixture/figures";
import type { Entry, Moved, Run } from "../mixture/entry";
import { Replays } from "../mixture/replays";
import { BOOK_RETENTION, LAWS } from "./doubts";
import type { Program, Resolved } from "./program";

export type Figures = Readonly<Record<FigureName, Estimate>>;

const N = FIGURES.length;
const SIZE = 3 * N + 4;
/** Where each liquid's figures begin, and what stands behind them. */
export const AT = {
  jar: 0,
  strained: N,
  finished: 2 * N,
  herbPerMl: 3 * N,
  marcG: 3 * N + 1,
  plantsG: 3 * N + 2,
  steamG: 3 * N + 3,
} as const;
const PH = FIGURES.indexOf("ph");
const ABV = FIGURES.indexOf("abv");
/** Water of the dried herb that herb equivalents are counted in. */
const DRIED_HERB_WATER = 0.08;

// Scratch, kept between reckonings so that none has to make its own.
const base = new Float64Array(SIZE);
const shifted = new Float64Array(SIZE);
const squares = new Float64Array(SIZE);
const ends = new Float64Array(SIZE);

/** The same for this making: closer where the household has learned what its own cloth keeps of what keeps most here. */
function retentionSpread(p: Program): number {
  const strain = p.operations.find((o) => o.op === "strain");
  if (strain?.op !== "strain") return BOOK_RETENTION;
  let [all, sum] = [0, 0];
  for (const l of p.lines) {
    if (!counts(l)) continue;
    const keeps = l.grams * dryShare(l) * l.stuff.retention[strain.how];
    all += keeps;
    sum += keeps * (l.stuff.keeps?.[strain.how]?.spread ?? BOOK_RETENTION);
  }
  return all > 0 ? sum / all : BOOK_RETENTION;
}

/** How far a form that was taken for granted is moved toward the other it may be: half the way, as for one guess in five wrong. */
const FORM_DOUBT = 0.5;

/** What the model itself may be off by, added to every figure's spread: relative for most, absolute for pH and °Bx. */
const MODEL: Readonly<Partial<Record<FigureName, { readonly rel?: number; readonly abs?: number }>>> = {
  ml: { rel: 0.005 },
  brix: { abs: 0.3 },
  acetic: { rel: 0.02 },
  acid: { rel: 0.02 },
  index: { rel: 0.01 },
  aw: { abs: 0.005 },
  dryness: { abs: 0.005 },
  abv: { rel: 0.005 },
  delle: { rel: 0.005 },
  ph: { abs: 0.1 },
};
const PH_WITH_PLANTS = 0.2;
/** Above 15 % alcohol a charge balance in water says little; from 10 % on it says less and less. */
const PH_IN_SPIRIT = 0.6;
const PH_FADES = [10, 15] as const;
function phModel(plants: boolean, abv: number): number {
  const sure = plants ? PH_WITH_PLANTS : MODEL.ph!.abs!;
  const faded = Math.min(1, Math.max(0, (abv - PH_FADES[0]) / (PH_FADES[1] - PH_FADES[0])));
  return sure + (PH_IN_SPIRIT - sure) * faded;
}
const BOUNDS: Readonly<Partial<Record<FigureName, readonly [number, number]>>> = {
  aw: [0, 1],
  dryness: [0, 1],
  abv: [0, 100],
  water: [0, 100],
  glycerol: [0, 100],
  brix: [0, 100],
  mono: [0, 100],
  di: [0, 100],
  ph: [1, 12],
};

function readRun(r: Run, into: Float64Array, herbDryG: number): void {
  // A moved run lies close to the base run, so its pH is looked for there first.
  const near = into === shifted;
  figuresInto(r.jar, into, AT.jar, near ? base[PH] : undefined);
  if (r.strainedAsJar) sameFiguresInto(r.strained, into, AT.strained, AT.jar);
  else figuresInto(r.strained, into, AT.strained, near ? base[N + PH] : undefined);
  if (r.finishedAsStrained) sameFiguresInto(r.account.liquid, into, AT.finished, AT.strained);
  else figuresInto(r.account.liquid, into, AT.finished, near ? base[2 * N + PH] : undefined);
  const strainedMl = into[AT.strained]!;
  const finishedMl = into[AT.finished]!;
  // What the marc keeps is lost to the bottle in proportion.
  const passed = massOf(r.account.marc) > 0 ? strainedMl / Math.max(strainedMl, into[AT.jar]!) : 1;
  const herb = herbDryG / (1 - DRIED_HERB_WATER);
  into[AT.herbPerMl] = finishedMl > 0 ? (herb * Math.min(1, passed)) / finishedMl : 0;
  into[AT.marcG] = massOf(r.account.marc);
  into[AT.plantsG] = massOf(r.account.plants);
  into[AT.steamG] = r.account.steamG;
}

const dryShare = (l: Resolved): number => 1 - l.stuff.composition[0]!;
const counts = (l: Resolved): boolean => l.stuff.plant && l.stage === "jar";

/** The line's entry in the form it was not taken to have: as much of it as the same words would weigh. */
function otherEntry(l: Resolved, e: Entry): Entry | undefined {
  if (!l.otherwise) return undefined;
  const { composition, extraction, retention, bulkLoose } = l.otherwise;
  const scooped = l.amount.kind !== "measure" || l.amount.dimension !== "mass";
  return {
    ...e,
    composition,
    extraction,
    retention,
    grams: scooped ? (e.grams * bulkLoose) / l.stuff.bulkLoose : e.grams,
  };
}

/** Runs the making once as it is and once with each uncertain thing moved, adding the squares of the effects. */
function pass(p: Program, anyPlant: boolean): { readonly solidsLeft: boolean; readonly inG: number } {
  const replays = new Replays(p.entries, p.operations);
  const herbDryG = p.lines.reduce((g, l) => g + (counts(l) ? l.grams * dryShare(l) : 0), 0);
  const r0 = replays.run();
  // The run is scratch: what is wanted of it is read before the next one.
  const { solidsLeft } = r0;
  const { inG } = r0.account;
  readRun(r0, base, herbDryG);
  squares.fill(0);
  const move = (m: Moved, share = 1, dryG = herbDryG): void => {
    readRun(replays.run(m), shifted, dryG);
    for (let i = 0; i < SIZE; i++) {
      const d = (shifted[i]! - base[i]!) * share;
      squares[i] = squares[i]! + d * d;
    }
  };
  /** Where a marc may hold nearly all, or a pot boil nearly dry, one end says nothing: the farther of the two counts. */
  const bothWays = (law: "retention" | "boiling", by: number): void => {
    readRun(replays.run({ law, by }), shifted, herbDryG);
    for (let i = 0; i < SIZE; i++) ends[i] = Math.abs(shifted[i]! - base[i]!);
    readRun(replays.run({ law, by: -by }), shifted, herbDryG);
    for (let i = 0; i < SIZE; i++) {
      const d = Math.max(ends[i]!, Math.abs(shifted[i]! - base[i]!));
      squares[i] = squares[i]! + d * d;
    }
  };
  p.lines.forEach((l, entry) => {
    const more = counts(l) ? l.tolerance * l.grams * dryShare(l) : 0;
    if (l.tolerance > 0) move({ entry, mass: l.tolerance }, 1, herbDryG + more);
    if (l.stuff.waterTolerance > 0) move({ entry, water: l.stuff.waterTolerance });
    if (l.stuff.acidTolerance > 0) move({ entry, acids: l.stuff.acidTolerance });
    const as = otherEntry(l, p.entries[entry]!);
    if (as) move({ entry, as }, FORM_DOUBT);
  });
  if (anyPlant) {
    if (p.measuredMl === undefined) bothWays("retention", retentionSpread(p));
    move({ law: "extraction", by: LAWS.extraction });
    move({ law: "alkalinity", by: LAWS.alkalinity });
  }
  if (p.operations.some((o) => o.op === "boil-off")) bothWays("boiling", p.upstream?.boiling ?? LAWS.boiling);
  if (p.operations.some((o) => o.op === "reduce" && o.toShare !== undefined))
    move({ law: "mark", by: p.upstream?.mark ?? LAWS.mark });
  if (p.measuredMl !== undefined) move({ law: "measured", by: LAWS.measured });
  return { solidsLeft, inG };
}

function figuresAt(at: number, plants: boolean, because: readonly string[]): Figures {
  const out = {} as Record<FigureName, Estimate>;
  for (let i = 0; i < N; i++) {
    const name = FIGURES[i]!;
    const value = base[at + i]!;
    const m = MODEL[name];
    const model = name === "ph" ? phModel(plants, base[at + ABV]!) : (m?.abs ?? 0) + (m?.rel ?? 0) * value;
    const half = Math.sqrt(squares[at + i]! + model * model);
    const [least, most] = BOUNDS[name] ?? [0, Infinity];
    // A figure that is nothing (no alcohol, no acid) is exactly nothing.
    const none = value === 0 && squares[at + i] === 0;
    out[name] = none
      ? estimate(0, 0, 0, because)
      : estimate(value, Math.max(least, value - half), Math.min(most, value + half), because);
  }
  return out;
}

/** The figures of a making: the liquid in the jar, off the cloth and as bottled, each with its spread. */
export interface Reckoned {
  readonly jar: Figures;
  readonly strained: Figures;
  readonly finished: Figures;
  readonly herbPerMl: Estimate;
  readonly solidsLeft: boolean;
  readonly ledger: {
    readonly inG: number;
    readonly liquidG: number;
    readonly marcG: number;
    readonly plantsG: number;
    readonly steamG: number;
  };
}

const hull = (likely: Estimate, all: readonly Estimate[]): Estimate => ({
  ...likely,
  low: Math.min(likely.low, ...all.map((e) => e.low)),
  high: Math.max(likely.high, ...all.map((e) => e.high)),
});
function hullOf(likely: Figures, all: readonly Figures[]): Figures {
  const out = {} as Record<FigureName, Estimate>;
  for (const name of FIGURES)
    out[name] = hull(
      likely[name],
      all.map((f) => f[name]),
    );
  return out;
}

/**
 * Reckons all figures of a program. Every toleranced input is moved once and the effects are added as root of squares; of what nobody remembers
 * a figure reaches from the lowest to the highest it may be.
 */
export function figuresOf(p: Program): Reckoned {
  const likely = figuresAsSupposed(p);
  if (p.ends.length === 0) return likely;
  const ends = p.ends.map(figuresAsSupposed);
  return {
    jar: hullOf(
      likely.jar,
      ends.map((e) => e.jar),
    ),
    strained: hullOf(
      likely.strained,
      ends.map((e) => e.strained),
    ),
    finished: hullOf(
      likely.finished,
      ends.map((e) => e.finished),
    ),
    herbPerMl: hull(
      likely.herbPerMl,
      ends.map((e) => e.herbPerMl),
    ),
    solidsLeft: likely.solidsLeft || ends.some((e) => e.solidsLeft),
    ledger: likely.ledger,
  };
}

function figuresAsSupposed(p: Program): Reckoned {
  const anyPlant = p.lines.some((l) => l.stuff.plant);
  const { solidsLeft, inG } = pass(p, anyPlant);
  const yielded =
    p.measuredMl === undefined
      ? "what the marc keeps back is a typical value"
      : "strained volume as measured";
  const given = anyPlant ? ["what the herb gives up is a typical value"] : [];
  const taken = p.lines.flatMap((l) => (l.otherwise ? [`${l.stuff.name} was taken as ${l.stuff.form}`] : []));
  const because = [yielded, ...given, ...taken];
  const half = Math.sqrt(squares[AT.herbPerMl]!);
  const herb = base[AT.herbPerMl]!;
  return {
    jar: figuresAt(AT.jar, anyPlant, [...given, ...taken]),
    strained: figuresAt(AT.strained, anyPlant, because),
    finished: figuresAt(AT.finished, anyPlant, because),
    herbPerMl: estimate(herb, Math.max(0, herb - half), herb + half, because),
    solidsLeft,
    ledger: {
      inG,
      liquidG: base[AT.finished + 1]!,
      marcG: base[AT.marcG]!,
      plantsG: base[AT.plantsG]!,
      steamG: base[AT.steamG]!,
    },
  };
}
