"use client";
import { Told } from "../kit/told";
import { Plus } from "lucide-react";
import { type Day, printDay } from "@/core/day";
import { endOf } from "@/core/keeping/life";
import type { Batch } from "@/core/journal/fold";
import type { BatchReckoning } from "@/core/journal/reckon";
import { useUnits } from "../kit/units";
import { When } from "../kit/when";
import { StageCautions } from "../plan/cautions";
import { verdictHead, verdictWhy } from "../plan/verdict-words";
import { OneBottle, type Row } from "./one-bottle";
import { OwnDate } from "./own-date";
import { Refusal } from "./refusal";
import type { Stops } from "./stops";
import { type Bottling, useBottling } from "./use-bottling";

/** Less than a few spoons over is licked from the ladle, mL. */
const LEAST_KEPT = 25;

function leftWords(left: number, have: number, ml: (x: number) => string): string {
  if (left > 3) return `${ml(left)} left over for tonight.`;
  return left < -have * 0.05 ? `${ml(-left)} more than there is.` : "Nothing left over.";
}

/** What is missing before it can be written. */
function unsaidOf(rows: readonly Row[]): string {
  if (rows.length === 0) return "Say which bottles it goes into.";
  const at = rows.findIndex((x) => !(x.ml > 0));
  return at < 0 ? "" : `Say how much is in bottle ${at + 1}: more than nothing.`;
}

function sendWords(sending: boolean, right: number | undefined): string {
  if (sending) return "Writing…";
  return right ? "Put it right" : "Bottled";
}

/** Bottle: which bottles, where they will stand, and until when. */
export function BottleUp({ today, ...bottling }: Bottling & { today: Day }) {
  const { batch, right } = bottling;
  const units = useUnits();
  const { reckoned, stops, have, left, draft, put, another, keepTheRest, send, ...rest } =
    useBottling(bottling);
  const { sending, fault, insist, when } = rest;
  if (!reckoned.ok || have === undefined)
    return (
      <p role="alert" className="wrong">
        {reckoned.ok ? "" : reckoned.faults[0]!.message}
      </p>
    );
  const { verdict } = reckoned.value.reckoning;
  const bestBy = endOf(verdict.life, batch.strainedDay ?? today);
  const unsaid = unsaidOf(draft.rows);
  const over = left < -have * 0.05;
  return (
    <div className="grid gap-10 lg:grid-cols-[minmax(0,1fr)_24rem] text-[1.125rem]">
      <div>
        <p className="py-3">
          About <strong>{units.volumeExact(have)}</strong> to bottle.
        </p>
        <ul aria-label="Bottles" className="border-t-2 border-iron">
          {draft.rows.map((x, i) => (
            <OneBottle
              key={x.id}
              row={x}
              nth={i}
              left={left}
              wrong={fault?.path[0] === "bottles" && fault.path[1] === i}
              change={(f) => put((d) => ({ rows: d.rows.map((y, j) => (j === i ? f(y) : y)) }))}
              remove={() => put((d) => ({ rows: d.rows.filter((_, j) => j !== i) }))}
            />
          ))}
        </ul>
        <button type="button" className="plain min-h-11 inline-flex items-center gap-1.5" onClick={another}>
          <Plus size={18} /> another bottle
        </button>
        <p className={over ? "wrong" : "quiet"}>
          {leftWords(left, have, units.volumeExact)}{" "}
          {left > LEAST_KEPT && (
            <button type="button" className="plain min-h-11" onClick={keepTheRest}>
              or keep it: a small one for the fridge
            </button>
          )}
        </p>
        <OwnDate draft={draft} reckoned={bestBy} fault={fault} put={put} />
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
        </button>{" "}
        {!right && <When w={when} />}
      </div>
      <WhereItKeeps batch={batch} of={reckoned.value} bestBy={bestBy} stops={stops} />
    </div>
  );
}

/** The verdict with its reasons, the day it is good to, and what is to be minded. */
function WhereItKeeps({
  batch,
  of,
  bestBy,
  stops,
}: {
  batch: Batch;
  of: BatchReckoning;
  bestBy: Day;
  stops: Stops;
}) {
  const { verdict } = of.reckoning;
  const head = verdictHead(verdict);
  return (
    <aside>
      <h2 className="ruled-head">Where it keeps</h2>
      <p className="text-[1.375rem] font-bold pt-2">
        {head.place} {head.life}
      </p>
      <p className="pt-1">Best by {printDay(bestBy, "year")}, counted from straining.</p>
      <ul className="pt-2">
        {verdictWhy(verdict, of.reckoning).map((x) => (
          <li key={x}>
            <Told of={x} />
          </li>
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
  );
}
