"use client";
import { Told } from "../kit/told";
import { useState } from "react";
import type { Batch } from "@/core/journal/fold";
import { MEASURED_BY, type MeasuredBy, READS } from "@/core/journal/measured-liquid";
import type { Fault } from "@/core/fault";
import { fault as faultOf } from "@/core/fault";
import { Wrong } from "../kit/field";
import { useWrite } from "./write";

export const BY_WORDS: Readonly<Record<MeasuredBy, string>> = {
  "coloured-strip": "pH strip, in a coloured liquid",
  strip: "pH strip, in a clear liquid",
  meter: "pH meter, calibrated",
  refractometer: "refractometer, °Bx",
  hydrometer: "hydrometer, specific gravity",
};
const EXAMPLE: Readonly<Record<"ph" | "brix" | "gravity", string>> = {
  ph: "3.4",
  brix: "62",
  gravity: "1.21",
};

const WHAT_WORDS = { ph: "pH", brix: "°Bx", gravity: "gravity" } as const;

/** A number as it is read off an instrument. */
function numberOf(text: string): number | Fault {
  const n = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && Number.isFinite(n)
    ? n
    : faultOf("NotAReading", "Write the number it shows, like 3.4.", ["value"]);
}

/** An instrument and what it shows, and the writing of it. */
function useMeasuring(batch: Batch) {
  const { write, sending, fault, clear } = useWrite(batch.id, batch.seq);
  const [by, setBy] = useState<MeasuredBy>("coloured-strip");
  const [text, setText] = useState("");
  const [unread, setUnread] = useState<Fault>();
  const type = (to: string): void => {
    clear();
    setUnread(undefined);
    setText(to);
  };
  const send = (): void => {
    const value = numberOf(text);
    if (typeof value !== "number") return setUnread(value);
    void write("read", { what: READS[by], value, by }).then((written) => written && setText(""));
  };
  return { by, setBy, text, type, wrong: unread ?? fault, sending, send };
}

/** A strip, a meter or a refractometer in the strained liquid, in the jug or out of a bottle: what it shows counts as the keeping rules say. */
export function MeasureIt({ batch, refused }: { batch: Batch; refused: readonly Fault[] }) {
  const { by, setBy, text, type, wrong, sending, send } = useMeasuring(batch);
  const read = batch.making.readings;
  return (
    <section aria-label="Measure it">
      <h2 className="ruled-head">
        {batch.state === "bottled" ? "Measured from a bottle" : "Measure it, if you like"}
      </h2>
      <form
        className="flex flex-wrap gap-3 items-end pt-2"
        onSubmit={(e) => {
          e.preventDefault();
          send();
        }}
      >
        <label className="min-w-0">
          <span className="quiet block">with a</span>
          <select
            aria-label="with a"
            className="field max-w-full"
            value={by}
            onChange={(e) => setBy(e.target.value as MeasuredBy)}
          >
            {[...MEASURED_BY]
              .sort((a, b) => Object.keys(BY_WORDS).indexOf(a) - Object.keys(BY_WORDS).indexOf(b))
              .map((m) => (
                <option key={m} value={m}>
                  {BY_WORDS[m]}
                </option>
              ))}
          </select>
        </label>
        <label>
          <span className="quiet block">it shows</span>
          <input
            className="field w-24"
            inputMode="decimal"
            placeholder={EXAMPLE[READS[by]]}
            maxLength={12}
            value={text}
            aria-invalid={wrong !== undefined}
            aria-describedby={wrong ? "measure-it-wrong" : undefined}
            onChange={(e) => type(e.target.value)}
          />
        </label>
        <button type="submit" className="plain min-h-11" disabled={sending}>
          write it down
        </button>
      </form>
      {wrong && <Wrong id="measure-it-wrong" fault={wrong} put={type} />}
      {read.length > 0 && (
        <ul className="pt-1">
          {read.map((r) => (
            <li key={r.by}>
              {WHAT_WORDS[r.what]} {r.value}, by {r.by}
            </li>
          ))}
          {refused.map((x) => (
            <li key={x.message} className="quiet">
              <Told of={x.message} />
            </li>
          ))}
        </ul>
      )}
      <p className="quiet">
        A worse reading than was reckoned counts at once; a better one when it has stood mixed for two days.
      </p>
    </section>
  );
}
