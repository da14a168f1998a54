"use client";
import { addDays, printDay, type Day } from "@/core/day";
import type { Plan } from "@/core/plan/plan";
import type { Wish } from "@/core/advice/wishes";
import type { Offer } from "@/workers/planning.worker";
import { useUnits } from "../kit/units";
import { Waiting, useAsked } from "./asked";

const PLACE = { cupboard: "Cupboard", fridge: "Fridge", "do-not-keep": "Not to keep" } as const;

/** What an offer would make of it, in a few words. */
function Then({ offer: o, today }: { offer: Offer; today: Day }) {
  const units = useUnits();
  return (
    <span className="text-ash">
      {PLACE[o.place]}, {o.life}; {units.volumeExact(o.ml)},{" "}
      {o.ready > 0 ? `ready ${printDay(addDays(today, o.ready), "short", today)}` : "done today"}.
    </span>
  );
}

/** Changes to the plan, each shown with what it leads to before it is taken. */
export function OfferList({
  offers,
  plan,
  take,
  today,
}: {
  offers: readonly Offer[];
  plan: Plan;
  take: (plan: Plan) => void;
  today: Day;
}) {
  return (
    <ul>
      {offers.map((o) => (
        <li key={o.id} className="flex items-baseline justify-between gap-3 border-b border-rule py-1.5">
          <span>
            {o.words} <Then offer={o} today={today} />
          </span>
          <button
            type="button"
            className="plain shrink-0 min-h-8"
            aria-label={`Do this: ${o.words}`}
            onClick={() => take({ ...o.plan, name: plan.name })}
          >
            do this
          </button>
        </li>
      ))}
    </ul>
  );
}

/** The smallest single changes that would bring the plan to a goal, found in a worker once the hand rests. */
export function Offers({
  plan,
  wish,
  take,
  today,
}: {
  plan: Plan;
  wish: Extract<Wish, { for: "cupboard" | "room" }>;
  take: (plan: Plan) => void;
  today: Day;
}) {
  const asked = useAsked<"what-if">({ ask: "what-if", plan, wish });
  if (asked.state === "failed") return <Waiting of={asked} />;
  if (asked.state !== "answered" || asked.answer.offers.length === 0) return null;
  const { offers } = asked.answer;
  return (
    <div className="pt-2" data-testid="offers">
      <p className="font-semibold">
        {wish.for === "room" ? "To let it work in the cupboard, one of:" : "For the cupboard, one of:"}
      </p>
      <OfferList offers={offers.slice(0, 4)} plan={plan} take={take} today={today} />
    </div>
  );
}
