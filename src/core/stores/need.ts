import { closingOf } from "../keeping/closing";
import { grams as carriedGrams } from "../quantity/carried";
import type { Market } from "../reading/measures";
import { isLiquid } from "../material/material";
import type { Line } from "../plan/plan";
import { HEATS } from "../plan/read-plan";
import type { Reckoning } from "../reckoning/reckon";
import type { Program, Resolved } from "../reckoning/program";
import { printDays } from "../reading/durations";
import { times } from "../quantity/amount";
import { printAmount } from "../reading/print";
import { type Allotment, allot } from "./allot";
import { bottlesWanted } from "../cellar/fill";
import { vesselWords } from "../vessel/vessel";
import { type Fruit, fruitFor } from "./one-fruit";
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
  /** How much of it lacks in the words it was said in, where all of it lacks and they are a measure or a count. */
  readonly said: string | undefined;
  /** What it is of, for the list and the stores. */
  readonly of: Pick<Line, "material" | "form" | "cut" | "strength">;
}

/**
 * Fresh plants that no garden of a temperate country has: they are bought, and so is whatever bears citrus. Everything else that is fresh may be picked
 * or dug. General knowledge, unchecked.
 */
const FROM_AFAR: ReadonlySet<string> = new Set([
  "ginger", "turmeric", "galangal", "lemongrass", "pineapple", "pomegranate", "date", "aloe", "kelp", "black-garlic", "kava", "ashwagandha", "shatavari",
  "chilli-flakes",
]); // prettier-ignore
const isPicked = ({ stuff }: Resolved): boolean =>
  stuff.plant &&
  (stuff.form === "fresh" || stuff.form === "wilted") &&
  !FROM_AFAR.has(stuff.id) &&
  !stuff.tags.includes("citrus");

export interface Need {
  /** To pick or dig: fresh plants that lack. */
  readonly gather: readonly Want[];
  /** To buy: everything else that lacks. */
  readonly buy: readonly Want[];
  /** Fruit to get for its juice and its zest; both of one are one. */
  readonly fruit: readonly Fruit[];
  /** Had already, in the order it goes in. */
  readonly have: readonly Want[];
  /** Bottles beyond those on hand, by size. */
  readonly bottles: readonly { readonly name: string; readonly count: number }[];
  /** What else should lie ready. */
  readonly gear: readonly string[];
}

function saidOf({ line, lackG }: Allotment): string | undefined {
  const { kind } = line.amount;
  return lackG >= 0.99 * line.grams && (kind === "measure" || kind === "count")
    ? line.line.amount
    : undefined;
}
function ofLine({ stuff, line }: Resolved): Want["of"] {
  const { form, cut } = stuff;
  return {
    material: stuff.id,
    ...(form ? { form } : {}),
    ...(cut && cut !== "whole" ? { cut } : {}),
    ...(line.strength ? { strength: line.strength } : {}),
  };
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
    said: saidOf(a),
    of: ofLine(a.line),
    instead: a.instead
      ? `${carriedGrams(a.instead.grams)} ${a.instead.lot.form ?? "dried"} on hand would stand for ${a.instead.standsFor >= a.lackG - 0.5 ? "all of it" : `${carriedGrams(a.instead.standsFor)} of it`}`
      : undefined,
  };
}

/** What goes into so many jars filled alike: each line of it so many times, in the words it was said in. */
function inJars(p: Program, jars: number): Program {
  if (jars === 1) return p;
  const { units } = p.plan;
  const lines = p.lines.map((l): Resolved => {
    const { kind } = l.amount;
    const said =
      kind === "measure" || kind === "count" ? printAmount(times(l.amount, jars), units) : l.line.amount;
    return { ...l, grams: l.grams * jars, line: { ...l.line, amount: said } };
  });
  return { ...p, lines };
}

/** What a plan wants that the stores lack, as a list to gather and shop by. @param jars how many are filled alike */
export function needOf(one: Program, r: Reckoning, stores: Stores, market: Market, jars = 1): Need {
  const p = inJars(one, jars);
  const allotted = allot(p, stores.lots);
  const wants = allotted.map((a) => ({ a, w: wantOf(a) }));
  const lacking = wants.filter(({ w }) => w.lackG > 0);
  const { lacking: bottles } = bottlesWanted(
    p.plan.kind,
    r.finished.ml.value * jars,
    stores.empties,
    market,
    closingOf(r.verdict),
  );
  const steps = p.plan.steps;
  const sour = p.lines.some((l) => l.stuff.class === "vinegar");
  const steep = steps.find((s) => s.do === "steep" && p.steep);
  return {
    gather: lacking.filter(({ a }) => isPicked(a.line)).map(({ w }) => w),
    buy: lacking.filter(({ a }) => !isPicked(a.line)).map(({ w }) => w),
    fruit: fruitFor(allotted),
    have: wants.filter(({ w }) => w.lackG <= 0).map(({ w }) => w),
    bottles: bottles.length > 0 ? [{ name: vesselWords(bottles[0]!.vessel), count: bottles.length }] : [],
    gear: [
      ...(p.vessel
        ? [
            `${jars > 1 ? `${jars} × ` : ""}${vesselWords(p.vessel)}${sour && (p.vessel.lid === "metal" || p.vessel.lid === "coated-metal") ? ", and paper to lay under its lid" : ""}`,
          ]
        : []),
      ...(p.lines.some((l) => l.line.cooked) ? ["a pan for what is cooked before it goes in"] : []),
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
