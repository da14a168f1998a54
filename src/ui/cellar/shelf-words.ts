import type { PlaceClass } from "@/core/journal/events";
import type { Kind } from "@/core/plan/plan";
import type { Substance } from "../figures/substance";

export const PLACE_WORDS: Readonly<Record<PlaceClass, string>> = {
  "cool-dark": "somewhere cool and dark",
  cupboard: "cupboard",
  fridge: "fridge",
  freezer: "ice box",
};

/** What a bottle of a kind is drawn as: what there is most of in it. */
export const SUBSTANCE_OF: Readonly<Record<Kind, Substance>> = {
  syrup: "decoction",
  oxymel: "honey",
  "fire-cider": "vinegar",
  honey: "honey",
  vinegar: "vinegar",
  tincture: "spirit",
};
