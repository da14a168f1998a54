import { type Stuff, isLiquid } from "@/core/material/material";
import { VESSELS } from "@/core/vessel/catalogue";
import { heightAt } from "@/core/vessel/profile";
import type { Vessel } from "@/core/vessel/vessel";

/** What a lot is drawn in: plain jars for what is heaped, bottles for what is poured; the household may keep it in anything. */
const bySize = (ids: readonly string[]): readonly Vessel[] =>
  ids.map((id) => VESSELS.get(id)!).sort((a, b) => a.solid.brimMl - b.solid.brimMl);
const JARS = bySize(["m-125", "m-250", "m-500", "m-1000", "m-2000", "m-3000", "m-5000"]);
const BOTTLES = bySize(["b-100", "b-250", "b-500-swing", "b-1000-swing", "us-b-64"]);

/** A lot as it would stand on a shelf. */
export interface StandsIn {
  readonly vessel: Vessel;
  /** How high what is left stands in it, cm. */
  readonly toCm: number;
  /** Vessels as full as the first that stand behind it. */
  readonly behind: number;
}

/**
 * How a lot is drawn: in the smallest plain vessel that held all of it, filled to what is left.
 * @param boughtG g there were @param leftG g there are
 */
export function standsIn(stuff: Stuff, boughtG: number, leftG: number): StandsIn {
  const poured = isLiquid(stuff);
  const perMl = poured ? stuff.density : stuff.bulkLoose;
  const kinds = poured ? BOTTLES : JARS;
  const all = Math.max(boughtG, leftG) / perMl;
  const vessel = kinds.find((v) => v.solid.brimMl >= all) ?? kinds.at(-1)!;
  const left = leftG / perMl;
  const behind = Math.max(0, Math.ceil(left / vessel.solid.brimMl) - 1);
  const first = left - behind * vessel.solid.brimMl;
  return {
    vessel,
    behind,
    toCm: first > 0 ? heightAt(vessel.solid, Math.min(vessel.solid.brimMl, first)) : 0,
  };
}
