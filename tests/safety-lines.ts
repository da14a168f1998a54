import type { Reckoning } from "../src/core/reckoning/reckon";

/**
 * The lines at which a promise may fall by more than a rung for a hair: each is a boundary of safety and not of taste. Everywhere else what falls
 * short by a hair is a rung away (see `core/keeping/graded.ts`). A closed list.
 */
export const SAFETY_LINES = [
  // What grows without air does not below pH 4.6.
  "acid-food",
  // Vinegar and thin syrups stand by pH 4.2 and 4.0.
  "sour",
  // Fresh low-acid plant is kept by acid or spirit, or it is not.
  "low-acid-fresh",
  // Raw honey that something was poured into, and nothing in it stops its yeasts.
  "raw-honey",
  // A fifth of alcohol: above it what grows in drink does not.
  "spirit-20",
  // Acid and sugar that keep together what neither keeps alone: the sauce index.
  "acid-and-sugar",
  // What stands in the bottle.
  "solids-left",
] as const;
export type SafetyLine = (typeof SAFETY_LINES)[number];

const has = (r: Reckoning, id: string): boolean => r.verdict.vetoes.some((x) => x.id.startsWith(id));
const phAt = (r: Reckoning): number => r.finished.ph.high;

/** The lines of safety that lie between two reckonings. */
export function crossed(a: Reckoning, b: Reckoning): readonly SafetyLine[] {
  const between = (line: number): boolean => phAt(a) <= line !== phAt(b) <= line;
  const differs = (id: string): boolean => has(a, id) !== has(b, id);
  const lines: readonly (readonly [SafetyLine, boolean])[] = [
    ["acid-food", between(4.6)],
    ["sour", between(4.2) || between(4.0)],
    ["low-acid-fresh", differs("low-acid-fresh")],
    ["raw-honey", differs("raw-honey")],
    ["spirit-20", (a.verdict.row.id === "spirit-20") !== (b.verdict.row.id === "spirit-20")],
    ["acid-and-sugar", (a.verdict.row.id === "sour-sweet") !== (b.verdict.row.id === "sour-sweet")],
    ["solids-left", differs("solids-left")],
  ];
  return lines.flatMap(([id, so]) => (so ? [id] : []));
}
