import type { Batch } from "../core/journal/fold";
import { reckonBatch } from "../core/journal/reckon";
import type { Tx } from "./db";
import { pourOursAnew } from "./ours";
import { type Because, drawAnew } from "./drawn";

/** The lots follow what really went in, in the transaction that writes it. */
export async function followActual(tx: Tx, batch: Batch, cause: Because): Promise<void> {
  const r = reckonBatch(batch);
  if (!r.ok) return;
  await pourOursAnew(tx, r.value.program, cause);
  await drawAnew(tx, r.value.program, cause);
}
