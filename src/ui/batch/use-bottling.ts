import { useEffect, useMemo, useState } from "react";
import { type Closing, canBeClosed, closingOf } from "@/core/keeping/closing";
import { bottlesFor, fillPlan, usualBottle, vesselForTheRest } from "@/core/cellar/fill";
import type { Batch } from "@/core/journal/fold";
import { thereIs } from "@/core/journal/there-is";
import { reckonBatch } from "@/core/journal/reckon";
import type { Company } from "@/core/people/company";
import type { Empties } from "@/core/stores/item";
import { VESSELS, isFilledInto, soldIn } from "@/core/vessel/catalogue";
import { vesselWords } from "@/core/vessel/vessel";
import type { Market, Measures } from "@/core/reading/measures";
import { useUnits } from "../kit/units";
import { useDraft } from "../kit/draft";
import { useTakenBack } from "../kit/taken-back";
import type { Row } from "./one-bottle";
import { useStops } from "./stops";
import { useWrite } from "./write";

export interface Bottling {
  readonly batch: Batch;
  readonly company: Company;
  readonly empties: readonly Empties[];
  /** The entry that is put right, where it is said again. */
  readonly right?: number | undefined;
}

export interface BottlingDraft {
  readonly rows: readonly Row[];
  readonly own: boolean;
  readonly bestBy: string;
  readonly reason: string;
}
const NOTHING: BottlingDraft = { rows: [], own: false, bestBy: "", reason: "" };

/** The bottles as they were written down, to be said again. */
const asBottled = (batch: Batch): BottlingDraft => ({
  rows: batch.bottles.map(({ id, vessel, ml, place, same }) => ({
    id,
    vessel,
    ml,
    place,
    ...(same ? { same } : {}),
  })) as Row[],
  own: batch.own !== undefined,
  bestBy: batch.own?.bestBy ?? "",
  reason: batch.own?.reason ?? "",
});

const isDraft = (k: unknown): BottlingDraft | undefined =>
  k && typeof k === "object" && Array.isArray((k as BottlingDraft).rows) ? (k as BottlingDraft) : undefined;

/** The usual sizes, where no bottles are counted. */
const USUAL_SIZES = {
  us: {
    dropper: ["us-d-4", "us-d-2", "us-d-1"],
    bottle: ["us-b-16-swing", "us-b-8-swing", "us-b-12-swing", "us-b-4"],
  },
  metric: {
    dropper: ["d-100", "d-50", "d-30"],
    bottle: ["b-500-swing", "b-250-swing", "b-330-swing", "b-200", "b-100"],
  },
} as const;
const usualSizes = (kind: Batch["plan"]["kind"], market: Market): readonly string[] =>
  USUAL_SIZES[market][kind === "tincture" ? "dropper" : "bottle"];

/** mL to the least mark of the household's jug: a millilitre, or a quarter of an ounce. */
function asMarked(ml: number, { jug }: Measures): number {
  const least = jug.ml === 1 ? 1 : jug.ml / 4;
  return Math.max(1, Math.round(ml / least)) * least;
}

/** Bottles for a volume: from those on hand, where they are counted; else of the usual sizes. */
function laidOut(
  batch: Batch,
  empties: readonly Empties[],
  ml: number,
  place: Row["place"],
  u: Measures,
  closing: Closing,
): Row[] {
  const counted = bottlesFor(batch.plan.kind, empties, u.market, closing).filter(
    (b) => b.count !== undefined,
  );
  const from =
    counted.length > 0
      ? counted
      : usualSizes(batch.plan.kind, u.market)
          .map((id) => ({ vessel: VESSELS.get(id)! }))
          .filter((x) => canBeClosed(x.vessel, closing));
  return fillPlan(ml, from).fills.map((f) => ({
    id: crypto.randomUUID(),
    vessel: f.vessel.id,
    ml: asMarked(f.ml, u),
    place,
  }));
}

