"use client";
import Link from "next/link";
import { useMemo } from "react";
import type { Caution } from "@/core/cautions/caution";
import { at } from "@/core/cautions/rules";
import type { Batch } from "@/core/journal/fold";
import { reckonBatch } from "@/core/journal/reckon";
import type { Company } from "@/core/people/company";
import type { Step } from "@/core/remedy/plan";
import { CautionNote, Notes } from "../bench/cautions";
import { useDraft } from "../kit/draft";
import { useUnits } from "../kit/units";

const PLACE_WORDS = { "dark-cupboard": "in a dark cupboard", counter: "on the counter", "sunny-sill": "on the sunny sill", fridge: "in the fridge" } as const;

/** A wait, a heat or a cooling, as it is said over the stove. */
function stepWords(s: Exclude<Step, { do: "add" }>): string {
  switch (s.do) {
    case "simmer":
      return `Simmer ${s.for}, lid on.`;
    case "reduce":
      return `Boil down to ${s.to}, lid off.`;
    case "pressure":
      return `Under pressure ${s.for}; let the pressure fall by itself.`;
    case "cool":
      return `Cool to ${s.toC} °C.`;
    case "steep":
      return `Let it stand ${s.for}${s.in ? ` ${PLACE_WORDS[s.in]}` : ""}.`;
    case "strain":
      return "Strain, and measure.";
    case "bottle":
      return s.hot ? "Bottle it hot." : "Bottle it.";
  }
}

/** Make: what goes in, in the order it goes in, ticked off; cautions beside what they are about. Ticks are kept in this browser. */
export function Make({ batch, company }: { batch: Batch; company: Company }) {
  const units = useUnits();
  const ticks = useDraft<readonly string[]>(`jolly-make-${batch.id}`, [], (k) => (Array.isArray(k) ? k.map(String) : undefined));
  const r = useMemo(() => reckonBatch(batch, batch.plan, company), [batch, company]);
  if (!r.ok) return <p role="alert" className="wrong">{r.faults[0]!.message}</p>;
  const { program, reckoning } = r.value;
  const cautions = at("make", r.value.cautions);
  const grave = cautions.filter((c) => c.severity !== "note");
  const beside = (test: (c: Caution) => boolean): React.ReactNode => grave.filter(test).map((c, i) => <CautionNote key={`${c.id}-${i}`} caution={c} />);
  const strain = batch.plan.steps.findIndex((s) => s.do === "strain");
  const steps = batch.plan.steps.slice(0, strain < 0 ? batch.plan.steps.length : strain);
  const atOnce = program.lines.filter((l) => l.atOnce);
  const markOf = (step: number, place: number): number | undefined => {
    const of = atOnce.findIndex((l) => l.step === step && l.place === place && !l.stuff.plant);
    const mark = of < 0 ? undefined : reckoning.fit?.marks.find((m) => m.of === of);
    return mark && !mark.hidden && program.vessel?.sort === "jar" ? mark.cm : undefined;
  };
  const row = (id: string, words: React.ReactNode): React.ReactNode => (
    <label className="flex items-start gap-4 min-h-16 py-2 cursor-pointer">
      <input type="checkbox" className="accent-cobalt w-8 h-8 shrink-0" checked={ticks.value.includes(id)} onChange={() => ticks.set((t) => (t.includes(id) ? t.filter((x) => x !== id) : [...t, id]))} />
      <span className={ticks.value.includes(id) ? "text-ash line-through" : ""}>{words}</span>
    </label>
  );
  const all = steps.flatMap((s, i) => (s.do === "add" ? s.what.map((_, k) => `${i}-${k}`) : [`${i}`]));
  const left = all.filter((id) => !ticks.value.includes(id)).length;
  return (
    <div className="max-w-3xl text-[1.25rem] leading-relaxed">
      <div className="text-base">{beside((c) => c.about.what !== "line" && c.about.what !== "step")}</div>
      <ol aria-label="What goes in, in this order">
        {steps.map((s, i) =>
          s.do === "add" ? s.what.map((l, k) => {
            const found = reckoning.lines.find((x) => x.step === i && x.place === k);
            const stuff = program.lines.find((x) => x.step === i && x.place === k)?.stuff;
            const mark = markOf(i, k);
            return (
              <li key={`${i}-${k}`} className="border-b border-rule">
                {row(`${i}-${k}`, <><strong>{found?.name}</strong>{stuff?.plant ? `, ${[stuff.form, stuff.cut].filter(Boolean).join(", ")}` : ""}: {found && (stuff?.plant ? `${units.volume(found.ml.value)} loose, ${units.massExact(found.grams.value)}` : `${units.volume(found.ml.value)}, ${units.volumeExact(found.ml.value)}`)}{mark !== undefined ? <>. Pour to the <strong>{mark.toFixed(1)} cm</strong> mark.</> : "."}</>)}
                <div className="text-base">{beside((c) => c.about.what === "line" && c.about.step === i && c.about.place === k)}</div>
              </li>
            );
          }) : (
            <li key={i} className="border-b border-rule">
              {row(`${i}`, stepWords(s))}
              <div className="text-base">{beside((c) => c.about.what === "step" && c.about.step === i)}</div>
            </li>
          ),
        )}
      </ol>
      <p className="pt-4" aria-live="polite">{left === 0 ? "All of it is in." : `${left} still to do.`}</p>
      <p className="pt-2 flex flex-wrap gap-6 items-center"><Link className="slab text-[1.25rem] min-h-14" href={program.steep ? `/batch/${batch.id}` : `/batch/${batch.id}/strain`}>{program.steep ? "It stands now" : "Strain it"}</Link><Link href={`/batch/${batch.id}`}>leave it for now</Link></p>
      <div className="text-base"><Notes cautions={cautions.filter((c) => c.severity === "note")} /></div>
    </div>
  );
}
