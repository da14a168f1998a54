import type { Batch } from "@/core/journal/fold";
import { useWrite } from "../write";

/** Takes the straining back, as long as nothing rests on it: the jar stands as it did, and is strained again. */
export function useTakeBack(batch: Batch) {
  const { putRight, insist, sending, fault, router } = useWrite(batch.id, batch.seq);
  const strained = batch.diary.findLast((e) => e.type === "strained" && !e.correctedBy?.undone);
  const undo =
    strained && batch.state === "strained"
      ? () =>
          void putRight(strained.seq, null, "", () => {
            router.push(`/batch/${batch.id}/strain`);
            router.refresh();
          })
      : undefined;
  return { undo, strainedAt: strained?.at, insist, sending, fault };
}
