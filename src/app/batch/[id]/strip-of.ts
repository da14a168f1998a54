import { z } from "zod";
import { addDays, printDay } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import { type BatchReckoning, reckonBatch } from "@/core/journal/reckon";
import { scanOf } from "@/core/label/label";
import type { StripWords } from "@/core/label/strip";
import type { Measures } from "@/core/reading/measures";
import { isPot } from "@/core/vessel/vessel";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";
import { TOUCH_WORDS } from "@/core/care/care";
import { marksOf } from "@/ui/figures/in-vessel";
import { frame } from "../../frame";

export const NO_STRIP = "A strip is for a jar that works: this batch stands in none.";
const A_WEEK = 7;
/** More boxes than so many are no help on a jar. */
const MOST_WEEKS = 12;

/** What a jar's strip bears; nothing where no jar stands, or nothing is poured to a line. */
export function stripWords(batch: Batch, r: BatchReckoning, measures: Measures): StripWords | undefined {
  const v = r.program.vessel;
  const fit = r.reckoning.fit;
  if (!v || isPot(v) || !fit) return undefined;
  const w = r.care.window;
  const stuffs = r.program.lines.filter((l) => l.atOnce);
  const often = r.care.rules.find((x) => x.sort === "shake" || x.sort === "turn");
  return {
    code: batch.code,
    name: batch.name,
    begun: printDay(batch.begunDay, "year"),
    strain: w
      ? [
          `strain from ${printDay(addDays(batch.begunDay, w.earliest), "long", batch.begunDay)}`,
          `by ${printDay(addDays(batch.begunDay, w.latest), "long", batch.begunDay)}`,
        ]
      : [],
    care: often ? TOUCH_WORDS[often.sort].toLowerCase() : "leave it be",
    ticks: often?.sort === "shake" || often?.sort === "turn" ? often.sort : "look",
    weeks: w ? Math.min(MOST_WEEKS, Math.ceil(w.best / A_WEEK)) : 0,
    brimCm: v.solid.brimCm,
    marks: marksOf(fit, stuffs).map((m) => ({
      cm: m.cm,
      figure: measures.length(m.cm),
      words: m.words.replace(/ to here$/, ""),
    })),
    scan: scanOf(batch.code),
  };
}

/** The strip of a batch by its address; nothing where it has none. */
export async function stripOf(id: string): Promise<StripWords | undefined> {
  if (!z.uuid().safeParse(id).success) return undefined;
  const [batch, { measures }] = await Promise.all([batchOf(db(), id), frame()]);
  const r = batch?.state === "working" ? reckonBatch(batch, batch.making) : undefined;
  return batch && r?.ok ? stripWords(batch, r.value, measures) : undefined;
}
