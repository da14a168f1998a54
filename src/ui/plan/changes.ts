import type { ChangeWords } from "@/core/journal/changes";
import type { Measures } from "@/core/reading/measures";
import { verdictHead } from "./verdict-words";

/** How a change of a batch's figures is said in these measures. */
export const changeWords = (m: Measures): ChangeWords => ({
  ml: m.volumeExact,
  verdict: ({ reckoning }) => {
    const { place, life } = verdictHead(reckoning.verdict);
    return `${place} ${life}`.trim().replace(/\.$/, "");
  },
});
