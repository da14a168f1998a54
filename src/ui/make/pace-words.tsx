import { useToday } from "../kit/when";
import { addDays, printDay } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import type { BatchReckoning } from "@/core/journal/reckon";
import { clockTime, spanWords } from "../kitchen/time";
import type { StoveTells } from "./use-stove";

/** How long it still takes, told before it is begun and again as it goes. */
export function PaceWords({
  tells,
  nowMs,
  zone,
  batch,
  r,
}: {
  tells: StoveTells;
  nowMs: number;
  zone: string;
  batch: Batch;
  r: BatchReckoning;
}) {
  const today = useToday();
  const { pace, now } = tells.walked;
  if (!now) return null;
  const w = r.care.window;
  if (now.sort === "strain" && w && now.sitting > 0)
    return (
      <p>
        It steeps; best strained <strong>{printDay(addDays(batch.begunDay, w.best), "long", today)}</strong>.
      </p>
    );
  const at = (m: number): string => clockTime(nowMs + m * 60_000, zone);
  const { low, value, high } = pace.ends;
  return (
    <p>
      {spanWords(pace.work)} of work
      {pace.wait.value >= 1 ? `, ${spanWords(pace.wait.value)} of waiting` : ""};{" "}
      {pace.bottles ? "in the bottle" : "put by"} at about <strong>{at(value)}</strong>{" "}
      <span className="text-ash">
        ({at(low)} to {at(high)})
      </span>
    </p>
  );
}
