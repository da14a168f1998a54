"use client";
import type { Seen } from "@/core/journal/events";
import type { Stays } from "@/core/plan/plan";
import { Told } from "../../kit/told";
import { useUnits } from "../../kit/units";
import { WRINGING_WORDS } from "../../plan/step-words";
import { verdictHead } from "../../plan/verdict-words";
import type { Straining } from "./use-straining";

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

/** How the cloth is emptied, with the least each is likely to give. */
export function HowStrained({ s }: { s: Straining }) {
  const units = useUnits();
  return (
    <fieldset className="py-3">
      <legend className="ruled-head w-full">How is the cloth emptied?</legend>
      {s.gives.map(([w, least]) => (
        <label
          key={w}
          className="flex flex-wrap items-center gap-x-3 min-h-12 cursor-pointer border-b border-rule"
        >
          <input
            type="radio"
            name="how"
            className="w-6 h-6 accent-cobalt"
            checked={s.how === w}
            onChange={() => s.put({ how: w })}
          />
          <span className="grow">{WRINGING_WORDS[w]}</span>
          {least !== undefined && <span className="quiet">at least {units.volumeExact(least)}</span>}
        </label>
      ))}
    </fieldset>
  );
}

/** Nothing is measured where all of it stays in: what that comes to is said. */
export function AllStays({ s }: { s: Straining }) {
  const head = s.got && verdictHead(s.got.reckoning.verdict);
  return (
    <div className="pt-2">
      {head && (
        <p aria-live="polite">
          Kept so: <strong>{head.place}</strong> {head.life} Keep what swims under, and take from it with a
          clean dry spoon.
        </p>
      )}
      {s.wrong && (
        <p role="alert" className="wrong">
          <Told of={s.wrong.message} />
        </p>
      )}
    </div>
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
