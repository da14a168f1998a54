import { type Result, fail, fault, ok } from "../fault";
import { M_ACETIC } from "../mixture/acidity";
import { massShareOfAbv } from "../mixture/alcohol";
import {
  ACETIC,
  ALKALINITY,
  CITRIC,
  COLUMNS,
  COMPONENT_NAMES,
  type ComponentName,
  DI,
  ETHANOL,
  INSOLUBLE,
  MALIC,
  MONO,
  type Mixture,
  SOLUBLE,
  WATER,
} from "../mixture/components";
import { honeyDensity, volumeOf } from "../mixture/volume";
import { CLASSES, type Form, type PlantClass } from "./classes";
import type { PlantRow, StuffRow } from "./rows";

/** Water of the five forms, as a share of mass. Frozen keeps its water; a day's wilting loses two fifths of it. */
export function waterShare(row: PlantRow & { class: PlantClass }, form: Form): number {
  const c = CLASSES[row.class];
  const fresh = row.water ?? c.freshWater;
  const dried = row.driedWater ?? c.driedWater;
  switch (form) {
    case "fresh":
    case "frozen":
      return fresh;
    case "wilted":
      return (fresh * 0.6) / (1 - fresh * 0.4);
    case "dried":
    case "powdered":
      return Math.min(dried, fresh);
  }
}

/** Malic acid carries two equivalents in 134.087 g. */
const MALIC_G_PER_MEQ = 134.087 / 2000;

/** Composition of one gram of a plant in a form. */
export function plantComposition(row: PlantRow & { class: PlantClass }, form: Form): Mixture {
  const c = CLASSES[row.class];
  const m = new Float64Array(COLUMNS);
  const water = waterShare(row, form);
  const dm = 1 - water;
  const d = row.dry ?? c.dry;
  m[WATER] = water;
  m[MONO] = d.mono * dm;
  m[DI] = d.di * dm;
  m[CITRIC] = d.citric * dm;
  m[MALIC] = d.malic * dm;
  m[SOLUBLE] = d.soluble * dm;
  m[INSOLUBLE] = dm * Math.max(0, 1 - d.mono - d.di - d.citric - d.malic - d.soluble);
  const freshDm = 1 - (row.water ?? c.freshWater);
  // Alkalinity per g of this form, mEq: the row's is per 100 g fresh, the class's per 100 g dry matter.
  m[ALKALINITY] = row.alk === undefined ? (c.alk / 100) * dm : (row.alk / 100 / freshDm) * dm;
  // The acids above are titratable; what the bases hold stands beside them as malate, taken from the other solubles,
  // so that total = titratable + alkalinity and neither is counted twice.
  const bound = m[ALKALINITY] * MALIC_G_PER_MEQ;
  m[MALIC] += bound;
  const fromSoluble = Math.min(bound, 0.8 * m[SOLUBLE]);
  m[SOLUBLE] -= fromSoluble;
  m[INSOLUBLE] -= bound - fromSoluble;
  return m;
}

/** Shares of a row that add up to less than this leave something out; a little less is rounding. */
const UNSAID = 0.98;

/** Composition and density of one gram of a stuff at the strength or water its bottle says. Faults: `ImpossibleStrength`, `ImpossibleHoney`, `NoSuchFigure`. */
export function stuffComposition(
  row: StuffRow,
  given: { abv?: number; acid?: number; water?: number },
): Result<{ composition: Mixture; density: number }> {
  const m = new Float64Array(COLUMNS);
  const c = row.composition;
  COMPONENT_NAMES.forEach((name: ComponentName, i) => (m[i] = c[name] ?? 0));
  m[ALKALINITY] = (row.alk ?? 0) / 100;
  const abv = given.abv ?? row.abv;
  if (abv !== undefined) {
    if (!(abv > 0 && abv <= 100))
      return fail(
        fault("ImpossibleStrength", `Alcohol of ${abv} % cannot be; it runs up to 100 % by volume.`, [
          "strength",
        ]),
      );
    m[ETHANOL] = massShareOfAbv(abv / 100);
  }
  if (given.acid !== undefined) {
    if (!(given.acid > 0 && given.acid <= 30))
      return fail(
        fault(
          "ImpossibleStrength",
          `A vinegar of ${given.acid} % acid is not one for the kitchen. Read the bottle: most have 4 to 7 %.`,
          ["strength"],
        ),
      );
    m[ACETIC] = given.acid / 100;
  }
  if (row.class === "vinegar") {
    // Strength is g per 100 mL; one pass with the density it gives is enough (5 % vinegar weighs 1.01 g/mL).
    m[WATER] = 1 - m[ACETIC]! - m[MONO]! - m[SOLUBLE]! - m[DI]!;
    // What the label calls acidity is titratable; the acid its own salts hold comes on top.
    m[ACETIC] = m[ACETIC]! * volumeOf(m) + (m[ALKALINITY]! * M_ACETIC) / 1000;
  }
  if (given.water !== undefined) {
    if (row.class !== "honey")
      return fail(fault("NoSuchFigure", "Only honey is described by its water.", ["water"]));
    if (!(given.water >= 10 && given.water <= 30))
      return fail(
        fault("ImpossibleHoney", `Honey of ${given.water} % water is not honey. Ripe honey has 15 to 20 %.`, [
          "water",
        ]),
      );
    const was = 1 - (c.water ?? 0);
    const is = 1 - given.water / 100;
    for (let i = 1; i < INSOLUBLE; i++) m[i] = m[i]! * (is / was);
    m[WATER] = given.water / 100;
  }
  if (c.water === undefined || row.class === "vinegar") {
    let rest = 1;
    for (let i = 1; i <= INSOLUBLE; i++) rest -= m[i]!;
    m[WATER] = Math.max(0, rest);
  } else {
    // A row that says its water and leaves something unsaid: it is dissolved in it, so that no mass is lost.
    let said = 0;
    for (let i = 0; i <= INSOLUBLE; i++) said += m[i]!;
    if (said < UNSAID) m[SOLUBLE] = m[SOLUBLE]! + 1 - said;
  }
  const density =
    row.density ?? (row.class === "honey" ? honeyDensity(100 * m[WATER]!) : 1 / Math.max(0.3, volumeOf(m)));
  return ok({ composition: m, density });
}
