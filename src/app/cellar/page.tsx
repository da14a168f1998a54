import type { BottleNow } from "@/core/cellar/bottle";
import { cautionsOf, forWhoTakesIt } from "@/core/cautions/rules";
import type { Day } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import type { PlaceClass } from "@/core/journal/events";
import { companyOf } from "@/core/people/company";
import type { Person } from "@/core/people/person";
import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { z } from "zod";
import { heldBy } from "@/core/label/held";
import { bestByOfBottle } from "@/core/label/clock";
import { type BatchReckoning, reckonBatch } from "@/core/journal/reckon";
import { VESSELS } from "@/core/vessel/catalogue";
import type { Kind } from "@/core/plan/plan";
import { perMlOf } from "@/core/cellar/course";
import { storesOf } from "@/core/stores/stores";
import { coursesNow } from "@/store/courses";
import { savedThisYear } from "@/store/saved";
import { storedItems, stores } from "@/store/stores";
import { bottleOf } from "@/store/bottles";
import { db } from "@/store/db";
import { cellarBottles } from "@/store/shelf";
import type { InHand } from "@/ui/cellar/bottle-words";
import { HouseCourses } from "@/ui/cellar/house-courses";
import { BottleInHand } from "@/ui/cellar/in-hand";
import { HowLongItLasts } from "@/ui/cellar/lasts";
import { Saved } from "@/ui/cellar/saved";
import { BottleFigure, CellarShelves } from "@/ui/cellar/shelves";
import { InTime } from "@/ui/shelf/first-hour";
import { frame } from "../frame";
import { supplies } from "../supplies";

export const metadata: Metadata = { title: "Cellar" };

/** The bottle as it would stand from today on, were it put into the fridge. */
const putInFridge = (b: BottleNow, today: Day): BottleNow => ({
  ...b,
  place: "fridge",
  stood: [...b.stood, { from: today, place: "fridge" }],
});

/** The bottle an address names, with what is known of it; nothing where there is none. */
async function inHand(
  asked: string | undefined,
  today: Day,
): Promise<(InHand & { readonly vessel: string; readonly kind: Kind }) | undefined> {
  const id = z.uuid().safeParse(asked);
  const found = id.success ? await bottleOf(db(), id.data) : undefined;
  if (!found?.batch.verdict) return undefined;
  const { batch, bottle, filled, events } = found;
  const issued = found.batch.verdict;
  const now = reckonBatch(batch);
  const { people } = await stores(db());
  const heldIn = (place: PlaceClass) => heldBy(issued, now.ok ? now.value : undefined, place).verdict;
  const bestBy = bestByOfBottle(bottle, heldIn, batch.own?.bestBy);
  const isWarm = bottle.place === "cupboard" || bottle.place === "cool-dark";
  const wantsFridge = bottle.openedDay !== undefined && isWarm && !heldIn(bottle.place).openedInCupboard;
  return {
    bottle,
    filled,
    events,
    ...(wantsFridge
      ? { inFridgeBy: bestByOfBottle(putInFridge(bottle, today), heldIn, batch.own?.bestBy) }
      : {}),
    batchId: batch.id,
    code: batch.code,
    name: batch.name,
    made: batch.begunDay,
    bestBy,
    taken: batch.plan.taken,
    perMl: now.ok ? perMlOf(now.value.reckoning) : undefined,
    minded: now.ok ? mindedOf(now.value, batch, bottle, people, today) : [],
    people: people.map((p) => p.name),
    vessel: batch.bottles.find((b) => b.id === bottle.id)!.vessel,
    kind: batch.plan.kind,
  };
}

