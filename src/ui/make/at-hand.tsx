"use client";
import { useState } from "react";
import type { Batch } from "@/core/journal/fold";
import { ASIDE_WORDS, type Aside } from "@/core/kitchen/sift";
import { useUnits } from "../kit/units";
import { type ShownInstrument, tareScale } from "../kitchen/instruments";
import type { Making } from "./making";

/** A figure older than this is told with its age, ms. */
const FRESH = 10_000;

export const isFresh = (i: ShownInstrument | undefined, nowMs: number): boolean =>
  i !== undefined && i.there && i.at !== undefined && nowMs - Date.parse(i.at) < FRESH;

/** The thermometer: in this pan or not, and what it last showed that could not be. */
export function ProbeAtHand({
  probe,
  batch,
  making,
  nowMs,
}: {
  probe: ShownInstrument | undefined;
  batch: Batch;
  making: Making;
  nowMs: number;
}) {
  const units = useUnits();
  if (!probe) return null;
  const inside = batch.stove.probe === probe.id;
  const age = probe.at === undefined ? undefined : Math.round((nowMs - Date.parse(probe.at)) / 1000);
  return (
    <div className="text-base flex flex-wrap items-center gap-x-4">
      <button
        type="button"
        className="plain min-h-11"
        disabled={making.sending || (!inside && !probe.there)}
        onClick={() => void making.write("probed", { instrument: probe.id, did: inside ? "out" : "in" })}
      >
        {inside ? "take the thermometer out" : "put the thermometer in this pan"}
      </button>
      {inside && !isFresh(probe, nowMs) && age !== undefined && (
        <span role="status" className="text-ash">
          It says nothing since {age < 120 ? `${age} s` : `${Math.round(age / 60)} min`}; it comes back by
          itself. Type what you see.
        </span>
      )}
      {inside && probe.aside && (
        <span className="text-ash">
          {units.temperature(probe.aside.value)} was kept aside:{" "}
          {ASIDE_WORDS[probe.aside.why as Aside] ?? probe.aside.why}.
        </span>
      )}
    </div>
  );
}

/** The scale: what lies on it goes in as it is, or it is set to nought first. */
export function ScaleAtHand({
  scale,
  take,
  sending,
}: {
  scale: ShownInstrument | undefined;
  take: (grams: number) => void;
  sending: boolean;
}) {
  const units = useUnits();
  const [wrong, setWrong] = useState(false);
  if (!scale?.there || scale.value === undefined) return null;
  const grams = Math.round(scale.value);
  return (
    <p className="text-base flex flex-wrap items-center gap-x-4" role="group" aria-label="The scale">
      <span>
        The scale shows <strong>{units.massExact(Math.max(0, grams))}</strong>
        {scale.stable ? "" : ", not at rest"}
      </span>
      <button
        type="button"
        className="plain min-h-11"
        onClick={() => void tareScale().then((ok) => setWrong(!ok))}
      >
        set it to nought
      </button>
      {grams > 0 && (
        <button
          type="button"
          className="slab"
          disabled={sending || !scale.stable}
          onClick={() => take(grams)}
        >
          {grams} g went in
        </button>
      )}
      {wrong && (
        <span role="alert" className="wrong">
          The scale does not answer. Type what it shows.
        </span>
      )}
    </p>
  );
}
