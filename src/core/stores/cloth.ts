import type { Estimate } from "../estimate";
import { estimate } from "../estimate";
import type { PlantClass } from "../material/classes";
import type { Wringing } from "../plan/plan";

/** What a household's own cloths kept, of a class of plant, wrung one way: each straining's share of what the book says. */
export interface Kept {
  readonly class: PlantClass;
  readonly how: Wringing;
  readonly batches: number;
  /** Sum of the shares, and of their squares. */
  readonly sum: number;
  readonly squares: number;
}

/** What was learned of it: the share of the book's figure it keeps here, with its spread. */
export interface Learned extends Pick<Kept, "class" | "how" | "batches"> {
  readonly share: Estimate;
}

/** The book's figure counts for so many strainings. */
const PRIOR = 5;
/** How far the book's own figure may be off, relative: what the reckoning takes it for. */
export const BOOK_SPREAD = 0.25;
/** A jug is read so well, and a cloth wrung so evenly: no household's share is known closer. */
const LEAST_SPREAD = 0.06;

/**
 * The weighted mean of the household's strainings and the book, the book counting for five. Its spread narrows with the number of strainings, and is
 * no less than they scatter.
 */
export function learnedOf(k: Kept): Learned {
  const n = PRIOR + k.batches;
  const value = (PRIOR + k.sum) / n;
  // Scatter about the mean, the book's strainings at its own spread.
  const scatter =
    (PRIOR * (BOOK_SPREAD ** 2 + (1 - value) ** 2) + k.squares - 2 * value * k.sum + k.batches * value ** 2) /
    n;
  const half = Math.max(LEAST_SPREAD, Math.sqrt(Math.max(0, scatter) * (PRIOR / n)));
  return {
    ...{ class: k.class, how: k.how, batches: k.batches },
    share: estimate(value, Math.max(0.05, value - half), value + half, [
      "what this household's own cloths kept",
    ]),
  };
}
