"use client";
import { useToday } from "../kit/when";
import { useMemo, useState } from "react";
import { printDay } from "@/core/day";
import type { Batch, Entry } from "@/core/journal/fold";
import { reckonBatch } from "@/core/journal/reckon";
import { movesOf } from "@/core/make/moves";
import { linesOf } from "@/core/plan/edit";
import { useUnits } from "../kit/units";
import { type Saying, moveWords } from "../make/move-words";
import { type Telling, entryWords, namedMaterial } from "./entry-words";
import { PutRight, canPutRight } from "./put-right";

const because = (why: string | undefined): string => (why ? `, ${why}` : "");

/** Entries of an instrument, move and clock come by the dozen: a run of a kind is one line that opens. */
const RUNS: ReadonlySet<Entry["type"]> = new Set(["read", "stepped", "timed"]);
const SHORT_RUN = 4;
const RUN_WORDS: Readonly<Partial<Record<Entry["type"], string>>> = {
  read: "readings",
  stepped: "moves",
  timed: "clocks set and stopped",
};

/** Neighbours of one sort in the same day, where there are many of them. */
export function runsOf(entries: readonly Entry[]): readonly (readonly Entry[])[] {
  const runs: Entry[][] = [];
  for (const e of entries) {
    const last = runs.at(-1);
    const same = last?.[0] && RUNS.has(e.type) && last[0].type === e.type && last[0].day === e.day;
    if (same) last.push(e);
    else runs.push([e]);
  }
  return runs.flatMap((r) => (r.length > SHORT_RUN ? [r] : r.map((e) => [e])));
}

/** Whether the day alone was put right. */
const sameWords = (e: Entry): boolean => JSON.stringify(e.correctedBy?.was) === JSON.stringify(e.body);

function OneEntry({ batch, e, telling }: { batch: Batch; e: Entry; telling: Telling }) {
  const today = useToday();
  const [open, setOpen] = useState(false);
  return (
    <div className="min-w-0 break-words">
      {e.correctedBy && !(e.correctedBy.wasDay && sameWords(e)) && (
        <del className="block text-ash">{entryWords({ ...e, body: e.correctedBy.was }, telling)}</del>
      )}
      {e.correctedBy?.wasDay && (
        <span className="block text-ash">It stood at {printDay(e.correctedBy.wasDay, "long", today)}.</span>
      )}
      {e.correctedBy?.undone ? (
        <span className="text-ash">Taken back{because(e.correctedBy.why)}.</span>
      ) : (
        entryWords(e, telling)
      )}
      {e.by && <span className="text-ash"> On {e.by.name}.</span>}
      {!open && canPutRight(batch, e) && (
        <button
          type="button"
          className="plain ml-3 min-h-8"
          aria-label={`Put right: ${entryWords(e, telling)}`}
          onClick={() => setOpen(true)}
        >
          put right
        </button>
      )}
      {open && <PutRight batch={batch} entry={e} done={() => setOpen(false)} />}
    </div>
  );
}

/** The moves of a batch in a word or two, by id. */
function moveNames(batch: Batch, units: Saying["units"]): ReadonlyMap<string, string> {
  const r = batch.stove.moves.size > 0 ? reckonBatch(batch) : undefined;
  if (!r?.ok) return new Map();
  const saying = { batch, r: r.value, units, today: batch.begunDay };
  return new Map(movesOf(r.value.program).map((m) => [m.id, moveWords(saying, m).short]));
}

/** The batch's journal, newest first; a corrected entry stays, struck through, beside what replaced it. */
export function Diary({ batch }: { batch: Batch }) {
  const today = useToday();
  const units = useUnits();
  const names = useMemo(() => moveNames(batch, units), [batch, units]);
  const lines = linesOf(batch.begunPlan);
  const lineName = (id: string): string => namedMaterial(lines.find((l) => l.id === id)?.material ?? id);
  const telling: Telling = {
    lineName,
    measures: units,
    moveName: (id) => names.get(id),
    entryOf: (seq) => batch.diary.find((e) => e.seq === seq),
  };
  return (
    <ol className="pt-1">
      {runsOf(batch.diary.toReversed()).map((run) => (
        <li
          key={run[0]!.seq}
          className="py-2 border-b border-rule grid grid-cols-[4.5rem_minmax(0,1fr)] gap-x-3"
        >
          <span className="text-ash">{printDay(run[0]!.day, "short", today)}</span>
          {run.length === 1 ? (
            <OneEntry batch={batch} e={run[0]!} telling={telling} />
          ) : (
            <details className="min-w-0">
              <summary className="plain min-h-8">
                {run.length} {RUN_WORDS[run[0]!.type] ?? "entries"}
              </summary>
              {run.map((e) => (
                <OneEntry key={e.seq} batch={batch} e={e} telling={telling} />
              ))}
            </details>
          )}
        </li>
      ))}
    </ol>
  );
}
