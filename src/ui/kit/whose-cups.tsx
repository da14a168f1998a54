"use client";
import { Told } from "./told";
import { useRouter } from "./router";
import { useState } from "react";
import type { SettingsSaid } from "@/contract/writes";
import { useIntent } from "./intent";
import { toHouse } from "./writes";

/** How a kitchen measures, as its country usually does; each may be put right on the household's page. */
const KITCHENS: readonly (readonly [string, SettingsSaid])[] = [
  ["US cups, °F and inches", { units: "us", degrees: "F", lengths: "in", currency: "$" }],
  ["mL and grams, °C", { units: "metric", degrees: "C", lengths: "cm", currency: "€" }],
  ["imperial pints, °C", { units: "imperial", degrees: "C", lengths: "cm", currency: "£" }],
];

/** Asked once, where an amount is first typed: whose cups these are. It can be answered later, and nothing waits for it. */
export function WhoseCups({ asked }: { asked: boolean }) {
  const router = useRouter();
  const { send, sending, fault } = useIntent();
  const [later, setLater] = useState(false);
  if (!asked || later) return null;
  const say = async (s: SettingsSaid): Promise<void> => {
    const sent = await send(toHouse(s));
    if (sent?.ok) router.refresh();
  };
  return (
    <div
      role="group"
      aria-label="How this kitchen measures"
      className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1"
    >
      <span className="font-bold">How does this kitchen measure?</span>
      {KITCHENS.map(([words, s]) => (
        <button
          key={words}
          type="button"
          className="min-h-11 text-cobalt font-bold"
          disabled={sending}
          onClick={() => void say(s)}
        >
          <span className="stitch">{words}</span>
        </button>
      ))}
      <button type="button" className="plain min-h-11" onClick={() => setLater(true)}>
        later
      </button>
      {fault && (
        <span role="alert" className="wrong">
          <Told of={fault.message} />
        </span>
      )}
    </div>
  );
}
