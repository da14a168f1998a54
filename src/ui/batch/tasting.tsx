"use client";
import { useToday } from "../kit/when";
import { useState } from "react";
import { printDay } from "@/core/day";
import type { Body } from "@/core/journal/events";
import type { Batch } from "@/core/journal/fold";
import { TASTES, entryWords } from "./entry-words";
import { FiveSpoons, type Tastes } from "./spoons";
import { When } from "../kit/when";
import { Refusal } from "./refusal";
import { useWrite } from "./write";

type Said = Partial<Body<"tasted">>;

const tastesOf = (said: Said): Tastes =>
  Object.fromEntries(TASTES.flatMap((t) => (said[t] === undefined ? [] : [[t, said[t]]])));
const without = (said: Said, keys: readonly string[]): Said =>
  Object.fromEntries(Object.entries(said).filter(([k]) => !keys.includes(k)));

/** One of a few, pressed and let go again. */
function Press({ on, words, press }: { on: boolean; words: string; press: () => void }) {
  const look = on ? "bg-cobalt text-on-cobalt font-semibold" : "";
  return (
    <button type="button" aria-pressed={on} className={`min-h-11 min-w-11 px-2 ${look}`} onClick={press}>
      <span className={on ? "" : "stitch"}>{words}</span>
    </button>
  );
}

/** What was tasted before, by its days. */
function Tasted({ batch }: { batch: Batch }) {
  const today = useToday();
  if (batch.stove.tastings.length === 0) return null;
  const words = (t: (typeof batch.stove.tastings)[number]): string =>
    entryWords({ type: "tasted", body: t, seq: t.seq, at: t.at, day: t.day }).replace(/^Tasted: /, "");
  return (
    <ul>
      {batch.stove.tastings.map((t) => (
        <li key={t.seq} className="py-1.5 border-b border-rule">
          <span className="text-ash">{printDay(t.day, "short", today)}</span> {words(t)}
        </li>
      ))}
    </ul>
  );
}

const READY = [
  [true, "yes"],
  [false, "not yet"],
] as const;

function StrainItNow({ said, say }: { said: Said; say: (to: Said) => void }) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-2">
      <legend className="quiet">strain it now?</legend>
      {READY.map(([ready, how]) => (
        <Press
          key={how}
          on={said.ready === ready}
          words={how}
          press={() => {
            const { ready: was, ...rest } = said;
            say(was === ready ? rest : { ...said, ready });
          }}
        />
      ))}
    </fieldset>
  );
}

/** How it tastes: five spoons, in words, and whether to strain it now. */
export function Tasting({ batch }: { batch: Batch }) {
  const { write, insist, sending, fault, when } = useWrite(batch.id, batch.seq);
  const [said, say] = useState<Said>({});
  const [words, setWords] = useState("");
  const nothing = Object.keys(said).length === 0 && words.trim() === "";
  const send = async (): Promise<void> => {
    const text = words.trim();
    if (!(await write("tasted", { ...said, ...(text ? { words: text } : {}) }))) return;
    say({});
    setWords("");
  };
  return (
    <section aria-label="Tasting">
      <h2 className="ruled-head pt-4">How it tastes</h2>
      <Tasted batch={batch} />
      <details>
        <summary className="plain inline-block min-h-11 pt-2">write down how it tastes</summary>
        <form
          id="taste"
          className="py-2 grid gap-1"
          onSubmit={(e) => {
            e.preventDefault();
            void send();
          }}
        >
          <FiveSpoons
            said={tastesOf(said)}
            before={batch.stove.tastings.at(-1)}
            say={(to) => say({ ...without(said, TASTES), ...to })}
          />
          <p className="quiet">
            Fill each as far as the taste is strong; the same touch again takes it back.
            {batch.stove.tastings.length > 0 ? " Dashed, as it tasted the time before." : ""}
          </p>
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
          {batch.state === "working" && <StrainItNow said={said} say={say} />}
          <p>
            <button type="submit" className="slab" disabled={sending || nothing}>
              Write down the taste
            </button>{" "}
            <When w={when} />
          </p>
          {fault && <Refusal fault={fault} insist={insist} sending={sending} />}
        </form>
      </details>
    </section>
  );
}
