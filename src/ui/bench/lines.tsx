"use client";
import { ChevronDown, ChevronUp, X } from "lucide-react";
import type { Fault } from "@/core/fault";
import { MATERIALS } from "@/core/material/catalogue";
import { CUTS, type Cut, type Form } from "@/core/material/classes";
import { formsOf, stuffOf } from "@/core/material/material";
import type { Line, Plan } from "@/core/remedy/plan";
import type { Reckoning } from "@/core/remedy/reckon";
import type { Caution } from "@/core/cautions/rules";
import { Swatch, substanceOf } from "../figures/substance";
import { useUnits } from "../kit/units";
import { CautionNote } from "./cautions";

export interface LineActions {
  readonly change: (step: number, place: number, change: (l: Line) => Line, about: string) => void;
  readonly remove: (step: number, place: number) => void;
  readonly move: (step: number, place: number, by: number) => void;
}

interface Props {
  readonly plan: Plan;
  readonly reckoning: Reckoning | undefined;
  readonly stale: boolean;
  readonly faults: readonly Fault[];
  readonly cautions: readonly Caution[];
  readonly reasons: Readonly<Record<string, string>>;
  readonly giveReason: (id: string, why: string) => void;
  readonly actions: LineActions;
}

const STAGE: Readonly<Record<string, string>> = { simmer: "simmer", reduce: "reduce to", pressure: "under pressure", steep: "steep", cool: "cool", strain: "strain" };

