"use client";
import { Told } from "../kit/told";
import { memo, useCallback, useMemo, useState } from "react";
import { useToldOf } from "../kit/told-of";
import { useLatest } from "../kit/latest";
import { Redo2, Undo2 } from "lucide-react";
import type { Day } from "@/core/day";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import { linesOf } from "@/core/plan/edit";
import type { Nameless } from "@/core/plan/ids";
import type { Line, Plan } from "@/core/plan/plan";
import { usualForm } from "@/core/plan/ways";
import { withLine } from "@/core/plan/edit";
import { readAmount } from "@/core/reading/amounts";
import { agree, counted, listed } from "@/core/words";
import { contextIn } from "@/core/reading/said";
import { materialsOf } from "@/core/reckoning/context";
import { AddLine } from "../plan/add-line";
import { CautionNote } from "../plan/cautions";
import type { WrittenDown } from "../plan/write-down";
import { FromCellar } from "./from-cellar";
import { LeftOut } from "./left-out";
import { Lines } from "./lines/lines";
import { useLineActions } from "./lines/line-actions";
import type { Made } from "./made";
import { type State, addLine, pouredAlready } from "./state";
import type { BenchActions } from "./use-bench";

/** As many as a plan in a file may hold in one step; more would not be read back. */
const MOST_LINES = 60;

const UNDO = <Undo2 size={18} />;
const REDO = <Redo2 size={18} />;

/** Where a new line may go: the steps that add, in words. */
function placesToAdd(plan: Plan): readonly (readonly [id: string, words: string])[] {
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  return plan.steps.flatMap((s, i) => {
    if (s.do !== "add") return [];
    if (i === 0) return [[s.id, "at the start"] as const];
    const before = plan.steps[i - 1]!.do;
    const after =
      cut >= 0 && i > cut
        ? "after straining"
        : `after it has ${before === "steep" ? "stood" : "been heated"}`;
    return [[s.id, after] as const];
  });
}

/** Puts typed lines into the plan; a liquid it pours already sets that line instead. */
const putIn = (plan: Plan, lines: readonly Nameless<Line>[], into: string | undefined): Plan =>
  lines.reduce((p, l) => {
    const there = pouredAlready(p, l, into);
    return there ? withLine(p, there.id, ({ id }) => ({ ...l, id })) : addLine(p, l, into);
  }, plan);

/** What is said where typed lines set what the plan pours already. @param more lines that were added beside them */
function setWords(set: readonly Nameless<Line>[], more: number): string {
  const amounts = listed(set.map((l) => l.amount));
  const what = agree(set.length, "it already: its amount is", "them already: their amounts are");
  return `The plan pours ${what} set to ${amounts}.${more > 0 ? ` ${counted(more, "line")} added.` : ""}`;
}

/** Puts typed lines in, and says what was done; a plan that is full says so. */
function useAdding(plan: Plan, actions: BenchActions, target: string | undefined) {
  const [told, setTold] = useToldOf(plan);
  const now = useLatest(plan);
  const add = useCallback(
    (lines: readonly Nameless<Line>[], names: string): void => {
      const plan = now();
      if (linesOf(plan).length + lines.length > MOST_LINES)
        return setTold(
          `A plan holds ${MOST_LINES} lines; ${names} would be one too many. Take another out first.`,
        );
      const set = lines.filter((l) => pouredAlready(plan, l, target));
      actions.edit((p) => putIn(p, lines, target));
      setTold(set.length > 0 ? setWords(set, lines.length - set.length) : `${names} added.`);
    },
    [actions, now, setTold, target],
  );
  const writtenDown = useCallback(
    (w: WrittenDown): void => actions.edit((p) => ({ ...p, materials: [...(p.materials ?? []), w.row] })),
    [actions],
  );
  const fromCellar = useCallback(
    (line: Nameless<Line>, rows: NonNullable<Plan["materials"]>, name: string): void => {
      const ids = new Set(rows.map((m) => m.id));
      actions.edit((p) =>
        addLine(
          { ...p, materials: [...(p.materials ?? []).filter((m) => !ids.has(m.id)), ...rows] },
          line,
          target,
        ),
      );
      setTold(`${name} added.`);
    },
    [actions, setTold, target],
  );
  return { told, add, writtenDown, fromCellar, hush: useCallback(() => setTold(""), [setTold]) };
}

/** How a line is read for this plan: its units, its materials, what it pours already. */
function useReadingContext(plan: Plan, all: Catalogue) {
  const usual = usualForm(plan);
  const now = useLatest(plan);
  return useMemo(
    () =>
      contextIn(plan.units, {
        catalogue: all,
        usual,
        // Asked for when a line is read: an amount typed elsewhere need not draw the field for the next line again.
        poured: (material) => {
          const l = linesOf(now()).find((x) => x.material === material);
          const a = l ? readAmount(l.amount, plan.units) : undefined;
          return a?.ok ? a.value : undefined;
        },
      }),
    [plan.units, now, all, usual],
  );
}

