"use client";
import { useToday } from "../kit/when";
import Link from "../kit/link";
import type { Supply } from "@/core/cellar/supply";
import { type Day, addDays, printDay } from "@/core/day";
import type { Kind } from "@/core/plan/plan";
import { capital, counted } from "@/core/words";
import { PourFigure } from "../figures/pour";
import { useUnits } from "../kit/units";
import { SUBSTANCE_OF } from "./shelf-words";

/** A remedy that is used: how long what there is lasts, and by when the next one is to be begun. */
export interface Lasts {
  readonly name: string;
  readonly kind: Kind;
  /** The batch the next would be made after. */
  readonly newest: string;
  readonly supply: Supply;
  /** `sure`: the day is counted by a course, not learned. */
  readonly next: { readonly days: number; readonly by: Day; readonly sure: boolean } | undefined;
}

/** “six weeks”, “ten days”. */
const wants = (days: number): string =>
  days >= 14 ? counted(Math.round(days / 7), "week") : counted(days, "day");

function RunsOut({ supply: { out, stockMl, counted: isCounted } }: { supply: Supply }) {
  const today = useToday();
  if (stockMl <= 0) return <strong className="text-rust">None left that is good.</strong>;
  if (!out) return <span className="quiet">It cannot be said yet how long that lasts.</span>;
  const about = out.likely ? `about ${printDay(out.likely, "long", today)}` : "in more than two years";
  const late = out.late ? printDay(out.late, "short", today) : "later than can be said";
  if (isCounted)
    return (
      <>
        By its course it is enough until <strong>{printDay(out.early, "long", today)}</strong>.
      </>
    );
  return (
    <>
      Runs out <strong>{about}</strong> ({printDay(out.early, "short", today)} – {late}).
    </>
  );
}

/** By when the next is to be begun; what is made in an afternoon, or whose day is only likely, is no day that was missed. */
function startWords(next: NonNullable<Lasts["next"]>, today: Day): string {
  if (next.by >= today) return `start it by ${printDay(next.by, "long", today)}.`;
  return next.sure && next.days > 0
    ? `it was to be begun by ${printDay(next.by, "long", today)}.`
    : "begin it now, to have no gap.";
}

/** By when the next is to be begun; red once that day is gone. */
export function StartBy({ next, today }: { next: NonNullable<Lasts["next"]>; today: Day }) {
  const gone = next.by < today;
  return (
    <span className={gone ? "text-rust font-semibold" : ""}>
      {next.days > 0
        ? `A new one wants ${wants(next.days)}: ${startWords(next, today)}`
        : capital(startWords(next, today))}
    </span>
  );
}

/** As far ahead as the pours reach, days: to where the last of them runs out, at least a season and at most two years. */
const [LEAST_AHEAD, MOST_AHEAD] = [120, 730];
function reach(lasts: readonly Lasts[], today: Day): Day {
  const ends = lasts.flatMap(({ supply: { out } }) => (out ? [out.late ?? out.likely ?? out.early] : []));
  const last = ends.sort().at(-1) ?? today;
  const [least, most] = [addDays(today, LEAST_AHEAD), addDays(today, MOST_AHEAD)];
  if (last < least) return least;
  return last > most ? most : addDays(last, 10);
}

/** Every remedy that is used, soonest to run out first. */
export function HowLongItLasts({ lasts, today }: { lasts: readonly Lasts[]; today: Day }) {
  const units = useUnits();
  if (lasts.length === 0) return null;
  const until = reach(lasts, today);
  const most = Math.max(...lasts.map((l) => l.supply.stockMl));
  return (
    <section aria-labelledby="lasts" className="pt-8">
      <h2 id="lasts" className="ruled-head">
        How long it lasts
      </h2>
      <ul>
        {lasts.map(({ name, kind, newest, supply, next }) => (
          <li key={name + newest} className="py-2.5 border-b border-rule">
            <p className="flex flex-wrap justify-between gap-x-4">
              <strong>{name}</strong>
              <span>
                {supply.stockMl > 0 && <>{units.volumeExact(supply.stockMl)}; </>}about{" "}
                {units.volumeExact(supply.perWeekMl)} a week, by{" "}
                {supply.weeks > 0 ? `${counted(supply.weeks, "week")} of it` : "the course laid down"}
              </span>
            </p>
            <PourFigure
              {...{ supply, today, until, most }}
              substance={SUBSTANCE_OF[kind]}
              startBy={next?.by}
              title={`${name}, poured out from today to ${printDay(until, "year")}`}
            />
            <p>
              <RunsOut supply={supply} />{" "}
              {supply.lateMl > 0.1 * supply.stockMl && (
                <>About {units.volumeExact(supply.lateMl)} will be past its day before it is used. </>
              )}
              {next && (
                <>
                  <StartBy next={next} today={today} />{" "}
                  <Link href={`/bench?again=${newest}`} className="inline-flex items-center min-h-11">
                    Plan it again
                  </Link>
                </>
              )}
            </p>
          </li>
        ))}
      </ul>
      <p className="quiet pt-1">
        Learned from what was poured and emptied, four times in five right by the days in brackets. Gifts and
        what was thrown out are no use.
      </p>
    </section>
  );
}
