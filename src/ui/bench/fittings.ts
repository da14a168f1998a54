"use client";

import { useMemo } from "react";
import type { Plan } from "@/core/plan/plan";

import { cautiousWay, wayById } from "@/core/plan/kinds";

import { type Bench as Fittings, PRESSURE_POT, madeBy } from "@/core/plan/ways";
import type { UnitSystem } from "@/core/quantity/units";
import type { Market } from "@/core/reading/measures";

import type { Busy } from "@/core/stores/free";
import { storesOf } from "@/core/stores/stores";

import { type HeadActions } from "./head";

import { type BenchActions } from "./use-bench";
import { freeChoices } from "./vessel-choice";

/** The pots a clear Bench heats in, as they are sold where the household is. */
export const potsOf = (market: Market): { readonly pot: string; readonly pressurePot: string } =>
  market === "us" ? { pot: "us-p-3", pressurePot: "us-pp-6" } : { pot: "p-3000", pressurePot: PRESSURE_POT };

/** The jar a clear Bench begins with: the household's own free one nearest a litre, or the usual quart. */
export function usualJar(
  stores: ReturnType<typeof storesOf>,
  busy: readonly Busy[],
  household: UnitSystem,
): string {
  const [nearest] = freeChoices(stores.vessels, busy)
    .filter((c) => c.vessel.sort === "jar" && typeof c.named === "string")
    .sort((a, b) => Math.abs(a.vessel.fillMl - 950) - Math.abs(b.vessel.fillMl - 950));
  if (typeof nearest?.named === "string") return nearest.named;
  return household === "us" ? "us-quart" : "m-1000";
}

export function useHeadActions({ edit, rename }: BenchActions, fittings: Fittings): HeadActions {
  return useMemo<HeadActions>(
    () => ({
      rename,
      setKind: (kind) => edit((p) => madeBy(cautiousWay(kind), { ...p, kind }, fittings)),
      setWay: (id) =>
        edit((p) => {
          const w = wayById(id);
          return w ? madeBy(w, p, fittings) : p;
        }),
      setMeantFor: (names) =>
        edit(({ meantFor: _, ...p }) => (names.length > 0 ? { ...p, meantFor: [...names] } : p)),
      say: (what, words) =>
        edit(({ [what]: _, ...p }) => (words === "" ? p : { ...p, [what]: words }) as Plan, what),
    }),
    [edit, rename, fittings],
  );
}
