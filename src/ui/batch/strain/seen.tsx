"use client";
import { useState } from "react";
import type { Seen } from "@/core/journal/events";
import { type Stays, WRINGING, type Wringing } from "@/core/plan/plan";
import { WRINGING_WORDS } from "../../plan/step-words";

const POUR: Readonly<Record<Wringing, string>> = {
  drained: "Pour, and leave it to drip.",
  wrung: "Pour, gather the cloth, and wring it out.",
  pressed: "Pour, then press the marc.",
};

const SEEN_WORDS: Readonly<Record<Seen, string>> = {
  "herb-above": "Herb stood above the liquid",
  "herb-above-sound": "and I looked it over: no mould, no wrong smell",
  unmixed: "The layers were never stirred through",
};

/** What is seen on opening the jar: it decides how long the bottle is good for. */
export function WhatWasSeen({
  seen,
  change,
}: {
  seen: readonly Seen[];
  change: (to: readonly Seen[]) => void;
}) {
  const above = seen.includes("herb-above") || seen.includes("herb-above-sound");
  const put = (one: Seen, on: boolean): void =>
    change(on ? [...seen, one] : seen.filter((x) => x !== one && (one !== "herb-above" || x === "unmixed")));
  const shown: readonly Seen[] = above
    ? ["herb-above", "herb-above-sound", "unmixed"]
    : ["herb-above", "unmixed"];
  return (
    <fieldset className="py-3">
      <legend className="ruled-head w-full">What do you see on opening it?</legend>
      {shown.map((one) => (
        <label
          key={one}
          className={`flex items-center gap-3 min-h-12 cursor-pointer ${one === "herb-above-sound" ? "pl-9" : ""}`}
        >
          <input
            type="checkbox"
            className="w-6 h-6 accent-cobalt shrink-0"
            checked={seen.includes(one)}
            onChange={(e) => put(one, e.target.checked)}
          />
          {SEEN_WORDS[one]}
        </label>
      ))}
    </fieldset>
  );
}

/** What stands ready before the cloth, ticked for oneself. */
export function GetReady({ how }: { how: Wringing }) {
  const [checked, setChecked] = useState<readonly number[]>([]);
  const ready = [
    "Line the sieve with a damp cloth over a measuring jug.",
    POUR[how],
    "Read the jug at eye level, once the froth is down.",
  ];
  return (
    <ol className="py-2">
      {ready.map((words, i) => (
        <li key={words} className="border-b border-rule">
          <label className="flex items-center gap-4 min-h-14 cursor-pointer">
            <input
              type="checkbox"
              className="w-7 h-7 accent-cobalt shrink-0"
              checked={checked.includes(i)}
              onChange={() => setChecked((c) => (c.includes(i) ? c.filter((x) => x !== i) : [...c, i]))}
            />
            <span>{words}</span>
          </label>
        </li>
      ))}
    </ol>
  );
}

export function HowStrained({ how, change }: { how: Wringing; change: (to: Wringing) => void }) {
  return (
    <fieldset className="py-3">
      <legend className="ruled-head w-full">How is it strained?</legend>
      <div className="flex flex-wrap gap-x-8 pt-2">
        {WRINGING.map((w) => (
          <label key={w} className="flex items-center gap-3 min-h-12 cursor-pointer">
            <input
              type="radio"
              name="how"
              className="w-6 h-6 accent-cobalt"
              checked={how === w}
              onChange={() => change(w)}
            />
            {WRINGING_WORDS[w]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** What becomes of the plants, in the order it is mostly so. */
const BECOMES: readonly (readonly [Stays | "", string])[] = [
  ["", "they come out"],
  ["some", "some stay in"],
  ["all", "all stay in, and are eaten with it"],
];

/** An end without a cloth: fruit that stays in its honey, a sprig in its vinegar. */
export function WhatStays({
  stays,
  change,
}: {
  stays: Stays | undefined;
  change: (to: Stays | undefined) => void;
}) {
  return (
    <fieldset className="py-3">
      <legend className="ruled-head w-full">What becomes of the plants?</legend>
      <div className="flex flex-wrap gap-x-8 pt-2">
        {BECOMES.map(([of, words]) => (
          <label key={words} className="flex items-center gap-3 min-h-12 cursor-pointer">
            <input
              type="radio"
              name="stays"
              className="w-6 h-6 accent-cobalt"
              checked={(stays ?? "") === of}
              onChange={() => change(of === "" ? undefined : of)}
            />
            {words}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
