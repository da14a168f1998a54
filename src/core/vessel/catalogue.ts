import { UNITS } from "../quantity/units";
import { heightAt } from "./profile";
import { VesselSpec, vesselOf, type Vessel } from "./vessel";

/**
 * Plain sizes. Brim volumes are nominal size plus the usual brim allowance (6–10 %) of pressed glass;
 * heights and mouths are typical of such glass, measured to the nearest half centimetre, and carry the catalogue tolerance of 2 %.
 */
type Row = readonly [
  id: string,
  name: string,
  size: string,
  sort: VesselSpec["sort"],
  lid: VesselSpec["lid"],
  figure: "straight" | "shouldered" | "bellied" | "necked" | "pot",
  brimMl: number,
  heightCm: number,
  mouthCm: number,
];

const ROWS: readonly Row[] = [
  ["us-quarter-pint", "¼ pint jar", "¼ pint", "jar", "coated-metal", "straight", 127, 5.2, 6.0],
  ["us-half-pint", "½ pint jar", "½ pint", "jar", "coated-metal", "shouldered", 252, 8.6, 6.0],
  ["us-half-pint-wide", "½ pint jar, wide mouth", "½ pint", "jar", "coated-metal", "straight", 252, 6.4, 7.6],
  ["us-twelve-ounce", "12 fl oz jar", "12 fl oz", "jar", "coated-metal", "straight", 378, 12.0, 6.0],
  ["us-pint", "pint jar", "pint", "jar", "coated-metal", "shouldered", 505, 12.0, 6.0],
  ["us-pint-wide", "pint jar, wide mouth", "pint", "jar", "coated-metal", "straight", 505, 11.4, 7.6],
  [
    "us-pint-and-half",
    "1½ pint jar, wide mouth",
    "1½ pint",
    "jar",
    "coated-metal",
    "straight",
    750,
    16.5,
    7.6,
  ],
  ["us-quart", "quart jar", "quart", "jar", "coated-metal", "shouldered", 1000, 16.5, 6.0],
  ["us-quart-wide", "quart jar, wide mouth", "quart", "jar", "coated-metal", "shouldered", 1000, 16.4, 7.6],
  ["us-half-gallon", "½ gallon jar", "½ gallon", "jar", "coated-metal", "shouldered", 1980, 24.0, 7.6],
  ["us-gallon", "gallon jar", "gallon", "jar", "plastic", "shouldered", 3960, 25.5, 10.0],
  ["m-125", "clip-top jar", "125 mL", "jar", "glass", "straight", 140, 6.2, 5.6],
  ["m-200", "clip-top jar", "200 mL", "jar", "glass", "straight", 220, 6.4, 6.8],
  ["m-250", "clip-top jar", "250 mL", "jar", "glass", "straight", 275, 7.4, 7.0],
  ["m-350", "clip-top jar", "350 mL", "jar", "glass", "straight", 380, 8.8, 7.6],
  ["m-500", "clip-top jar", "500 mL", "jar", "glass", "shouldered", 545, 11.0, 7.5],
  ["m-750", "clip-top jar", "750 mL", "jar", "glass", "shouldered", 810, 14.0, 7.5],
  ["m-1000", "clip-top jar", "1 L", "jar", "glass", "shouldered", 1070, 17.0, 8.0],
  ["m-1500", "clip-top jar", "1.5 L", "jar", "glass", "shouldered", 1600, 20.0, 8.5],
  ["m-2000", "clip-top jar", "2 L", "jar", "glass", "shouldered", 2130, 22.5, 9.0],
  ["m-3000", "clip-top jar", "3 L", "jar", "glass", "shouldered", 3180, 26.0, 10.0],
  ["m-5000", "clip-top jar", "5 L", "jar", "glass", "shouldered", 5300, 31.0, 11.0],
  ["m-370-screw", "screw-top jar", "370 mL", "jar", "coated-metal", "straight", 385, 10.5, 6.0],
  ["m-720-screw", "screw-top jar", "720 mL", "jar", "coated-metal", "shouldered", 745, 15.5, 7.5],
  ["m-250-bellied", "bellied jar", "250 mL", "jar", "glass", "bellied", 275, 8.5, 6.0],
  ["m-1000-bellied", "bellied jar", "1 L", "jar", "glass", "bellied", 1075, 16.0, 8.5],
  ["b-100", "small bottle", "100 mL", "bottle", "plastic", "necked", 110, 11.5, 2.2],
  ["b-200", "flask bottle", "200 mL", "bottle", "plastic", "necked", 215, 15.0, 2.4],
  ["b-250", "bottle", "250 mL", "bottle", "plastic", "necked", 268, 17.5, 2.2],
  ["b-250-swing", "swing-top bottle", "250 mL", "bottle", "glass", "necked", 270, 17.0, 1.9],
  ["b-330-swing", "swing-top bottle", "330 mL", "bottle", "glass", "necked", 350, 20.0, 1.9],
  ["b-500-swing", "swing-top bottle", "500 mL", "bottle", "glass", "necked", 528, 24.5, 1.9],
  ["b-750", "corked bottle", "750 mL", "bottle", "cork", "necked", 775, 29.0, 1.9],
  ["b-1000-swing", "swing-top bottle", "1 L", "bottle", "glass", "necked", 1040, 30.0, 1.9],
  ["d-15", "dropper bottle", "15 mL", "dropper", "plastic", "necked", 18, 5.4, 1.3],
  ["d-30", "dropper bottle", "30 mL", "dropper", "plastic", "necked", 35, 6.8, 1.4],
  ["d-50", "dropper bottle", "50 mL", "dropper", "plastic", "necked", 57, 8.0, 1.4],
  ["d-100", "dropper bottle", "100 mL", "dropper", "plastic", "necked", 112, 10.0, 1.4],
  ["us-b-4", "small bottle", "4 fl oz", "bottle", "plastic", "necked", 128, 12.5, 2.2],
  ["us-b-8", "bottle", "8 fl oz", "bottle", "plastic", "necked", 254, 17.0, 2.2],
  ["us-b-8-swing", "swing-top bottle", "8 fl oz", "bottle", "glass", "necked", 255, 17.0, 1.9],
  ["us-b-12-swing", "swing-top bottle", "12 fl oz", "bottle", "glass", "necked", 375, 20.5, 1.9],
  ["us-b-16-swing", "swing-top bottle", "16 fl oz", "bottle", "glass", "necked", 500, 24.0, 1.9],
  ["us-b-25", "corked bottle", "25 fl oz", "bottle", "cork", "necked", 765, 29.0, 1.9],
  ["us-b-32-swing", "swing-top bottle", "32 fl oz", "bottle", "glass", "necked", 985, 30.0, 1.9],
  ["us-b-64", "jug with a screw cap", "64 fl oz", "bottle", "plastic", "necked", 1960, 28.0, 3.3],
  ["us-d-half", "dropper bottle", "½ fl oz", "dropper", "plastic", "necked", 18, 5.4, 1.3],
  ["us-d-1", "dropper bottle", "1 fl oz", "dropper", "plastic", "necked", 34, 6.8, 1.4],
  ["us-d-2", "dropper bottle", "2 fl oz", "dropper", "plastic", "necked", 66, 8.4, 1.4],
  ["us-d-4", "dropper bottle", "4 fl oz", "dropper", "plastic", "necked", 130, 10.6, 1.4],
  ["us-c-half-gallon", "stoneware crock", "½ gallon", "crock", "cloth", "straight", 2000, 15.6, 12.8],
  ["us-c-gallon", "stoneware crock", "1 gallon", "crock", "cloth", "straight", 4000, 20.0, 16.0],
  ["us-p-2", "small saucepan", "2 quart", "pot", "none", "pot", 2000, 9.0, 17.0],
  ["us-p-3", "saucepan", "3 quart", "pot", "none", "pot", 2950, 10.5, 19.0],
  ["us-p-6", "stew pot", "6 quart", "pot", "none", "pot", 5850, 15.0, 22.5],
  ["us-p-8", "stock pot", "8 quart", "pot", "none", "pot", 7800, 18.5, 23.5],
  ["us-pp-6", "pressure pot", "6 quart", "pressure-pot", "metal", "pot", 5700, 15.5, 22.0],
  ["us-pp-8", "pressure pot", "8 quart", "pressure-pot", "metal", "pot", 7600, 18.0, 23.5],
  ["c-2000", "stoneware crock", "2 L", "crock", "cloth", "straight", 2150, 16.0, 13.1],
  ["c-5000", "stoneware crock", "5 L", "crock", "cloth", "straight", 5300, 22.0, 17.5],
  ["p-1500", "small saucepan", "1½ L", "pot", "none", "pot", 1600, 8.0, 16.0],
  ["p-3000", "saucepan", "3 L", "pot", "none", "pot", 3100, 11.0, 19.0],
  ["p-5000", "stew pot", "5 L", "pot", "none", "pot", 5200, 14.0, 22.0],
  ["p-9000", "stock pot", "9 L", "pot", "none", "pot", 9300, 20.0, 24.5],
  ["pp-6000", "pressure pot", "6 L", "pressure-pot", "metal", "pot", 6000, 16.0, 22.0],
];

