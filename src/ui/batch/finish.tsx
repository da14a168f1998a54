"use client";
import Link from "next/link";
import { useMemo } from "react";
import { X } from "lucide-react";
import type { Fault } from "@/core/fault";
import { asDone } from "@/core/journal/as-done";
import type { Batch } from "@/core/journal/fold";
import { reckonBatch } from "@/core/journal/reckon";
import type { Catalogue } from "@/core/material/catalogue";
import type { Company } from "@/core/people/company";
import type { Line } from "@/core/plan/plan";
import { contextIn } from "@/core/reading/said";
import { materialsOf } from "@/core/reckoning/context";
import type { ReckonedLine, Reckoning } from "@/core/reckoning/reckon";
import { AddLine } from "../plan/add-line";
import { KeepingChart } from "../figures/keeping-chart";
import { useDraft } from "../kit/draft";
import { Wrong } from "../kit/field";
import { useUnits } from "../kit/units";
import { verdictHead, verdictWhy } from "../plan/verdict-words";
import { StageCautions } from "../plan/cautions";
import { Refusal } from "./refusal";
import { useStops } from "./stops";
import { useWrite } from "./write";

/** A line of what goes in after the straining, its amount open to change. */
function OneLine({
  line,
  name,
  found,
  wrong,
  change,
  remove,
}: {
  line: Line;
  name: string;
  found: ReckonedLine | undefined;
  wrong: Fault | undefined;
  change: (amount: string) => void;
  remove: () => void;
}) {
  const units = useUnits();
  const id = `finish-${line.id}-wrong`;
  return (
    <li className="border-b border-rule py-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="grow">{name}</span>
        <input
          aria-label={`${name}: amount`}
          className="stitch text-right w-40 min-h-11"
          value={line.amount}
          maxLength={200}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong ? id : undefined}
          onChange={(e) => change(e.target.value)}
        />
        <span className="w-56 text-right font-bold">
          {found ? `${units.volume(found.ml.value)}, ${units.massExact(found.grams.value)}` : ""}
        </span>
        <button
          type="button"
          aria-label={`Take out ${name}`}
          className="min-w-11 min-h-11 inline-grid place-items-center text-ash hover:text-rust"
          onClick={remove}
        >
          <X size={20} />
        </button>
      </div>
      {wrong && <Wrong id={id} fault={wrong} put={change} />}
    </li>
  );
}

/** What it makes, and what that keeps; it follows every keystroke. */
function Makes({ reckoning }: { reckoning: Reckoning }) {
  const units = useUnits();
  const { finished, strained, verdict } = reckoning;
  const head = verdictHead(verdict);
  return (
    <aside aria-live="polite">
      <h2 className="ruled-head">What it makes</h2>
      <p className="text-[2.25rem] font-bold pt-2 leading-tight">{units.volumeExact(finished.ml.value)}</p>
      <p className="text-[1.25rem] font-bold pt-2">
        {head.place} {head.life}
      </p>
      <ul className="py-2">
        {verdictWhy(verdict, reckoning).map((x) => (
          <li key={x}>{x}</li>
        ))}
      </ul>
      <KeepingChart strained={strained} finished={finished} words={`${head.place} ${head.life}`} />
    </aside>
  );
}

/** What the plan foresaw after the straining. */
function foreseen(batch: Batch): readonly Line[] {
  const cut = batch.plan.steps.findIndex((s) => s.do === "strain");
  return batch.plan.steps.flatMap((s, i): Line[] => (s.do === "add" && i > cut ? s.what : []));
}

const NONE: ReadonlyMap<string, Fault> = new Map();

/** Faults of the lines that go in here, by line; faults carry places in the plan as it is made. */
function faultsByLine(
  batch: Batch,
  lines: readonly Line[],
  faults: readonly Fault[],
): ReadonlyMap<string, Fault> {
  const { steps } = asDone(batch.begunPlan, { ...batch.making, finished: lines }).plan;
  const at = (f: Fault): Line | undefined => {
    const s = steps[Number(f.path[1])];
    return f.path[0] === "steps" && s?.do === "add" ? s.what[Number(f.path[3])] : undefined;
  };
  return new Map(faults.flatMap((f) => (at(f) ? [[at(f)!.id, f] as const] : [])));
}

/** Into a measured liquid nothing goes by shares of a jar: a quarter of the liquid, until it is said. */
const intoLiquid = (amount: string): string => (/part|jar/.test(amount) ? "0.25 of liquid" : amount);

