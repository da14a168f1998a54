import { cookies } from "next/headers";
import { dayAt } from "@/core/day";
import { now } from "@/store/clock";
import { db } from "@/store/db";
import { within } from "@/store/away";
import { METRIC, measuresOf } from "@/core/reading/measures";
import { household } from "@/store/household";

/** How long a page waits for its data, ms. */
const PAGE_PATIENCE = 2500;

/** What every page needs to know: the household, its calendar day and how it likes amounts shown. */
export async function frame() {
  // A page that cannot reach its data says so within this time, rather than hang.
  const home = await within(PAGE_PATIENCE, household(db()));
  const at = now();
  const display =
    (await cookies()).get("jolly-units")?.value === "metric" ? ("metric" as const) : ("kitchen" as const);
  const measures = display === "metric" ? METRIC : measuresOf(home);
  return { home, now: at, today: dayAt(at, home.zone), display, measures };
}
