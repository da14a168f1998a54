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
