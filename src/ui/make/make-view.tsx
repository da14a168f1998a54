"use client";
import { AllAlike } from "./all-alike";
import { Told } from "../kit/told";
import { useMemo } from "react";
import { addDays } from "@/core/day";
import { cautionsAt } from "@/core/cautions/rules";
import { minuteOf, temperaturesOf } from "@/core/journal/forecast";
import type { Batch } from "@/core/journal/fold";
import { type BatchReckoning, reckonBatch } from "@/core/journal/reckon";
import type { WalkedMove } from "@/core/journal/walk";
import type { Company } from "@/core/people/company";
import { linesOf } from "@/core/plan/edit";
import { isPot } from "@/core/vessel/vessel";
import { Course } from "../figures/course";
import { useUnits } from "../kit/units";
import { useNow } from "../kitchen/kitchen";
import { clockTime } from "../kitchen/time";
import { Notes } from "../plan/cautions";
import type { Measures } from "@/core/reading/measures";
import { entryWords } from "../batch/entry-words";
import { Refusal } from "../batch/refusal";
import { namedMaterial } from "../batch/entry-words";
import type { Temperature } from "@/core/kitchen/cooling";
import { type ShownInstrument, useInstruments } from "../kitchen/instruments";
import { isFresh } from "./at-hand";
import { barOf } from "./bar-of";
import { PaceWords } from "./pace-words";
import { StoveHead } from "./stove-head";
import { Clocks } from "./clocks";
import { MakeDrawing } from "./drawing";
import { Foot } from "./foot";
import { InHand, useHeld } from "./in-hand";
import { type Saying, moveWords } from "./move-words";
import { useAwake, useMaking } from "./use-making";
import { type StoveTells, useStove } from "./use-stove";
import { WholeWalk } from "./whole-walk";
import { MoveHead, MoveMore } from "./words-side";

interface Props {
  readonly batch: Batch;
  readonly company: Company;
  readonly zone: string;
  readonly today: string;
  readonly heightM: number;
}

/** Whether the pan is covered at this move. */
function isLidOn(batch: Batch, now: WalkedMove | undefined): boolean {
  const step = batch.plan.steps.find((s) => s.id === now?.step);
  if (now?.sort === "simmer") return step?.do === "simmer" && (step.lid ?? "on") === "on";
  if (now?.sort === "cool") return (batch.stove.stood.at(-1)?.as ?? "lidded") === "lidded";
  return now?.sort === "steep" || now?.sort === "pressure";
}

/** How old the last reading may be before it is grey, ms. */
const FRESH_MS = 3 * 60_000;

/** What the drawn thermometer shows: live where it stands in this pan, else what was read last, grey where that is old. */
function thermometerOf(
  batch: Batch,
  probe: ShownInstrument | undefined,
  last: Temperature | undefined,
  nowMs: number,
): { celsius: number | undefined; grey: boolean } | undefined {
  if (probe && batch.stove.probe === probe.id)
    return { celsius: probe.value ?? last?.celsius, grey: !isFresh(probe, nowMs) };
  return last && { celsius: last.celsius, grey: nowMs - last.minute * 60_000 > FRESH_MS };
}

/** Make: one move at a time, large, with the vessel as it stands. */
export function MakeView({ batch, company, zone, today, heightM }: Props) {
  const r = useMemo(() => reckonBatch(batch, batch.making, company), [batch, company]);
  if (!r.ok)
    return (
      <p role="alert" className="wrong">
        <Told of={r.faults[0]!.message} />
      </p>
    );
  return (
    <InHand>
      <Walk {...{ batch, zone, today, heightM }} r={r.value} />
    </InHand>
  );
}

/** What the last tick was, in words, with its time; nothing where there is none to take back. */
function undoWords(saying: Saying, tells: StoveTells, measures: Measures, zone: string): string {
  const { undo, moves } = tells.walked;
  if (!undo) return "";
  const lineName = (id: string): string =>
    namedMaterial(linesOf(saying.batch.begunPlan).find((l) => l.id === id)?.material ?? id);
  const undone =
    undo.type === "stepped" ? moves.find((m) => m.id === (undo.body as { move: string }).move) : undefined;
  const words = undone
    ? moveWords(saying, undone).short
    : entryWords(undo, { lineName, measures }).replace(/\.$/, "");
  return `${words}, ${clockTime(Date.parse(undo.at), zone)}`;
}

