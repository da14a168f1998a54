import { z } from "zod";
import { type Result, fail, fault, ok } from "../fault";
import { solidOf, volumeAt, type Profile, type Solid } from "./profile";
import { profileOf } from "./shape";

export const LIDS = [
  "metal",
  "coated-metal",
  "plastic",
  "glass",
  "cork",
  "airlock",
  "cloth",
  "none",
] as const;
export type Lid = (typeof LIDS)[number];
/** What a vessel is made of, as far as it matters to what stands in it. */
export const WARES = [
  "glass",
  "stoneware",
  "stainless",
  "enamel",
  "aluminium",
  "copper",
  "iron",
  "brass",
  "galvanised",
  "crystal",
  "unknown-glaze",
] as const;
export type Ware = (typeof WARES)[number];
export const WARE_WORDS: Readonly<Record<Ware, string>> = {
  glass: "glass",
  stoneware: "food-safe stoneware",
  stainless: "stainless steel",
  enamel: "whole enamel",
  aluminium: "bare aluminium",
  copper: "copper",
  iron: "iron",
  brass: "brass",
  galvanised: "galvanised metal",
  crystal: "lead crystal",
  "unknown-glaze": "a glaze of unknown make",
};
/** Metals that acid dissolves. */
export const REACTIVE_WARES: ReadonlySet<Ware> = new Set<Ware>([
  "aluminium",
  "copper",
  "iron",
  "brass",
  "galvanised",
]);
export function usualWare(sort: VesselSort): Ware {
  if (sort === "pot" || sort === "pressure-pot") return "stainless";
  return sort === "crock" ? "stoneware" : "glass";
}

export const LID_WORDS: Readonly<Record<Lid, string>> = {
  metal: "bare metal lid",
  "coated-metal": "coated metal lid",
  plastic: "plastic lid",
  glass: "glass lid with a rubber ring",
  cork: "cork",
  airlock: "airlock",
  cloth: "cloth",
  none: "no lid",
};

export const VESSEL_SORTS = ["jar", "bottle", "dropper", "crock", "pot", "pressure-pot"] as const;
export type VesselSort = (typeof VESSEL_SORTS)[number];

/** Stands on the stove. */
export const isPot = (v: { readonly sort: VesselSort }): boolean =>
  v.sort === "pot" || v.sort === "pressure-pot";

/** A vessel with its inside reckoned once. Lengths cm, volumes mL. */
export interface Vessel {
  readonly id: string;
  readonly name: string;
  /** What stands on its side in stencil: "1 L", "quart". */
  readonly size: string;
  readonly sort: VesselSort;
  readonly lid: Lid;
  readonly ware: Ware;
  readonly solid: Solid;
  readonly mouthCm: number;
  /** Air left under the brim when full to the line, cm. */
  readonly headspaceCm: number;
  /** mL below the headspace line. */
  readonly fillMl: number;
  /** Relative error of its volumes: 2 % by catalogue, 1 % when weighed with water. */
  readonly tolerance: number;
}

/** A vessel of one's own as it stands in a plan or the stores: two measurements, a profile, or its weight empty and full of water. */
/** A length inside a vessel, cm. */
const cm = z
  .number("Give the measurement in centimetres, like 15.5.")
  .max(150, "Nothing on a shelf is over 150 cm. Give it in centimetres, like 15.5.");
const weight = z
  .number("Give the weight in grams, like 640.")
  .min(0, "A weight is nought or more.")
  .max(300_000, "That is over 300 kg. Give the weight in grams.");

export const VesselSpec = z.strictObject({
  id: z.string().min(1).max(60),
  name: z.string().min(1, "Give it a name, like “the tall jar”.").max(80, "Keep the name under 80 letters."),
  size: z.string().max(16).optional(),
  sort: z.enum(VESSEL_SORTS).default("jar"),
  lid: z.enum(LIDS).default("glass"),
  ware: z.enum(WARES).optional(),
  headspaceCm: z.number().min(0).max(20).optional(),
  shape: z.union(
    [
      z.strictObject({ heightCm: cm, diameterCm: cm }),
      z.strictObject({
        figure: z.enum(["straight", "shouldered", "bellied", "necked", "pot"]),
        brimMl: z.number().max(200_000),
        heightCm: cm,
        mouthCm: cm,
      }),
      z.strictObject({ emptyG: weight, fullOfWaterG: weight, heightCm: cm, mouthCm: cm }),
      z.strictObject({
        profile: z
          .array(z.tuple([z.number().min(0).max(150), z.number().max(150)]))
          .min(2)
          .max(60),
      }),
    ],
    "Measure the inside: its height and width in centimetres, none over 150; or weigh it empty and full of water, in grams.",
  ),
});
export type VesselSpec = z.infer<typeof VesselSpec>;