/** What stays in whole is kept in the jar it was made in, until it is said to go into another. */
function inItsJar({ making, frozen }: Batch, ml: number, place: Row["place"]): Row[] | undefined {
  const vessel = VESSELS.get(frozen.vessel?.id ?? "");
  if (making.strained?.stays !== "all" || !vessel) return undefined;
  return [
    {
      id: crypto.randomUUID(),
      vessel: vessel.id,
      ml: Math.min(Math.round(ml), vessel.solid.brimMl),
      place,
      same: true,
    },
  ];
}

/** What is put into bottles, kept in this browser until it is written. */
export function useBottling({ batch, company, empties, right }: Bottling) {
  const u = useUnits();
  const { write, putRight, insist, sending, fault, clear, router, when } = useWrite(batch.id, batch.seq);
  const reckoned = useMemo(() => reckonBatch(batch, batch.making, company), [batch, company]);
  const r = reckoned.ok ? reckoned.value : undefined;
  const stops = useStops(batch, "bottle", r?.cautions);
  const have = r && thereIs(r).value;
  const closing = closingOf(r?.reckoning.verdict ?? { vented: false });
  const place: Row["place"] = r?.reckoning.verdict.place === "cupboard" ? "cupboard" : "fridge";
  const draft = useDraft<BottlingDraft>(
    `jolly-bottle-${batch.id}${right ? `-${right}` : ""}`,
    right ? asBottled(batch) : NOTHING,
    isDraft,
  );
  const [touched, setTouched] = useState(false);
  useEffect(() => {
    if (!draft.ready || draft.restored || touched || draft.value.rows.length > 0 || !have) return;
    draft.set((d) => ({
      ...d,
      rows: inItsJar(batch, have, place) ?? laidOut(batch, empties, have, place, u, closing),
    }));
    // Laid out once, when the draft is known; from then on it is the maker's.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [draft.ready]);
  const { rows, own, bestBy, reason } = draft.value;
  const back = useTakenBack<BottlingDraft, string>(draft.value, (was) => {
    clear();
    draft.set(() => was);
  });
  /** @param typed what is typed into, letter by letter */
  const put = (change: (d: BottlingDraft) => Partial<BottlingDraft>, typed?: string): void => {
    setTouched(true);
    back.keep(typed ?? "", typed !== undefined);
    clear();
    draft.set((d) => ({ ...d, ...change(d) }));
  };
  const left = (have ?? 0) - rows.reduce((sum, x) => sum + (Number.isFinite(x.ml) ? x.ml : 0), 0);
  const another = (): void => {
    const v = usualBottle(batch.plan.kind, u.market, closing);
    const ml = asMarked(Math.max(u.jug.ml, Math.min(v.fillMl, left)), u);
    put((d) => ({ rows: [...d.rows, { id: crypto.randomUUID(), vessel: v.id, ml, place }] }));
  };
  // What is left over goes where small things are kept: into the fridge, whatever the bottles do.
  const keepTheRest = (): void => {
    const v = vesselForTheRest(
      left,
      soldIn(u.market).filter((v) => isFilledInto(v) && canBeClosed(v, closing)),
    );
    const ml = asMarked(Math.min(v.fillMl, left), u);
    put((d) => ({ rows: [...d.rows, { id: crypto.randomUUID(), vessel: v.id, ml, place: "fridge" }] }));
  };
  const go = (page: string) => (): void => {
    draft.clear();
    router.push(`/batch/${batch.id}/${page}`);
    router.refresh();
  };
  const send = (): void => {
    const bottles = rows.map((b) => ({ ...b, name: vesselWords(VESSELS.get(b.vessel)!) }));
    const body = { bottles, own: own ? { bestBy, reason } : null, ...stops.body };
    void (right ? putRight(right, body, "", go("")) : write("bottled", body, go("label")));
  };
  return {
    reckoned,
    stops,
    have,
    left,
    draft: draft.value,
    put,
    another,
    keepTheRest,
    send,
    undo: back.undo,
    sending,
    fault,
    insist,
    when,
  };
}
