"use client";
import { Told } from "../../kit/told";
import type { Fault } from "@/core/fault";
import type { BatchReckoning } from "@/core/journal/reckon";
import { whereItWent } from "@/core/reckoning/went";
import { useUnits } from "../../kit/units";
import { LiquidWent } from "../../plan/went";
import type { AfterStraining, Straining } from "./use-straining";
import { verdictHead } from "../../plan/verdict-words";

/** What a measure that cannot be is answered with, and the ways on from there. */
export function MeasureWrong({
  id,
  wrong,
  sending,
  insist,
  use,
}: {
  id: string;
  wrong: Fault;
  sending: boolean;
  insist: () => Promise<unknown>;
  use: (text: string) => void;
}) {
  return (
    <p id={id} role="alert" className="wrong text-[1.125rem] pt-2">
      <Told of={wrong.message} />{" "}
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

const NEXT: Readonly<Record<AfterStraining, string | undefined>> = {
  make: "Next: back to the stove with it.",
  finish: "Next: sweeten to the measure.",
  bottle: undefined,
};

/** What was measured comes to, and where the rest of the liquid went. */
export function Measured({
  got,
  marcG,
  next,
}: {
  got: BatchReckoning | undefined;
  marcG: number | undefined;
  next: AfterStraining;
}) {
  const units = useUnits();
  const says = got && verdictHead(got.reckoning.verdict);
  return (
    <>
      <p id="measured-says" className="pt-2 min-h-11" aria-live="polite">
        {got && says && (
          <>
            That is {units.volumeExact(got.reckoning.strained.ml.value)}.{" "}
            {NEXT[next] ?? `As it is: ${says.place} ${says.life}`}
          </>
        )}
      </p>
      {got && (
        <LiquidWent
          went={whereItWent(got.program, got.reckoning, marcG)}
          head="Where the liquid went"
          drawn
        />
      )}
    </>
  );
}

/** What the jug shows, typed or touched, with what was likely beside it. */
export function JugLevel({ s }: { s: Straining }) {
  const units = useUnits();
  const { expects, wrong } = s;
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        s.send();
      }}
    >
      <label htmlFor="measured" className="font-bold">
        The jug shows, or the scale
      </label>{" "}
      <input
        id="measured"
        className="field text-[1.5rem] w-full max-w-64"
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
          use={(text) => s.type("measured", text)}
        />
      )}
      {expects && s.measured.trim() === "" && (
        <p className="quiet pt-1">
          About {units.volumeExact(expects.value)} is likely, between {units.volumeExact(expects.low)} and{" "}
          {units.volumeExact(expects.high)}. In parts, add them up: “{units.examples.parts}”.
        </p>
      )}
      <Measured got={s.got} marcG={s.marcG} next={s.next} />
    </form>
  );
}

/** What is left in the cloth, on the scale, where there is one: it tells what the cloth holds, and whether the jug was read right. */
export function MarcWeighed({ s }: { s: Straining }) {
  return (
    <div className="py-2">
      <label htmlFor="marc" className="pr-3">
        What is left in the cloth (the marc) weighs, if you like
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
