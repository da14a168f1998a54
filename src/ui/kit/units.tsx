"use client";
import { useRouter } from "./router";
import { createContext, useContext, useEffect, useMemo, useState } from "react";
import type { UnitSystem } from "@/core/quantity/units";
import { METRIC, type Measures, measuresOf } from "@/core/reading/measures";

export type Display = "kitchen" | "metric";
interface Units {
  readonly display: Display;
  readonly household: UnitSystem;
  readonly degrees: "C" | "F";
  readonly lengths: "cm" | "in";
  readonly set: (d: Display) => void;
}
const Context = createContext<Units>({
  display: "kitchen",
  household: "us",
  degrees: "C",
  lengths: "cm",
  set: () => {},
});

/** Kitchen or metric, switched at once everywhere and remembered in a cookie, so that the server draws the same. */
export function UnitsProvider({
  initial,
  household,
  degrees,
  lengths,
  children,
}: {
  initial: Display;
  household: UnitSystem;
  degrees: "C" | "F";
  lengths: "cm" | "in";
  children: React.ReactNode;
}) {
  const router = useRouter();
  const [display, setDisplay] = useState(initial);
  const set = (d: Display): void => {
    document.cookie = `jolly-units=${d}; path=/; max-age=31536000; samesite=strict`;
    setDisplay(d);
    // What the server wrote is written again, in the other measures.
    router.refresh();
  };
  // Says that the page answers now; tests wait for it before they type.
  useEffect(() => void (document.documentElement.dataset["awake"] = "yes"), []);
  return (
    <Context.Provider value={{ display, household, degrees, lengths, set }}>{children}</Context.Provider>
  );
}

const WHOSE: Readonly<Record<UnitSystem, string>> = {
  us: "US cups and pints",
  imperial: "imperial pints and ounces",
  metric: "metric cups and spoons",
};

/** What was planned in other measures than the household's is read in its own, so it is shown in them too, and that is said. */
export function MeasuredIn({ system, children }: { system: UnitSystem; children: React.ReactNode }) {
  const around = useContext(Context);
  const own = useMemo(() => ({ ...around, household: system }), [around, system]);
  return (
    <Context.Provider value={own}>
      {system !== around.household && (
        <p role="note" className="quiet no-print pt-3">
          Planned in {WHOSE[system]}: what is typed here is read in those, and shown in them.
        </p>
      )}
      {children}
    </Context.Provider>
  );
}

/** How amounts are shown: the household's cups, spoons, degrees and ruler, or millilitres, grams, °C and cm. */
export function useUnits(): Units & Measures {
  const u = useContext(Context);
  const own = useMemo(
    () => measuresOf({ units: u.household, degrees: u.degrees, lengths: u.lengths }),
    [u.household, u.degrees, u.lengths],
  );
  return { ...u, ...(u.display === "metric" ? METRIC : own) };
}

const CHOICES: readonly (readonly [Display, string])[] = [
  ["kitchen", "cups and spoons"],
  ["metric", "mL and grams"],
];

/** One touch from the one to the other, where the head has no room for both; its words are what stands now. */
function UnitsTurn() {
  const u = useUnits();
  const to = u.display === "metric" ? "kitchen" : "metric";
  return (
    <button
      type="button"
      className="plain xl:hidden min-h-11 min-w-11 px-1 text-[0.9375rem] whitespace-nowrap"
      aria-label={`Shown in ${CHOICES.find(([d]) => d === u.display)![1]}; show in ${CHOICES.find(([d]) => d === to)![1]}`}
      onClick={() => u.set(to)}
    >
      {u.display === "metric" ? "mL" : "cups"}
    </button>
  );
}

/** The switch in the header: which of the two is on is pressed, not guessed at. */
export function UnitsSwitch() {
  return (
    <>
      <UnitsTurn />
      <BothUnits />
    </>
  );
}

function BothUnits() {
  const u = useUnits();
  return (
    <span role="group" aria-label="Measures" className="quiet whitespace-nowrap inline-flex max-xl:hidden">
      {CHOICES.map(([d, words]) => (
        <button
          key={d}
          type="button"
          aria-pressed={u.display === d}
          className={`min-h-11 px-2 ${u.display === d ? "bg-glaze text-iron font-semibold" : "text-cobalt underline underline-offset-3"}`}
          onClick={() => u.set(d)}
        >
          {words}
        </button>
      ))}
    </span>
  );
}
