"use client";
import { useState } from "react";
import type { Fault } from "@/core/fault";
import { readLength, writeLength } from "@/core/reading/lengths";
import { VESSEL_SORTS, type VesselSort, type VesselSpec, usualWare } from "@/core/vessel/vessel";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";
import type { VesselPart } from "./vessel-pane";

const NAMES: Readonly<Record<VesselSort, string>> = {
  jar: "jar",
  bottle: "bottle",
  dropper: "dropper bottle",
  crock: "crock",
  pot: "pan or pot",
  "pressure-pot": "pressure pot",
};
const onStove = (sort: VesselSort): boolean => sort === "pot" || sort === "pressure-pot";

type Measured = VesselSpec & { shape: { heightCm: number; diameterCm: number } };
export const isMeasured = (v: unknown): v is Measured =>
  typeof v === "object" && v !== null && "shape" in v && "diameterCm" in (v as Measured).shape;

/** One measurement, typed as the ruler shows it; what cannot be read is said, and the vessel stays as it was. */
function Measurement({
  spec,
  field,
  words,
  fault,
  set,
}: {
  spec: Measured;
  field: "heightCm" | "diameterCm";
  words: string;
  fault: Fault | undefined;
  set: (cm: number) => void;
}) {
  const { lengths } = useUnits();
  const [typed, setTyped] = useState<string | undefined>();
  const read = typed === undefined ? undefined : readLength(typed, lengths);
  const wrong = read && !read.ok ? read.faults[0] : fault;
  return (
    <Field id={`own-${field}`} label={words} fault={wrong} className="w-40" put={setTyped}>
      {(tied) => (
        <input
          {...tied}
          className="field w-full"
          inputMode="decimal"
          maxLength={20}
          value={typed ?? writeLength(spec.shape[field], lengths)}
          onChange={(e) => {
            setTyped(e.target.value);
            const is = readLength(e.target.value, lengths);
            if (is.ok) set(is.value);
          }}
          onBlur={() => read?.ok && setTyped(undefined)}
        />
      )}
    </Field>
  );
}

/** A vessel of one's own, measured: what sort it is, how high and how wide inside. */
export function OwnVessel({
  spec,
  faults,
  choose,
}: {
  spec: Measured;
  faults: readonly Fault[];
  choose: (part: VesselPart, about?: string) => void;
}) {
  const wrong = (field: string): Fault | undefined =>
    faults.find((f) => f.path.join(".") === `vessel.shape.${field}`);
  const set = (to: Partial<Measured>, about: string): void =>
    choose({ vessel: { ...spec, ...to } as VesselSpec }, about);
  return (
    <div className="flex flex-wrap justify-center gap-4 pt-2 text-left">
      <Field id="own-sort" label="it is a" className="w-40">
        {(tied) => (
          <select
            {...tied}
            className="field w-full"
            value={spec.sort}
            onChange={(e) => {
              const sort = e.target.value as VesselSort;
              const lid = onStove(sort) ? "none" : "glass";
              set({ sort, lid, ware: usualWare(sort), name: `my own ${NAMES[sort]}` }, "own-sort");
            }}
          >
            {VESSEL_SORTS.map((s) => (
              <option key={s} value={s}>
                {NAMES[s]}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Measurement
        spec={spec}
        field="heightCm"
        words="inside height"
        fault={wrong("heightCm")}
        set={(heightCm) => set({ shape: { ...spec.shape, heightCm } }, "own-height")}
      />
      <Measurement
        spec={spec}
        field="diameterCm"
        words="inside width"
        fault={wrong("diameterCm")}
        set={(diameterCm) => set({ shape: { ...spec.shape, diameterCm } }, "own-width")}
      />
    </div>
  );
}
