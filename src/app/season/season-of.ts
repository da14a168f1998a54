import type { LaidDown } from "@/core/cellar/by-course";
import { weeklyMl } from "@/core/cellar/course";
import { laidDown, lastDayOfCourse } from "@/core/cellar/house-course";
import type { CellarBottle } from "@/core/cellar/on-shelf";
import { expectedUse } from "@/core/cellar/supply";
import { careOf } from "@/core/care/care";
import { type Day, daysBetween } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import { reckonBatch } from "@/core/journal/reckon";
import { type Hemisphere, hemisphereOf, monthsOf } from "@/core/material/months";
import type { Kind, Plan } from "@/core/plan/plan";
import { KIND } from "@/core/plan/kinds";
import { type Reckoning, reckonProgram } from "@/core/reckoning/reckon";
import type { Program } from "@/core/reckoning/program";
import { resolve } from "@/core/reckoning/resolve";
import type { Season } from "@/core/season/events";
import { herbMonths, makingOf } from "@/core/season/making";
import type { Told, ToldRemedy, ToldVessel, ToldWorking } from "@/core/season/told";
import { type Months, USUAL_TERMS, type Terms, type Wish } from "@/core/season/wish";
import type { Lot, StandsIn } from "@/core/season/year";
import { costOf } from "@/core/stores/cost";
import { standing } from "@/core/stores/free";
import { type Stores, storesOf } from "@/core/stores/stores";
import { isPot } from "@/core/vessel/vessel";
import { db } from "@/store/db";
import type { Household } from "@/store/household";
import { batchOf } from "@/store/journal";
import { recipeOf, plansIn } from "@/store/recipes";
import { season } from "@/store/season";
import { type Remedy, bottlesOfRemedy, busyVessels, cellarBottles, live, remedies } from "@/store/shelf";
import { storedItems } from "@/store/stores";
import { planOf, present } from "@/core/formulary/recipe";
import { strainPlans } from "@/ui/shelf/card";

/** Fifty-two weeks from today. */
const DAYS = 364;
/** Recipes of the book that a wish may be of. */
const MOST_RECIPES = 300;

const MONTHS = Array.from({ length: 12 }, (_, m) => m + 1);
const PLACED: Readonly<Record<string, StandsIn>> = { fridge: "fridge", freezer: "freezer" };
const placeOf = (place: string): StandsIn => PLACED[place] ?? "cupboard";
const like = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
/** “Any fire cider”: a wish of a kind is for all of it. */
const isOf = (
  r: { readonly name: string; readonly kind: Kind },
  wish: Pick<Wish, "remedy" | "kind">,
): boolean => r.kind === wish.kind && (like(r.name, wish.remedy) || like(KIND[r.kind].name, wish.remedy));

/** What all remedies are asked with. */
interface Around {
  readonly today: Day;
  readonly home: Household;
  readonly where: Hemisphere;
  readonly terms: Terms;
  readonly shelves: Stores;
  readonly bottles: readonly CellarBottle[];
  readonly batches: readonly Batch[];
  readonly strainsOn: ReadonlyMap<string, Day>;
  readonly remedies: readonly Remedy[];
  readonly courses: readonly (LaidDown & { readonly name: string; readonly kind: Kind })[];
}

interface How {
  readonly program: Program;
  readonly reckoning: Reckoning;
  readonly window: ReturnType<typeof careOf>["window"];
  readonly from: NonNullable<ToldRemedy["from"]>;
}

function howOfPlan(plan: Plan, from: How["from"], { shelves }: Around): How | undefined {
  const p = resolve(plan, { materials: shelves.catalogue });
  if (!p.ok) return undefined;
  const reckoning = reckonProgram(p.value);
  return {
    program: p.value,
    reckoning,
    window: careOf(p.value, reckoning.fit, reckoning.working).window,
    from,
  };
}

