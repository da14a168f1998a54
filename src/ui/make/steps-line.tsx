import { addedAfterStraining } from "@/core/plan/edit";
import type { Plan } from "@/core/plan/plan";

/** What is done between the jar and the shelf, in its order; the one in hand is the brush stroke. */
const AFTER_THE_JAR = ["cloth", "level", "what goes in", "bottles", "labels"] as const;
type AfterTheJar = (typeof AFTER_THE_JAR)[number];

export function StepsLine({ at, plan, stays = false }: { at: AfterTheJar; plan: Plan; stays?: boolean }) {
  const steps = AFTER_THE_JAR.filter((s) => {
    if (s === "what goes in") return at === s || addedAfterStraining(plan).length > 0;
    // What stays in its jar goes through no cloth.
    return !stays || (s !== "cloth" && s !== "level");
  });
  const now = steps.indexOf(at);
  return (
    <ol
      aria-label="From the jar to the shelf"
      className="flex flex-wrap justify-between gap-x-2 text-base sm:text-[1.125rem] pt-2"
    >
      {steps.map((s, i) => (
        <li
          key={s}
          aria-current={i === now ? "step" : undefined}
          className={`flex-1 min-w-fit border-t-2 pt-1 ${i <= now ? "border-cobalt" : "border-rule"} ${i === now ? "text-cobalt font-bold" : "text-ash"}`}
        >
          {s}
        </li>
      ))}
    </ol>
  );
}
