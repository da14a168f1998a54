import type { Entry, LawName, Operation } from "../mixture/entry";
import { SAID_SHARE, run } from "../mixture/ledger";
import { volumeOf } from "../mixture/volume";
import { BOOK_RETENTION, LAWS } from "./doubts";

/** How far what is upstream of a measured jug may still be off, relative. */
export interface Upstream {
  readonly boiling: number;
  readonly mark: number;
}

/** No pot boils off so much less, and no eye misses a mark by so much, as this many of its usual spreads. */
const THINNER = 3;
/** What is missing beyond this was likelier spilt or misread than boiled off: nothing is called thicker for it. */
const THICKER = 1.5;
/** The volume is nearly straight in what moves it: a few steps settle it. */
const STEPS = 3;

type Source = "boiling" | "mark" | "retention";
const SPREAD: Readonly<Record<Source, number>> = {
  boiling: LAWS.boiling,
  mark: LAWS.mark,
  retention: BOOK_RETENTION,
};

/** How far each may be moved, in its own spreads: boiled more and stopped lower are the thicker side. */
const LIKELY: Readonly<Record<Source, { readonly least: number; readonly most: number }>> = {
  boiling: { least: -THINNER, most: THICKER },
  mark: { least: -THICKER, most: THINNER },
  retention: { least: -THINNER, most: THINNER },
};

/** The operations with the boiling and the marks moved by so many of their spreads. */
function movedBy(operations: readonly Operation[], z: Readonly<Record<Source, number>>): Operation[] {
  const [boils, mark] = [Math.max(0, 1 + z.boiling * SPREAD.boiling), 1 + z.mark * SPREAD.mark];
  return operations.map((o): Operation => {
    if (o.op === "boil-off")
      return { ...o, grams: o.grams * (o.said ? 1 + (boils - 1) * SAID_SHARE : boils) };
    return o.op === "reduce" && o.toShare !== undefined
      ? { ...o, toShare: Math.min(1, o.toShare * mark) }
      : o;
  });
}

/**
 * What a measured jug says of what was boiled before it: as much came out as the jug shows, so the boiling, the mark on the stick and the cloth share
 * the difference, each by how far it usually is off (least squares on all three, the jug's own error among them). mL.
 * @returns the operations as they likeliest were, and how far they may still be off; nothing where nothing was boiled by guess
 */
export function upstreamOf(
  entries: readonly Entry[],
  operations: readonly Operation[],
  how: Extract<Operation, { op: "strain" }>["how"],
  measuredMl: number,
): { readonly operations: readonly Operation[]; readonly upstream: Upstream } | undefined {
  const guessed = operations.some(
    (o) => o.op === "boil-off" || (o.op === "reduce" && o.toShare !== undefined),
  );
  if (!guessed) return undefined;
  const out = (z: Readonly<Record<Source, number>>): number =>
    volumeOf(
      run(entries, [...movedBy(operations, z), { op: "strain", how }], {
        law: "retention" satisfies LawName,
        by: z.retention * SPREAD.retention,
      }).strained,
    );
  const sources = ["boiling", "mark", "retention"] as const;
  let z: Record<Source, number> = { boiling: 0, mark: 0, retention: 0 };
  let left: Readonly<Record<Source, number>> = { boiling: 1, mark: 1, retention: 1 };
  for (let step = 0; step < STEPS; step++) {
    const now = out(z);
    const slope = (s: Source): number => (out({ ...z, [s]: z[s] + 0.25 }) - now) / 0.25;
    const e = { boiling: slope("boiling"), mark: slope("mark"), retention: slope("retention") };
    const all = sources.reduce((sum, s) => sum + e[s] ** 2, (LAWS.measured * measuredMl) ** 2);
    const miss = measuredMl - now + sources.reduce((sum, s) => sum + e[s] * z[s], 0);
    const likely = (s: Source): number => (e[s] * miss) / all;
    const held = (s: Source): number => Math.max(LIKELY[s].least, Math.min(LIKELY[s].most, likely(s)));
    z = { boiling: held("boiling"), mark: held("mark"), retention: held("retention") };
    // A jug that no usual pot explains has told nothing of the pot: its doubt stays what it was.
    const explained = sources.every((s) => held(s) === likely(s));
    const sd = (s: Source): number => (explained ? Math.sqrt(Math.max(0, 1 - e[s] ** 2 / all)) : 1);
    left = { boiling: sd("boiling"), mark: sd("mark"), retention: sd("retention") };
  }
  return {
    operations: movedBy(operations, z),
    upstream: { boiling: LAWS.boiling * left.boiling, mark: LAWS.mark * left.mark },
  };
}
