"use client";
import type { LabelLayout } from "@/core/label/layout-item";
import type { Profile } from "@/core/vessel/profile";
import { useUnits } from "../../kit/units";
import { type DrawnLid, VesselFigure } from "../../figures/vessel";

export interface BesideIt {
  readonly profile: Profile;
  readonly lid: DrawnLid;
  readonly size: string;
}

/** CSS pixels of a centimetre: what the browser takes for real size. */
const PX_PER_CM = 96 / 2.54;

/** The bottle the labels go on, at the same real size, and whether one goes round it. */
export function Beside({ vessel, label }: { vessel: BesideIt; label: LabelLayout }) {
  const widest = Math.max(...vessel.profile.map(([, d]) => d)) * 10;
  const round = Math.PI * widest;
  const tall = vessel.profile.at(-1)![0] * 10;
  const units = useUnits();
  const fits = label.widthMm <= round - 5 && label.heightMm <= tall;
  return (
    <figure className="no-print float-right pl-6 pb-4 max-lg:hidden">
      <VesselFigure
        profile={vessel.profile}
        layers={[]}
        lid={vessel.lid}
        scale={PX_PER_CM}
        title={`The ${vessel.size} bottle, at real size`}
      />
      <figcaption className={fits ? "quiet" : "wrong"}>
        {fits
          ? `the ${vessel.size} bottle, as large as the labels`
          : `too large for the ${vessel.size} bottle: it is ${units.length(round / 10)} round and ${units.length(tall / 10)} high`}
      </figcaption>
    </figure>
  );
}
