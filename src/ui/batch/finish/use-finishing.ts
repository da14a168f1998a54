import { useDeferredValue, useMemo, useState } from "react";
import { type Dial, dialOf, goesIn } from "@/core/advice/finish-dial";
import type { Fault } from "@/core/fault";
import { asDone } from "@/core/journal/as-done";
import type { Batch } from "@/core/journal/fold";
import { type BatchReckoning, reckonBatch, reckonMade } from "@/core/journal/reckon";
import { isSweet } from "@/core/material/material";
import type { Company } from "@/core/people/company";
import type { Line } from "@/core/plan/plan";
import { addedAfterStraining } from "@/core/plan/edit";
import { contextIn } from "@/core/reading/said";
import { whenDone } from "@/core/reckoning/in-the-pot";
import { useDraft } from "../../kit/draft";
import { useMaterials, useOwnOf } from "../../kit/own-plants";
import { useStops } from "../stops";
import { useWrite } from "../write";

/** What the plan foresaw after the straining. */
const foreseen = (batch: Batch): readonly Line[] => addedAfterStraining(batch.plan).flatMap((s) => s.what);

const NONE: ReadonlyMap<string, Fault> = new Map();

/** Faults of the lines that go in here, by line; faults carry places in the plan as it is made. */
function faultsByLine(
  batch: Batch,
  lines: readonly Line[],
  faults: readonly Fault[],
): ReadonlyMap<string, Fault> {
  const { steps } = asDone(batch.begunPlan, { ...batch.making, finished: lines }).plan;
  const at = (f: Fault): Line | undefined => {
    const s = steps[Number(f.path[1])];
    return f.path[0] === "steps" && s?.do === "add" ? s.what[Number(f.path[3])] : undefined;
  };
  return new Map(faults.flatMap((f) => (at(f) ? [[at(f)!.id, f] as const] : [])));
}

/** To what level each line brings the jug, mL, in the order they are poured. */
function levels(batch: Batch, lines: readonly Line[]): readonly number[] {
  return lines.flatMap((_, i) => {
    const r = reckonMade(batch, { ...batch.making, finished: lines.slice(0, i + 1) });
    return r.ok ? [whenDone(r.value.program, "finished").ml] : [];
  });
}

/** The line dialled before any is chosen: what sweetens it, else the first that is poured. */
function firstDialled(r: BatchReckoning | undefined, lines: readonly Line[]): string | undefined {
  const mine = r?.program.lines.filter((l) => lines.some((x) => x.id === l.line.id)) ?? [];
  return (mine.find((l) => isSweet(l.stuff)) ?? mine.find((l) => !l.stuff.plant))?.line.id ?? lines[0]?.id;
}

/** A line kept before lines had ids is named by its place. */
const isKept = (k: unknown): readonly Line[] | undefined =>
  Array.isArray(k) ? (k as Line[]).map((l, i) => ({ ...l, id: l.id ?? `kept${i}` })) : undefined;

/**
 * What goes into the measured liquid, as it is said so far, and all that follows.
 * @param right the entry that is put right, where it is said again
 */
export function useFinishing(batch: Batch, company: Company, right: number | undefined) {
  const w = useWrite(batch.id, batch.seq);
  const planned = useMemo(() => foreseen(batch), [batch]);
  const draft = useDraft<readonly Line[]>(
    `jolly-finish-${batch.id}${right ? `-${right}` : ""}`,
    planned,
    isKept,
  );
  const lines = draft.value;
  const inIt = useMemo(() => lines.filter(goesIn), [lines]);
  const catalogue = useMaterials(batch.plan);
  const ownOf = useOwnOf(batch.plan);
  const materials = useMemo(() => [...(batch.making.materials ?? []), ...ownOf(inIt)], [batch, ownOf, inIt]);
  // What is tried on it is tried with the household's own plants that go in.
  const known = useMemo<Batch>(
    () => (materials.length > 0 ? { ...batch, making: { ...batch.making, materials } } : batch),
    [batch, materials],
  );
  const context = useMemo(() => contextIn(batch.plan.units, { catalogue }), [batch.plan.units, catalogue]);
  const r = useMemo(
    () => reckonBatch(known, { ...known.making, finished: inIt }, company),
    [known, inIt, company],
  );
  const got = r.ok ? r.value : undefined;
  const [chosen, choose] = useState<string>();
  const dialled = lines.some((l) => l.id === chosen) ? chosen : firstDialled(got, lines);
  // The places along the dial move with everything but the line that is dialled.
  const rest = JSON.stringify(lines.map((l) => (l.id === dialled ? { ...l, amount: "" } : l)));
  const late = useDeferredValue(rest);
  const dial = useMemo<Dial | undefined>(
    () => (dialled === undefined ? undefined : dialOf(known, lines, dialled)),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [known, late, dialled],
  );
  const grave = got?.cautions.filter((c) => c.severity !== "note");
  const stops = useStops(batch, "bottle", grave);
  const wrong = useMemo(() => (r.ok ? NONE : faultsByLine(known, inIt, r.faults)), [known, inIt, r]);
  const go = (page: string) => (): void => {
    draft.clear();
    w.router.push(`/batch/${batch.id}${page}`);
    w.router.refresh();
  };
  const send = (): void => {
    const body = { lines: inIt, ...stops.body };
    void (right ? w.putRight(right, body, "", go("")) : w.write("finished", body, go("/bottle")));
  };
  const elsewhere = r.ok ? undefined : r.faults.find((f) => ![...wrong.values()].includes(f));
  return {
    ...{ lines, inIt, catalogue, context, got, dial, dialled, choose, stops, wrong, elsewhere, send },
    ...{ write: w, put: draft.set },
    levels: useMemo(() => levels(known, inIt), [known, inIt]),
    amount: (id: string, amount: string): void =>
      draft.set((was) => was.map((l) => (l.id === id ? { ...l, amount } : l))),
  };
}
export type Finishing = ReturnType<typeof useFinishing>;
