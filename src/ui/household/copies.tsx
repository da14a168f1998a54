"use client";
import { useState } from "react";
import { type Day, printDay } from "@/core/day";
import { Field } from "../kit/field";
import { useToday } from "../kit/when";
import { useDoor } from "./use-door";

export interface CopiesStand {
  readonly last: Day | undefined;
  readonly to: string | undefined;
  readonly tried: Day | undefined;
  readonly problem: string | undefined;
  readonly also: string | undefined;
}

/** Copies that make themselves: when the last was, where it lies, and a second place for it. A keeper's alone. */
export function Copies({ stand }: { stand: CopiesStand }) {
  const d = useDoor();
  const today = useToday();
  const [also, setAlso] = useState(stand.also ?? "");
  return (
    <section aria-labelledby="copies" className="grid grid-cols-1 gap-3">
      <h2 id="copies" className="ruled-head">
        Copies
      </h2>
      <p className="max-w-prose">
        {stand.last === undefined
          ? "While the app runs it copies the household by itself once a day, when something was written. None is made yet."
          : `The last copy is of ${printDay(stand.last, "long", today)}`}
        {stand.last !== undefined && stand.tried !== undefined
          ? ", and was tried by reading it back whole. "
          : " "}
        {stand.to && (
          <>
            It lies in <span className="break-all">{stand.to}</span>; the last seven are kept, and one of each
            of four weeks and twelve months.
          </>
        )}
      </p>
      {stand.problem && <p className="wrong">{stand.problem}</p>}
      <form
        className="flex flex-wrap gap-4 items-end"
        onSubmit={(e) => {
          e.preventDefault();
          void d.act({ do: "copy-also", folder: also.trim() });
        }}
      >
        <Field id="copies-also" label="a second folder for them, on another disk" fault={d.fault}>
          {(tied) => (
            <input
              {...tied}
              className="field w-80"
              value={also}
              maxLength={300}
              autoComplete="off"
              onChange={(e) => {
                d.clear();
                setAlso(e.target.value);
              }}
            />
          )}
        </Field>
        <button type="submit" className="slab" disabled={d.sending || also.trim() === (stand.also ?? "")}>
          put them there too
        </button>
      </form>
    </section>
  );
}
