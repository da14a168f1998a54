import type { Fit, Standing } from "./fit";
import { heightAt, volumeAt } from "./profile";
import type { Vessel } from "./vessel";

/** What stands in a jar on a day, from the floor up: herb that lies, liquid, herb that still floats on it. */
export interface LivingLayer {
  readonly sort: "bed" | "liquid" | "raft";
  /** Index into what went in. */
  readonly of: number;
  readonly fromCm: number;
  readonly toCm: number;
}

export interface JarOn {
  readonly layers: readonly LivingLayer[];
  /** How much of what the herb gives has passed into the liquid, 0 to 1. */
  readonly colour: number;
  /** How much of what floats has not sunk yet, 0 to 1; nothing where none does or a weight lies on it. */
  readonly floating: number;
  /** The liquid’s surface, cm. */
  readonly liquidCm: number;
  /** The uppermost of all, cm. */
  readonly topCm: number;
}

/*
 * General knowledge, unchecked, all three laws of first order:
 * - A dry herb drinks quickly at first: by an hour or so a fifth, by the next day all that the fit reckons with.
 * - What floats soaks full and sinks; half of it within two days, nearly all in a fortnight.
 * - Colour goes over as what is dissolved does: fast, then slower. A steep is called best when hardly any is left to come (here 95 of 100).
 */
const DRINKS_DAYS = 0.3;
const SINKS_DAYS = 3;
const AT_BEST = 3;

const soaked = (day: number): number =>
  Math.min(1, (1 - Math.exp(-day / DRINKS_DAYS)) / (1 - Math.exp(-1 / DRINKS_DAYS)));

/** Puts layers one on the other from the floor. */
class Pile {
  readonly layers: LivingLayer[] = [];
  private ml = 0;
  constructor(private readonly vessel: Vessel) {}

  put(sort: LivingLayer["sort"], of: number, ml: number): void {
    if (ml < 1e-6) return;
    const fromCm = heightAt(this.vessel.solid, this.ml);
    this.ml += ml;
    this.layers.push({ sort, of, fromCm, toCm: heightAt(this.vessel.solid, this.ml) });
  }
}

/** The liquid there is most of: after a day they have met, and the jar is taken for that. */
function mostLiquid(standing: readonly Standing[]): number | undefined {
  let most: number | undefined;
  standing.forEach(({ stuff, grams }, i) => {
    if (!stuff.plant && (most === undefined || grams > standing[most]!.grams)) most = i;
  });
  return most;
}

/** The herbs, each by its share of the bed and by what of it floats. */
function herbsOf(vessel: Vessel, standing: readonly Standing[], fit: Fit, floating: number) {
  const bedMl = (l: { readonly fromCm: number; readonly toCm: number }): number =>
    volumeAt(vessel.solid, l.toCm) - volumeAt(vessel.solid, l.fromCm);
  const herbs = fit.layers.filter((l) => l.sort === "herb");
  const all = herbs.reduce((ml, l) => ml + bedMl(l), 0);
  return herbs.map((l) => ({
    of: l.of,
    share: all > 0 ? bedMl(l) / all : 0,
    floats: standing[l.of]!.stuff.floats ? floating : 0,
  }));
}

/**
 * A jar on a day of its steep: the herb drinks, what floats sinks, the level follows, the colour goes over.
 * @param day days since it was filled, parts of one too
 * @param standing what went in, in order
 * @param fit the same, fitted into the vessel
 * @param best the day it is best strained on; `weighted`: a weight keeps the herb under
 */
export function jarOn(
  day: number,
  vessel: Vessel,
  standing: readonly Standing[],
  fit: Fit,
  { best, weighted }: { readonly best: number; readonly weighted: boolean },
): JarOn {
  const s = soaked(day);
  const { solid } = vessel;
  // What it comes to by the next day is approached as a volume: in a belly the same mL are fewer cm.
  const on = (at0: number, at1: number): number => (1 - s) * volumeAt(solid, at0) + s * volumeAt(solid, at1);
  const liquidMl = on(fit.day0.liquidCm, fit.day1.liquidCm);
  const herbMl = on(fit.day0.herbCm, fit.day1.herbCm);
  const floats = fit.floaters.length > 0 && !weighted;
  const floating = floats ? Math.exp(-day / SINKS_DAYS) : 0;
  const herbs = herbsOf(vessel, standing, fit, floating);
  const pour = mostLiquid(standing);
  const free = pour === undefined ? 0 : liquidMl - herbMl;
  const pile = new Pile(vessel);
  // Where the liquid stands within the heap there is nothing to float on.
  const afloat = (h: (typeof herbs)[number]): number => (free > 1e-6 ? h.floats : 0);
  for (const h of herbs) pile.put("bed", h.of, herbMl * h.share * (1 - afloat(h)));
  if (pour !== undefined) pile.put("liquid", pour, free);
  for (const h of herbs) pile.put("raft", h.of, herbMl * h.share * afloat(h));
  return {
    layers: pile.layers,
    colour: 1 - Math.exp((-AT_BEST * Math.max(0, day)) / Math.max(1, best)),
    floating,
    liquidCm: heightAt(solid, liquidMl),
    topCm: heightAt(solid, Math.max(liquidMl, herbMl)),
  };
}
