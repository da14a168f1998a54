import { isWet } from "../../material/material";
import type { Tag } from "../../material/tags";
import { type Rule, eachLine, has } from "../caution";
import { sentence } from "./people/concern";

export const CERTAIN = "If you are not certain, do not use it.";

/** A look-alike that matters when the plant is gathered: dried and bought it has been told apart already. */
const lookalike = (id: string, tag: Tag, other: string, how: string, driedToo = false): Rule => ({
  id,
  basis: `mix-ups with ${other} have poisoned people`,
  stages: ["plan", "make"],
  fires: eachLine(
    (l) => has(l, tag) && (driedToo || isWet(l.stuff)) && l.line.gathered !== false,
    (l) => ({
      // What grows wild is taken for gathered until it is said; what shops and gardens have is only asked about.
      severity: l.line.gathered === true || has(l, "wild") || driedToo ? "caution" : "note",
      says: sentence(
        `${l.line.gathered ? "Gathered" : "If it was gathered"}: {plants} {is|are} mistaken for ${other}. ${how}`,
        [l],
        [],
      ),
      todo: CERTAIN,
    }),
  ),
});

/** Plants that have been taken for others, and how the two are told apart. */
export const LOOKALIKES: readonly Rule[] = [
  lookalike(
    "lookalike-elder",
    "lookalike-elder",
    "pokeweed and dwarf elder",
    "Elder is a woody shrub with flat, drooping clusters; the others are herbs with upright ones.",
  ),
  lookalike(
    "lookalike-carrot",
    "lookalike-carrot",
    "hemlock and water hemlock",
    "Smooth purple-blotched stems and a mousy smell mean hemlock.",
  ),
  lookalike(
    "lookalike-star-anise",
    "lookalike-star-anise",
    "the poisonous Japanese kind",
    "Buy it for cooking, from a grocer; the other smells of cardamom and has finer hooked points.",
    true,
  ),
  lookalike(
    "lookalike-lily",
    "lookalike-lily",
    "lily of the valley and false hellebore",
    "Crush every leaf: only garlic smells of garlic, and the smell stays on the fingers.",
  ),
  lookalike(
    "lookalike-death-camas",
    "lookalike-death-camas",
    "death camas",
    "Without a smell of onion it is not onion.",
  ),
  lookalike(
    "lookalike-foxglove",
    "lookalike-foxglove",
    "foxglove",
    "Foxglove leaves are downy and bitter, and their veins run down the stalk as wings.",
  ),
  lookalike(
    "lookalike-monkshood",
    "lookalike-monkshood",
    "monkshood, whose root has killed at table",
    "Horseradish root smells sharp when it is cut and is pale right through; monkshood darkens and numbs.",
  ),
  lookalike(
    "lookalike-belladonna",
    "lookalike-belladonna",
    "belladonna",
    "Belladonna root is white and smells of little, its berry sits singly in a five-pointed star.",
  ),
  lookalike(
    "lookalike-cherry-laurel",
    "lookalike-cherry-laurel",
    "cherry laurel",
    "Crushed, bay smells of spice and cherry laurel of bitter almond.",
  ),
  lookalike(
    "lookalike-savin",
    "lookalike-savin",
    "savin juniper",
    "Common juniper has needles in threes and savin flat scales, with a rank smell.",
  ),
  lookalike(
    "lookalike-hemlock-flower",
    "lookalike-hemlock-flower",
    "the flower of hemlock",
    "Elder blossoms on a woody shrub and smells of muscat.",
  ),
  lookalike(
    "lookalike-moonseed",
    "lookalike-moonseed",
    "moonseed",
    "A grape has several round seeds, moonseed one, shaped like a moon.",
  ),
  lookalike(
    "lookalike-yew",
    "lookalike-yew",
    "yew",
    "Crushed, spruce and fir smell of resin and orange; yew of nothing, and its needles lie flat and soft.",
  ),
  lookalike(
    "lookalike-sumac",
    "sumac",
    "its white-berried poison cousin",
    "Only upright clusters of red, furry berries.",
  ),
];
