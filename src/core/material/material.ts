import { z } from "zod";
import { type Fault, type Result, fail, fault, ok } from "../fault";
import { massShareOfAbv } from "../mixture/alcohol";
import { M_ACETIC } from "../mixture/acidity";
import { ACETIC, ALKALINITY, COLUMNS, COMPONENT_NAMES, type ComponentName, INSOLUBLE, type Mixture, SOLUBLE, WATER, CITRIC, DI, ETHANOL, MALIC, MONO } from "../mixture/components";
import { honeyDensity, volumeOf } from "../mixture/volume";
import { CLASSES, CUTS, FORMS, PLANT_CLASSES, type Cut, type Form, type PlantClass } from "./classes";

const share = z.number().min(0).max(1);
const range = z.tuple([z.number().positive(), z.number().positive()]);

/** A plant as data: what differs from its class. Shares of mass; alkalinity in mEq per 100 g fresh. */
export const PlantRow = z.strictObject({
  id: z.string().min(1).max(60),
  names: z.array(z.string().min(1).max(60)).min(1),
  latin: z.string().max(80).optional(),
  class: z.enum(PLANT_CLASSES).optional(),
  water: share.optional(),
  driedWater: share.optional(),
  forms: z.array(z.enum(FORMS)).optional(),
  dry: z.strictObject({ mono: share, di: share, citric: share, malic: share, soluble: share }).optional(),
  alk: z.number().min(0).max(500).optional(),
  /** g of one piece, low and high, by count unit. */
  pieces: z.record(z.string(), range).optional(),
  gPerCm: range.optional(),
  floats: z.boolean().optional(),
  /** Heap density over the class's. */
  bulkFactor: z.number().positive().max(5).optional(),
  tags: z.array(z.string()).optional(),
  source: z.string(),
});
export type PlantRow = z.infer<typeof PlantRow>;

export const LIQUID_CLASSES = ["vinegar", "honey", "sugar", "syrup", "spirit", "glycerin", "water", "juice", "acid", "salt", "mineral", "oil"] as const;
export type LiquidClass = (typeof LIQUID_CLASSES)[number];

/** A liquid, sugar or other plain stuff as data. `composition` in shares of mass, water making up the rest. */
export const StuffRow = z.strictObject({
  id: z.string().min(1).max(60),
  names: z.array(z.string().min(1).max(60)).min(1),
  class: z.enum(LIQUID_CLASSES),
  composition: z.partialRecord(z.enum(COMPONENT_NAMES), share),
  abv: z.number().min(0).max(100).optional(),
  density: z.number().positive().max(3).optional(),
  /** g/mL of the heap, for dry ones. */
  bulk: z.number().positive().max(3).optional(),
  /** mEq per 100 g. */
  alk: z.number().min(0).max(3000).optional(),
  tolerance: share.optional(),
  tags: z.array(z.string()).optional(),
  source: z.string(),
});
export type StuffRow = z.infer<typeof StuffRow>;

/** Where a row's figures come from, by the word in its `source`. */
export const SOURCES: Readonly<Record<string, string>> = {
  fdc: "USDA FoodData Central, SR Legacy (water, sugars, acids), rounded",
  typical: "typical kitchen value for its class; weigh your own to replace it",
  handbook: "CRC Handbook of Chemistry and Physics",
  own: "your own weighing",
};

export type Material = { readonly kind: "plant"; readonly row: PlantRow & { class: PlantClass } } | { readonly kind: "stuff"; readonly row: StuffRow };

/** One gram of a material as it goes in, all figures resolved. Densities g/mL, alkalinity in the composition's last column per g. */
export interface Stuff {
  readonly id: string;
  readonly name: string;
  readonly class: PlantClass | LiquidClass;
  readonly form: Form | undefined;
  readonly cut: Cut | undefined;
  readonly plant: boolean;
  readonly composition: Mixture;
  /** Of a liquid, g/mL; of plant matter, one piece with its air. */
  readonly density: number;
  readonly bulkLoose: number;
  readonly bulkPressed: number;
  readonly trueDensity: number;
  readonly swelling: number;
  readonly retention: { readonly drained: number; readonly wrung: number; readonly pressed: number };
  readonly extraction: number;
  readonly floats: boolean;
  readonly pieces: Readonly<Record<string, readonly [number, number]>>;
  readonly gPerCm: readonly [number, number] | undefined;
  readonly tags: readonly string[];
  /** Relative tolerance of mass when measured by volume. */
  readonly volumeTolerance: number;
  /** Absolute tolerance of the water share. */
  readonly waterTolerance: number;
}

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

