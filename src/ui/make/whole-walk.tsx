"use client";
import type { Batch } from "@/core/journal/fold";
import type { Walked } from "@/core/journal/walk";
import { linesOf } from "@/core/plan/edit";
import { namedMaterial } from "../batch/entry-words";
import type { Making } from "./making";
import { type Saying, moveWords } from "./move-words";
import { SaidLineField } from "./said-line";

/** All of the walk, what is done ticked; a move may be passed over, and what the plan did not have goes in here. */
export function WholeWalk({
  walked,
  saying,
  making,
  batch,
}: {
  walked: Walked;
  saying: Saying;
  making: Making;
  batch: Batch;
}) {
  const whyOf = (id: string): string | undefined => {
    const did = batch.making.lines.get(id);
    return did?.did === "left-out" ? did.why : undefined;
  };
  const leftOut = linesOf(batch.begunPlan).filter((l) => batch.making.lines.get(l.id)?.did === "left-out");
  return (
    <details className="pt-2">
      <summary className="plain min-h-11 pt-2 text-[1.125rem]">the whole walk, and what else goes in</summary>
      <ol aria-label="The whole walk" className="text-[1.125rem] max-w-3xl">
        {walked.moves.map((m) => (
          <li
            key={m.id}
            className="border-b border-rule flex items-center gap-4 min-h-11"
            aria-current={m === walked.now ? "step" : undefined}
          >
            <span
              className={`min-w-0 flex-1 ${m.state === "open" ? "" : "text-ash"} ${m === walked.now ? "font-bold" : ""}`}
            >
              {moveWords(saying, m).head}
            </span>
            <span className="text-ash text-base">{m.state === "open" ? "" : m.state}</span>
            {m.state === "open" && !["add", "strain", "finish", "bottle"].includes(m.sort) && (
              <button
                type="button"
                className="plain min-h-11 text-base"
                aria-label={`Pass over: ${moveWords(saying, m).head}`}
                disabled={making.sending}
                onClick={() => void making.write("stepped", { move: m.id, did: "passed" })}
              >
                pass over
              </button>
            )}
          </li>
        ))}
        {leftOut.map((l) => (
          <li key={l.id} className="border-b border-rule flex items-center gap-4 min-h-11 text-ash">
            <span className="min-w-0 flex-1">
              <del>
                {l.amount} {namedMaterial(l.material)}
              </del>
            </span>
            <span className="text-base">{whyOf(l.id) ? `left out: ${whyOf(l.id)}` : "left out"}</span>
          </li>
        ))}
      </ol>
      {batch.state === "working" && (
        <div className="pt-3 text-base">
          <SaidLineField
            label="something the plan did not have"
            batch={batch}
            fault={making.fault?.path[0] === "line" ? making.fault : undefined}
            sending={making.sending}
            button="it went in too"
            take={(line) => void making.write("extra", { line })}
          />
        </div>
      )}
    </details>
  );
}
