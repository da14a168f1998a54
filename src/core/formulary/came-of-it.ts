import { daysBetween } from "../day";
import type { Batch } from "../journal/fold";
import { reckonBatch } from "../journal/reckon";
import { costOf } from "../stores/cost";
import type { Stores } from "../stores/stores";

/** What came of a batch, against what was reckoned before it was strained. */
export interface CameOfIt {
  readonly id: string;
  readonly code: string;
  readonly version: number;
  readonly begun: string;
  readonly state: Batch["state"];
  /** Measured at the cloth, % of what was foreseen; and how far that foresight reached either way. */
  readonly out: number | undefined;
  readonly band: readonly [low: number, high: number] | undefined;
  readonly brix: number;
  readonly acid: number;
  readonly days: number | undefined;
  readonly tastes: Readonly<Partial<Record<"sweet" | "sharp" | "hot" | "bitter" | "herb", number>>>;
  /** In the household’s money, for 100 mL. */
  readonly cost: number | undefined;
  readonly said: readonly string[];
}

/** As it was foreseen before the cloth. */
function foreseen(
  b: Batch,
): { readonly value: number; readonly low: number; readonly high: number } | undefined {
  const r = reckonBatch(b, { ...b.making, strained: undefined, finished: undefined });
  return r.ok ? r.value.reckoning.strained.ml : undefined;
}

function tastesOf(b: Batch): CameOfIt["tastes"] {
  const last = b.diary.findLast((e) => e.type === "tasted" && !e.correctedBy?.undone);
  const body = (last?.body ?? {}) as Record<string, unknown>;
  const out: Record<string, number> = {};
  for (const k of ["sweet", "sharp", "hot", "bitter", "herb"])
    if (typeof body[k] === "number") out[k] = body[k];
  return out;
}

/** Words people wrote of it: notes, and what a tasting said. */
const saidOf = (b: Batch): string[] =>
  b.diary.flatMap((e) => {
    const { text, words } = e.body as { text?: unknown; words?: unknown };
    const said = e.type === "noted" ? text : words;
    return (e.type === "noted" || e.type === "tasted") && typeof said === "string" && !e.correctedBy?.undone
      ? [said]
      : [];
  });

/** What came of a batch; nothing where it does not reckon. */
export function cameOf(b: Batch, s: Stores): CameOfIt[] {
  const r = reckonBatch(b);
  if (!r.ok) return [];
  const { reckoning, program } = r.value;
  const ahead = b.strainedDay ? foreseen(b) : undefined;
  const whole = (ml: number): number => (ahead ? (ml / ahead.value) * 100 : 0);
  const cost = costOf(program, reckoning, s.lots);
  return [
    {
      id: b.id,
      code: b.code,
      version: b.recipe?.version ?? 1,
      begun: b.begunDay,
      state: b.state,
      out: ahead ? whole(reckoning.strained.ml.value) : undefined,
      band: ahead ? [whole(ahead.low), whole(ahead.high)] : undefined,
      brix: reckoning.finished.brix.value,
      acid: reckoning.finished.acid.value,
      days: b.strainedDay ? daysBetween(b.begunDay, b.strainedDay) : undefined,
      tastes: tastesOf(b),
      cost: cost.priced !== "none" ? cost.per100.value : undefined,
      said: saidOf(b),
    },
  ];
}
