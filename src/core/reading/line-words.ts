import { dictionary } from "../words";
import type { Cut, Form } from "../material/classes";

/** Words that say how a plant comes; some also say how it was cut. */
export const FORM_WORDS = dictionary<Form>({
  fresh: "fresh", wilted: "wilted", dried: "dried", dry: "dried", dehydrated: "dried", frozen: "frozen", powdered: "powdered",
  powder: "powdered", ground: "powdered", rubbed: "dried", flake: "dried", flakes: "dried",
  granules: "powdered", chips: "dried",
}); // prettier-ignore
export const CUT_WORDS = dictionary<Cut>({
  whole: "whole", chopped: "chopped", diced: "chopped", cut: "chopped", cubed: "chopped", quartered: "chopped", halved: "chopped", torn: "chopped",
  rubbed: "chopped", flake: "crushed", flakes: "crushed", minced: "grated", grated: "grated", shredded: "grated", microplaned: "grated", julienned: "grated", crushed: "crushed",
  smashed: "crushed", bruised: "crushed", cracked: "crushed", pounded: "crushed", mashed: "crushed", bashed: "crushed", pressed: "crushed",
  sliced: "sliced", shaved: "sliced",
}); // prettier-ignore
/** Work that only the fresh plant is put to. */
export const FRESH_WORK: ReadonlySet<string> = new Set([
  "grated", "peeled", "minced", "shredded", "diced", "smashed", "microplaned", "julienned", "mashed", "pitted", "cored", "seeded", "stemmed", "juiced",
  "destemmed", "zested", "sliced", "torn", "freshly",
]); // prettier-ignore
/** Work and words that change neither plant nor figure, kept as said. */
export const KEPT_WORDS: ReadonlySet<string> = new Set([
  "local", "raw", "organic", "unpasteurised", "unpasteurized", "unfiltered", "distilled", "pure", "nice", "best", "quality", "homegrown", "your", "our", "my",
  "favourite", "favorite", "extra", "plain", "real", "washed", "rinsed", "clean", "cleaned", "picked", "ripe", "freshly", "squeezed", "scraped", "strained", "peeled", "cored", "pitted", "seeded",
  "stemmed", "destemmed", "deseeded", "stripped", "unpeeled", "unwaxed", "scrubbed", "trimmed", "stoned", "finely", "roughly", "coarsely", "thinly",
  "lightly", "very", "bought", "shop", "store", "garden", "gathered", "foraged", "sustainably", "loose", "mild", "runny", "drinking", "tap", "filtered",
  "cold", "hot", "warm", "boiling", "mother", "stones", "stone", "out", "skin", "on", "off", "removed", "ends", "tops", "tailed", "topped", "freeze",
  "needed", "required", "juicy", "firm", "young", "tender", "old", "new", "preferably", "ideally", "sifted", "only", "slightly", "gently", "partially", "boiled", "just", "whatever", "colour", "color", "kind", "any", "rested", "warmed", "melted", "softened", "toasted", "cooled", "soaked", "stirred", "optional", "broken", "snapped", "split",
  "thin", "fine", "coarse", "chunks", "rounds", "coins", "matchsticks", "bits",
]); // prettier-ignore
/** Little words that carry nothing by themselves. */
export const LITTLE_WORDS: ReadonlySet<string> = new Set([
  "of", "the", "a", "an", "and", "with", "in", "then", "it", "them", "is", "be", "so", "enough", "as", "at", "by", "up", "more", "add", "pour", "put",
  "use", "plus", "for", "into", "from", "over", "each", "if", "you", "like",
]); // prettier-ignore
/** Words that open a remark: what follows, up to the next comma, is kept as a note. */
export const REMARK: ReadonlySet<string> = new Set([
  "for", "from", "into", "if", "about", "plus", "see", "such", "because", "depending", "cut", "until", "when", "like", "left", "stones", "skin",
]); // prettier-ignore
