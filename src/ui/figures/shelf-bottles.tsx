import { diameterAt } from "@/core/vessel/profile";
import type { Profile } from "@/core/vessel/profile";
import { type Substance, fillOf } from "./substance";
import { insidePath, vesselFrame, wallOf } from "./vessel-frame";
import { type DrawnLid, Shell } from "./vessel-shell";

/** A bottle's shape as it stands on a shelf: drawn once, however many of it there are. */
export interface Shape {
  readonly id: string;
  readonly profile: Profile;
  readonly lid: DrawnLid;
  /** Pixels for a centimetre. */
  readonly scale: number;
}

/** The shapes of a page, for `ShelfBottle` to stand on its shelves. */
export function ShapeDefs({ shapes }: { shapes: readonly Shape[] }) {
  return (
    <svg width="0" height="0" aria-hidden="true" className="absolute">
      <defs>
        {shapes.map((s) => {
          const f = vesselFrame(s.profile, s.lid, s.scale);
          const inside = insidePath(f, 0, f.solid.brimCm);
          return [
            <clipPath key={`${s.id}-in`} id={`${s.id}-in`}>
              <path d={inside} />
            </clipPath>,
            <path key={`${s.id}-glass`} id={`${s.id}-glass`} d={inside} fill="var(--color-glaze)" />,
            <g key={s.id} id={s.id}>
              <Shell
                {...wallOf(f)}
                lid={s.lid}
                measured={false}
                middle={f.middle}
                mouth={f.mouth}
                k={f.k}
                brimY={f.y(f.solid.brimCm)}
                handleY={f.y(f.solid.brimCm * 0.86)}
                lidCm={f.lidCm}
                handle={f.handle}
              />
            </g>,
          ];
        })}
      </defs>
    </svg>
  );
}

/** One bottle of a shape, filled to a height. Its words are beside it: the drawing itself is not heard. */
export function ShelfBottle({ of, toCm, substance }: { of: Shape; toCm: number; substance: Substance }) {
  const f = vesselFrame(of.profile, of.lid, of.scale);
  const half = (diameterAt(f.solid, toCm) / 2) * f.k;
  const level = f.y(toCm);
  return (
    <svg
      width={f.width}
      height={f.height}
      viewBox={`0 0 ${f.width} ${f.height}`}
      aria-hidden="true"
      className="max-w-full h-auto overflow-visible"
    >
      <use href={`#${of.id}-glass`} opacity="0.35" />
      {toCm > 0 && (
        <>
          <path
            d={`M0 ${level.toFixed(1)}H${f.width.toFixed(1)}V${f.height.toFixed(1)}H0Z`}
            fill={fillOf(substance)}
            clipPath={`url(#${of.id}-in)`}
          />
          <path
            d={`M${(f.middle - half).toFixed(1)} ${level.toFixed(1)}h${(2 * half).toFixed(1)}`}
            stroke="var(--color-iron)"
            strokeOpacity="0.5"
            strokeWidth="0.7"
          />
        </>
      )}
      <use href={`#${of.id}`} />
    </svg>
  );
}
