import { db } from "@/store/db";
import { oursKept } from "@/store/ours";

/** Other batches with bottles in the cellar, whose labels may go on one sheet with this one's. */
export async function besides(id: string): Promise<readonly { id: string; code: string; name: string }[]> {
  const kept = await oursKept(db());
  return kept
    .filter((o) => o.batch !== id)
    .map(({ batch, code, name }) => ({ id: batch, code, name }))
    .sort((a, b) => (a.code < b.code ? -1 : 1));
}
