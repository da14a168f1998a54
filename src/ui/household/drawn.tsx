/** What stands on the shelf of measures, drawn to one scale from what it holds or how it is marked. */

/** Pixels for a centimetre. */
const K = 11;
/** Px of the shelf's height. */
const TALL = 136;
const LINE = { stroke: "var(--color-iron)", strokeWidth: 2, fill: "var(--color-paper)" } as const;

const Svg = ({ w, children }: { w: number; children: React.ReactNode }) => (
  <svg viewBox={`0 0 ${w} ${TALL}`} width={w} height={TALL} className="block max-w-full" aria-hidden="true">
    {children}
  </svg>
);

/** cm across a measure that is as tall as it is wide. */
const acrossCm = (ml: number): number => Math.cbrt((4 * ml) / Math.PI);

/** A cup or a jug, by the mL it holds to its uppermost mark. */
export function CupDrawn({ ml, marks }: { ml: number; marks: number }) {
  const across = acrossCm(ml) * K;
  const [rim, foot] = [across * 1.08, across * 0.86];
  const tall = across * 1.12;
  const at = (share: number): number => TALL - across * share;
  return (
    <Svg w={rim + 34}>
      <path
        d={`M${rim + 1} ${TALL - tall * 0.8}h16q8 0 7 10l-4 ${tall * 0.3}q-1 8 -9 8h-14`}
        {...LINE}
        fill="none"
        strokeWidth="3"
      />
      <path
        d={`M2 ${TALL - tall}L${(rim - foot) / 2} ${TALL - 1}H${(rim + foot) / 2}L${rim} ${TALL - tall}Z`}
        {...LINE}
      />
      {Array.from({ length: marks }, (_, i) => (
        <path
          key={i}
          d={`M${rim / 2 - 4} ${at((i + 1) / marks)}h${i + 1 === marks ? 26 : 18}`}
          stroke="var(--color-cobalt)"
          strokeWidth="2"
        />
      ))}
    </Svg>
  );
}

/** Spoons on their rail, the bowl of each as wide as half a ball of what it holds. */
export function SpoonsDrawn({ mls }: { mls: readonly number[] }) {
  const bowl = (ml: number): number => Math.cbrt((1.5 * ml) / Math.PI) * K;
  const w = mls.length * 46;
  return (
    <Svg w={w}>
      <path d={`M0 14H${w}`} stroke="var(--color-iron)" strokeWidth="4" />
      {mls.map((ml, i) => {
        const [x, r] = [i * 46 + 23, bowl(ml)];
        return (
          <g key={ml}>
            <path d={`M${x} 14V${TALL - 20 - 2.2 * r}`} {...LINE} strokeWidth="3" />
            <ellipse cx={x} cy={TALL - 20 - 1.1 * r} rx={r * 0.9} ry={r * 1.15} {...LINE} />
          </g>
        );
      })}
    </Svg>
  );
}

/** A thermometer by its letter. */
export const ThermometerDrawn = ({ letter }: { letter: "C" | "F" }) => (
  <Svg w={56}>
    <rect x="2" y="10" width="52" height={TALL - 12} {...LINE} />
    <rect x="15" y="22" width="9" height={TALL - 56} {...LINE} />
    <rect x="16.5" y="58" width="6" height={TALL - 88} fill="var(--color-cobalt)" />
    <circle
      cx="19.5"
      cy={TALL - 26}
      r="10"
      fill="var(--color-cobalt)"
      stroke="var(--color-iron)"
      strokeWidth="2"
    />
    {[0, 1, 2, 3, 4].map((i) => (
      <path key={i} d={`M28 ${28 + i * 16}h9`} stroke="var(--color-iron)" strokeWidth="1.5" />
    ))}
    <text x="44" y="33" textAnchor="middle" fontSize="14" fill="var(--color-iron)">
      {letter}
    </text>
  </Svg>
);

/** A ruler at the shelf's own scale. */
export function RulerDrawn({ stepCm }: { stepCm: number }) {
  const step = stepCm * K;
  const marks = Math.floor((TALL - 24) / step);
  return (
    <Svg w={30}>
      <rect x="2" y="12" width="26" height={TALL - 14} {...LINE} fill="var(--color-cork)" />
      {Array.from({ length: marks + 1 }, (_, i) => (
        <path
          key={i}
          d={`M2 ${TALL - 6 - i * step}h${i % 5 === 0 ? 15 : 9}`}
          stroke="var(--color-iron)"
          strokeWidth="1.5"
        />
      ))}
    </Svg>
  );
}
