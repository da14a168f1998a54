import type { Day } from "../day";
import { asWritten, correctionsOf } from "../envelope";
import type { Kind, Plan } from "../plan/plan";
import type { CameFrom, RecipeBody, RecipeEvent, RecipeEventType } from "./events";

/** One way a recipe was written down: the n-th plan of its journal, whatever became of it. */
export interface Version {
  readonly n: number;
  readonly plan: Plan;
  readonly day: Day;
  readonly why: string | undefined;
  readonly from: CameFrom | undefined;
  /** Its entry, and whether it was taken back. */
  readonly seq: number;
  readonly undone: boolean;
}

/** A recipe as its journal says it is. */
export interface Recipe {
  readonly id: string;
  readonly name: string;
  /** Oldest first; a number once given is never another plan’s. */
  readonly versions: readonly Version[];
  readonly note: string | undefined;
  readonly notes: readonly { readonly day: Day; readonly text: string; readonly seq: number }[];
  readonly putAway: { readonly seq: number; readonly why: string | undefined } | undefined;
  readonly seq: number;
}

/** The version that stands: the last that was not taken back; the first where all were. */
export const present = (r: Recipe): Version => r.versions.findLast((v) => !v.undone) ?? r.versions[0]!;
export const versionOf = (r: Recipe, n: number): Version | undefined => r.versions.find((v) => v.n === n);

/** The plan of a version under the recipe’s name. */
export const planOf = (r: Recipe, v: Version): Plan => ({ ...v.plan, name: r.name });

/** Folds a recipe’s entries, by order of writing. Nothing where it was never written. */
export function foldRecipe(events: readonly RecipeEvent[]): Recipe | undefined {
  const all = asWritten(events);
  const [first] = all;
  if (first?.type !== "written") return undefined;
  const undone = correctionsOf(all);
  const versions: Version[] = [];
  const notes: { day: Day; text: string; seq: number }[] = [];
  let name: string | undefined;
  let putAway: Recipe["putAway"];
  for (const e of all) {
    const gone = undone.has(e.seq);
    switch (e.type) {
      case "written":
      case "changed": {
        const { plan, from } = e.body;
        const why = e.type === "changed" ? e.body.why : undefined;
        versions.push({ n: versions.length + 1, plan, day: e.day, why, from, seq: e.seq, undone: gone });
        break;
      }
      case "renamed":
        if (!gone) name = e.body.name;
        break;
      case "noted":
        if (!gone) notes.push({ day: e.day, text: e.body.text, seq: e.seq });
        break;
      case "put-away":
        if (!gone) putAway = { seq: e.seq, why: e.body.why };
        break;
      case "corrected":
        break;
    }
  }
  return {
    id: first.streamId,
    name: name ?? first.body.plan.name,
    versions,
    note: (first.body as RecipeBody<"written">).note,
    notes,
    putAway,
    seq: Math.max(...all.map((e) => e.seq)),
  };
}

/** Why an entry may not follow, in words that say what would be right. */
export function mayFollowRecipe(r: Recipe | undefined, type: RecipeEventType): string | undefined {
  if (type === "written") return r ? "It stands in the book already. Change it instead." : undefined;
  if (!r) return "There is no such recipe.";
  if (r.putAway && type !== "corrected") return "It is put away. Take it out again first.";
  return undefined;
}

/** A recipe as the book lists it. */
export interface BookRow {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  readonly versions: number;
  readonly batches: number;
}
