import type { Lot, PlanVessel, Start, StandsIn, Wanted } from "./year";

/** mL a start gives, as foreseen. */
export const givesMl = (s: Pick<Start, "fill">, vessel: PlanVessel, wanted: Wanted): number =>
  vessel.ml * s.fill * (wanted.making?.gives.value ?? 0);

/** Days something is good in a place; none where it may not stand there. */
export const daysIn = (wanted: Wanted, place: StandsIn): number =>
  wanted.making?.keeps.find((k) => k.in === place)?.days ?? 0;

/** What a start gives, as a lot. */
export const lotOf = (s: Start, vessel: PlanVessel, wanted: Wanted): Lot => ({
  ml: givesMl(s, vessel, wanted),
  from: s.strain,
  until: s.strain + daysIn(wanted, s.in),
  in: s.in,
});

/** The day a vessel is free again: what is cooked takes it for its day. */
export const freeAgain = (s: Pick<Start, "day" | "strain">): number => Math.max(s.day + 1, s.strain);
