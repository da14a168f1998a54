import { msOf } from "../day";
import type { Reading } from "../plan/happened";
import type { BatchReading } from "./at-the-stove";

/** What the strained liquid may be measured with. A strip is harder to read in a liquid that has a colour of its own. */
export const MEASURED_BY = ["strip", "coloured-strip", "meter", "refractometer", "hydrometer"] as const;
export type MeasuredBy = (typeof MEASURED_BY)[number];

/** What each of them reads, as the journal calls it. */
export const READS: Readonly<Record<MeasuredBy, "ph" | "brix" | "gravity">> = {
  strip: "ph",
  "coloured-strip": "ph",
  meter: "ph",
  refractometer: "brix",
  hydrometer: "gravity",
};

const byOf = (by: string | undefined): MeasuredBy | undefined => MEASURED_BY.find((m) => m === by);

function readingOf(r: BatchReading, hours: number): Reading | undefined {
  const by = byOf(r.by);
  const { value } = r;
  if (value === undefined || by === undefined || READS[by] !== r.what) return undefined;
  switch (by) {
    case "strip":
    case "meter":
      return { what: "ph", by, value, hours };
    case "coloured-strip":
      return { what: "ph", by: "strip", coloured: true, value, hours };
    case "refractometer":
      // Herb solids are reckoned with the liquid; nobody measures them.
      return { what: "brix", by, value, herbSolids: 0, hours };
    case "hydrometer":
      return { what: "gravity", by, value, hours };
  }
}

/**
 * What was measured of the liquid as it now is: after the cloth, and after the last thing that went in. The latest of each instrument counts.
 * An earlier one is of another liquid. Instants ISO; hours are those it had stood mixed.
 */
export function liquidReadings(
  readings: readonly BatchReading[],
  strainedAt: string | undefined,
  finishedAt: string | undefined,
): readonly Reading[] {
  const mixed = [strainedAt, finishedAt].filter((x) => x !== undefined).sort();
  const since = mixed.at(-1);
  if (strainedAt === undefined || since === undefined) return [];
  const latest = new Map<string, Reading>();
  for (const r of [...readings].sort((a, b) => msOf(a.at) - msOf(b.at) || a.seq - b.seq)) {
    const hours = (msOf(r.at) - msOf(since)) / 3_600_000;
    const is = hours >= 0 ? readingOf(r, hours) : undefined;
    if (is) latest.set(is.by, is);
  }
  return [...latest.values()];
}
