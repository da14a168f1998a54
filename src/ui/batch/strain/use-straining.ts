import { GRAVE_SIGNS, type Sign } from "@/core/cellar/bottle";
import type { Seen } from "@/core/journal/events";
import type { Batch } from "@/core/journal/fold";
import { readMarc } from "@/core/journal/marc";
import { reckonBatch } from "@/core/journal/reckon";
import type { Company } from "@/core/people/company";
import { addedAfterStraining } from "@/core/plan/edit";
import { STAYS, type Stays, type Step, WRINGING, type Wringing } from "@/core/plan/plan";
import { useMemo } from "react";
import { useDraft } from "../../kit/draft";
import { useTakenBack } from "../../kit/taken-back";
import { useStops } from "../stops";
import { useWrite } from "../write";

/** The batch with its first straining done this way. */
function strainedBy(batch: Batch, how: Wringing): Batch {
  const cut = batch.plan.steps.findIndex((s) => s.do === "strain");
  const steps = batch.plan.steps.map((s, i): Step => (s.do === "strain" && i === cut ? { ...s, how } : s));
  return { ...batch, plan: { ...batch.plan, steps } };
}

interface Kept {
  readonly measured: string;
  readonly marc: string;
  readonly how: Wringing;
  /** An end without a cloth. */
  readonly stays?: Stays | undefined;
  readonly seen: readonly Seen[];
  /** Signs that end it. */
  readonly signs: readonly Sign[];
}

/** Where the hands go from the cloth: back to the stove where it is boiled down or cooled first, else to what goes in, or the bottles. */
export type AfterStraining = "make" | "finish" | "bottle";
function afterStraining(plan: Batch["plan"]): AfterStraining {
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  const next = plan.steps[cut + 1];
  if (next && next.do !== "add" && next.do !== "bottle") return "make";
  return addedAfterStraining(plan).length > 0 ? "finish" : "bottle";
}

const isKept = (k: unknown): Kept | undefined =>
  k && typeof k === "object" && "measured" in k
    ? {
        ...(k as Kept),
        marc: (k as Partial<Kept>).marc ?? "",
        stays: STAYS.find((s) => s === (k as Partial<Kept>).stays),
        seen: (k as Partial<Kept>).seen ?? [],
        signs: ((k as Partial<Kept>).signs ?? []).filter((s) => GRAVE_SIGNS.has(s)),
      }
    : undefined;

const TYPED: ReadonlySet<Touched> = new Set<Touched>(["measured", "marc"]);

/** Straining as it is said so far, what it comes to, and its writing down. */
export function useStraining(batch: Batch, company: Company) {
  const { write, insist, sending, fault, clear, router, when } = useWrite(batch.id, batch.seq);
  const cut = batch.plan.steps.findIndex((s) => s.do === "strain");
  const planned = batch.plan.steps[cut];
  const blank: Kept = {
    measured: "",
    marc: "",
    how: planned?.do === "strain" ? planned.how : "wrung",
    seen: [],
    signs: [],
  };
  const draft = useDraft<Kept>(`jolly-strain-${batch.id}`, blank, isKept);
  const { measured, marc, how, stays, seen, signs } = draft.value;
  const all = stays === "all";
  const strained = { measured: all ? "" : measured, how: all ? "drained" : how, stays, seen } as const;
  // Before it is measured, what the chosen way of straining is likely to give.
  const guess = all
    ? reckonBatch(batch, { ...batch.making, strained }, company)
    : reckonBatch(strainedBy(batch, how), undefined, company);
  const got =
    measured.trim() === "" && !all ? undefined : reckonBatch(batch, { ...batch.making, strained }, company);
  const stops = useStops(batch, "strain", guess.ok ? guess.value.cautions : undefined);
  const weight = marc.trim() === "" ? undefined : readMarc(marc, batch.plan.units);
  const of = (field: string) => ((fault?.path[0] ?? "measured") === field ? fault : undefined);
  const send = (): void => {
    if (!got?.ok || weight?.ok === false || stops.stopped) return;
    const weighed = marc.trim() === "" ? {} : { marc: marc.trim() };
    const { measured: is, how: by } = strained;
    const body = {
      measured: is,
      how: by,
      ...(stays ? { stays } : {}),
      ...(seen.length > 0 ? { seen } : {}),
      ...weighed,
      ...stops.body,
    };
    void write("strained", body, () => {
      draft.clear();
      router.push(`/batch/${batch.id}/${afterStraining(batch.plan)}`);
      router.refresh();
    });
  };
  const back = useTakenBack<Kept, Touched>(draft.value, (was) => {
    clear();
    draft.set(() => was);
  });
  const put = (to: Partial<Kept>): void => {
    for (const what of Object.keys(to) as Touched[]) back.keep(what, TYPED.has(what));
    clear();
    draft.set((d) => ({ ...d, ...to }));
  };
  // What was measured changes none of it.
  const gives = useMemo(
    () =>
      WRINGING.map((w) => {
        const r = reckonBatch(strainedBy(batch, w), undefined, company);
        return [w, r.ok ? r.value.reckoning.strained.ml.low : undefined] as const;
      }),
    [batch, company],
  );
  return {
    ...{ measured, marc, how, stays, seen, signs, stops, sending, insist, send, when, put, gives },
    undo: back.undo,
    undoes: back.last,
    next: afterStraining(batch.plan),
    expects: guess.ok ? guess.value.reckoning.strained.ml : undefined,
    got: got?.ok ? got.value : undefined,
    wrong: got && !got.ok ? got.faults[0] : of("measured"),
    marcWrong: weight && !weight.ok ? weight.faults[0] : of("marc"),
    marcG: weight?.ok ? weight.value : undefined,
    /** One of the two things that are typed. */
    type: (field: "measured" | "marc", text: string): void => put({ [field]: text }),
  };
}

/** A part of what is said on the page. */
export type Touched = keyof Kept;
export type Straining = ReturnType<typeof useStraining>;
