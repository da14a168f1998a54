import { METRIC, type Measures } from "../reading/measures";
import { filledOf } from "../cellar/bottle";
import { counted } from "../words";
import { type Day, addDays, daysBetween, printDay } from "../day";
import type { Caution } from "../cautions/caution";
import { cautionsAt } from "../cautions/rules";
import type { Batch } from "../journal/fold";
import type { Bottle, IssuedVerdict } from "../journal/events";
import { cutTo, type Life, daysFrom } from "../keeping/life";
import type { Verdict } from "../keeping/verdict";
import { KIND } from "../plan/kinds";
import { RULES_VERSION } from "../reckoning/reckon";
import type { Form } from "../material/classes";
import { materialsOf } from "../reckoning/context";
import { isSecondRun } from "../journal/ours";
import type { Program } from "../reckoning/program";

/** The words of a bottle's label; how they are set is the layout's business. */
export interface Label {
  readonly code: string;
  readonly name: string;
  readonly kind: string;
  readonly volume: string;
  readonly contents: string;
  readonly made: string;
  readonly strained: string;
  /** It ended without a cloth: all the plants are in it. */
  readonly stays?: true;
  readonly bestBy: string;
  /** Marked where the date is the maker's own. */
  readonly ownDate: boolean;
  readonly keep: string;
  readonly opened: string;
  readonly taken: string | undefined;
  readonly cautions: readonly string[];
  /** What is scanned to find it again: its code and number, in letters a code packs tightly. */
  readonly scan?: string;
  /** “About 25 % vol.”, where there is any to speak of. */
  readonly alcohol?: string;
  /** It looks like something to drink, and is none. */
  readonly notJuice?: boolean;
}

/** A verdict as it is written into the journal at bottling. */
export const issue = (v: Verdict): IssuedVerdict => ({
  rules: RULES_VERSION,
  row: v.row.id,
  vetoes: v.vetoes.map((x) => x.id),
  place: v.place,
  days: v.life.days,
  lifeWords: v.life.words,
  fridgeDays: v.fridge.days,
  fridgeWords: v.fridge.words,
  openedDays: v.opened.days,
  openedWords: v.opened.words,
  openedInCupboard: v.openedInCupboard,
  ...(v.openedCold ? { openedCold: v.openedCold.words } : {}),
  coolDark: v.coolDark,
  vented: v.vented,
  ...(v.quick ? { quick: true } : {}),
});

/** A promise cut to the last day of a bottle that was poured into it; life counts from straining. */
export function upTo(v: IssuedVerdict, strained: Day, last: Day | undefined): IssuedVerdict {
  if (last === undefined) return v;
  const most = Math.max(0, daysBetween(strained, last));
  const cut = (l: Life): Life =>
    daysFrom(l, strained) > most ? { days: cutTo(most), words: roughly(most) } : l;
  const life = cut({ days: v.days, words: v.lifeWords });
  const cold = cut({ days: v.fridgeDays, words: v.fridgeWords });
  const opened = cut({ days: v.openedDays, words: v.openedWords });
  return {
    ...v,
    ...{ days: life.days, lifeWords: life.words },
    ...{ fridgeDays: cold.days, fridgeWords: cold.words },
    ...{ openedDays: opened.days, openedWords: opened.words },
  };
}

/** The last day of the bottles that stand in a making as lines; nothing where none does. */
export const lastDayOf = (p: Program): Day | undefined =>
  p.lines.flatMap((l) => l.stuff.bestBy ?? []).sort()[0];

/** A year in the ice box, for what was fit to keep. */
const FROZEN_DAYS = 365;

/** Last day of a promise where a bottle stands; life counts from straining. Freezing pauses the clock. */
export function bestByOf(v: IssuedVerdict, strained: Day, place: Bottle["place"]): Day {
  return addDays(strained, daysIn(v, place, strained));
}

/** Promises of this version and later run by the calendar; older labels say a month of thirty days, and what they say stays. */
const BY_THE_CALENDAR = 4;
/** From this version on a life is known by its days; before, by how it was spelt, and what was promised so stays. */
const KNOWN_BY_DAYS = 6;
const SPELT_IN_MONTHS: ReadonlySet<string> = new Set([
  ...["one month", "two months", "three months", "six months", "eight months"],
  ...["one year", "two years", "four years"],
]);

/** Days of a life that begins on a day, as the version it was promised in counts them. */
const runs = (v: IssuedVerdict, l: Life, from: Day | undefined): number =>
  from === undefined ||
  v.rules < BY_THE_CALENDAR ||
  (v.rules < KNOWN_BY_DAYS && !SPELT_IN_MONTHS.has(l.words))
    ? l.days
    : daysFrom(l, from);

/**
 * Days a promise runs in a place, closed.
 * @param from the day it was strained, from which months are counted; without it a month is thirty days, to compare promises by
 */
export function daysIn(v: IssuedVerdict, place: Bottle["place"], from?: Day): number {
  const life = runs(v, { days: v.days, words: v.lifeWords }, from);
  switch (place) {
    case "freezer":
      return FROZEN_DAYS;
    case "fridge":
      return Math.max(
        runs(v, { days: v.fridgeDays, words: v.fridgeWords }, from),
        v.place === "fridge" ? life : 0,
      );
    case "cupboard":
    case "cool-dark":
      return life;
  }
}
/** Days it runs once it is opened, from the day it was. */
export const daysOpen = (v: IssuedVerdict, opened: Day): number =>
  runs(v, { days: v.openedDays, words: v.openedWords }, opened);

