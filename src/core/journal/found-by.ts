import { printDay } from "../day";
import { plainLetters } from "../reading/tokens";
import { nameWord } from "../reading/names";
import type { Batch } from "./fold";
import { thawStuffs } from "./freeze";

/** Words that ask without saying what for: “what has ginger in it”. */
const ASKING = new Set(
  "a all an and any are find for from has have how i in is it its made me my of on our show that the there this to we what where which who whose with".split(
    " ",
  ),
);

/** A text as words to be found by or to find with: small, without accents, one by one and in the singular. */
const wordsIn = (text: string): string[] =>
  plainLetters(text)
    .split(/[^\p{L}\p{N}·-]+/u)
    .filter((w) => w !== "" && w !== "-");

/** What a typed question looks for: each of its words, as typed and as one of the thing. */
export interface Sought {
  readonly word: string;
  readonly one: string;
}
export const MOST_SOUGHT = 8;
/** “OX-26-02.3”, as a label’s code has it, is written “OX-26-02·3”. */
const asWritten = (question: string): string => question.replace(/\b([a-z]{2}-\d\d-\d+)\.(\d+)/gi, "$1·$2");
/** The words of a question that say something; the first eight of them. */
export const soughtIn = (question: string): Sought[] =>
  wordsIn(asWritten(question))
    .filter((w) => !ASKING.has(w))
    .slice(0, MOST_SOUGHT)
    .map((word) => ({ word, one: nameWord(word) }));

/** All words of some texts, each once, each behind a blank: what begins with a word is found after one. */
export function asFound(texts: readonly (string | undefined)[]): string {
  const words = texts.flatMap((t) => (t ? wordsIn(t) : []));
  // “lime-blossom” is found whole, and by either of its words.
  const parts = words.flatMap((w) => (w.includes("-") ? [w, ...w.split("-")] : [w])).filter((w) => w !== "");
  // In one order, whatever order the figures were kept in: a list made anew says the same.
  return ` ${[...new Set(parts.flatMap((w) => [w, nameWord(w)]))].sort().join(" ")} `;
}

/** What a batch is found by: its code and name, what went in under every name it has, whom it is for, and when it was begun. */
export function foundBy(b: Batch): string {
  const stuffs = [...thawStuffs(b.frozen).values()];
  return asFound([
    ...[
      b.code,
      b.name,
      b.plan.kind,
      b.state,
      b.begunDay,
      printDay(b.begunDay, "year"),
      b.frozen.vessel?.name,
    ],
    ...[b.plan.purpose, b.plan.toldBy],
    ...(b.plan.meantFor ?? []),
    ...stuffs.flatMap((s) => [...s.names, s.latin]),
  ]);
}
