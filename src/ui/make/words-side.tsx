"use client";
import type { ToBatch } from "@/contract/writes";
import { Check } from "lucide-react";
import type { Caution } from "@/core/cautions/caution";
import type { WalkedMove } from "@/core/journal/walk";
import type { Batch } from "@/core/journal/fold";
import type { BatchReckoning } from "@/core/journal/reckon";
import { boilsAt } from "@/core/kitchen/water";
import { linesOf } from "@/core/plan/edit";
import { Refusal } from "../batch/refusal";
import type { ShownInstrument } from "../kitchen/instruments";
import { CautionNote } from "../plan/cautions";
import { useUnits } from "../kit/units";
import { Aloud } from "./aloud";
import { ProbeAtHand, ScaleAtHand } from "./at-hand";
import { HowMuch, LineInHand } from "./line-in-hand";
import type { Making } from "./making";
import { type Saying, moveWords } from "./move-words";
import { pourMark } from "./drawing";
import { ReadingField } from "./reading-field";
import { CoolingWords, DownWords } from "./foreseen";
import type { StoveTells } from "./use-stove";

interface Props {
  readonly batch: Batch;
  readonly r: BatchReckoning;
  readonly tells: StoveTells;
  readonly saying: Saying;
  readonly making: Making;
  readonly heightM: number;
  readonly clockOf: (minute: number) => string;
  readonly cautions: readonly Caution[];
  readonly scale: ShownInstrument | undefined;
  readonly probe: ShownInstrument | undefined;
  readonly nowMs: number;
}

/** What a line is to be, large, with the mark it is poured to. */
function TheLine({ p, move }: { p: Props; move: WalkedMove }) {
  const line = linesOf(p.batch.begunPlan).find((l) => l.id === move.lines[0]);
  if (!line) return null;
  return (
    <>
      <p data-aloud="" className="text-[1.5rem] pt-1">
        <HowMuch line={line} r={p.r} batch={p.batch} markCm={pourMark(p.r, line.id)} />.
        {line.note && <span className="text-ash"> ({line.note})</span>}
        {line.why && <span className="block text-ash">{line.why}</span>}
        {line.optional && <span className="text-ash"> If you like.</span>}
      </p>
      <ScaleAtHand
        scale={p.scale}
        sending={p.making.sending}
        take={(g) => void p.making.write("added", { line: line.id, amount: `${g} g` })}
      />
      {p.making.fault?.name === "Odd" && (
        <Refusal fault={p.making.fault} insist={p.making.insist} sending={p.making.sending} />
      )}
      <LineInHand key={line.id} move={move} batch={p.batch} making={p.making} />
    </>
  );
}

/** What is wanted of the thermometer or the dipstick at this move. */
function Wanted({ p, move }: { p: Props; move: WalkedMove }) {
  const units = useUnits();
  const read = (body: ToBatch["read"]): Promise<boolean> => p.making.write("read", body);
  const fields = { write: read, sending: p.making.sending, refused: p.making.fault };
  switch (move.wants?.what) {
    case "boil":
      return (
        <>
          {p.heightM > 300 && (
            <p className="text-base pt-1">
              At your height it boils at {units.temperature(boilsAt(p.heightM))}.
            </p>
          )}
          <div className="pt-3">
            <ProbeAtHand probe={p.probe} batch={p.batch} making={p.making} nowMs={p.nowMs} />
            <ReadingField sort="temperature" {...fields} />
          </div>
        </>
      );
    case "depth":
      return (
        <div className="pt-3 grid gap-2">
          <DownWords tells={p.tells} clockOf={p.clockOf} />
          <ReadingField sort="depth" {...fields} />
          <details className="text-base">
            <summary className="plain min-h-11 pt-2">or weigh it</summary>
            <ReadingField sort="weight" {...fields} />
            <ScaleAtHand
              scale={p.scale}
              sending={p.making.sending}
              take={(g) => void read({ what: "weight", value: g, by: "scale" })}
            />
          </details>
        </div>
      );
    case "temperature":
      return (
        <div className="pt-3 grid gap-2">
          <ProbeAtHand probe={p.probe} batch={p.batch} making={p.making} nowMs={p.nowMs} />
          <CoolingWords tells={p.tells} clockOf={p.clockOf} batch={p.batch} making={p.making} />
          <ReadingField sort="temperature" {...fields} />
          <details className="text-base">
            <summary className="plain min-h-11 pt-2">how warm is the kitchen?</summary>
            <ReadingField sort="room" {...fields} />
          </details>
        </div>
      );
    case undefined:
      return null;
  }
}

/** Cautions that belong to the move in hand. */
function about(cautions: readonly Caution[], now: WalkedMove): readonly Caution[] {
  return cautions.filter((c) => {
    if (c.severity === "note") return false;
    if (c.about.what === "line") return now.lines.includes(c.about.line);
    if (c.about.what === "step") return c.about.step === now.step;
    return now.sort === "gather";
  });
}

/** What was done last, and what is to be done now and why: the step first, large. */
export function MoveHead(p: Props) {
  const { now, last } = p.tells.walked;
  if (!now)
    return (
      <h1 data-aloud="" className="text-[2.25rem] leading-tight pt-2">
        All of it is done.
      </h1>
    );
  const words = moveWords(p.saying, now);
  return (
    <section aria-label="What to do now" className="min-w-0">
      {last && (
        <p className="text-ash text-[1.25rem] min-h-8 flex items-center gap-2">
          <Check
            size={26}
            className={last.state === "done" ? "text-celadon-deep" : "text-rule"}
            aria-hidden="true"
          />
          {moveWords(p.saying, last).short}
          {last.state === "passed" ? ", passed over" : ""}
        </p>
      )}
      <h1
        data-aloud=""
        className="text-[1.5rem] min-[24rem]:text-[2rem] sm:text-[2.5rem] leading-[1.15] pt-1"
        aria-live="polite"
      >
        {words.head}
      </h1>
      {words.why && (
        <p data-aloud="" className="text-[1.25rem] pt-2">
          {words.why}
        </p>
      )}
      {now.sort === "add" && <TheLine p={p} move={now} />}
    </section>
  );
}

/** What is read, foreseen and minded at the move in hand, and what comes next. */
export function MoveMore(p: Props) {
  const { now, next } = p.tells.walked;
  if (!now) return null;
  const then = next && next.sitting === now.sitting ? moveWords(p.saying, next).head : undefined;
  return (
    <>
      <Wanted p={p} move={now} />
      {about(p.cautions, now).map((c, i) => (
        <div key={`${c.id}-${i}`} className="text-base">
          <CautionNote caution={c} />
        </div>
      ))}
      {then && (
        <p className="text-ash text-[1.25rem] pt-3">
          then {then.replace(/\.$/, "").replace(/^./, (c) => c.toLowerCase())}
        </p>
      )}
      <Aloud at={now.id} />
    </>
  );
}
