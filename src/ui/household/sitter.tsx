import type { NotFor } from "@/core/cautions/not-for";
import { type Person, isChild, isInfant } from "@/core/people/person";
import { type Substance, fillOf } from "../figures/substance";

/** What stands before somebody on the table: a glass, as full as their measure fills it. */
export interface Cup {
  readonly substance: Substance;
  /** mL at a time. */
  readonly ml: number;
  /** “1 tsp, twice a day”, and of what. */
  readonly words: string;
  readonly of: string;
}

/** Someone of the house as they sit at the table. */
export interface Sitter {
  readonly id: string;
  readonly seq: number;
  readonly person: Person;
  readonly cups: readonly Cup[];
  readonly mustNot: readonly (NotFor & { readonly substance: Substance })[];
}

/** Px of the drawing, whose foot is the table's board. */
const [WIDE, TALL] = [176, 208];
/** mL of the glass that is drawn, and its height, px. */
const [GLASS_ML, GLASS_TALL] = [60, 48];
const LINE = { stroke: "var(--color-iron)", strokeWidth: 2, fill: "var(--color-paper)" } as const;

type Build = "grown" | "child" | "baby";
const buildOf = (p: Person, today: string): Build => {
  if (isInfant(p, today)) return "baby";
  return isChild(p, today) ? "child" : "grown";
};

/** Px from the table to the crown, and of the shoulders. */
const SIZES: Readonly<
  Record<Build, { readonly head: number; readonly crown: number; readonly wide: number }>
> = {
  grown: { head: 29, crown: 186, wide: 116 },
  child: { head: 26, crown: 138, wide: 92 },
  baby: { head: 22, crown: 116, wide: 68 },
};

/** What somebody wears on their head tells them from their neighbour; nothing is known of how anyone looks. */
const HATS = ["cap", "scarf", "bare", "wool"] as const;
type Hat = (typeof HATS)[number];

function Head({ hat, x, y, r }: { hat: Hat; x: number; y: number; r: number }) {
  const face = `M${x - r} ${y - r * 0.5}V${y + r * 0.5}Q${x - r} ${y + r * 1.2} ${x} ${y + r * 1.25}Q${x + r} ${y + r * 1.2} ${x + r} ${y + r * 0.5}V${y - r * 0.5}Z`;
  const dome = `M${x - r - 3} ${y - r * 0.4}Q${x - r} ${y - r * 1.5} ${x} ${y - r * 1.5}Q${x + r} ${y - r * 1.5} ${x + r + 3} ${y - r * 0.4}Z`;
  const FILL: Readonly<Record<Hat, string>> = {
    cap: "var(--color-cobalt)",
    scarf: "var(--color-celadon)",
    bare: "var(--color-ash)",
    wool: "var(--color-glaze)",
  };
  return (
    <>
      <path d={face} {...LINE} />
      <path d={dome} {...LINE} fill={FILL[hat]} />
      {hat === "cap" && <path d={`M${x - r - 3} ${y - r * 0.4}H${x + r + 16}`} {...LINE} strokeWidth="4" />}
      {hat === "wool" && <circle cx={x} cy={y - r * 1.5} r="6" {...LINE} />}
      {hat === "scarf" && <path d={`M${x - r} ${y}L${x - r - 8} ${y + r * 1.4}`} {...LINE} strokeWidth="6" />}
      <circle cx={x - r * 0.38} cy={y + r * 0.2} r="2.4" fill="var(--color-iron)" />
      <circle cx={x + r * 0.38} cy={y + r * 0.2} r="2.4" fill="var(--color-iron)" />
    </>
  );
}

