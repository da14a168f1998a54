/** A price as typed: empty is none said. */
export interface Price {
  readonly paid: number | undefined;
  readonly wrong: string | undefined;
}

export function readPrice(text: string): Price {
  if (text.trim() === "") return { paid: undefined, wrong: undefined };
  const n = Number(text.trim().replace(",", "."));
  if (Number.isFinite(n) && n >= 0) return { paid: n, wrong: undefined };
  return { paid: undefined, wrong: "Write the price as a number, like 4.20, or leave it empty." };
}
