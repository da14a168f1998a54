"use client";
import { useMemo } from "react";
import {
  DndContext,
  type DndContextProps,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from "@dnd-kit/sortable";
import type { Caution } from "@/core/cautions/caution";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import { lineOf, linesOf } from "@/core/plan/edit";
import type { Line, Step } from "@/core/plan/plan";
import type { Made } from "../made";
import type { Hint } from "../state";
import type { LineActions } from "./line-actions";
import { OneLine } from "./one-line";
import { Measured } from "./say-otherwise";
import { AddStep } from "./add-step";
import { StepRow } from "./step-row";

interface Props {
  readonly made: Made;
  readonly catalogue: Catalogue;
  readonly reasons: Readonly<Record<string, string>>;
  readonly giveReason: (id: string, why: string) => void;
  readonly hint: Hint | undefined;
  readonly actions: LineActions;
}

const NO_FAULTS: readonly Fault[] = [];
const NO_CAUTIONS: readonly Caution[] = [];
// Outside the component: a new object would make every line listen anew in every frame.
const POINTER = { activationConstraint: { distance: 4 } };
const KEYS = { coordinateGetter: sortableKeyboardCoordinates };

const faultsAt = (faults: readonly Fault[], step: number, place?: number): readonly Fault[] => {
  if (faults.length === 0) return NO_FAULTS;
  const mine = faults.filter(
    (f) =>
      f.path[0] === "steps" &&
      f.path[1] === step &&
      (place === undefined ? f.path[2] !== "what" : f.path[3] === place),
  );
  return mine.length === 0 ? NO_FAULTS : mine;
};

/** What a reader of screens hears while a line is moved. */
const spoken = (nameOf: (id: unknown) => string): DndContextProps["accessibility"] => ({
  screenReaderInstructions: {
    draggable:
      "Space takes it up, the arrow keys move it, space puts it down, escape leaves it where it was.",
  },
  announcements: {
    onDragStart: ({ active }) => `${nameOf(active.id)} taken up.`,
    onDragOver: ({ active, over }) => (over ? `${nameOf(active.id)} over ${nameOf(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) =>
      over ? `${nameOf(active.id)} put down by ${nameOf(over.id)}.` : `${nameOf(active.id)} put down.`,
    onDragCancel: ({ active }) => `${nameOf(active.id)} left where it was.`,
  },
});

/** The cautions about one line or one step. */
function cautionsAt(grave: readonly Caution[], what: "line" | "step", id: string): readonly Caution[] {
  const mine = grave.filter((c) =>
    what === "line"
      ? c.about.what === "line" && c.about.line === id
      : c.about.what === "step" && c.about.step === id,
  );
  return mine.length === 0 ? NO_CAUTIONS : mine;
}

/** The lines and the steps between, one under another. Not a component: a row that did not change is the same row. */
function rowsOf(p: Props, ids: readonly string[]): React.ReactNode[] {
  const { made, actions } = p;
  const { plan } = made;
  const oneLine = (line: Line, step: number, place: number): React.ReactNode => {
    const found = made.shown?.reckoning.lines.find((l) => l.id === line.id);
    return (
      <OneLine
        key={line.id}
        line={line}
        first={ids[0] === line.id}
        last={ids.at(-1) === line.id}
        system={plan.units}
        catalogue={p.catalogue}
        grams={found?.grams.value}
        millilitres={found?.ml.value}
        stale={!made.now}
        faults={faultsAt(made.faults, step, place)}
        cautions={cautionsAt(made.grave, "line", line.id)}
        reasons={p.reasons}
        hint={p.hint?.is === line ? p.hint : undefined}
        actions={actions}
        giveReason={p.giveReason}
      />
    );
  };
  const stepRow = (s: Step, i: number): React.ReactNode => (
    <StepRow
      key={`step-${s.id}`}
      step={s}
      first={i <= 1}
      last={i === plan.steps.length - 1}
      fromCm={made.shown?.levels.get(s.id)?.fromCm}
      toCm={made.shown?.levels.get(s.id)?.toCm}
      faults={faultsAt(made.faults, i)}
      cautions={cautionsAt(made.grave, "step", s.id)}
      reasons={p.reasons}
      giveReason={p.giveReason}
      actions={actions}
    />
  );
  return plan.steps.flatMap((s, i) => [
    ...(s.do === "add" && i === 0 ? [] : [stepRow(s, i)]),
    ...(s.do === "add" ? s.what.map((l, place) => oneLine(l, i, place)) : []),
  ]);
}

/** What goes in, in the order it goes in, with the waits between. */
export function Lines(p: Props) {
  const { made, actions } = p;
  const { plan } = made;
  const sensors = useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, KEYS));
  // A plan is edited by parts, so its lines are the same objects while only an amount of one changes.
  const order = linesOf(plan)
    .map((l) => l.id)
    .join(" ");
  const ids = useMemo(() => (order === "" ? [] : order.split(" ")), [order]);
  const nameOf = (id: unknown): string => {
    const l = lineOf(plan, String(id));
    return (l && p.catalogue.get(l.material)?.row.names[0]) ?? "it";
  };
  const dropped = (e: DragEndEvent): void => {
    if (e.over && e.over.id !== e.active.id) actions.drop(String(e.active.id), String(e.over.id));
  };
  return (
    <>
      <DndContext
        id="lines"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={dropped}
        accessibility={spoken(nameOf)}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <Measured.Provider value={made.shown?.program}>
            <ol aria-label="What goes in, in this order">{rowsOf(p, ids)}</ol>
          </Measured.Provider>
        </SortableContext>
      </DndContext>
      <AddStep add={actions.addStep} />
    </>
  );
}
