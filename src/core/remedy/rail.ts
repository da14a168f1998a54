import { abvOfMassShare, massShareOfAbv } from "../mixture/alcohol";
import { ETHANOL, WATER } from "../mixture/components";
import { MATERIALS } from "../material/catalogue";
import { type Stuff, stuffOf } from "../material/material";
import { printCount } from "../quantity/number";
import { scaleText } from "./ingredient";
import { withAmount, withNext, without } from "./lines";
import type { Plan, Step } from "./plan";
import type { Reckoning } from "./reckon";
import type { Program, Resolved } from "./resolve";

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

const SWEETS = new Set(["honey", "sugar", "syrup"]);
const OXYMEL: readonly RailNotch[] = [{ share: 2 / 3, name: "sweet" }, { share: 0.5, name: "even" }, { share: 1 / 3, name: "sharp" }];
const AFTER: readonly RailNotch[] = [{ share: 1 / 5, name: "¼ to 1" }, { share: 1 / 3, name: "½ to 1" }, { share: 3 / 7, name: "¾ to 1" }, { share: 0.5, name: "1 to 1" }, { share: 2 / 3, name: "2 to 1" }];
/** Under this share there is none of it: the joint stands at its end. */
const NOTHING = 0.005;
/** Strengths makers speak of, % vol as mixed. */
const STRENGTHS = [25, 40, 50, 60, 70] as const;

/** Stands for water that is not in the plan yet. */
const tap = stuffOf(MATERIALS.get("water")!, {});
if (!tap.ok) throw new Error("the materials hold no water");
const WATER_STUFF: Stuff = tap.value;

const parts = (n: number): string => `${printCount(Number(n.toFixed(n < 3 ? 2 : 1)))} ${n > 1.005 ? "parts" : "part"}`;
const short = (name: string): string => name.split(" ").at(-1) ?? name;
const looseMl = (lines: readonly Resolved[]): number => lines.reduce((s, l) => s + l.grams / l.stuff.bulkLoose, 0);
const herbScales = (h: Resolved): boolean => h.amount.kind === "jar" || h.amount.kind === "measure" || h.amount.kind === "part" || h.amount.kind === "count";

/** The joint between the herb and what is poured over it, by loose volume. */
function herbJoint(plan: Plan, herbs: readonly Resolved[], herbParts: number, pouredParts: number, notches: readonly RailNotch[] = []): RailJoint | undefined {
  if (herbs.length === 0 || !herbs.every(herbScales)) return undefined;
  return {
    left: 0, name: "Herb against what is poured over it", notches,
    moved: (share) => {
      const by = (pouredParts * (1 - share)) / share / herbParts;
      return herbs.reduce((p, h) => withAmount(p, h, scaleText(h.line.amount, h.amount, by)), plan);
    },
  };
}

/** Herb, and two or more liquids by parts: an oxymel, a fire cider with honey from the start. */
function byParts(plan: Plan, program: Program, poured: readonly Resolved[], herbs: readonly Resolved[]): Rail {
  const part = program.partMl ?? 1;
  const count = (l: Resolved): number => (l.amount.kind === "part" ? l.amount.count.value : 0);
  const unit = count(poured[0]!) || 1;
  const herbParts = looseMl(herbs) / part / unit;
  const base = herbParts > 0 ? 1 : 0;
  const lengths: RailPart[] = [
    ...(herbParts > 0 ? [{ name: "herb", of: herbs[0]!.stuff, parts: herbParts, words: `herb ${parts(herbParts)}` }] : []),
    ...poured.map((l) => ({ name: l.stuff.name, of: l.stuff, parts: count(l) / unit, words: `${short(l.stuff.name)} ${parts(count(l) / unit)}` })),
  ];
  const herb = herbParts > 0 ? herbJoint(plan, herbs, herbParts, lengths[1]!.parts) : undefined;
  const joints = poured.slice(1).map((b, i): RailJoint => {
    const a = poured[i]!;
    return {
      left: base + i, name: `${a.stuff.name} against ${b.stuff.name}`, notches: a.stuff.class === "vinegar" && SWEETS.has(b.stuff.class) ? OXYMEL : [{ share: 0.5, name: "even" }],
      moved: (share) => {
        // The first stays one whole part, so that the ratio reads as people say it.
        const left = i === 0 ? 1 : count(a);
        let next = plan;
        if (i === 0) for (const l of poured.slice(1)) next = withAmount(next, l, parts(count(l) / unit));
        return withAmount(withAmount(next, a, parts(left)), b, parts((left * share) / (1 - share)));
      },
    };
  });
  return { title: "Parts by volume", parts: lengths, joints: herb ? [herb, ...joints] : joints };
}

