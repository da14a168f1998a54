"use client";
import { Told } from "./told";
import type { ReactNode } from "react";
import type { Fault } from "@/core/fault";

/** A labelled field with what is wrong with it said beneath, and a touch that puts it right where there is one. */
export function Field({
  id,
  label,
  fault,
  put,
  children,
  className = "",
  hidden = false,
}: {
  id: string;
  label: string;
  fault?: Pick<Fault, "message" | "suggestion"> | undefined;
  /** Called with the text that would be right. */
  put?: (text: string) => void;
  /** Given what ties the field to its label and its fault. */
  children: (tied: {
    id: string;
    "aria-invalid": boolean;
    "aria-describedby": string | undefined;
  }) => ReactNode;
  className?: string;
  /** The label is for the ear only. */
  hidden?: boolean;
}) {
  const wrong = `${id}-wrong`;
  return (
    <div className={className}>
      <label htmlFor={id} className={hidden ? "sr-only" : "quiet block"}>
        {label}
      </label>
      {children({ id, "aria-invalid": fault !== undefined, "aria-describedby": fault ? wrong : undefined })}
      {fault && <Wrong id={wrong} fault={fault} put={put} />}
    </div>
  );
}

/** What is wrong, and what would be right. */
export function Wrong({
  id,
  fault,
  put,
  className = "",
}: {
  id?: string;
  fault: Pick<Fault, "message" | "suggestion">;
  put?: ((text: string) => void) | undefined;
  className?: string;
}) {
  return (
    <p id={id} role="alert" className={`wrong ${className}`}>
      <Told of={fault.message} />{" "}
      {fault.suggestion && put && (
        <button type="button" className="plain" onClick={() => put(fault.suggestion!)}>
          Use “{fault.suggestion}”
        </button>
      )}
    </p>
  );
}
