"use client";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from "react";
import { Redo2, Undo2 } from "lucide-react";
import { careOf } from "@/core/care/care";
import { cautionsOf } from "@/core/cautions/rules";
import type { Fault } from "@/core/fault";
import type { Household } from "@/core/quantity/units";
import { KINDS, KIND_WORDS, type Kind, type Line, type Plan, Plan as PlanSchema } from "@/core/remedy/plan";
import { type Reckoning, reckonProgram } from "@/core/remedy/reckon";
import { type Program, resolve } from "@/core/remedy/resolve";
import { cautiousWay, emptyPlan, madeBy, wayById, waysOf } from "@/core/remedy/ways";
import { VESSELS } from "@/core/vessel/catalogue";
import { type Lid, vesselOf } from "@/core/vessel/vessel";
import { PartsRail } from "../figures/rail";
import { send } from "../kit/send";
import { AddLine } from "./add-line";
import { CautionNote } from "./cautions";
import { Lines } from "./lines";
import { Offers } from "./offers";
import { Outcome } from "./outcome";
import { railOf } from "./rail-of";
import { type Bench as BenchState, type History, addLine, changeLine, moveLine, removeLine, step, usualName } from "./state";
import { VesselPane } from "./vessel-pane";

const DRAFT = "jolly-bench";

function fresh(household: Household, kind: Kind = "oxymel"): BenchState {
  return { plan: emptyPlan(kind, household, household === "us" ? "us-quart" : "m-1000"), named: false, id: crypto.randomUUID(), key: crypto.randomUUID(), reasons: {} };
}

/** A draft kept in this browser, if it still reads as one. */
function kept(): BenchState | undefined {
  try {
    const text = localStorage.getItem(DRAFT);
    if (!text) return undefined;
    const d = JSON.parse(text) as BenchState;
    const plan = PlanSchema.safeParse({ ...d.plan, name: d.plan.name || "Untitled" });
    return plan.success && typeof d.id === "string" && typeof d.key === "string" ? { plan: plan.data, named: d.named === true, id: d.id, key: d.key, reasons: d.reasons ?? {} } : undefined;
  } catch {
    return undefined;
  }
}

interface Last {
  readonly program: Program;
  readonly reckoning: Reckoning;
}

