"use client";
import type { Profile } from "@/core/vessel/profile";
import { type DrawnLayer, type DrawnLid, VesselFigure } from "../figures/vessel";
import { lidHeight } from "../figures/vessel-frame";
import { useTall } from "../kit/tall";
import { useWidth } from "../kit/width";

/** A jar among others, with what is said under it. */
export interface JarBeside {
  readonly code: string;
  readonly profile: Profile;
  readonly lid: DrawnLid;
  readonly layers: readonly DrawnLayer[];
  readonly says: React.ReactNode;
}

const SHARE = [0.34, 0.46, 0.46] as const;
/** Px between jars. */
const GAP = 16;

/** Jars on one board at one scale, as large as they all have room; dashed in each, how the first of them stood. */
export function JarsDrawn({ jars }: { jars: readonly JarBeside[] }) {
  const [ref, width] = useWidth<HTMLUListElement>(900);
  const tall = useTall(SHARE);
  const wideCm = (j: JarBeside): number =>
    Math.max(...j.profile.map(([, d]) => d)) + (j.lid === "none" ? 7.4 : 1);
  const highCm = ({ profile, lid }: JarBeside): number => {
    const brim = profile.at(-1)![0];
    return brim + lidHeight(lid, brim) + 1;
  };
  const scale = Math.min(
    tall / Math.max(...jars.map(highCm)),
    (width / jars.length - GAP) / Math.max(...jars.map(wideCm)),
  );
  const [first] = jars;
  if (!first) return null;
  const ghost = { profile: first.profile, cms: first.layers.map((l) => l.toCm) };
  return (
    <ul
      ref={ref}
      data-drawing=""
      className="grid pt-3"
      style={{ gridTemplateColumns: `repeat(${jars.length}, minmax(0, 1fr))` }}
    >
      {jars.map((j) => (
        <li key={j.code} className="min-w-0 text-center">
          <div
            className="flex items-end justify-center border-b-[7px] border-iron"
            style={{ minHeight: Math.max(...jars.map(highCm)) * scale + 8 }}
          >
            <VesselFigure
              profile={j.profile}
              layers={j.layers}
              lid={j.lid}
              scale={Math.max(2, scale)}
              ghost={j === first ? undefined : ghost}
              title={`${j.code}, as it was filled${j === first ? "" : `; dashed, ${first.code}`}`}
            />
          </div>
          <div className="px-1.5">{j.says}</div>
        </li>
      ))}
    </ul>
  );
}