/** Spirit and water together as one menstruum of a strength, beside the herb. */
function byStrength(plan: Plan, spirit: Resolved, water: Resolved | undefined, herbs: readonly Resolved[]): Rail {
  const pS = spirit.stuff.composition[ETHANOL]! / (spirit.stuff.composition[ETHANOL]! + spirit.stuff.composition[WATER]!);
  const from = 100 * abvOfMassShare(pS);
  const spiritMl = spirit.grams / spirit.stuff.density;
  const waterMl = water ? water.grams / water.stuff.density : 0;
  const all = spiritMl + waterMl;
  const mixed = (share: number): number => {
    const [s, w] = [(1 - share) * spirit.stuff.density, share * 0.9982];
    return 100 * abvOfMassShare((s * pS) / (s + w));
  };
  // Share of water by volume, as poured, that mixes to a strength: by mass, since the two shrink.
  const shareFor = (abv: number): number => {
    const p = massShareOfAbv(abv / 100);
    const w = pS / p - 1;
    return (w / 0.9982) / (w / 0.9982 + 1 / spirit.stuff.density);
  };
  const herbMl = looseMl(herbs);
  const now = mixed(waterMl / all);
  const lengths: RailPart[] = [
    ...(herbMl > 0 ? [{ name: "herb", of: herbs[0]!.stuff, parts: herbMl / all, words: `herb 1 to ${printCount(Number((all / herbs.reduce((s, h) => s + h.grams, 0)).toFixed(1)))}, g to mL` }] : []),
    { name: spirit.stuff.name, of: spirit.stuff, parts: spiritMl / all, words: `${short(spirit.stuff.name)}, together ${now.toFixed(0)} % vol` },
    { name: "water", of: water?.stuff ?? WATER_STUFF, parts: waterMl / all, words: waterMl > 0 ? "water" : "" },
  ];
  const base = herbMl > 0 ? 1 : 0;
  const strength: RailJoint = {
    left: base, name: "Strength: spirit against water", least: 0, most: 0.85,
    notches: [...STRENGTHS.filter((s) => s < from - 1).map((s) => ({ share: shareFor(s), name: `${s} %` })), { share: 0, name: `${from.toFixed(0)} %, neat` }],
    moved: (share) => {
      const a = spirit.amount;
      const said = (of: number): string => {
        if (a.kind === "ratio") return `1:${Number((((a.mlPerG * all) / spiritMl) * of).toPrecision(3))}`;
        if (a.kind === "measure") return `${Number((all * of).toPrecision(3))} mL`;
        return parts(10 * of);
      };
      const neat = share < NOTHING;
      const bare = water ? without(plan, water) : plan;
      const moved = water && water.step === spirit.step && water.place < spirit.place ? { step: spirit.step, place: spirit.place - 1 } : spirit;
      const full = withAmount(bare, moved, neat ? (a.kind === "ratio" || a.kind === "measure" ? said(1) : "fill") : said(1 - share));
      return neat ? full : withNext(full, moved, { material: "water", amount: said(share) });
    },
  };
  const herb = herbMl > 0 && spirit.amount.kind !== "ratio" ? herbJoint(plan, herbs, lengths[0]!.parts, lengths[1]!.parts) : herbMl > 0 ? ratioJoint(plan, spirit, water, lengths[0]!.parts, lengths[1]!.parts) : undefined;
  return { title: "Herb to menstruum, and its strength", parts: lengths, joints: herb ? [herb, strength] : [strength] };
}

/** Where liquid is a ratio to the herb's weight, the joint moves the ratio. */
function ratioJoint(plan: Plan, spirit: Resolved, water: Resolved | undefined, herbParts: number, pouredParts: number): RailJoint | undefined {
  if (spirit.amount.kind !== "ratio") return undefined;
  const per = spirit.amount.mlPerG;
  const other = water?.amount.kind === "ratio" ? water.amount.mlPerG : 0;
  // The share of spirit beside the herb at 1 to n of all the liquid.
  const at = (n: number): number => { const k = (pouredParts * n) / (per + other); return k / (k + herbParts); };
  return {
    left: 0, name: "Herb against menstruum", notches: [2, 5, 10].map((n) => ({ share: at(n), name: `1 to ${n}` })), least: 0.1, most: 0.98,
    moved: (share) => {
      const by = (share / (1 - share)) * (herbParts / pouredParts);
      const set = (p: Plan, l: Resolved, n: number): Plan => withAmount(p, l, `1:${Number(n.toPrecision(2))}`);
      const next = set(plan, spirit, Math.min(50, Math.max(0.5, per * by)));
      return water && other > 0 ? set(next, water, Math.min(50, Math.max(0.3, other * by))) : next;
    },
  };
}

/** What a reduce step boils down to, as a share; 1 where nothing is boiled down. */
function reducedTo(plan: Plan): { at: number; share: number } {
  const at = plan.steps.findIndex((s) => s.do === "reduce");
  const s = plan.steps[at];
  if (s?.do !== "reduce") return { at: -1, share: 1 };
  const m = /^\s*(?:(\d+)\s*\/\s*(\d+)|(0?\.\d+)|(½|⅓|⅔|¼|¾)|(?:by )?half)\s*$/i.exec(s.to);
  if (!m) return { at, share: 0.5 };
  const glyph: Record<string, number> = { "½": 0.5, "⅓": 1 / 3, "⅔": 2 / 3, "¼": 0.25, "¾": 0.75 };
  return { at, share: m[1] ? Number(m[1]) / Number(m[2]) : m[3] ? Number(m[3]) : m[4] ? glyph[m[4]]! : 0.5 };
}

