"use client";
import type { Measures } from "@/core/reading/measures";
import { useUnits } from "../kit/units";
import type { Plan } from "@/core/plan/plan";
import type { Empties } from "@/core/stores/item";
import type { Around, Made } from "./made";
import { Offers } from "./offers";
import { verdictHead } from "../plan/verdict-words";
import { Outcome } from "./outcome";
import { Spoken } from "./spoken";
import type { Bench } from "./state";
import { useDoubts } from "./use-doubts";

/** The right of the Bench: what comes of the plan, and what would make it keep better. */
export function OutcomeSide({
  made,
  around,
  bench,
  empties,
  currency,
  today,
  take,
}: {
  made: Made;
  around: Around;
  bench: Bench;
  empties: readonly Empties[];
  currency: string;
  today: string;
  take: (plan: Plan) => void;
}) {
  const { shown, now, plan } = made;
  const units = useUnits();
  const doubts = useDoubts(now, around.context);
  if (!shown)
    return (
      <section>
        <h2 className="ruled-head">What you will have</h2>
        <p className="quiet pt-3">Add a herb on the left. What comes of it is reckoned here as you type.</p>
      </section>
    );
  const stop = made.grave.find(
    (c) => c.severity === "never" || (c.severity === "stop" && !bench.reasons[c.id]?.trim()),
  );
  const stopped = stop !== undefined;
  // What is worth searching for: a jar that may not stand as planned first, then a cupboard it has not earned.
  const room = made.grave.some((c) => c.id === "works-in-fridge");
  const wish = room ? "room" : "cupboard";
  const worth = now && (room || now.reckoning.verdict.place !== "cupboard");
  return (
    <>
      <Spoken words={spokenOf(made, stopped, units)} />
      <Outcome
        r={shown.reckoning}
        care={shown.care}
        went={shown.went}
        cost={shown.cost}
        kind={plan.kind}
        empties={empties}
        currency={currency}
        today={today}
        stale={!now}
        stop={stop}
        doubts={doubts}
        saidToKeep={plan.saidToKeep}
      />
      {worth && <Offers plan={plan} wish={{ for: wish }} take={take} today={today} />}
    </>
  );
}

/** The verdict and what stands against it, in a sentence or two for the ear. */
function spokenOf(made: Made, stopped: boolean, units: Measures): string {
  const r = made.shown?.reckoning;
  if (!r) return "";
  const { place, life } = verdictHead(r.verdict);
  const makes = `About ${units.volume(r.finished.ml.value)}.`;
  if (!stopped) return `${makes} ${place} ${life}`;
  const first = made.grave.find((c) => c.severity === "never" || c.severity === "stop");
  return `${makes} Not as it stands. ${units.told(first?.says ?? "")}`;
}
