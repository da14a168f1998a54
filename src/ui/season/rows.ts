import type { Broken } from "@/core/season/broken";
import type { Told } from "@/core/season/told";
import type { Start } from "@/core/season/year";
import { brokenWords } from "./words";

/** What stands on one board. */
export interface BoardRow {
  readonly starts: readonly Start[];
  /** What about each start cannot be, in words, in their order; empty where it can. */
  readonly wrong: readonly string[];
  /** Those that want the vessel at the same time as another. */
  readonly both: readonly string[];
}

export const wrongOf = (row: BoardRow, id: string): string =>
  row.wrong[row.starts.findIndex((s) => s.id === id)] ?? "";

const alike = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a.length === b.length && a.every((x, i) => x === b[i]);
const same = (a: BoardRow, b: BoardRow): boolean =>
  alike(a.starts, b.starts) && alike(a.wrong, b.wrong) && alike(a.both, b.both);

/** The boards under one plan after another, in the order of the vessels. A board on which nothing changed is the same object as before, and is not drawn anew. */
export function rowsOf(
  told: Told,
): (starts: readonly Start[], breaks: readonly Broken[]) => readonly BoardRow[] {
  let last: readonly BoardRow[] = [];
  return (starts, breaks) => {
    last = told.vessels.map((v, i) => {
      const mine = starts.filter((s) => s.vessel === v.id);
      const of = (s: Start): readonly Broken[] => breaks.filter((b) => b.start === s.id || b.other === s.id);
      const row: BoardRow = {
        starts: mine,
        wrong: mine.map((s) =>
          of(s)
            .map((b) => brokenWords(told, starts, b))
            .join("; "),
        ),
        both: breaks.flatMap((b) =>
          b.what === "both-want" && mine.some((s) => s.id === b.start) ? [b.start!] : [],
        ),
      };
      const before = last[i];
      return before && same(before, row) ? before : row;
    });
    return last;
  };
}
