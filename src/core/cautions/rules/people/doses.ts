import type { Resolved } from "../../../reckoning/program";
import { type Situation, inHand } from "../../caution";

/** mL of a remedy taken in a day where nobody says: six teaspoons; of a tincture two. Cautious, ours. */
const [DAY_ML, DAY_ML_OF_DROPS] = [30, 10];

/** Dried herb: water that herb equivalents are counted at. */
const DRIED = 0.92;
/** Under this much a day a plant is a trace, whatever it is, g of dried herb. */
export const TRACE_G = 0.05;

/**
 * g of dried herb a day that is still the seasoning of a meal, by material: a caution for someone begins above it. Typical culinary portions,
 * well under the lowest daily dose of the European herbal monographs (HMPC) where there is one; EFSA for liquorice and cassia.
 */
// prettier-ignore
export const SEASONING_G: Readonly<Record<string, number>> = {
  sage: 0.5, rosemary: 0.7, thyme: 1, "lemon-thyme": 1, oregano: 1, marjoram: 1, basil: 1, "holy-basil": 0.5, savory: 1, hyssop: 0.5, lovage: 0.5, parsley: 0.6, dill: 1,
  "coriander-leaf": 1, "fennel-leaf": 1, bay: 0.3, peppermint: 1, spearmint: 1, "lemon-balm": 1, "green-tea": 0.5, nettle: 1, "dandelion-leaf": 1, chamomile: 0.5, hibiscus: 1,
  calendula: 0.3, saffron: 0.03, hops: 0.1, garlic: 1.2, "black-garlic": 1.2, "wild-garlic": 1, ginger: 1, turmeric: 1, horseradish: 1, "mustard-seed": 1, liquorice: 0.2,
  "burdock-root": 1, "chicory-root": 1, "celery-seed": 0.3, "fennel-seed": 1, anise: 0.7, caraway: 0.7, fenugreek: 0.5, "cinnamon-cassia": 0.3, "cinnamon-ceylon": 1, nutmeg: 0.1,
  mace: 0.1, juniper: 0.3, cranberry: 5, beetroot: 5, "rose-hip": 2, "hawthorn-berry": 0.5, goji: 1, kelp: 0.02, chilli: 0.2, cayenne: 0.2, jalapeno: 0.5, habanero: 0.1,
};

/** g of dried herb of a line that a day's taking holds. */
export function gramsADay(l: Resolved, s: Situation): number {
  const ml = s.dayMl ?? (s.program.plan.kind === "tincture" ? DAY_ML_OF_DROPS : DAY_ML);
  const finished = Math.max(1, s.reckoning.finished.ml.value);
  const dry = (x: Resolved): number => (x.stuff.plant ? x.grams * (1 - x.stuff.composition[0]!) : 0);
  // Of what nobody remembers a day may hold all that there can be.
  if (l.amount.kind === "unknown" && l.stage === "jar") return s.reckoning.herbPerMl.high * ml;
  // What came in a bottle of ours is in the liquid already.
  if (l.stage === "finish" || !inHand(l)) return ((dry(l) / DRIED) * ml) / finished;
  const all = s.program.lines.reduce((g, x) => g + (x.stage === "jar" && inHand(x) ? dry(x) : 0), 0);
  return all > 0 ? s.reckoning.herbPerMl.value * (dry(l) / all) * ml : 0;
}

/** Whether a day's taking of these holds no more than a meal is seasoned with. */
export const isSeasoning = (lines: readonly Resolved[], s: Situation): boolean =>
  lines.every((l) => l.stuff.plant && gramsADay(l, s) <= (SEASONING_G[l.stuff.id] ?? TRACE_G));
