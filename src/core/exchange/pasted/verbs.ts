import type { Cut } from "../../material/classes";
import type { SteepPlace } from "../../plan/plan";
import { dictionary } from "../../words";

/** What a word of a recipe’s method does. */
export type Deed =
  | "add"
  | "cover"
  | "fill"
  | "simmer"
  | "boil"
  | "warm"
  | "reduce"
  | "pressure"
  | "steep"
  | "keep"
  | "cool"
  | "strain"
  | "bottle"
  | "shake"
  | "take"
  | "prepare"
  | "away";

/** Words that are done in a kitchen, in the forms a recipe has them. */
// prettier-ignore
export const DEEDS = dictionary<Deed>({
  add: "add", adding: "add", added: "add", put: "add", place: "add", combine: "add", mix: "add", mixing: "add", pour: "add", stir: "add", stirring: "add",
  whisk: "add", blend: "add", drop: "add", layer: "add", pack: "add", tip: "add", toss: "add", dissolve: "add", return: "add", tuck: "add", pile: "add",
  throw: "add", loosen: "add", sweeten: "add", sprinkle: "add", heap: "add", lay: "add",
  cover: "cover", submerge: "cover", drown: "cover",
  fill: "fill", top: "fill",
  simmer: "simmer", simmers: "simmer", simmering: "simmer", simmered: "simmer", cook: "simmer", cooking: "simmer", bubble: "simmer", decoct: "simmer", stew: "simmer", poach: "simmer",
  boil: "boil", boils: "boil", boiling: "boil",
  heat: "warm", warm: "warm", warming: "warm", melt: "warm",
  reduce: "reduce", reduced: "reduce", reduces: "reduce", reducing: "reduce", halved: "reduce",
  pressure: "pressure",
  steep: "steep", steeps: "steep", steeping: "steep", infuse: "steep", infuses: "steep", infusing: "steep", macerate: "steep", stand: "steep", stands: "steep", sit: "steep", sits: "steep",
  leave: "steep", rest: "steep", soak: "steep", wait: "steep", ready: "steep", ferment: "steep", draw: "steep", marinate: "steep",
  keep: "keep", keeps: "keep", store: "keep", stored: "keep", refrigerate: "keep", refrigerated: "keep", lasts: "keep", last: "keep", stash: "keep", good: "keep", hide: "keep",
  cool: "cool", cools: "cool", cooled: "cool", cooling: "cool", lukewarm: "cool", tepid: "cool", "hand-warm": "cool",
  strain: "strain", strained: "strain", straining: "strain", filter: "strain", sieve: "strain", squeeze: "strain", squeezing: "strain", wring: "strain", press: "strain", drain: "strain",
  bottle: "bottle", bottled: "bottle", decant: "bottle", funnel: "bottle",
  shake: "shake", shaking: "shake", shaken: "shake", swirl: "shake", turn: "shake", agitate: "shake",
  take: "take", dose: "take", sip: "take", swallow: "take", drink: "take",
  chop: "prepare", grate: "prepare", slice: "prepare", peel: "prepare", crush: "prepare", bruise: "prepare", mince: "prepare", smash: "prepare", mash: "prepare",
  grind: "prepare", dice: "prepare", shred: "prepare", tear: "prepare", wash: "prepare", rinse: "prepare", pound: "prepare", crack: "prepare", strip: "prepare", halve: "prepare",
  discard: "away", compost: "away", remove: "away", label: "away", seal: "away", cap: "away", close: "away", screw: "away", skim: "away",
});

/** How a thing is cut, by the word for doing it. */
// prettier-ignore
export const CUT_BY = dictionary<Cut>({
  chop: "chopped", dice: "chopped", tear: "chopped", halve: "chopped", grate: "grated", mince: "grated", shred: "grated", slice: "sliced", crush: "crushed", bruise: "crushed",
  smash: "crushed", mash: "crushed", pound: "crushed", crack: "crushed",
});

/** Where a jar stands, by words said near each other. The longest is tried first. */
export const PLACE_WORDS: readonly (readonly [readonly string[], SteepPlace])[] = [
  [["sunny"], "sunny-sill"],
  [["windowsill"], "sunny-sill"],
  [["sill"], "sunny-sill"],
  [["sun"], "sunny-sill"],
  [["fridge"], "fridge"],
  [["refrigerator"], "fridge"],
  [["refrigerate"], "fridge"],
  [["refrigerated"], "fridge"],
  [["icebox"], "fridge"],
  [["dark"], "dark-cupboard"],
  [["cupboard"], "dark-cupboard"],
  [["pantry"], "dark-cupboard"],
  [["cabinet"], "dark-cupboard"],
  [["larder"], "dark-cupboard"],
  [["counter"], "counter"],
  [["worktop"], "counter"],
];

/** Words that stand for all that was listed, for its plants, or for what is left of it. */
export const ALL_OF_IT: ReadonlySet<string> = new Set(["everything", "all", "ingredients"]);
export const THE_REST: ReadonlySet<string> = new Set(["rest", "remaining", "others"]);
export const PLANTS_OF_IT: ReadonlySet<string> = new Set([
  "herb", "herbs", "spice", "spices", "root", "roots", "berry", "berries", "plants", "vegetables", "solids", "flowers", "leaves", "fruit", "aromatics", "blossoms", "seeds",
]); // prettier-ignore
/** What is named after these stays out. */
export const BUT: ReadonlySet<string> = new Set(["except", "but", "without", "minus", "excluding"]);

/** Headings of a recipe, and what stands under them. */
export type Section = "lines" | "method" | "notes" | "keeping" | "taking";
export const HEADINGS = dictionary<Section>({
  ingredients: "lines", "you will need": "lines", "youll need": "lines", "what youll need": "lines", "what you will need": "lines", "for the jar": "lines", optional: "lines", "what you need": "lines", need: "lines", "what goes in": "lines", "goes in": "lines", shopping: "lines",
  method: "method", directions: "method", instructions: "method", "how to": "method", "how to make": "method", process: "method", preparation: "method", "to make": "method", "how to make it": "method", steps: "method", making: "method", "what to do": "method", procedure: "method",
  notes: "notes", note: "notes", tips: "notes", tip: "notes", story: "notes", about: "notes",
  storage: "keeping", storing: "keeping", "to store": "keeping", "shelf life": "keeping", keeping: "keeping", keeps: "keeping", "to keep": "keeping",
  dosage: "taking", dose: "taking", "to use": "taking", "how to take it": "taking", "to take": "taking", use: "taking", taking: "taking", serving: "taking",
}); // prettier-ignore
