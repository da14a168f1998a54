"use client";
import type { Catalogue } from "@/core/material/catalogue";
import type { LeftOut as Left } from "@/core/plan/carried";
import { lineOf, withAdded, withLine } from "@/core/plan/edit";
import type { Line, Plan, Step } from "@/core/plan/plan";
import { sayLine } from "@/core/reading/said";
import { stepSentence } from "../plan/step-words";
import type { BenchActions } from "./use-bench";

/** The line as it was said, put in the place of what the way wrote instead, or after the last of what goes in at the start. */
function putBack(plan: Plan, line: Line): Plan {
  const there = lineOf(plan, line.id);
  if (there) return withLine(plan, line.id, () => line);
  const { id: _, ...said } = line;
  return withAdded(plan, said);
}

const stepSaid = (s: Step): string => [s.do === "add" ? "" : stepSentence(s), s.words ?? ""].join(" ").trim();

/** What was said and has no place in the way chosen: struck out before the maker, each to be had again by a touch. */
export function LeftOut({
  left,
  plan,
  catalogue,
  actions,
}: {
  left: Left | undefined;
  plan: Plan;
  catalogue: Catalogue;
  actions: BenchActions;
}) {
  if (!left || left.lines.length + left.steps.length === 0) return null;
  const said = (l: Line): string => {
    const material = catalogue.get(l.material);
    return material ? sayLine({ ...l, material }) : `${l.amount} ${l.called ?? l.material}`;
  };
  return (
    <div role="status" className="py-1" aria-label="Not in this way">
      <p className="quiet">What you had said, and this way does otherwise:</p>
      <ul>
        {left.lines.map((l) => (
          <li key={l.id}>
            <s>{said(l)}</s>{" "}
            <button
              type="button"
              className="plain min-h-11"
              aria-label={`${said(l)}: put it in all the same`}
              onClick={() => actions.edit((p) => putBack(p, l))}
            >
              {lineOf(plan, l.id) ? "as I said it" : "put it in all the same"}
            </button>
          </li>
        ))}
        {left.steps.map((s) => (
          <li key={s.id}>
            <s>{stepSaid(s)}</s>
          </li>
        ))}
      </ul>
      <button type="button" className="plain min-h-11" onClick={actions.undo}>
        go back to how it was
      </button>
    </div>
  );
}
