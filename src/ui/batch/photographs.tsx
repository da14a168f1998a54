"use client";
import { useToday } from "../kit/when";
import { Dialog } from "radix-ui";
import { useState } from "react";
import { X } from "lucide-react";
import { type Day, daysBetween, printDay } from "@/core/day";
import { spread } from "../figures/spread";
import { useWidth } from "../kit/width";

/** A photograph of a batch, by the day it was taken. */
export interface Photograph {
  readonly id: string;
  readonly day: Day;
  readonly words?: string | undefined;
}

const saysOf = (p: Photograph): string => `${printDay(p.day, "year")}${p.words ? `, ${p.words}` : ""}`;

/** One photograph as large as the window has room, over the page it was opened from; the arrows go on to the next. */
function Opened({
  batch,
  all,
  at,
  go,
}: {
  batch: string;
  all: readonly Photograph[];
  at: number;
  go: (to: number | undefined) => void;
}) {
  const p = all[at]!;
  const step = (by: number, words: string) => (
    <button
      type="button"
      className="plain min-h-11 px-2"
      disabled={all[at + by] === undefined}
      onClick={() => go(at + by)}
    >
      {words}
    </button>
  );
  const today = useToday();
  return (
    <Dialog.Root open onOpenChange={(open) => !open && go(undefined)}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-iron/70 z-40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-2 sm:inset-6 z-50 bg-ground p-3 sm:p-5 grid grid-rows-[auto_minmax(0,1fr)_auto] gap-2"
          onKeyDown={(e) => {
            const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
            if (by !== undefined && all[at + by]) go(at + by);
          }}
        >
          <div className="flex items-center justify-between gap-4">
            <Dialog.Title className="text-[1.125rem]">{saysOf(p)}</Dialog.Title>
            <Dialog.Close
              className="plain min-h-11 min-w-11 inline-flex items-center justify-center"
              aria-label="Close"
            >
              <X size={24} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <img
            src={`/batch/${batch}/picture/${p.id}`}
            alt={p.words ?? `Photograph of ${printDay(p.day, "long", today)}`}
            className="max-h-full max-w-full m-auto object-contain border border-iron"
          />
          {all.length > 1 && (
            <div className="flex justify-center items-center gap-4">
              {step(-1, "the one before")}
              <span className="quiet">
                {at + 1} of {all.length}
              </span>
              {step(1, "the next")}
            </div>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Photographs that open in the page. */
export function Photographs({
  batch,
  all,
  side,
  words = false,
}: {
  batch: string;
  all: readonly Photograph[];
  /** Px of a small one. */
  side: number;
  /** Whether its words stand under it. */
  words?: boolean;
}) {
  const today = useToday();
  const [open, setOpen] = useState<number | undefined>();
  return (
    <>
      <ul className="flex flex-wrap gap-3" aria-label={words ? undefined : "Photographs, small"}>
        {all.map((p, i) => (
          <li key={p.id} style={{ width: side }}>
            <Small {...{ batch, p, side }} open={() => setOpen(i)} />
            {words && (
              <span className="quiet block break-words">
                {printDay(p.day, "short", today)}
                {p.words ? `, ${p.words}` : ""}
              </span>
            )}
          </li>
        ))}
      </ul>
      {open !== undefined && all[open] && <Opened {...{ batch, all }} at={open} go={setOpen} />}
    </>
  );
}

const Small = ({
  batch,
  p,
  side,
  open,
}: {
  batch: string;
  p: Photograph;
  side: number;
  open: () => void;
}) => {
  const today = useToday();
  return (
    <button
      type="button"
      aria-label={`Photograph, ${printDay(p.day, "short", today)}${p.words ? `: ${p.words}` : ""}`}
      onClick={open}
      className="block"
    >
      <img
        src={`/batch/${batch}/picture/${p.id}?small`}
        alt=""
        width={side}
        height={side}
        className="border border-iron"
      />
    </button>
  );
};

/** Px of a photograph on the line, and between two of them; the line’s own margin. */
const [SIDE, GAP, EDGE] = [48, 52, 20];

/** Photographs under the line of days, each at its own, moved aside where two would lie on each other. */
export function PhotographsAtDays({
  batch,
  all,
  begun,
  end,
}: {
  batch: string;
  all: readonly Photograph[];
  begun: Day;
  /** Days the line is long. */
  end: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const [open, setOpen] = useState<number | undefined>();
  const room = Math.max(1, Math.floor(width / GAP));
  const shown = all.slice(-room);
  const days = shown.map(
    (p) => EDGE + (Math.min(end, Math.max(0, daysBetween(begun, p.day))) / end) * (width - 2 * EDGE),
  );
  const at = spread(days, GAP, SIDE / 2, width - SIDE / 2);
  return (
    <div ref={ref} className="overflow-x-clip">
      <ul className="relative" style={{ height: SIDE + 10 }} aria-label="Photographs, small">
        {shown.map((p, i) => (
          <li key={p.id} className="absolute bottom-0" style={{ left: at[i]! - SIDE / 2 }}>
            <span
              aria-hidden="true"
              className="absolute -top-2.5 h-2.5 border-l-2 border-iron"
              style={{ left: Math.min(SIDE, Math.max(0, days[i]! - at[i]! + SIDE / 2)) }}
            />
            <Small {...{ batch, p }} side={SIDE} open={() => setOpen(all.length - shown.length + i)} />
          </li>
        ))}
      </ul>
      {open !== undefined && all[open] && <Opened {...{ batch, all }} at={open} go={setOpen} />}
    </div>
  );
}
