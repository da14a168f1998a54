/** How long one broken run may take before it counts as noticed: whoever waits for it notices. */
const ASKED_EACH = 100_000;

let ticks = 0;
let until = Infinity;

/** @param ms from now */
export function patience(ms: number): void {
  ticks = 0;
  until = Date.now() + ms;
}

/** Throws once patience is over; the clock is looked at now and then only. */
export function tick(): void {
  if (++ticks < ASKED_EACH) return;
  ticks = 0;
  if (Date.now() > until) throw new Error("it does not come to an end");
}
