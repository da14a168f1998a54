"use client";
import { useState } from "react";
import type { Told } from "@/core/season/told";
import { type SeasonInHand, seasonWorker } from "./use-season";
import { nameOf, unmetWords } from "./words";

/** Wishes the plan leaves short, why, and which one to drop where dropping one would meet the rest. */
export function Short({ told, season }: { told: Told; season: SeasonInHand }) {
  const { unmet, hand } = season;
  const [drop, setDrop] = useState<{ of: unknown; id: string | undefined } | undefined>();
  const [looking, setLooking] = useState(false);
  if (unmet.length === 0) return null;
  const crowded = unmet.some((u) => u.reason === "too-much");
  const known = drop?.of === hand.starts;
  const look = (): void => {
    setLooking(true);
    const { starts } = hand;
    seasonWorker()
      .toDrop(told, hand.whatIf, starts)
      .then((id) => setDrop({ of: starts, id }))
      .catch(() => undefined)
      .finally(() => setLooking(false));
  };
  return (
    <section aria-labelledby="season-short" className="pt-2">
      <h2 id="season-short" className="ruled-head text-rust">
        Not met
      </h2>
      <ul>
        {unmet.map((u) => (
          <li key={u.remedy} className="py-1">
            {unmetWords(told, u)}
          </li>
        ))}
      </ul>
      {crowded && !known && (
        <button type="button" className="plain min-h-11" disabled={looking} onClick={look}>
          {looking ? "looking…" : "which one would make room for the rest?"}
        </button>
      )}
      {known && (
        <p role="status" className="py-1">
          {drop.id
            ? `Without ${nameOf(told, drop.id)} there is room for the others.`
            : "No single one would: it wants more vessels, room or hours."}
        </p>
      )}
    </section>
  );
}
