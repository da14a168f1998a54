"use client";
import { memo, useState } from "react";
import { DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, closestCenter, useSensor, useSensors } from "@dnd-kit/core";
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { ChevronDown, ChevronUp, X } from "lucide-react";
import type { Caution } from "@/core/cautions/caution";
import type { Fault } from "@/core/fault";
import { MATERIALS } from "@/core/material/catalogue";
import { CUTS, type Cut, type Form } from "@/core/material/classes";
import { type Material, type Stuff, formsOf, stuffOf } from "@/core/material/material";
import type { Spot } from "@/core/remedy/lines";
import type { Line, Plan } from "@/core/remedy/plan";
import type { Household } from "@/core/quantity/units";
import type { Reckoning } from "@/core/remedy/reckon";
import { type Measures, said, sayingNow, sayingsOf } from "@/core/remedy/restate";
import { Swatch, substanceOf } from "../figures/substance";
import { useUnits } from "../kit/units";
import { useSame } from "../kit/same";
import { CautionNote } from "./cautions";

export interface LineActions {
  readonly change: (spot: Spot, change: (l: Line) => Line, about: string) => void;
  /** In another form or cut, as much by dry matter. */
  readonly reform: (spot: Spot, to: { form?: Form; cut?: Cut }) => void;
  readonly remove: (spot: Spot) => void;
  readonly move: (from: Spot, to: Spot) => void;
}

/** What a line was before its form was changed, so that the old amount can be had again. */
export interface Hint extends Spot {
  readonly was: Line;
  readonly is: Line;
}

interface Props {
  readonly plan: Plan;
  readonly reckoning: Reckoning | undefined;
  /** What a part and the jar come to, asked when a unit is chosen. */
  readonly measures: () => Measures;
  readonly stale: boolean;
  readonly faults: readonly Fault[];
  readonly cautions: readonly Caution[];
  readonly reasons: Readonly<Record<string, string>>;
  readonly giveReason: (id: string, why: string) => void;
  readonly hint: Hint | undefined;
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
  readonly household: Household;
  readonly measures: () => Measures;
  /** Grams and millilitres it comes to; missing while the plan does not reckon. */
  readonly grams: number | undefined;
  readonly millilitres: number | undefined;
  readonly stale: boolean;
  readonly faults: readonly Fault[];
  readonly cautions: readonly Caution[];
  readonly reasons: Readonly<Record<string, string>>;
  readonly hint: Hint | undefined;
  readonly actions: LineActions;
  readonly giveReason: (id: string, why: string) => void;
}

// Made once: the same element is not drawn again.
const UP = <ChevronUp size={15} />;
const DOWN = <ChevronDown size={15} aria-hidden="true" />;
const OUT = <X size={16} />;

const NO_FAULTS: readonly Fault[] = [];
const NO_CAUTIONS: readonly Caution[] = [];
const MEASURED = /cup|tbsp|tsp|ml|cl|\bl\b|pint|quart|oz|gallon|g\b|kg|lb/i;
const SOLVED = /part|jar|liquid/i;
const WEIGHED = /\d\s*(?:g|kg|oz|lb)\b/i;

/** The same amount in another unit, each choice showing what it comes to. The choices are reckoned when the hand comes near, not in every frame. */
function SayItElse({ name, line, stuff, grams, household, measures, say }: { name: string; line: Line; stuff: Stuff; grams: number; household: Household; measures: () => Measures; say: (amount: string) => void }) {
  const [open, setOpen] = useState(false);
  const now = sayingNow(line.amount, household, stuff);
  const choices = open ? sayingsOf(stuff, household).filter((s) => s !== now).flatMap((s) => { const words = said(grams, stuff, s, household, measures()); return words.ok ? [[s, words.value] as const] : []; }) : [];
  return (
    <span className="relative self-center min-h-6 inline-grid place-items-center text-cobalt focus-within:bg-cobalt-pale">
      {DOWN}
      <select aria-label={`${name}: say it another way`} className="absolute inset-0 opacity-0 w-full cursor-pointer" value={now ?? ""} onFocus={() => setOpen(true)} onPointerDown={() => setOpen(true)} onBlur={() => setOpen(false)} onChange={(e) => { const c = choices.find(([s]) => s === e.target.value); if (c) say(c[1]); }}>
        <option value={now ?? ""}>{line.amount}</option>
        {choices.map(([s, words]) => <option key={s} value={s}>{words}</option>)}
      </select>
    </span>
  );
}

