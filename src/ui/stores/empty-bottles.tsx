"use client";
import { useState } from "react";

import { VESSELS } from "@/core/vessel/catalogue";
import { vesselWords } from "@/core/vessel/vessel";

import { useKeep } from "./keep";
import type { Stored } from "@/core/stores/events";
import type { Empties } from "@/core/stores/item";

const BOTTLES = [...VESSELS.values()].filter(
  (v) => v.sort === "bottle" || v.sort === "dropper" || (v.sort === "jar" && v.fillMl < 520),
);
type EmptiesStored = Stored & { readonly item: Empties };

/** Empty bottles, counted by size. */
export function EmptyBottles({ empties }: { empties: readonly EmptiesStored[] }) {
  const { keep, sending, fault } = useKeep();
  const missing = BOTTLES.filter((v) => !empties.some((e) => e.item.vessel === v.id));
  const [chosen, setSize] = useState("");
  // A size that was counted in a moment ago is no longer offered.
  const size = missing.some((v) => v.id === chosen) ? chosen : (missing[0]?.id ?? "");
  const [count, setCount] = useState("6");
  const n = Number(count);
  return (
    <section aria-labelledby="empties">
      <h2 id="empties" className="text-[1.25rem]">
        Empty bottles
      </h2>
      <ul className="pt-2 border-t-2 border-iron mt-2">
        {[...empties]
          .sort(
            (a, b) => (VESSELS.get(b.item.vessel)?.fillMl ?? 0) - (VESSELS.get(a.item.vessel)?.fillMl ?? 0),
          )
          .map((e) => {
            const v = VESSELS.get(e.item.vessel);
            const to = (k: number): void => void keep(e.id, { ...e.item, count: Math.max(0, k) }, e.seq);
            return (
              <li key={e.id} className="border-b border-rule py-1 flex items-center justify-between gap-3">
                <span>{v ? vesselWords(v) : e.item.vessel}</span>
                <span className="inline-flex items-center gap-2">
                  <button
                    type="button"
                    className="plain min-w-11 min-h-11 no-underline text-xl"
                    disabled={sending || e.item.count === 0}
                    aria-label={`One fewer ${v ? vesselWords(v) : ""}`}
                    onClick={() => to(e.item.count - 1)}
                  >
                    −
                  </button>
                  <strong className="w-8 text-center">{e.item.count}</strong>
                  <button
                    type="button"
                    className="plain min-w-11 min-h-11 no-underline text-xl"
                    disabled={sending}
                    aria-label={`One more ${v ? vesselWords(v) : ""}`}
                    onClick={() => to(e.item.count + 1)}
                  >
                    +
                  </button>
                </span>
              </li>
            );
          })}
      </ul>
      {size !== "" && (
        <form
          className="flex flex-wrap gap-3 items-end pt-2"
          onSubmit={(e) => {
            e.preventDefault();
            void keep(crypto.randomUUID(), { what: "empties", vessel: size, count: n });
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
              aria-invalid={!Number.isInteger(n) || n < 0}
              aria-describedby={fault ? "empty-wrong" : undefined}
              onChange={(e) => setCount(e.target.value)}
            />
          </p>
          <button
            type="submit"
            className="plain min-h-11"
            disabled={sending || !Number.isInteger(n) || n < 0}
          >
            count them in
          </button>
          {(fault || !Number.isInteger(n) || n < 0) && (
            <p id="empty-wrong" role="alert" className="wrong basis-full">
              {fault?.message ?? "Say how many, as a whole number."}
            </p>
          )}
        </form>
      )}
    </section>
  );
}
