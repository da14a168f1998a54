/**
 * A quantity in a sentence the core writes. It stands there as a metric kitchen would read it, between two signs that are not seen, and is written
 * anew as the household measures by whatever shows the sentence (`Measures.told`). Shown as it is, it is still true.
 */
const SIGN = "\u2063";

const plain = (x: number): string => {
  const size = Math.abs(x);
  if (size >= 10) return String(Math.round(x));
  return String(Number(x.toFixed(size >= 1 ? 1 : 2)));
};
const carry = (x: number, unit: string): string => `${SIGN}${plain(x)} ${unit}${SIGN}`;

export const ml = (x: number): string => carry(x, "mL");
export const grams = (x: number): string => carry(x, "g");
export const cm = (x: number): string => carry(x, "cm");
export const celsius = (x: number): string => carry(x, "°C");

/** How each of them is written in the end. */
export interface Writers {
  readonly mL: (ml: number) => string;
  readonly g: (g: number) => string;
  readonly cm: (cm: number) => string;
  readonly "°C": (celsius: number) => string;
}
const CARRIED = new RegExp(`${SIGN}(-?[\\d.]+) (mL|g|cm|°C)${SIGN}`, "g");

/** A sentence with every quantity in it written by these; one that carries none is the same sentence. */
export const written = (text: string, by: Writers): string =>
  text.includes(SIGN)
    ? text.replace(CARRIED, (_, x: string, unit: keyof Writers) => by[unit](Number(x)))
    : text;

/** A sentence as it stands, its signs left out: metric, for a file or a log. */
export const bare = (text: string): string => text.replaceAll(SIGN, "");

/** Whether a sentence still carries a quantity nobody has written. */
export const carries = (text: string): boolean => text.includes(SIGN);
