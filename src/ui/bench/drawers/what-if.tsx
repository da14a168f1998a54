"use client";
import { Told } from "../../kit/told";
import { useState } from "react";
import { type Day, addDays, isDay } from "@/core/day";
import type { Plan } from "@/core/plan/plan";
import type { Wish } from "@/core/advice/wishes";
import type { LotOnHand } from "@/core/stores/stores";
import { Waiting, useAsked } from "../asked";
import { OfferList } from "../offers";

const WISHES = [
  ["cupboard", "Keep it in the cupboard"],
  ["no-alcohol", "No alcohol"],
  ["less-sweet", "Less sweet"],
  ["ready-by", "Ready by a day"],
  ["only-what-i-have", "Only what I have"],
] as const;
type WishName = (typeof WISHES)[number][0];

function wishFor(name: WishName, today: Day, by: Day, lots: readonly LotOnHand[]): Wish {
  switch (name) {
    case "ready-by":
      return { for: name, today, by };
    case "only-what-i-have":
      return { for: name, lots };
    case "cupboard":
    case "no-alcohol":
    case "less-sweet":
      return { for: name };
  }
}

/** A wish, and the smallest changes that grant it; each is shown with what it leads to before it is taken. */
export function WhatIfDrawer({
  plan,
  lots,
  today,
  take,
}: {
  plan: Plan;
  lots: readonly LotOnHand[];
  today: Day;
  take: (plan: Plan) => void;
}) {
  const [wish, setWish] = useState<WishName | undefined>();
  const [by, setBy] = useState(addDays(today, 18));
  const wrong = wish === "ready-by" && (!isDay(by) || by <= today) ? "Choose a day after today." : undefined;
  const asked = useAsked<"what-if">(
    wish && !wrong ? { ask: "what-if", plan, wish: wishFor(wish, today, by, lots) } : undefined,
  );
  return (
    <div>
      <div role="group" aria-label="What if" className="flex flex-wrap gap-x-6 gap-y-1">
        {WISHES.map(([name, words]) => (
          <button
            key={name}
            type="button"
            aria-pressed={wish === name}
            className={`min-h-11 px-1 ${wish === name ? "font-bold text-cobalt border-b-4 border-cobalt" : "plain"}`}
            onClick={() => setWish(wish === name ? undefined : name)}
          >
            {words}
          </button>
        ))}
      </div>
      {wish === "ready-by" && (
        <p className="pt-2">
          <label htmlFor="by" className="quiet pr-3">
            by
          </label>
          <input
            id="by"
            type="date"
            className="field"
            value={by}
            min={addDays(today, 1)}
            aria-invalid={wrong !== undefined}
            aria-describedby={wrong ? "by-wrong" : undefined}
            onChange={(e) => setBy(e.target.value)}
          />
          {wrong && (
            <span id="by-wrong" role="alert" className="wrong pl-3">
              {wrong}
            </span>
          )}
        </p>
      )}
      <div className="pt-2 min-h-24" aria-live="polite" data-testid="granted">
        {!wish && (
          <p className="quiet">
            Wish something of the plan, and the smallest changes that grant it are found. Nothing is changed
            until you take one.
          </p>
        )}
        <Waiting of={asked} />
        {asked.state === "answered" && (
          <>
            {asked.answer.says && (
              <p>
                <Told of={asked.answer.says} />
              </p>
            )}
            <OfferList offers={asked.answer.offers} plan={plan} take={take} today={today} />
          </>
        )}
      </div>
    </div>
  );
}
