import { celsius } from "../quantity/carried";
/** A temperature of a cooling liquid: minutes from any zero, °C. */
export interface Reading {
  readonly minute: number;
  readonly celsius: number;
}

export interface History {
  /** Minutes from 60 to 21 °C and from 60 to 5 °C; missing where the readings do not reach so far. */
  readonly to21: number | undefined;
  readonly to5: number | undefined;
  /** Minutes between 60 and 5 °C so far. */
  readonly between: number;
  readonly outcome: "not-asked" | "well" | "going" | "boil-once-more" | "do-not-keep";
  readonly words: string;
}

const HOT = 60;
const WARM = 21;
const COLD = 5;
/** Minutes allowed: 60 to 21 °C, and 60 to 5 °C in all. Source: two-stage cooling of the FDA Food Code, rounded to the cautious side. */
export const FIRST_STAGE = 120;
export const BOTH_STAGES = 360;
/** Minutes to 21 °C up to which one more boiling mends it, once. */
export const MENDABLE = 240;

/** Minute at which a falling stretch passes a temperature, between readings by straight lines; `undefined` if it has not. */
function passes(r: readonly Reading[], celsius: number): number | undefined {
  if (r[0]!.celsius <= celsius) return r[0]!.minute;
  for (let i = 1; i < r.length; i++) {
    const [a, b] = [r[i - 1]!, r[i]!];
    if (b.celsius <= celsius)
      return a.minute + ((a.celsius - celsius) / (a.celsius - b.celsius)) * (b.minute - a.minute);
  }
  return undefined;
}

/** The stretches of cooling: each begins on the heat, or with what was already cold, and ends where it is heated again. */
function coolings(r: readonly Reading[]): readonly (readonly Reading[])[] {
  const out: Reading[][] = [];
  let below = false;
  for (const x of r) {
    if (out.length === 0 || (below && x.celsius >= HOT)) {
      out.push([]);
      below = false;
    }
    out.at(-1)!.push(x);
    below ||= x.celsius < HOT;
  }
  return out;
}

/** One cooling: minutes to 21 and to 5 °C where it got there, and minutes below 60 °C so far. */
interface Cooling {
  readonly to21: number | undefined;
  readonly to5: number | undefined;
  readonly between: number;
  readonly fate: "hot" | "going" | "well" | "mendable" | "lost";
}

function fateOf(to21: number | undefined, to5: number | undefined, between: number): Cooling["fate"] {
  const first = to21 ?? between;
  if (first > MENDABLE || (to5 ?? between) > BOTH_STAGES) return "lost";
  if (first > FIRST_STAGE) return "mendable";
  return to5 === undefined ? "going" : "well";
}

/** @param until minute up to which it is known to have stood so: the next heating, or now */
function judged(r: readonly Reading[], until: number): Cooling {
  const at60 = passes(r, HOT);
  if (at60 === undefined) return { to21: undefined, to5: undefined, between: 0, fate: "hot" };
  const since = (c: number): number | undefined => {
    const at = passes(r, c);
    return at === undefined ? undefined : at - at60;
  };
  const [to21, to5] = [since(WARM), since(COLD)];
  const between = to5 ?? until - at60;
  return { to21, to5, between, fate: fateOf(to21, to5, between) };
}

const hours = (m: number): string => (m < 90 ? `${Math.round(m)} min` : `${(m / 60).toFixed(1)} h`);

/**
 * The temperature history of a liquid that could grow something: pH over 4.6 at its upper end and a_w over 0.92. Steeping counts.
 * From 60 to 21 °C within 2 h and to 5 °C within 6 h in all. Between 2 and 4 h to 21 °C: boil once more, once, and cool in ice.
 * Over 4 h to 21 °C, over 6 h in all, or slow a second time: do not keep it; boiling removes neither spores nor every toxin.
 * @param nowMinute minutes on the same clock, to count a cooling still going on
 */
export function coolingHistory(
  readings: readonly Reading[],
  liquid: { readonly phHigh: number; readonly aw: number },
  nowMinute?: number,
): History {
  const r = [...readings]
    .filter((x) => Number.isFinite(x.minute) && Number.isFinite(x.celsius))
    .sort((a, b) => a.minute - b.minute);
  const asked = liquid.phHigh > 4.6 && liquid.aw > 0.92;
  const stretches = coolings(r);
  const until = (i: number): number =>
    stretches[i + 1]?.[0]?.minute ?? Math.max(r.at(-1)!.minute, nowMinute ?? -Infinity);
  const all = stretches.map((x, i) => judged(x, until(i)));
  const last = all.at(-1) ?? { to21: undefined, to5: undefined, between: 0, fate: "hot" as const };
  const { to21, to5, between } = last;
  const said = (outcome: History["outcome"], words: string): History => ({
    ...{ to21, to5, between, outcome, words },
  });
  if (!asked) return said("not-asked", "Sour or sweet enough that cooling slowly does it no harm.");
  const slow = all.filter((x) => x.fate === "mendable").length;
  if (all.some((x) => x.fate === "lost") || slow > 1) {
    const most = Math.max(...all.map((x) => x.between));
    const twice =
      slow > 1 ? "It cooled too slowly twice." : `${hours(most)} between ${celsius(60)} and ${celsius(5)}.`;
    return said(
      "do-not-keep",
      `${twice} Do not keep it; boiling again does not remove what may have formed.`,
    );
  }
  switch (last.fate) {
    case "hot":
      return said("going", `Hot still; nothing grows above ${celsius(60)}.`);
    case "going":
      return said(
        "going",
        `${hours(between)} since ${celsius(60)}. It wants to be at ${celsius(21)} within 2 h and at ${celsius(5)} within 6 h.`,
      );
    case "well":
      return said("well", "Cooled in time.");
    case "mendable":
    case "lost":
      return said(
        "boil-once-more",
        `${hours((to21 ?? between) - FIRST_STAGE)} too long on the way to ${celsius(21)}. Boil it once more, once, then cool it in ice.`,
      );
  }
}
