import { exactly } from "../estimate";
import { MATERIALS } from "../material/catalogue";
import { type Stuff, stuffOf } from "../material/material";
import { abvOfMassShare, massShareOfAbv } from "../mixture/alcohol";
import { ETHANOL, WATER } from "../mixture/components";
import { moved, withNext, withSaid, without } from "../plan/edit";
import type { Plan } from "../plan/plan";
import { type Amount, measured } from "../quantity/amount";
import { printAmount, printCount } from "../reading/print";
import type { Resolved } from "../reckoning/program";
import { NOTHING, type Rail, type RailJoint, type RailPart, herbJoint, looseMl, short } from "./rail-parts";

/** Strengths makers speak of, % vol as mixed. */
const STRENGTHS = [25, 40, 50, 60, 70] as const;
/** g/mL of water at 20 °C. */
const WATER_DENSITY = 0.9982;

/** Stands for water that is not in the plan yet. */
const tap = stuffOf(MATERIALS.get("water")!, {});
if (!tap.ok) throw new Error("the materials hold no water");
const WATER_STUFF: Stuff = tap.value;

/** One menstruum of spirit and water as it is poured: volumes in mL, strengths by mass. */
class Menstruum {
  readonly spiritMl: number;
  readonly waterMl: number;
  readonly all: number;
  /** Mass share of ethanol in the spirit, and its % vol. */
  private readonly share: number;
  readonly neat: number;

  constructor(
    readonly spirit: Resolved,
    readonly water: Resolved | undefined,
  ) {
    const c = spirit.stuff.composition;
    this.share = c[ETHANOL]! / (c[ETHANOL]! + c[WATER]!);
    this.neat = 100 * abvOfMassShare(this.share);
    this.spiritMl = spirit.grams / spirit.stuff.density;
    this.waterMl = water ? water.grams / water.stuff.density : 0;
    this.all = this.spiritMl + this.waterMl;
  }
  /** % vol with this share of water by volume, as poured. */
  mixed(water: number): number {
    const [s, w] = [(1 - water) * this.spirit.stuff.density, water * WATER_DENSITY];
    return 100 * abvOfMassShare((s * this.share) / (s + w));
  }
  /** Share of water by volume, as poured, that mixes to a strength: by mass, since the two shrink. */
  waterFor(abv: number): number {
    const w = (this.share / massShareOfAbv(abv / 100) - 1) / WATER_DENSITY;
    return w / (w + 1 / this.spirit.stuff.density);
  }
}

/** The amount of the menstruum, of which this share is meant, said as the spirit is said now. */
function said(m: Menstruum, of: number): Amount {
  const a = m.spirit.amount;
  if (a.kind === "ratio")
    return { kind: "ratio", mlPerG: Number((((a.mlPerG * m.all) / m.spiritMl) * of).toPrecision(3)) };
  if (a.kind === "measure") return measured(Number((m.all * of).toPrecision(3)), "ml");
  return { kind: "part", count: exactly(Number((10 * of).toFixed(2))) };
}

function strengthJoint(plan: Plan, m: Menstruum, left: number): RailJoint {
  const { spirit, water } = m;
  return {
    left,
    name: "Strength: spirit against water",
    least: 0,
    most: 0.85,
    notches: [
      ...STRENGTHS.filter((s) => s < m.neat - 1).map((s) => ({ share: m.waterFor(s), name: `${s} %` })),
      { share: 0, name: `${m.neat.toFixed(0)} %, neat` },
    ],
    moved: (share) => {
      const { id } = spirit.line;
      const kind = spirit.amount.kind;
      if (share < NOTHING) {
        const bare = water ? without(plan, water.line.id) : plan;
        return withSaid(bare, id, kind === "ratio" || kind === "measure" ? said(m, 1) : { kind: "fill" });
      }
      const mixed = withSaid(plan, id, said(m, 1 - share));
      const amount = said(m, share);
      if (water && water.step === spirit.step)
        return moved(
          withSaid(mixed, water.line.id, amount),
          water.line.id,
          plan.steps[spirit.step]!.id,
          spirit.place + (water.place > spirit.place ? 1 : 0),
        );
      if (water) return withSaid(mixed, water.line.id, amount);
      return withNext(mixed, id, { material: "water", amount: printAmount(amount, plan.units) });
    },
  };
}

/** Where liquid is a ratio to the herb's weight, the joint moves the ratio. */
function ratioJoint(plan: Plan, m: Menstruum, herbParts: number, pouredParts: number): RailJoint | undefined {
  const a = m.spirit.amount;
  if (a.kind !== "ratio") return undefined;
  const per = a.mlPerG;
  const other = m.water?.amount.kind === "ratio" ? m.water.amount.mlPerG : 0;
  // The share of spirit beside the herb at 1 to n of all the liquid.
  const at = (n: number): number => {
    const k = (pouredParts * n) / (per + other);
    return k / (k + herbParts);
  };
  const set = (p: Plan, l: Resolved, n: number): Plan =>
    withSaid(p, l.line.id, { kind: "ratio", mlPerG: Number(n.toPrecision(2)) });
  return {
    left: 0,
    name: "Herb against the spirit poured",
    notches: [2, 5, 10].map((n) => ({ share: at(n), name: `1 to ${n}` })),
    least: 0.1,
    most: 0.98,
    moved: (share) => {
      const by = (share / (1 - share)) * (herbParts / pouredParts);
      const next = set(plan, m.spirit, Math.min(50, Math.max(0.5, per * by)));
      return m.water && other > 0 ? set(next, m.water, Math.min(50, Math.max(0.3, other * by))) : next;
    },
  };
}

/** Spirit and water together as one menstruum of a strength, beside the herb. */
export function byStrength(
  plan: Plan,
  spirit: Resolved,
  water: Resolved | undefined,
  herbs: readonly Resolved[],
): Rail {
  const m = new Menstruum(spirit, water);
  const herbMl = looseMl(herbs);
  const herbG = herbs.reduce((s, h) => s + h.grams, 0);
  const herbParts = herbMl / m.all;
  const spiritParts = m.spiritMl / m.all;
  const herb: RailPart[] =
    herbMl > 0
      ? [
          {
            name: "herb",
            of: herbs[0]!.stuff,
            parts: herbParts,
            words: `herb 1 to ${printCount(Number((m.all / herbG).toFixed(1)))}, g to mL`,
          },
        ]
      : [];
  const lengths: RailPart[] = [
    ...herb,
    {
      name: spirit.stuff.name,
      of: spirit.stuff,
      parts: spiritParts,
      words: `${short(spirit.stuff.name)}, together ${m.mixed(m.waterMl / m.all).toFixed(0)} % vol`,
    },
    {
      name: "water",
      of: water?.stuff ?? WATER_STUFF,
      parts: m.waterMl / m.all,
      words: m.waterMl > 0 ? "water" : "",
    },
  ];
  const beside =
    spirit.amount.kind === "ratio"
      ? ratioJoint(plan, m, herbParts, spiritParts)
      : herbJoint(plan, herbs, herbParts, spiritParts);
  const strength = strengthJoint(plan, m, herb.length);
  return {
    title: "Herb to the spirit poured over it, and its strength",
    parts: lengths,
    joints: herbMl > 0 && beside ? [beside, strength] : [strength],
  };
}
