"use client";
import { Told } from "../kit/told";
import { useState } from "react";
import type { DayWindow } from "@/core/care/weeks";
import type { Batch } from "@/core/journal/fold";
import { Field } from "../kit/field";
import { useWrite } from "./write";

const FIELDS: readonly (readonly [keyof DayWindow, string])[] = [
  ["earliest", "may be strained from"],
  ["best", "best"],
  ["latest", "at the latest"],
];

/** The window moved by hand, with why; it stands in the journal beside what was foreseen. */
export function MoveWindow({ batch, window }: { batch: Batch; window: DayWindow }) {
  const { write, sending, fault, clear } = useWrite(batch.id, batch.seq);
  const [w, set] = useState(window);
  const [why, setWhy] = useState("");
  const at = (field: string) => (fault?.path.map(String).includes(field) ? fault : undefined);
  const elsewhere = fault && ![...FIELDS.map(([f]) => f), "why"].some((f) => at(f)) ? fault : undefined;
  return (
    <details>
      <summary className="plain inline-block min-h-11 pt-2">strain it earlier or later</summary>
      <form
        className="flex flex-wrap gap-4 items-end py-2"
        onSubmit={(e) => {
          e.preventDefault();
          void write("rewindowed", { ...w, why: why.trim() }).then((ok) => ok && setWhy(""));
        }}
      >
        {FIELDS.map(([field, label]) => (
          <Field key={field} id={`window-${field}`} label={label} fault={at(field)}>
            {(tied) => (
              <input
                {...tied}
                type="date"
                className="field"
                value={w[field]}
                onChange={(e) => {
                  clear();
                  set({ ...w, [field]: e.target.value });
                }}
              />
            )}
          </Field>
        ))}
        <Field id="window-why" label="why" fault={at("why")}>
          {(tied) => (
            <input
              {...tied}
              className="field w-56"
              maxLength={300}
              value={why}
              onChange={(e) => setWhy(e.target.value)}
            />
          )}
        </Field>
        <button type="submit" className="slab" disabled={sending || why.trim() === ""}>
          move it
        </button>
        {elsewhere && (
          <p role="alert" className="wrong basis-full">
            <Told of={elsewhere.message} />
          </p>
        )}
      </form>
    </details>
  );
}