function GlassAt({ cup, x }: { cup: Cup; x: number }) {
  const full = Math.min(1, Math.max(0.08, cup.ml / GLASS_ML)) * (GLASS_TALL - 2);
  const half = (up: number): number => 13 + (5 * up) / GLASS_TALL;
  return (
    <>
      <path
        d={`M${x - half(GLASS_TALL)} ${TALL - GLASS_TALL}L${x - 13} ${TALL}H${x + 13}L${x + half(GLASS_TALL)} ${TALL - GLASS_TALL}Z`}
        fill="var(--color-glaze)"
      />
      <path
        d={`M${x - half(full)} ${TALL - full}L${x - 13} ${TALL}H${x + 13}L${x + half(full)} ${TALL - full}Z`}
        fill={fillOf(cup.substance)}
      />
      <path
        d={`M${x - half(GLASS_TALL)} ${TALL - GLASS_TALL}L${x - 13} ${TALL}H${x + 13}L${x + half(GLASS_TALL)} ${TALL - GLASS_TALL}`}
        fill="none"
        stroke="var(--color-iron)"
        strokeWidth="2"
      />
    </>
  );
}

const Chair = ({ build }: { build: Build }) =>
  build === "baby" ? (
    <path d={`M58 ${TALL}V112H118V${TALL}`} {...LINE} fill="var(--color-glaze)" />
  ) : (
    <path
      d={`M14 ${TALL}V${TALL - 150}M${WIDE - 14} ${TALL}V${TALL - 150}M14 ${TALL - 140}H${WIDE - 14}`}
      {...LINE}
      strokeWidth="4"
      fill="none"
    />
  );

/** Someone at the table, their glasses before them. */
export function SitterFigure({ of, at, today }: { of: Sitter; at: number; today: string }) {
  const build = buildOf(of.person, today);
  const { head, crown, wide } = SIZES[build];
  const x = WIDE / 2;
  const y = TALL - crown + head * 1.5;
  const shoulders = y + head * 1.25 + 8;
  const cups = of.cups.slice(0, 3);
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${TALL}`}
      width={WIDE}
      height={TALL}
      className="max-w-full block"
      aria-hidden="true"
    >
      <Chair build={build} />
      <path d={`M${x - 9} ${y + head}V${shoulders}M${x + 9} ${y + head}V${shoulders}`} {...LINE} />
      <path
        d={`M${x - wide / 2} ${TALL}V${shoulders + 14}L${x - wide / 2 + 16} ${shoulders}H${x + wide / 2 - 16}L${x + wide / 2} ${shoulders + 14}V${TALL}`}
        {...LINE}
      />
      <path d={`M${x - 14} ${shoulders}L${x} ${shoulders + 18}L${x + 14} ${shoulders}`} {...LINE} />
      <Head hat={HATS[at % HATS.length]!} x={x} y={y} r={head} />
      {cups.map((c, i) => (
        <GlassAt key={i} cup={c} x={x + (i - (cups.length - 1) / 2) * 46} />
      ))}
    </svg>
  );
}

/** An empty place at the table. */
export const EmptyPlace = () => (
  <svg
    viewBox={`0 0 ${WIDE} ${TALL}`}
    width={WIDE}
    height={TALL}
    className="max-w-full block"
    aria-hidden="true"
  >
    <path
      d={`M14 ${TALL}V${TALL - 150}M${WIDE - 14} ${TALL}V${TALL - 150}M14 ${TALL - 140}H${WIDE - 14}M${WIDE / 2 - 20} ${TALL - 80}h40m-20 -20v40`}
      fill="none"
      stroke="var(--color-cobalt)"
      strokeWidth="2"
      strokeDasharray="5 4"
    />
  </svg>
);

/** A thing that is not for somebody: its pattern, struck through. */
export const Struck = ({ substance, grave }: { substance: Substance; grave: "no" | "ask" }) => (
  <svg width="26" height="26" viewBox="0 0 26 26" className="shrink-0" aria-hidden="true">
    <rect x="3" y="3" width="20" height="20" fill={fillOf(substance)} stroke="var(--color-iron)" />
    {grave === "no" && <path d="M1 25L25 1" stroke="var(--color-rust)" strokeWidth="4" />}
  </svg>
);