const nameIn = (catalogue: Catalogue, id: string): string => catalogue.get(id)?.row.names[0] ?? id;

/** After the first straining, what goes into the measured liquid; the verdict follows every keystroke. */
export function Finish({
  batch,
  company,
  right,
}: {
  batch: Batch;
  company: Company;
  /** The entry that is put right, where it is said again. */
  right?: number | undefined;
}) {
  const units = useUnits();
  const { write, putRight, insist, sending, fault, router } = useWrite(batch.id, batch.seq);
  const planned = useMemo(() => foreseen(batch), [batch]);
  const draft = useDraft<readonly Line[]>(
    `jolly-finish-${batch.id}${right ? `-${right}` : ""}`,
    planned,
    (k) =>
      // A line kept before lines had ids is named by its place.
      Array.isArray(k) ? (k as Line[]).map((l, i) => ({ ...l, id: l.id ?? `kept${i}` })) : undefined,
  );
  const lines = draft.value;
  const catalogue = useMemo(() => materialsOf(batch.plan, {}), [batch.plan]);
  const context = useMemo(() => contextIn(batch.plan.units, { catalogue }), [batch.plan.units, catalogue]);
  const r = useMemo(
    () => reckonBatch(batch, { ...batch.making, finished: lines }, company),
    [batch, lines, company],
  );
  const grave = r.ok ? r.value.cautions.filter((c) => c.severity !== "note") : undefined;
  const stops = useStops(batch, "bottle", grave);
  const wrong = useMemo(() => (r.ok ? NONE : faultsByLine(batch, lines, r.faults)), [batch, lines, r]);
  const change = (id: string) => (amount: string) =>
    draft.set((was) => was.map((l) => (l.id === id ? { ...l, amount } : l)));
  const go = (page: string) => (): void => {
    draft.clear();
    router.push(`/batch/${batch.id}${page}`);
    router.refresh();
  };
  const send = (): void => {
    const body = { lines, ...stops.body };
    void (right ? putRight(right, body, "", go("")) : write("finished", body, go("/bottle")));
  };
  const elsewhere = r.ok ? undefined : r.faults.find((f) => ![...wrong.values()].includes(f));
  return (
    <div className="grid gap-10 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="text-[1.25rem]">
        <p className="py-3">
          You have <strong>{batch.measured}</strong>
          {r.ok && batch.measured !== units.volumeExact(r.value.reckoning.strained.ml.value) ? (
            <> ({units.volumeExact(r.value.reckoning.strained.ml.value)})</>
          ) : null}{" "}
          in the jug. What goes into it?
        </p>
        <ul aria-label="What goes into the strained liquid" className="border-t-2 border-iron">
          {lines.map((l) => (
            <OneLine
              key={l.id}
              line={l}
              name={nameIn(catalogue, l.material)}
              found={r.ok ? r.value.reckoning.lines.find((x) => x.id === l.id) : undefined}
              wrong={wrong.get(l.id)}
              change={change(l.id)}
              remove={() => draft.set((was) => was.filter((x) => x.id !== l.id))}
            />
          ))}
        </ul>
        <AddLine
          context={context}
          example="2 tbsp lemon juice"
          add={(added) =>
            draft.set((was) => [
              ...was,
              ...added.map((l) => ({
                ...l,
                id: crypto.randomUUID().slice(0, 8),
                amount: intoLiquid(l.amount),
              })),
            ])
          }
        />
        {elsewhere && <Wrong fault={elsewhere} />}
        <div className="text-base">
          <StageCautions
            cautions={stops.cautions}
            reasons={stops.reasons}
            given={batch.reasons}
            giveReason={stops.giveReason}
          />
        </div>
        {fault && <Refusal fault={fault} insist={insist} sending={sending} />}
        <div className="pt-5 flex flex-wrap gap-6 items-center">
          <button
            type="button"
            className="slab text-[1.25rem] min-h-14"
            disabled={!r.ok || sending || stops.stopped}
            onClick={send}
          >
            {right ? "Put it right" : finishWords(sending, lines.length)}
          </button>
          <Link href={`/batch/${batch.id}`}>come back to this later</Link>
        </div>
      </div>
      {r.ok && <Makes reckoning={r.value.reckoning} />}
    </div>
  );
}

function finishWords(sending: boolean, lines: number): string {
  if (sending) return "Writing…";
  return lines > 0 ? "Mixed through" : "Nothing more goes in";
}
