"use client";
import { useId } from "react";
import type { LabelLayout } from "@/core/label/layout-item";
import type { Profile } from "@/core/vessel/profile";
import { type DrawnLayer, type DrawnLid, VesselFigure } from "../../figures/vessel";
import { vesselFrame } from "../../figures/vessel-frame";
import { useTall } from "../../kit/tall";
import { useUnits } from "../../kit/units";
import { useWidth } from "../../kit/width";
import { LabelItems } from "./face";
import { type Girth, girthFor, slicesOf } from "./round";

export interface Bottle {
  readonly profile: Profile;
  readonly lid: DrawnLid;
  readonly size: string;
  /** What stands in it. */
  readonly layers: readonly DrawnLayer[];
}

const SHARE = [0.5, 0.74, 0.7] as const;

/** The label as it lies round the glass, seen from the front: what is far from its middle stands narrower, and what goes behind is not seen. */
function Round({ layout, girth, k }: { layout: LabelLayout; girth: Girth; k: number }) {
  const id = useId();
  return (
    <g>
      <defs>
        <g id={`${id}-label`}>
          <rect width={layout.widthMm} height={layout.heightMm} fill="#fff" />
          <LabelItems items={layout.items} />
        </g>
        {slicesOf(layout.widthMm, girth.radiusMm).map((s, i) => (
          <clipPath key={i} id={`${id}-${i}`}>
            <rect x={s.fromMm} y="0" width={s.toMm - s.fromMm + 0.02} height={layout.heightMm} />
          </clipPath>
        ))}
      </defs>
      {slicesOf(layout.widthMm, girth.radiusMm).map((s, i) => {
        const wide = (s.seenTo - s.seenFrom) / (s.toMm - s.fromMm);
        return (
          <g
            key={i}
            transform={`scale(${k}) translate(${s.seenFrom} 0) scale(${wide} 1) translate(${-s.fromMm} 0)`}
          >
            <g clipPath={`url(#${id}-${i})`}>
              <use href={`#${id}-label`} />
            </g>
          </g>
        );
      })}
    </g>
  );
}

/** The bottle with its label on it, as large as there is room; whether it goes round it, and how much of it is seen from the front. */
export function OnTheBottle({ vessel, label }: { vessel: Bottle; label: LabelLayout }) {
  const units = useUnits();
  const [ref, width] = useWidth<HTMLDivElement>(380);
  const tall = useTall(SHARE);
  const { profile, lid } = vessel;
  const girth = girthFor(profile, label.heightMm);
  const brim = profile.at(-1)![0];
  const widest = Math.max(...profile.map(([, d]) => d));
  const scale = Math.max(6, Math.min((tall - 10) / (brim + 2.6), (width - 8) / (widest + 0.8)));
  const f = vesselFrame(profile, lid, scale);
  const fits = girth !== undefined && label.widthMm <= 2 * Math.PI * girth.radiusMm - 5;
  return (
    <figure ref={ref} className="min-w-0" data-drawing="">
      <div className="flex justify-center border-b-[7px] border-iron">
        <div className="relative" style={{ width: f.width, height: f.height }}>
          <VesselFigure
            profile={profile}
            layers={vessel.layers}
            lid={lid}
            scale={scale}
            title={`The ${vessel.size} bottle with its label on it`}
          />
          {girth && (
            <svg
              className="absolute inset-0 overflow-visible"
              width={f.width}
              height={f.height}
              aria-hidden="true"
              style={{ fontVariantNumeric: "normal" }}
            >
              <g transform={`translate(${f.middle} ${f.y(girth.topMm / 10)})`}>
                <Round layout={label} girth={girth} k={scale / 10} />
              </g>
            </svg>
          )}
        </div>
      </div>
      <figcaption className={fits ? "quiet text-center pt-1" : "wrong text-center pt-1"}>
        {fits
          ? `on the ${vessel.size} bottle`
          : `too large for the ${vessel.size} bottle: it is ${units.length(Math.PI * widest)} round and ${units.length(brim)} high`}
      </figcaption>
    </figure>
  );
}
