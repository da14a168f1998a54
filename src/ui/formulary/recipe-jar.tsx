import type { Reckoned } from "@/core/formulary/reckoned";
import { layersOf, marksOf } from "../figures/in-vessel";
import { JarDrawn } from "./jar-drawn";

/** The present version as it stands in its vessel, to scale, and the version beside it as a ghost. */
export function RecipeJar({ is, was, name }: { is: Reckoned; was: Reckoned | undefined; name: string }) {
  const v = is.program.vessel;
  const { fit } = is.reckoning;
  if (!v || !fit) return <p className="quiet">It names no vessel it could be drawn in.</p>;
  const once = is.program.lines.filter((l) => l.atOnce);
  const ghost = was?.program.vessel && was.reckoning.fit ? was : undefined;
  const other = ghost?.program.vessel?.solid;
  const tallest = Math.max(v.solid.brimCm, other?.brimCm ?? 0) + 2.5;
  const widest = Math.max(...[v.solid, other ?? v.solid].flatMap((x) => x.profile.map(([, d]) => d)));
  const cms = ghost ? [...new Set(ghost.reckoning.fit!.layers.map((l) => l.toCm))] : [];
  return (
    <figure className="text-center">
      <JarDrawn
        profile={v.solid.profile}
        layers={layersOf(fit, once, v.solid.brimCm)}
        marks={marksOf(fit, once)}
        lid={v.lid}
        scale={Math.min(24, 330 / tallest, 190 / widest)}
        headspaceCm={v.headspaceCm}
        title={`${v.size}, ${name}`}
        ghost={other ? { profile: other.profile, cms } : undefined}
      />
      <figcaption className="stencil text-xl pt-1">{v.size}</figcaption>
    </figure>
  );
}
