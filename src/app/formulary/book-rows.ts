import { db } from "@/store/db";
import type { BookRow } from "@/core/formulary/recipe";
import { recipesIn } from "@/store/recipes";

/** So many names stand on a page; the others are found by typing, and that is said. */
const MOST = 40;

/** The names of the book that hold what is asked for, and how many more there are. */
export async function bookRows(asked: string): Promise<{ rows: readonly BookRow[]; more: number }> {
  const rows = await recipesIn(db(), { find: asked.trim().toLowerCase(), most: MOST });
  return { rows, more: (rows[0]?.all ?? 0) - rows.length };
}
