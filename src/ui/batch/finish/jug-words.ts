import type { useUnits } from "../../kit/units";

type Units = Pick<ReturnType<typeof useUnits>, "volume" | "volumeExact">;
/** A jug bears no spoons. */
const byCups = (words: string): boolean => !words.includes("+") && !words.includes("sp");

/** Levels as a jug is read: all in cups where its own marks say them all, else all in mL. */
export const levelWords = (units: Units, levels: readonly number[]): ((ml: number) => string) =>
  levels.map(units.volume).every(byCups) ? units.volume : units.volumeExact;
