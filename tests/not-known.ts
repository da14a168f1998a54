import { VESSELS } from "@/core/vessel/catalogue";
import type { Chance } from "./chance";

/**
 * A jar of which not everything is known, and what it may really hold. Written apart from the reckoning: whatever a jar that is half known may
 * turn out to be, the promise made of it may not be more than would be made of that.
 */
export interface HalfKnown {
  readonly vessel: string;
  /** Of each thing: how much of it, or nothing where nobody remembers. */
  readonly plants: readonly { readonly material: string; readonly form: string; readonly ml?: number }[];
  readonly liquids: readonly { readonly material: string; readonly ml?: number }[];
}

const PLANTS = [
  ["garlic", "fresh"],
  ["ginger", "fresh"],
  ["onion", "fresh"],
  ["thyme", "dried"],
  ["thyme", "fresh"],
  ["elderberry", "dried"],
  ["sage", "fresh"],
  ["rose-hip", "dried"],
] as const;
/** What is poured over them, by kind of remedy. */
export const POURED = [
  ["cider-vinegar"],
  ["honey"],
  ["honey", "cider-vinegar"],
  ["vodka-40"],
  ["vodka-40", "water"],
] as const;
const JARS = ["m-500", "m-1000"] as const;

/** One of seven plants and one or two liquids in a jar, of which about half is known. */
export function halfKnown(chance: Chance): HalfKnown {
  const vessel = chance.pick(JARS);
  const whole = VESSELS.get(vessel)!.fillMl;
  const many = 1 + Math.floor(chance.from(0, 3));
  const plants = Array.from({ length: many }, () => {
    const [material, form] = chance.pick(PLANTS);
    return { material, form, ...(chance.next() < 1 / 3 ? { ml: whole * chance.from(0.05, 0.2) } : {}) };
  });
  const unlike = plants.filter((p, i) => plants.findIndex((q) => q.material === p.material) === i);
  const liquids = chance.pick(POURED).map((material) => ({ material }));
  return { vessel, plants: unlike, liquids };
}

/** What it may really be: the plants as much as a jar takes loosely, what is poured filling the rest, in any shares. mL each, in order. */
export function asItMayBe(h: HalfKnown, chance: Chance): { plants: number[]; liquidShares: number[] } {
  const whole = VESSELS.get(h.vessel)!.fillMl;
  const known = h.plants.reduce((sum, p) => sum + (p.ml ?? 0), 0);
  const open = h.plants.filter((p) => p.ml === undefined).length;
  // Sometimes hardly any, sometimes crammed, sometimes all of it one.
  const room = Math.max(0, whole * 0.85 - known) * chance.pick([0.05, 0.3, 0.6, 1]);
  const weights = Array.from({ length: open }, () => chance.next() ** 3 + 0.01);
  const all = weights.reduce((a, b) => a + b, 0);
  let at = 0;
  const plants = h.plants.map((p) => p.ml ?? Math.max(2, (room * weights[at++]!) / all));
  const shares = h.liquids.map(() => chance.from(0.1, 0.9));
  const sum = shares.reduce((a, b) => a + b, 0);
  return { plants, liquidShares: shares.map((s) => s / sum) };
}
