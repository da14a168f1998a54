"use client";
import { useState } from "react";
import type { Stored } from "@/core/stores/events";
import { type Busy, standing } from "@/core/stores/free";
import type { OwnVessel } from "@/core/stores/item";
import { vesselOfOwn } from "@/core/stores/stores";

import { vesselWords } from "@/core/vessel/vessel";
import { type DrawnLayer, VesselFigure } from "../figures/vessel";
import { NoLongerHere, PuttingAway } from "./put-away";
import { AddVessel } from "./add-vessel";

type VesselStored = Stored & { readonly item: OwnVessel };

/**
 * The household's vessels on a shelf, each with what stands in it.
 * @param levels layers of today by batch code
 */
export function Vessels({
  vessels,
  busy,
  levels,
}: {
  vessels: readonly VesselStored[];
  busy: readonly Busy[];
  levels: Readonly<Record<string, readonly DrawnLayer[]>>;
}) {
  const [adding, setAdding] = useState(0);
  const [open, setOpen] = useState(false);
  const all = standing(
    vessels.flatMap((s) => {
      const vessel = vesselOfOwn(s.item);
      return vessel ? [{ id: s.id, own: s.item, vessel }] : [];
    }),
    busy,
  ).sort((a, b) => b.vessel.fillMl - a.vessel.fillMl);
  const seqOf = (id: string): number => vessels.find((v) => v.id === id)!.seq;
  const scale = 92 / Math.max(10, ...all.map((s) => s.vessel.solid.brimCm + 2));
  return (
    <PuttingAway>
      <section aria-labelledby="vessels">
        <h2 id="vessels" className="text-[1.25rem]">
          Vessels
        </h2>
        {all.length === 0 ? (
          <p className="py-3 max-w-prose">
            No vessel is written down yet. The Bench then offers every plain size; with your own written down
            it begins from those that are free.
          </p>
        ) : (
          <ul className="flex flex-wrap items-start gap-y-4 pt-3">
            {all.map((s) => (
              <li key={s.own.id} className="w-[8.5rem] text-center">
                <div className="h-28 flex items-end justify-center border-b-[7px] border-iron">
                  <VesselFigure
                    profile={s.vessel.solid.profile}
                    layers={s.holds ? (levels[s.holds] ?? []) : []}
                    lid={s.vessel.lid}
                    scale={scale}
                    title={vesselWords(s.vessel)}
                  />
                </div>
                <p className="stencil text-lg leading-tight pt-1">{s.vessel.size}</p>
                <p className="quiet leading-tight">{s.own.own.name ?? s.vessel.name}</p>
                <p className={s.holds ? "font-semibold" : "text-celadon-deep font-semibold"}>
                  {s.holds ?? "free"}
                </p>
                {!s.holds && (
                  <NoLongerHere
                    why="no longer here"
                    id={s.own.id}
                    words={vesselWords(s.vessel)}
                    seq={seqOf(s.own.id)}
                  />
                )}
              </li>
            ))}
          </ul>
        )}
        {open ? (
          <AddVessel
            key={adding}
            done={() => {
              setAdding(adding + 1);
              setOpen(false);
            }}
          />
        ) : (
          <button type="button" className="plain min-h-11" onClick={() => setOpen(true)}>
            write down a vessel
          </button>
        )}
      </section>
    </PuttingAway>
  );
}
