"use client";
import { useEffect, useMemo, useState } from "react";
import { Plus } from "lucide-react";
import { addDays, printDay, type Day } from "@/core/day";
import { bottlesFor, fillPlan } from "@/core/cellar/fill";
import type { Batch } from "@/core/journal/fold";
import { reckonBatch } from "@/core/journal/reckon";
import type { Company } from "@/core/people/company";
import type { Empties } from "@/core/stores/item";
import { VESSELS } from "@/core/vessel/catalogue";
import { vesselWords } from "@/core/vessel/vessel";
import { useDraft } from "../kit/draft";
import { useUnits } from "../kit/units";
import { verdictHead, verdictWhy } from "../plan/verdict-words";
import { StageCautions } from "../plan/cautions";
import { OneBottle, type Row } from "./one-bottle";
import { Refusal } from "./refusal";
import { useStops } from "./stops";
import { useWrite } from "./write";

interface Draft {
  readonly rows: readonly Row[];
  readonly own: boolean;
  readonly bestBy: string;
  readonly reason: string;
}

function leftWords(left: number, have: number, ml: (x: number) => string): string {
  if (left > 3) return `${ml(left)} left over for tonight.`;
  return left < -have * 0.05 ? `${ml(-left)} more than there is.` : "Nothing left over.";
}

/** The bottles as they were written down, to be said again. */
const asBottled = (batch: Batch): Draft => ({
  rows: batch.bottles.map(({ id, vessel, ml, place }) => ({ id, vessel, ml, place })) as Row[],
  own: batch.own !== undefined,
  bestBy: batch.own?.bestBy ?? "",
  reason: batch.own?.reason ?? "",
});

/** What is missing before it can be written. */
function unsaidOf(rows: readonly Row[]): string {
  if (rows.length === 0) return "Say which bottles it goes into.";
  const at = rows.findIndex((x) => !(x.ml > 0));
  return at < 0 ? "" : `Say how much is in bottle ${at + 1}, in mL: more than nothing.`;
}

function sendWords(sending: boolean, right: number | undefined): string {
  if (sending) return "Writing…";
  return right ? "Put it right" : "Bottled";
}

