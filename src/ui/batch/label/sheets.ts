import type { PAGES } from "@/core/label/sheet";

export type Sheet = "single" | keyof typeof PAGES;

/** Sheets of paper, those of the household's country first. */
export const SHEETS: Readonly<Record<"us" | "metric", readonly (readonly [Sheet, string])[]>> = {
  us: [
    ["letter", "a sheet, Letter"],
    ["a4", "a sheet, A4"],
  ],
  metric: [
    ["a4", "a sheet, A4"],
    ["letter", "a sheet, Letter"],
  ],
};
