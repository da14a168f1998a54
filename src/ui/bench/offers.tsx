"use client";
import { useEffect, useRef, useState } from "react";
import type { KeepingGoal } from "@/core/remedy/changes";
import type { Plan } from "@/core/remedy/plan";

interface Offer {
  readonly id: string;
  readonly words: string;
  readonly plan: Plan;
  readonly place: string;
  readonly life: string;
}

/** The smallest single changes that would bring the plan to a goal, found in a worker once the hand rests, each shown before it is taken. */
export function Offers({ plan, goal, take }: { plan: Plan; goal: KeepingGoal; take: (plan: Plan) => void }) {
  const [found, setFound] = useState<{ for: string; offers: readonly Offer[] } | undefined>();
  const worker = useRef<Worker | undefined>(undefined);
  const n = useRef(0);
  const text = JSON.stringify([plan.steps, plan.vessel, goal]);
  useEffect(() => () => worker.current?.terminate(), []);
  useEffect(() => {
    const soon = setTimeout(() => {
      worker.current ??= new Worker(new URL("../../workers/changes.worker.ts", import.meta.url), { type: "module" });
      const mine = ++n.current;
      worker.current.onmessage = (e: MessageEvent<{ n: number; changes: Offer[] }>) => {
        if (e.data.n === mine) setFound({ for: text, offers: e.data.changes.slice(0, 4) });
      };
      worker.current.postMessage({ n: mine, plan, goal });
    }, 350);
    return () => clearTimeout(soon);
  }, [text]);
  const offers = found?.for === text ? found.offers : [];
  const head = goal === "room-while-working" ? "To let it work in the cupboard, one of:" : goal === "cupboard" ? "For the cupboard, one of:" : "To keep it longer, one of:";
  if (offers.length === 0) return null;
  return (
    <div className="pt-2" data-testid="offers">
      <p className="font-semibold">{head}</p>
      <ul>
        {offers.map((o) => (
          <li key={o.id} className="flex items-baseline justify-between gap-3 border-b border-rule py-1">
            <span>{o.words} <span className="text-ash">{o.place === "cupboard" ? "Cupboard" : "Fridge"}, {o.life}.</span></span>
            <button type="button" className="plain shrink-0" aria-label={`Do this: ${o.words}`} onClick={() => take({ ...o.plan, name: plan.name })}>do this</button>
          </li>
        ))}
      </ul>
    </div>
  );
}
