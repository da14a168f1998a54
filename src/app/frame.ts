import { cookies } from "next/headers";
import { dayAt } from "@/core/day";
import { now } from "@/store/clock";
import { db } from "@/store/db";
import { household } from "@/store/household";

/** What every page needs to know: the household, its calendar day and how it likes amounts shown. */
export async function frame() {
  const home = await household(db());
  const at = now();
  const display =
    (await cookies()).get("jolly-units")?.value === "metric" ? ("metric" as const) : ("kitchen" as const);
  return { home, now: at, today: dayAt(at, home.zone), display };
}