/** The vessel as it stands, and the pan's course where it was read. */
function AtTheStove({
  saying,
  tells,
  probe,
  nowMs,
  clockOf,
}: {
  saying: Saying;
  tells: StoveTells;
  probe: ShownInstrument | undefined;
  nowMs: number;
  clockOf: (minute: number) => string;
}) {
  const { degrees } = useUnits();
  const { batch, r } = saying;
  const { walked, down, cool, course } = tells;
  const temperatures = temperaturesOf(batch);
  const pot = r.program.vessel !== undefined && isPot(r.program.vessel);
  const target =
    cool?.reaches.comes && course.length > 0 ? { celsius: cool.target, ...cool.reaches.minute } : undefined;
  return (
    <>
      <div data-drawing="" className="border-b-[6px] border-iron">
        <MakeDrawing
          batch={batch}
          r={r}
          now={walked.now}
          down={down}
          stopsAt={down?.minute ? `at about ${clockOf(down.minute.value)}` : undefined}
          thermometer={pot ? thermometerOf(batch, probe, temperatures.at(-1), nowMs) : undefined}
          lidOn={isLidOn(batch, walked.now)}
        />
      </div>
      {pot && temperatures.length > 0 && (
        <div className="pt-3">
          <Course
            readings={temperatures}
            ahead={course}
            now={nowMs / 60_000}
            target={target}
            notes={notesOf(batch, walked.moves, saying)}
            clockOf={clockOf}
            degrees={degrees}
          />
        </div>
      )}
    </>
  );
}

/** Faults of these fields are told beside them. */
const HAS_FIELD = ["value", "amount", "for", "line"];

function Walk({ batch, r, zone, today, heightM }: Omit<Props, "company"> & { r: BatchReckoning }) {
  const units = useUnits();
  const nowMs = useNow(5000);
  const making = useMaking(batch);
  const held = useHeld();
  const tells = useStove(batch, r, nowMs);
  useAwake();
  const { walked } = tells;
  const saying: Saying = { batch, r, units, today };
  const clockOf = (minute: number): string => clockTime(minute * 60_000, zone);
  const w = r.care.window;
  const ripe = !w || today >= addDays(batch.begunDay, w.earliest) || walked.now?.sitting === 0;
  const cautions = cautionsAt("make", r.cautions);
  const { undo } = walked;
  const instruments = useInstruments();
  const scale = instruments.find((i) => i.sort === "scale");
  const probe = instruments.find((i) => i.sort === "probe");
  const side = { batch, r, tells, saying, making, heightM, clockOf, cautions, scale, probe, nowMs };
  const elsewhere = making.fault && !HAS_FIELD.includes(String(making.fault.path[0]));
  return (
    <div className="kitchen-view pb-28">
      <StoveHead batch={batch} />
      <AllAlike batch={batch} making={making} />
      <div className="pt-3 text-[1.125rem]" role="status">
        <PaceWords tells={tells} nowMs={nowMs} zone={zone} batch={batch} r={r} />
      </div>
      <div className="grid grid-cols-1 gap-x-10 gap-y-3 pt-2 lg:grid-cols-[minmax(0,2.3fr)_minmax(0,1fr)] xl:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)] lg:grid-rows-[auto_1fr]">
        <div className="lg:col-start-2 min-w-0">
          <MoveHead {...side} />
        </div>
        <div className="lg:col-start-1 lg:row-start-1 lg:row-span-2 min-w-0">
          <AtTheStove {...{ saying, tells, probe, nowMs, clockOf }} />
        </div>
        <div className="lg:col-start-2 min-w-0">
          <MoveMore {...side} />
          {elsewhere && <Refusal fault={making.fault!} insist={making.insist} sending={making.sending} />}
          <div className="pt-4">
            <Clocks batch={batch} making={making} />
          </div>
        </div>
      </div>
      <WholeWalk walked={walked} saying={saying} making={making} batch={batch} />
      <div className="text-base">
        <Notes cautions={cautions.filter((c) => c.severity === "note")} />
      </div>
      <Foot
        bar={held ?? barOf(batch, walked.now, saying, making, ripe)}
        undo={undo && (() => void making.putRight(undo.seq))}
        undoes={undoWords(saying, tells, units, zone)}
        sending={making.sending}
      />
    </div>
  );
}

/** Moves that are told under the course: what was done over the heat, and when. */
const TOLD: ReadonlySet<WalkedMove["sort"]> = new Set<WalkedMove["sort"]>([
  "simmer",
  "pressure",
  "reduce",
  "steep",
  "cool",
]);

function notesOf(
  batch: Batch,
  moves: readonly WalkedMove[],
  saying: Saying,
): { minute: number; words: string }[] {
  return moves.flatMap((m) => {
    const at = batch.stove.moves.get(m.id)?.at;
    return at && TOLD.has(m.sort) ? [{ minute: minuteOf(at), words: moveWords(saying, m).short }] : [];
  });
}
