import type { Span } from "../estimate";
import type { Move } from "./move";

/** What is still to do in a sitting, minutes; and when it is done, minutes from now. */
export interface Pace {
  readonly work: number;
  readonly wait: Span;
  readonly ends: Span;
  /** It ends in the bottle, rather than in a jar that is left for days. */
  readonly bottles: boolean;
}

/** What is left of a wait that has begun, minutes. */
export interface Begun {
  readonly move: string;
  readonly left: Span;
}

/**
 * What a sitting still takes. Told anew as it goes: what is done drops out, and a wait that has begun counts what is left of it.
 * @param done ids of moves done or passed over
 */
export function paceOf(
  moves: readonly Move[],
  done: ReadonlySet<string>,
  sitting: number,
  begun: readonly Begun[] = [],
): Pace {
  const open = moves.filter((m) => m.sitting === sitting && !done.has(m.id));
  const left = new Map(begun.map((b) => [b.move, b.left]));
  const work = open.reduce((s, m) => s + (left.has(m.id) ? 0 : m.active), 0);
  const waits = open.map((m) => left.get(m.id) ?? m.wait);
  const sum = (of: (s: Span) => number): number => waits.reduce((s, x) => s + of(x), 0);
  const value = sum((s) => s.value);
  // One wait's luck is not another's: what they differ by adds up as root of squares.
  const half = (of: (s: Span) => number): number => Math.sqrt(waits.reduce((s, x) => s + of(x) ** 2, 0));
  const wait = {
    low: value - half((s) => s.value - s.low),
    value,
    high: value + half((s) => s.high - s.value),
  };
  // Nobody's hands are faster than these by more than a fifth, many slower by half.
  return {
    work,
    wait,
    ends: { low: 0.8 * work + wait.low, value: work + value, high: 1.5 * work + wait.high },
    bottles: open.some((m) => m.sort === "bottle"),
  };
}
