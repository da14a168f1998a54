import { type Result, fail, fault, ok } from "../fault";
import { CM_PER_INCH } from "../quantity/units";
import { readAmount } from "./amounts";
import { printFigures } from "./print";

/** A length as typed, in cm: `15`, `15 cm`, `6 in`; a bare figure is by the household's own ruler. Faults: `NotALength`. */
export function readLength(text: string, ruler: "cm" | "in"): Result<number> {
  const example = ruler === "cm" ? "15 cm" : "6 in";
  const a = readAmount(/[a-z"″]/i.test(text) ? text : `${text} ${ruler}`, "us");
  if (a.ok && a.value.kind === "measure" && a.value.dimension === "length") return ok(a.value.si.value);
  return fail(fault("NotALength", `Measure the inside and write it like “${example}”.`, [], example));
}

/** A length in the household's ruler, as it is typed in a field; reading it again gives the same. */
export const writeLength = (cm: number, ruler: "cm" | "in"): string =>
  ruler === "cm" ? `${printFigures(cm)} cm` : `${printFigures(cm / CM_PER_INCH)} in`;
