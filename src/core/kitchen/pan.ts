import { diameterAt, heightAt, type Solid } from "../vessel/profile";

/** A pan with something in it, as far as heat is concerned. Areas m², heat J/K. */
export interface Pan {
  /** Wetted wall and base, and the surface. */
  readonly skin: number;
  readonly surface: number;
  readonly heat: number;
}

/** Stainless steel or enamel of a kitchen pan: g a cm² (0.8 mm of 7.9 g/mL), and J/gK. */
const [WALL_G_PER_CM2, WALL_HEAT] = [0.63, 0.5];
/** Water's heat, and what each share of dissolved sugar takes from it: J/gK (linear in °Bx, as published for fruit juices). */
const [WATER_HEAT, SUGAR_TAKES] = [4.18, 2.7];

const area = (d: number): number => (Math.PI / 4) * d * d;

/** cm² of wall and base below a height. */
function wettedCm2({ profile }: Solid, cm: number): number {
  let wall = area(profile[0]![1]);
  for (let i = 1; i < profile.length; i++) {
    const [h0, d0] = profile[i - 1]!;
    const [h1, d1] = profile[i]!;
    if (h0 >= cm) break;
    const part = Math.min(1, (cm - h0) / (h1 - h0));
    const rise = (h1 - h0) * part;
    const wider = ((d1 - d0) / 2) * part;
    wall += (Math.PI / 2) * (d0 + d0 + (d1 - d0) * part) * Math.hypot(rise, wider);
  }
  return wall;
}

/** cm² of the surface of so many mL. */
export const surfaceCm2 = (solid: Solid, ml: number): number => area(diameterAt(solid, heightAt(solid, ml)));

/** J/gK of a liquid by its share of dissolved sugar. */
export const heatOf = (sugar: number): number => WATER_HEAT - SUGAR_TAKES * sugar;

/**
 * A pan as it stands.
 * @param ml what stands in it, plants and all
 * @param grams mass of that
 * @param sugar share of it by weight that is dissolved sugar
 */
export function panOf(solid: Solid, ml: number, grams: number, sugar: number): Pan {
  const cm = heightAt(solid, ml);
  const surface = area(diameterAt(solid, cm));
  const wetted = wettedCm2(solid, cm);
  // Wall a hand above the liquid warms with it.
  const steel = wettedCm2(solid, Math.min(solid.brimCm, cm + 3)) * WALL_G_PER_CM2 * WALL_HEAT;
  return { skin: (wetted + surface) / 1e4, surface: surface / 1e4, heat: grams * heatOf(sugar) + steel };
}
