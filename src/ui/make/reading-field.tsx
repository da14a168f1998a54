"use client";
import { useId, useState } from "react";
import type { Fault, Result } from "@/core/fault";
import { fail, fault, ok } from "@/core/fault";
import { readLength } from "@/core/reading/lengths";
import { readMeasured } from "@/core/reading/amounts";
import { readTemperature } from "@/core/reading/temperatures";
import type { UnitSystem } from "@/core/quantity/units";
import { useHold } from "./in-hand";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";

export type ReadSort = "temperature" | "room" | "depth" | "weight";

const LABELS: Readonly<Record<ReadSort, string>> = {
  temperature: "what the thermometer shows",
  room: "how warm the kitchen is",
  depth: "what the dipstick shows",
  weight: "what the liquid weighs, pan taken off",
};
const BY: Readonly<Record<ReadSort, string>> = {
  temperature: "hand",
  room: "hand",
  depth: "dipstick",
  weight: "scale",
};

function readAs(
  sort: ReadSort,
  text: string,
  u: { degrees: "C" | "F"; lengths: "cm" | "in"; system: UnitSystem },
): Result<number> {
  switch (sort) {
    case "temperature":
    case "room":
      return readTemperature(text, u.degrees);
    case "depth":
      return readLength(text, u.lengths);
    case "weight": {
      const said = readMeasured(text, u.system);
      if (!said.ok) return said;
      return said.value.dimension === "mass"
        ? ok(said.value.si.value)
        : fail(fault("NotAWeight", "Give a weight, like 850 g.", []));
    }
  }
}

/** One reading, typed in the household's own measures and written down with its time. */
export function ReadingField({
  sort,
  write,
  sending,
  refused,
}: {
  sort: ReadSort;
  write: (body: { what: ReadSort; value: number; by: string }) => Promise<boolean>;
  sending: boolean;
  refused: Fault | undefined;
}) {
  const units = useUnits();
  const id = useId();
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState<Fault | undefined>();
  useHold(`${id}-form`, text.trim() === "" ? undefined : "Write it down");
  const submit = async (): Promise<void> => {
    const r = readAs(sort, text, { ...units, system: units.household });
    if (!r.ok) return setWrong(r.faults[0]);
    setWrong(undefined);
    if (!(await write({ what: sort, value: r.value, by: BY[sort] }))) return;
    setText("");
  };
  const mine = wrong ?? (refused?.path.map(String).includes("value") ? refused : undefined);
  return (
    <form
      id={`${id}-form`}
      className="flex flex-wrap items-end gap-3 text-base"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <Field id={id} label={LABELS[sort]} fault={mine}>
        {(tied) => (
          <input
            {...tied}
            className="field w-32 text-[1.25rem]"
            inputMode={sort === "weight" ? "text" : "decimal"}
            autoComplete="off"
            value={text}
            maxLength={30}
            onChange={(e) => {
              setWrong(undefined);
              setText(e.target.value);
            }}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={sending || text.trim() === ""}>
        write it down
      </button>
    </form>
  );
}
