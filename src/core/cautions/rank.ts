import type { Severity } from "./caution";

/** Gravest first. */
export const RANK: Readonly<Record<Severity, number>> = { never: 0, stop: 1, caution: 2, note: 3 };
