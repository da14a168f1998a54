"use client";
import { useId, useState } from "react";
import type { Batch } from "@/core/journal/fold";
import { readDuration } from "@/core/reading/durations";
import { fault, type Fault } from "@/core/fault";
import { Candle } from "../figures/candle";
import { Field } from "../kit/field";
import { useKitchen, useNow } from "../kitchen/kitchen";
import type { Making } from "./making";

/** The batch's clocks as candles, each with its stop; and one of one's own. */
export function Clocks({ batch, making }: { batch: Batch; making: Making }) {
  const now = useNow(1000);
  const { clocks } = useKitchen();
  const here = new Set(clocks.filter((c) => c.batch === batch.id).map((c) => c.clock));
  const own = batch.stove.clocks.filter((c) => c.stoppedAt === undefined);
  // What the journal has and what the kitchen hears of may differ for a moment; either is shown.
  const shown = [
    ...own,
    ...clocks
      .filter((c) => c.batch === batch.id && !own.some((o) => o.id === c.clock))
      .map((c) => ({ ...c, id: c.clock })),
  ].filter((c) => own.some((o) => o.id === c.id) || here.has(c.id));
  return (
    <div className="flex flex-wrap items-end gap-x-10 gap-y-2">
      {shown.map((c) => (
        <div key={c.id} className="min-w-0">
          <Candle clock={c} nowMs={now} />
          <button
            type="button"
            className="plain min-h-11"
            disabled={making.sending}
            aria-label={`Stop the clock for ${c.words}`}
            onClick={() => void making.write("timed", { did: "stopped", clock: c.id })}
          >
            stop this clock
          </button>
        </div>
      ))}
      <OwnClock making={making} first={shown.length === 0} />
    </div>
  );
}

/** A clock for what no plan says: bottles that scald, a kettle. */
function OwnClock({ making, first }: { making: Making; first: boolean }) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState("");
  const [time, setTime] = useState("");
  const [wrong, setWrong] = useState<Fault | undefined>();
  const start = async (): Promise<void> => {
    const r = readDuration(time);
    if (!r.ok) return setWrong(r.faults[0]);
    const [low, high] = [r.value.days.low * 1440, r.value.days.high * 1440];
    if (high > 1440)
      return setWrong(fault("TooLong", "A clock rings within a day. Longer waits stand in the plan.", []));
    setWrong(undefined);
    const round = (m: number): number => Math.round(m * 100) / 100;
    const body = {
      did: "started" as const,
      clock: `own-${Date.now().toString(36)}`,
      words: words.trim(),
      low: round(low),
      high: round(high),
    };
    if (await making.write("timed", body)) {
      setOpen(false);
      setWords("");
      setTime("");
    }
  };
  if (!open)
    return (
      <button type="button" className="plain min-h-11 text-[1.125rem]" onClick={() => setOpen(true)}>
        {first ? "set a clock" : "set another clock"}
      </button>
    );
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void start();
      }}
    >
      <Field id={`${id}-of`} label="a clock for">
        {(tied) => (
          <input
            {...tied}
            className="field w-40"
            value={words}
            maxLength={60}
            placeholder="bottles scald"
            onChange={(e) => setWords(e.target.value)}
          />
        )}
      </Field>
      <Field id={`${id}-for`} label="how long" fault={wrong}>
        {(tied) => (
          <input
            {...tied}
            className="field w-32"
            value={time}
            maxLength={40}
            placeholder="10 min"
            onChange={(e) => {
              setWrong(undefined);
              setTime(e.target.value);
            }}
          />
        )}
      </Field>
      <button
        type="submit"
        className="slab"
        disabled={making.sending || words.trim() === "" || time.trim() === ""}
      >
        set it going
      </button>
    </form>
  );
}
