import Papa from "papaparse";
import { z } from "zod";

/** Tables that can be carried out, and what each holds a row of. */
export const TABLES = {
  stores: "what lies in the stores: lots, with what is left of each",
  cellar: "bottles: where each stands, what is left, best by",
  batches: "batches: recipe, begun, strained, bottled",
  journal: "every entry of every batch",
  readings: "what was read: temperatures, pH, °Bx, weights",
  tastings: "how batches tasted",
  use: "what was poured, from which bottle, for whom",
} as const;
export type Table = keyof typeof TABLES;
export const Table = z.enum(Object.keys(TABLES) as [Table, ...Table[]]);

type Cell = string | number | boolean | null | undefined;
/** Columns of each table, in order. Days and instants are ISO 8601; volumes mL, weights g, temperatures °C. */
export const COLUMNS: Readonly<Record<Table, readonly string[]>> = {
  stores: [
    "id",
    "material",
    "name",
    "form",
    "cut",
    "strength",
    "water_percent",
    "amount",
    "grams",
    "left_g",
    "price",
    "got",
    "from",
  ],
  cellar: [
    "id",
    "batch",
    "number",
    "name",
    "kind",
    "vessel",
    "ml",
    "left_ml",
    "place",
    "filled",
    "opened",
    "best_by",
    "state",
  ],
  batches: [
    "id",
    "code",
    "name",
    "kind",
    "state",
    "begun",
    "strained",
    "bottled",
    "recipe",
    "recipe_version",
  ],
  journal: ["batch", "seq", "type", "at", "day", "body"],
  readings: ["batch", "at", "what", "value", "words", "by", "sd"],
  tastings: ["batch", "at", "sweet", "sharp", "hot", "bitter", "herb", "ready", "words"],
  use: ["batch", "number", "at", "day", "ml", "said", "for"],
};

/** A spreadsheet takes a text that begins so for a formula; a quote before it keeps it a text. */
const AS_FORMULA = /^[=+\-@\t\r]/;
const safe = (c: Cell): Cell => (typeof c === "string" && AS_FORMULA.test(c) ? `'${c}` : c);

/** Rows as CSV after RFC 4180: UTF-8, a header row, lines ended by CR LF. */
export const toCsv = (table: Table, rows: readonly Readonly<Record<string, Cell>>[]): string =>
  `${Papa.unparse(
    { fields: [...COLUMNS[table]], data: rows.map((r) => COLUMNS[table].map((c) => safe(r[c]) ?? "")) },
    { newline: "\r\n" },
  )}\r\n`;
