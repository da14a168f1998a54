import type { ToldWorking } from "@/core/season/told";
import type { Kind } from "@/core/plan/plan";
import { fillOf } from "../figures/substance";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import { type Along, isDrawn, xOf } from "./along";

export const BAND = 20;

/** A jar that works already: solid to its window, which is pale. */
export function WorkingBand({ w, a, y }: { w: ToldWorking; a: Along; y: number }) {
  if (!isDrawn(a, w.begun, w.latest)) return null;
  const [from, open, shut] = [
    xOf(a, w.begun),
    xOf(a, w.earliest),
    xOf(a, Math.max(w.latest, w.earliest + 1)),
  ];
  return (
    <g>
      <path
        d={`M${from} ${y + BAND}Q${from + 6} ${y + 3} ${Math.max(from + 12, open)} ${y}V${y + BAND}Z`}
        fill={fillOf(SUBSTANCE_OF[w.kind])}
        stroke="var(--color-iron)"
      />
      <rect
        x={open}
        y={y}
        width={Math.max(3, shut - open)}
        height={BAND}
        fill="var(--color-celadon)"
        stroke="var(--color-celadon-deep)"
      />
      <path
        d={`M${xOf(a, w.strain)} ${y - 2}v${BAND + 4}`}
        stroke="var(--color-celadon-deep)"
        strokeWidth="4"
      />
    </g>
  );
}

/** A batch that is planned: stitched, its window paler, its beginning a stroke. */
export function PlannedBand({
  a,
  y,
  at,
  wrong,
  chosen,
}: {
  a: Along;
  y: number;
  at: {
    readonly kind: Kind;
    readonly day: number;
    readonly strain: number;
    readonly window: readonly [number, number] | undefined;
  };
  wrong: boolean;
  chosen: boolean;
}) {
  const [from, to] = [xOf(a, at.day), xOf(a, at.strain)];
  const ink = wrong ? "var(--color-rust)" : "var(--color-cobalt)";
  return (
    <g>
      {to > from && (
        <path
          d={`M${from} ${y + BAND}Q${from + 6} ${y + 3} ${from + 14} ${y}H${to}V${y + BAND}Z`}
          fill={chosen ? "var(--color-cobalt-pale)" : "var(--color-glaze)"}
          stroke={ink}
          strokeWidth={chosen ? 2 : 1.4}
          strokeDasharray="4 3"
        />
      )}
      {at.window && (
        <rect
          x={xOf(a, at.window[0])}
          y={y + BAND - 5}
          width={Math.max(2, to - xOf(a, at.window[0]))}
          height="5"
          fill="var(--color-celadon)"
          stroke={ink}
          strokeWidth="0.8"
        />
      )}
      <rect x={from - 3} y={y - 3} width="6" height={BAND + 6} rx="2" fill={ink} />
    </g>
  );
}
