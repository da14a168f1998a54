import { type Day, addDays } from "../day";
import type { Kind } from "../plan/plan";
import type { KeptStart } from "./events";

/** A batch that was begun. */
export interface Begun {
  readonly name: string;
  readonly kind: Kind;
  readonly day: Day;
}

/** A batch is taken for a start that was planned within so many days of its beginning. */
const NEAR = 21;
/** A start nobody began lapses so many days after its day. */
const LAPSES = 21;

/**
 * The starts of a kept plan that are still to be begun: each batch begun since the plan was kept is taken for the start of its remedy whose day is
 * nearest, and each for one alone.
 * @param kindOf what kind a start's wish is of; nothing where it is not wished any more
 */
export function openStarts(
  plan: { readonly starts: readonly KeptStart[]; readonly on: Day },
  begun: readonly Begun[],
  today: Day,
  kindOf: (s: KeptStart) => Kind | undefined,
): KeptStart[] {
  const open = new Set(plan.starts);
  for (const b of [...begun].filter((x) => x.day >= plan.on).sort((x, y) => (x.day < y.day ? -1 : 1))) {
    const [nearest] = [...open]
      .filter((s) => s.remedy.toLowerCase() === b.name.toLowerCase() && (kindOf(s) ?? b.kind) === b.kind)
      .filter((s) => addDays(s.day, -NEAR) <= b.day && b.day <= addDays(s.day, NEAR))
      .sort((x, y) => (x.day < y.day ? -1 : 1));
    if (nearest) open.delete(nearest);
  }
  return [...open].filter((s) => addDays(s.day, LAPSES) >= today).sort((x, y) => (x.day < y.day ? -1 : 1));
}