/** What is to be minded when it is taken as its course says, or as much as was poured today, whichever is more, by whom it is for. */
function mindedOf(
  { program, reckoning }: BatchReckoning,
  batch: Batch,
  { course, taken }: BottleNow,
  people: readonly Person[],
  today: Day,
): readonly string[] {
  const poured = taken.filter((t) => t.from === today && t.to === today).reduce((ml, t) => ml + t.ml, 0);
  const dayMl = Math.max(poured, course ? course.ml * course.times : 0);
  if (dayMl === 0) return [];
  const meantFor = course?.for ? [course.for] : batch.plan.meantFor;
  const who = companyOf({ meantFor }, { people, today });
  const asked = { program, reckoning, ...who, dayMl, days: course?.days };
  return forWhoTakesIt(cautionsOf(asked)).map((c) => `${c.says} ${c.todo}`);
}

/** Pixels for a centimetre, so that a small bottle is as large in the hand as a tall one. */
function scaleOf(vessel: string): number {
  const brim = VESSELS.get(vessel)?.solid.brimCm ?? 20;
  return Math.min(22, 300 / (brim + 2));
}

/** Bottles on their shelves by place, and the one in the hand. */
export default async function Cellar({ searchParams }: { searchParams: Promise<{ bottle?: string }> }) {
  const [{ today, home, measures }, bottles, hand] = await Promise.all([
    frame(),
    cellarBottles(db()),
    Promise.all([searchParams, frame()]).then(([s, f]) => inHand(s.bottle, f.today)),
  ]);
  const items = await storedItems(db());
  const [lasts, courses, saved] = await Promise.all([
    supplies(today, home.away),
    coursesNow(db(), items, { today, away: home.away }),
    savedThisYear(db(), items, today),
  ]);
  const { people } = storesOf(items);
  // One of each remedy of which something good stands here, by its name.
  const good = bottles.filter((b) => b.best_by >= today);
  const here = [...new Map(good.map((b) => [`${b.kind} ${b.name.toLowerCase()}`, b])).values()];
  return (
    <div
      className={`pt-5 grid grid-cols-1 gap-x-10 gap-y-6 ${hand ? "lg:grid-cols-[minmax(0,1fr)_24rem]" : ""}`}
    >
      <h1 className="sr-only">Cellar</h1>
      {hand && (
        // On a phone the bottle in the hand comes before the shelves.
        <aside className="min-w-0 lg:col-start-2 lg:row-start-1 lg:border-l-2 lg:border-rule lg:pl-8">
          <BottleInHand
            key={hand.bottle.id}
            hand={hand}
            places={home.places}
            today={today}
            zone={home.zone}
            figure={
              <BottleFigure
                bottle={{
                  vessel: hand.vessel,
                  kind: hand.kind,
                  left_ml: hand.bottle.leftMl,
                  opened_day: hand.bottle.openedDay ?? null,
                }}
                scale={scaleOf(hand.vessel)}
                title={hand.name}
              />
            }
          />
        </aside>
      )}
      <div className={`min-w-0 ${hand ? "lg:col-start-1 lg:row-start-1" : ""}`}>
        {bottles.length === 0 ? (
          <>
            <p>No bottles yet. They stand here once a batch is bottled, the first to use at the left.</p>
            <InTime places={home.places} />
          </>
        ) : (
          <CellarShelves bottles={bottles} places={home.places} today={today} picked={hand?.bottle.id} />
        )}
        <HowLongItLasts lasts={lasts} today={today} />
        {(here.length > 0 || courses.length > 0) && (
          <HouseCourses
            courses={courses}
            remedies={here.map(({ name, kind }) => ({ name, kind }))}
            people={people.map((p) => p.name)}
            today={today}
            currency={home.currency}
          />
        )}
        <Saved of={saved} currency={home.currency} measures={measures} />
      </div>
      {!hand && bottles.length > 0 && (
        <div className="order-first flex flex-wrap items-baseline gap-x-8">
          <p className="quiet">
            Take a bottle in the hand: open it, pour from it, move it, look at it, give it away.
          </p>
          <p>
            <Link href="/standing" className="inline-flex items-center min-h-11">
              some stand already that are not here
            </Link>
          </p>
        </div>
      )}
    </div>
  );
}
