import { VESSELS } from "@/core/vessel/catalogue";
import { insidePath, vesselFrame } from "./vessel-frame";

/** Pixels for a centimetre of a chalked jar. */
const SCALE = 13;
const JAR = VESSELS.get("m-1000")!;

export const CHALKED = ["paper", "levels", "leaf"] as const;
export type Chalked = (typeof CHALKED)[number];

/** What is chalked on it, about a middle and a height in pixels. */
function Motif({ what, x, y }: { what: Chalked; x: number; y: number }) {
  switch (what) {
    case "paper":
      return (
        <path
          d={`M${x - 32} ${y - 50}l52-9 12 92-52 9zM${x - 18} ${y - 34}l32-5M${x - 15} ${y - 12}l32-5M${x - 12} ${y + 10}l32-5`}
        />
      );
    case "levels":
      return (
        <path
          d={`M${x - 56} ${y - 62}q14-8 28 0t28 0t28 0t28 0M${x - 56} ${y + 28}h112M${x - 34} ${y + 62}l9-16M${x - 8} ${y + 70}l9-16M${x + 18} ${y + 60}l9-16M${x + 38} ${y + 74}l9-16M${x - 44} ${y + 86}l9-14`}
        />
      );
    case "leaf":
      return (
        <path
          d={`M${x - 10} ${y + 88}q4-80 22-140M${x + 6} ${y + 20}q-30-4-36-26q28-2 36 26zM${x} ${y + 54}q-28-2-36-26q28-2 36 26zM${x + 10} ${y + 4}q28-6 32-30q-28 0-32 30zM${x + 4} ${y + 40}q30-6 34-30q-28 0-34 30zM${x + 10} ${y - 22}q-24-6-28-26q24 0 28 26zM${x + 14} ${y - 36}q22-8 24-28q-22 2-24 28z`}
        />
      );
  }
}

/** A jar as it is chalked on a slate before it is there: the outline of a real one, and what would be in it. Not heard; its words stand beneath. */
export function ChalkJar({ what }: { what: Chalked }) {
  const f = vesselFrame(JAR.solid.profile, JAR.lid, SCALE);
  const { brimCm } = JAR.solid;
  const half = (f.mouth + 0.6) * f.k;
  const brim = f.y(brimCm);
  return (
    <svg
      width={f.width}
      height={f.height}
      viewBox={`0 0 ${f.width} ${f.height}`}
      aria-hidden="true"
      className="max-w-full h-auto"
      fill="none"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {(["var(--color-ash)", "var(--color-white)"] as const).map((stroke, i) => (
        <g
          key={stroke}
          stroke={stroke}
          strokeWidth={i === 0 ? 6.5 : 4}
          filter={i === 0 ? undefined : "url(#chalk)"}
        >
          <path d={insidePath(f, 0, brimCm)} />
          <path d={`M${f.middle - half} ${brim - 14}h${2 * half}v16h${-2 * half}z`} />
          <Motif what={what} x={f.middle} y={f.y(brimCm * 0.42)} />
        </g>
      ))}
      <filter id="chalk">
        <feTurbulence baseFrequency="0.9" numOctaves="2" seed="4" result="grain" />
        <feDisplacementMap in="SourceGraphic" in2="grain" scale="2.5" />
      </filter>
    </svg>
  );
}
