"use client";
import { useState } from "react";
import type { Fault } from "@/core/fault";
import type { Batch } from "@/core/journal/fold";
import { WRINGING, type Step, type Wringing } from "@/core/plan/plan";
import { type Seen } from "@/core/journal/events";
import { whereItWent } from "@/core/reckoning/went";
import { type BatchReckoning, reckonBatch } from "@/core/journal/reckon";
import type { Company } from "@/core/people/company";
import { useDraft } from "../kit/draft";
import { useUnits } from "../kit/units";
import { verdictHead } from "../plan/verdict-words";
import { Notes, StageCautions } from "../plan/cautions";
import { LiquidWent } from "../plan/went";
import { WRINGING_WORDS } from "../plan/step-words";
import { useStops } from "./stops";
import { useWrite } from "./write";

const POUR: Readonly<Record<Wringing, string>> = {
  drained: "Pour, and leave it to drip.",
  wrung: "Pour, gather the cloth, and wring it out.",
  pressed: "Pour, then press the marc.",
};

/** The batch with its first straining done this way. */
function strainedBy(batch: Batch, how: Wringing): Batch {
  const cut = batch.plan.steps.findIndex((s) => s.do === "strain");
  const steps = batch.plan.steps.map((s, i): Step => (s.do === "strain" && i === cut ? { ...s, how } : s));
  return { ...batch, plan: { ...batch.plan, steps } };
}

interface Kept {
  readonly measured: string;
  readonly how: Wringing;
  readonly seen: readonly Seen[];
}

const SEEN_WORDS: Readonly<Record<Seen, string>> = {
  "herb-above": "Herb stood above the liquid",
  "herb-above-sound": "and I looked it over: no mould, no wrong smell",
  unmixed: "The layers were never stirred through",
};

/** What is seen on opening the jar: it decides how long the bottle is good for. */
function WhatWasSeen({ seen, change }: { seen: readonly Seen[]; change: (to: readonly Seen[]) => void }) {
  const above = seen.includes("herb-above") || seen.includes("herb-above-sound");
  const put = (one: Seen, on: boolean): void =>
    change(on ? [...seen, one] : seen.filter((x) => x !== one && (one !== "herb-above" || x === "unmixed")));
  const shown: readonly Seen[] = above
    ? ["herb-above", "herb-above-sound", "unmixed"]
    : ["herb-above", "unmixed"];
  return (
    <fieldset className="py-3">
      <legend className="ruled-head w-full">What do you see on opening it?</legend>
      {shown.map((one) => (
        <label
          key={one}
          className={`flex items-center gap-3 min-h-12 cursor-pointer ${one === "herb-above-sound" ? "pl-9" : ""}`}
        >
          <input
            type="checkbox"
            className="w-6 h-6 accent-cobalt shrink-0"
            checked={seen.includes(one)}
            onChange={(e) => put(one, e.target.checked)}
          />
          {SEEN_WORDS[one]}
        </label>
      ))}
    </fieldset>
  );
}

/** What stands ready before the cloth, ticked for oneself. */
function GetReady({ how }: { how: Wringing }) {
  const [checked, setChecked] = useState<readonly number[]>([]);
  const ready = [
    "Line the sieve with a damp cloth over a measuring jug.",
    POUR[how],
    "Read the jug at eye level, once the froth is down.",
  ];
  return (
    <ol className="py-2">
      {ready.map((words, i) => (
        <li key={words} className="border-b border-rule">
          <label className="flex items-center gap-4 min-h-14 cursor-pointer">
            <input
              type="checkbox"
              className="w-7 h-7 accent-cobalt shrink-0"
              checked={checked.includes(i)}
              onChange={() => setChecked((c) => (c.includes(i) ? c.filter((x) => x !== i) : [...c, i]))}
            />
            <span>{words}</span>
          </label>
        </li>
      ))}
    </ol>
  );
}