/** How a remedy is made: by the recipe that is said, as it was made last, or as the book has one of its name. */
async function howOf(
  r: { readonly name: string; readonly kind: Kind; readonly recipe?: string | undefined },
  newest: string | undefined,
  around: Around,
): Promise<How | undefined> {
  const recipe = r.recipe ? await recipeOf(db(), r.recipe) : undefined;
  if (recipe) return howOfPlan(planOf(recipe, present(recipe)), { recipe: recipe.id }, around);
  const batch = newest ? await batchOf(db(), newest) : undefined;
  const made = batch && reckonBatch(batch);
  if (made?.ok)
    return {
      ...{ program: made.value.program, reckoning: made.value.reckoning, window: made.value.care.window },
      from: { batch: batch!.id },
    };
  const book = (await plansIn(db(), MOST_RECIPES)).find((p) =>
    isOf({ name: p.name, kind: p.plan.kind }, { remedy: r.name, kind: r.kind }),
  );
  return book && howOfPlan(book.plan, { recipe: book.id }, around);
}

/** The bottles of a remedy that are good, and the jars that will be some. */
function stockOf(r: { readonly name: string; readonly kind: Kind }, around: Around): Lot[] {
  const { today, bottles, batches, strainsOn } = around;
  const here = bottles
    .filter(
      (b) => isOf({ name: b.name, kind: b.kind }, { remedy: r.name, kind: r.kind }) && b.best_by >= today,
    )
    .map((b): Lot => ({
      ml: b.left_ml,
      from: 0,
      until: daysBetween(today, b.best_by),
      in: placeOf(b.place),
    }));
  const coming = batches.flatMap((b): Lot[] => {
    const made = isOf({ name: b.name, kind: b.plan.kind }, { remedy: r.name, kind: r.kind })
      ? reckonBatch(b)
      : undefined;
    if (!made?.ok) return [];
    const { finished, verdict } = made.value.reckoning;
    if (verdict.place === "do-not-keep") return [];
    const from = Math.max(0, daysBetween(today, b.strainedDay ?? strainsOn.get(b.id) ?? today));
    return [{ ml: finished.ml.value, from, until: from + verdict.life.days, in: placeOf(verdict.place) }];
  });
  return [...here, ...coming];
}

async function learnedOf(
  r: Remedy | undefined,
  { today, home, courses }: Around,
): Promise<ToldRemedy["learned"]> {
  if (!r) return undefined;
  const mine = courses.filter((c) => isOf(c, { remedy: r.name, kind: r.kind }));
  const courseMl =
    mine.length > 0
      ? mine.reduce((ml, c) => ml + weeklyMl({ ...c, days: Math.max(1, c.days) }), 0)
      : undefined;
  const use = expectedUse(await bottlesOfRemedy(db(), r, today), today, DAYS, {
    courseMl,
    courses: mine,
    away: home.away,
  });
  return use && { perDay: [...use.perDay], year: use.year, run: use.run };
}

/** Fresh plants of it, and when they are had here. */
function picksOf(how: How | undefined, { where, terms }: Around): ToldRemedy["picks"] {
  return (how?.program.lines ?? []).flatMap((l): ToldRemedy["picks"] => {
    const { plant, form, id: material, name } = l.stuff;
    if (!plant || form !== "fresh" || l.line.from) return [];
    const said = monthsOf(material, where);
    const book: Months | undefined = said && [said[0], said[1]];
    const own = terms.picked.find((p) => p.material === material)?.months;
    return [{ material, name, months: own ?? book ?? [1, 12], book }];
  });
}

async function remedyTold(
  asked: { readonly id: string; readonly name: string; readonly kind: Kind; readonly wish: Wish | undefined },
  around: Around,
): Promise<ToldRemedy> {
  const made = around.remedies.find((r) => isOf(r, { remedy: asked.name, kind: asked.kind }));
  const how = await howOf({ ...asked, recipe: asked.wish?.recipe }, made?.newest, around);
  const cost = how && costOf(how.program, how.reckoning, around.shelves.lots);
  const making =
    how &&
    makingOf(
      { ...how, cost: cost && cost.priced !== "none" ? cost.per100.value / 100 : 0 },
      herbMonths(how.program, around.where, around.terms.picked),
      MONTHS,
    );
  return {
    ...asked,
    learned: await learnedOf(made, around),
    stock: stockOf(asked, around),
    making: making && { ...making, herbs: [...making.herbs].map((x) => x === 1) },
    from: how?.from,
    picks: picksOf(how, around),
  };
}

