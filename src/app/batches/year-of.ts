import { z } from "zod";
import { addDays } from "@/core/day";
import { reckonBatch } from "@/core/journal/reckon";
import { type YearPage, yearPage } from "@/core/label/year-page";
import { measure } from "@/print/fonts";
import { db } from "@/store/db";
import { live, standingIn } from "@/store/shelf";
import { frame } from "../frame";

const Asked = z.coerce.number().int().min(1900).max(2199);
export const NO_YEAR = "Ask for a year, like ?year=2026.";

/** The page of a year: of what still works the days its window gives; nothing where no year was asked for. */
export async function yearOf(request: Request): Promise<(YearPage & { readonly year: number }) | undefined> {
  const asked = Asked.safeParse(new URL(request.url).searchParams.get("year"));
  if (!asked.success) return undefined;
  const year = asked.data;
  const [{ home }, rows, working] = await Promise.all([frame(), standingIn(db(), year), live(db())]);
  const soon = new Map(
    working.map((b) => {
      const r = reckonBatch(b);
      const ready = addDays(b.begunDay, r.ok ? (r.value.care.window?.best ?? 0) : 0);
      return [
        b.id,
        { ready, until: addDays(ready, r.ok ? r.value.reckoning.verdict.life.days : 0) },
      ] as const;
    }),
  );
  const page = yearPage(
    {
      title: `The year at ${home.name}, ${year}`,
      year,
      rows: rows.map((r) => {
        const ready = r.ready ?? soon.get(r.id)?.ready ?? r.begun;
        return { ...r, ready, until: r.until ?? soon.get(r.id)?.until ?? ready };
      }),
    },
    measure,
  );
  return { ...page, year };
}
