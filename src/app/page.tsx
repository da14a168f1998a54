import { copiesOf } from "@/store/copies";
import { CopyNotice } from "@/ui/shelf/copy-notice";
import Link from "@/ui/kit/link";
import { careOf } from "@/core/care/care";
import { reckonedPlan } from "@/core/formulary/reckoned";
import { MATERIALS } from "@/core/material/catalogue";
import { withAdded } from "@/core/plan/edit";
import { emptyPlan } from "@/core/plan/ways";
import { BegunToday, InTime, ToSayOnce, TodayToCome, WaysToBegin } from "@/ui/shelf/first-hour";
import { addDays, daysBetween, printDay } from "@/core/day";
import { db } from "@/store/db";
import { type CellarLine, bottlesKept, cellar, live } from "@/store/shelf";
import { cardOf, strainPlans } from "@/ui/shelf/card";
import { stopsOf } from "@/ui/shelf/stops";
import { ShelfHere, ShelvesHere, TodayHere } from "@/ui/shelf/here";
import type { Batch } from "@/core/journal/fold";
import { counted, listed } from "@/core/words";
import { type Lasts, StartBy } from "@/ui/cellar/lasts";
import { coursesNow } from "@/store/courses";
import { storedItems } from "@/store/stores";
import { TakeToday } from "@/ui/shelf/take-today";
import { frame } from "./frame";
import { type PlannedStart, startWords, startsToBegin, within } from "./season/planned-starts";
import { supplies } from "./supplies";

/** Days ahead of its last day to start that a remedy is named here. */
const START_SOON = 28;
/** Batches near their day that are named; how many more there are is said. */
const SHOWN = 6;

export default async function Shelf({ searchParams }: { searchParams: Promise<{ begun?: string }> }) {
  const { today, home } = await frame();
  const [batches, lasts, bottles, kept, { begun }, courses, copies, planned] = await Promise.all([
    live(db()),
    supplies(today, home.away),
    cellar(db(), addDays(today, 21)),
    bottlesKept(db()),
    searchParams,
    storedItems(db()).then((items) => coursesNow(db(), items, { today, away: home.away })),
    copiesOf(db()),
    startsToBegin(today),
  ]);
  const plans = strainPlans(batches, home);
  const cards = batches
    .map((b) => cardOf(b, today, plans.get(b.id)))
    .sort((a, b) => a.until - b.until || (a.code < b.code ? -1 : 1));
  const isNew = batches.length === 0 && kept === 0;
  const justBegun = begun ? cards.find((c) => c.code === begun) : undefined;
  // One line a batch, whichever places its bottles stand in.
  const near = new Map<string, (typeof bottles)[number]>();
  for (const b of bottles) {
    const had = near.get(b.batch_id);
    near.set(b.batch_id, had ? { ...had, bottles: had.bottles + b.bottles } : b);
  }
  const soon = [...near.values()].slice(0, SHOWN);
  const more = near.size - soon.length;
  const stops = stopsOf(cards);
  return (
    // On a phone the jars stand on one board that is pushed along, and what wants doing under it; where there is room the eye finds both at once.
    <ShelfHere told={{ cards, stops, plans, zone: home.zone, today }}>
      <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_20.75rem] lg:grid-rows-[auto_1fr] pt-5">
        <section aria-labelledby="today" className="min-w-0 lg:col-start-2 order-2 lg:order-none">
          <div className="flex items-baseline justify-between border-b-2 border-iron pb-2">
            <h2 id="today" className="text-[1.375rem]">
              Today
            </h2>
            <span className="text-ash">{printDay(today, "weekday", today)}</span>
          </div>
          <CopyNotice behindDays={copies.behindDays} problem={copies.problem} />
          <TakeToday courses={courses} />
          {isNew ? <TodayToCome /> : <TodayHere />}
          {isNew && <OxymelBegunToday today={today} />}
        </section>
        <section aria-labelledby="shelf" className="lg:col-start-1 lg:row-start-1 lg:row-span-2">
          <h1 id="shelf" className="sr-only">
            Shelf
          </h1>
          {justBegun && (
            <p role="status" className="bg-celadon px-3 py-2 mb-4">
              {justBegun.code}, {justBegun.name}, has begun{alikeBegun(batches, justBegun.id)}. Label the jar:{" "}
              <strong>
                {justBegun.code},{" "}
                {printDay(batches.find((b) => b.id === justBegun.id)?.begunDay ?? today, "long", today)}
              </strong>
              . <Link href={`/batch/${justBegun.id}/make`}>Make it, step by step.</Link>
            </p>
          )}
          {cards.length > 0 ? <ShelvesHere /> : <WaysToBegin />}
          {cards.length === 0 && kept === 0 && <InTime places={home.places} />}
          {cards.length > 0 && (
            <p className="pt-4">
              <Link href="/standing" className="inline-flex items-center min-h-11">
                one stands already that is not here
              </Link>
            </p>
          )}
        </section>
        {isNew ? <ToSayOnce /> : <FromTheCellar {...{ today, soon, more, kept, lasts, planned }} />}
      </div>
    </ShelfHere>
  );
}

