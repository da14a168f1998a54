import type { BottleBody, BottleEntry, BottleNow, Sign } from "@/core/cellar/bottle";
import { type Day, printDay } from "@/core/day";
import { listed } from "@/core/words";
import { PLACE_WORDS } from "./shelf-words";

/** A bottle with what is known of it from its batch. */
export interface InHand {
  readonly bottle: BottleNow;
  readonly batchId: string;
  readonly code: string;
  readonly name: string;
  readonly made: Day;
  readonly bestBy: Day;
  readonly taken: string | undefined;
}

export const SIGN_WORDS: Readonly<Record<Sign, string>> = {
  cloudy: "cloudy",
  sediment: "sediment at the base",
  layers: "layers that stir together",
  mould: "mould or a film",
  gas: "gas where none belongs",
  slime: "slime or threads",
  "wrong-smell": "a wrong smell",
  "lid-bulged": "the lid bulged or hissed",
};

/** An entry of a bottle's journal as a sentence. */
export function bottleWords(e: BottleEntry): string {
  switch (e.type) {
    case "opened":
      return "Opened.";
    case "poured": {
      const b = e.body as BottleBody<"poured">;
      return `Poured ${b.said}${b.for ? `, for ${b.for}` : ""}.`;
    }
    case "moved":
      return `Moved to the ${PLACE_WORDS[(e.body as BottleBody<"moved">).place]}.`;
    case "inspected": {
      const b = e.body as BottleBody<"inspected">;
      const seen = b.signs.length > 0 ? listed(b.signs.map((s) => SIGN_WORDS[s])) : "nothing amiss";
      const so = {
        fine: "fine",
        "use-up": `use up by ${b.useBy ? printDay(b.useBy) : "soon"}`,
        "throw-out": "throw it out untasted",
      };
      return `Looked at: ${seen}; ${so[b.outcome]}.`;
    }
    case "given":
      return `Given to ${(e.body as BottleBody<"given">).to}.`;
    case "emptied":
      return "Emptied.";
    case "discarded":
      return `Thrown out: ${(e.body as BottleBody<"discarded">).why}`;
    case "corrected":
      return "";
  }
}
