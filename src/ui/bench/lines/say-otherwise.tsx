"use client";
import { memo, useState } from "react";
import { ChevronDown } from "lucide-react";
import type { Stuff } from "@/core/material/material";
import type { UnitSystem } from "@/core/quantity/units";
import { type Saying, sayIn, sayingNow, sayingsOf } from "@/core/reckoning/restate";
import { readAmount } from "@/core/reading/amounts";
import type { Vessel } from "@/core/vessel/vessel";
import type { LineActions } from "./line-actions";

const DOWN = <ChevronDown size={15} aria-hidden="true" />;

/** The same amount in another unit; what may be chosen is worked out when it is opened, not in every frame. */
export const SayOtherwise = memo(function SayOtherwise({
  id,
  name,
  amount,
  stuff,
  grams,
  system,
  partMl,
  vessel,
  sayAs,
}: {
  id: string;
  name: string;
  amount: string;
  stuff: Stuff;
  grams: number;
  system: UnitSystem;
  partMl: number | undefined;
  vessel: Vessel | undefined;
  sayAs: LineActions["sayIn"];
}) {
  const [open, setOpen] = useState(false);
  const read = readAmount(amount, system);
  const now = read.ok ? sayingNow(read.value, stuff) : undefined;
  const choices = open
    ? sayingsOf(stuff, system)
        .filter((s) => s !== now)
        .flatMap((s) => {
          const words = sayIn(grams, stuff, s, system, { partMl, vessel });
          return words.ok ? [[s, words.value] as const] : [];
        })
    : [];
  return (
    <span className="relative self-center min-h-7 inline-grid place-items-center text-cobalt focus-within:bg-cobalt-pale">
      {DOWN}
      <select
        aria-label={`${name}: change the unit`}
        className="absolute inset-0 opacity-0 w-full cursor-pointer"
        value={now ?? ""}
        onFocus={() => setOpen(true)}
        onPointerDown={() => setOpen(true)}
        onBlur={() => setOpen(false)}
        onChange={(e) => sayAs(id, e.target.value as Saying, stuff)}
      >
        <option value={now ?? ""}>{amount}</option>
        {choices.map(([s, words]) => (
          <option key={s} value={s}>
            {words}
          </option>
        ))}
      </select>
    </span>
  );
});
