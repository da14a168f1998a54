"use client";
import { Told } from "../../kit/told";
import type { Fault } from "@/core/fault";
import type { BatchReckoning } from "@/core/journal/reckon";
import { whereItWent } from "@/core/reckoning/went";
import { useUnits } from "../../kit/units";
import { LiquidWent } from "../../plan/went";
import type { AfterStraining } from "./use-straining";
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
      <p id="measured-says" className="pt-2 min-h-9" aria-live="polite">
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
