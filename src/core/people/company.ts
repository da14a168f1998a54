import type { Day } from "../day";
import { type Person, meantOf } from "./person";

/** The household as it is now: cautions are about the people of today, not of the day a batch began. */
export interface Company {
  readonly people: readonly Person[];
  readonly today: Day;
  /** The household was not looked up, so that nobody is a stranger to it. */
  readonly notAsked?: true;
}

/** Who a plan is meant for, who else lives here, and names that nobody bears. */
export interface MeantFor {
  readonly meantFor: readonly Person[];
  readonly others: readonly Person[];
  readonly strangers: readonly string[];
  readonly today: Day;
}
export function companyOf(plan: { readonly meantFor?: readonly string[] | undefined }, c: Company): MeantFor {
  const meantFor = meantOf(plan.meantFor, c.people);
  const known = new Set(c.people.map((p) => p.name.toLowerCase()));
  const strangers = (c.notAsked ? [] : (plan.meantFor ?? [])).filter(
    (n) => n.trim() !== "" && !known.has(n.trim().toLowerCase()),
  );
  return { meantFor, others: c.people.filter((p) => !meantFor.includes(p)), strangers, today: c.today };
}
