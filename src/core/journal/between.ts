import { type Day, daysBetween, msOf } from "../day";
import type { Making } from "./as-done";
import { type Stove, sifted } from "./at-the-stove";

/** °C over which what is read last is warm still. */
const STOOD_WARM = 30;

interface When {
  readonly day: Day;
  readonly at: string;
}

/** How long the strained liquid stood before anything was done of it, and how warm as far as was read. */
export function betweenClothAndBottle(of: {
  readonly strained: When | undefined;
  /** What was done of it next: sweetened, or bottled. */
  readonly next: When | undefined;
  readonly stove: Pick<Stove, "readings" | "said">;
}): Pick<Making, "cooling" | "stoodUntil" | "waitedDays"> {
  const { strained, next, stove } = of;
  const cooling = sifted(stove.readings, "temperature").used.map((r) => [r.ms / 60_000, r.value] as const);
  const waitedDays = strained && next ? daysBetween(strained.day, next.day) : 0;
  const last = cooling.at(-1);
  const isCooled = stove.said.stood.some(
    (s) => (s.as === "fridge" || s.as === "iced") && last !== undefined && msOf(s.at) / 60_000 >= last[0] - 1,
  );
  // Left warm and read no more: until something was done of it, it stood as it was last read.
  const isWarm = last !== undefined && last[1] > STOOD_WARM && !isCooled && next !== undefined;
  return {
    cooling,
    ...(isWarm ? { stoodUntil: msOf(next.at) / 60_000 } : {}),
    ...(waitedDays > 0 ? { waitedDays } : {}),
  };
}