/** Its form and cut; drawn again only when they change. */
const FormAndCut = memo(function FormAndCut({ name, material, form, cut, step, place, reform }: { name: string; material: Material; form: Form; cut: Cut | undefined; step: number; place: number; reform: LineActions["reform"] }) {
  return (
    <>
      <select aria-label={`${name}: form`} className="stitch font-normal py-0.5" value={form} onChange={(e) => reform({ step, place }, { form: e.target.value as Form })}>
        {formsOf(material).map((f) => <option key={f}>{f}</option>)}
      </select>
      {form !== "powdered" && (
        <>
          {", "}
          <select aria-label={`${name}: cut`} className="stitch font-normal py-0.5" value={cut} onChange={(e) => reform({ step, place }, { cut: e.target.value as Cut })}>
            {CUTS.map((c) => <option key={c}>{c}</option>)}
          </select>
        </>
      )}
    </>
  );
});

/** One line; drawn again only when it or what it comes to has changed, so that a drag touches only what moves. */
const OneLine = memo(function OneLine(p: LineProps) {
  const { line, step, place, last } = p;
  const units = useUnits();
  const spot: Spot = { step, place };
  const sort = useSortable({ id: `${step}-${place}`, data: spot });
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
  const measured = MEASURED.test(line.amount) && !SOLVED.test(line.amount);
  const ml = p.millilitres ?? 0;
  const g = p.grams ?? 0;
  const byWeight = measured && WEIGHED.test(line.amount);
  // Beside what was typed stands what it comes to: grams for what was scooped, the kitchen measure for what was solved.
  const exact = p.grams === undefined ? "\u00a0" : liquid ? (measured ? (byWeight ? units.volume(ml) : units.volumeExact(ml)) : units.display === "kitchen" ? `${units.volume(ml)}, ${units.volumeExact(ml)}` : units.volumeExact(ml)) : measured ? (byWeight ? units.volume(ml) : units.massExact(g)) : `${units.volume(ml)}, ${units.massExact(g)}`;
  return (
    <li ref={sort.setNodeRef} style={{ transform: CSS.Translate.toString(sort.transform), transition: sort.transition ?? undefined }} className={`border-b border-rule py-2 ${sort.isDragging ? "relative z-10 bg-glaze" : ""}`} data-line={`${step}-${place}`}>
      <div className="grid grid-cols-[24px_minmax(0,1fr)_auto_20px_46px] items-baseline gap-x-1.5">
        <button type="button" ref={sort.setActivatorNodeRef} {...sort.attributes} {...sort.listeners} aria-label={`Move ${name}: drag, or space and the arrow keys`} className="self-center min-h-7 min-w-6 inline-grid place-items-center cursor-grab touch-none">{stuff?.ok ? <Swatch of={substanceOf(stuff.value)} /> : null}</button>
        <span className="min-w-0 break-words">
          {name}
          {(cls === "vinegar" || cls === "spirit") && (
            <>
              {", "}
              <input aria-label={`${name}: strength`} aria-invalid={strengthFault !== undefined} aria-describedby={strengthFault ? `${id}-strength-wrong` : undefined} className="stitch font-normal w-12 placeholder:text-cobalt" maxLength={20} placeholder={usualStrength(material)} value={line.strength ?? ""} onChange={(e) => p.actions.change(spot, ({ strength: _, ...l }) => (e.target.value === "" ? l : { ...l, strength: e.target.value }), `${id}-strength`)} />
            </>
          )}
        </span>
        <input
          aria-label={`${name}: amount`}
          aria-invalid={amountFault !== undefined}
          aria-describedby={amountFault ? `${id}-wrong` : `${id}-exact`}
          className="stitch text-right py-0.5 w-[7.25rem]"
          value={line.amount}
          maxLength={200}
          onChange={(e) => p.actions.change(spot, (l) => ({ ...l, amount: e.target.value }), `${id}-amount`)}
        />
        {stuff?.ok && p.grams !== undefined ? <SayItElse name={name} line={line} stuff={stuff.value} grams={g} household={p.household} measures={p.measures} say={(amount) => p.actions.change(spot, (l) => ({ ...l, amount }), `${id}-unit`)} /> : <span />}
        <button type="button" className="text-ash hover:text-rust min-w-7 min-h-7 inline-grid place-items-center self-center justify-self-center" aria-label={`Take out ${name}`} onClick={() => p.actions.remove(spot)}>{OUT}</button>
        <span className="col-start-2 min-w-0">
          {plant && stuff?.ok && <FormAndCut name={name} material={material} form={stuff.value.form!} cut={stuff.value.cut} step={step} place={place} reform={p.actions.reform} />}
        </span>
        <span id={`${id}-exact`} className={`quiet text-right whitespace-nowrap ${p.stale ? "opacity-50" : ""} ${plant ? "" : "col-start-2 col-span-2"}`}>{exact}</span>
        <span className="col-start-5 inline-flex justify-center">
          {place > 0 && <button type="button" className="text-ash hover:text-cobalt min-w-6 min-h-6 inline-grid place-items-center" aria-label={`${name} earlier`} onClick={() => p.actions.move(spot, { step, place: place - 1 })}>{UP}</button>}
          {!last && <button type="button" className="text-ash hover:text-cobalt min-w-6 min-h-6 inline-grid place-items-center" aria-label={`${name} later`} onClick={() => p.actions.move(spot, { step, place: place + 1 })}>{DOWN}</button>}
        </span>
      </div>
      {p.hint && p.hint.was.amount !== line.amount && (
        <p className="quiet pl-8" role="status">By dry matter: {p.hint.was.amount} was {line.amount} now. <button type="button" className="plain" onClick={() => p.actions.change(spot, (l) => ({ ...l, amount: p.hint!.was.amount }), `${id}-as-it-was`)}>{p.hint.was.amount} all the same</button></p>
      )}
      {amountFault && (
        <p id={`${id}-wrong`} role="alert" className="wrong pl-8">
          {amountFault.message} {amountFault.suggestion && <button type="button" className="plain" onClick={() => p.actions.change(spot, (l) => ({ ...l, amount: amountFault.suggestion! }), `${id}-put-right`)}>Use “{amountFault.suggestion}”</button>}
        </p>
      )}
      {strengthFault && (
        <p id={`${id}-strength-wrong`} role="alert" className="wrong pl-8">
          {strengthFault.message} {strengthFault.suggestion && <button type="button" className="plain" onClick={() => p.actions.change(spot, (l) => ({ ...l, strength: strengthFault.suggestion! }), `${id}-put-right`)}>Use “{strengthFault.suggestion}”</button>}
        </p>
      )}
      {otherFault && <p role="alert" className="wrong pl-8">{otherFault.message}</p>}
      {p.cautions.map((c, i) => <CautionNote key={`${c.id}-${i}`} caution={c} reason={p.reasons[c.id] ?? ""} giveReason={p.giveReason} />)}
    </li>
  );
});

