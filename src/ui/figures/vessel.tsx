"use client";
import { printLength } from "@/core/reading/print";
import { type Profile, diameterAt, solidOf } from "@/core/vessel/profile";
import { useUnits } from "../kit/units";
import { Ruler } from "./ruler";
import { spread } from "./spread";
import { GROUND, type Substance, SUBSTANCE_WORDS, fillOf } from "./substance";
import { type VesselFrame, insidePath, sidesOf, slice, vesselFrame, wallOf } from "./vessel-frame";
import { type DrawnLid, Shell } from "./vessel-shell";

export interface DrawnLayer {
  readonly fromCm: number;
  readonly toCm: number;
  readonly substance: Substance;
  /** Another’s colour in it, and how much of that has come, 0 to 1; herb that gave it is paler by as much. */
  readonly stain?: { readonly of: Substance | "pale"; readonly share: number } | undefined;
}
export interface DrawnMark {
  readonly cm: number;
  readonly words: string;
  /** The liquid's surface lies inside the herb. */
  readonly hidden?: boolean;
}
export type { DrawnLid } from "./vessel-shell";

interface Props {
  readonly profile: Profile;
  readonly layers: readonly DrawnLayer[];
  readonly marks?: readonly DrawnMark[];
  readonly lid: DrawnLid;
  /** Pixels for a centimetre. */
  readonly scale: number;
  readonly headspaceCm?: number;
  /** cm scale up the side and marks with words; without them the drawing is for a shelf. */
  readonly measured?: boolean;
  /** A former version, as dark-and-light dashes: its vessel, and the levels it stood at, cm. */
  readonly ghost?: { readonly profile: Profile; readonly cms: readonly number[] } | undefined;
  readonly floaters?: readonly string[];
  readonly floatAtCm?: number;
  /** What the drawing is of, for those who hear it. */
  readonly title: string;
}

/** How far a wash covers what it lies on when all the colour has gone over; the pattern stays seen. */
const [STAINS, PALES] = [0.55, 0.3];

/** What colour has gone over, in words. */
const stainWords = ({ stain }: DrawnLayer): string =>
  stain && stain.of !== "pale" && stain.share > 0.1 ? `, coloured by ${SUBSTANCE_WORDS[stain.of]}` : "";

/** In plain words, what the drawing shows. */
export function described(
  p: Pick<Props, "layers" | "marks" | "title" | "floaters">,
  ruler: "cm" | "in" = "cm",
): string {
  const cm = (x: number): string => printLength(x, ruler);
  const layers = [...p.layers]
    .sort((a, b) => a.fromCm - b.fromCm)
    .map(
      (l) =>
        `${SUBSTANCE_WORDS[l.substance]} from ${cm(l.fromCm).split(" ")[0]} to ${cm(l.toCm)}${stainWords(l)}`,
    );
  return `${p.title}. ${layers.length > 0 ? `From the base up: ${layers.join("; ")}.` : "Empty."}${p.floaters && p.floaters.length > 0 ? ` ${p.floaters.join(" and ")} float and want a weight.` : ""}`;
}

/** Half of the inside's width at a height, pixels. */
const halfAt = (f: VesselFrame, cm: number): number => (diameterAt(f.solid, cm) / 2) * f.k;

/** How things stood in a former version: its vessel’s inside and its levels, dashed dark and light. */
function Ghost({ ghost, f }: { ghost: NonNullable<Props["ghost"]>; f: VesselFrame }) {
  const solid = solidOf(ghost.profile);
  const top = Math.max(...ghost.cms, 0);
  const { right, left } = sidesOf(f, slice(solid, 0, Math.min(solid.brimCm, Math.max(top, 0.1))));
  const levels = ghost.cms
    .filter((cm) => cm > 0.05 && cm < solid.brimCm)
    .map((cm) => {
      const r = (diameterAt(solid, cm) / 2) * f.k;
      return `M${(f.middle - r).toFixed(1)} ${f.y(cm).toFixed(1)}H${(f.middle + r).toFixed(1)}`;
    });
  const d = `M${right.join("L")}M${left.join("L")}${levels.join("")}`;
  return (
    <g fill="none" strokeWidth="2.2" data-ghost>
      <path d={d} stroke="var(--color-white)" />
      <path d={d} stroke="var(--color-iron)" strokeDasharray="6 5" />
    </g>
  );
}

