import { msOf } from "../day";
import { boilingOf } from "../make/moves";
import { type BoilingLearned, learnBoiling } from "../kitchen/boiling";
import { type Learned, type StoodFrom, type Temperature, learn } from "../kitchen/cooling";
import { panOf } from "../kitchen/pan";
import { sdOf, thinned } from "../kitchen/sift";
import { HEATS } from "../plan/read-plan";
import { whenBegins } from "../reckoning/in-the-pot";
import type { Program } from "../reckoning/program";
import { type BatchReading, sifted } from "./at-the-stove";
import type { Batch } from "./fold";

/** Minutes on the one clock all readings of a batch share: since 1970. */
export const minuteOf = (iso: string): number => msOf(iso) / 60_000;

/** Every temperature that counts, one a minute, in order of time. */
export function temperaturesOf(b: Batch, nowMs?: number): readonly Temperature[] {
  return thinned(sifted(b.stove.readings, "temperature", nowMs).used).map((r) => ({
    minute: r.ms / 60_000,
    celsius: r.value,
    sd: r.of.sd ?? sdOf(r),
  }));
}

const stoodOf = (b: Batch): readonly StoodFrom[] =>
  b.stove.stood.map((s) => ({ minute: minuteOf(s.at), as: s.as }));

/** Minute the last heat was done with; or of the last boil that was read. */
function offTheHeat(b: Batch, p: Program, temperatures: readonly Temperature[]): number | undefined {
  const heats = p.read.steps.filter((s) => HEATS.has(s.do)).map((s) => s.id);
  const done = heats.flatMap((id) => {
    const at = b.stove.moves.get(id)?.at;
    return at === undefined ? [] : [minuteOf(at)];
  });
  if (done.length > 0) return Math.max(...done);
  return temperatures.findLast((t) => t.celsius >= 85)?.minute ?? temperatures[0]?.minute;
}

/** The kitchen as it was last read, °C. */
function roomOf(readings: readonly BatchReading[]): { celsius: number; sd: number } | undefined {
  const last = readings.findLast((r) => r.what === "room" && r.value !== undefined);
  return last && { celsius: last.value!, sd: last.sd ?? 0.7 };
}

/** A pan that cools, as far as it was read; nothing where no vessel is known. */
export function coolingOf(b: Batch, p: Program, step: string, nowMs: number): Learned | undefined {
  if (!p.vessel) return undefined;
  const is = whenBegins(p, step);
  if (is.ml <= 0) return undefined;
  const all = temperaturesOf(b, nowMs);
  const off = offTheHeat(b, p, all);
  const readings = off === undefined ? all : all.filter((t) => t.minute >= off - 1);
  return learn({
    pan: panOf(p.vessel.solid, is.ml + is.plantsMl, is.grams + is.plantsG, is.sugar),
    stood: stoodOf(b),
    readings,
    room: roomOf(b.stove.readings),
  });
}

/** A pan that boils down in a step, as far as it was read. @param from minute the step began */
export function boilingDown(
  b: Batch,
  p: Program,
  step: string,
  from: number,
  nowMs: number,
): BoilingLearned | undefined {
  if (!p.vessel) return undefined;
  const is = whenBegins(p, step);
  if (is.ml <= 0) return undefined;
  const read = (what: "depth" | "weight") =>
    sifted(b.stove.readings, what, nowMs)
      .used.filter((r) => r.ms / 60_000 >= from - 1)
      .map((r) => ({ minute: r.ms / 60_000, what, value: r.value, sd: r.of.sd ?? sdOf(r) }));
  const readings = [...read("depth"), ...read("weight")];
  return learnBoiling({ ...boilingOf(p.vessel.solid, is, "simmer", from), readings });
}
