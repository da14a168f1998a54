import type { Tag } from "../tags";

/** How a plant hurts. What is said of it, how gravely, and the tag by which the rules know it. */
export interface HazardOf {
  readonly severity: "never" | "stop" | "caution";
  readonly tag: Tag;
  /** What stands behind the plant's name: “foxglove …”. */
  readonly does: string;
}
const never = (does: string, tag: Tag = "poison"): HazardOf => ({ severity: "never", tag, does });
const stop = (does: string, tag: Tag = "restricted"): HazardOf => ({ severity: "stop", tag, does });

export const HAZARDS = {
  nerves: never("acts on nerve and heart at amounts no kitchen can measure"),
  glycosides: never("holds heart glycosides: a little too much stops the heart"),
  delirium: never("brings delirium and a racing heart, and the dose cannot be told from the leaf"),
  lectin: never("holds a protein that kills the cells of the gut"),
  purge: never("purges and burns beyond what a body can bear"),
  acrid: never("has a sap that burns mouth, throat and gut"),
  needles: never("is full of needles that pierce mouth and throat"),
  bulb: never("poisons stomach and nerves, the bulb most of all"),
  alkaloid: never("holds alkaloids that poison at or near any dose"),
  bitter: never("poisons by its berries, bark or leaves: vomiting, fits, and worse"),
  fungus: never("is a fungus that kills liver, kidney or blood, or is mistaken for one"),
  mind: never("acts on the mind and the breath, and is bound by law in many places"),
  cancer: never("holds what causes cancer in animals; food law forbids it in many places"),
  blister: never("raises blisters, on the skin and in the throat"),
  mineral: never("is not for eating or drinking", "not-food"),
  aristolochic: never("carries aristolochic acids, which destroy kidneys", "aristolochic"),
  kernel: never("releases cyanide when it is crushed, chewed or steeped", "kernel-eaten"),
  "liver-scar": stop("can hold alkaloids that scar the liver", "pyrrolizidine"),
  "liver-death": never("is rich in alkaloids that scar the liver for good"),
  cyanide: stop("releases cyanide, most of all when it wilts"),
  liver: stop("has injured livers"),
  heart: stop("acts on heart and vessels, and wants somebody licensed to measure it"),
  gut: stop("irritates stomach and gut, and wants somebody licensed to measure it"),
  womb: stop("has caused miscarriage and poisoning"),
  // Grave for an unborn child, a caution for everybody else.
  unborn: { severity: "caution", tag: "pregnancy-stop", does: "has caused miscarriage and poisoning" },
  saponin: stop("holds saponins that break blood cells and burn the gut"),
  oxalate: stop("is rich in oxalates that harm the kidneys"),
  solanine: stop("holds solanine; boiling does not take it away"),
  coumarin: stop("is rich in coumarin, which burdens the liver"),
  elder: stop("is poisonous, and stays so; only ripe elderberries, cooked, are food", "elder-parts"),
  outward: stop("is for the skin: swallowed it poisons heart and gut"),
} satisfies Readonly<Record<string, HazardOf>>;
export type Hazard = keyof typeof HAZARDS;

/** What a row rests on, by title and body. */
export const HURT_SOURCES = {
  efsa: "EFSA, “Compendium of botanicals reported to contain naturally occurring substances of possible concern for human health when used in food and food supplements”, 2012",
  "ema-pa":
    "EMA (HMPC), “Public statement on the use of herbal medicinal products containing toxic, unsaturated pyrrolizidine alkaloids (PAs)”",
  "ema-aristolochia":
    "EMA (HMPC), “Public statement on the risks associated with the use of herbal products containing Aristolochia species”",
  "efsa-kernels":
    "EFSA, “Acute health risks related to the presence of cyanogenic glycosides in raw apricot kernels and products derived from raw apricot kernels”, 2016",
  cfr: "Code of Federal Regulations (USA), Title 21, Part 189, “Substances prohibited from use in human food”",
  unchecked: "general knowledge, unchecked",
} as const;
export type HurtSource = keyof typeof HURT_SOURCES;

/** One plant that hurts. */
export interface Hurts {
  /** Genus, or genus and species where others of the genus are used. */
  readonly latin: string;
  /** Other Latin names it goes by. */
  readonly also: readonly string[];
  readonly hazard: Hazard;
  readonly source: HurtSource;
  /** What people call it; the first is the one spoken of. */
  readonly names: readonly string[];
  /** Those of the names that also stand before another plant's: “holly” in “holly grape”. They count only where nothing follows but a part. */
  readonly before: ReadonlySet<string>;
  /** Parts that hurt, where the rest is used; empty for all of it. */
  readonly parts: readonly string[];
  /** Parts that do not hurt. */
  readonly sound: readonly string[];
}

export interface Only {
  readonly parts?: string;
  readonly sound?: string;
  readonly also?: string;
}
const list = (s: string | undefined): string[] => (s ? s.split("; ") : []);

/** A row: `~` before a name says that it also stands before another plant's. */
export function hurts(
  latin: string,
  hazard: Hazard,
  source: HurtSource,
  names: string,
  only: Only = {},
): Hurts {
  const all = list(names);
  return {
    latin,
    also: list(only.also),
    hazard,
    source,
    names: all.map((n) => n.replace("~", "")),
    before: new Set(all.filter((n) => n.startsWith("~")).map((n) => n.slice(1))),
    parts: list(only.parts),
    sound: list(only.sound),
  };
}
