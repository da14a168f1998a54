import type { Facts } from "../keeping/rows";
import type { Veto } from "../keeping/verdict";
import { isWet } from "../material/material";
import { HEATS, type ReadStep } from "../plan/read-plan";
import type { Tag } from "../material/tags";
import type { Figures } from "./figures";
import type { Program, Resolved } from "./program";

const MILD_FRESH = new Set(["leaf", "flower", "peel"]);
const FRUIT = new Set(["berry", "fruit"]);
/** Alcohol that keeps a fresh plant, % vol; and acid of its own that does, % titratable, which honey's acids alone never reach. */
const [KEPT_ABV, KEPT_ACID, KEPT_PH] = [20, 0.6, 4.2];
/** Alcohol under which a plant may stand for good, and water up to which honey passes. */
const [COVERS_ABV, PASSING_HONEY] = [25, 20];

const isSour = (l: Resolved): boolean => l.stuff.tags.includes("sour");
/** Leaf, flower, peel and sour fruit are mild; garlic, root and other low-acid plants are not. */
const isMild = (l: Resolved): boolean =>
  (MILD_FRESH.has(l.stuff.class) && !l.stuff.tags.includes("low-acid-herb")) || isSour(l);

const brings = (l: Resolved, ...tags: readonly Tag[]): boolean => tags.some((t) => l.stuff.tags.includes(t));

function freshOf(wet: readonly Resolved[]): Facts["fresh"] {
  if (wet.length === 0) return "none";
  return wet.every((l) => (l.stuff.plant ? isMild(l) : !brings(l, "holds-low-acid"))) ? "mild" : "low-acid";
}

const after = (steps: readonly ReadStep[], step: number, test: (s: ReadStep) => boolean): boolean =>
  steps.some((s, i) => i > step && test(s));
const heats = (s: ReadStep): boolean => HEATS.has(s.do);
const strains = (s: ReadStep): boolean => s.do === "strain";
/** The plants stay in where it would have been strained, all of them or some. */
export const plantsStay = (p: Pick<Program, "happened">): boolean =>
  p.happened.strained.some((s) => s.stays !== undefined);
/** A straining that takes the plants out. */
const takesOut =
  (p: Program) =>
  (s: ReadStep): boolean =>
    s.do === "strain" && !p.happened.strained.some((x) => x.step === s.id && x.stays);

/** Fresh plant whose juice went into the liquid after its last boil, or that still stands in it; a bottle of ours may bring such juice. */
const uncookedIn = (p: Program): readonly Resolved[] =>
  p.lines.filter((l) =>
    l.stuff.plant
      ? isWet(l.stuff) && !(after(p.read.steps, l.step, heats) && after(p.read.steps, l.step, takesOut(p)))
      : brings(l, "holds-low-acid", "holds-mild") && !after(p.read.steps, l.step, heats),
  );

/** On the boil after the last thing went in, and from the heat into the bottle; nothing but a sieve between. */
function boiledAndBottledHot({ steps }: Program["read"]): boolean {
  const bottled = steps.findLastIndex((s) => s.do === "bottle" && s.hot);
  const added = steps.findLastIndex((s) => s.do === "add" && s.lines.length > 0);
  const heated = steps.findLastIndex((s, i) => i < bottled && heats(s));
  return heated > added && steps.slice(heated + 1, bottled).every(strains);
}

/** Poured over the plants: anything wet that is not one of them. Dry sugar thins nothing. */
const isPoured = (l: Resolved): boolean =>
  !l.stuff.plant && l.stuff.class !== "sugar" && l.stuff.class !== "salt";
const isHoney = (l: Resolved): boolean => l.stuff.class === "honey";

/** Honey and plants alone. */
export const isHoneyAlone = (p: Pick<Program, "lines">): boolean =>
  p.lines.some(isHoney) && p.lines.filter(isPoured).every(isHoney);

export const hasUnknownVinegar = (p: Pick<Program, "lines">): boolean =>
  p.lines.some((l) => l.stuff.tags.includes("acetic-unknown"));

/** The facts a verdict rests on, from the finished liquid's figures and what went into it. */
export function factsOf(p: Program, fin: Figures): Facts {
  const { steps } = p.read;
  const { abv, delle, brix, aw, dryness, acetic, acid, ph, index, water, glycerol } = fin;
  return {
    ...{ abv, delle, brix, aw, dryness, acetic, acid, ph, index, water, glycerol },
    honeyAlone: isHoneyAlone(p),
    // Honey stirred in after the pot has cooled is raw, whatever the herb went through.
    rawHoney: p.lines.some(
      (l) => (isHoney(l) || brings(l, "holds-raw-honey")) && !after(steps, l.step, heats),
    ),
    boiledAndBottledHot: boiledAndBottledHot(p.read),
    freshFruit: p.lines.some((l) => (isWet(l.stuff) && FRUIT.has(l.stuff.class)) || brings(l, "holds-fruit")),
    fresh: freshOf(uncookedIn(p)),
  };
}

/** Whether acid of its own or alcohol keeps a fresh low-acid plant from what grows without air. */
const keepsFresh = (f: Facts): boolean =>
  f.abv.low >= KEPT_ABV || (f.acid.low >= KEPT_ACID && f.ph.high <= KEPT_PH);

/** Acid that keeps what stands in it, % acetic by itself. */
const [COVERS_ACETIC, COVERS_PH] = [4, 4.0];
const keptByAcid = (f: Facts): boolean => f.acetic.low >= COVERS_ACETIC && f.ph.high <= COVERS_PH;

/** What may stay in the bottle: dried herb in honey that passes, what is mild in sour vinegar, anything under strong spirit. */
const mayStay = (f: Facts): boolean =>
  (f.honeyAlone && f.fresh === "none" && f.water.high <= PASSING_HONEY) ||
  (f.fresh !== "low-acid" && keptByAcid(f)) ||
  f.abv.low >= COVERS_ABV;

/** What forbids a cupboard whatever the rows say, of what was planned. */
export function vetoesOf(p: Program, f: Facts, solidsLeft: boolean): Veto["id"][] {
  const sill = p.read.steps.some((s) => s.do === "steep" && s.in === "sunny-sill");
  const base = p.lines.some((l) => l.stuff.tags.includes("base"));
  const found: readonly (readonly [Veto["id"], boolean])[] = [
    ["vinegar-unknown", hasUnknownVinegar(p)],
    ["base-in-vinegar", base && p.lines.some((l) => l.stuff.class === "vinegar")],
    ["low-acid-fresh", f.fresh === "low-acid" && !keepsFresh(f)],
    ["sunny-sill", sill && !f.honeyAlone && f.abv.low < COVERS_ABV && !(f.fresh === "none" && keptByAcid(f))],
    ["solids-left", solidsLeft && !mayStay(f)],
  ];
  return found.flatMap(([id, so]) => (so ? [id] : []));
}
