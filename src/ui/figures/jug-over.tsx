import { volumeAt } from "@/core/vessel/profile";
import { type JugFrame, TOP } from "./jug-frame";
import { fillOf } from "./substance";

/** A finger at the level the liquid stands at, from the lip to the handle; it may be drawn up and down until it fits. */
export function Hand({ touch, f }: { touch: (ml: number) => void; f: JugFrame }) {
  const brim = f.half(f.solid.brimMl);
  const say = (e: React.PointerEvent<SVGRectElement>): void => {
    const at = e.currentTarget.getBoundingClientRect();
    const cm = (at.bottom - e.clientY) / f.k;
    const step = f.each / 2;
    const ml = Math.round(volumeAt(f.solid, Math.max(0, cm)) / step) * step;
    if (ml > 0) touch(ml);
  };
  return (
    <rect
      x={f.middle - brim - 26}
      y={TOP}
      width={2 * brim + 26}
      height={f.bottom - TOP}
      fill="transparent"
      className="cursor-ns-resize touch-none"
      data-hand=""
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        say(e);
      }}
      onPointerMove={(e) => e.currentTarget.hasPointerCapture(e.pointerId) && say(e)}
    />
  );
}

/** How far the cloth hangs into the jug, px. */
export const clothDepth = (f: JugFrame): number => Math.min(0.3 * (f.bottom - TOP), 84);

/** The straining cloth in the jug's mouth, tied at both sides; the marc lies in it once it was poured. */
export function ClothOver({ full, f }: { full: boolean; f: JugFrame }) {
  const [brim, { middle }] = [f.half(f.solid.brimMl), f];
  const deep = clothDepth(f);
  const bowl = (by: number, from: number): string =>
    `M${middle - brim + by} ${TOP + from}C${middle - brim * 0.7} ${TOP + 1.28 * deep - by} ${middle + brim * 0.7} ${TOP + 1.28 * deep - by} ${middle + brim - by} ${TOP + from}Z`;
  const knot = (side: 1 | -1): string => {
    const x = middle + side * (brim + 2);
    return `M${x} ${TOP - 2}q${side * 10} -16 ${side * 20} -8q${side * 8} 12 ${side * 6} 36q${side * -10} 2 ${side * -14} -6q${side * -2} -12 ${side * -12} -22z`;
  };
  return (
    <g aria-hidden="true" stroke="var(--color-iron)" strokeWidth="2" strokeLinejoin="round">
      <path d={bowl(2, 0)} fill="var(--color-white)" />
      {full && <path d={bowl(16, 8)} fill={fillOf("marc")} strokeWidth="1.4" />}
      <path d={knot(-1)} fill="var(--color-white)" />
      <path d={knot(1)} fill="var(--color-white)" />
      <path d={`M${middle - brim - 12} ${TOP}H${middle + brim + 12}`} strokeWidth="4" />
    </g>
  );
}