function Layers({ layers, f }: { layers: readonly DrawnLayer[]; f: VesselFrame }) {
  return layers.map((l, i) =>
    l.toCm > l.fromCm + 1e-3 ? (
      <g key={i}>
        <path
          className="vessel-level"
          d={insidePath(f, l.fromCm, l.toCm)}
          fill={fillOf(l.substance)}
          stroke="var(--color-iron)"
          strokeOpacity="0.35"
          strokeWidth="0.7"
        />
        {l.stain && l.stain.share > 0.02 && (
          <path
            className="vessel-level"
            d={insidePath(f, l.fromCm, l.toCm)}
            fill={l.stain.of === "pale" ? "var(--color-paper)" : GROUND[l.stain.of]}
            opacity={(l.stain.of === "pale" ? PALES : STAINS) * l.stain.share}
          />
        )}
      </g>
    ) : null,
  );
}

/** Where the leaves that float stand across the surface, as shares of its half. */
const AFLOAT = [-0.55, -0.2, 0.2, 0.55];

function Floaters({ atCm, f }: { atCm: number; f: VesselFrame }) {
  const half = halfAt(f, atCm);
  return (
    <g aria-hidden="true">
      {AFLOAT.map((s) => (
        <path
          key={s}
          d={`M${f.middle + s * half - 7} ${f.y(atCm) + 3}q7-9 14 0q-7 5-14 0z`}
          fill="#7d8a4c"
          stroke="#42562a"
          strokeWidth="0.8"
        />
      ))}
    </g>
  );
}

/** How high it may be filled, where it is not. */
function HeadspaceLine({ cm, f }: { cm: number; f: VesselFrame }) {
  const half = halfAt(f, cm);
  return (
    <path
      d={`M${f.middle - half} ${f.y(cm)}H${f.middle + half}`}
      stroke="var(--color-ash)"
      strokeWidth="1"
      strokeDasharray="5 4"
    />
  );
}

/** Pixels between two marks' words at the least. */
const MARK_GAP = 40;

/** Levels with their heights and words at the side, spread so that none lies on another. */
function Marks({ marks, f, ruler }: { marks: readonly DrawnMark[]; f: VesselFrame; ruler: "cm" | "in" }) {
  const heights = marks.map((m) => f.y(m.cm));
  const at = spread(heights, MARK_GAP, f.top + 8, f.height - 30);
  const textX = f.middle + f.widest * f.k + 26;
  return marks.map((m, i) => {
    const from = f.middle + halfAt(f, m.cm);
    return (
      <g key={i} aria-hidden="true">
        <path
          d={`M${from - 26} ${f.y(m.cm)}H${from + 6}L${textX - 6} ${at[i]!}`}
          fill="none"
          stroke="var(--color-cobalt)"
          strokeWidth={m.hidden ? 2 : 3}
          strokeDasharray={m.hidden ? "4 3" : undefined}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
        <text x={textX} y={at[i]! + 2} fontSize="16" fontWeight="700" fill="var(--color-cobalt)">
          {printLength(m.cm, ruler)}
        </text>
        <text x={textX} y={at[i]! + 18} fontSize="14" fill="var(--color-iron)">
          {m.words}
        </text>
      </g>
    );
  });
}

/** Cross-section of a vessel to scale, from its real profile; every level is the reckoned one. */
export function VesselFigure(p: Props) {
  const measured = p.measured === true;
  const f = vesselFrame(p.profile, p.lid, p.scale, measured);
  const { solid, y } = f;
  const { lengths: ruler } = useUnits();
  const surface = Math.max(0, ...p.layers.map((l) => l.toCm));
  const line = p.headspaceCm === undefined ? undefined : solid.brimCm - p.headspaceCm;
  const afloat = p.floaters && p.floaters.length > 0 ? p.floatAtCm : undefined;
  return (
    <svg
      width={f.width}
      height={f.height}
      viewBox={`0 0 ${f.width} ${f.height}`}
      role="img"
      aria-label={described(p, ruler)}
      className="max-w-full h-auto overflow-visible"
    >
      <path d={insidePath(f, 0, solid.brimCm)} fill="var(--color-glaze)" opacity="0.35" />
      <Layers layers={p.layers} f={f} />
      {p.ghost && <Ghost ghost={p.ghost} f={f} />}
      {afloat !== undefined && <Floaters atCm={afloat} f={f} />}
      <Shell
        {...wallOf(f)}
        lid={p.lid}
        measured={measured}
        middle={f.middle}
        mouth={f.mouth}
        k={f.k}
        brimY={y(solid.brimCm)}
        handleY={y(solid.brimCm * 0.86)}
        lidCm={f.lidCm}
        handle={f.handle}
      />
      {measured && line !== undefined && surface < line - 0.05 && <HeadspaceLine cm={line} f={f} />}
      {measured && <Ruler x={f.rulerW} brimCm={solid.brimCm} top={f.top} k={f.k} ruler={ruler} />}
      {measured && <Marks marks={p.marks ?? []} f={f} ruler={ruler} />}
    </svg>
  );
}
