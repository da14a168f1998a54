"use client";
import { useState } from "react";
import type { Batch } from "@/core/journal/fold";
import { Refusal } from "./refusal";
import { useWrite } from "./write";

/** Begun by accident: the plan goes back to the Bench and what it drew to the stores, after one question. */
export function TakeBack({ batch }: { batch: Batch }) {
  const { putRight, insist, sending, fault, router } = useWrite(batch.id, batch.seq);
  const [asked, setAsked] = useState(false);
  if (!asked)
    return (
      <button type="button" className="plain min-h-11" onClick={() => setAsked(true)}>
        I did not make it
      </button>
    );
  return (
    <div className="pl-4 border-l-4 border-cobalt py-2" role="group" aria-label="Begun by accident">
      <p>
        {batch.code} leaves the Shelf, what it drew goes back to the stores, and its plan stands on the Bench
        again. Its code is not used a second time.
      </p>
      {fault && <Refusal fault={fault} insist={insist} sending={sending} />}
      <p className="flex flex-wrap gap-x-5 items-center pt-1">
        <button
          type="button"
          className="slab"
          disabled={sending}
          onClick={() => void putRight(1, null, "", () => router.push(`/bench?again=${batch.id}`))}
        >
          Take it back
        </button>
        <button type="button" className="plain min-h-11" onClick={() => setAsked(false)}>
          leave it
        </button>
      </p>
    </div>
  );
}
