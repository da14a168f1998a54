import type { KitchenClock } from "@/core/journal/kitchen-clock";

export type { KitchenClock };

/** How a clock stands: before its first bell, between the two, or past the last. */
export type Bell = "runs" | "first" | "rings";

export interface Reads {
  readonly bell: Bell;
  /** Minutes to the next bell; past the last, since it. */
  readonly minutes: number;
  /** Share of it that has burnt. */
  readonly burnt: number;
}

type Timed = Pick<KitchenClock, "low" | "high" | "startedAt">;

export function readClock(c: Timed, nowMs: number): Reads {
  const gone = Math.max(0, (nowMs - Date.parse(c.startedAt)) / 60_000);
  const burnt = c.high > 0 ? Math.min(1, gone / c.high) : 1;
  if (gone < c.low) return { bell: "runs", minutes: c.low - gone, burnt };
  if (gone < c.high) return { bell: "first", minutes: c.high - gone, burnt };
  return { bell: "rings", minutes: gone - c.high, burnt };
}

/** `6 min`, `40 s` in its last minute, `1 h 20`. */
export function leftWords(minutes: number): string {
  if (minutes < 1) return `${Math.max(0, Math.ceil(minutes * 60))} s`;
  const whole = Math.ceil(minutes - 1e-6);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${rest}`;
}
