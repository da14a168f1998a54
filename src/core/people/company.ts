import type { Day } from "../day";
import { type Person, meantOf } from "./person";

/** The household as it is now: cautions are about the people of today, not of the day a batch began. */
export interface Company {
  readonly people: readonly Person[];
  readonly today: Day;
}

/** Who a plan is meant for, and who else lives here. */
export function companyOf(
  plan: { readonly meantFor?: readonly string[] | undefined },
  c: Company,
): { readonly meantFor: readonly Person[]; readonly others: readonly Person[]; readonly today: Day } {
  const meantFor = meantOf(plan.meantFor, c.people);
  return { meantFor, others: c.people.filter((p) => !meantFor.includes(p)), today: c.today };
}
