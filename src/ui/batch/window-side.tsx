import { type Day, printDay } from "@/core/day";
import type { StrainPlan } from "../shelf/card";

/** The day to strain on, where the household's own days move it off the best one. */
export function HomeDays({ plan, today }: { plan: StrainPlan | undefined; today: Day }) {
  if (!plan) return null;
  switch (plan.fits) {
    case "suits":
      return null;
    case "off-day":
      return (
        <p>No straining day falls into its window; {printDay(plan.day, "weekday", today)} is nearest.</p>
      );
    case "away":
      return (
        <p className="text-rust font-bold">
          Nobody is home in all of its window. Move it, or ask somebody to strain it by{" "}
          {printDay(plan.day, "long", today)}.
        </p>
      );
  }
}
