"use client";
import { memo } from "react";
import { ChevronDown, ChevronUp, X } from "lucide-react";
import type { Fault } from "@/core/fault";
import { MATERIALS } from "@/core/material/catalogue";
import { CUTS, type Cut, type Form } from "@/core/material/classes";
import { type Material, formsOf, stuffOf } from "@/core/material/material";
import type { Line, Plan } from "@/core/remedy/plan";
import type { Reckoning } from "@/core/remedy/reckon";
import type { Caution } from "@/core/cautions/caution";
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

/** What the bottle says where nothing else is typed. */
function usualStrength(m: Material | undefined): string {
  if (m?.kind !== "stuff") return "";
  if (m.row.tags?.includes("acetic-unknown")) return "? %";
  return `${Number((m.row.abv ?? (m.row.composition.acetic ?? 0) * 100).toFixed(1))} %`;
}

interface LineProps {
  readonly line: Line;
  readonly step: number;
  readonly place: number;
  readonly last: boolean;
  /** Grams and millilitres it comes to; missing while the plan does not reckon. */
  readonly grams: number | undefined;
  readonly millilitres: number | undefined;
  readonly stale: boolean;
  readonly faults: readonly Fault[];
  readonly cautions: readonly Caution[];
  readonly reasons: Readonly<Record<string, string>>;
  readonly actions: LineActions;
  readonly giveReason: (id: string, why: string) => void;
}

const NO_FAULTS: readonly Fault[] = [];
const NO_CAUTIONS: readonly Caution[] = [];

/** One line; drawn again only when it or what it comes to has changed, so that a drag touches only what moves. */
const OneLine = memo(function OneLine(p: LineProps) {
  const { line, step, place, last } = p;
  const units = useUnits();
  const material = MATERIALS.get(line.material);
  const stuff = material ? stuffOf(material, { form: line.form, cut: line.cut }) : undefined;
  const amountFault = p.faults.find((f) => f.path[4] === "amount" || f.path.length <= 4);
  const strengthFault = p.faults.find((f) => f.path[4] === "strength");
  const otherFault = p.faults.find((f) => f !== amountFault && f !== strengthFault);
  const name = material?.row.names[0] ?? line.material;
  const id = `line-${step}-${place}`;
  const plant = material?.kind === "plant";
  const cls = material?.row.class;
  const liquid = stuff?.ok && !stuff.value.plant && stuff.value.bulkLoose === stuff.value.density;
  const measured = /cup|tbsp|tsp|ml|cl|\bl\b|pint|quart|oz|gallon|g\b|kg|lb/i.test(line.amount) && !/part|jar|liquid/i.test(line.amount);
  const ml = p.millilitres ?? 0;
  const g = p.grams ?? 0;
  const byWeight = measured && /\d\s*(?:g|kg|oz|lb)\b/i.test(line.amount);
  // Beside what was typed stands what it comes to: grams for what was scooped, the kitchen measure for what was solved.
  const exact = p.grams === undefined ? "\u00a0" : liquid ? (measured ? (byWeight ? units.volume(ml) : units.volumeExact(ml)) : units.display === "kitchen" ? `${units.volume(ml)}, ${units.volumeExact(ml)}` : units.volumeExact(ml)) : measured ? (byWeight ? units.volume(ml) : units.massExact(g)) : `${units.volume(ml)}, ${units.massExact(g)}`;
  return (
    <li className="border-b border-rule py-2" data-line={`${step}-${place}`}>
      <div className="grid grid-cols-[16px_minmax(0,1fr)_auto_46px] items-baseline gap-x-2.5">
        <span className="self-center">{stuff?.ok ? <Swatch of={substanceOf(stuff.value)} /> : null}</span>
        <span className="min-w-0 break-words">
          {name}
          {(cls === "vinegar" || cls === "spirit") && (
            <>
              {", "}
              <input aria-label={`${name}: strength`} aria-invalid={strengthFault !== undefined} aria-describedby={strengthFault ? `${id}-strength-wrong` : undefined} className="stitch font-normal w-12 placeholder:text-cobalt" maxLength={20} placeholder={usualStrength(material)} value={line.strength ?? ""} onChange={(e) => p.actions.change(step, place, ({ strength: _, ...l }) => (e.target.value === "" ? l : { ...l, strength: e.target.value }), `${id}-strength`)} />
            </>
          )}
        </span>
        <input
          aria-label={`${name}: amount`}
          aria-invalid={amountFault !== undefined}
          aria-describedby={amountFault ? `${id}-wrong` : `${id}-exact`}
          className="stitch text-right py-0.5 w-[7.5rem]"
          value={line.amount}
          maxLength={200}
          onChange={(e) => p.actions.change(step, place, (l) => ({ ...l, amount: e.target.value }), `${id}-amount`)}
        />
        <button type="button" className="text-ash hover:text-rust min-w-7 min-h-7 inline-grid place-items-center self-center justify-self-center" aria-label={`Take out ${name}`} onClick={() => p.actions.remove(step, place)}><X size={16} /></button>
        <span className="col-start-2 min-w-0">
          {plant && (
            <>
              <select aria-label={`${name}: form`} className="stitch font-normal py-0.5" value={stuff?.ok ? stuff.value.form : (line.form ?? "")} onChange={(e) => p.actions.change(step, place, (l) => ({ ...l, form: e.target.value as Form }), `${id}-form`)}>
                {formsOf(material).map((f) => <option key={f}>{f}</option>)}
              </select>
              {stuff?.ok && stuff.value.form !== "powdered" && (
                <>
                  {", "}
                  <select aria-label={`${name}: cut`} className="stitch font-normal py-0.5" value={stuff.value.cut} onChange={(e) => p.actions.change(step, place, (l) => ({ ...l, cut: e.target.value as Cut }), `${id}-cut`)}>
                    {CUTS.map((c) => <option key={c}>{c}</option>)}
                  </select>
                </>
              )}
            </>
          )}
        </span>
        <span id={`${id}-exact`} className={`quiet text-right whitespace-nowrap ${p.stale ? "opacity-50" : ""} ${plant ? "" : "col-start-2 col-span-2"}`}>{exact}</span>
        <span className="inline-flex justify-center">
          {place > 0 && <button type="button" className="text-ash hover:text-cobalt min-w-6 min-h-6 inline-grid place-items-center" aria-label={`${name} earlier`} onClick={() => p.actions.move(step, place, -1)}><ChevronUp size={15} /></button>}
          {!last && <button type="button" className="text-ash hover:text-cobalt min-w-6 min-h-6 inline-grid place-items-center" aria-label={`${name} later`} onClick={() => p.actions.move(step, place, 1)}><ChevronDown size={15} /></button>}
        </span>
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
      {p.cautions.map((c) => <CautionNote key={c.id} caution={c} reason={p.reasons[c.id] ?? ""} giveReason={(why) => p.giveReason(c.id, why)} />)}
    </li>
  );
});