/** Bottle: which bottles, where they will stand, and until when. */
export function BottleUp({
  batch,
  today,
  company,
  empties,
  right,
}: {
  batch: Batch;
  today: Day;
  company: Company;
  empties: readonly Empties[];
  /** The entry that is put right, where it is said again. */
  right?: number | undefined;
}) {
  const units = useUnits();
  const { write, putRight, insist, sending, fault, clear, router } = useWrite(batch.id, batch.seq);
  const r = useMemo(() => reckonBatch(batch, batch.making, company), [batch, company]);
  const stops = useStops(batch, "bottle", r.ok ? r.value.cautions : undefined);
  const have = r.ok ? r.value.reckoning.finished.ml : undefined;
  const verdict = r.ok ? r.value.reckoning.verdict : undefined;
  const place: Row["place"] = verdict?.place === "cupboard" ? "cupboard" : "fridge";
  const draft = useDraft<Draft>(
    `jolly-bottle-${batch.id}${right ? `-${right}` : ""}`,
    right ? asBottled(batch) : { rows: [], own: false, bestBy: "", reason: "" },
    (k) => (k && typeof k === "object" && Array.isArray((k as Draft).rows) ? (k as Draft) : undefined),
  );
  const [touched, setTouched] = useState(false);
  // From the bottles on hand, where they are counted; else from the usual sizes.
  const usual =
    batch.plan.kind === "tincture"
      ? ["d-100", "d-50", "d-30"]
      : ["b-500-swing", "b-250-swing", "b-330-swing", "b-200", "b-100"];
  const counted = bottlesFor(batch.plan.kind, empties).filter((b) => b.count !== undefined);
  useEffect(() => {
    if (!draft.ready || draft.restored || touched || draft.value.rows.length > 0 || !have) return;
    const plan = fillPlan(
      have.value,
      counted.length > 0 ? counted : usual.map((id) => ({ vessel: VESSELS.get(id)! })),
    );
    draft.set((d) => ({
      ...d,
      rows: plan.fills.map((f) => ({
        id: crypto.randomUUID(),
        vessel: f.vessel.id,
        ml: Math.round(f.ml),
        place,
      })),
    }));
    // Laid out once, when the draft is known; from then on it is the maker's.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [draft.ready]);
  if (!r.ok || !have || !verdict)
    return (
      <p role="alert" className="wrong">
        {r.ok ? "" : r.faults[0]!.message}
      </p>
    );
  const head = verdictHead(verdict);
  const rows = draft.value.rows;
  const poured = rows.reduce((s, x) => s + (Number.isFinite(x.ml) ? x.ml : 0), 0);
  const left = have.value - poured;
  const setRow = (i: number, f: (x: Row) => Row): void => {
    setTouched(true);
    clear();
    draft.set((d) => ({ ...d, rows: d.rows.map((x, j) => (j === i ? f(x) : x)) }));
  };
  const reckoned = addDays(batch.strainedDay ?? today, verdict.life.days);
  const longer = draft.value.own && draft.value.bestBy > reckoned;
  const go = (page: string) => (): void => {
    draft.clear();
    router.push(`/batch/${batch.id}/${page}`);
    router.refresh();
  };
  const send = (): void => {
    const body = {
      bottles: rows.map(({ id, vessel, ml, place: stands }) => ({
        ...{ id, vessel, ml, place: stands },
        name: vesselWords(VESSELS.get(vessel)!),
      })),
      own: draft.value.own ? { bestBy: draft.value.bestBy, reason: draft.value.reason } : null,
      ...stops.body,
    };
    void (right ? putRight(right, body, "", go("")) : write("bottled", body, go("label")));
  };
  const unsaid = unsaidOf(rows);
  const wrongAt = (i: number): boolean =>
    fault !== undefined && fault.path[0] === "bottles" && fault.path[1] === i;
  return (
    <div className="grid gap-10 lg:grid-cols-[minmax(0,1fr)_24rem] text-[1.125rem]">
      <div>
        <p className="py-3">
          About <strong>{units.volumeExact(have.value)}</strong> to bottle.
        </p>
        <ul aria-label="Bottles" className="border-t-2 border-iron">
          {rows.map((x, i) => (
            <OneBottle
              key={x.id}
              row={x}
              nth={i}
              left={left}
              wrong={wrongAt(i)}
              change={(f) => setRow(i, f)}
              remove={() => {
                setTouched(true);
                clear();
                draft.set((d) => ({ ...d, rows: d.rows.filter((_, j) => j !== i) }));
              }}
            />
          ))}
        </ul>
        <button
          type="button"
          className="plain min-h-11 inline-flex items-center gap-1.5"
          onClick={() => {
            setTouched(true);
            const v = VESSELS.get("b-250-swing")!;
            draft.set((d) => ({
              ...d,
              rows: [
                ...d.rows,
                {
                  id: crypto.randomUUID(),
                  vessel: v.id,
                  ml: Math.round(Math.max(1, Math.min(v.fillMl, left))),
                  place,
                },
              ],
            }));
          }}
        >
          <Plus size={18} /> another bottle
        </button>
        <p className={left < -have.value * 0.05 ? "wrong" : "quiet"}>
          {leftWords(left, have.value, units.volumeExact)}
        </p>
        <label className="flex items-center gap-3 min-h-12 pt-2 cursor-pointer">
          <input
            type="checkbox"
            className="w-6 h-6 accent-cobalt"
            checked={draft.value.own}
            onChange={(e) =>
              draft.set((d) => ({ ...d, own: e.target.checked, bestBy: d.bestBy || reckoned }))
            }
          />
          a date of my own
        </label>
        {draft.value.own && (
          <div className="flex flex-wrap gap-4 pl-9">
            <p>
              <label className="quiet block" htmlFor="own-date">
                best by
              </label>
              <input
                id="own-date"
                type="date"
                className="field"
                value={draft.value.bestBy}
                onChange={(e) => {
                  clear();
                  draft.set((d) => ({ ...d, bestBy: e.target.value }));
                }}
              />
            </p>
            <p className="grow">
              <label className="quiet block" htmlFor="own-reason">
                {longer ? "why later than reckoned (kept, and marked on the label)" : "why, if you like"}
              </label>
              <input
                id="own-reason"
                className="field w-full"
                maxLength={300}
                value={draft.value.reason}
                aria-invalid={fault?.name === "ReasonWanted"}
                onChange={(e) => {
                  clear();
                  draft.set((d) => ({ ...d, reason: e.target.value }));
                }}
              />
            </p>
          </div>
        )}
        {unsaid !== "" && (
          <p role="status" className="wrong pt-2">
            {unsaid}
          </p>
        )}
        {fault && <Refusal fault={fault} insist={insist} sending={sending} className="pt-2" />}
        <button
          type="button"
          className="slab text-[1.25rem] min-h-14 mt-4"
          disabled={sending || unsaid !== "" || verdict.place === "do-not-keep" || stops.stopped}
          onClick={send}
        >
          {sendWords(sending, right)}
        </button>
      </div>
      <aside>
        <h2 className="ruled-head">Where it keeps</h2>
        <p className="text-[1.375rem] font-bold pt-2">
          {head.place} {head.life}
        </p>
        <p className="pt-1">Best by {printDay(reckoned, "year")}, counted from straining.</p>
        <ul className="pt-2">
          {verdictWhy(verdict, r.value.reckoning).map((x) => (
            <li key={x}>{x}</li>
          ))}
        </ul>
        <div className="text-base pt-2">
          <StageCautions
            cautions={stops.cautions}
            reasons={stops.reasons}
            given={batch.reasons}
            giveReason={stops.giveReason}
          />
        </div>
      </aside>
    </div>
  );
}