/** The head of the list: start over, undo, redo. */
const ListHead = memo(function ListHead({
  canUndo,
  canRedo,
  actions,
  startOver,
}: {
  canUndo: boolean;
  canRedo: boolean;
  actions: BenchActions;
  startOver: () => void;
}) {
  const arrow = "min-w-8 min-h-8 inline-grid place-items-center text-cobalt disabled:text-rule";
  return (
    <div className="flex items-end justify-between ruled-head mt-3">
      <h2 className="text-[0.875rem] font-semibold text-ash">What goes in, in this order</h2>
      <span className="flex gap-1 items-center">
        <button type="button" className="plain font-normal pr-2 min-h-7" onClick={startOver}>
          start over
        </button>
        <button type="button" className={arrow} aria-label="Undo" disabled={!canUndo} onClick={actions.undo}>
          {UNDO}
        </button>
        <button type="button" className={arrow} aria-label="Redo" disabled={!canRedo} onClick={actions.redo}>
          {REDO}
        </button>
      </span>
    </div>
  );
});

/** Where the next line goes, in a plan that adds more than once. */
function Into({
  places,
  value,
  change,
}: {
  places: readonly (readonly [id: string, words: string])[];
  value: string | undefined;
  change: (id: string) => void;
}) {
  if (places.length < 2) return null;
  return (
    <p className="quiet">
      <label htmlFor="into">it goes in </label>
      <select
        id="into"
        className="stitch font-normal"
        value={value ?? places[0]![0]}
        onChange={(e) => change(e.target.value)}
      >
        {places.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </p>
  );
}

/** Past the lines to the bar, for keys: it is seen when it is come to. */
function OnToBegin() {
  const go = (): void => document.querySelector<HTMLElement>("[data-begin]")?.focus();
  return (
    <button
      type="button"
      className="plain sr-only focus:not-sr-only focus:min-h-11 pointer-coarse:hidden"
      aria-label="Skip to Begin"
      onClick={go}
    >
      Skip to Begin
    </button>
  );
}

/** Faults of the plan that no line or vessel says. */
function faultsElsewhere({ faults, plan }: Made): readonly Fault[] {
  const elsewhere = faults.filter(
    (f) => f.path[0] !== "steps" && !(f.path[0] === "vessel" && f.path[1] === "shape"),
  );
  const nothingYet = faults.filter((f) => f.path[0] === "steps" && f.path.length === 1);
  return [...elsewhere, ...(linesOf(plan).length > 0 ? nothingYet : [])];
}

/** The left of the Bench: what goes in, in this order, and the field to add to it. */
export function GoingIn({
  state,
  today,
  catalogue,
  actions,
  giveReason,
  startOver,
}: {
  state: State;
  today: Day;
  catalogue: Catalogue;
  actions: BenchActions;
  giveReason: (id: string, why: string) => void;
  startOver: () => void;
}) {
  const { made } = state;
  const { plan } = made;
  const lineActions = useLineActions(actions);
  const [into, setInto] = useState("");
  const [round, setRound] = useState(0);
  const all = useMemo(() => materialsOf(plan, { materials: catalogue }), [plan, catalogue]);
  const context = useReadingContext(plan, all);
  const places = placesToAdd(plan);
  const target = places.some(([id]) => id === into) ? into : undefined;
  const { told, add, writtenDown, fromCellar, hush } = useAdding(plan, actions, target);
  const over = useCallback((): void => {
    startOver();
    setRound((n) => n + 1);
    hush();
  }, [startOver, hush]);
  return (
    <>
      <ListHead
        canUndo={state.past.length > 0}
        canRedo={state.future.length > 0}
        actions={actions}
        startOver={over}
      />
      <AddLine key={round} context={context} add={add} writtenDown={writtenDown} />
      <OnToBegin />
      <FromCellar today={today} put={fromCellar} />
      <Into places={places} value={target} change={setInto} />
      <p role="status" className="quiet min-h-6" data-testid="told">
        {told}
      </p>
      <LeftOut left={state.left} plan={plan} catalogue={all} actions={actions} />
      <Lines
        made={made}
        catalogue={all}
        reasons={state.now.reasons}
        giveReason={giveReason}
        hint={state.hint}
        actions={lineActions}
      />
      {faultsElsewhere(made).map((f) => (
        <p key={f.name + f.message} role="alert" className="wrong">
          <Told of={f.message} />
        </p>
      ))}
      <div className="pt-1" aria-live="polite">
        {made.grave
          .filter((c) => c.about.what === "whole")
          .map((c, i) => (
            <CautionNote
              key={`${c.id}-${i}`}
              caution={c}
              reason={state.now.reasons[c.id] ?? ""}
              giveReason={giveReason}
            />
          ))}
      </div>
    </>
  );
}
