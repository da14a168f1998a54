"use client";
import { useState } from "react";

import { VESSELS, isFilledInto, soldIn } from "@/core/vessel/catalogue";
import { type Vessel, vesselWords } from "@/core/vessel/vessel";

import { type Shape, ShapeDefs, ShelfBottle } from "../figures/shelf-bottles";
import { useUnits } from "../kit/units";
import { useKeep } from "./keep";
import type { Stored } from "@/core/stores/events";
import type { Empties } from "@/core/stores/item";

type EmptiesStored = Stored & { readonly item: Empties };

type Keeping = ReturnType<typeof useKeep>;
const brimOf = (e: EmptiesStored): number => VESSELS.get(e.item.vessel)?.fillMl ?? 0;

/** Pixels for a centimetre, so that the tallest stands on its board; bottles of one size that are drawn. */
const SCALE = 4.6;
const DRAWN = 5;
const shapeOf = (v: Vessel): Shape => ({
  id: `empty-${v.id}`,
  profile: v.solid.profile,
  lid: v.lid,
  scale: SCALE,
});

/** One size, and how many of it there are: one more, one fewer. */
function OneSize({ of: e, k }: { of: EmptiesStored; k: Keeping }) {
  const v = VESSELS.get(e.item.vessel);
  const words = v ? vesselWords(v) : e.item.vessel;
  const to = (n: number): void => void k.keep(e.id, { ...e.item, count: Math.max(0, n) }, e.seq);
  const { count } = e.item;
  const step = (by: number, sign: string, name: string) => (
    <button
      type="button"
      className="plain min-w-11 min-h-11 no-underline text-xl"
      disabled={k.sending || count + by < 0}
      aria-label={`${name} ${words}`}
      onClick={() => to(count + by)}
    >
      {sign}
    </button>
  );
  return (
    <li className="min-w-0 grid justify-items-center">
      <span
        className="w-full border-b-[7px] border-iron flex items-end justify-center px-2 h-[9.75rem]"
        aria-hidden="true"
      >
        {v &&
          Array.from({ length: Math.min(count, DRAWN) }, (_, i) => (
            <span key={i} className={i > 0 ? "-ml-3" : ""}>
              <ShelfBottle of={shapeOf(v)} toCm={0} substance="water" />
            </span>
          ))}
      </span>
      <span className="text-center pt-1 leading-tight">{words}</span>
      <span className="inline-flex items-center gap-2">
        {step(-1, "−", "One fewer")}
        <strong className="w-8 text-center">{count}</strong>
        {step(1, "+", "One more")}
      </span>
    </li>
  );
}

/** A size that is not counted yet. */
function CountIn({ missing, k }: { missing: readonly Vessel[]; k: Keeping }) {
  const [chosen, setSize] = useState("");
  // A size that was counted in a moment ago is no longer offered.
  const size = missing.some((v) => v.id === chosen) ? chosen : (missing[0]?.id ?? "");
  const [count, setCount] = useState("6");
  const n = Number(count);
  const noCount = !Number.isInteger(n) || n < 0;
  const wrong = k.fault?.message ?? (noCount ? "Say how many, as a whole number." : undefined);
  if (size === "") return null;
  return (
    <form
      className="flex flex-wrap gap-3 items-end pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void k.keep(crypto.randomUUID(), { what: "empties", vessel: size, count: n });
      }}
    >
      <p>
        <label htmlFor="empty-size" className="quiet block">
          of
        </label>
        <select id="empty-size" className="field" value={size} onChange={(e) => setSize(e.target.value)}>
          {missing.map((v) => (
            <option key={v.id} value={v.id}>
              {vesselWords(v)}
            </option>
          ))}
        </select>
      </p>
      <p>
        <label htmlFor="empty-count" className="quiet block">
          how many
        </label>
        <input
          id="empty-count"
          inputMode="numeric"
          className="field w-20"
          value={count}
          maxLength={3}
          aria-invalid={noCount}
          aria-describedby={wrong ? "empty-wrong" : undefined}
          onChange={(e) => setCount(e.target.value)}
        />
      </p>
      <button type="submit" className="plain min-h-11" disabled={k.sending || noCount}>
        count them in
      </button>
      {wrong && (
        <p id="empty-wrong" role="alert" className="wrong basis-full">
          {wrong}
        </p>
      )}
    </form>
  );
}

/** Empty bottles, counted by size. */
export function EmptyBottles({ empties }: { empties: readonly EmptiesStored[] }) {
  const k = useKeep();
  const { market } = useUnits();
  const missing = soldIn(market).filter(
    (v) => isFilledInto(v) && !empties.some((e) => e.item.vessel === v.id),
  );
  return (
    <section aria-labelledby="empties">
      <h2 id="empties" className="text-[1.25rem]">
        Empty bottles
      </h2>
      <ShapeDefs
        shapes={empties.flatMap((e) => {
          const v = VESSELS.get(e.item.vessel);
          return v ? [shapeOf(v)] : [];
        })}
      />
      <ul
        data-drawing=""
        className="pt-3 grid grid-cols-[repeat(auto-fill,minmax(min(100%,8.25rem),1fr))] gap-y-3"
      >
        {[...empties]
          .sort((a, b) => brimOf(b) - brimOf(a))
          .map((e) => (
            <OneSize key={e.id} of={e} k={k} />
          ))}
      </ul>
      <CountIn missing={missing} k={k} />
    </section>
  );
}
