"use client";
import { useEffect, useMemo, useReducer } from "react";
import type { Bench as Fittings } from "@/core/plan/ways";
import type { UnitSystem } from "@/core/quantity/units";
import { keepDraft, keptDraft } from "./draft";
import type { From } from "./from";
import type { Around } from "./made";
import { type Bench, type Edit, begun, fresh, step } from "./state";

/** A text field keeps its own undo while it holds the focus and has something to undo. */
const keepsUndo = (at: EventTarget | null): boolean =>
  at instanceof HTMLInputElement && at.value !== "" && at.getAttribute("role") === "combobox";

/** What may be done on the Bench; the same functions from one drawing to the next. */
export interface BenchActions {
  readonly edit: (edit: Edit, about?: string) => void;
  /** An edit that changes one line's form: what it was can be had again. */
  readonly reform: (edit: Edit) => void;
  readonly change: (to: Partial<Bench>, about?: string) => void;
  readonly rename: (name: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly replace: (to: Bench) => void;
}

/** The Bench’s state: one reducer that holds plan and reckoning, kept in this browser until it is begun. */
export function useBench(household: UnitSystem, fittings: Fittings, around: Around, from?: From) {
  const [state, act] = useReducer(step, undefined, () =>
    begun({ ...fresh(household, fittings), id: "" }, around),
  );
  const actions = useMemo<BenchActions>(
    () => ({
      edit: (edit, about) => act({ do: "edit", edit, about }),
      reform: (edit) => act({ do: "edit", edit, hint: true }),
      change: (to, about) => act({ do: "change", to, about }),
      rename: (name) => act({ do: "rename", name }),
      undo: () => act({ do: "undo" }),
      redo: () => act({ do: "redo" }),
      replace: (to) => act({ do: "replace", to }),
    }),
    [],
  );
  // Once: what the stores hold may change under it, what stands on the Bench does not.
  useEffect(() => {
    const right = from?.as === "right" ? from : undefined;
    const blank = fresh(household, fittings);
    const asBegun = right && { ...blank, plan: right.plan, named: true, reasons: right.reasons };
    actions.replace(keptDraft(right?.id) ?? asBegun ?? blank);
    if (from && from.as !== "right" && from.as !== "wrong") {
      const recipe =
        from.as === "recipe" ? { id: from.id, version: from.version, name: from.plan.name } : undefined;
      // What stood here before is one undo away; read once, the address goes back to the Bench's own.
      actions.change({ plan: from.plan, named: true, reasons: {}, rest: [], recipe });
      window.history.replaceState(null, "", "/bench");
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a Bench is set out once
  }, [actions]);
  useEffect(() => act({ do: "stores", around }), [around]);
  const bench = state.now;
  const right = from?.as === "right" ? from.id : undefined;
  useEffect(() => {
    if (bench.id === "") return;
    // Kept once the hand rests, and at the latest when the page goes.
    const keep = (): void => keepDraft(bench, right);
    const soon = setTimeout(keep, 150);
    window.addEventListener("pagehide", keep);
    return () => {
      clearTimeout(soon);
      window.removeEventListener("pagehide", keep);
    };
  }, [bench, right]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== "z" || keepsUndo(e.target)) return;
      e.preventDefault();
      act({ do: e.shiftKey ? "redo" : "undo" });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return { state, actions };
}