/** The vessels, each with the first day it is free. */
async function vesselsTold({
  shelves,
  batches,
  strainsOn,
  today,
}: Around): Promise<{ vessels: ToldVessel[]; holds: ReadonlyMap<string, string> }> {
  const all = standing(shelves.vessels, await busyVessels(db()));
  const holds = new Map<string, string>();
  const vessels = all
    .filter((s) => s.vessel.sort !== "bottle" && s.vessel.sort !== "dropper")
    .map(({ vessel, own, holds: code }): ToldVessel => {
      const batch = code === undefined ? undefined : batches.find((b) => b.code === code);
      if (code !== undefined) holds.set(code, own.id);
      const strain = batch ? daysBetween(today, strainsOn.get(batch.id) ?? today) : 0;
      return {
        ...{ id: own.id, ml: vessel.fillMl, pot: isPot(vessel), size: vessel.size, name: vessel.name },
        profile: vessel.solid.profile,
        free: batch ? Math.max(1, strain) : 0,
      };
    })
    .sort((a, b) => Number(b.pot) - Number(a.pot) || b.ml - a.ml || (a.id < b.id ? -1 : 1));
  return { vessels, holds };
}

function workingTold(
  { batches, strainsOn, today }: Around,
  holds: ReadonlyMap<string, string>,
): ToldWorking[] {
  return batches.flatMap((b): ToldWorking[] => {
    const r = reckonBatch(b);
    const w = r.ok && b.state === "working" ? r.value.care.window : undefined;
    if (!w) return [];
    const begun = daysBetween(today, b.begunDay);
    const { id, code, name } = b;
    return [
      {
        ...{
          id,
          code,
          name,
          kind: b.plan.kind,
          vessel: holds.get(code),
          begun,
          earliest: begun + w.earliest,
        },
        ...{ strain: daysBetween(today, strainsOn.get(id) ?? today), latest: begun + w.latest },
      },
    ];
  });
}

/** Everything the season's page is told. */
export async function seasonTold(home: Household, today: Day): Promise<{ told: Told; season: Season }> {
  const [is, items, bottles, batches, made] = await Promise.all([
    season(db()),
    storedItems(db()),
    cellarBottles(db()),
    live(db()),
    remedies(db(), today),
  ]);
  const strainsOn = new Map([...strainPlans(batches, home)].map(([id, p]) => [id, p.day]));
  const around: Around = {
    ...{ today, home, bottles, batches, strainsOn, remedies: made },
    where: hemisphereOf(home.zone),
    terms: is.terms ?? USUAL_TERMS,
    shelves: storesOf(items),
    courses: items.flatMap(({ item }) =>
      item.what === "course" && (lastDayOfCourse(item) ?? today) >= today
        ? laidDown(item).map((c) => ({ ...c, name: item.remedy, kind: item.kind }))
        : [],
    ),
  };
  const wished = is.wishes.map((wish) => ({ id: wish.id, name: wish.remedy, kind: wish.kind, wish }));
  const unsaid = made
    .map((r) => ({
      id: `${r.kind}: ${r.name.toLowerCase()}`.slice(0, 100),
      name: r.name,
      kind: r.kind,
      wish: undefined,
    }))
    .filter(
      (r) => !is.dropped.has(r.id) && !is.wishes.some((w) => isOf(r, { remedy: w.remedy, kind: w.kind })),
    );
  const all = await Promise.all([...wished, ...unsaid].map((r) => remedyTold(r, around)));
  const { vessels, holds } = await vesselsTold(around);
  return {
    season: is,
    told: {
      ...{ today, days: DAYS, south: around.where === "south", vessels, terms: around.terms },
      // What was never used and is not wished wants no board.
      remedies: all.filter((r) => r.wish || r.learned),
      working: workingTold(around, holds),
      ...{ strainDays: home.strainDays, away: home.away, people: Math.max(1, around.shelves.people.length) },
    },
  };
}