/** Plan a batch: what goes in, the vessel, and what you will have; everything is reckoned again at every keystroke. */
export function Bench({ household, today, busy }: { household: Household; today: string; busy: readonly string[] }) {
  const router = useRouter();
  const [history, act] = useReducer(step, undefined, (): History => ({ now: { plan: emptyPlan("oxymel", household, household === "us" ? "us-quart" : "m-1000"), named: false, id: "", key: "", reasons: {} }, past: [], future: [], about: undefined }));
  const [sending, setSending] = useState(false);
  const [refused, setRefused] = useState<Fault | undefined>();
  const last = useRef<Last | undefined>(undefined);
  const bench = history.now;
  const plan = useMemo<Plan>(() => ({ ...bench.plan, name: bench.named ? bench.plan.name : usualName(bench.plan) }), [bench]);

  useEffect(() => act({ do: "replace", to: kept() ?? fresh(household) }), [household]);
  useEffect(() => {
    if (bench.id === "") return;
    // Kept once the hand rests, and at the latest when the page goes.
    const keep = (): void => localStorage.setItem(DRAFT, JSON.stringify(bench));
    const soon = setTimeout(keep, 150);
    window.addEventListener("pagehide", keep);
    return () => {
      clearTimeout(soon);
      window.removeEventListener("pagehide", keep);
    };
  }, [bench]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== "z") return;
      // Text fields keep their own undo while they hold the focus and have something to undo.
      if (e.target instanceof HTMLInputElement && e.target.value !== "" && e.target.getAttribute("role") === "combobox") return;
      e.preventDefault();
      act({ do: e.shiftKey ? "redo" : "undo" });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  // Handlers stay the same from one drawing to the next, so that only what changed is drawn again; they read the newest state through a ref.
  const newest = useRef({ bench, plan });
  newest.current = { bench, plan };
  const change = useCallback((to: Plan, about?: string): void => {
    setRefused(undefined);
    act({ do: "change", to: { ...newest.current.bench, plan: to }, ...(about === undefined ? {} : { about }) });
  }, []);
  const giveReason = useCallback((id: string, why: string): void => act({ do: "change", to: { ...newest.current.bench, reasons: { ...newest.current.bench.reasons, [id]: why } }, about: `reason-${id}` }), []);
  const actions = useMemo(
    () => ({
      change: (s: number, place: number, f: (l: Line) => Line, about: string) => change(changeLine(newest.current.plan, s, place, f), about),
      remove: (s: number, place: number) => change(removeLine(newest.current.plan, s, place)),
      move: (s: number, place: number, by: number) => change(moveLine(newest.current.plan, s, place, by)),
    }),
    [change],
  );
  const choose = useCallback((v: Plan["vessel"], lid: Lid | undefined, about: string): void => {
    const { vessel: _v, lid: _l, ...rest } = newest.current.plan;
    change({ ...rest, ...(v === undefined ? {} : { vessel: v }), ...(lid === undefined || about === "vessel" ? {} : { lid }) }, about.startsWith("own-") ? about : undefined);
  }, [change]);

  const resolved = useMemo(() => resolve(plan), [plan]);
  const reckoned = useMemo(() => (resolved.ok ? { program: resolved.value, reckoning: reckonProgram(resolved.value) } : undefined), [resolved]);
  if (reckoned) last.current = reckoned;
  const shown = reckoned ?? last.current;
  const stale = !reckoned;
  const faults = resolved.ok ? [] : resolved.faults;
  const care = useMemo(() => (shown ? careOf(shown.program, shown.reckoning.fit, shown.reckoning.working) : undefined), [shown]);
  const cautions = useMemo(() => (reckoned ? cautionsOf(reckoned) : []), [reckoned]);
  const grave = useMemo(() => cautions.filter((c) => c.severity !== "note"), [cautions]);
  const loose = cautions.filter((c) => !c.line || c.severity === "note");
  const never = cautions.find((c) => c.severity === "never");
  const unanswered = cautions.filter((c) => c.severity === "stop" && !bench.reasons[c.id]?.trim());
  // What is worth searching for: a jar that may not stand as planned first, then a cupboard it has not earned.
  const goal = !reckoned ? undefined : cautions.some((c) => c.id === "works-in-fridge") ? ("room-while-working" as const) : reckoned.reckoning.verdict.place !== "cupboard" ? ("cupboard" as const) : undefined;
  const rail = reckoned ? railOf(plan, reckoned.program, reckoned.reckoning, change) : undefined;
  const vessel = useMemo(() => {
    const base = typeof plan.vessel === "string" ? VESSELS.get(plan.vessel) : plan.vessel ? vesselOf(plan.vessel) : undefined;
    const v = base && "ok" in base ? (base.ok ? base.value : undefined) : base;
    return v && plan.lid ? { ...v, lid: plan.lid } : v;
  }, [plan.vessel, plan.lid]);
  const way = wayById(plan.way);
  const steepAt = plan.steps.findIndex((s) => s.do === "steep" && /week|day|month/.test(s.for)) >= 0 ? plan.steps.findIndex((s) => s.do === "steep") : -1;
  const steep = steepAt >= 0 ? plan.steps[steepAt] : undefined;
  const steepFault = faults.find((f) => f.path[0] === "steps" && f.path[1] === steepAt && f.path[2] === "for");
  const elsewhere = faults.filter((f) => !(f.path[0] === "steps" && f.path[2] === "what") && f !== steepFault && !(f.path[0] === "vessel" && f.path[1] === "shape"));
  const over = reckoned?.reckoning.fit && reckoned.reckoning.fit.overBrimMl > 0;
  const hasHerb = plan.steps.some((s) => s.do === "add" && s.what.length > 0) && (reckoned?.program.lines.some((l) => l.stuff.plant) ?? false);
  const mayBegin = reckoned !== undefined && !never && !over && unanswered.length === 0 && hasHerb && !sending;
  const whyNot = sending ? "" : faults.length > 0 ? "Put right what is marked, then begin." : never ? `${never.says} ${never.todo}` : over ? "It does not fit the vessel." : !hasHerb ? "Add a herb to begin." : unanswered.length > 0 ? "A stop above wants the plan changed, or a reason." : "";

  const begin = async (): Promise<void> => {
    if (!mayBegin) return;
    setSending(true);
    setRefused(undefined);
    const sent = await send("/api/batches", { id: bench.id, key: bench.key, plan, reasons: bench.reasons });
    if (!sent.ok) {
      setSending(false);
      setRefused(sent.fault);
      return;
    }
    act({ do: "replace", to: { ...bench, id: "" } });
    localStorage.removeItem(DRAFT);
    router.push(`/?begun=${sent.answer.code}`);
  };

  const setKind = (kind: Kind): void => change(madeBy(cautiousWay(kind), { ...plan, kind }, household === "us" ? "us-quart" : "m-1000"), undefined);

  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,25rem)_minmax(0,1fr)_minmax(0,24.5rem)] lg:grid-rows-[auto_1fr] pt-4" aria-busy={bench.id === ""}>
      <div className="min-w-0 lg:row-span-2">
        <h1>
          <label htmlFor="name" className="sr-only">Name of the batch</label>
          <input id="name" className="w-full bg-transparent font-bold border-b border-transparent hover:border-ash" value={bench.named ? bench.plan.name : plan.name} maxLength={80} onChange={(e) => act({ do: "change", to: { ...bench, named: e.target.value !== "", plan: { ...bench.plan, name: e.target.value || "Untitled" } }, about: "name" })} />
        </h1>
        <p className="pt-1 leading-8">
          <label className="sr-only" htmlFor="kind">Kind</label>
          <select id="kind" className="stitch" value={plan.kind} onChange={(e) => setKind(e.target.value as Kind)}>{KINDS.map((k) => <option key={k} value={k}>{KIND_WORDS[k].name}</option>)}</select>
          {" · "}
          <label className="sr-only" htmlFor="way">Way</label>
          <select id="way" className="stitch max-w-[15rem] font-normal" value={plan.way ?? ""} onChange={(e) => { const w = wayById(e.target.value); if (w) change(madeBy(w, plan, household === "us" ? "us-quart" : "m-1000")); }}>{waysOf(plan.kind).map((w) => <option key={w.id} value={w.id}>{w.name}</option>)}</select>
          {steep?.do === "steep" && (
            <>
              {" · "}
              <label className="sr-only" htmlFor="steep">How long it stands</label>
              <input id="steep" className="stitch w-24" aria-invalid={steepFault !== undefined} aria-describedby={steepFault ? "steep-wrong" : undefined} value={steep.for} maxLength={60} onChange={(e) => change({ ...plan, steps: plan.steps.map((s, i) => (i === steepAt && s.do === "steep" ? { ...s, for: e.target.value } : s)) }, "steep")} />
              {" in the "}
              <label className="sr-only" htmlFor="place">Where it stands</label>
              <select id="place" className="stitch font-normal" value={steep.in ?? "dark-cupboard"} onChange={(e) => change({ ...plan, steps: plan.steps.map((s, i) => (i === steepAt && s.do === "steep" ? { ...s, in: e.target.value as NonNullable<typeof steep.in> } : s)) })}>
                <option value="dark-cupboard">dark</option><option value="counter">open kitchen</option><option value="sunny-sill">sun</option><option value="fridge">fridge</option>
              </select>
            </>
          )}
        </p>
        {steepFault && <p id="steep-wrong" role="alert" className="wrong">{steepFault.message}</p>}
        {way && <p className="quiet">{way.why}</p>}
        <div className="flex items-end justify-between ruled-head mt-3">
          <h2 className="text-[0.875rem] font-semibold text-ash">What goes in, in this order</h2>
          <span className="flex gap-1">
            <button type="button" className="min-w-7 min-h-7 inline-grid place-items-center text-cobalt disabled:text-rule" aria-label="Undo" disabled={history.past.length === 0} onClick={() => act({ do: "undo" })}><Undo2 size={18} /></button>
            <button type="button" className="min-w-7 min-h-7 inline-grid place-items-center text-cobalt disabled:text-rule" aria-label="Redo" disabled={history.future.length === 0} onClick={() => act({ do: "redo" })}><Redo2 size={18} /></button>
          </span>
        </div>
        <Lines
          plan={plan}
          reckoning={shown?.reckoning}
          stale={stale}
          faults={faults}
          cautions={grave}
          reasons={bench.reasons}
          giveReason={giveReason}
          actions={actions}
        />
        <AddLine household={plan.units} add={(line) => change(addLine(plan, line))} />
        {elsewhere.map((f) => <p key={f.name + f.message} role="alert" className="wrong">{f.message}</p>)}
        <div className="pt-2" aria-live="polite">
          {loose.map((c) => <CautionNote key={c.id} caution={c} reason={bench.reasons[c.id] ?? ""} giveReason={(why) => giveReason(c.id, why)} />)}
        </div>
      </div>
      <VesselPane plan={plan} vessel={vessel} program={shown?.program} reckoning={shown?.reckoning} faults={faults} busy={busy} choose={choose} />
      <div className="min-w-0">
        {shown && care ? <Outcome r={shown.reckoning} care={care} today={today} stale={stale} /> : <section><h2 className="ruled-head">What you will have</h2><p className="quiet pt-3">Add a herb on the left. What comes of it is reckoned here as you type.</p></section>}
        {reckoned && goal && <Offers plan={plan} goal={goal} take={(p) => change(p)} />}
        <div className="pt-4 flex flex-wrap items-center gap-4">
          <button type="button" className="slab" disabled={!mayBegin} onClick={() => void begin()}>{sending ? "Beginning…" : "Begin this batch"}</button>
          <button type="button" className="plain" onClick={() => act({ do: "replace", to: fresh(household, plan.kind) })}>clear the Bench</button>
        </div>
        <p className={refused ? "wrong pt-2" : "quiet pt-2"} role={refused ? "alert" : undefined} data-testid="begin-says">{refused ? refused.message : whyNot}</p>
      </div>
      {rail && <div className="lg:col-span-2 lg:col-start-2"><p className="quiet pb-1 -mb-8">Parts by volume</p><PartsRail segments={rail.segments} joints={rail.joints} /></div>}
    </div>
  );
}
