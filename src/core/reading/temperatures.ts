import { type Result, fail, fault, ok } from "../fault";
import { printTemperature } from "./print";
import { type Token, standsAt, tokensOf } from "./tokens";

/** The least and most a kitchen thermometer is asked to show, °C. */
const [LEAST, MOST] = [0, 130];

/** Words and marks beside the figure that do not change it: a pan cooled to under 40 °C has been at 40. */
const SAYS_NOTHING: ReadonlySet<string> = new Set([
  "°", "º", "degrees", "degree", "deg", "about", "around", "under", "below", "to", "at", "or", "less", "than", "roughly",
]); // prettier-ignore
/** How warm a kitchen says something is, °C: asked about, with what it usually is. */
const SPOKEN: readonly (readonly [words: readonly string[], celsius: number])[] = [
  [["body", "temperature"], 37],
  [["body", "heat"], 37],
  [["blood", "warm"], 37],
  [["lukewarm"], 38],
  [["tepid"], 30],
  [["room", "temperature"], 20],
];

/** A temperature as typed, in °C: `43 °C`, `110 F`, `43`; a bare figure is in the household's own degrees. Faults: `NotATemperature`. */
export function readTemperature(text: string, household: "C" | "F"): Result<number> {
  const t = tokensOf(text.trim()).filter((x) => !SAYS_NOTHING.has(x.low));
  const unit = t[1]?.low ?? household.toLowerCase();
  const F = unit === "f" || unit === "fahrenheit";
  const C = unit === "c" || unit === "celsius";
  const example = household === "C" ? "43 °C" : "110 °F";
  const spoken = SPOKEN.find(([words]) => standsAt(t, 0, words) && t.length === words.length);
  if (spoken) {
    const shown = printTemperature(spoken[1], household);
    return fail(
      fault("NotATemperature", `That is about ${shown}. Write it as the thermometer shows it.`, [], shown),
    );
  }
  if (t.length === 0 || t.length > 2 || t[0]!.kind !== "number" || !(F || C))
    return fail(fault("NotATemperature", `Write a temperature like “${example}”.`, [], example));
  const celsius = F ? ((t[0]!.value - 32) * 5) / 9 : t[0]!.value;
  if (!(celsius >= LEAST && celsius <= MOST))
    return fail(
      fault(
        "NotATemperature",
        `A pot stands between 0 and 130 °C, 32 and 266 °F. Write it like “${example}”.`,
        [],
        example,
      ),
    );
  return ok(celsius);
}

const DEGREES: ReadonlySet<string> = new Set(["°", "º", "degrees", "deg", "degree"]);
/** Degrees of something else: “80° proof”, “65 °Bx”. */
const NO_WARMTH: ReadonlySet<string> = new Set(["proof", "bx", "brix", "vol", "gl"]);
const SCALES: ReadonlySet<string> = new Set(["c", "f", "celsius", "fahrenheit"]);

/** A temperature with its mark or its scale at a token, in °C, and the token after it. @param household the degrees meant where only a mark is said */
export function temperatureAt(
  t: readonly Token[],
  i: number,
  household: "C" | "F",
): { readonly celsius: number; readonly next: number } | undefined {
  if (t[i]?.kind !== "number") return undefined;
  let next = i + 1;
  while (DEGREES.has(t[next]?.low ?? "")) next++;
  const marked = next > i + 1;
  const scale = t[next];
  const said =
    scale !== undefined && SCALES.has(scale.low) && (marked || scale.text === scale.text.toUpperCase());
  if (NO_WARMTH.has(t[next]?.low ?? "")) return undefined;
  // “1 C honey” is a cup of it.
  if (!marked && (!said || t[i]!.value < 20)) return undefined;
  const F = said ? scale.low.startsWith("f") : household === "F";
  const celsius = F ? ((t[i]!.value - 32) * 5) / 9 : t[i]!.value;
  return celsius >= LEAST && celsius <= MOST ? { celsius, next: said ? next + 1 : next } : undefined;
}

/** How warm words say a thing is, °C. */
const WARMTH: readonly (readonly [words: readonly string[], celsius: number])[] = [
  [["room", "temperature"], 22], [["body", "temperature"], 37], [["body", "heat"], 37], [["blood", "heat"], 37], [["blood", "warm"], 37],
  [["hand", "warm"], 40], [["hand", "-", "warm"], 40], [["hand", "hot"], 43], [["lukewarm"], 38], [["tepid"], 35],
]; // prettier-ignore
/** Words at a token that say how warm a thing is: “hand-warm”, “lukewarm”, “at room temperature”. */
export function warmthAt(
  t: readonly Token[],
  i: number,
): { readonly celsius: number; readonly next: number } | undefined {
  const found = WARMTH.find(([words]) => standsAt(t, i, words));
  return found && { celsius: found[1], next: i + found[0].length };
}
