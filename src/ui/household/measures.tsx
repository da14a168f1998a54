"use client";
import { useState } from "react";
import { CM_PER_INCH, TEASPOON_ML, UNITS, type UnitSystem } from "@/core/quantity/units";
import type { Settings } from "@/core/stores/settings";
import { Told } from "../kit/told";
import { useUnits } from "../kit/units";
import { Field } from "../kit/field";
import { CupDrawn, RulerDrawn, SpoonsDrawn, ThermometerDrawn } from "./drawn";
import { Kept, useSettle } from "./use-settle";

type Said = Pick<Settings, "name" | "units" | "currency" | "degrees" | "lengths"> & { readonly zone: string };
type Key = keyof Said;

/** What the drawer of each kitchen holds, mL. */
const DRAWER: Readonly<
  Record<
    UnitSystem,
    { readonly cup: number; readonly jug: number; readonly jugs: string; readonly spoons: readonly number[] }
  >
> = {
  us: {
    cup: UNITS["us-cup"].size,
    jug: UNITS["us-pint"].size,
    jugs: "our pint",
    spoons: spoonsOf(UNITS["us-tbsp"].size, TEASPOON_ML.us),
  },
  imperial: {
    cup: UNITS["imp-cup"].size,
    jug: UNITS["imp-pint"].size,
    jugs: "our pint",
    spoons: spoonsOf(UNITS["metric-tbsp"].size, TEASPOON_ML.imperial),
  },
  metric: {
    cup: UNITS["metric-cup"].size,
    jug: UNITS.l.size / 2,
    jugs: "our half litre",
    spoons: spoonsOf(UNITS["metric-tbsp"].size, TEASPOON_ML.metric),
  },
};
function spoonsOf(tbsp: number, tsp: number): readonly number[] {
  return [tbsp, tsp, tsp / 2];
}

const CHOICES = {
  units: [
    ["us", "US cups and pints"],
    ["metric", "millilitres and grams"],
    ["imperial", "imperial pints"],
  ],
  degrees: [
    ["C", "°C"],
    ["F", "°F"],
  ],
  lengths: [
    ["cm", "centimetres"],
    ["in", "inches"],
  ],
} as const;
const ASKED: Readonly<Record<keyof typeof CHOICES, string>> = {
  units: "cups and pints are",
  degrees: "the thermometer shows",
  lengths: "the ruler shows",
};
const TYPED = [
  ["name", "the house’s name", "w-64", 80],
  ["currency", "money is written", "w-24", 4],
  ["zone", "its clock is that of", "w-56", 60],
] as const;
type TypedKey = (typeof TYPED)[number][0];

/** One of a few, each written down as it is touched. */
function Choosing({ of, start }: { of: keyof typeof CHOICES; start: Said }) {
  const { settle, sending, fault, kept } = useSettle();
  return (
    <fieldset className="bg-glaze px-4 py-2">
      <legend className="sr-only">{ASKED[of]}</legend>
      <div className="flex flex-wrap gap-x-8 items-center">
        <span className="quiet" aria-hidden="true">
          {ASKED[of]}
        </span>
        {CHOICES[of].map(([v, words]) => (
          <label key={v} className="flex items-center gap-3 min-h-11 cursor-pointer">
            <input
              type="radio"
              name={`house-${of}`}
              className="w-6 h-6 accent-cobalt"
              checked={start[of] === v}
              disabled={sending}
              onChange={() => void settle({ [of]: v }, { [of]: start[of] })}
            />
            {words}
          </label>
        ))}
        <Kept kept={kept} />
      </div>
      {fault && (
        <p role="alert" className="wrong">
          <Told of={fault.message} />
        </p>
      )}
      {of === "units" && (
        <p className="quiet max-w-prose">
          Amounts already typed keep the cups they were typed in. Temperatures and heights are shown by your
          own thermometer and ruler; with millilitres and grams chosen above, in °C and cm.
        </p>
      )}
    </fieldset>
  );
}

