"use client";
import { useState } from "react";
import { printDay } from "@/core/day";
import type { Body } from "@/core/journal/events";
import type { Batch } from "@/core/journal/fold";
import { HOW_STRONG, TASTES, entryWords } from "./entry-words";
import { Refusal } from "./refusal";
import { useWrite } from "./write";

type Said = Partial<Body<"tasted">>;

/** How it tastes: five tastes from none to very, in words, and whether to strain it now. */
export function Tasting({ batch }: { batch: Batch }) {
  const { write, insist, sending, fault } = useWrite(batch.id, batch.seq);
  const [said, say] = useState<Said>({});
  const [words, setWords] = useState("");
  const nothing = Object.keys(said).length === 0 && words.trim() === "";
  return (
    <section aria-label="Tasting">
      <h2 className="ruled-head pt-4">How it tastes</h2>
      {batch.stove.tastings.length > 0 && (
        <ul>
          {batch.stove.tastings.map((t) => (
            <li key={t.seq} className="py-1.5 border-b border-rule">
              <span className="text-ash">{printDay(t.day, "short")}</span>{" "}
              {entryWords({ type: "tasted", body: t, seq: t.seq, at: t.at, day: t.day }).replace(
                /^Tasted: /,
                "",
              )}
            </li>
          ))}
        </ul>
      )}
      <details>
        <summary className="plain inline-block min-h-11 pt-2">write down how it tastes</summary>
        <form
          id="taste"
          className="py-2 grid gap-1"
          onSubmit={(e) => {
            e.preventDefault();
            const text = words.trim();
            void write("tasted", { ...said, ...(text ? { words: text } : {}) }).then((ok) => {
              if (!ok) return;
              say({});
              setWords("");
            });
          }}
        >
          {TASTES.map((t) => (
            <fieldset key={t} className="flex flex-wrap items-center gap-x-1">
              <legend className="sr-only">{t}</legend>
              <span className="w-14" aria-hidden="true">
                {t}
              </span>
              {HOW_STRONG.map((how, n) => (
                <button
                  key={how}
                  type="button"
                  aria-pressed={said[t] === n}
                  aria-label={`${t}: ${how}`}
                  className={`min-h-11 min-w-11 px-2 ${said[t] === n ? "bg-cobalt text-white font-semibold" : "text-cobalt border-b border-dashed border-cobalt"}`}
                  onClick={() => {
                    const { [t]: was, ...rest } = said;
                    say(was === n ? rest : { ...said, [t]: n });
                  }}
                >
                  {how}
                </button>
              ))}
            </fieldset>
          ))}
          <label className="quiet block" htmlFor="taste-words">
            in words
          </label>
          <input
            id="taste-words"
            className="field w-full"
            value={words}
            maxLength={300}
            onChange={(e) => setWords(e.target.value)}
          />
          {batch.state === "working" && (
            <fieldset className="flex flex-wrap items-center gap-x-2">
              <legend className="quiet">strain it now?</legend>
              {(
                [
                  [true, "yes"],
                  [false, "not yet"],
                ] as const
              ).map(([ready, how]) => (
                <button
                  key={how}
                  type="button"
                  aria-pressed={said.ready === ready}
                  className={`min-h-11 px-3 ${said.ready === ready ? "bg-cobalt text-white font-semibold" : "text-cobalt border-b border-dashed border-cobalt"}`}
                  onClick={() => {
                    const { ready: was, ...rest } = said;
                    say(was === ready ? rest : { ...said, ready });
                  }}
                >
                  {how}
                </button>
              ))}
            </fieldset>
          )}
          <p>
            <button type="submit" className="slab" disabled={sending || nothing}>
              Write down the taste
            </button>
          </p>
          {fault && <Refusal fault={fault} insist={insist} sending={sending} />}
        </form>
      </details>
    </section>
  );
}
