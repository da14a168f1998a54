"use client";
import { Plus } from "lucide-react";
import { type Day, printDay } from "@/core/day";
import { endOf } from "@/core/keeping/life";
import type { Batch } from "@/core/journal/fold";
import type { BatchReckoning } from "@/core/journal/reckon";
import { useUnits } from "../kit/units";
import { When } from "../kit/when";
import { StageCautions } from "../plan/cautions";
import { verdictHead } from "../plan/verdict-words";
import { Why } from "../plan/why";
import { Foot } from "../make/foot";
import { StepsLine } from "../make/steps-line";
import { StoveHead } from "../make/stove-head";
import { Boards } from "./boards";
import type { Row } from "./one-bottle";
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

function barWords(sending: boolean, right: number | undefined): string {
  if (sending) return "Writing…";
  return right ? "Put it right" : "Bottled and closed";
}

/** Bottle: the jug empties into the bottles, each on the board where it will stand; then the labels. */
export function BottleUp({ today, ...bottling }: Bottling & { today: Day }) {
  const { batch, right } = bottling;
  const units = useUnits();
  const { reckoned, stops, have, left, draft, put, another, keepTheRest, send, undo, ...rest } =
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
  const waits = unsaid !== "" || verdict.place === "do-not-keep" || stops.stopped;
  const wrongAt = fault?.path[0] === "bottles" ? Number(fault.path[1]) : undefined;
  return (
    <div className="kitchen-view pb-28">
      <StoveHead batch={batch} />
      <div className="flex flex-wrap items-baseline gap-x-8 pt-3">
        <h1 className="text-[1.5rem] sm:text-[2rem] xl:text-[2.25rem] leading-tight">
          Fill each to its line, and close it.
        </h1>
        <p className="text-[1.125rem]">
          About <strong>{units.volumeExact(have)}</strong> to bottle.{" "}
          <span className={over ? "wrong" : "text-ash"}>{leftWords(left, have, units.volumeExact)}</span>
        </p>
      </div>
      <Boards
        {...{ have, left, wrongAt }}
        rows={draft.rows}
        kind={batch.plan.kind}
        change={(at, f, typed) => put((d) => ({ rows: d.rows.map((y, j) => (j === at ? f(y) : y)) }), typed)}
        remove={(at) => put((d) => ({ rows: d.rows.filter((_, j) => j !== at) }))}
      />
      <p className="flex flex-wrap gap-x-8 pt-2">
        <button type="button" className="plain min-h-11 inline-flex items-center gap-1.5" onClick={another}>
          <Plus size={18} /> another bottle
        </button>
        {left > LEAST_KEPT && (
          <button type="button" className="plain min-h-11" onClick={keepTheRest}>
            keep what is left: a small one for the fridge
          </button>
        )}
      </p>
      {unsaid !== "" && (
        <p role="status" className="wrong pt-2">
          {unsaid}
        </p>
      )}
      {fault && <Refusal fault={fault} insist={insist} sending={sending} className="pt-2" />}
      <StepsLine at="bottles" plan={batch.plan} stays={batch.making.strained?.stays === "all"} />
      <div className="grid gap-x-10 gap-y-4 pt-4 lg:grid-cols-2 text-[1.125rem]">
        <WhereItKeeps batch={batch} of={reckoned.value} bestBy={bestBy} stops={stops} />
        <div>
          <OwnDate draft={draft} reckoned={bestBy} fault={fault} put={put} />
          {!right && <When w={when} />}
        </div>
      </div>
      <Foot
        bar={{ words: barWords(sending, right), press: waits ? undefined : send, waits: waits || sending }}
        undo={undo}
        undoes={undo ? "the last change of the bottles" : ""}
        sending={sending}
      />
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
      <Why of={of.reckoning} />
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
