"use client";
import type { Reckoned } from "@/core/formulary/reckoned";
import type { Plan } from "@/core/plan/plan";
import { layersOf, marksOf } from "../figures/in-vessel";
import { VesselFigure } from "../figures/vessel";
import { useUnits } from "../kit/units";

/** The present version as it stands in its vessel, to scale, and the version beside it as a ghost. */
export function RecipeJar({ is, was, plan }: { is: Reckoned; was: Reckoned | undefined; plan: Plan }) {
  const { lengths } = useUnits();
  const v = is.program.vessel;
  const { fit } = is.reckoning;
  if (!v || !fit) return <p className="quiet">It names no vessel it could be drawn in.</p>;
  const once = is.program.lines.filter((l) => l.atOnce);
  const ghost = was?.program.vessel && was.reckoning.fit ? was : undefined;
  const brims = [v, ...(ghost?.program.vessel ? [ghost.program.vessel] : [])];
  const tallest = Math.max(...brims.map((x) => x.solid.brimCm)) + 2.5;
  const widest = Math.max(...brims.flatMap((x) => x.solid.profile.map(([, d]) => d)));
  const cms = ghost ? [...new Set(ghost.reckoning.fit!.layers.map((l) => l.toCm))] : [];
  return (
    <figure className="text-center">
      <VesselFigure
        profile={v.solid.profile}
        layers={layersOf(fit, once, v.solid.brimCm)}
        marks={marksOf(fit, once)}
        lid={v.lid}
        scale={Math.min(24, 330 / tallest, 190 / widest)}
        headspaceCm={v.headspaceCm}
        measured
        ruler={lengths}
        title={`${v.size}, ${plan.name}`}
        ghost={ghost ? { profile: ghost.program.vessel!.solid.profile, cms } : undefined}
      />
      <figcaption className="stencil text-xl pt-1">{v.size}</figcaption>
    </figure>
  );
}