/** What goes in, in the order it goes in, with the waits between. */
export function Lines(p: Props) {
  const items: React.ReactNode[] = [];
  p.plan.steps.forEach((s, step) => {
    if (s.do === "add") {
      s.what.forEach((line, place) => {
        const found = p.reckoning?.lines.find((l) => l.step === step && l.place === place);
        const faults = p.faults.length === 0 ? NO_FAULTS : p.faults.filter((f) => f.path[0] === "steps" && f.path[1] === step && f.path[3] === place);
        const cautions = p.cautions.length === 0 ? NO_CAUTIONS : p.cautions.filter((c) => c.line && c.line[0] === step && c.line[1] === place);
        items.push(<OneLine key={`${step}-${place}-${line.material}`} line={line} step={step} place={place} last={place === s.what.length - 1} grams={found?.grams.value} millilitres={found?.ml.value} stale={p.stale} faults={faults.length === 0 ? NO_FAULTS : faults} cautions={cautions.length === 0 ? NO_CAUTIONS : cautions} reasons={p.reasons} actions={p.actions} giveReason={p.giveReason} />);
      });
    }
    else if (s.do !== "bottle") {
      const words = s.do === "steep" ? `${s.for}${s.in ? ` in the ${s.in === "fridge" ? "fridge" : s.in === "counter" ? "light of the counter" : s.in === "sunny-sill" ? "sun of a sill" : "dark of a cupboard"}` : ""}` : s.do === "simmer" || s.do === "pressure" ? s.for : s.do === "reduce" ? s.to : s.do === "cool" ? `to ${s.toC} °C` : s.do === "strain" ? `and measure (${s.how})` : "";
      items.push(<li key={`step-${step}`} className="quiet py-1.5 border-b border-rule pl-7">{STAGE[s.do]} {words}</li>);
    }
  });
  return <ol aria-label="What goes in, in this order">{items}</ol>;
}
