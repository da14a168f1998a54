/** The laws the uncertainty pass moves, with the share it moves them by. */
export const LAWS = {
  extraction: 0.2,
  alkalinity: 0.35,
  boiling: 0.4,
  mark: 0.1,
  measured: 0.015,
} as const;
/** How far the book's figure for what a cloth keeps may be off. */
export const BOOK_RETENTION = 0.25;
