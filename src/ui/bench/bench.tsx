"use client";
import { useCallback, useMemo, useState } from "react";
import type { RailJoint } from "@/core/advice/rail";

import { type Plan, SAYINGS, SAYING_NAMES } from "@/core/plan/plan";
import { type Bench as Fittings } from "@/core/plan/ways";
import type { UnitSystem } from "@/core/quantity/units";
import type { Stored } from "@/core/stores/events";
import { isPot } from "@/core/vessel/vessel";
import type { Busy } from "@/core/stores/free";
import { storesOf, usualOf } from "@/core/stores/stores";
import { PartsRail } from "../figures/rail";
import { MeasuredIn, useUnits } from "../kit/units";
import { Notes } from "../plan/cautions";
import { useBenchKeys } from "./bench-keys";
import { Begin, whyNotBegin } from "./begin";
import { type From, FromBatch, usePuttingRight } from "./from";
import { BenchDrawers } from "./drawers/bench-drawers";
import type { DrawerName } from "./drawers/drawers";
import { BenchFoot } from "./bench-foot";
import { BenchHead } from "./head";
import { GoingIn } from "./going-in";
import type { Around, Made } from "./made";
import { BenchIntoBook } from "../formulary/into-the-book";
import { OutcomeSide } from "./outcome-side";
import { type Bench as BenchState, fresh } from "./state";
import { useBeginning } from "./use-beginning";
import { type BenchActions, useBench } from "./use-bench";

import { VesselPane, type VesselPart } from "./vessel-pane";
import { potsOf, useHeadActions, usualJar } from "./fittings";

interface Props {
  readonly household: UnitSystem;
  readonly currency: string;
  readonly today: string;
  /** Everything in the stores, as the server has it. */
  readonly items: readonly Stored[];
  readonly busy: readonly Busy[];
  readonly from: From | undefined;
}

const NOBODY: readonly string[] = [];
/** What lies about the Bench: the household's stores, its usual jar, whom it is for. */
function useAround({ household, today, items, busy }: Props) {
  const { market } = useUnits();
  const stores = useMemo(() => storesOf(items), [items]);
  const fittings = useMemo<Fittings>(
    () => ({
      jar: usualJar(stores, busy, household),
      ...potsOf(market),
      usual: usualOf(stores.lots),
    }),
    [stores, busy, household, market],
  );
  const around = useMemo<Around>(
    () => ({
      context: { materials: stores.catalogue },
      company: { people: stores.people, today },
      lots: stores.lots,
    }),
    [stores, today],
  );
  return { stores, fittings, around };
}

/** What hands do to the plan, each the same function from one keystroke to the next, so that only what changed is drawn again. */
function useHands({ edit, change }: BenchActions, bench: BenchState) {
  const giveReason = useCallback(
    (id: string, why: string): void => change({ reasons: { ...bench.reasons, [id]: why } }, `reason-${id}`),
    [change, bench.reasons],
  );
  const take = useCallback((to: Plan): void => edit((p) => said(to, p)), [edit]);
  // A school may say how it is taken, too; it is made from the plan as it stands.
  const teach = useCallback(
    (to: Plan): void =>
      edit(({ taken: _, ...p }) => said(to, { ...p, ...(to.taken ? { taken: to.taken } : {}) })),
    [edit],
  );
  const takeBoth = useCallback(
    (to: Plan, rest?: Plan): void => {
      edit((p) => said(to, p));
      if (rest) change({ rest: [...bench.rest, rest] }, "rest");
    },
    [edit, change, bench.rest],
  );
  const slide = useCallback(
    (joint: RailJoint, share: number, dragging: boolean): void =>
      edit((p) => said(joint.moved(share), p), `${dragging ? "drag" : "nudge"}-${joint.name}`),
    [edit],
  );
  const choose = useCallback(
    (part: VesselPart, about?: string): void =>
      edit(({ vessel: _v, lid: _l, ware: _w, ...p }) => ({ ...p, ...part }), about),
    [edit],
  );
  const grown = useCallback(
    (recipe: NonNullable<BenchState["recipe"]>): void => change({ recipe }, "recipe"),
    [change],
  );
  return { giveReason, take, teach, takeBoth, slide, choose, grown };
}

/** Everything a part of the Bench may need to know. */
interface OfBench extends ReturnType<typeof useAround>, ReturnType<typeof useHands> {
  readonly props: Props;
  readonly state: ReturnType<typeof useBench>["state"];
  readonly actions: BenchActions;
  readonly beginning: ReturnType<typeof useBeginning>;
  readonly putting: Putting | undefined;
}
type Putting = ReturnType<typeof usePuttingRight>;

/** Name, kind and people, and what goes in. */
function WhatGoesIn({ of }: { of: OfBench }) {
  const { props, state, actions, stores, fittings, giveReason, beginning } = of;
  const { today, household } = props;
  const { made } = state;
  const { kind } = made.plan;
  const { clear } = beginning;
  const over = useCallback((): void => {
    clear();
    actions.replace(fresh(household, fittings, kind));
  }, [clear, actions, household, fittings, kind]);
  return (
    <div className="min-w-0 lg:max-xl:col-start-2 lg:max-xl:row-start-1 lg:max-xl:row-span-3">
      <Heading bench={state.now} made={made} {...{ stores, today, actions, fittings, giveReason }} />
      <GoingIn
        state={state}
        today={today}
        catalogue={stores.catalogue}
        actions={actions}
        giveReason={giveReason}
        startOver={over}
      />
    </div>
  );
}

