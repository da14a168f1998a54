"use client";
import { Told } from "../kit/told";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Settings } from "@/core/stores/settings";
import { Field } from "../kit/field";
import { useIntent } from "../kit/intent";
import { toHouse } from "../kit/writes";

type Said = Pick<Settings, "name" | "units" | "currency" | "degrees" | "lengths"> & { readonly zone: string };

/** One of a few, under its label. */
function Choice<T extends string>({
  id,
  label,
  value,
  set,
  of,
}: {
  id: string;
  label: string;
  value: T;
  set: (v: T) => void;
  of: readonly (readonly [T, string])[];
}) {
  return (
    <p>
      <label htmlFor={id} className="quiet block">
        {label}
      </label>
      <select id={id} className="field" value={value} onChange={(e) => set(e.target.value as T)}>
        {of.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
    </p>
  );
}

/** The house as it is said, and its keeping. */
function useHouse(start: Said) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const { name, units, currency, degrees, lengths, zone } = start;
  const [s, set] = useState<Said>(() => ({ name, units, currency, degrees, lengths, zone }));
  const [kept, setKept] = useState(false);
  const change = (to: Partial<Said>): void => {
    clear();
    setKept(false);
    set({ ...s, ...to });
  };
  const keep = async (): Promise<void> => {
    // What was changed here is sent, and nothing that another window may have changed meanwhile.
    const changed = Object.fromEntries(
      Object.entries(s).filter(([field, is]) => is !== start[field as keyof Said]),
    ) as Partial<Said>;
    const r = await send(toHouse(changed));
    if (!r?.ok) return;
    setKept(true);
    router.refresh();
  };
  const at = (field: keyof Said) => (fault?.path.map(String).includes(field) ? fault : undefined);
  const elsewhere = fault && !at("name") && !at("currency") && !at("zone") ? fault : undefined;
  return { s, change, keep, kept, sending, at, elsewhere };
}

const UNITS = [
  ["us", "US cups and pints"],
  ["metric", "millilitres and grams"],
  ["imperial", "imperial pints"],
] as const;
const DEGREES = [
  ["C", "°C"],
  ["F", "°F"],
] as const;
const LENGTHS = [
  ["cm", "centimetres"],
  ["in", "inches"],
] as const;

/** The household's name, its measures and its money. */
export function HouseholdSettings({ start }: { start: Said }) {
  const { s, change, keep, kept, sending, at, elsewhere } = useHouse(start);
  const typed = (field: "name" | "currency" | "zone", wide: string, most: number) => (tied: object) => (
    <input
      {...tied}
      list={field === "zone" ? "zones" : undefined}
      className={`field ${wide}`}
      value={s[field]}
      maxLength={most}
      onChange={(e) => change({ [field]: e.target.value })}
    />
  );
  return (
    <section aria-labelledby="house">
      <h2 id="house" className="ruled-head">
        The house
      </h2>
      <form
        className="py-3 flex flex-wrap gap-4 items-end"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <Field id="house-name" label="name" fault={at("name")}>
          {typed("name", "w-64", 80)}
        </Field>
        <Choice
          id="house-units"
          label="cups and pints are"
          value={s.units}
          set={(units) => change({ units })}
          of={UNITS}
        />
        <Choice
          id="house-degrees"
          label="the thermometer shows"
          value={s.degrees}
          set={(degrees) => change({ degrees })}
          of={DEGREES}
        />
        <Choice
          id="house-lengths"
          label="the ruler shows"
          value={s.lengths}
          set={(lengths) => change({ lengths })}
          of={LENGTHS}
        />
        <Field id="house-money" label="money is written" fault={at("currency")}>
          {typed("currency", "w-24", 4)}
        </Field>
        <Field id="house-zone" label="its clock is that of" fault={at("zone")}>
          {typed("zone", "w-56", 60)}
        </Field>
        <datalist id="zones">
          {Intl.supportedValuesOf("timeZone").map((z) => (
            <option key={z} value={z} />
          ))}
        </datalist>
        <button type="submit" className="slab" disabled={sending}>
          {sending ? "Writing…" : "Keep it"}
        </button>
        <span role="status" className="quiet min-h-7">
          {kept ? "Kept." : ""}
        </span>
        {elsewhere && (
          <p role="alert" className="wrong basis-full">
            <Told of={elsewhere.message} />
          </p>
        )}
      </form>
      <p className="quiet max-w-prose">
        Amounts already typed keep the cups they were typed in. Temperatures and heights are shown by your own
        thermometer and ruler; with millilitres and grams chosen above, in °C and cm. With another clock, days
        that are written already stay what they were; from then on days begin and bells ring by the new one.
      </p>
    </section>
  );
}
