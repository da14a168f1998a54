import { db } from "@/store/db";
import type { BookRow } from "@/core/formulary/recipe";
import { recipesIn } from "@/store/recipes";

/** So many names stand on a page; the others are found by typing, and that is said. */
const MOST = 60;

/** The names of the book that hold what is asked for. */
export async function bookRows(
  asked: string,
): Promise<{ rows: readonly BookRow[]; more: number; all: readonly BookRow[] }> {
  const all = await recipesIn(db(), { find: asked.trim().toLowerCase() });
  return { rows: all.slice(0, MOST), more: Math.max(0, all.length - MOST), all };
}