function plantComposition(row: PlantRow & { class: PlantClass }, form: Form): Mixture {
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

function stuffComposition(row: StuffRow, given: { abv?: number; acid?: number; water?: number }): Result<{ composition: Mixture; density: number }> {
  const m = new Float64Array(COLUMNS);
  const c = row.composition;
  COMPONENT_NAMES.forEach((name: ComponentName, i) => (m[i] = c[name] ?? 0));
  m[ALKALINITY] = (row.alk ?? 0) / 100;
  const abv = given.abv ?? row.abv;
  if (abv !== undefined) {
    if (!(abv > 0 && abv <= 100)) return fail(fault("ImpossibleStrength", `Alcohol of ${abv} % cannot be; it runs up to 100 % by volume.`, ["strength"]));
    m[ETHANOL] = massShareOfAbv(abv / 100);
  }
  if (given.acid !== undefined) {
    if (!(given.acid > 0 && given.acid <= 30)) return fail(fault("ImpossibleStrength", `A vinegar of ${given.acid} % acid is not one for the kitchen. Read the bottle: most have 4 to 7 %.`, ["strength"]));
    m[ACETIC] = given.acid / 100;
  }
  if (row.class === "vinegar") {
    // Strength is g per 100 mL; one pass with the density it gives is enough (5 % vinegar weighs 1.01 g/mL).
    m[WATER] = 1 - m[ACETIC]! - m[MONO]! - m[SOLUBLE]! - m[DI]!;
    // What the label calls acidity is titratable; the acid its own salts hold comes on top.
    m[ACETIC] = m[ACETIC]! * volumeOf(m) + (m[ALKALINITY]! * M_ACETIC) / 1000;
  }
  if (given.water !== undefined) {
    if (row.class !== "honey") return fail(fault("NoSuchFigure", "Only honey is described by its water.", ["water"]));
    if (!(given.water >= 10 && given.water <= 30)) return fail(fault("ImpossibleHoney", `Honey of ${given.water} % water is not honey. Ripe honey has 15 to 20 %.`, ["water"]));
    const was = 1 - (c.water ?? 0);
    const is = 1 - given.water / 100;
    for (let i = 1; i < INSOLUBLE; i++) m[i] = m[i]! * (is / was);
    m[WATER] = given.water / 100;
  }
  if (c.water === undefined || row.class === "vinegar") {
    let rest = 1;
    for (let i = 1; i <= INSOLUBLE; i++) rest -= m[i]!;
    m[WATER] = Math.max(0, rest);
  }
  const density = row.density ?? (row.class === "honey" ? honeyDensity(100 * m[WATER]!) : 1 / Math.max(0.3, volumeOf(m)));
  return ok({ composition: m, density });
}

export interface Asked {
  readonly form?: Form | undefined;
  readonly cut?: Cut | undefined;
  /** % vol of a spirit, % acid w/v of a vinegar: as read off the bottle. */
  readonly strength?: number | undefined;
  /** % w/w of a honey, by refractometer. */
  readonly water?: number | undefined;
  /** Household's own weighing, g/mL of the heap as it is measured. */
  readonly bulk?: number | undefined;
}

export const formsOf = (m: Material): readonly Form[] => (m.kind === "plant" ? (m.row.forms ?? FORMS) : []);
export { CUTS };

const resolved = new WeakMap<Material, Map<string, Result<Stuff>>>();

/**
 * A material in a form and cut, with every figure resolved; remembered, since a plan asks for the same few at every keystroke.
 * Faults: `NoSuchForm`, `ImpossibleStrength`, `ImpossibleHoney`, `NoSuchFigure`, with the path of the field.
 */
export function stuffOf(material: Material, asked: Asked): Result<Stuff> {
  let mine = resolved.get(material);
  if (!mine) resolved.set(material, (mine = new Map()));
  const key = `${asked.form}|${asked.cut}|${asked.strength}|${asked.water}|${asked.bulk}`;
  let stuff = mine.get(key);
  if (!stuff) {
    stuff = resolveStuff(material, asked);
    if (mine.size > 200) mine.clear();
    mine.set(key, stuff);
  }
  return stuff;
}

function resolveStuff(material: Material, asked: Asked): Result<Stuff> {
  if (material.kind === "plant") {
    const row = material.row;
    const c = CLASSES[row.class];
    const forms = formsOf(material);
    const form = asked.form ?? (forms.includes("dried") && row.class !== "bulb" && row.class !== "vegetable" && row.class !== "fruit" && row.class !== "pepper" && row.class !== "peel" ? "dried" : forms[0]!);
    const faults: Fault[] = [];
    if (!forms.includes(form)) faults.push(fault("NoSuchForm", `${row.names[0]} is not kept ${form} here. It comes ${forms.join(" or ")}.`, ["form"], forms[0]));
    if (asked.strength !== undefined) faults.push(fault("NoSuchFigure", `${row.names[0]} has no strength in %. Leave it empty.`, ["strength"]));
    if (faults.length > 0) return fail(...faults);
    const cut = asked.cut ?? (row.class === "leaf" || row.class === "flower" || row.class === "root" || row.class === "bark" ? "chopped" : row.class === "bulb" || row.class === "pepper" || row.class === "fruit" || row.class === "vegetable" || row.class === "peel" ? "chopped" : "whole");
    const wet = form === "fresh" || form === "frozen" || form === "wilted";
    const factor = row.bulkFactor ?? 1;
    const pair = form === "powdered" ? c.bulk.powdered : wet ? c.bulk.fresh[cut] : c.bulk.dried[cut];
    // A bulky or dense material changes the heap, never past its own solid density.
    const envelope = form === "powdered" ? 1.2 : form === "wilted" ? c.envelope.fresh * 0.92 : wet ? c.envelope.fresh : c.envelope.dried;
    const heap = form === "powdered" ? 1 : factor;
    const loose = asked.bulk ?? Math.min(pair[0] * heap, envelope * 0.9);
    const pressed = Math.max(loose, Math.min(asked.bulk ? asked.bulk * (pair[1] / pair[0]) : pair[1] * heap, envelope * 0.97));
    // Piece masses are of the fresh plant where it is sold fresh; a dried piece weighs what its dry matter leaves.
    const soldFresh = forms.includes("fresh");
    const shrink = wet || !soldFresh ? (form === "wilted" ? (1 - waterShare(row, "fresh")) / (1 - waterShare(row, "wilted")) : 1) : (1 - waterShare(row, "fresh")) / (1 - waterShare(row, form));
    const pieces = Object.fromEntries(Object.entries(row.pieces ?? {}).map(([unit, [a, b]]) => [unit, [a * shrink, b * shrink] as const]));
    return ok({
      id: row.id, name: row.names[0]!, class: row.class, form, cut: form === "powdered" ? undefined : cut, plant: true, composition: plantComposition(row, form), density: envelope,
      bulkLoose: loose, bulkPressed: pressed, trueDensity: c.trueDensity, swelling: wet ? c.swelling.fresh : form === "powdered" ? 1.1 : c.swelling.dried,
      retention: c.retention, extraction: wet ? c.extraction.fresh : c.extraction.dried, floats: row.floats ?? c.floats, pieces,
      gPerCm: row.gPerCm ? [row.gPerCm[0] * shrink, row.gPerCm[1] * shrink] : undefined,
      tags: row.tags ?? [], volumeTolerance: asked.bulk ? 0.05 : 0.15, waterTolerance: wet ? 0.04 : 0.02,
    });
  }
  const row = material.row;
  const faults: Fault[] = [];
  if (asked.form !== undefined) faults.push(fault("NoSuchForm", `${row.names[0]} has no form. Leave it empty.`, ["form"]));
  if (asked.cut !== undefined) faults.push(fault("NoSuchForm", `${row.names[0]} is not cut. Leave it empty.`, ["cut"]));
  const vinegar = row.class === "vinegar";
  if (asked.strength !== undefined && !vinegar && row.abv === undefined) faults.push(fault("NoSuchFigure", `${row.names[0]} has no strength in %. Leave it empty.`, ["strength"]));
  if (faults.length > 0) return fail(...faults);
  const made = stuffComposition(row, { ...(asked.strength === undefined ? {} : vinegar ? { acid: asked.strength } : { abv: asked.strength }), ...(asked.water === undefined ? {} : { water: asked.water }) });
  if (!made.ok) return made;
  const heap = asked.bulk ?? row.bulk ?? made.value.density;
  return ok({
    id: row.id, name: row.names[0]!, class: row.class, form: undefined, cut: undefined, plant: false, composition: made.value.composition, density: made.value.density,
    bulkLoose: heap, bulkPressed: heap, trueDensity: made.value.density, swelling: 1, retention: { drained: 0, wrung: 0, pressed: 0 }, extraction: 1, floats: false,
    pieces: {}, gPerCm: undefined, tags: asked.strength === undefined ? (row.tags ?? []) : (row.tags ?? []).filter((t) => t !== "acetic-unknown"),
    volumeTolerance: row.tolerance ?? (row.bulk ? 0.06 : 0.02), waterTolerance: row.class === "honey" ? 0.008 : 0,
  });
}
