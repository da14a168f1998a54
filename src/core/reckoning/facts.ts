import { isWet } from "../material/material";
import type { Facts } from "../keeping/rows";
import type { Veto } from "../keeping/verdict";
import type { Figures } from "./figures";
import type { Program, Resolved } from "./program";

/** What the keeping rows ask, and what forbids a cupboard whatever they say. */
export interface Found {
  readonly facts: Facts;
  readonly vetoes: Veto["id"][];
  readonly unknownVinegar: boolean;
}

const MILD_FRESH = new Set(["leaf", "flower"]);
const FRUIT = new Set(["berry", "fruit"]);
export const HEATS: ReadonlySet<string> = new Set(["simmer", "reduce", "pressure"]);

const isSour = (l: Resolved): boolean => l.stuff.tags.includes("sour");
/** Leaf, flower and sour fruit are mild; garlic, root and other low-acid plants are not. */
const isMild = (l: Resolved): boolean =>
  (MILD_FRESH.has(l.stuff.class) && !l.stuff.tags.includes("low-acid-herb")) || isSour(l);

function freshOf(wet: readonly Resolved[]): Facts["fresh"] {
  if (wet.length === 0) return "none";
  return wet.every(isMild) ? "mild" : "low-acid";
}

/** Honey stirred in after the pot has cooled is raw, whatever the herb went through. */
function isHeated(p: Program): boolean {
  const { steps } = p.read;
  const boiledAfter = (step: number): boolean => steps.some((s, i) => i > step && HEATS.has(s.do));
  return p.heatMinutes > 0 && p.lines.every((l) => l.stuff.class !== "honey" || boiledAfter(l.step));
}

/** The facts a verdict rests on, from the finished liquid's figures and what went into it. */
export function factsOf(p: Program, fin: Figures): Found {
  const wet = p.lines.filter((l) => isWet(l.stuff));
  const mass = (l: Resolved): number => (l.stuff.plant ? l.grams * l.stuff.composition[0]! : l.grams);
  const inG = p.lines.reduce((g, l) => g + mass(l), 0);
  const honeyG = p.lines.reduce((g, l) => g + (l.stuff.class === "honey" ? l.grams : 0), 0);
  const tagged = (tag: "acetic-unknown" | "base"): boolean => p.lines.some((l) => l.stuff.tags.includes(tag));
  const hot = p.read.steps.some((s) => s.do === "bottle" && s.hot);
  const heated = isHeated(p);
  const { abv, delle, brix, aw, acetic, ph, index, water, glycerol } = fin;
  const facts: Facts = {
    ...{ abv, delle, brix, aw, acetic, ph, index, water, glycerol },
    honeyShare: inG > 0 ? honeyG / inG : 0,
    boiledAndBottledHot: hot && heated,
    heated,
    freshFruit: wet.some((l) => isSour(l) && FRUIT.has(l.stuff.class)),
    fresh: freshOf(wet),
    phOffered: abv.high <= 15,
  };
  const vetoes: Veto["id"][] = [];
  if (tagged("acetic-unknown")) vetoes.push("vinegar-unknown");
  if (tagged("base") && p.lines.some((l) => l.stuff.class === "vinegar")) vetoes.push("base-in-vinegar");
  if (facts.honeyShare >= 0.8 && facts.fresh === "low-acid") vetoes.push("low-acid-fresh-in-honey");
  const sill = p.read.steps.some((s) => s.do === "steep" && s.in === "sunny-sill");
  if (sill && facts.honeyShare < 0.8) vetoes.push("sunny-sill");
  return { facts, vetoes, unknownVinegar: tagged("acetic-unknown") };
}