/** Days of fridge life a frozen bottle has left when it thaws: what was not used up before it was frozen. */
export const leftAfterThaw = (v: IssuedVerdict, strained: Day, frozen: Day): number =>
  Math.max(0, Math.min(v.fridgeDays, v.openedDays) - daysBetween(strained, frozen));

export function keepWords(v: IssuedVerdict, place: Bottle["place"]): string {
  if (v.place === "do-not-keep") return "Do not keep.";
  if (place === "freezer") return "Keep frozen; thaw in the fridge.";
  if (v.place === "fridge" || place === "fridge")
    return v.vented ? "Keep in the fridge, lid loose." : "Keep in the fridge.";
  return v.coolDark ? "Keep cool and dark." : "Keep in a cupboard.";
}

/** A number of days as it is said, rounded down: “9 days”, “6 weeks”, “8 months”, “a year”. */
export function roughly(days: number): string {
  if (days < 21) return counted(days, "day");
  if (days < 90) return counted(Math.floor(days / 7), "week");
  if (days < 365) return counted(Math.floor(days / 30.5), "month");
  return days < 730 ? "a year" : counted(Math.floor(days / 365), "year");
}

export function openedWords(v: IssuedVerdict, place: Bottle["place"], thawDays: number): string {
  if (v.place === "do-not-keep") return "";
  if (place === "freezer")
    return thawDays > 0 ? `Once thawed: fridge, ${roughly(thawDays)} at most.` : "Once thawed: use at once.";
  if (!v.openedInCupboard) return `Once opened: fridge, ${v.openedWords} at most.`;
  if (v.openedDays >= v.days) return "Opened, it keeps as long.";
  const cold = v.openedCold ? ` (fridge ${v.openedCold})` : "";
  return `Once opened: ${v.openedWords} at most${cold}.`;
}

/** Under this, % vol, alcohol is not spoken of. */
const SPOKEN_OF = 0.5;
export const alcoholWords = (abv: number): string | undefined =>
  abv >= SPOKEN_OF ? `About ${abv < 10 ? abv.toFixed(1) : Math.round(abv)} % vol` : undefined;

/** A bottle’s code as it is scanned: “OX-26-02.3”. Figures, capitals, dash and full stop are packed tightest. */
export const scanOf = (code: string, bottle?: number): string =>
  bottle === undefined ? code : `${code}.${bottle}`;

/** Kinds that are poured and might be taken for a drink. */
const POURED: ReadonlySet<Batch["plan"]["kind"]> = new Set([
  "syrup",
  "oxymel",
  "fire-cider",
  "vinegar",
  "tincture",
]);

/** Names of what is in it, most by weight first, each once. */
export function contentsOf(p: Program): string {
  const by = new Map<string, number>();
  const put = (name: string, form: Form | undefined, grams: number): void => {
    const words = form === "dried" || form === "fresh" || form === undefined ? name : `${name} (${form})`;
    by.set(words, (by.get(words) ?? 0) + grams);
  };
  const catalogue = materialsOf(p.plan, {});
  for (const l of p.lines) {
    if (!l.stuff.holds) put(l.stuff.name, l.stuff.form, l.grams);
    // A bottle of ours is opened up: the label says what is in it.
    for (const h of l.stuff.holds ?? [])
      put(catalogue.get(h.material)?.row.names[0] ?? h.material, h.form, l.grams * h.share);
  }
  return [...by.entries()]
    .sort((a, b) => b[1] - a[1])
    .map(([name]) => name)
    .join(", ");
}

/** Which of the jars filled alike it came out of. */
const alikeWords = ({ alike }: Batch): string =>
  alike ? `, jar ${alike.nth} of ${alike.batches.length}` : "";

/**
 * Composes a bottle's label from what the batch's journal issued.
 * @param v the promise that holds: what was issued, or less where today's rules say less
 */
export function labelOf(
  batch: Batch,
  bottle: Bottle,
  contents: string,
  cautions: readonly Caution[],
  v: IssuedVerdict = batch.verdict!,
  abv = 0,
  measures: Measures = METRIC,
): Label {
  const { number } = filledOf(batch).find((f) => f.id === bottle.id)!;
  const alcohol = alcoholWords(abv);
  const strained = batch.strainedDay ?? batch.begunDay;
  const said = cautionsAt("label", cautions).flatMap((c) => (c.label ? [c.label] : []));
  return {
    code: `${batch.code}·${number}`,
    scan: scanOf(batch.code, number),
    ...(alcohol ? { alcohol } : {}),
    notJuice: POURED.has(batch.plan.kind),
    name: batch.name,
    kind: `${KIND[batch.plan.kind].name}${isSecondRun(batch.plan) ? ", a second run: weaker" : ""}${alikeWords(batch)}`,
    volume: measures.volumeExact(bottle.ml),
    contents,
    made: printDay(batch.begunDay, "year"),
    strained: printDay(strained, "year"),
    ...(batch.making.strained?.stays === "all" ? { stays: true as const } : {}),
    bestBy: printDay(batch.own ? batch.own.bestBy : bestByOf(v, strained, bottle.place), "year"),
    ownDate: batch.own !== undefined,
    keep: keepWords(v, bottle.place),
    opened: openedWords(v, bottle.place, leftAfterThaw(v, strained, batch.bottledDay ?? strained)),
    taken: batch.plan.taken,
    cautions: [...new Set(said)],
  };
}
