"use client";
import { useCallback, useEffect, useMemo, useReducer, useRef } from "react";
import { Plan } from "@/core/remedy/plan";
import type { Household } from "@/core/quantity/units";
import type { Usual } from "@/core/remedy/ways";
import { type Action, type Bench, type History, fresh, step, usualName } from "./state";

const DRAFT = "jolly-bench";

/** A draft kept in this browser, if it still reads as one. */
function kept(): Bench | undefined {
  try {
    const text = localStorage.getItem(DRAFT);
    if (!text) return undefined;
    const d = JSON.parse(text) as Partial<Bench>;
    const plan = Plan.safeParse({ ...d.plan, name: d.plan?.name || "Untitled" });
    if (!plan.success || typeof d.id !== "string" || typeof d.key !== "string") return undefined;
    const rest = Plan.array().safeParse(d.rest ?? []);
    return { plan: plan.data, named: d.named === true, id: d.id, key: d.key, reasons: d.reasons ?? {}, rest: rest.success ? rest.data : [], shop: { price: String(d.shop?.price ?? ""), ml: String(d.shop?.ml ?? "") } };
  } catch {
    return undefined;
  }
}

/** The Bench's state: history with undo and redo, kept in this browser until it is begun. Its handlers never change, so that only what moved is drawn again. */
export function useBench(household: Household, usualJar: string, usual: Usual) {
  const [history, act] = useReducer(step, undefined, (): History => ({ now: { ...fresh(household, usualJar, usual), id: "" }, past: [], future: [], about: undefined }));
  const bench = history.now;
  const plan = useMemo<Plan>(() => ({ ...bench.plan, name: bench.named ? bench.plan.name : usualName(bench.plan) }), [bench]);
  const newest = useRef({ bench, plan });
  newest.current = { bench, plan };

  // Once: what the stores hold may change under it, what stands on the Bench does not.
  useEffect(() => act({ do: "replace", to: kept() ?? fresh(household, usualJar, usual) }), [household]);
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

  const change = useCallback((to: Plan, about?: string): void => {
    act({ do: "change", to: { ...newest.current.bench, plan: to }, ...(about === undefined ? {} : { about }) });
  }, []);
  const changeBench = useCallback((to: Partial<Bench>, about?: string): void => act({ do: "change", to: { ...newest.current.bench, ...to }, ...(about === undefined ? {} : { about }) }), []);
  const giveReason = useCallback((id: string, why: string): void => changeBench({ reasons: { ...newest.current.bench.reasons, [id]: why } }, `reason-${id}`), [changeBench]);
  const forget = useCallback((): void => localStorage.removeItem(DRAFT), []);
  return { bench, plan, history, act: act as (a: Action) => void, change, changeBench, giveReason, forget, newest };
}
