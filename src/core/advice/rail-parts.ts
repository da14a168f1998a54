import { type Stuff } from "../material/material";
import { withSaid } from "../plan/edit";
import type { Plan } from "../plan/plan";
import { times } from "../quantity/amount";
import { printCount } from "../reading/print";
import type { Resolved } from "../reckoning/program";

/** A length of the rail: so many parts by volume of something. */
export interface RailPart {
  readonly name: string;
  readonly of: Stuff | "decoction" | "steam";
  readonly parts: number;
  readonly words: string;
}
/** A school on a joint, at the share of the right-hand neighbour it stands for. */
export interface RailNotch {
  readonly share: number;
  readonly name: string;
}
export interface RailJoint {
  /** Index of the part to its left. */
  readonly left: number;
  readonly name: string;
  readonly notches: readonly RailNotch[];
  /** Bounds of the share; 0.03 to 0.97 unless said. */
  readonly least?: number;
  readonly most?: number;
  /** The plan with the right-hand neighbour at this share of the two. */
  readonly moved: (share: number) => Plan;
}
export interface Rail {
  /** What the lengths count: parts by volume, strength, reduction and sweetness. */
  readonly title: string;
  readonly parts: readonly RailPart[];
  readonly joints: readonly RailJoint[];
}

/** Under this share there is none of it: the joint stands at its end. */
export const NOTHING = 0.005;

export const parts = (n: number): string =>
  `${printCount(Number(n.toFixed(n < 3 ? 2 : 1)))} ${n > 1.005 ? "parts" : "part"}`;
export const short = (name: string): string => name.split(" ").at(-1) ?? name;
export const looseMl = (lines: readonly Resolved[]): number =>
  lines.reduce((s, l) => s + l.grams / l.stuff.bulkLoose, 0);

const SCALES: ReadonlySet<string> = new Set(["jar", "measure", "part", "count"]);

/** The joint between the herb and what is poured over it, by loose volume. */
export function herbJoint(
  plan: Plan,
  herbs: readonly Resolved[],
  herbParts: number,
  pouredParts: number,
  notches: readonly RailNotch[] = [],
): RailJoint | undefined {
  if (herbs.length === 0 || !herbs.every((h) => SCALES.has(h.amount.kind))) return undefined;
  return {
    left: 0,
    name: "Herb against what is poured over it",
    notches,
    moved: (share) => {
      const by = (pouredParts * (1 - share)) / share / herbParts;
      return herbs.reduce((p, h) => withSaid(p, h.line.id, times(h.amount, by)), plan);
    },
  };
}
