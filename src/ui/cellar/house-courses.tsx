"use client";
import { useToday } from "../kit/when";
import { useState } from "react";
import type { Kind } from "@/core/plan/plan";
import { type Day, printDay } from "@/core/day";
import { counted, listed } from "@/core/words";
import type { CourseNow, Whole } from "@/core/cellar/house-course";
import type { Measures } from "@/core/reading/measures";
import { printMoney } from "@/core/stores/cost";
import { PuttingAway, usePutAway } from "../stores/put-away";
import { useUnits } from "../kit/units";
import { LayDown } from "./lay-down";

/** A remedy of which bottles stand here. */
export interface RemedyHere {
  readonly name: string;
  readonly kind: Kind;
}

const grams = (g: number): string => (g < 10 ? `${g.toFixed(1)} g` : `${Math.round(g)} g`);

/** How often, from when and for how long. */
function whenWords({ course, stands }: CourseNow, today: Day): string {
  const often = course.times === 1 ? "once a day" : `${course.times} times a day`;
  const from = course.from > today ? `, from ${printDay(course.from, "long", today)}` : `, day ${stands.day}`;
  if (course.days === undefined) return `${often}${from}, until it is ended`;
  const rest = course.rest > 0 ? `, then ${counted(course.rest, "day")} of rest` : "";
  return `${often}${from} of ${course.days}${rest}`;
}

/** What stands there for it, and whether that is enough. */
function Enough({ c }: { c: CourseNow }) {
  const today = useToday();
  const units = useUnits();
  const { stands: s } = c;
  if (s.bottles === 0) return <strong className="text-rust">None left that is good.</strong>;
  const here = `${counted(s.bottles, "bottle")} with ${units.volumeExact(s.stockMl)}`;
  if (s.enough === undefined)
    return (
      <>
        {here}: enough{s.last ? ` to the end, ${printDay(s.last, "long", today)}` : ""}.
      </>
    );
  return (
    <>
      {here}: enough until <strong>{printDay(s.enough, "long", today)}</strong>
      {s.lackMl > 0 && s.last
        ? `; to ${printDay(s.last, "long", today)} it wants ${units.volumeExact(s.lackMl)} more`
        : ""}
      .{s.lateMl > 1 ? ` ${units.volumeExact(s.lateMl)} will be past its day before it is taken.` : ""}
    </>
  );
}

/** A course with an end, summed. */
function wholeWords(w: Whole, currency: string, units: Measures): string[] {
  return [
    counted(w.days, "day"),
    units.volumeExact(w.ml),
    ...(w.bottles === undefined ? [] : [counted(w.bottles, "bottle")]),
    ...(w.sugar >= 0.5 ? [`${grams(w.sugar)} of sugar`] : []),
    ...(w.alcohol >= 0.5 ? [`${grams(w.alcohol)} of alcohol`] : []),
    ...(w.money === undefined ? [] : [printMoney(w.money, currency)]),
  ];
}

function OneCourse({
  c,
  people,
  today,
  currency,
}: {
  c: CourseNow;
  people: readonly string[];
  today: Day;
  currency: string;
}) {
  const units = useUnits();
  const [changing, setChanging] = useState(false);
  const { putAway, sending } = usePutAway();
  const { course, stands } = c;
  if (changing)
    return (
      <li className="py-2.5 border-b border-rule">
        <LayDown {...{ people, today }} remedies={[]} was={c} done={() => setChanging(false)} />
      </li>
    );
  const holds = [
    stands.sugar >= 0.05 ? `${grams(stands.sugar)} of sugar` : "",
    stands.alcohol >= 0.05 ? `${grams(stands.alcohol)} of alcohol` : "",
    stands.money === undefined ? "" : printMoney(stands.money, currency),
  ].filter((w) => w !== "");
  return (
    <li className="py-2.5 border-b border-rule">
      <p className="flex flex-wrap justify-between gap-x-4">
        <strong>{course.remedy}</strong>
        <span>{whenWords(c, today)}</span>
      </p>
      <ul className="flex flex-wrap gap-x-6">
        {course.takers.map((t) => (
          <li key={t.who}>
            <span className="font-semibold">{t.said}</span> {t.who}
          </li>
        ))}
      </ul>
      <p>
        Together {units.volumeExact(stands.dayMl)} a day{holds.length > 0 ? `, about ${listed(holds)}` : ""}.{" "}
        <Enough c={c} />
      </p>
      {stands.whole && (
        <p className="quiet" data-testid="whole-course">
          The whole of it: {listed(wholeWords(stands.whole, currency, units))}.
        </p>
      )}
      <p className="flex flex-wrap gap-x-5">
        <button type="button" className="plain min-h-11" onClick={() => setChanging(true)}>
          change
        </button>
        <button
          type="button"
          className="plain min-h-11"
          disabled={sending}
          onClick={() => void putAway(c.id, `the course of ${course.remedy}`, "ended", c.seq)}
        >
          end it
        </button>
      </p>
    </li>
  );
}

/** What the household takes: each by their own measure, over all bottles of a remedy. */
export function HouseCourses({
  courses,
  remedies,
  people,
  today,
  currency,
}: {
  courses: readonly CourseNow[];
  remedies: readonly RemedyHere[];
  people: readonly string[];
  today: Day;
  currency: string;
}) {
  const [laying, setLaying] = useState(false);
  return (
    <section aria-labelledby="courses" className="pt-8 max-w-3xl">
      <h2 id="courses" className="ruled-head">
        What the household takes
      </h2>
      <PuttingAway>
        <ul>
          {courses.map((c) => (
            <OneCourse key={c.id} {...{ c, people, today, currency }} />
          ))}
        </ul>
      </PuttingAway>
      {laying && remedies.length > 0 ? (
        <LayDown {...{ people, today, remedies }} was={undefined} done={() => setLaying(false)} />
      ) : (
        remedies.length > 0 && (
          <p>
            <button type="button" className="plain min-h-11" onClick={() => setLaying(true)}>
              lay down a course for the household
            </button>
          </p>
        )
      )}
    </section>
  );
}