/** Density of water at 20 °C, g/mL (CIPM formula, Tanaka 2001). */
export const WATER_DENSITY = 0.99820123;

/** Headspace by habit: 1.5 cm in jars, 1 in small ones, 2 under a cork, a third of a pot. */
function habitualHeadspace(sort: VesselSort, brimCm: number): number {
  if (sort === "pot" || sort === "pressure-pot") return brimCm / 3;
  if (sort === "bottle") return Math.min(2.5, brimCm * 0.12);
  if (sort === "dropper") return Math.min(1, brimCm * 0.12);
  return Math.min(1.5, brimCm * 0.12);
}

/**
 * Turns a spec into a vessel. Faults: `ImpossibleVessel` with the path of the measurement that cannot be.
 */
export function vesselOf(spec: VesselSpec): Result<Vessel> {
  const s = spec.shape;
  let profile: Profile;
  let tolerance = 0.02;
  const bad = (field: string, message: string) => fail(fault("ImpossibleVessel", message, ["shape", field]));
  if ("diameterCm" in s) {
    if (!(s.heightCm > 0))
      return bad("heightCm", "A jar has some height. Measure the inside from base to brim in cm.");
    if (!(s.diameterCm > 0))
      return bad("diameterCm", "A jar has some width. Measure across the inside in cm.");
    profile = [
      [0, s.diameterCm * 0.94],
      [Math.min(0.5, s.heightCm * 0.05), s.diameterCm],
      [s.heightCm, s.diameterCm],
    ];
    tolerance = 0.06;
  } else if ("profile" in s) {
    if (s.profile[0]![0] !== 0)
      return bad("profile", "A profile begins at height 0, the inside of the base.");
    for (let i = 1; i < s.profile.length; i++)
      if (s.profile[i]![0] <= s.profile[i - 1]![0])
        return bad("profile", "Each height of a profile is above the one before it.");
    if (s.profile.some(([, d]) => !(d > 0)))
      return bad("profile", "Each diameter of a profile is above zero.");
    profile = s.profile;
  } else {
    if (!(s.heightCm > 0))
      return bad("heightCm", "A jar has some height. Measure the inside from base to brim in cm.");
    if (!(s.mouthCm > 0)) return bad("mouthCm", "A jar has a mouth. Measure across it in cm.");
    const brimMl = "brimMl" in s ? s.brimMl : (s.fullOfWaterG - s.emptyG) / WATER_DENSITY;
    if (!(brimMl > 0))
      return bad(
        "brimMl" in s ? "brimMl" : "fullOfWaterG",
        "Full of water it weighs more than empty. Check the two weights.",
      );
    if (!("brimMl" in s)) tolerance = 0.01;
    const wide = s.mouthCm > 0.9 * Math.sqrt((4 * brimMl) / (Math.PI * s.heightCm));
    const guess = wide ? "straight" : "shouldered";
    const figure = "figure" in s ? s.figure : guess;
    profile = profileOf({ figure, brimMl, heightCm: s.heightCm, mouthCm: s.mouthCm });
  }
  const solid = solidOf(profile);
  if (!(solid.brimMl >= 1))
    return bad(
      "heightCm" in s ? "heightCm" : "profile",
      "That holds less than a millilitre. Check the measurements; they are in centimetres.",
    );
  if (solid.brimMl > 200_000)
    return bad(
      "heightCm" in s ? "heightCm" : "profile",
      "That holds over 200 litres. Check the measurements; they are in centimetres.",
    );
  const headspaceCm = spec.headspaceCm ?? habitualHeadspace(spec.sort, solid.brimCm);
  if (headspaceCm >= solid.brimCm)
    return fail(
      fault("ImpossibleVessel", "The headspace is as tall as the jar. Leave a centimetre or two.", [
        "headspaceCm",
      ]),
    );
  const mouthCm = profile[profile.length - 1]![1];
  const liters = solid.brimMl / 1000;
  return ok({
    id: spec.id,
    name: spec.name,
    size: spec.size ?? (liters >= 1 ? `${Number(liters.toFixed(1))} L` : `${Math.round(solid.brimMl)} mL`),
    sort: spec.sort,
    lid: spec.lid,
    ware: spec.ware ?? usualWare(spec.sort),
    solid,
    mouthCm,
    headspaceCm,
    fillMl: volumeAt(solid, solid.brimCm - headspaceCm),
    tolerance,
  });
}

/** A vessel in words, its size said once: "quart jar", "1 L clip-top jar". */
export const vesselWords = (v: Pick<Vessel, "name" | "size">): string =>
  v.name.startsWith(v.size) || v.size === "" ? v.name : `${v.size} ${v.name}`;
