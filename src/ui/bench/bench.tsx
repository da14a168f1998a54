"use client";
import { useRouter } from "next/navigation";
import { useCallback, useMemo, useRef, useState } from "react";
import { Redo2, Undo2 } from "lucide-react";
import { careOf } from "@/core/care/care";
import { at, cautionsOf, unanswered as unansweredOf } from "@/core/cautions/rules";
import type { Fault } from "@/core/fault";
import type { Household } from "@/core/quantity/units";
import { companyOf } from "@/core/people/company";
import { likeFirst } from "@/core/remedy/fitting";
import { moved, tidied, withLine, without } from "@/core/remedy/lines";
import type { Line, Plan } from "@/core/remedy/plan";
import { type RailJoint, railOf } from "@/core/remedy/rail";
import { type Reckoning, reckonProgram } from "@/core/remedy/reckon";
import { reformed } from "@/core/remedy/restate";
import { type Program, resolve } from "@/core/remedy/resolve";
import { cautiousWay, madeBy, wayById } from "@/core/remedy/ways";
import { costOf } from "@/core/stores/cost";
import type { Stored } from "@/core/stores/events";
import type { Busy } from "@/core/stores/free";
import { storesOf, usualOf } from "@/core/stores/stores";
import { VESSELS } from "@/core/vessel/catalogue";
import { type Lid, type Ware, vesselOf } from "@/core/vessel/vessel";
import { PartsRail } from "../figures/rail";
import { useSame } from "../kit/same";
import { send } from "../kit/send";
import { AddLine } from "./add-line";
import { CautionNote, Notes } from "./cautions";
import { CostDrawer } from "./drawers/cost";
import { type DrawerName, Drawers } from "./drawers/drawers";
import { GatherDrawer } from "./drawers/gather";
import { MostDrawer } from "./drawers/most";
import { SchoolsDrawer, WaysDrawer } from "./drawers/ways";
import { WhatIfDrawer } from "./drawers/what-if";
import { BenchHead, type HeadActions } from "./head";
import { type Hint, type LineActions, Lines } from "./lines";
import { Offers } from "./offers";
import { Outcome } from "./outcome";
import { addLine, fresh } from "./state";
import { useBench } from "./use-bench";
import { freeChoices } from "./vessel-choice";
import { VesselPane, type VesselPart } from "./vessel-pane";

interface Last {
  readonly program: Program;
  readonly reckoning: Reckoning;
}

interface Props {
  readonly household: Household;
  readonly currency: string;
  readonly today: string;
  /** Everything in the stores, as the server has it. */
  readonly items: readonly Stored[];
  readonly busy: readonly Busy[];
}

const POT = "p-3000";
const UNDO = <Undo2 size={18} />;
const REDO = <Redo2 size={18} />;
/** A plan without what is only said of it. */
function unnamed(plan: Plan): Plan {
  const { meantFor: _m, taken: _t, ...rest } = plan;
  return { ...rest, name: "Untitled" };
}

const NOBODY: readonly string[] = [];
const NO_FAULTS: readonly Fault[] = [];

/** The steep a maker speaks of: the long one, or the only one where nothing is simmered. */
function steepOf(plan: Plan): number {
  const long = plan.steps.findIndex((s) => s.do === "steep" && /week|day|month/.test(s.for));
  return long >= 0 || plan.steps.some((s) => s.do === "simmer") ? long : plan.steps.findIndex((s) => s.do === "steep");
}

