"use client";
import { counted } from "@/core/words";
import { useKnows } from "../kit/knows";
import { Wrong } from "../kit/wrong";

/** Notes the house is not told again, and the way back. */
export function KnownNotes() {
  const { knows, forget, sending, fault } = useKnows();
  if (knows.size === 0) return null;
  return (
    <section aria-label="What this house knows">
      <h2 className="ruled-head">What this house knows</h2>
      <p className="pt-2">
        {counted(knows.size, "note")} of many a remedy {knows.size === 1 ? "is" : "are"} not told any more.{" "}
        <button type="button" className="plain min-h-11" disabled={sending} onClick={() => void forget()}>
          tell us again
        </button>
      </p>
      <Wrong fault={fault} />
    </section>
  );
}
