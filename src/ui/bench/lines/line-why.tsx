"use client";
import type { Line } from "@/core/plan/plan";
import type { LineActions } from "./line-actions";

/** Why a thing goes in, in the maker's own words, read out where it goes in. */
export function LineWhy({
  line,
  name,
  change,
  open,
}: {
  line: Line;
  name: string;
  change: LineActions["change"];
  /** Asked for just now; one that says why already shows it. */
  open: boolean;
}) {
  const say = (text: string): void =>
    change(line.id, ({ why: _, ...l }) => (text === "" ? l : { ...l, why: text }), `${line.id}-why`);
  if (!open && !line.why) return null;
  return (
    <input
      className="block w-full bg-transparent border-b border-dashed border-ash text-ash text-[0.9375rem] placeholder:text-ash"
      aria-label={`${name}: why it goes in`}
      maxLength={200}
      placeholder="why it goes in"
      value={line.why ?? ""}
      onChange={(e) => say(e.target.value)}
    />
  );
}
