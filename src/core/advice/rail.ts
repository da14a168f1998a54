import { exactly } from "../estimate";
import { isSweet } from "../material/material";
import { withSaid } from "../plan/edit";
import { KIND } from "../plan/kinds";
import type { Plan } from "../plan/plan";
import type { Context } from "../reckoning/context";
import type { Program, Resolved } from "../reckoning/program";
import type { Reckoning } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import {
  type Rail,
  type RailJoint,
  type RailNotch,
  type RailPart,
  herbJoint,
  looseMl,
  parts,
  short,
} from "./rail-parts";
import { byReduction } from "./rail-reduction";
import { byStrength } from "./rail-strength";

export type { Rail, RailJoint, RailNotch, RailPart } from "./rail-parts";

const OXYMEL: readonly RailNotch[] = [
  { share: 2 / 3, name: "sweet" },
  { share: 0.5, name: "even" },
  { share: 1 / 3, name: "sharp" },
];
const FILLED: readonly RailNotch[] = [
  { share: 0.75, name: "a third" },
  { share: 2 / 3, name: "a half" },
];

/** Herb, and two or more liquids by parts: an oxymel, a fire cider with honey from the start. */
function byParts(
  plan: Plan,
  program: Program,
  poured: readonly Resolved[],
  herbs: readonly Resolved[],
): Rail {
  const part = program.partMl ?? 1;
  const count = (l: Resolved): number => (l.amount.kind === "part" ? l.amount.count.value : 0);
  const unit = count(poured[0]!) || 1;
  const herbParts = looseMl(herbs) / part / unit;
  const herb: RailPart[] =
    herbParts > 0
      ? [{ name: "herb", of: herbs[0]!.stuff, parts: herbParts, words: `herb ${parts(herbParts)}` }]
      : [];
  const lengths: RailPart[] = [
    ...herb,
    ...poured.map((l) => ({
      name: l.stuff.name,
      of: l.stuff,
      parts: count(l) / unit,
      words: `${short(l.stuff.name)} ${parts(count(l) / unit)}`,
    })),
  ];
  const set = (p: Plan, l: Resolved, n: number): Plan =>
    withSaid(p, l.line.id, { kind: "part", count: exactly(Number(n.toFixed(n < 3 ? 2 : 1))) });
  const joints = poured.slice(1).map((b, i): RailJoint => {
    const a = poured[i]!;
    const sour = a.stuff.class === "vinegar" && isSweet(b.stuff);
    return {
      left: herb.length + i,
      name: `${a.stuff.name} against ${b.stuff.name}`,
      notches: sour ? OXYMEL : [{ share: 0.5, name: "even" }],
      moved: (share) => {
        // The first stays one whole part, so that the ratio reads as people say it.
        const left = i === 0 ? 1 : count(a);
        const whole = i === 0 ? poured.slice(1).reduce((p, l) => set(p, l, count(l) / unit), plan) : plan;
        return set(set(whole, a, left), b, (left * share) / (1 - share));
      },
    };
  });
  const first = herbParts > 0 ? herbJoint(plan, herbs, herbParts, lengths[1]!.parts) : undefined;
  return { title: "Parts by volume", parts: lengths, joints: first ? [first, ...joints] : joints };
}

/** Herb against the one liquid that fills its jar: an infused honey or vinegar. */
function byFilling(plan: Plan, fill: Resolved, herbs: readonly Resolved[]): Rail | undefined {
  const herbMl = looseMl(herbs);
  const ml = fill.grams / fill.stuff.bulkLoose;
  if (!(herbMl > 0) || !(ml > 0)) return undefined;
  const joint = herbJoint(plan, herbs, herbMl / ml, 1, FILLED);
  if (!joint) return undefined;
  return {
    title: "Herb, loose, against what fills the jar",
    parts: [
      { name: "herb", of: herbs[0]!.stuff, parts: herbMl / ml, words: `herb ${parts(herbMl / ml)}` },
      { name: fill.stuff.name, of: fill.stuff, parts: 1, words: `${short(fill.stuff.name)} 1 part` },
    ],
    joints: [joint],
  };
}

/** Halvings between a share that works and one that does not: to a thousandth. */
const HALVINGS = 10;

/** An end of a rail is where it still works: pulled farther, it stays there. @param from the share it stands at, which works */
function held(joint: RailJoint, from: number, around: Context): RailJoint {
  const works = (share: number): boolean => resolve(joint.moved(share), around).ok;
  const moved = (share: number): Plan => {
    if (works(share)) return joint.moved(share);
    let [good, bad] = [from, share];
    for (let i = 0; i < HALVINGS; i++) {
      const middle = (good + bad) / 2;
      if (works(middle)) good = middle;
      else bad = middle;
    }
    return joint.moved(good);
  };
  return { ...joint, moved };
}

/** Where a joint stands: the share of its right-hand neighbour of the two. */
function shareAt(parts: readonly RailPart[], { left }: RailJoint): number {
  const [a, b] = [parts[left]!.parts, parts[left + 1]!.parts];
  return a + b > 0 ? b / (a + b) : 0.5;
}

/** The rail of a plan that reckons, its joints held to where they work. Nothing where there is nothing to drag. */
export function railOf(plan: Plan, program: Program, r: Reckoning, around: Context = {}): Rail | undefined {
  const rail = draggedOf(plan, program, r);
  return rail && { ...rail, joints: rail.joints.map((j) => held(j, shareAt(rail.parts, j), around)) };
}

/**
 * The rail of a plan: what its maker would drag. A ratio by parts; spirit against water for a tincture; reduction and sweetness for what is sweetened
 * after the cloth; otherwise herb against what fills the jar. Nothing where there is no such thing to drag.
 */
function draggedOf(plan: Plan, program: Program, r: Reckoning): Rail | undefined {
  const herbs = program.lines.filter((l) => l.atOnce && l.stuff.plant);
  const liquids = program.lines.filter((l) => l.atOnce && !l.stuff.plant);
  const spirit = liquids.find((l) => l.stuff.class === "spirit");
  const water = liquids.find((l) => l.stuff.class === "water");
  const menstruum = spirit && liquids.every((l) => l === spirit || l === water);
  if (KIND[plan.kind].rail === "strength" && menstruum) return byStrength(plan, spirit, water, herbs);
  const poured = liquids.filter((l) => l.amount.kind === "part");
  if (poured.length >= 2) return byParts(plan, program, poured, herbs);
  const sweet = program.lines.find(
    (l) =>
      l.stage === "finish" && isSweet(l.stuff) && (l.amount.kind === "of-liquid" || l.amount.kind === "goal"),
  );
  if (sweet && r.strained.ml.value > 0) return byReduction(plan, program, r, sweet);
  const fill = liquids.find((l) => l.amount.kind === "fill");
  return fill ? byFilling(plan, fill, herbs) : undefined;
}