function HowStrained({ how, change }: { how: Wringing; change: (to: Wringing) => void }) {
  return (
    <fieldset className="py-3">
      <legend className="ruled-head w-full">How is it strained?</legend>
      <div className="flex flex-wrap gap-x-8 pt-2">
        {WRINGING.map((w) => (
          <label key={w} className="flex items-center gap-3 min-h-12 cursor-pointer">
            <input
              type="radio"
              name="how"
              className="w-6 h-6 accent-cobalt"
              checked={how === w}
              onChange={() => change(w)}
            />
            {WRINGING_WORDS[w]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** What a measure that cannot be is answered with, and the ways on from there. */
function MeasureWrong({
  wrong,
  sending,
  insist,
  use,
}: {
  wrong: Fault;
  sending: boolean;
  insist: () => Promise<unknown>;
  use: (text: string) => void;
}) {
  return (
    <p id="measured-wrong" role="alert" className="wrong text-[1.125rem] pt-2">
      {wrong.message}{" "}
      {wrong.name === "Odd" && (
        <button type="button" className="plain min-h-11" disabled={sending} onClick={() => void insist()}>
          Yes, it is so
        </button>
      )}
      {wrong.suggestion && (
        <button type="button" className="plain" onClick={() => use(wrong.suggestion!)}>
          Use “{wrong.suggestion}”
        </button>
      )}
    </p>
  );
}

/** What was measured comes to, and where the rest of the liquid went. */
function Measured({ got, finishes }: { got: BatchReckoning | undefined; finishes: boolean }) {
  const units = useUnits();
  const says = got && verdictHead(got.reckoning.verdict);
  return (
    <>
      <p id="measured-says" className="pt-2 min-h-9" aria-live="polite">
        {got && says && (
          <>
            That is {units.volumeExact(got.reckoning.strained.ml.value)}.{" "}
            {finishes ? "Next: sweeten to the measure." : `As it is: ${says.place} ${says.life}`}
          </>
        )}
      </p>
      {got && (
        <LiquidWent went={whereItWent(got.program, got.reckoning)} head="Where the liquid went" drawn />
      )}
    </>
  );
}

/** Where the hands go from the cloth: back to the stove where it is boiled down or cooled first, else to what goes in, or the bottles. */
function afterStraining(plan: Batch["plan"]): "make" | "finish" | "bottle" {
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  const next = plan.steps[cut + 1];
  if (next && next.do !== "add" && next.do !== "bottle") return "make";
  return plan.steps.some((s, i) => s.do === "add" && i > cut) ? "finish" : "bottle";
}

const isKept = (k: unknown): Kept | undefined =>
  k && typeof k === "object" && "measured" in k
    ? { ...(k as Kept), seen: (k as Partial<Kept>).seen ?? [] }
    : undefined;

/** Straining as it is said so far, what it comes to, and its writing down. */
function useStraining(batch: Batch, company: Company) {
  const { write, insist, sending, fault, clear, router } = useWrite(batch.id, batch.seq);
  const cut = batch.plan.steps.findIndex((s) => s.do === "strain");
  const planned = batch.plan.steps[cut];
  const finishes = batch.plan.steps.some((s, i) => s.do === "add" && i > cut);
  const blank: Kept = { measured: "", how: planned?.do === "strain" ? planned.how : "wrung", seen: [] };
  const draft = useDraft<Kept>(`jolly-strain-${batch.id}`, blank, isKept);
  const { measured, how, seen } = draft.value;
  const strained = { measured, how, seen };
  // Before it is measured, what the chosen way of straining is likely to give.
  const guess = reckonBatch(strainedBy(batch, how), undefined, company);
  const got = measured.trim() === "" ? undefined : reckonBatch(batch, { ...batch.making, strained }, company);
  const stops = useStops(batch, "strain", guess.ok ? guess.value.cautions : undefined);
  const send = (): void => {
    if (!got?.ok || stops.stopped) return;
    void write("strained", { measured, how, ...(seen.length > 0 ? { seen } : {}), ...stops.body }, () => {
      draft.clear();
      router.push(`/batch/${batch.id}/${afterStraining(batch.plan)}`);
      router.refresh();
    });
  };
  return {
    ...{ measured, how, seen, stops, finishes, sending, insist, send },
    expects: guess.ok ? guess.value.reckoning.strained.ml : undefined,
    got: got?.ok ? got.value : undefined,
    wrong: got && !got.ok ? got.faults[0] : fault,
    put: (to: Partial<Kept>): void => draft.set((d) => ({ ...d, ...to })),
    measure: (text: string): void => {
      clear();
      draft.set((d) => ({ ...d, measured: text }));
    },
  };
}

/** Strain: measure what comes out. Big targets, one thing at a time. */
export function Strain({ batch, company }: { batch: Batch; company: Company }) {
  const units = useUnits();
  const { measured, how, seen, stops, finishes, sending, insist, send, expects, got, wrong, put, measure } =
    useStraining(batch, company);
  return (
    <div className="grid gap-x-12 lg:grid-cols-[minmax(0,42rem)_minmax(0,1fr)]">
      <div className="text-[1.25rem] leading-relaxed">
        <GetReady how={how} />
        <StageCautions
          cautions={stops.cautions.filter((c) => c.severity !== "note")}
          reasons={stops.reasons}
          given={batch.reasons}
          giveReason={stops.giveReason}
        />
        <HowStrained how={how} change={(to) => put({ how: to })} />
        <WhatWasSeen seen={seen} change={(to) => put({ seen: to })} />
        <form
          onSubmit={(e) => {
            e.preventDefault();
            send();
          }}
        >
          <label htmlFor="measured" className="font-bold block pt-2">
            What does the jug show?
          </label>
          {expects && (
            <p className="quiet">
              About {units.volumeExact(expects.value)} is likely, between {units.volumeExact(expects.low)} and{" "}
              {units.volumeExact(expects.high)}.
            </p>
          )}
          <input
            id="measured"
            className="field text-[1.5rem] w-64 mt-2"
            placeholder={units.display === "metric" ? "750 mL" : "3¼ cups"}
            value={measured}
            maxLength={60}
            aria-invalid={wrong !== undefined}
            aria-describedby={wrong ? "measured-wrong" : "measured-says"}
            onChange={(e) => measure(e.target.value)}
            autoComplete="off"
          />
          {wrong && (
            <MeasureWrong
              wrong={wrong}
              sending={sending}
              insist={insist}
              use={(text) => put({ measured: text })}
            />
          )}
          <Measured got={got} finishes={finishes} />
          <button
            type="submit"
            className="slab text-[1.25rem] mt-3 min-h-14"
            disabled={!got || sending || stops.stopped}
          >
            {sending ? "Writing…" : "Strained"}
          </button>
        </form>
      </div>
      <aside>
        <Notes cautions={stops.cautions.filter((c) => c.severity === "note")} />
      </aside>
    </div>
  );
}
