import { type Estimate, FOUR_IN_FIVE, estimate } from "../estimate";
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
/** Strainings the book's own scatter counts for. */
const SCATTER_PRIOR = 2;
/** A jug is read so well, and a cloth wrung so evenly: no household's share is known closer. */
const LEAST_SPREAD = 0.06;

/**
 * The weighted mean of the household's strainings and the book, the book counting for five. Its spread is that of one straining more: as they scattered,
 * four in five of them inside.
 */
export function learnedOf(k: Kept): Learned {
  const n = PRIOR + k.batches;
  const value = (PRIOR + k.sum) / n;
  const own = k.sum / Math.max(1, k.batches);
  // The scatter of one straining about the household's own mean, the book's worth of two among them.
  const about = Math.max(0, k.squares - k.batches * own * own);
  const scatter = (SCATTER_PRIOR * (BOOK_SPREAD / FOUR_IN_FIVE) ** 2 + about) / (SCATTER_PRIOR + k.batches);
  // What is foreseen is the next straining, not the mean of many: it scatters as they did, about a mean that still leans to the book.
  const next = scatter * (1 + 1 / n) + (own - value) ** 2;
  const half = Math.max(LEAST_SPREAD, FOUR_IN_FIVE * Math.sqrt(next));
  return {
    ...{ class: k.class, how: k.how, batches: k.batches },
    share: estimate(value, Math.max(0.05, value - half), value + half, [
      "what this household's own cloths kept",
    ]),
  };
}
