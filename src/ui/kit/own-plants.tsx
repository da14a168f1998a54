"use client";
import { createContext, useContext, useMemo } from "react";
import type { Catalogue } from "@/core/material/catalogue";
import type { Plan } from "@/core/plan/plan";
import { materialsOf } from "@/core/reckoning/context";

type Rows = NonNullable<Plan["materials"]>;
const NONE: Rows = [];
const Context = createContext<Rows>(NONE);

/** The household's own plants, for whatever is typed on the pages within. */
export function OwnPlants({ rows, children }: { rows: Rows; children: React.ReactNode }) {
  return <Context.Provider value={rows}>{children}</Context.Provider>;
}

/** The materials a plan is read with: the catalogue, the plan's own, and the household's own plants. */
export function useMaterials(plan: Plan): Catalogue {
  const own = useContext(Context);
  return useMemo(() => {
    const held = new Set(plan.materials?.map((m) => m.id));
    const more = own.filter((m) => !held.has(m.id));
    return materialsOf(
      more.length > 0 ? { ...plan, materials: [...(plan.materials ?? []), ...more] } : plan,
      {},
    );
  }, [plan, own]);
}

/** Those of the household's own plants that lines stand for and a plan does not have yet. */
export function useOwnOf(plan: Plan): (lines: readonly { readonly material: string }[]) => Rows {
  const own = useContext(Context);
  return useMemo(() => {
    const held = new Set(plan.materials?.map((m) => m.id));
    return (lines) => own.filter((m) => !held.has(m.id) && lines.some((l) => l.material === m.id));
  }, [plan, own]);
}
