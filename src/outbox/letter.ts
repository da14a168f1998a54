import type { Answer } from "../contract/writes";
import type { Fault } from "../core/fault";

/*
 * What a device writes is kept on it as a letter until the house has it. Letters of one stream are sent in the order they were written; what the
 * house answered stays with the letter for a while, since a page made before knows nothing of it.
 */

/** Numbers from here on are no place in a journal: n-th letter of this device, whose place is not known yet. */
export const NOT_YET = 1_000_000_000;

export interface Letter {
  /** In which order this device wrote, from 1; never given twice. */
  readonly n: number;
  readonly key: string;
  readonly url: string;
  /** What waits for each other: one batch, one bottle, one thing in the stores. */
  readonly stream: string;
  readonly body: Readonly<Record<string, unknown>>;
  /** When it was written, ms by this device's clock. */
  readonly wroteAt: number;
  /** What comes after it rests on it: where it is refused, that waits until the maker has settled it. */
  readonly builtOn?: boolean;
  /** What it says happened when it was written, unless it says another time itself. */
  readonly happened?: boolean;
  /** `handed`: this device was sent away before it could be sent, and it was left with a keeper. */
  readonly state: "waiting" | "refused" | "written" | "handed";
  /** What the house said against it. */
  readonly fault?: Fault;
  /** Where its journal stood when it was refused: what the maker is shown beside it, and has seen when they say it again. */
  readonly seen?: number;
  readonly answer?: Answer;
  readonly answeredAt?: number;
}
export type NewLetter = Pick<Letter, "key" | "url" | "stream" | "body" | "wroteAt" | "builtOn" | "happened">;

/** Where letters are kept: they outlast the page. */
export interface Box {
  /** All, in the order they were written. */
  readonly all: () => Promise<readonly Letter[]>;
  /** Keeps a letter and gives it its number; under the same key it is the same letter. */
  readonly put: (letter: NewLetter) => Promise<Letter>;
  readonly set: (letter: Letter) => Promise<void>;
  readonly remove: (n: number) => Promise<void>;
}

/** What came of asking the house to take a letter. */
export type Reply =
  | { readonly is: "taken"; readonly answer: Answer }
  | { readonly is: "refused"; readonly fault: Fault; readonly seq?: number }
  /** It does not answer, or its journal is away: the same may be said again. */
  | { readonly is: "away"; readonly fault: Fault };
export type Post = (url: string, body: Readonly<Record<string, unknown>>) => Promise<Reply>;
