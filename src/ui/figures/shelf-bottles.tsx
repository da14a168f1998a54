import { diameterAt } from "@/core/vessel/profile";
import type { Profile } from "@/core/vessel/profile";
import { type Substance, fillOf } from "./substance";
import { type VesselFrame, insidePath, lidHeight, vesselFrame, wallOf } from "./vessel-frame";
import { Closure, type DrawnLid, GLASS, Shell } from "./vessel-shell";

/** A bottle's shape as it stands on a shelf: drawn once, however many of it there are. */
export interface Shape {
  readonly id: string;
  readonly profile: Profile;
  readonly lid: DrawnLid;
  /** What closed it, where it is open: that lies beside it. */
  readonly stopper?: DrawnLid;
  /** Pixels for a centimetre. */
  readonly scale: number;
}

/** cm of shelf beside an opened bottle, for a stopper of its mouth. */
const besideCm = (s: Shape, mouth: number): number => (s.stopper ? 2 * (mouth + GLASS) + 0.8 : 0);

/** A stopper lying on the shelf beside its bottle. */
function Stopper({ lid, f }: { lid: DrawnLid; f: VesselFrame }) {
  const half = (f.mouth + GLASS + 0.15) * f.k;
  const lidCm = lidHeight(lid, f.solid.brimCm);
  // It stands as high as it did over the brim, and the shelf is where the brim was.
  const brimY = f.height - 6 - lidCm * f.k * 0.43;
  const m = { middle: f.width + half, mouth: f.mouth, k: f.k, brimY, lidCm, bold: false };
  return <Closure m={m} lid={lid} handleY={0} handle={0} />;
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
              {s.stopper && <Stopper lid={s.stopper} f={f} />}
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
  const width = f.width + besideCm(of, f.mouth) * f.k;
  return (
    <svg
      width={width}
      height={f.height}
      viewBox={`0 0 ${width} ${f.height}`}
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
