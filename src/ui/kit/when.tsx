"use client";
import { createContext, useContext, useId, useState } from "react";
import type { Day } from "@/core/day";
import type { Fault } from "@/core/fault";
import { Wrong } from "./field";

const Today = createContext<Day>("");
/** The household's day, as the page was made. */
export function TodayProvider({ today, children }: { today: Day; children: React.ReactNode }) {
  return <Today.Provider value={today}>{children}</Today.Provider>;
}
export const useToday = (): Day => useContext(Today);

/** The day a thing was done: today, unless another is said. */
export interface WhenSaid {
  readonly on: Day | undefined;
  readonly setOn: (day: Day | undefined) => void;
  readonly wrongDay: Fault | undefined;
}

/** What of a refusal is about the day: it is said beside it. */
export const aboutDay = (fault: Fault | undefined): Fault | undefined =>
  fault && ["on", "at"].includes(String(fault.path[0])) ? fault : undefined;

/** What is to be said elsewhere of a refusal: not what stands beside the day already. */
export const elsewhere = (w: WhenSaid, fault: Fault | undefined): Fault | undefined =>
  w.on !== undefined && w.wrongDay ? undefined : fault;

/** Keeps the day that is said with a writing. */
export function useWhen(fault: Fault | undefined): WhenSaid {
  const [on, setOn] = useState<Day | undefined>();
  return { on, setOn, wrongDay: aboutDay(fault) };
}

/**
 * A touch that opens the calendar: for what was done yesterday and is written down today. Folded it is one word, since most things are written the
 * day they are done.
 * @param stands the day it stands at already, where an entry is put right
 */
export function When({ w, stands }: { w: WhenSaid; stands?: Day }) {
  const today = useToday();
  const id = useId();
  const [open, setOpen] = useState(stands !== undefined);
  // Half a day that is being typed is no day yet, and is not typed over.
  const [typed, setTyped] = useState(stands ?? today);
  if (!open && w.on === undefined && !w.wrongDay)
    return (
      <button type="button" className="plain min-h-11 text-base" onClick={() => setOpen(true)}>
        not today?
      </button>
    );
  return (
    <span className="inline-grid text-base">
      <label className="quiet block" htmlFor={id}>
        the day it was done
      </label>
      <input
        id={id}
        type="date"
        className="field w-44"
        max={today}
        value={typed}
        aria-invalid={w.wrongDay !== undefined}
        aria-describedby={w.wrongDay ? `${id}-wrong` : undefined}
        onChange={(e) => {
          const day = e.target.value;
          setTyped(day);
          w.setOn(day === "" || day === (stands ?? today) ? undefined : day);
        }}
      />
      {w.wrongDay && <Wrong id={`${id}-wrong`} fault={w.wrongDay} />}
    </span>
  );
}
