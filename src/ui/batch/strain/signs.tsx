"use client";
import type { Sign } from "@/core/cellar/bottle";
import type { Batch } from "@/core/journal/fold";
import { listed } from "@/core/words";
import { SIGN_WORDS } from "../../cellar/bottle-words";
import { Refusal } from "../refusal";
import { useWrite } from "../write";

/** One yes, and nothing is strained: thrown out untasted, with why. */
export function ThrowItOut({ batch, signs }: { batch: Batch; signs: readonly Sign[] }) {
  const { write, insist, sending, fault, router } = useWrite(batch.id, batch.seq);
  const why = listed(signs.map((s) => SIGN_WORDS[s]));
  return (
    <div role="alert" className="border-2 border-rust p-4">
      <p className="font-bold text-rust">Do not taste it, and do not strain it: {why}.</p>
      <p className="pt-1">
        Throw it out where neither child nor animal gets at it, and scald the jar and the lid. What was used
        stays written down.
      </p>
      {fault && <Refusal fault={fault} insist={insist} sending={sending} />}
      <button
        type="button"
        className="slab mt-3 min-h-14"
        disabled={sending}
        onClick={() =>
          void write("discarded", { why: `Before straining: ${why}.` }, () => {
            router.push(`/batch/${batch.id}`);
            router.refresh();
          })
        }
      >
        {sending ? "Writing…" : "Thrown out"}
      </button>
    </div>
  );
}
