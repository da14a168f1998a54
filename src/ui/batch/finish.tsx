"use client";
import Link from "next/link";
import { useMemo } from "react";
import { X } from "lucide-react";
import { type Batch, finishedWith } from "@/core/journal/fold";
import { reckonBatch } from "@/core/journal/reckon";
import { MATERIALS } from "@/core/material/catalogue";
import type { Company } from "@/core/people/company";
import type { Line } from "@/core/remedy/plan";
import { AddLine } from "../bench/add-line";
import { KeepingChart } from "../figures/keeping-chart";
import { useDraft } from "../kit/draft";
import { useUnits } from "../kit/units";
import { verdictHead, verdictWhy } from "../bench/words";
import { StageCautions } from "../bench/cautions";
import { useStops } from "./stops";
import { useWrite } from "./write";

/** After the first straining, what goes into the measured liquid; the verdict follows every keystroke. */
export function Finish({ batch, company }: { batch: Batch; company: Company }) {
  const units = useUnits();
  const { write, sending, fault, router } = useWrite(batch.id, batch.seq);
  const cut = batch.plan.steps.findIndex((s) => s.do === "strain");
  const planned = batch.plan.steps.flatMap((s, i): Line[] => (s.do === "add" && i > cut ? s.what : []));
  const draft = useDraft<readonly Line[]>(`jolly-finish-${batch.id}`, planned, (k) => (Array.isArray(k) ? (k as Line[]) : undefined));
  const lines = draft.value;
  const planWith = useMemo(() => finishedWith(batch.plan, lines), [batch.plan, lines]);
  const r = useMemo(() => reckonBatch(batch, planWith, company), [batch, planWith, company]);
  const stops = useStops(batch, "bottle", r.ok ? r.value.cautions.filter((c) => c.severity !== "note") : undefined);
  const addStep = planWith.steps.findIndex((s, i) => s.do === "add" && i > cut);
  const at = (place: number) => (r.ok ? undefined : r.faults.find((f) => f.path[1] === addStep && f.path[3] === place));
  const head = r.ok ? verdictHead(r.value.reckoning.verdict) : undefined;
  const change = (place: number, f: (l: Line) => Line): void => draft.set((was) => was.map((l, i) => (i === place ? f(l) : l)));
  return (
    <div className="grid gap-10 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="text-[1.25rem]">
        <p className="py-3">You have <strong>{batch.measured}</strong>{r.ok && batch.measured !== units.volumeExact(r.value.reckoning.strained.ml.value) ? <> ({units.volumeExact(r.value.reckoning.strained.ml.value)})</> : null} in the jug. What goes into it?</p>
        <ul aria-label="What goes into the strained liquid" className="border-t-2 border-iron">
          {lines.map((l, place) => {
            const found = r.ok ? r.value.reckoning.lines.find((x) => x.step === addStep && x.place === place) : undefined;
            const wrong = at(place);
            const name = MATERIALS.get(l.material)?.row.names[0] ?? l.material;
            return (
              <li key={`${l.material}-${place}`} className="border-b border-rule py-3">
                <div className="flex flex-wrap items-baseline gap-x-4">
                  <span className="grow">{name}</span>
                  <input aria-label={`${name}: amount`} className="stitch text-right w-40 min-h-11" value={l.amount} maxLength={200} aria-invalid={wrong !== undefined} aria-describedby={wrong ? `finish-${place}-wrong` : undefined} onChange={(e) => change(place, (x) => ({ ...x, amount: e.target.value }))} />
                  <span className="w-56 text-right font-bold">{found ? `${units.volume(found.ml.value)} · ${units.massExact(found.grams.value)}` : ""}</span>
                  <button type="button" aria-label={`Take out ${name}`} className="min-w-11 min-h-11 inline-grid place-items-center text-ash hover:text-rust" onClick={() => draft.set((was) => was.filter((_, i) => i !== place))}><X size={20} /></button>
                </div>
                {wrong && <p id={`finish-${place}-wrong`} role="alert" className="wrong">{wrong.message} {wrong.suggestion && <button type="button" className="plain" onClick={() => change(place, (x) => ({ ...x, amount: wrong.suggestion! }))}>Use “{wrong.suggestion}”</button>}</p>}
              </li>
            );
          })}
        </ul>
        <AddLine household={batch.plan.units} example="2 tbsp lemon juice" add={(line) => draft.set((was) => [...was, { ...line, amount: /part|jar/.test(line.amount) ? "0.25 of liquid" : line.amount }])} />
        <div className="text-base"><StageCautions cautions={stops.cautions} reasons={stops.reasons} given={batch.reasons} giveReason={stops.giveReason} /></div>
        {fault && <p role="alert" className="wrong">{fault.message}</p>}
        <div className="pt-5 flex flex-wrap gap-6 items-center">
          <button type="button" className="slab text-[1.25rem] min-h-14" disabled={!r.ok || sending || stops.stopped} onClick={() => void write("finished", { lines, ...stops.body }, () => { draft.clear(); router.push(`/batch/${batch.id}/bottle`); router.refresh(); })}>{sending ? "Writing…" : lines.length > 0 ? "Mixed through" : "Nothing more goes in"}</button>
          <Link href={`/batch/${batch.id}`}>leave it for now</Link>
        </div>
      </div>
      {r.ok && head && (
        <aside aria-live="polite">
          <h2 className="ruled-head">What it makes</h2>
          <p className="text-[2.25rem] font-bold pt-2 leading-tight">{units.volumeExact(r.value.reckoning.finished.ml.value)}</p>
          <p className="text-[1.25rem] font-bold pt-2">{head.place} {head.life}</p>
          <ul className="py-2">{verdictWhy(r.value.reckoning.verdict, r.value.reckoning).map((x) => <li key={x}>{x}</li>)}</ul>
          <KeepingChart strained={r.value.reckoning.strained} finished={r.value.reckoning.finished} words={`${head.place} ${head.life}`} />
        </aside>
      )}
    </div>
  );
}