function OneLine({ line, step, place, last, p }: { line: Line; step: number; place: number; last: boolean; p: Props }) {
  const units = useUnits();
  const material = MATERIALS.get(line.material);
  const stuff = material ? stuffOf(material, { form: line.form, cut: line.cut }) : undefined;
  const found = p.reckoning?.lines.find((l) => l.step === step && l.place === place);
  const mine = p.faults.filter((f) => f.path[0] === "steps" && f.path[1] === step && f.path[3] === place);
  const amountFault = mine.find((f) => f.path[4] === "amount" || f.path.length <= 4);
  const strengthFault = mine.find((f) => f.path[4] === "strength");
  const otherFault = mine.find((f) => f !== amountFault && f !== strengthFault);
  const name = material?.row.names[0] ?? line.material;
  const id = `line-${step}-${place}`;
  const plant = material?.kind === "plant";
  const cls = material?.row.class;
  const liquid = stuff?.ok && !stuff.value.plant && stuff.value.bulkLoose === stuff.value.density;
  const measured = /cup|tbsp|tsp|ml|cl|\bl\b|pint|quart|oz|gallon|g\b|kg|lb/i.test(line.amount) && !/part|jar|liquid/i.test(line.amount);
  const about = p.cautions.filter((c) => c.line && c.line[0] === step && c.line[1] === place && (c.severity === "never" || c.severity === "stop" || c.severity === "caution"));
  return (
    <li className="border-b border-rule py-2" data-line={`${step}-${place}`}>
      <div className="grid grid-cols-[16px_minmax(0,1fr)_auto_auto] items-start gap-x-2.5">
        <span className="pt-1.5">{stuff?.ok ? <Swatch of={substanceOf(stuff.value)} /> : null}</span>
        <div className="min-w-0 pt-1">
          <span className="break-words">{name}</span>
          {plant && (
            <span className="whitespace-nowrap">
              {", "}
              <select aria-label={`${name}: form`} className="stitch font-normal py-0.5" value={stuff?.ok ? stuff.value.form : (line.form ?? "")} onChange={(e) => p.actions.change(step, place, (l) => ({ ...l, form: e.target.value as Form }), `${id}-form`)}>
                {formsOf(material).map((f) => <option key={f}>{f}</option>)}
              </select>{" "}
              {stuff?.ok && stuff.value.form !== "powdered" && (
                <select aria-label={`${name}: cut`} className="stitch font-normal py-0.5" value={stuff.value.cut} onChange={(e) => p.actions.change(step, place, (l) => ({ ...l, cut: e.target.value as Cut }), `${id}-cut`)}>
                  {CUTS.map((c) => <option key={c}>{c}</option>)}
                </select>
              )}
            </span>
          )}
          {(cls === "vinegar" || cls === "spirit") && (
            <span className="whitespace-nowrap">
              {", "}
              <input aria-label={`${name}: strength`} aria-invalid={strengthFault !== undefined} aria-describedby={strengthFault ? `${id}-strength-wrong` : undefined} className="stitch font-normal w-14" maxLength={20} placeholder={cls === "vinegar" ? `${material!.kind === "stuff" && material!.row.tags?.includes("acetic-unknown") ? "? %" : `${Number(((material!.kind === "stuff" ? (material!.row.composition.acetic ?? 0) : 0) * 100).toFixed(1))} %`}` : `${material!.kind === "stuff" ? material!.row.abv : ""} %`} value={line.strength ?? ""} onChange={(e) => p.actions.change(step, place, ({ strength: _, ...l }) => (e.target.value === "" ? l : { ...l, strength: e.target.value }), `${id}-strength`)} />
            </span>
          )}
        </div>
        <div className="text-right">
          <input
            aria-label={`${name}: amount`}
            aria-invalid={amountFault !== undefined}
            aria-describedby={amountFault ? `${id}-wrong` : `${id}-exact`}
            className="stitch text-right py-1 w-[7.5rem]"
            value={line.amount}
            maxLength={200}
            onChange={(e) => p.actions.change(step, place, (l) => ({ ...l, amount: e.target.value }), `${id}-amount`)}
          />
          <span id={`${id}-exact`} className={`block quiet pt-0.5 ${p.stale ? "opacity-50" : ""}`}>
            {found ? (measured ? (liquid ? (/g\b|oz|lb/i.test(line.amount) ? units.volume(found.ml.value) : units.volumeExact(found.ml.value)) : units.massExact(found.grams.value)) : liquid ? `${units.volume(found.ml.value)}${units.display === "kitchen" ? ` · ${units.volumeExact(found.ml.value)}` : ""}` : `${plant ? `${units.volume(found.ml.value)} · ` : ""}${units.massExact(found.grams.value)}`) : " "}
          </span>
        </div>
        <div className="flex flex-col">
          <button type="button" className="text-ash hover:text-rust min-w-7 min-h-7 inline-grid place-items-center" aria-label={`Take out ${name}`} onClick={() => p.actions.remove(step, place)}><X size={16} /></button>
          <span className="flex">
            {place > 0 && <button type="button" className="text-ash hover:text-cobalt min-w-6 min-h-6 inline-grid place-items-center" aria-label={`${name} earlier`} onClick={() => p.actions.move(step, place, -1)}><ChevronUp size={15} /></button>}
            {!last && <button type="button" className="text-ash hover:text-cobalt min-w-6 min-h-6 inline-grid place-items-center" aria-label={`${name} later`} onClick={() => p.actions.move(step, place, 1)}><ChevronDown size={15} /></button>}
          </span>
        </div>
      </div>
      {amountFault && (
        <p id={`${id}-wrong`} role="alert" className="wrong pl-7">
          {amountFault.message} {amountFault.suggestion && <button type="button" className="plain" onClick={() => p.actions.change(step, place, (l) => ({ ...l, amount: amountFault.suggestion! }), `${id}-put-right`)}>Use “{amountFault.suggestion}”</button>}
        </p>
      )}
      {strengthFault && (
        <p id={`${id}-strength-wrong`} role="alert" className="wrong pl-7">
          {strengthFault.message} {strengthFault.suggestion && <button type="button" className="plain" onClick={() => p.actions.change(step, place, (l) => ({ ...l, strength: strengthFault.suggestion! }), `${id}-put-right`)}>Use “{strengthFault.suggestion}”</button>}
        </p>
      )}
      {otherFault && <p role="alert" className="wrong pl-7">{otherFault.message}</p>}
      {about.map((c) => <CautionNote key={c.id} caution={c} reason={p.reasons[c.id] ?? ""} giveReason={(why) => p.giveReason(c.id, why)} />)}
    </li>
  );
}

/** What goes in, in the order it goes in, with the waits between. */
export function Lines(p: Props) {
  const items: React.ReactNode[] = [];
  p.plan.steps.forEach((s, step) => {
    if (s.do === "add") s.what.forEach((line, place) => items.push(<OneLine key={`${step}-${place}-${line.material}`} line={line} step={step} place={place} last={place === s.what.length - 1} p={p} />));
    else if (s.do !== "bottle") {
      const words = s.do === "steep" ? `${s.for}${s.in ? ` in the ${s.in === "fridge" ? "fridge" : s.in === "counter" ? "light of the counter" : s.in === "sunny-sill" ? "sun of a sill" : "dark of a cupboard"}` : ""}` : s.do === "simmer" || s.do === "pressure" ? s.for : s.do === "reduce" ? s.to : s.do === "cool" ? `to ${s.toC} °C` : s.do === "strain" ? `and measure (${s.how})` : "";
      items.push(<li key={`step-${step}`} className="quiet py-1.5 border-b border-rule pl-7">{STAGE[s.do]} {words}</li>);
    }
  });
  return <ol aria-label="What goes in, in this order">{items}</ol>;
}