function catalogued([id, name, size, sort, lid, figure, brimMl, heightCm, mouthCm]: Row): Vessel {
  const made = vesselOf({ id, name, size, sort, lid, shape: { figure, brimMl, heightCm, mouthCm } });
  if (!made.ok) throw new Error(`catalogue vessel ${id}: ${made.faults[0]!.message}`);
  return sort === "bottle" || sort === "dropper" ? filledToSize(made.value) : made.value;
}

/** mL of a bottle's size as it is written: “330 mL”, “1 L”, “½ fl oz”. */
function mlOf(size: string): number {
  const n = size.startsWith("½") ? 0.5 : Number.parseFloat(size);
  if (size.endsWith(" fl oz")) return n * UNITS["us-floz"].size;
  return size.endsWith(" L") ? n * 1000 : n;
}

/** A bottle is filled to what it is sold as holding, not to the cork. */
function filledToSize(v: Vessel): Vessel {
  const fillMl = mlOf(v.size);
  return { ...v, fillMl, headspaceCm: v.solid.brimCm - heightAt(v.solid, fillMl) };
}

/** Vessels as the shops of a household's country sell them; those of every other are known all the same, where it has one. */
export const soldIn = (market: "us" | "metric"): readonly Vessel[] =>
  [...VESSELS.values()].filter((v) => v.id.startsWith("us-") === (market === "us"));

/** The same, with one that is chosen already from elsewhere. */
export function offeredIn(market: "us" | "metric", chosen: string | undefined): readonly Vessel[] {
  const sold = soldIn(market);
  const other = chosen === undefined ? undefined : VESSELS.get(chosen);
  return other && !sold.includes(other) ? [...sold, other] : sold;
}

/** What small amounts are filled into: bottles, droppers, and jars of up to a pint or half a litre. */
const SMALL_ML = 520;
export const isFilledInto = (v: Vessel): boolean =>
  v.sort === "bottle" || v.sort === "dropper" || (v.sort === "jar" && v.fillMl < SMALL_ML);

export const VESSELS: ReadonlyMap<string, Vessel> = new Map(ROWS.map((row) => [row[0], catalogued(row)]));