/** The vessel as full as it will be, and the way to begin. */
function InTheVessel({ of, openWays }: { of: OfBench; openWays: () => void }) {
  const { props, state, stores, beginning, putting, giveReason, choose, takeBoth, grown } = of;
  const { made } = state;
  const bench = state.now;
  const { change } = of.actions;
  const setJars = useCallback((jars: number) => change({ jars }, "jars"), [change]);
  const keeps = !putting && made.faults.length === 0 && bench.id !== "";
  return (
    <div className="min-w-0 max-xl:order-first lg:max-xl:row-span-1">
      <VesselPane
        plan={made.plan}
        vessel={made.vessel}
        program={made.shown?.program}
        reckoning={made.shown?.reckoning}
        faults={made.faults}
        cautions={made.grave}
        reasons={bench.reasons}
        giveReason={giveReason}
        owned={stores.vessels}
        busy={props.busy}
        choose={choose}
        edit={of.actions.edit}
        take={takeBoth}
      />
      <Begin
        why={whyNotBegin(made, bench, (putting ?? beginning).sending)}
        sending={putting ?? beginning}
        jars={putting || !made.vessel || isPot(made.vessel) ? undefined : { count: bench.jars, set: setJars }}
        openWays={openWays}
        keep={keeps ? <BenchIntoBook plan={made.plan} recipe={bench.recipe} grown={grown} /> : undefined}
      />
    </div>
  );
}

/** Plan a batch: what goes in, the vessel, and what you will have; everything is reckoned again at every keystroke. */
export function Bench(props: Props) {
  const { household, currency, today, from } = props;
  const { stores, fittings, around } = useAround(props);
  const { state, actions } = useBench(household, fittings, around, from);
  const [drawer, setDrawer] = useState<DrawerName | "">("");
  const { made } = state;
  const bench = state.now;
  const beginning = useBeginning(bench, made, actions, () => fresh(household, fittings, made.plan.kind));
  const right = usePuttingRight(from, bench, made);
  const putting = from?.as === "right" ? right : undefined;
  const hands = useHands(actions, bench);
  const writes = putting ?? beginning;
  const mayBegin = whyNotBegin(made, bench, writes.sending) === undefined;
  useBenchKeys(mayBegin ? () => void (putting?.put ?? beginning.begin)() : undefined);
  const of: OfBench = { props, stores, fittings, around, state, actions, beginning, putting, ...hands };
  const openWays = (): void => {
    setDrawer("ways");
    requestAnimationFrame(() => document.getElementById("drawers")?.scrollIntoView({ block: "start" }));
  };
  return (
    <MeasuredIn system={made.plan.units}>
      <div aria-busy={bench.id === ""}>
        {beginning.begun !== "" && (
          <p role="status" className="no-print bg-celadon px-3 py-2 mt-4">
            {beginning.begun} has begun. This is the other jar of it; begin it too, or start over.
          </p>
        )}
        {from && <FromBatch from={from} why={right.why} setWhy={right.setWhy} />}
        <div className="no-print grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1.55fr)_minmax(0,1fr)] xl:grid-cols-[minmax(0,22rem)_minmax(0,1fr)_minmax(0,20.5rem)] 2xl:grid-cols-[minmax(0,28rem)_minmax(0,1fr)_minmax(0,30rem)] pt-4">
          <WhatGoesIn of={of} />
          <InTheVessel of={of} openWays={openWays} />
          <div className="min-w-0 lg:max-xl:col-start-1">
            <OutcomeSide
              made={made}
              around={around}
              empties={stores.empties}
              currency={currency}
              today={today}
              take={hands.take}
              bench={bench}
            />
          </div>
        </div>
        {/* The rail stays in reach while the plan scrolls. */}
        {made.rail && (
          <div className="no-print lg:sticky lg:bottom-[3.625rem] z-[5] bg-ground pt-1 pb-3">
            <PartsRail rail={made.rail} move={hands.slide} />
          </div>
        )}
        <div className="no-print">
          <Notes cautions={made.notes} />
        </div>
        <BenchDrawers
          open={drawer}
          setOpen={setDrawer}
          {...{ made, stores, today, currency }}
          jars={bench.jars}
          shop={bench.shop}
          setShop={(shop) => actions.change({ shop }, "shop")}
          take={hands.take}
          teach={hands.teach}
        />
        <BenchFoot {...{ made, beginning, putting }} why={whyNotBegin(made, bench, writes.sending)} />
      </div>
    </MeasuredIn>
  );
}

/** What was said of the plan stays said, whatever it is made from. */
const said = (to: Plan, was: Plan): Plan => {
  const { name, meantFor } = was;
  const rest = Object.fromEntries(
    Object.entries(to).filter(([k]) => k !== "meantFor" && !(k in SAYINGS)),
  ) as Plan;
  const sayings = Object.fromEntries(SAYING_NAMES.flatMap((s) => (was[s] ? [[s, was[s]]] : [])));
  return { ...rest, name, ...(meantFor ? { meantFor } : {}), ...sayings };
};

function Heading({
  bench,
  made,
  stores,
  today,
  actions,
  fittings,
  giveReason,
}: {
  bench: BenchState;
  made: Made;
  stores: ReturnType<typeof storesOf>;
  today: string;
  actions: BenchActions;
  fittings: Fittings;
  giveReason: (id: string, why: string) => void;
}) {
  const { plan } = made;
  const heads = useHeadActions(actions, fittings);
  return (
    <BenchHead
      name={bench.named ? bench.plan.name : ""}
      usualName={plan.name}
      kind={plan.kind}
      way={plan.way ?? ""}
      meantFor={plan.meantFor ?? NOBODY}
      taken={plan.taken ?? ""}
      purpose={plan.purpose ?? ""}
      toldBy={plan.toldBy ?? ""}
      saidToKeep={plan.saidToKeep ?? ""}
      people={stores.people}
      today={today}
      cautions={made.grave}
      reasons={bench.reasons}
      giveReason={giveReason}
      actions={heads}
    />
  );
}
