import type { ChangeWords } from "@/core/journal/changes";
import { verdictHead } from "./verdict-words";

/** How a change of a batch's figures is said. */
export const CHANGE_WORDS: ChangeWords = {
  ml: (ml) => `${Math.round(ml)} mL`,
  verdict: ({ reckoning }) => {
    const { place, life } = verdictHead(reckoning.verdict);
    return `${place} ${life}`.trim().replace(/\.$/, "");
  },
};
