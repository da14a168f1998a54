"use client";
import { Told } from "../kit/told";
import type { Batch } from "@/core/journal/fold";
import { STANDS, type Stands } from "@/core/kitchen/cooling";
import { MEND_WORDS } from "@/core/kitchen/warm";
import { STANDS_WORDS } from "../batch/entry-words";
import { useUnits } from "../kit/units";
import { spanWords } from "../kitchen/time";
import type { Making } from "./making";
import type { StoveTells } from "./use-stove";

type ClockOf = (minute: number) => string;

/** When to stop boiling, and what to look out for. */
export function DownWords({ tells, clockOf }: { tells: StoveTells; clockOf: ClockOf }) {
  const { down } = tells;
  if (!down) return null;
  const { minute, wrong, warns } = down;
  return (
    <div role="status" className="text-[1.125rem]">
      {minute && (
        <p>
          There at about <strong>{clockOf(minute.value)}</strong>{" "}
          <span className="text-ash">
            ({clockOf(minute.low)} to {clockOf(minute.high)}; <Told of={minute.because[0] ?? ""} />)
          </span>
        </p>
      )}
      {[...(wrong ? [wrong] : []), ...warns].map((w) => (
        <p key={w} className="text-rust font-semibold">
          {w}
        </p>
      ))}
    </div>
  );
}

/** How the pan stands: what it loses its heat to. */
function HowItStands({ batch, making }: { batch: Batch; making: Making }) {
  const now = batch.stove.stood.at(-1)?.as ?? "lidded";
  return (
    <fieldset className="text-base">
      <legend className="sr-only">How the pan stands</legend>
      <div className="flex flex-wrap">
        {STANDS.map((as: Stands) => (
          <button
            key={as}
            type="button"
            aria-pressed={now === as}
            disabled={making.sending}
            className={`min-h-11 px-3 ${now === as ? "bg-glaze font-semibold border-b-[3px] border-cobalt" : "text-cobalt border-b border-dashed border-cobalt"}`}
            onClick={() => void making.write("stood", { as })}
          >
            {STANDS_WORDS[as]}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** When it is cool enough, and how long it has stood warm where that matters. */
export function CoolingWords({
  tells,
  clockOf,
  batch,
  making,
}: {
  tells: StoveTells;
  clockOf: ClockOf;
  batch: Batch;
  making: Making;
}) {
  const units = useUnits();
  const { cool, warm } = tells;
  if (!cool) return null;
  const { reaches: when, target } = cool;
  return (
    <>
      <div role="status" className="text-[1.125rem]">
        {when.comes ? (
          <p>
            {units.temperature(target)} at about <strong>{clockOf(when.minute.value)}</strong>{" "}
            <span className="text-ash">
              ({clockOf(when.minute.low)} to {clockOf(when.minute.high)};{" "}
              <Told of={when.minute.because[0] ?? ""} />)
            </span>
          </p>
        ) : (
          <p className="text-rust font-semibold">
            It will not come to {units.temperature(target)} by itself: about {units.temperature(when.room)} is
            round it.
          </p>
        )}
        {warm?.tooSlow && (
          <div className="pt-1">
            <p className="text-rust font-semibold">
              So it stands warm too long: it wants to be at {units.temperature(21)} two hours after{" "}
              {units.temperature(60)}.
            </p>
            <ul className="text-base">
              {warm.mends.map((m) => (
                <li key={m.how}>
                  <Told of={MEND_WORDS[m.how]} />:{" "}
                  {m.to21 === undefined
                    ? "it does not get there"
                    : `${spanWords(m.to21)} to ${units.temperature(21)}`}
                  {m.inTime ? ", in time" : ""}
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
      <HowItStands batch={batch} making={making} />
    </>
  );
}
