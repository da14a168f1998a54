import type { Condition, Ends, Facts, Row } from "../src/core/keeping/rows";

/** A figure known without a spread. */
export const exactly = (value: number): Ends => ({ value, low: value, high: value });

/** Facts of a liquid that nothing keeps; tests say what is different. */
export const KEEPS_NOTHING: Facts = {
  abv: exactly(0),
  delle: exactly(0),
  brix: exactly(0),
  aw: exactly(1),
  dryness: exactly(1),
  acetic: exactly(0),
  acid: exactly(0),
  ph: exactly(7),
  index: exactly(0),
  water: exactly(95),
  glycerol: exactly(0),
  honeyAlone: false,
  rawHoney: false,
  boiledAndBottledHot: false,
  freshFruit: false,
  fresh: "none",
};

/** What a row asks beyond its lines, by the row's id, for facts that satisfy it. */
export const ALSO: Readonly<Record<string, Partial<Facts>>> = {
  "sugar-cupboard": { boiledAndBottledHot: true },
  "sugar-dry-hot": { boiledAndBottledHot: true },
  "vinegar-4-fruit": { freshFruit: true },
  "honey-dry": { honeyAlone: true },
  "honey-moist": { honeyAlone: true },
  "honey-wet": { honeyAlone: true, fresh: "mild" },
  "honey-ripe": { honeyAlone: true },
  "honey-fair": { honeyAlone: true },
  "honey-wetter": { honeyAlone: true, fresh: "mild" },
  "honey-thin": { honeyAlone: true, fresh: "mild" },
  "honey-low-acid": { honeyAlone: true, fresh: "low-acid" },
};

/** A quantity on the wrong side of a line by a hair. */
export const justShort = (c: Condition): Ends => exactly(c.is === "at least" ? c.line - 1e-6 : c.line + 1e-6);

/** Facts that stand exactly on every line of a row, and ask for nothing more. */
export const onTheLineOf = (row: Row): Facts => ({
  ...KEEPS_NOTHING,
  ...Object.fromEntries(row.conditions.map((c) => [c.quantity, exactly(c.line)])),
  ...ALSO[row.id],
});