const spotOf = (id: unknown): Spot => {
  const [step, place] = String(id).split("-").map(Number);
  return { step: step ?? 0, place: place ?? 0 };
};

// Outside the component: a new object would make every line listen anew in every frame.
const POINTER = { activationConstraint: { distance: 4 } };
const KEYS = { coordinateGetter: sortableKeyboardCoordinates };

/** What goes in, in the order it goes in, with the waits between. */
export function Lines(p: Props) {
  const sensors = useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, KEYS));
  const items: React.ReactNode[] = [];
  const ids: string[] = [];
  const nameAt = (id: unknown): string => {
    const { step, place } = spotOf(id);
    const s = p.plan.steps[step];
    const l = s?.do === "add" ? s.what[place] : undefined;
    return (l && MATERIALS.get(l.material)?.row.names[0]) ?? "it";
  };
  p.plan.steps.forEach((s, step) => {
    const besideStep = p.cautions.filter((c) => c.about.what === "step" && c.about.step === step);
    if (s.do === "add") {
      s.what.forEach((line, place) => {
        ids.push(`${step}-${place}`);
        const found = p.reckoning?.lines.find((l) => l.step === step && l.place === place);
        const faults = p.faults.length === 0 ? NO_FAULTS : p.faults.filter((f) => f.path[0] === "steps" && f.path[1] === step && f.path[3] === place);
        const cautions = p.cautions.length === 0 ? NO_CAUTIONS : p.cautions.filter((c) => c.about.what === "line" && c.about.step === step && c.about.place === place);
        items.push(<OneLine key={`${step}-${place}-${line.material}`} line={line} step={step} place={place} last={place === s.what.length - 1} household={p.plan.units} measures={p.measures} grams={found?.grams.value} millilitres={found?.ml.value} stale={p.stale} faults={faults.length === 0 ? NO_FAULTS : faults} cautions={cautions.length === 0 ? NO_CAUTIONS : cautions} reasons={p.reasons} hint={p.hint && p.hint.step === step && p.hint.place === place && p.hint.is === line ? p.hint : undefined} actions={p.actions} giveReason={p.giveReason} />);
      });
    } else if (s.do !== "bottle" || besideStep.length > 0) {
      const words = s.do === "steep" ? `${s.for}${s.in ? ` in the ${s.in === "fridge" ? "fridge" : s.in === "counter" ? "light of the counter" : s.in === "sunny-sill" ? "sun of a sill" : "dark of a cupboard"}` : ""}` : s.do === "simmer" || s.do === "pressure" ? s.for : s.do === "reduce" ? s.to : s.do === "cool" ? `to ${s.toC} °C` : s.do === "strain" ? `and measure (${s.how})` : "";
      items.push(
        <li key={`step-${step}`} className="quiet py-1.5 border-b border-rule pl-8">
          {STAGE[s.do]} {words}
          {besideStep.map((c, i) => <CautionNote key={`${c.id}-${i}`} caution={c} reason={p.reasons[c.id] ?? ""} giveReason={p.giveReason} />)}
        </li>,
      );
    }
  });
  const sorted = useSame(ids);
  const dropped = (e: DragEndEvent): void => {
    if (e.over && e.over.id !== e.active.id) p.actions.move(spotOf(e.active.id), spotOf(e.over.id));
  };
  return (
    <DndContext
      id="lines"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={dropped}
      accessibility={{
        screenReaderInstructions: { draggable: "Space takes it up, the arrow keys move it, space puts it down, escape leaves it where it was." },
        announcements: {
          onDragStart: ({ active }) => `${nameAt(active.id)} taken up.`,
          onDragOver: ({ active, over }) => (over ? `${nameAt(active.id)} over ${nameAt(over.id)}.` : undefined),
          onDragEnd: ({ active, over }) => (over ? `${nameAt(active.id)} put down by ${nameAt(over.id)}.` : `${nameAt(active.id)} put back.`),
          onDragCancel: ({ active }) => `${nameAt(active.id)} left where it was.`,
        },
      }}
    >
      <SortableContext items={sorted} strategy={verticalListSortingStrategy}>
        <ol aria-label="What goes in, in this order">{items}</ol>
      </SortableContext>
    </DndContext>
  );
}
