import type { PlantClass } from "../material/classes";
import { run } from "../mixture/ledger";
import { volumeOf } from "../mixture/volume";
import type { Wringing } from "../plan/plan";
import { plantsStay } from "../reckoning/facts";
import type { Program } from "../reckoning/program";

/** What one straining kept back, as a share of what the book says of that plant and that wringing. */
export interface KeptBack {
  readonly class: PlantClass;
  readonly how: Wringing;
  readonly share: number;
}

/** Under this a cloth keeps too little to learn from, mL. */
const WORTH_LEARNING = 15;
/** Shares outside of these say that something else was the matter: a spill, a wrong jug. */
const [LEAST, MOST] = [0.2, 3];

/**
 * What the cloth kept of a measured straining, beside the book's figure for the class of plant that kept most of it. Nothing where it was not
 * measured, kept next to nothing, or is out of all reason.
 */
export function keptBackOf(p: Program): KeptBack | undefined {
  const at = p.operations.findIndex((o) => o.op === "strain");
  const is = p.operations[at];
  if (is?.op !== "strain" || is.measuredMl === undefined || p.ends.length > 0 || plantsStay(p))
    return undefined;
  const { how } = is;
  const before = run(p.entries, [...p.operations.slice(0, at), { op: "soak" }]);
  const inJar = volumeOf(before.account.liquid);
  // Figures frozen with the batch may have been the household's own by then: the book's stand behind them.
  const book = before.account.kept[how];
  const plants = p.lines.filter((l) => l.stage === "jar" && l.stuff.plant);
  const keeps = (l: (typeof plants)[number]): number =>
    l.grams * (1 - l.stuff.composition[0]!) * l.stuff.retention[how];
  const most = [...plants].sort((a, b) => keeps(b) - keeps(a))[0];
  if (!most || book < WORTH_LEARNING || most.stuff.holds) return undefined;
  const share = ((inJar - is.measuredMl) / book) * (most.stuff.keeps?.[how]?.share ?? 1);
  if (!(share >= LEAST && share <= MOST)) return undefined;
  return { class: most.stuff.class as PlantClass, how, share };
}
