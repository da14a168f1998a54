import { type Result, fail, fault, ok } from "../fault";
import { tokensOf } from "./tokens";

/** The least and most a kitchen thermometer is asked to show, °C. */
const [LEAST, MOST] = [0, 130];

/** A temperature as typed, in °C: `43 °C`, `110 F`, `43`; a bare figure is in the household's own degrees. Faults: `NotATemperature`. */
export function readTemperature(text: string, household: "C" | "F"): Result<number> {
  const t = tokensOf(text.trim()).filter(
    (x) => x.low !== "°" && x.low !== "º" && x.low !== "degrees" && x.low !== "deg",
  );
  const unit = t[1]?.low ?? household.toLowerCase();
  const F = unit === "f" || unit === "fahrenheit";
  const C = unit === "c" || unit === "celsius";
  const example = household === "C" ? "43 °C" : "110 °F";
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
