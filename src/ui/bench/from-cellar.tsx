"use client";
import { Told } from "../kit/told";
import { memo, useState } from "react";
import { type Fault, isFault } from "@/core/fault";
import { oursId } from "@/core/journal/ours";
import type { Nameless } from "@/core/plan/ids";
import type { Line, Plan } from "@/core/plan/plan";
import { type Day, printDay } from "@/core/day";
import { useUnits } from "../kit/units";

interface Ours {
  readonly batch: string;
  readonly code: string;
  readonly name: string;
  readonly leftMl: number;
  readonly bestBy: string;
}

/** Poured to begin with, mL: a small bottle's worth, or what is left. */
const FIRST_POURED = 100;

const UNREACHED: Fault = {
  name: "Away",
  message: "The cellar could not be asked just now. Try again in a moment.",
  path: [],
};

async function asked<T>(url: string): Promise<T | Fault> {
  try {
    const reply = await fetch(url);
    const json = (await reply.json()) as T & { fault?: Fault };
    return reply.ok ? json : (json.fault ?? UNREACHED);
  } catch {
    return UNREACHED;
  }
}

/** A bottle of ours as a line: what stands in the cellar, first to use first; what is touched goes in. */
export const FromCellar = memo(function FromCellar({
  today,
  put,
}: {
  today: Day;
  put: (line: Nameless<Line>, materials: NonNullable<Plan["materials"]>, name: string) => void;
}) {
  const units = useUnits();
  const [ours, setOurs] = useState<readonly Ours[] | "asking">();
  const [fault, setFault] = useState<Fault>();
  const open = async (): Promise<void> => {
    if (ours) return setOurs(undefined);
    setFault(undefined);
    setOurs("asking");
    const found = await asked<{ ours: readonly Ours[] }>("/api/ours");
    if (isFault(found)) {
      setOurs(undefined);
      return setFault(found);
    }
    // What is past its day comes last: it is there to be seen, not to be poured first.
    setOurs([...found.ours].sort((a, b) => Number(a.bestBy < today) - Number(b.bestBy < today)));
  };
  const pour = async (o: Ours): Promise<void> => {
    const found = await asked<{ rows: NonNullable<Plan["materials"]> }>(`/api/ours/${o.batch}`);
    if (isFault(found)) return setFault(found);
    const ml = Math.round(Math.min(FIRST_POURED, o.leftMl));
    put(
      { material: oursId(o.batch), amount: units.volumeExact(ml), from: { batch: o.batch } },
      found.rows,
      o.code,
    );
    setOurs(undefined);
  };
  return (
    <div className="no-print">
      <button
        type="button"
        className="plain min-h-8"
        aria-expanded={ours !== undefined}
        onClick={() => void open()}
      >
        pour in a bottle of our own
      </button>
      {fault && (
        <p role="alert" className="wrong">
          <Told of={fault.message} />
        </p>
      )}
      {ours === "asking" && <p className="quiet">Looking into the cellar…</p>}
      {ours && ours !== "asking" && (
        <ul className="max-h-72 overflow-y-auto border-y border-rule" aria-label="Bottles of our own">
          {ours.length === 0 && (
            <li className="py-2">The cellar is empty: nothing stands there to be poured.</li>
          )}
          {ours.map((o) => (
            <li key={o.batch} className="border-b border-rule">
              <button
                type="button"
                className="w-full text-left min-h-11 py-1 hover:bg-glaze"
                onClick={() => void pour(o)}
              >
                <span className="stencil">{o.code}</span> {o.name}
                <span className="quiet">
                  , {units.volume(o.leftMl)} left,{" "}
                  {o.bestBy < today ? (
                    <span className="text-rust">past its day</span>
                  ) : (
                    `best by ${printDay(o.bestBy, "short", today)}`
                  )}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
});
