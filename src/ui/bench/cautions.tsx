"use client";
import { useId } from "react";
import type { Caution } from "@/core/cautions/caution";

const BAR: Readonly<Record<Caution["severity"], string>> = { never: "border-rust", stop: "border-rust", caution: "border-cobalt", note: "border-rule" };

/** A caution beside what it is about: what is so, then what to do. A stop may be passed with a reason that is kept; a never may not. */
export function CautionNote({ caution: c, reason, giveReason }: { caution: Caution; reason: string; giveReason?: (why: string) => void }) {
  const id = useId();
  return (
    <div className={`border-l-[6px] ${BAR[c.severity]} pl-3.5 py-1 my-2`} data-caution={c.id} data-severity={c.severity}>
      <p className={c.severity === "note" ? "" : "font-bold"}>{c.says}</p>
      <p>{c.todo}</p>
      {c.severity === "stop" && giveReason && (
        <p className="pt-1.5">
          <label htmlFor={id} className="quiet block">To go on as it is, say why; it is kept with the batch.</label>
          <input id={id} className="field w-full mt-1" value={reason} maxLength={300} onChange={(e) => giveReason(e.target.value)} />
        </p>
      )}
    </div>
  );
}
