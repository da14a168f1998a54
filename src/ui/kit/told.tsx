"use client";
import { useUnits } from "./units";

/** A sentence of the core's, its quantities written as the household measures. */
export function Told({ of }: { of: string }) {
  return <>{useUnits().told(of)}</>;
}
