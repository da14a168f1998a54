"use client";
import { Told } from "../../kit/told";
import type { Care } from "@/core/care/care";
import type { Day } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import type { Company } from "@/core/people/company";
import { JugFigure } from "../../figures/jug";
import { When } from "../../kit/when";
import { useUnits } from "../../kit/units";
import { Notes, StageCautions } from "../../plan/cautions";
import { Measured, MeasureWrong } from "./measured";
import { type LastTime, Ready } from "./ready";
import { verdictHead } from "../../plan/verdict-words";
import { GetReady, HowStrained, WhatStays, WhatWasSeen } from "./seen";
import { SignsFirst, ThrowItOut } from "./signs";
import { useStraining } from "./use-straining";

interface Props {
  readonly batch: Batch;
  readonly company: Company;
  readonly care: Care;
  readonly today: Day;
  /** What was said of the last one of the same recipe. */
  readonly last: LastTime | undefined;
}

type Straining = ReturnType<typeof useStraining>;

/** What the jug shows, with what was likely beside it. */
function MeasureForm({ s }: { s: Straining }) {
  const units = useUnits();
  const { expects, wrong } = s;
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        s.send();
      }}
    >
      <label htmlFor="measured" className="font-bold block pt-2">
        What does the jug show, or the scale?
      </label>
      {expects && (
        <p className="quiet">
          About {units.volumeExact(expects.value)} is likely, between {units.volumeExact(expects.low)} and{" "}
          {units.volumeExact(expects.high)}. In parts, add them up: “{units.examples.parts}”.
        </p>
      )}
      <input
        id="measured"
        className="field text-[1.5rem] w-64 mt-2"
        placeholder={units.examples.volume}
        value={s.measured}
        maxLength={60}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong ? "measured-wrong" : "measured-says"}
        onChange={(e) => s.type("measured", e.target.value)}
        autoComplete="off"
      />
      {wrong && (
        <MeasureWrong
          id="measured-wrong"
          wrong={wrong}
          sending={s.sending}
          insist={s.insist}
          use={(text) => s.put({ measured: text })}
        />
      )}
      <MarcWeighed s={s} />
      <Measured got={s.got} marcG={s.marcG} next={s.next} />
      <button
        type="submit"
        className="slab text-[1.25rem] mt-3 min-h-14"
        disabled={!s.got || s.sending || s.stops.stopped}
      >
        {s.sending ? "Writing…" : "Strained"}
      </button>
    </form>
  );
}

/** Nothing is measured where all of it stays in: what that comes to is said, and it is written down. */
function AllStays({ s }: { s: Straining }) {
  const head = s.got && verdictHead(s.got.reckoning.verdict);
  return (
    <div className="pt-2">
      {head && (
        <p aria-live="polite">
          Kept so: <strong>{head.place}</strong> {head.life} Keep what swims under, and take from it with a
          clean dry spoon.
        </p>
      )}
      {s.wrong && (
        <p role="alert" className="wrong">
          <Told of={s.wrong.message} />
        </p>
      )}
      <button
        type="button"
        className="slab text-[1.25rem] mt-3 min-h-14"
        disabled={!s.got || s.sending || s.stops.stopped}
        onClick={s.send}
      >
        {s.sending ? "Writing…" : "It stays in"}
      </button>
    </div>
  );
}

/** The marc on the scale, where there is one: it tells what the cloth holds, and whether the jug was read right. */
function MarcWeighed({ s }: { s: Straining }) {
  return (
    <div className="pt-2 text-[1.125rem]">
      <label htmlFor="marc" className="pr-3">
        The marc weighs, if you like
      </label>
      <input
        id="marc"
        className="field w-32"
        placeholder="320 g"
        value={s.marc}
        maxLength={60}
        autoComplete="off"
        aria-invalid={s.marcWrong !== undefined}
        aria-describedby={s.marcWrong ? "marc-wrong" : undefined}
        onChange={(e) => s.type("marc", e.target.value)}
      />
      {s.marcWrong && (
        <MeasureWrong
          id="marc-wrong"
          wrong={s.marcWrong}
          sending={s.sending}
          insist={s.insist}
          use={(text) => s.type("marc", text)}
        />
      )}
    </div>
  );
}

/** The jug as it is read, its likely band beside it. */
function StrainedJug({ s }: { s: Straining }) {
  const units = useUnits();
  const { expects, got } = s;
  if (!expects) return null;
  const ml = got?.reckoning.strained.ml.value;
  const band = `${units.volumeExact(expects.low)} to ${units.volumeExact(expects.high)}`;
  const words = { words: "from the cloth", more: band, rest: "was likely" };
  return (
    <div className="border-b-[6px] border-iron">
      <JugFigure
        layers={
          ml === undefined
            ? []
            : [{ ...words, toMl: ml, substance: "decoction", figure: units.volumeExact(ml) }]
        }
        foreseen={expects}
        holds={Math.max(expects.high, ml ?? 0) * 1.15}
        system={units.display === "metric" ? "metric" : units.household}
        title={`The jug; ${band} is likely`}
      />
    </div>
  );
}

/** Strain: is it ready, is it sound, then the cloth, and what comes out. Big targets, one thing at a time. */
export function Strain({ batch, company, care, today, last }: Props) {
  const s = useStraining(batch, company);
  return (
    <div className="grid gap-x-12 grid-cols-1 lg:grid-cols-[minmax(0,42rem)_minmax(0,1fr)]">
      <div className="text-[1.25rem] leading-relaxed">
        <Ready {...{ batch, care, today, last }} />
        <SignsFirst
          signs={s.signs}
          change={(signs) => s.put({ signs })}
          gassy={care.rules.some((r) => r.sort === "let-out")}
        />
        {s.signs.length > 0 ? (
          <ThrowItOut batch={batch} signs={s.signs} />
        ) : (
          <>
            <WhatStays stays={s.stays} change={(stays) => s.put({ stays })} />
            {s.stays !== "all" && <GetReady how={s.how} />}
            <StageCautions
              cautions={s.stops.cautions.filter((c) => c.severity !== "note")}
              reasons={s.stops.reasons}
              given={batch.reasons}
              giveReason={s.stops.giveReason}
            />
            {s.stays !== "all" && <HowStrained how={s.how} change={(how) => s.put({ how })} />}
            <WhatWasSeen seen={s.seen} change={(seen) => s.put({ seen })} />
            {s.stays === "all" ? <AllStays s={s} /> : <MeasureForm s={s} />}
            <When w={s.when} />
          </>
        )}
      </div>
      <aside className="min-w-0">
        {s.signs.length === 0 && s.stays !== "all" && <StrainedJug s={s} />}
        <Notes cautions={s.stops.cautions.filter((c) => c.severity === "note")} />
      </aside>
    </div>
  );
}
