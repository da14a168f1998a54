import { type Result, fail, fault, ok } from "../fault";
import type { Stuff } from "../material/material";
import { abvOfMassShare, ethanolWaterDensity, massShareOfAbv } from "../mixture/alcohol";
import { WATER } from "../mixture/components";
import type { PlantClass } from "../material/classes";

export interface Menstruum {
  /** mL of the spirit to pour, and g of water to weigh in. */
  readonly spiritMl: number;
  readonly waterG: number;
  /** mL the two make together; less than their volumes added. */
  readonly makesMl: number;
  /** % vol of the menstruum as mixed, and once the plant's own water has joined it. */
  readonly mixedAbv: number;
  readonly finalAbv: number;
}

/**
 * Spirit and water, mixed by mass, for a herb at a ratio: `mlPerG` mL for each g, so that the liquid stands at `finalAbv` % vol
 * with the plant's own water counted. Faults: `NotReachable` (with the strongest that can be had), `ImpossibleStrength`.
 */
export function menstruumFor(herb: Pick<Stuff, "composition" | "name">, grams: number, mlPerG: number, spiritAbv: number, finalAbv: number): Result<Menstruum> {
  for (const [x, what] of [[spiritAbv, "spirit"], [finalAbv, "tincture"]] as const) if (!(x > 0 && x <= 100)) return fail(fault("ImpossibleStrength", `A ${what} of ${x} % cannot be; it lies above 0 and up to 100 %.`));
  if (!(grams > 0 && mlPerG > 0 && mlPerG <= 100)) return fail(fault("OutOfRange", "A ratio runs from 1:1 to 1:100, of some herb."));
  const volume = grams * mlPerG;
  const plantWater = grams * herb.composition[WATER]!;
  const ps = massShareOfAbv(spiritAbv / 100);
  const rho = ethanolWaterDensity(ps);
  // The menstruum at mass share p of ethanol has this volume; with plant water its strength falls.
  const at = (p: number) => {
    const mass = volume * ethanolWaterDensity(p);
    const ethanol = mass * p;
    return { mass, ethanol, final: 100 * abvOfMassShare(ethanol / (mass + plantWater)) };
  };
  const strongest = at(ps);
  if (strongest.final < finalAbv - 1e-9) {
    return fail(fault("NotReachable", `${herb.name} brings ${Math.round(plantWater)} g of water. Even with ${spiritAbv} % spirit alone it comes to ${strongest.final.toFixed(0)} %. Take a stronger spirit, more of it to the herb, or wilt the herb first.`, [], `${Math.floor(strongest.final)} %`));
  }
  let low = 0;
  let high = ps;
  for (let i = 0; i < 70; i++) {
    const mid = (low + high) / 2;
    if (at(mid).final < finalAbv) low = mid;
    else high = mid;
  }
  const p = (low + high) / 2;
  const m = at(p);
  const spiritG = m.ethanol / ps;
  return ok({ spiritMl: spiritG / rho, waterG: Math.max(0, m.mass - spiritG), makesMl: volume, mixedAbv: 100 * abvOfMassShare(p), finalAbv: m.final });
}

/** mL of a second spirit that brings `ml` of a first to a strength between them, reckoned by mass. All % vol. Faults: `NotReachable`. */
export function blend(ml: number, abv: number, otherAbv: number, target: number): Result<{ readonly addMl: number; readonly makesMl: number }> {
  if ((target - abv) * (target - otherAbv) > 0 || otherAbv === target) return fail(fault("NotReachable", `${target} % does not lie between ${abv} % and ${otherAbv} %.`));
  const [p, q, t] = [massShareOfAbv(abv / 100), massShareOfAbv(otherAbv / 100), massShareOfAbv(target / 100)];
  const mass = ml * ethanolWaterDensity(p);
  const add = (mass * (t - p)) / (q - t);
  return ok({ addMl: add / ethanolWaterDensity(q), makesMl: (mass + add) / ethanolWaterDensity(t) });
}

/** Herb for a ratio: g that a menstruum of `ml` takes at 1 to `mlPerG`. */
export const herbForRatio = (ml: number, mlPerG: number): number => ml / mlPerG;

/** What a jarful works out to: mL of menstruum for each g of herb as it went in. */
export const ratioOf = (grams: number, ml: number): number => ml / grams;

export interface StrengthAdvice {
  readonly low: number;
  readonly high: number;
  readonly why: string;
}

/** A range of strengths, % vol, for a plant, and why. Typical of the literature on tinctures; the maker knows better. */
export function strengthFor(s: { readonly class: PlantClass | string; readonly tags: readonly string[]; readonly form?: string | undefined }): StrengthAdvice {
  if (s.tags.includes("resinous") || s.class === "resin") return { low: 80, high: 95, why: "resins come out in strong spirit and fall out in weak" };
  if (s.tags.includes("mucilage")) return { low: 20, high: 25, why: "mucilage clots in strong spirit; a weak one draws it" };
  if (s.form === "fresh" || s.form === "frozen") return { low: 50, high: 95, why: "a fresh plant's own water brings the strength down; it wants at least 25 % when that is counted" };
  if (s.class === "root" || s.class === "bark" || s.class === "seed") return { low: 45, high: 60, why: "roots, barks and seeds hold oils and resins that want a middling spirit" };
  return { low: 35, high: 50, why: "leaves, flowers and berries give up most of what they have to an ordinary spirit" };
}
