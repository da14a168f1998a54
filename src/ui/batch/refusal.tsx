"use client";
import { Told } from "../kit/told";
import type { Fault } from "@/core/fault";

/** Why something was not written; an unlikely value is a question, and one touch says that it is so. */
export function Refusal({
  id,
  fault,
  insist,
  sending,
  className = "",
}: {
  id?: string;
  fault: Fault;
  insist: () => Promise<boolean>;
  sending: boolean;
  className?: string;
}) {
  return (
    <p id={id} role="alert" className={`wrong ${className}`}>
      <Told of={fault.message} />{" "}
      {fault.name === "Odd" && (
        <button type="button" className="plain min-h-11" disabled={sending} onClick={() => void insist()}>
          Yes, it is so
        </button>
      )}
    </p>
  );
}
