"use client";
import type { Batch } from "@/core/journal/fold";
import type { Making } from "./making";

/** Whether what is done here is done in every jar filled alike; said of one that was, until it is its own. */
export function AllAlike({ batch, making }: { batch: Batch; making: Making }) {
  const { alike } = batch;
  if (!alike) return null;
  const others = alike.batches.length - 1;
  return (
    <label className="flex items-center gap-3 min-h-11 text-[1.125rem] cursor-pointer">
      <input
        type="checkbox"
        className="accent-cobalt w-6 h-6 shrink-0"
        checked={making.together}
        onChange={(e) => making.setTogether(e.target.checked)}
      />
      <span>
        Jar {alike.nth} of {alike.batches.length}: what I do here I do in the{" "}
        {others === 1 ? "other jar" : `${others} other jars`} too
      </span>
    </label>
  );
}
