"use client";
import Link from "next/link";
import { useMemo } from "react";
import type { Caution } from "@/core/cautions/caution";
import { cautionsAt } from "@/core/cautions/rules";
import type { Batch } from "@/core/journal/fold";
import { type BatchReckoning, reckonBatch } from "@/core/journal/reckon";
import { type Stuff, isLiquid } from "@/core/material/material";
import type { Company } from "@/core/people/company";
import type { Line } from "@/core/plan/plan";
import type { UnitSystem } from "@/core/quantity/units";
import { readAmount } from "@/core/reading/amounts";
import { printAmount } from "@/core/reading/print";
import type { ReckonedLine } from "@/core/reckoning/reckon";
import { CautionNote, Notes } from "../plan/cautions";
import { stepSentence } from "../plan/step-words";
import { useDraft } from "../kit/draft";
import { useUnits } from "../kit/units";

/** A line of the plan with what is known of it while the batch is made. */
interface Given {
  readonly line: Line;
  readonly found: ReckonedLine | undefined;
  readonly stuff: Stuff | undefined;
  readonly markCm: number | undefined;
}

/** As it was typed, and what that weighs or measures; a liquid poured to a mark says so. */
function GivenWords({ given, system }: { given: Given; system: UnitSystem }) {
  const units = useUnits();
  const { line, found, stuff, markCm } = given;
  if (!found || !stuff) return <strong>{line.material}</strong>;
  const grams = found.grams.value;
  const typed = readAmount(line.amount, system);
  const said = typed.ok && (typed.value.kind === "measure" || typed.value.kind === "count");
  const first = said ? printAmount(typed.value, system) : units.volume(found.ml.value);
  const exact = isLiquid(stuff) ? units.volumeExact(found.ml.value) : units.massExact(grams);
  const how = [stuff.form, stuff.cut].filter(Boolean).join(", ");
  return (
    <>
      <strong>{found.name}</strong>
      {how && `, ${how}`}
      {line.note && <span className="text-ash"> ({line.note})</span>}
      {line.optional && <span className="text-ash"> if you like</span>}
      {`: ${first}${first === exact ? "" : `, ${exact}`}.`}
      {markCm !== undefined && (
        <>
          {" "}
          Pour to the <strong>{units.length(markCm)}</strong> mark.
        </>
      )}
    </>
  );
}

/** One thing to do, ticked off with a thumb. */
function Tick({ done, flip, children }: { done: boolean; flip: () => void; children: React.ReactNode }) {
  return (
    <label className="flex items-start gap-4 min-h-16 py-2 cursor-pointer">
      <input type="checkbox" className="accent-cobalt w-8 h-8 shrink-0" checked={done} onChange={flip} />
      <span className={done ? "text-ash line-through" : ""}>{children}</span>
    </label>
  );
}

/** Marks of the jar, by line; a line that goes in later, or is hidden in the herb, has none. */
function marksOf({ program, reckoning }: BatchReckoning): ReadonlyMap<string, number> {
  if (program.vessel?.sort !== "jar") return new Map();
  const atOnce = program.lines.filter((l) => l.atOnce);
  return new Map(
    (reckoning.fit?.marks ?? []).flatMap((m) => {
      const l = atOnce[m.of];
      return l && !l.stuff.plant && !m.hidden ? [[l.line.id, m.cm] as const] : [];
    }),
  );
}

/** What the way on is called; it says that all is in only where it is. */
function onward(steeps: boolean, left: number): string {
  if (!steeps) return "Strain it";
  return left === 0 ? "All in: leave it to steep" : "Leave it to steep";
}

/** Make: what goes in, in the order it goes in, ticked off; cautions beside what they are about. Ticks are kept in this browser. */
export function Make({ batch, company }: { batch: Batch; company: Company }) {
  const ticks = useDraft<readonly string[]>(`jolly-make-${batch.id}`, [], (k) =>
    Array.isArray(k) ? k.map(String) : undefined,
  );
  const r = useMemo(() => reckonBatch(batch, batch.making, company), [batch, company]);
  if (!r.ok)
    return (
      <p role="alert" className="wrong">
        {r.faults[0]!.message}
      </p>
    );
  const { program, reckoning } = r.value;
  const cautions = cautionsAt("make", r.value.cautions);
  const grave = cautions.filter((c) => c.severity !== "note");
  const beside = (test: (c: Caution) => boolean): React.ReactNode => (
    <div className="text-base">
      {grave.filter(test).map((c, i) => (
        <CautionNote key={`${c.id}-${i}`} caution={c} />
      ))}
    </div>
  );
  const marks = marksOf(r.value);
  const strain = batch.plan.steps.findIndex((s) => s.do === "strain");
  const steps = strain < 0 ? batch.plan.steps : batch.plan.steps.slice(0, strain);
  const given = (line: Line): Given => ({
    line,
    found: reckoning.lines.find((x) => x.id === line.id),
    stuff: program.lines.find((x) => x.line.id === line.id)?.stuff,
    markCm: marks.get(line.id),
  });
  const flip = (id: string) => () =>
    ticks.set((t) => (t.includes(id) ? t.filter((x) => x !== id) : [...t, id]));
  const done = (id: string): boolean => ticks.value.includes(id);
  const all = steps.flatMap((s) => (s.do === "add" ? s.what.map((l) => l.id) : [s.id]));
  const left = all.filter((id) => !done(id)).length;
  return (
    <div className="max-w-3xl text-[1.25rem] leading-relaxed">
      {beside((c) => c.about.what !== "line" && c.about.what !== "step")}
      <ol aria-label="What goes in, in this order">
        {steps.flatMap((s) =>
          s.do === "add"
            ? s.what.map((l) => (
                <li key={l.id} className="border-b border-rule">
                  <Tick done={done(l.id)} flip={flip(l.id)}>
                    <GivenWords given={given(l)} system={batch.plan.units} />
                  </Tick>
                  {beside((c) => c.about.what === "line" && c.about.line === l.id)}
                </li>
              ))
            : [
                <li key={s.id} className="border-b border-rule">
                  <Tick done={done(s.id)} flip={flip(s.id)}>
                    {stepSentence(s)}
                  </Tick>
                  {beside((c) => c.about.what === "step" && c.about.step === s.id)}
                </li>,
              ],
        )}
      </ol>
      <p className="pt-4" aria-live="polite">
        {left === 0 ? "All of it is in." : `${left} still to do.`}
      </p>
      <p className="pt-2 flex flex-wrap gap-6 items-center">
        <Link
          className="slab text-[1.25rem] min-h-14"
          href={program.steep ? `/batch/${batch.id}` : `/batch/${batch.id}/strain`}
        >
          {onward(program.steep !== undefined, left)}
        </Link>
        <Link href={`/batch/${batch.id}`}>come back to this later</Link>
      </p>
      <div className="text-base">
        <Notes cautions={cautions.filter((c) => c.severity === "note")} />
      </div>
    </div>
  );
}
