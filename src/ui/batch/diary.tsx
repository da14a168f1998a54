"use client";
import { useState } from "react";
import { printDay } from "@/core/day";
import type { Batch, Entry } from "@/core/journal/fold";
import { TOUCH_WORDS } from "@/core/care/care";
import type { Body } from "@/core/journal/events";
import { MATERIALS } from "@/core/material/catalogue";
import { linesOf } from "@/core/plan/edit";
import type { Line } from "@/core/plan/plan";
import { capital, listed } from "@/core/words";
import { WRINGING_WORDS } from "../plan/step-words";
import { PutRight, canPutRight } from "./put-right";

const TOUCHED: Readonly<Record<string, string>> = {
  shake: "Shaken",
  turn: "Turned",
  "push-under": "Floaters pushed under",
  "let-out": "Gas let out",
  "top-up": "Looked at, and topped up",
  strain: TOUCH_WORDS.strain,
};

const named = (material: string): string =>
  MATERIALS.get(material)?.row.names[0] ?? material.replace(/^own-/, "").replace(/-/g, " ");
const saidLine = (l: Line): string => `${l.amount} ${named(l.material)}`;
const because = (why: string | undefined): string => (why ? `, ${why}` : "");

/** One entry as a sentence. */
export function entryWords(e: Entry, lineName: (id: string) => string = (id) => id): string {
  switch (e.type) {
    case "begun":
      return `Begun as ${(e.body as Body<"begun">).code}.`;
    case "added": {
      const b = e.body as Body<"added">;
      return `${capital(lineName(b.line))} is in: ${b.amount}.`;
    }
    case "left-out": {
      const b = e.body as Body<"left-out">;
      return `Left out ${lineName(b.line)}${because(b.why)}.`;
    }
    case "swapped": {
      const b = e.body as Body<"swapped">;
      return `In place of ${lineName(b.line)} went ${saidLine(b.for)}${because(b.why)}.`;
    }
    case "extra":
      return `Also went in ${saidLine((e.body as Body<"extra">).line)}.`;
    case "touched":
      return `${TOUCHED[(e.body as Body<"touched">).what]}.`;
    case "topped-up":
      return `Topped up with ${saidLine((e.body as Body<"topped-up">).line)}.`;
    case "read": {
      const b = e.body as Body<"read">;
      return `Read ${b.what}${b.value === undefined ? "" : `: ${b.value}`}${b.words ? `. ${b.words}` : ""}`;
    }
    case "noted":
      return (e.body as Body<"noted">).text;
    case "strained": {
      const b = e.body as Body<"strained">;
      return `Strained, ${WRINGING_WORDS[b.how]}: ${b.measured}.`;
    }
    case "finished": {
      const b = e.body as Body<"finished">;
      return b.lines.length === 0
        ? "Nothing more went in."
        : `Into it went ${listed(b.lines.map((l) => `${named(l.material)}, ${l.amount}`))}.`;
    }
    case "bottled": {
      const b = e.body as Body<"bottled">;
      const own = b.own ? ` The maker’s own date, ${printDay(b.own.bestBy)}` : "";
      const why = b.own?.reason ? `: ${b.own.reason}` : "";
      return `Bottled: ${b.bottles.map((x) => `${Math.round(x.ml)} mL`).join(", ")}.${own ? `${own}${why}.` : ""}`;
    }
    case "corrected": {
      const b = e.body as Body<"corrected">;
      return `Entry ${b.seq} corrected${b.why ? `: ${b.why}` : "."}`;
    }
    case "discarded":
      return `Discarded: ${(e.body as Body<"discarded">).why}`;
  }
}

/** The batch's journal, newest first; a corrected entry stays, struck through, beside what replaced it. */
export function Diary({ batch }: { batch: Batch }) {
  const [open, setOpen] = useState<number | undefined>();
  const lines = linesOf(batch.begunPlan);
  const lineName = (id: string): string => named(lines.find((l) => l.id === id)?.material ?? id);
  return (
    <ol className="pt-1">
      {batch.diary.toReversed().map((e) => (
        <li key={e.seq} className="py-2 border-b border-rule grid grid-cols-[4.5rem_minmax(0,1fr)] gap-x-3">
          <span className="text-ash">{printDay(e.day, "short")}</span>
          <div className="min-w-0 break-words">
            {e.correctedBy && (
              <del className="block text-ash">{entryWords({ ...e, body: e.correctedBy.was }, lineName)}</del>
            )}
            {e.correctedBy?.undone ? (
              <span className="text-ash">Taken back{because(e.correctedBy.why)}.</span>
            ) : (
              entryWords(e, lineName)
            )}
            {open !== e.seq && canPutRight(batch, e) && (
              <button
                type="button"
                className="plain ml-3 min-h-8"
                aria-label={`Put right: ${entryWords(e, lineName)}`}
                onClick={() => setOpen(e.seq)}
              >
                put right
              </button>
            )}
            {open === e.seq && <PutRight batch={batch} entry={e} done={() => setOpen(undefined)} />}
          </div>
        </li>
      ))}
    </ol>
  );
}
