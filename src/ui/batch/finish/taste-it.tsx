"use client";
import { useState } from "react";
import { type Answer, TOO, type Too, answersTo } from "@/core/advice/taste-answers";
import type { Batch } from "@/core/journal/fold";
import { useUnits } from "../../kit/units";
import { verdictHead } from "../../plan/verdict-words";
import type { Finishing } from "./use-finishing";

function lowered(s: string): string {
  return `${s[0]!.toLowerCase()}${s.slice(1)}`;
}

/** Taste it: what may be done where it is too sharp, too sweet or too hot, each reckoned before it is offered. */
export function TasteIt({ f, batch }: { f: Finishing; batch: Batch }) {
  const units = useUnits();
  const [told, tell] = useState<{ readonly too: Too; readonly answers: readonly Answer[] }>();
  const doIt = (a: Answer): void => {
    f.put(a.lines.map((l) => (l.id.startsWith("taste") ? { ...l, id: crypto.randomUUID().slice(0, 8) } : l)));
    tell(undefined);
  };
  const words = (a: Answer): string =>
    `${units.volumeBoth(Math.abs(a.moreMl))} ${a.moreMl < 0 ? "less" : "more"} ${a.name}`;
  return (
    <section aria-label="Taste it">
      <h2 className="ruled-head">Taste it, mixed</h2>
      <p role="group" aria-label="It is too" className="flex flex-wrap gap-x-2 items-center text-[1.0625rem]">
        <span className="quiet">too</span>
        {TOO.map((too) => (
          <button
            key={too}
            type="button"
            aria-label={`Too ${too}`}
            aria-pressed={told?.too === too}
            className={`min-h-11 px-2 ${told?.too === too ? "bg-glaze font-semibold" : "plain"}`}
            onClick={() =>
              tell(told?.too === too ? undefined : { too, answers: answersTo(too, batch, f.lines) })
            }
          >
            {too}
          </button>
        ))}
      </p>
      <div role="status">
        {told && told.answers.length === 0 && (
          <p>
            Nothing that goes in here makes it less {told.too} without spoiling it. Leave it, or serve it with
            water.
          </p>
        )}
        {told && told.answers.length > 0 && (
          <>
            <p className="quiet">The smallest changes that would be tasted, by kitchen judgement.</p>
            <ul>
              {told.answers.map((a) => {
                const head = verdictHead(a.after.verdict);
                return (
                  <li key={a.id} className="py-1">
                    <button type="button" className="plain min-h-11 text-left" onClick={() => doIt(a)}>
                      {words(a)}
                    </button>{" "}
                    <span className={a.keeps ? "quiet" : "wrong"}>
                      {a.keeps ? "keeps as it does" : `would shorten it: ${lowered(head.place)} ${head.life}`}
                    </span>
                  </li>
                );
              })}
            </ul>
          </>
        )}
      </div>
    </section>
  );
}
