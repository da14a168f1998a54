/** A price as typed: empty is none said. */
export interface Price {
  readonly paid: number | undefined;
  readonly wrong: string | undefined;
}

/** Signs of money; one that is not the house’s own is another coin. */
const SIGNS = /[$£€¥₹₤₽]|\b(?:USD|EUR|GBP|CHF|AUD|CAD|kr)\b/i;

/** @param currency the household's sign for money, which may stand before or after the number */
export function readPrice(text: string, currency: string): Price {
  const bare = text.replace(currency, "").trim();
  if (text.trim() === "") return { paid: undefined, wrong: undefined };
  const other = SIGNS.exec(bare)?.[0];
  if (other)
    return {
      paid: undefined,
      wrong: `That is in ${other}, and this house counts in ${currency}. Write what it cost in ${currency}.`,
    };
  // “1,200” is a thousand and two hundred to one house, and one and a fifth to another.
  if (/^\d{1,3}(?:,\d{3})+$/.test(bare))
    return {
      paid: undefined,
      wrong: `Is that ${bare.replace(/,/g, "")} or ${bare.replace(",", ".")}? Write it without the comma.`,
    };
  const n = bare === "" ? Number.NaN : Number(bare.replace(",", "."));
  if (Number.isFinite(n) && n >= 0) return { paid: n, wrong: undefined };
  return { paid: undefined, wrong: "Write the price as a number, like 4.20, or leave it empty." };
}