/** Boiled away, liquid, sweetener: reduction and sweetness of what is sweetened after the cloth. */
function byReduction(plan: Plan, program: Program, r: Reckoning, sweet: Resolved): Rail {
  const strained = r.strained.ml.value;
  const n = sweet.amount.kind === "of-liquid" ? sweet.amount.count.value : sweet.grams / sweet.stuff.bulkLoose / strained;
  const { at, share } = reducedTo(plan);
  const hot = program.heatMinutes > 0;
  const away = 1 / share - 1;
  const liquid: RailPart = { name: "strained liquid", of: "decoction", parts: 1, words: hot ? (share < 0.99 ? `liquid, down to ${printCount(Number(share.toFixed(2)))}` : "liquid, not boiled down") : "liquid, as strained" };
  const sweetener: RailPart = { name: sweet.stuff.name, of: sweet.stuff, parts: n, words: `${sweet.stuff.name} ${printCount(Number(n.toFixed(2)))} to 1` };
  const base = hot ? 1 : 0;
  const sweetness: RailJoint = { left: base, name: `Liquid against ${sweet.stuff.name}`, notches: AFTER, moved: (x) => withAmount(plan, sweet, `${printCount(Number((x / (1 - x)).toFixed(2)))} of liquid`) };
  if (!hot) return { title: "Parts by volume", parts: [liquid, sweetener], joints: [sweetness] };
  const reduction: RailJoint = {
    left: 0, name: "Boiled away against what is left", least: 0.2, most: 1, notches: [{ share: 1, name: "not reduced" }, { share: 2 / 3, name: "by a third" }, { share: 0.5, name: "by half" }, { share: 1 / 3, name: "to a third" }],
    moved: (x) => {
      const to = printCount(Number(x.toFixed(2)));
      if (x > 1 - NOTHING) return at < 0 ? plan : { ...plan, steps: plan.steps.filter((_, i) => i !== at) };
      if (at >= 0) return { ...plan, steps: plan.steps.map((s, i): Step => (i === at && s.do === "reduce" ? { ...s, to } : s)) };
      const last = plan.steps.reduce((k, s, i) => (s.do === "simmer" || s.do === "pressure" ? (plan.steps.slice(0, i).some((y) => y.do === "strain") && k >= 0 ? k : i) : k), -1);
      return { ...plan, steps: [...plan.steps.slice(0, last + 1), { do: "reduce", to }, ...plan.steps.slice(last + 1)] };
    },
  };
  return { title: "Reduction, and sweetness by volume", parts: [{ name: "boiled away", of: "steam", parts: away, words: away > 0.02 ? "boiled away" : "" }, liquid, sweetener], joints: [reduction, sweetness] };
}

/** Herb against the one liquid that fills its jar: an infused honey or vinegar. */
function byFilling(plan: Plan, fill: Resolved, herbs: readonly Resolved[]): Rail | undefined {
  const herbMl = looseMl(herbs);
  const ml = fill.grams / fill.stuff.bulkLoose;
  if (!(herbMl > 0) || !(ml > 0)) return undefined;
  const joint = herbJoint(plan, herbs, herbMl / ml, 1, [{ share: 0.75, name: "a third" }, { share: 2 / 3, name: "a half" }]);
  return joint ? { title: "Herb, loose, against what fills the jar", parts: [{ name: "herb", of: herbs[0]!.stuff, parts: herbMl / ml, words: `herb ${parts(herbMl / ml)}` }, { name: fill.stuff.name, of: fill.stuff, parts: 1, words: `${short(fill.stuff.name)} 1 part` }], joints: [joint] } : undefined;
}

/**
 * The rail of a plan: what its maker would drag. A ratio by parts; spirit against water for a tincture; reduction and sweetness for what is sweetened
 * after the cloth; otherwise herb against what fills the jar. Nothing where there is no such thing to drag.
 */
export function railOf(plan: Plan, program: Program, r: Reckoning): Rail | undefined {
  const herbs = program.lines.filter((l) => l.atOnce && l.stuff.plant);
  const liquids = program.lines.filter((l) => l.atOnce && !l.stuff.plant);
  const spirit = liquids.find((l) => l.stuff.class === "spirit");
  const water = liquids.find((l) => l.stuff.class === "water");
  if (plan.kind === "tincture" && spirit && liquids.every((l) => l === spirit || l === water)) return byStrength(plan, spirit, water, herbs);
  const poured = liquids.filter((l) => l.amount.kind === "part");
  if (poured.length >= 2) return byParts(plan, program, poured, herbs);
  const sweet = program.lines.find((l) => l.stage === "finish" && SWEETS.has(l.stuff.class) && (l.amount.kind === "of-liquid" || l.amount.kind === "goal"));
  if (sweet && r.strained.ml.value > 0) return byReduction(plan, program, r, sweet);
  const fill = liquids.find((l) => l.amount.kind === "fill");
  return fill ? byFilling(plan, fill, herbs) : undefined;
}
