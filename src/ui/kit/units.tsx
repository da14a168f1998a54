"use client";
import { createContext, useContext, useEffect, useState } from "react";
import { type Household } from "@/core/quantity/units";
import { printG, printMass, printMl, printVolume } from "@/core/quantity/print";

export type Display = "kitchen" | "metric";
interface Units {
  readonly display: Display;
  readonly household: Household;
  readonly set: (d: Display) => void;
}
const Context = createContext<Units>({ display: "kitchen", household: "us", set: () => {} });

/** Kitchen or metric, switched at once everywhere and remembered in a cookie, so that the server draws the same. */
export function UnitsProvider({ initial, household, children }: { initial: Display; household: Household; children: React.ReactNode }) {
  const [display, setDisplay] = useState(initial);
  const set = (d: Display): void => {
    document.cookie = `jolly-units=${d}; path=/; max-age=31536000; samesite=strict`;
    setDisplay(d);
  };
  // Says that the page answers now; tests wait for it before they type.
  useEffect(() => void (document.documentElement.dataset["awake"] = "yes"), []);
  return <Context.Provider value={{ display, household, set }}>{children}</Context.Provider>;
}

/** How amounts are shown: the household's cups and spoons, or millilitres and grams. */
export function useUnits() {
  const u = useContext(Context);
  const as: Household = u.display === "metric" ? "metric" : u.household;
  return {
    ...u,
    volume: (ml: number): string => printVolume(ml, as).text,
    volumeExact: (ml: number): string => printMl(ml),
    mass: (g: number): string => (u.display === "metric" ? printG(g) : printMass(g, as).text),
    massExact: (g: number): string => printG(g),
  };
}

/** The switch in the header. */
export function UnitsSwitch() {
  const u = useUnits();
  const other: Display = u.display === "kitchen" ? "metric" : "kitchen";
  return (
    <span className="quiet whitespace-nowrap">
      {u.display === "kitchen" ? "kitchen" : <button type="button" className="plain text-ash" onClick={() => u.set(other)}>kitchen</button>}
      {" · "}
      {u.display === "metric" ? "metric" : <button type="button" className="plain text-ash" onClick={() => u.set(other)}>metric</button>}
    </span>
  );
}
