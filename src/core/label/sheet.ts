export interface Sheet {
  readonly pageWmm: number;
  readonly pageHmm: number;
  readonly marginMm: number;
  readonly gapMm: number;
}

export const PAGES = {
  a4: { pageWmm: 210, pageHmm: 297, marginMm: 8, gapMm: 2 },
  letter: { pageWmm: 215.9, pageHmm: 279.4, marginMm: 8, gapMm: 2 },
} as const satisfies Record<string, Sheet>;

export interface Cell {
  readonly page: number;
  readonly x: number;
  readonly y: number;
}

/**
 * Places of labels on a plain millimetre grid, from any start cell (0 is the first): left to right, top to bottom, page after page.
 * @returns no cells where not even one fits the page.
 */
export function gridCells(
  count: number,
  widthMm: number,
  heightMm: number,
  sheet: Sheet,
  start = 0,
): { readonly cells: readonly Cell[]; readonly across: number; readonly down: number } {
  const across = Math.floor((sheet.pageWmm - 2 * sheet.marginMm + sheet.gapMm) / (widthMm + sheet.gapMm));
  const down = Math.floor((sheet.pageHmm - 2 * sheet.marginMm + sheet.gapMm) / (heightMm + sheet.gapMm));
  const each = across * down;
  if (each < 1) return { cells: [], across: 0, down: 0 };
  const from = Math.max(0, Math.floor(start)) % each;
  return {
    across,
    down,
    cells: Array.from({ length: count }, (_, i) => {
      const n = from + i;
      const on = n % each;
      return {
        page: Math.floor(n / each),
        x: sheet.marginMm + (on % across) * (widthMm + sheet.gapMm),
        y: sheet.marginMm + Math.floor(on / across) * (heightMm + sheet.gapMm),
      };
    }),
  };
}
