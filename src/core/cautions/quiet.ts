import type { Caution } from "./caution";

/** Notes that are of this plan and no other: they are seen whole, and never folded. */
const PARTICULAR: ReadonlySet<string> = new Set([
  "own-plant",
  "ours-best-by",
  "wet-honey",
  "unaged-bark",
  "short-course",
  "too-much-a-day",
  "works-in-fridge",
]);

/** Cautions as they are shown: what is particular first and whole, and what holds for many a remedy folded behind one line. */
export interface Quiet {
  readonly told: readonly Caution[];
  readonly folded: readonly Caution[];
}

/** A rule about the very people it is meant for says more than the same rule about anybody. */
const SAID_BETTER_BY: Readonly<Record<string, string>> = {
  "honey-under-twelve-months": "honey-for-an-infant",
  "narrow-margin-poison": "aristolochic",
};

/** Nothing twice: neither the same words, nor what a graver rule of them says already. */
function once(cautions: readonly Caution[]): Caution[] {
  const said = new Set<string>();
  const ids = new Set(cautions.map((c) => c.id));
  return cautions.filter((c) => {
    const better = SAID_BETTER_BY[c.id];
    if (said.has(c.says) || (better !== undefined && ids.has(better))) return false;
    said.add(c.says);
    return true;
  });
}

/**
 * Notes of how the work is done, the same for every remedy: what a house may say it knows. A closed list, since what is said of a plant, of people
 * or of what a label warns of may be folded but is never put away.
 */
export const LEARNABLE: ReadonlySet<string> = new Set([
  ...["clean-jars", "freezer-headspace", "drinks", "marc", "discard-signs", "hot-bottles"],
  ...["watch-the-pot", "soft-water", "finger-is-no-thermometer"],
]);
export const isLearnable = (c: Caution): boolean =>
  c.severity === "note" && c.label === undefined && LEARNABLE.has(c.id);

/** A never, a stop, a caution and what is about people of this household is always told; the rest of the notes can be opened. */
export function quiet(cautions: readonly Caution[]): Quiet {
  const all = once(cautions);
  const isTold = (c: Caution): boolean =>
    c.severity !== "note" || c.personal === true || PARTICULAR.has(c.id) || c.about.what === "people";
  return { told: all.filter(isTold), folded: all.filter((c) => !isTold(c)) };
}
