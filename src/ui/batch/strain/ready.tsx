import type { Care } from "@/core/care/care";
import { type Day, addDays, daysBetween, printDay } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import { counted } from "@/core/words";
import { entryWords } from "../entry-words";

/** What was said of the last one of the same recipe. */
export interface LastTime {
  readonly id: string;
  readonly code: string;
  readonly strainedAfter: number | undefined;
  readonly words: readonly string[];
}

const SHOWN = 2;

function windowWords(batch: Batch, care: Care, today: Day): string | undefined {
  const w = care.window;
  if (!w) return undefined;
  const day = daysBetween(batch.begunDay, today);
  const best = printDay(addDays(batch.begunDay, w.best), "short", today);
  if (day < w.earliest)
    return `Day ${day}. Its window opens on ${printDay(addDays(batch.begunDay, w.earliest), "short", today)}; the best is about ${best}.`;
  if (day > w.latest)
    return `Day ${day}: its window closed on ${printDay(addDays(batch.begunDay, w.latest), "short", today)}.`;
  return `Day ${day}: within its window, which is best about ${best} and closes on ${printDay(addDays(batch.begunDay, w.latest), "short", today)}.`;
}

/** Whether it is ready: its window, how often it was shaken, how it tasted, and what was said of the last one. */
export function Ready({
  batch,
  care,
  today,
  last,
}: {
  batch: Batch;
  care: Care;
  today: Day;
  last: LastTime | undefined;
}) {
  const window = windowWords(batch, care, today);
  const shaken = new Set(
    batch.diary
      .filter((e) => e.type === "touched" && !e.correctedBy?.undone)
      .filter((e) => ["shake", "turn"].includes((e.body as { what: string }).what))
      .map((e) => e.day),
  ).size;
  const shakes = care.rules.some((r) => r.sort === "shake" || r.sort === "turn");
  const tasted = batch.stove.tastings.slice(-SHOWN);
  if (!window && !shakes && tasted.length === 0 && !last) return null;
  return (
    <section aria-label="Is it ready?" className="pb-2">
      <h2 className="ruled-head">Is it ready?</h2>
      <ul className="pt-1">
        {window && <li>{window}</li>}
        {shakes && (
          <li>
            Shaken on {counted(shaken, "day")} of {Math.max(1, daysBetween(batch.begunDay, today))} that are
            written down.
          </li>
        )}
        {tasted.map((t) => (
          <li key={t.seq}>
            {printDay(t.day, "short", today)}:{" "}
            {entryWords({ type: "tasted", body: t, seq: t.seq, at: t.at, day: t.day }).replace(
              /^Tasted: /,
              "",
            )}
          </li>
        ))}
        {last && (
          <li>
            Last time, <a href={`/batch/${last.id}`}>{last.code}</a>
            {last.strainedAfter === undefined ? "" : `, strained after ${counted(last.strainedAfter, "day")}`}
            {last.words.length > 0 ? `: ${last.words.join(" ")}` : ""}
          </li>
        )}
      </ul>
    </section>
  );
}
