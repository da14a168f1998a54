import { ETHANOL_DENSITY } from "../../mixture/alcohol";
import { SALT } from "../../mixture/components";
import { takenADay } from "../../reading/taken";
import type { Resolved } from "../../reckoning/program";
import { capital } from "../../words";
import { CEILINGS, type Counted, DAILY } from "../ceilings";
import { EVERYWHERE, type Raised, type Rule, type Situation, beside } from "../caution";
import { gramsADay } from "./people/doses";

/** Over so many times what is not gone over in a day, it is not a matter of seeing it but of a reason. */
const FAR_OVER = 2;

/** mL a day as somebody said it: a course, or how it is taken. Nothing said is nothing judged. */
export const saidADay = (s: Situation): number | undefined =>
  s.dayMl ?? takenADay(s.program.plan.taken ?? "", s.reckoning.spoonMl);

const grams = (g: number): string => `${g < 10 ? Number(g.toFixed(1)) : Math.round(g)} g`;
const severityOf = (share: number): "stop" | "caution" => (share > FAR_OVER ? "stop" : "caution");

/** g of a day's taking that is of the liquid itself. */
function dayOf(s: Situation, ml: number): Readonly<Record<Counted, number>> {
  const f = s.reckoning.finished;
  return {
    alcohol: (f.abv.value / 100) * ml * ETHANOL_DENSITY,
    sugar: (f.sugar100.value / 100) * ml,
    salt:
      (s.program.lines.reduce((g, l) => g + l.grams * l.stuff.composition[SALT]!, 0) /
        Math.max(1, f.ml.value)) *
      ml,
    acid: (f.acid.value / 100) * ml,
  };
}
const WHAT: Readonly<Record<Counted, string>> = {
  alcohol: "of pure alcohol",
  sugar: "of sugar",
  salt: "of salt",
  acid: "of acid",
};

function ofTheLiquid(s: Situation, ml: number): Raised[] {
  const day = dayOf(s, ml);
  return (Object.keys(DAILY) as Counted[])
    .filter((k) => day[k] > DAILY[k].grams)
    .map((k) => ({
      severity: severityOf(day[k] / DAILY[k].grams),
      says: `A day of it holds ${grams(day[k])} ${WHAT[k]}; ${grams(DAILY[k].grams)} is not gone over.`,
      todo: `Take less of it, or fewer times. By: ${DAILY[k].source}.`,
      about: { what: "taken" as const },
    }));
}

/** Lines of one herb are one herb. */
function byHerb(s: Situation): Map<string, readonly Resolved[]> {
  const all = new Map<string, readonly Resolved[]>();
  for (const l of s.program.lines)
    if (Object.hasOwn(CEILINGS, l.stuff.id)) all.set(l.stuff.id, [...(all.get(l.stuff.id) ?? []), l]);
  return all;
}
function ofTheHerbs(s: Situation): Raised[] {
  return [...byHerb(s)].flatMap(([id, lines]): Raised[] => {
    const ceiling = CEILINGS[id]!;
    const g = lines.reduce((sum, l) => sum + gramsADay(l, s), 0);
    const name = capital(lines[0]!.stuff.name);
    const about = beside(lines[0]!);
    const by = `By: ${ceiling.source}.`;
    const over: Raised[] =
      g > ceiling.grams
        ? [
            {
              severity: severityOf(g / ceiling.grams),
              says: `${name}: a day of it holds ${grams(g)} of the dried herb; ${grams(ceiling.grams)} is not gone over.`,
              todo: `Take less of it, or fewer times. ${by}`,
              about,
            },
          ]
        : [];
    const long: Raised[] =
      ceiling.days !== undefined && s.days !== undefined && s.days > ceiling.days && g > ceiling.grams / 10
        ? [
            {
              severity: "caution",
              says: `${name} is not taken longer than ${ceiling.days} days on end; this is ${s.days}.`,
              todo: `Lay down a shorter course, and a rest after it. ${by}`,
              about,
            },
          ]
        : [];
    return [...over, ...long];
  });
}

export const DOSE: readonly Rule[] = [
  {
    id: "too-much-a-day",
    basis:
      "published ceilings of grams and days for each herb, and of alcohol, sugar and salt; each stands with its source",
    stages: EVERYWHERE,
    fires: (s) => {
      const ml = saidADay(s);
      if (ml === undefined) return [];
      const said = { ...s, dayMl: ml };
      return [...ofTheHerbs(said), ...ofTheLiquid(said, ml)];
    },
  },
];
