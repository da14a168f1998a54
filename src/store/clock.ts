import { z } from "zod";

const Instant = z.iso.datetime({ offset: true });

const read = (name: string): number | undefined => {
  const text = process.env[name];
  if (!text) return undefined;
  if (!Instant.safeParse(text).success)
    throw new Error(`${name} is not an instant like 2026-11-24T09:00:00Z: ${text}`);
  return Date.parse(text);
};

const held = globalThis as unknown as { jollyStarted?: number };
held.jollyStarted ??= Date.now();

/**
 * The server's time, ISO. `JOLLY_NOW_FROZEN` stops it, for pictures and tests; `JOLLY_NOW` starts a clock that ticks on from there.
 */
export function now(): string {
  const frozen = read("JOLLY_NOW_FROZEN");
  if (frozen !== undefined) return new Date(frozen).toISOString();
  const from = read("JOLLY_NOW");
  return new Date(from === undefined ? Date.now() : from + (Date.now() - held.jollyStarted!)).toISOString();
}

/** Whether the server's clock stands still, for pictures and tests. */
export const isFrozen = (): boolean => read("JOLLY_NOW_FROZEN") !== undefined;