/** What six weeks look like, by the reckoning of a plain oxymel. */
/** The codes of the jars filled alike with one that has just begun. */
function alikeBegun(all: readonly Batch[], id: string): string {
  const ids = all.find((b) => b.id === id)?.alike?.batches ?? [];
  const codes = all.filter((b) => b.id !== id && ids.includes(b.id)).map((b) => b.code);
  return codes.length > 0 ? `, and ${listed(codes)} filled alike` : "";
}

function OxymelBegunToday({ today }: { today: string }) {
  const hyssop = { material: "hyssop", form: "dried", amount: "1/3 jar" } as const;
  const plan = withAdded(emptyPlan("oxymel", "metric"), hyssop);
  const r = reckonedPlan(plan, MATERIALS);
  if (!r) return null;
  const care = careOf(r.program, r.reckoning.fit, r.reckoning.working);
  return <BegunToday today={today} care={care} keeps={r.reckoning.verdict.life.days} />;
}

/** Starts of the kept plan that are near. */
function ToBegin({ begins, today }: { begins: readonly PlannedStart[]; today: string }) {
  if (begins.length === 0) return null;
  return (
    <ul aria-label="To begin, as planned">
      {begins.map((s) => (
        <li key={s.id} className={`py-2 break-words ${s.day < today ? "text-rust" : ""}`}>
          {startWords(s, today)}. <Link href="/season">the season</Link>
        </li>
      ))}
    </ul>
  );
}

/** Bottles near their day, and the way to every batch there ever was. */
function FromTheCellar({
  today,
  soon,
  more,
  kept,
  lasts,
  planned,
}: {
  today: string;
  soon: readonly CellarLine[];
  more: number;
  kept: number;
  lasts: readonly Lasts[];
  planned: readonly PlannedStart[];
}) {
  // What is planned already has its day from the plan.
  const isPlanned = (l: Lasts): boolean =>
    planned.some((s) => s.remedy.toLowerCase() === l.name.toLowerCase());
  const toStart = lasts
    .filter((l) => l.next && l.next.by <= addDays(today, START_SOON) && !isPlanned(l))
    .slice(0, SHOWN);
  const begins = within(planned, today, START_SOON).slice(0, SHOWN);
  return (
    <section aria-labelledby="cellar" className="min-w-0 lg:col-start-2 order-3 lg:order-none">
      <h2 id="cellar" className="ruled-head">
        From the cellar
      </h2>
      {soon.length === 0 ? (
        <p className="pt-3 text-ash">
          {kept === 0 ? "No bottles yet. What is bottled is kept in view here." : "Nothing is near its day."}
        </p>
      ) : (
        <ul className="pt-1">
          {soon.map((b) => (
            <li key={b.batch_id + b.place} className="py-2 break-words">
              <Link href={`/batch/${b.batch_id}`}>{b.name}</Link>,{" "}
              {b.bottles === 1 ? "one bottle" : `${b.bottles} bottles`}:{" "}
              {daysBetween(today, b.best_by) < 0 ? (
                <strong className="text-rust">
                  past {printDay(b.best_by, "long", today)}. Look, smell, and when in doubt discard.
                </strong>
              ) : (
                <>
                  use by <strong>{printDay(b.best_by, "long", today)}</strong>.
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      <ToBegin {...{ begins, today }} />
      {toStart.length > 0 && (
        <ul aria-label="To be started">
          {toStart.map((l) => (
            <li key={l.name + l.newest} className="py-2 break-words">
              <Link href={`/bench?again=${l.newest}`}>{l.name}</Link>
              {l.supply.stockMl > 0
                ? ` may run out from ${printDay(l.supply.out!.early, "long", today)}.`
                : ": none left that is good."}{" "}
              <StartBy next={l.next!} today={today} />
            </li>
          ))}
        </ul>
      )}
      {more > 0 && (
        <p className="py-2">
          <Link href="/cellar">{counted(more, "more batch", "more batches")} near or past their day</Link>
        </p>
      )}
      <p className="pt-3">
        <Link href="/batches" className="inline-flex items-center min-h-11 mr-6">
          all batches
        </Link>
        <Link href="/ready" className="inline-flex items-center min-h-11">
          ready by a day
        </Link>
      </p>
    </section>
  );
}
