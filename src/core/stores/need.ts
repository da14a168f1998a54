import type { Market } from "../reading/measures";
import { isLiquid } from "../material/material";
import { HEATS } from "../plan/read-plan";
import type { Reckoning } from "../reckoning/reckon";
import type { Program } from "../reckoning/program";
import { printDays } from "../reading/durations";
import { type Allotment, allot } from "./allot";
import { bottlesWanted } from "../cellar/fill";
import { vesselWords } from "../vessel/vessel";
import type { Stores } from "./stores";

export interface Want {
  readonly name: string;
  readonly form: string;
  /** g wanted, on hand for it, and lacking. */
  readonly wantG: number;
  readonly haveG: number;
  readonly lackG: number;
  /** mL as it is measured in the kitchen: a loose heap, or a liquid. */
  readonly lackMl: number;
  readonly liquid: boolean;
  readonly instead: string | undefined;
}

export interface Need {
  /** To pick or dig: fresh plants that lack. */
  readonly gather: readonly Want[];
  /** To buy: everything else that lacks. */
  readonly buy: readonly Want[];
  /** Had already, in the order it goes in. */
  readonly have: readonly Want[];
  /** Bottles beyond those on hand, by size. */
  readonly bottles: readonly { readonly name: string; readonly count: number }[];
  /** What else should lie ready. */
  readonly gear: readonly string[];
}

function wantOf(a: Allotment): Want {
  const { stuff, grams } = a.line;
  const have = grams - a.lackG;
  return {
    name: stuff.name,
    form: [stuff.form, stuff.cut].filter((x) => x !== undefined && x !== "whole").join(", "),
    wantG: grams,
    haveG: have,
    lackG: a.lackG,
    lackMl: a.lackG / stuff.bulkLoose,
    liquid: isLiquid(stuff),
    instead: a.instead
      ? `${Math.round(a.instead.grams)} g ${a.instead.lot.form ?? "dried"} on hand would stand for ${a.instead.standsFor >= a.lackG - 0.5 ? "all of it" : `${Math.round(a.instead.standsFor)} g of it`}`
      : undefined,
  };
}

/** What a plan wants that the stores lack, as a list to gather and shop by. */
export function needOf(p: Program, r: Reckoning, stores: Stores, market: Market): Need {
  const wants = allot(p, stores.lots).map((a) => ({ a, w: wantOf(a) }));
  const lacking = wants.filter(({ w }) => w.lackG > 0);
  const fresh = (a: Allotment): boolean =>
    a.line.stuff.plant && (a.line.stuff.form === "fresh" || a.line.stuff.form === "wilted");
  const { lacking: bottles } = bottlesWanted(p.plan.kind, r.finished.ml.value, stores.empties, market);
  const steps = p.plan.steps;
  const sour = p.lines.some((l) => l.stuff.class === "vinegar");
  const steep = steps.find((s) => s.do === "steep" && p.steep);
  return {
    gather: lacking.filter(({ a }) => fresh(a)).map(({ w }) => w),
    buy: lacking.filter(({ a }) => !fresh(a)).map(({ w }) => w),
    have: wants.filter(({ w }) => w.lackG <= 0).map(({ w }) => w),
    bottles: bottles.length > 0 ? [{ name: vesselWords(bottles[0]!.vessel), count: bottles.length }] : [],
    gear: [
      ...(p.vessel
        ? [
            `${vesselWords(p.vessel)}${sour && (p.vessel.lid === "metal" || p.vessel.lid === "coated-metal") ? ", and paper to lay under its lid" : ""}`,
          ]
        : []),
      ...(steps.some((x) => HEATS.has(x.do)) ? ["a stainless or whole enamel pot, a lid, a timer"] : []),
      ...(steps.some((s) => s.do === "reduce") ? ["a clean stick to mark the depth on"] : []),
      ...(steps.some((s) => s.do === "cool") ? ["a thermometer, and cold water to stand the pot in"] : []),
      ...(steps.some((s) => s.do === "strain")
        ? [
            p.lines.some((l) => l.stuff.tags.includes("hairs"))
              ? "a sieve, a close cloth, a paper filter, a measuring jug"
              : "a sieve, a cloth, a measuring jug",
          ]
        : []),
      ...(p.lines.some(
        (l) =>
          l.stuff.tags.includes("hot") || l.stuff.tags.includes("pungent") || l.stuff.tags.includes("stains"),
      )
        ? ["gloves"]
        : []),
      ...((r.fit?.floaters.length ?? 0) > 0 && steep && !p.plan.weighted
        ? ["a weight or a tied bag to keep it under"]
        : []),
      ...(p.steep ? [`a strip of tape and a pen: the jar stands ${printDays(p.steep.value)}`] : []),
    ],
  };
}
