"use client";
import { useSyncExternalStore } from "react";

/** Whether a bare “oz” of a liquid is weight or volume in this household, once it has said so of that liquid. */
type Ounces = Readonly<Record<string, "weight" | "volume">>;
const KEY = "jolly-ounces";
const NONE: Ounces = {};

let held: { text: string | null; value: Ounces } = { text: null, value: NONE };
function read(): Ounces {
  const text = localStorage.getItem(KEY);
  if (text === held.text) return held.value;
  let value = NONE;
  try {
    value = text ? (JSON.parse(text) as Ounces) : NONE;
  } catch {
    // What cannot be read is asked again.
  }
  held = { text, value };
  return value;
}

const listeners = new Set<() => void>();
function listen(changed: () => void): () => void {
  listeners.add(changed);
  return () => listeners.delete(changed);
}

export function rememberOunces(material: string, as: "weight" | "volume"): void {
  localStorage.setItem(KEY, JSON.stringify({ ...read(), [material]: as }));
  for (const changed of listeners) changed();
}
export const useOunces = (): Ounces => useSyncExternalStore(listen, read, () => NONE);
