import { type Profile, type Solid, diameterAt, solidOf } from "@/core/vessel/profile";
import { type DrawnLid, GLASS } from "./vessel-shell";

/** Where a vessel stands in its drawing. Pixels, but for `solid` and what ends in cm. */
export interface VesselFrame {
  readonly solid: Solid;
  /** Pixels for a centimetre. */
  readonly k: number;
  readonly width: number;
  readonly height: number;
  readonly top: number;
  /** The vessel's axis. */
  readonly middle: number;
  /** Half of the mouth, cm. */
  readonly mouth: number;
  /** Half of its greatest width with the glass, cm. */
  readonly widest: number;
  readonly lidCm: number;
  /** cm a handle stands out. */
  readonly handle: number;
  /** Room at the left for a ruler; nothing on a shelf. */
  readonly rulerW: number;
  /** The height of a level in cm. */
  readonly y: (cm: number) => number;
}

/** Room for a ruler and for words beside it. */
const RULER_W = 46;
const MARKS_W = 128;

/** cm the lid stands over the brim. */
export function lidHeight(lid: DrawnLid, brimCm: number): number {
  if (lid === "none" || lid === "off") return 0.3;
  return lid === "cork" ? 2.2 : Math.min(1.8, Math.max(0.9, brimCm * 0.1));
}

/** @param k pixels for a centimetre @param measured with room for a ruler and words */
export function vesselFrame(profile: Profile, lid: DrawnLid, k: number, measured = false): VesselFrame {
  const solid = solidOf(profile);
  const widest = Math.max(...profile.map(([, d]) => d)) / 2 + GLASS;
  const lidCm = lidHeight(lid, solid.brimCm);
  const handle = lid === "none" ? 3.2 : 0;
  const rulerW = measured ? RULER_W : 0;
  const middle = rulerW + widest * k + 2;
  const top = lidCm * k + 4;
  return {
    solid,
    k,
    width: middle + (widest + handle) * k + 2 + (measured ? MARKS_W : 0),
    height: top + (solid.brimCm + GLASS) * k + 6,
    top,
    middle,
    mouth: profile[profile.length - 1]![1] / 2,
    widest,
    lidCm,
    handle,
    rulerW,
    y: (cm) => top + (solid.brimCm - cm) * k,
  };
}

/** Half of the inside's outline from one height to another: heights, and x offsets from the middle, cm. */
export function slice(s: Solid, from: number, to: number): [number, number][] {
  const points: [number, number][] = [[from, diameterAt(s, from) / 2]];
  for (const [h, d] of s.profile) if (h > from + 1e-6 && h < to - 1e-6) points.push([h, d / 2]);
  points.push([to, diameterAt(s, to) / 2]);
  return points;
}

/** Both sides of an outline, the right one upwards and the left one downwards, as the points of a path. */
export function sidesOf(
  f: Pick<VesselFrame, "middle" | "k" | "y">,
  half: readonly (readonly [number, number])[],
): { readonly right: string[]; readonly left: string[] } {
  const at = (h: number, r: number): string => `${(f.middle + r * f.k).toFixed(1)} ${f.y(h).toFixed(1)}`;
  return {
    right: half.map(([h, r]) => at(h, r)),
    left: [...half].reverse().map(([h, r]) => at(h, -r)),
  };
}

/** The closed outline of the inside between two heights, as a path. */
export function insidePath(f: VesselFrame, from: number, to: number): string {
  const { right, left } = sidesOf(f, slice(f.solid, from, to));
  return `M${[...right, ...left].join("L")}Z`;
}

/** The glass: it follows the inside a little way out, open at the brim. */
export function wallOf(f: VesselFrame): { readonly right: string; readonly left: string } {
  const inside = slice(f.solid, 0, f.solid.brimCm);
  const { right, left } = sidesOf(f, [
    [-GLASS, Math.max(0.3, inside[0]![1] - 0.3)],
    ...inside.map(([h, r]) => [h, r + GLASS] as const),
  ]);
  return { right: right.reverse().join("L"), left: left.reverse().join("L") };
}
