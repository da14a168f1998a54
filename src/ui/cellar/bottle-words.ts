import type { BottleBody, BottleEntry, BottleEvent, BottleNow, Filled, Sign } from "@/core/cellar/bottle";
import { type Day, printDay } from "@/core/day";
import type { PerMl } from "@/core/cellar/course";
import { counted, listed } from "@/core/words";
import { PLACE_WORDS } from "./shelf-words";

/** A bottle with what is known of it from its batch. */
export interface InHand {
  readonly bottle: BottleNow;
  /** As its batch filled it, and its own journal as far as the house has it. */
  readonly filled: Filled;
  readonly events: readonly BottleEvent[];
  readonly batchId: string;
  readonly code: string;
  readonly name: string;
  readonly made: Day;
  readonly bestBy: Day;
  /** Its day were it put into the fridge today; only where it is open and the fridge is what it wants. */
  readonly inFridgeBy?: Day;
  readonly taken: string | undefined;
  /** What a mL of it holds; nothing where its batch does not reckon. */
  readonly perMl: PerMl | undefined;
  /** What is to be minded about its course, for whom it is laid down. */
  readonly minded: readonly string[];
  /** People of the household it may be for. */
  readonly people: readonly string[];
}

export const SIGN_WORDS: Readonly<Record<Sign, string>> = {
  cloudy: "cloudy",
  sediment: "sediment at the base",
  layers: "layers that stir together",
  mould: "mould or a film",
  gas: "gas where none belongs",
  slime: "slime or threads",
  "wrong-smell": "a wrong smell",
  "lid-bulged": "the lid bulged",
};

/** A course in words: “1 tbsp three times a day for 10 days, then 7 days of rest”. */
export function courseWords(c: Pick<BottleBody<"coursed">, "said" | "times" | "days" | "rest">): string {
  const times = ["", "once", "twice", "three times", "four times"][c.times] ?? `${c.times} times`;
  const rest = c.rest > 0 ? `, then ${counted(c.rest, "day", "days")} of rest` : "";
  return `${c.said} ${times} a day for ${counted(c.days, "day", "days")}${rest}`;
}

/** An entry of a bottle's journal as a sentence. */
export function bottleWords(e: BottleEntry): string {
  switch (e.type) {
    case "opened":
      return "Opened.";
    case "poured": {
      const b = e.body as BottleBody<"poured">;
      return `Poured ${b.said}${b.for ? `, for ${b.for}` : ""}.`;
    }
    case "coursed": {
      const b = e.body as BottleBody<"coursed">;
      return `To be taken: ${courseWords(b)}${b.for ? `, for ${b.for}` : ""}, from ${printDay(b.from, "long", e.day)}.`;
    }
    case "moved":
      return `Moved to the ${PLACE_WORDS[(e.body as BottleBody<"moved">).place]}.`;
    case "inspected": {
      const b = e.body as BottleBody<"inspected">;
      const seen = b.signs.length > 0 ? listed(b.signs.map((s) => SIGN_WORDS[s])) : "nothing amiss";
      const so = {
        fine: "fine",
        "use-up": `use up by ${b.useBy ? printDay(b.useBy, "long", e.day) : "soon"}`,
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
