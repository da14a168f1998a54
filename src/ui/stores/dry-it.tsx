"use client";
import { Told } from "../kit/told";
import { useState } from "react";
import type { Day } from "@/core/day";
import type { Fault } from "@/core/fault";
import { type Dried, driedLot, frozenLot, hungUp } from "@/core/stores/dried";
import { counted } from "@/core/words";
import { useKeep } from "./keep";
import type { LotStored } from "./one-lot";

/** What it weighs once it is dry. */
function Weighed({
  id,
  sending,
  fault,
  keep,
  clear,
}: {
  id: string;
  sending: boolean;
  fault: Fault | undefined;
  keep: (amount: string) => void;
  clear: () => void;
}) {
  const [amount, setAmount] = useState("");
  return (
    <form
      className="flex flex-wrap gap-x-4 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        keep(amount);
      }}
    >
      <p>
        <label htmlFor={id} className="quiet block">
          dry it weighs
        </label>
        <input
          id={id}
          className="field w-32"
          value={amount}
          maxLength={60}
          aria-invalid={fault !== undefined}
          aria-describedby={fault ? `${id}-wrong` : undefined}
          onChange={(e) => {
            clear();
            setAmount(e.target.value);
          }}
        />
      </p>
      <button type="submit" className="slab" disabled={sending}>
        It has dried
      </button>
    </form>
  );
}

/** A fresh herb hung up to dry, weighed when it has dried, or put into the ice box. */
export function DryIt({
  lot: s,
  said,
  before,
  today,
  done,
}: {
  lot: LotStored;
  /** A mass as this household says it. */
  said: (g: number) => string;
  /** What the household’s own drying of it came to. */
  before: Dried | undefined;
  today: Day;
  done: () => void;
}) {
  const { keep, sending, fault, clear } = useKeep();
  const l = s.item;
  const id = `lot-${s.id}-dry`;
  if (l.drying === undefined && l.form !== "fresh" && l.form !== "wilted") return null;
  const write = (item: Parameters<typeof keep>[1]): void =>
    void keep(s.id, item, s.seq).then((ok) => ok && done());
  const amount = said(s.leftG);
  const { grams: _, ...hung } = hungUp({ ...l, amount }, today);
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1 items-end pl-9">
      {before && (
        <p className="basis-full quiet">
          Last time a hundred grams came to {said(100 * before.share)}, in about {counted(before.days, "day")}
          .
        </p>
      )}
      {l.drying === undefined ? (
        <>
          <button type="button" className="plain min-h-11" disabled={sending} onClick={() => write(hung)}>
            hang it up to dry
          </button>
          <button
            type="button"
            className="plain min-h-11"
            disabled={sending}
            onClick={() => write(frozenLot(l, { leftG: s.leftG, amount, today }))}
          >
            put it into the ice box
          </button>
        </>
      ) : (
        <Weighed
          {...{ id, sending, fault, clear }}
          keep={(dry) => write(driedLot(l, { leftG: s.leftG, amount: dry, today }))}
        />
      )}
      {fault && (
        <p id={`${id}-wrong`} role="alert" className="wrong basis-full">
          <Told of={fault.message} />
        </p>
      )}
    </div>
  );
}
