"use client";
import { useState } from "react";
import type { Line } from "@/core/plan/plan";
import type { LineActions } from "./line-actions";

/** Why a thing goes in, in the maker's own words: a touch opens it, and it is read out where it goes in. */
export function LineWhy({ line, name, change }: { line: Line; name: string; change: LineActions["change"] }) {
  const [open, setOpen] = useState(false);
  const say = (text: string): void =>
    change(line.id, ({ why: _, ...l }) => (text === "" ? l : { ...l, why: text }), `${line.id}-why`);
  if (!open && !line.why)
    return (
      <button
        type="button"
        className="quiet text-left ml-1.5 hover:text-cobalt"
        aria-label={`${name}: why it goes in`}
        onClick={() => setOpen(true)}
      >
        + why
      </button>
    );
  return (
    <input
      className="block w-full bg-transparent border-b border-dashed border-ash text-ash text-[0.9375rem]"
      aria-label={`${name}: why it goes in`}
      autoFocus={open}
      maxLength={200}
      placeholder="why it goes in"
      value={line.why ?? ""}
      onChange={(e) => say(e.target.value)}
      onBlur={() => setOpen(false)}
    />
  );
}
