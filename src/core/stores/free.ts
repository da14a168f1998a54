import type { Vessel } from "../vessel/vessel";
import type { VesselOnHand } from "./stores";

/** A vessel that holds a working batch: its id, and the batch's code. */
export interface Busy {
  readonly vessel: string;
  readonly code: string;
}

export interface Standing {
  readonly vessel: Vessel;
  /** Which one it is among those the household owns. */
  readonly own: VesselOnHand;
  /** Code of the batch that stands in it, where one does. */
  readonly holds: string | undefined;
}

/** The household's vessels and what stands in each. Of several alike, as many are taken as batches stand in that size. */
export function standing(vessels: readonly VesselOnHand[], busy: readonly Busy[]): Standing[] {
  const waiting = [...busy];
  return vessels.map((own) => {
    const at = waiting.findIndex((b) => b.vessel === own.vessel.id);
    const [b] = at >= 0 ? waiting.splice(at, 1) : [];
    return { vessel: own.vessel, own, holds: b?.code };
  });
}

/** Those that are free, smallest first. */
export const free = (all: readonly Standing[]): Standing[] =>
  all.filter((s) => s.holds === undefined).sort((a, b) => a.vessel.fillMl - b.vessel.fillMl);

/**
 * The vessel a plan is set out in where its own is taken: the household’s free one of the same sort that holds as much, or the least more.
 * Nothing where its own is free, where the household has none like it, or where no other would do.
 */
export function freeInstead(
  vessel: string,
  all: readonly Standing[],
): { readonly to: Standing; readonly holds: string } | undefined {
  const mine = all.filter((s) => s.own.own.vessel === vessel);
  const [first] = mine;
  if (first?.holds === undefined || mine.some((s) => s.holds === undefined)) return undefined;
  const { sort, fillMl } = first.vessel;
  const to = free(all).find((s) => s.vessel.sort === sort && s.vessel.fillMl >= fillMl * 0.98);
  return to && { to, holds: first.holds };
}
