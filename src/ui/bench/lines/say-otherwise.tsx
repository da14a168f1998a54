"use client";
import { createContext, memo, useContext, useState } from "react";
import { ChevronDown } from "lucide-react";
import type { Stuff } from "@/core/material/material";
import type { UnitSystem } from "@/core/quantity/units";
import { type Saying, sayIn, sayingNow, sayingsOf } from "@/core/reckoning/restate";
import { readAmount } from "@/core/reading/amounts";
import type { Program } from "@/core/reckoning/program";
import type { LineActions } from "./line-actions";

const DOWN = <ChevronDown size={15} aria-hidden="true" />;

/** What a part is and how much the vessel holds, for amounts said in them: known to the lists that stand open, not to every line. */
export const Measured = createContext<Pick<Program, "partMl" | "vessel"> | undefined>(undefined);

/** The other ways to say an amount, in the list while it stands open. */
function Others({
  stuff,
  grams,
  system,
  now,
}: {
  stuff: Stuff;
  grams: number;
  system: UnitSystem;
  now: Saying | undefined;
}) {
  const by = useContext(Measured);
  return sayingsOf(stuff, system)
    .filter((s) => s !== now)
    .map((s) => {
      const words = sayIn(grams, stuff, s, system, { partMl: by?.partMl, vessel: by?.vessel });
      return (
        words.ok && (
          <option key={s} value={s}>
            {words.value}
          </option>
        )
      );
    });
}

/** The same amount in another unit; what may be chosen is worked out when it is opened, not in every frame. */
export const SayOtherwise = memo(function SayOtherwise({
  id,
  name,
  amount,
  stuff,
  grams,
  system,
  sayAs,
}: {
  id: string;
  name: string;
  amount: string;
  stuff: Stuff;
  grams: number;
  system: UnitSystem;
  sayAs: LineActions["sayIn"];
}) {
  const [open, setOpen] = useState(false);
  const read = readAmount(amount, system);
  const now = read.ok ? sayingNow(read.value, stuff) : undefined;
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
        {open && <Others stuff={stuff} grams={grams} system={system} now={now} />}
      </select>
    </span>
  );
});
