"use client";
import { useState } from "react";
import { printDay } from "@/core/care/day";
import type { Batch, Entry } from "@/core/journal/fold";
import { TOUCH_WORDS } from "@/core/care/care";
import type { Body } from "@/core/journal/events";
import { useWrite } from "./write";

const TOUCHED: Readonly<Record<string, string>> = { shake: "Shaken", turn: "Turned", "push-under": "Floaters pushed under", "let-out": "Gas let out", "top-up": "Looked at, and topped up", strain: TOUCH_WORDS.strain };

export function entryWords(e: Entry): string {
  switch (e.type) {
    case "begun": return `Begun as ${(e.body as Body<"begun">).code}.`;
    case "touched": return `${TOUCHED[(e.body as Body<"touched">).what]}.`;
    case "topped-up": { const l = (e.body as Body<"topped-up">).line; return `Topped up with ${l.amount} ${l.material.replace(/-/g, " ")}.`; }
    case "read": { const b = e.body as Body<"read">; return `Read ${b.what}${b.value === undefined ? "" : `: ${b.value}`}${b.words ? `. ${b.words}` : ""}`; }
    case "noted": return (e.body as Body<"noted">).text;
    case "strained": return `Strained, ${(e.body as Body<"strained">).how}: ${(e.body as Body<"strained">).measured}.`;
    case "finished": { const b = e.body as Body<"finished">; return b.lines.length === 0 ? "Nothing more went in." : `Into it went ${b.lines.map((l) => `${l.material.replace(/-/g, " ")}, ${l.amount}`).join("; ")}.`; }
    case "bottled": { const b = e.body as Body<"bottled">; return `Bottled: ${b.bottles.map((x) => `${Math.round(x.ml)} mL`).join(", ")}.${b.own ? ` The maker's own date, ${b.own.bestBy}${b.own.reason ? `: ${b.own.reason}` : ""}.` : ""}`; }
    case "corrected": return `Entry ${(e.body as Body<"corrected">).seq} put right: ${(e.body as Body<"corrected">).why}`;
    case "discarded": return `Discarded: ${(e.body as Body<"discarded">).why}`;
  }
}

function PutRight({ batch, entry, done }: { batch: Batch; entry: Entry; done: () => void }) {
  const { write, sending, fault } = useWrite(batch.id, batch.seq);
  const body = entry.body as Body<"strained">;
  const [measured, setMeasured] = useState(body.measured);
  const [why, setWhy] = useState("");
  return (
    <form className="pl-4 py-2 border-l-4 border-cobalt mt-2 grid gap-2" onSubmit={(e) => { e.preventDefault(); void write("corrected", { seq: entry.seq, body: { ...body, measured }, why: why.trim() }).then((ok) => ok && done()); }}>
      <p><label className="quiet block" htmlFor={`right-${entry.seq}`}>what the jug really showed</label><input id={`right-${entry.seq}`} className="field w-48" value={measured} maxLength={60} onChange={(e) => setMeasured(e.target.value)} /></p>
      <p><label className="quiet block" htmlFor={`why-${entry.seq}`}>why it is put right</label><input id={`why-${entry.seq}`} className="field w-full" value={why} maxLength={300} onChange={(e) => setWhy(e.target.value)} /></p>
      {fault && <p role="alert" className="wrong">{fault.message}</p>}
      <p className="flex gap-4"><button type="submit" className="slab" disabled={sending || why.trim() === "" || measured.trim() === ""}>Put right</button><button type="button" className="plain" onClick={done}>leave as it is</button></p>
    </form>
  );
}

/** The batch's journal, newest first; a corrected entry stays, struck through, beside what replaced it. */
export function Diary({ batch }: { batch: Batch }) {
  const [open, setOpen] = useState<number | undefined>();
  return (
    <ol className="pt-1">
      {[...batch.diary].reverse().map((e) => (
        <li key={e.seq} className="py-2 border-b border-rule grid grid-cols-[4.5rem_minmax(0,1fr)] gap-x-3">
          <span className="text-ash">{printDay(e.day, "short")}</span>
          <div className="min-w-0 break-words">
            {e.correctedBy && <del className="block text-ash">{entryWords({ ...e, body: e.correctedBy.was })}</del>}
            {entryWords(e)}
            {e.type === "strained" && batch.state !== "discarded" && open !== e.seq && batch.state !== "bottled" && <button type="button" className="plain ml-3" onClick={() => setOpen(e.seq)}>put right</button>}
            {open === e.seq && <PutRight batch={batch} entry={e} done={() => setOpen(undefined)} />}
          </div>
        </li>
      ))}
    </ol>
  );
}
