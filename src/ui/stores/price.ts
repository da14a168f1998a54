/** A price as typed: empty is none said. */
export interface Price {
  readonly paid: number | undefined;
  readonly wrong: string | undefined;
}

/** @param currency the household's sign for money, which may stand before or after the number */
export function readPrice(text: string, currency: string): Price {
  const bare = text
    .replace(currency, "")
    .replace(/^\s*[$£€]|[$£€]\s*$/, "")
    .trim();
  if (text.trim() === "") return { paid: undefined, wrong: undefined };
  const n = bare === "" ? Number.NaN : Number(bare.replace(",", "."));
  if (Number.isFinite(n) && n >= 0) return { paid: n, wrong: undefined };
  return { paid: undefined, wrong: "Write the price as a number, like 4.20, or leave it empty." };
}
