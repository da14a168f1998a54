"use client";
import { Told } from "../kit/told";
import { memo } from "react";
import { unanswered } from "@/core/cautions/rules";
import { MOST_ALIKE } from "@/core/journal/events";
import type { Fault } from "@/core/fault";
import { When, type WhenSaid } from "../kit/when";
import type { Made } from "./made";
import type { Bench } from "./state";

export interface Sending {
  readonly sending: boolean;
  readonly refused: Fault | undefined;
  /** The day it was begun, where that may be another. */
  readonly when?: WhenSaid;
}

/** Why a batch cannot be begun yet, in words that say what would be right; nothing where it can. */
export function whyNotBegin(made: Made, bench: Bench, sending: boolean): string | undefined {
  if (sending) return "";
  if (made.faults.length > 0) return "Correct what is marked, then begin.";
  const never = made.grave.find((c) => c.severity === "never");
  if (never) return `${never.says} ${never.todo}`;
  const fit = made.now?.reckoning.fit;
  if (fit && fit.overBrimMl > 0) return "It does not fit the vessel. Take less, or a larger one.";
  if (!made.now?.program.lines.some((l) => l.stuff.plant)) return "Add a herb to begin.";
  const [stop] = unanswered(made.grave, bench.reasons);
  return stop ? `${stop.says} Change the plan, or give a reason where it says so.` : undefined;
}

/** What the button says, at rest and while it writes. */
export const BEGIN = { rest: "Begin this batch", busy: "Beginning…" } as const;
export const PUT_RIGHT = { rest: "Put the plan right", busy: "Writing…" } as const;

/** What stands in the way of beginning, and what else may be done with the plan. The bar that begins it stays in sight at the foot. */
export const Begin = memo(function Begin({
  why,
  sending,
  openWays,
  keep,
  jars,
}: {
  why: string | undefined;
  sending: Sending;
  openWays: () => void;
  /** What keeps the plan in the book. */
  keep?: React.ReactNode;
  /** How many are filled alike, where there may be several. */
  jars?: { readonly count: number; readonly set: (n: number) => void } | undefined;
}) {
  const { refused } = sending;
  return (
    <>
      <div className="pt-3 flex flex-wrap items-center justify-center gap-x-5 gap-y-1">
        <button type="button" className="plain min-h-11" onClick={openWays}>
          compare ways
        </button>
        {jars && (
          <span>
            <label htmlFor="jars-alike" className="sr-only">
              How many jars are filled alike
            </label>
            <select
              id="jars-alike"
              className="stitch font-normal min-h-11"
              value={jars.count}
              onChange={(e) => jars.set(Number(e.target.value))}
            >
              {Array.from({ length: MOST_ALIKE }, (_, i) => i + 1).map((n) => (
                <option key={n} value={n}>
                  {n === 1 ? "in one jar" : `in ${n} jars alike`}
                </option>
              ))}
            </select>
          </span>
        )}
        {keep}
        {sending.when && <When w={sending.when} />}
      </div>
      <p
        id="begin-says"
        className={`text-center min-h-6 ${refused ? "wrong pt-2" : "quiet pt-2"}`}
        role={refused ? "alert" : "status"}
        data-testid="begin-says"
      >
        <Told of={refused ? refused.message : (why ?? "")} />
      </p>
    </>
  );
});