/** Plan a batch: what goes in, the vessel, and what you will have; everything is reckoned again at every keystroke. */
export function Bench({ household, currency, today, items, busy }: Props) {
  const router = useRouter();
  const stores = useMemo(() => storesOf(items), [items]);
  const company = useMemo(() => ({ people: stores.people, today }), [stores.people, today]);
  // The jar a clear Bench begins with: the household's own free one nearest a litre, or the usual quart.
  const usualJar = useMemo(() => {
    const named = freeChoices(stores.vessels, busy).filter((c) => c.vessel.sort === "jar" && typeof c.named === "string").sort((a, b) => Math.abs(a.vessel.fillMl - 950) - Math.abs(b.vessel.fillMl - 950))[0]?.named;
    return typeof named === "string" ? named : household === "us" ? "us-quart" : "m-1000";
  }, [stores.vessels, busy, household]);
  const usual = useMemo(() => usualOf(stores.lots), [stores.lots]);
  const { bench, plan, history, act, change: changePlan, changeBench, giveReason, forget, newest } = useBench(household, usualJar, usual);
  const [sending, setSending] = useState(false);
  const [refused, setRefused] = useState<Fault | undefined>();
  const [begun, setBegun] = useState("");
  const [drawer, setDrawer] = useState<DrawerName | "">("");
  const [hint, setHint] = useState<Hint | undefined>();
  const last = useRef<Last | undefined>(undefined);

  const change = useCallback((to: Plan, about?: string): void => {
    setRefused(undefined);
    changePlan(to, about);
  }, [changePlan]);
  const take = useCallback((to: Plan, rest?: Plan): void => {
    setRefused(undefined);
    // What was said of it stays said.
    const { name, meantFor, taken } = newest.current.plan;
    changeBench({ plan: { ...to, name, ...(meantFor ? { meantFor } : {}), ...(taken ? { taken } : {}) }, ...(rest ? { rest: [...newest.current.bench.rest, rest] } : {}) });
  }, [changeBench, newest]);
  const choose = useCallback((part: VesselPart, about?: string): void => {
    const { vessel: _v, lid: _l, ware: _w, ...rest } = newest.current.plan;
    change({ ...rest, ...(part.vessel === undefined ? {} : { vessel: part.vessel }), ...(part.lid ? { lid: part.lid } : {}), ...(part.ware ? { ware: part.ware } : {}) }, about);
  }, [change, newest]);

  const setLid = useCallback((lid: Lid): void => change({ ...newest.current.plan, lid }), [change, newest]);
  const setWare = useCallback((ware: Ware): void => change({ ...newest.current.plan, ware }), [change, newest]);

  // What is only said of it (its name, for whom, how it is taken) changes no figure.
  const physical = useSame(unnamed(plan));
  const resolved = useMemo(() => resolve(physical), [physical]);
  const reckoned = useMemo<Last | undefined>(() => (resolved.ok ? { program: resolved.value, reckoning: reckonProgram(resolved.value) } : undefined), [resolved]);
  if (reckoned) last.current = reckoned;
  const shown = reckoned ?? last.current;
  const stale = !reckoned;
  const faults = resolved.ok ? NO_FAULTS : resolved.faults;
  const care = useMemo(() => (shown ? careOf(shown.program, shown.reckoning.fit, shown.reckoning.working) : undefined), [shown]);
  const cost = useMemo(() => (shown ? costOf(shown.program, shown.reckoning, stores.lots) : undefined), [shown, stores.lots]);
  const cautions = useSame(useMemo(() => (reckoned ? at("plan", cautionsOf({ ...reckoned, program: { ...reckoned.program, plan }, ...companyOf(plan, company) })) : []), [reckoned, plan, company]));
  const grave = useMemo(() => cautions.filter((c) => c.severity !== "note"), [cautions]);
  const notes = useSame(useMemo(() => cautions.filter((c) => c.severity === "note"), [cautions]));
  const aboutVessel = useSame(useMemo(() => grave.filter((c) => c.about.what === "vessel"), [grave]));
  const aboutHead = useSame(useMemo(() => grave.filter((c) => c.about.what === "name" || c.about.what === "people" || c.about.what === "taken"), [grave]));
  const never = cautions.find((c) => c.severity === "never");
  const unanswered = unansweredOf(cautions, bench.reasons);
  // What is worth searching for: a jar that may not stand as planned first, then a cupboard it has not earned.
  const wish = !reckoned ? undefined : cautions.some((c) => c.id === "works-in-fridge") ? ("room" as const) : reckoned.reckoning.verdict.place !== "cupboard" ? ("cupboard" as const) : undefined;
  const rail = useMemo(() => (reckoned ? railOf(physical, reckoned.program, reckoned.reckoning) : undefined), [physical, reckoned]);
  const vessel = useMemo(() => {
    const base = typeof plan.vessel === "string" ? VESSELS.get(plan.vessel) : plan.vessel ? vesselOf(plan.vessel) : undefined;
    const v = base && "ok" in base ? (base.ok ? base.value : undefined) : base;
    return v ? { ...v, ...(plan.lid ? { lid: plan.lid } : {}), ...(plan.ware ? { ware: plan.ware } : {}) } : undefined;
  }, [plan.vessel, plan.lid, plan.ware]);
  const newestReckoning = useRef(reckoned);
  newestReckoning.current = reckoned;
  const measures = useCallback(() => ({ partMl: newestReckoning.current?.program.partMl, vessel: newestReckoning.current?.program.vessel }), []);
  const actions = useMemo<LineActions>(
    () => ({
      change: (spot, f, about) => change(withLine(newest.current.plan, spot, f), about),
      reform: (spot, to) => {
        const p = newest.current.plan;
        const s = p.steps[spot.step];
        const was = s?.do === "add" ? s.what[spot.place] : undefined;
        if (!was) return;
        const found = newestReckoning.current?.reckoning.lines.find((l) => l.step === spot.step && l.place === spot.place);
        const next = reformed(was, to, p.units, measures(), found?.grams.value);
        const is: Line = next.ok ? next.value : { ...was, ...to };
        setHint({ ...spot, was, is });
        change(withLine(p, spot, () => is));
      },
      remove: (spot) => change(tidied(without(newest.current.plan, spot))),
      move: (from, to) => change(tidied(moved(newest.current.plan, from, to))),
    }),
    [change, measures, newest],
  );
  const headActions = useMemo<HeadActions>(
    () => ({
      rename: (name) => changeBench({ named: name !== "", plan: { ...newest.current.bench.plan, name: name || "Untitled" } }, "name"),
      setKind: (kind) => change(madeBy(cautiousWay(kind), { ...newest.current.plan, kind }, usualJar, POT, usual)),
      setWay: (id) => { const w = wayById(id); if (w) change(madeBy(w, newest.current.plan, usualJar, POT, usual)); },
      setSteep: (to, about) => { const p = newest.current.plan; const k = steepOf(p); change({ ...p, steps: p.steps.map((s, i) => (i === k && s.do === "steep" ? { ...s, ...to } : s)) }, about); },
      setMeantFor: (names) => { const { meantFor: _, ...rest } = newest.current.plan; change(names.length > 0 ? { ...rest, meantFor: [...names] } : rest); },
      setTaken: (words) => { const { taken: _, ...rest } = newest.current.plan; change(words === "" ? rest : { ...rest, taken: words }, "taken"); },
    }),
    [change, changeBench, newest, usualJar, usual],
  );
  const add = useCallback((line: Line): void => change(addLine(newest.current.plan, line)), [change, newest]);
  const slide = useCallback((joint: RailJoint, share: number, dragging: boolean): void => change({ ...newest.current.plan, ...joint.moved(share), name: newest.current.plan.name }, `${dragging ? "drag" : "nudge"}-${joint.name}`), [change, newest]);

  const steepAt = steepOf(plan);
  const steep = plan.steps[steepAt];
  const steepFault = faults.find((f) => f.path[0] === "steps" && f.path[1] === steepAt && f.path[2] === "for");
  const elsewhere = faults.filter((f) => !(f.path[0] === "steps" && f.path[2] === "what") && f !== steepFault && !(f.path[0] === "vessel" && f.path[1] === "shape"));
  const over = reckoned?.reckoning.fit && reckoned.reckoning.fit.overBrimMl > 0;
  const hasHerb = reckoned?.program.lines.some((l) => l.stuff.plant) ?? false;
  const mayBegin = reckoned !== undefined && !never && !over && unanswered.length === 0 && hasHerb && !sending;
  const whyNot = sending ? "" : faults.length > 0 ? "Put right what is marked, then begin." : never ? `${never.says} ${never.todo}` : over ? "It does not fit the vessel." : !hasHerb ? "Add a herb to begin." : unanswered.length > 0 ? `${unanswered[0]!.says} Change the plan, or give a reason where it says so.` : bench.rest.length > 0 ? "The other jar is set out next." : "";

  const begin = async (): Promise<void> => {
    if (!mayBegin) return;
    setSending(true);
    setRefused(undefined);
    const sent = await send("/api/batches", { id: bench.id, key: bench.key, plan, reasons: bench.reasons });
    setSending(false);
    if (!sent.ok) return setRefused(sent.fault);
    const [next, ...others] = bench.rest;
    if (next) {
      // The other jar of the same making: its plan is set out, ready to be begun too.
      act({ do: "replace", to: { ...fresh(household, usualJar, usual, plan.kind), plan: likeFirst(next, plan), named: true, reasons: bench.reasons, rest: others } });
      setBegun(sent.answer.code);
      router.refresh();
      return;
    }
    act({ do: "replace", to: { ...bench, id: "" } });
    forget();
    router.push(`/?begun=${sent.answer.code}`);
  };

  const drawn = (d: DrawerName): React.ReactNode => {
    if (!reckoned || !cost) return <p className="quiet">{hasHerb || faults.length > 0 ? "Put right what is marked, and this is reckoned." : "Add a herb first."}</p>;
    switch (d) {
      case "ways":
        return <WaysDrawer plan={plan} lots={stores.lots} company={company} today={today} currency={currency} take={change} />;
      case "schools":
        return <SchoolsDrawer plan={plan} take={change} />;
      case "what-if":
        return <WhatIfDrawer plan={plan} lots={stores.lots} today={today} take={change} />;
      case "most":
        return <MostDrawer plan={plan} program={reckoned.program} lots={stores.lots} empties={stores.empties} take={change} />;
      case "gather":
        return <GatherDrawer program={reckoned.program} reckoning={reckoned.reckoning} stores={stores} name={plan.name} />;
      case "cost":
        return <CostDrawer cost={cost} currency={currency} shop={bench.shop} setShop={(shop) => changeBench({ shop }, "shop")} />;
    }
  };
  const openBeside = (): void => {
    setDrawer("ways");
    requestAnimationFrame(() => document.getElementById("drawers")?.scrollIntoView({ block: "start" }));
  };

  return (
    <div aria-busy={bench.id === ""}>
      {begun !== "" && <p role="status" className="no-print bg-celadon px-3 py-2 mt-4">{begun} has begun. This is the other jar of it; begin it too, or clear the Bench.</p>}
      <div>
        <div className="no-print grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,25rem)_minmax(0,1fr)_minmax(0,24.5rem)] pt-4">
          <div className="min-w-0">
            <BenchHead
              name={bench.named ? bench.plan.name : ""}
              usualName={plan.name}
              kind={plan.kind}
              way={plan.way ?? ""}
              steep={steep?.do === "steep" ? steep : undefined}
              steepFault={steepFault}
              meantFor={plan.meantFor ?? NOBODY}
              taken={plan.taken ?? ""}
              people={stores.people}
              today={today}
              cautions={aboutHead}
              reasons={bench.reasons}
              giveReason={giveReason}
              actions={headActions}
            />
            <div className="flex items-end justify-between ruled-head mt-3">
              <h2 className="text-[0.875rem] font-semibold text-ash">What goes in, in this order</h2>
              <span className="flex gap-1 items-center">
                <button type="button" className="plain font-normal pr-2" onClick={() => { setBegun(""); act({ do: "replace", to: fresh(household, usualJar, usual, plan.kind) }); }}>clear the Bench</button>
                <button type="button" className="min-w-7 min-h-7 inline-grid place-items-center text-cobalt disabled:text-rule" aria-label="Undo" disabled={history.past.length === 0} onClick={() => act({ do: "undo" })}>{UNDO}</button>
                <button type="button" className="min-w-7 min-h-7 inline-grid place-items-center text-cobalt disabled:text-rule" aria-label="Redo" disabled={history.future.length === 0} onClick={() => act({ do: "redo" })}>{REDO}</button>
              </span>
            </div>
            <Lines plan={plan} reckoning={shown?.reckoning} measures={measures} stale={stale} faults={faults} cautions={grave} reasons={bench.reasons} giveReason={giveReason} hint={hint} actions={actions} />
            <AddLine household={plan.units} add={add} />
            {elsewhere.map((f) => <p key={f.name + f.message} role="alert" className="wrong">{f.message}</p>)}
            <div className="pt-1" aria-live="polite">
              {grave.filter((c) => c.about.what === "whole").map((c, i) => <CautionNote key={`${c.id}-${i}`} caution={c} reason={bench.reasons[c.id] ?? ""} giveReason={giveReason} />)}
            </div>
          </div>
          <div className="min-w-0">
            <VesselPane plan={physical} vessel={vessel} program={shown?.program} reckoning={shown?.reckoning} faults={faults} cautions={aboutVessel} reasons={bench.reasons} giveReason={giveReason} owned={stores.vessels} busy={busy} choose={choose} setLid={setLid} setWare={setWare} take={take} />
            <div className="pt-3 flex flex-wrap items-center justify-center gap-x-5 gap-y-1">
              <button type="button" className="slab" disabled={!mayBegin} onClick={() => void begin()}>{sending ? "Beginning…" : "Begin this batch"}</button>
              <button type="button" className="plain" onClick={openBeside}>set beside another way</button>
            </div>
            <p className={`text-center min-h-6 ${refused ? "wrong pt-2" : "quiet pt-2"}`} role={refused ? "alert" : undefined} data-testid="begin-says">{refused ? refused.message : whyNot}</p>
          </div>
          <div className="min-w-0">
            {shown && care && cost ? <Outcome r={shown.reckoning} care={care} cost={cost} kind={plan.kind} empties={stores.empties} currency={currency} today={today} stale={stale} /> : <section><h2 className="ruled-head">What you will have</h2><p className="quiet pt-3">Add a herb on the left. What comes of it is reckoned here as you type.</p></section>}
            {reckoned && wish && <Offers plan={plan} wish={{ for: wish }} take={change} today={today} />}
          </div>
        </div>
        {/* The rail stays in reach while the plan scrolls. */}
        {rail && <div className="no-print lg:sticky lg:bottom-0 z-[5] bg-ground pt-1 pb-3"><PartsRail rail={rail} move={slide} /></div>}
      </div>
      <div className="no-print"><Notes cautions={notes} /></div>
      <Drawers open={drawer} setOpen={setDrawer} render={drawn} />
    </div>
  );
}