/** What is said in the house's own words. */
function Typing({ of: [key, label, wide, most], start }: { of: (typeof TYPED)[number]; start: Said }) {
  const { settle, sending, fault, clear, kept } = useSettle();
  const [text, setText] = useState(start[key]);
  return (
    <form
      className="bg-glaze px-4 py-2 flex flex-wrap gap-4 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        void settle({ [key]: text }, { [key]: start[key] });
      }}
    >
      <Field id={`house-${key}`} label={label} fault={fault}>
        {(tied) => (
          <input
            {...tied}
            list={key === "zone" ? "zones" : undefined}
            className={`field ${wide}`}
            value={text}
            maxLength={most}
            onChange={(e) => {
              clear();
              setText(e.target.value);
            }}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={sending}>
        {sending ? "Writing…" : "Keep it"}
      </button>
      <Kept kept={kept} />
      {key === "zone" && (
        <>
          <datalist id="zones">
            {Intl.supportedValuesOf("timeZone").map((z) => (
              <option key={z} value={z} />
            ))}
          </datalist>
          <p className="quiet basis-full max-w-prose">
            With another clock, days that are written already stay what they were; from then on days begin and
            bells ring by the new one.
          </p>
        </>
      )}
    </form>
  );
}

interface Thing {
  readonly id: string;
  readonly opens: Key;
  readonly drawn: React.ReactNode;
  readonly name: string;
  readonly says: string;
}

/** What hangs and stands on the shelf of measures. */
function thingsOf({ units, degrees, lengths }: Said, volume: (ml: number) => string): readonly Thing[] {
  const d = DRAWER[units];
  return [
    {
      id: "cup",
      opens: "units",
      drawn: <CupDrawn ml={d.cup} marks={4} />,
      name: "our cup",
      says: volume(d.cup),
    },
    {
      id: "jug",
      opens: "units",
      drawn: <CupDrawn ml={d.jug} marks={4} />,
      name: d.jugs,
      says: volume(d.jug),
    },
    {
      id: "spoons",
      opens: "units",
      drawn: <SpoonsDrawn mls={d.spoons} />,
      name: "our spoons",
      says: "a tablespoon, a teaspoon, and half of one",
    },
    {
      id: "heat",
      opens: "degrees",
      drawn: <ThermometerDrawn letter={degrees} />,
      name: `°${degrees}`,
      says: degrees === "C" ? "or °F" : "or °C",
    },
    {
      id: "ruler",
      opens: "lengths",
      drawn: <RulerDrawn stepCm={lengths === "cm" ? 1 : CM_PER_INCH / 2} />,
      name: lengths,
      says: lengths === "cm" ? "or inches" : "or cm",
    },
  ];
}

/** The household's measures on their shelf, its name, its money and its clock: what is touched may be changed. */
export function HouseMeasures({ start }: { start: Said }) {
  const [open, setOpen] = useState<{ readonly by: string; readonly key: Key } | undefined>();
  const touch = (by: string, key: Key) => ({
    "aria-expanded": open?.by === by,
    onClick: () => setOpen(open?.by === by ? undefined : { by, key }),
  });
  const { volumeExact } = useUnits();
  const worded = TYPED.find(([key]) => key === open?.key);
  const said: Readonly<Record<TypedKey, string>> = start;
  return (
    <section aria-labelledby="house" className="min-w-0">
      <h2 id="house" className="sr-only">
        The house
      </h2>
      <ul data-drawing="" className="flex flex-wrap items-end gap-y-4">
        {thingsOf(start, volumeExact).map((t) => (
          <li key={t.id} className="flex flex-col items-center">
            <span className="px-4 border-b-[6px] border-iron w-full flex justify-center">{t.drawn}</span>
            <button type="button" className="min-h-11 min-w-11 px-1" {...touch(t.id, t.opens)}>
              <span className="stitch">{t.name}</span>
            </button>
            <span className="quiet text-center max-w-[11rem] min-h-[2lh]">{t.says}</span>
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap gap-x-8 py-2">
        {TYPED.map(([key, label]) => (
          <span key={key} className="inline-flex items-center gap-2">
            <span className="quiet">{label}</span>
            <button type="button" className="min-h-11 px-1 min-w-11 text-left" {...touch(key, key)}>
              <span className="stitch">{said[key]}</span>
            </button>
          </span>
        ))}
      </p>
      {open && !worded && <Choosing of={open.key as keyof typeof CHOICES} start={start} />}
      {worded && <Typing key={worded[0]} of={worded} start={start} />}
    </section>
  );
}
