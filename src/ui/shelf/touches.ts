import { TOUCH_WORDS } from "@/core/care/care";
import type { Card } from "./card";

/** Things to do today in the order they are listed: a touch of a jar, or what waits for a hand. */
const ORDER = [
  "mend",
  "make",
  "finish",
  "strain",
  "top-up",
  "push-under",
  "let-out",
  "look",
  "shake",
  "turn",
  "taste",
] as const;
export type TodaySort = (typeof ORDER)[number];
/** Where a thing stands in the order of a day. */
export const orderOf = (sort: TodaySort): number => ORDER.indexOf(sort);

const WAIT_WORDS = { mend: "Put right", make: "Make", finish: "Finish and bottle" } as const;
const todayWords = (sort: TodaySort): string =>
  sort === "mend" || sort === "make" || sort === "finish" ? WAIT_WORDS[sort] : TOUCH_WORDS[sort];

/** One thing to do, with the jars it is for. */
export interface TouchOfDay {
  readonly sort: TodaySort;
  readonly words: string;
  readonly matters: boolean;
  readonly jars: readonly {
    readonly id: string;
    readonly code: string;
    readonly name: string;
    readonly why: string;
    readonly overdue: boolean;
  }[];
}

/** Today's touches over all the shelf, those that matter first, each with the jars it is for. */
export function touchesOf(cards: readonly Card[]): TouchOfDay[] {
  return ORDER.flatMap((sort) => {
    const jars = cards.flatMap((c) =>
      [...c.due, ...(c.waits ? [c.waits] : [])]
        .filter((d) => d.sort === sort)
        .map((d) => ({ id: c.id, code: c.code, name: c.name, why: d.why, overdue: d.overdue })),
    );
    return jars.length > 0
      ? [{ sort, words: todayWords(sort), matters: jars.some((j) => j.overdue), jars }]
      : [];
  });
}
