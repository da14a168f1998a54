import { type CourseNow, type HouseCourse, houseCourseStands, isOn } from "../core/cellar/house-course";
import { type PerMl, perMlOf } from "../core/cellar/course";
import { neverAtTheDoor } from "../core/cautions/door";
import type { Day } from "../core/day";
import { type Fault, fault } from "../core/fault";
import { reckonBatch } from "../core/journal/reckon";
import type { Person } from "../core/people/person";
import type { Away } from "../core/care/weeks";
import { costOf } from "../core/stores/cost";
import type { Stored } from "../core/stores/events";
import { type Stores, storesOf } from "../core/stores/stores";
import type { UnitSystem } from "../core/quantity/units";
import type { Sql, Tx } from "./db";
import { batchOf } from "./journal";
import { MOST_A_DAY_ML, saysOtherwise } from "./said-ml";
import { bottlesOfRemedy, cellarBottles } from "./shelf";

/** Batches of which bottles of a remedy stand there. */
const batchesOf = (tx: Sql | Tx, c: Pick<HouseCourse, "remedy" | "kind">): Promise<{ id: string }[]> => tx<
  { id: string }[]
>`
  select distinct b.id from bottle x join batch b on b.id = x.batch_id
  where x.state = 'kept' and lower(b.name) = lower(${c.remedy}) and b.kind = ${c.kind}`;

/** Why a course of the household may not be laid down so: what somebody may never have, or what is no measure. */
export async function courseFault(
  tx: Tx,
  c: HouseCourse,
  {
    people,
    units,
    today,
  }: { readonly people: readonly Person[]; readonly units: UnitSystem; readonly today: Day },
): Promise<Fault | undefined> {
  for (const [i, t] of c.takers.entries()) {
    if (saysOtherwise(t.ml, t.said, units) !== undefined)
      return fault("SaidOtherwise", "That is not what was sent beside it. Say it again.", [
        "takers",
        i,
        "said",
      ]);
    if (t.ml * c.times > MOST_A_DAY_ML)
      return fault(
        "TooMuch",
        "That is more than a litre a day for one. Say how much at a time, and how often.",
        ["takers", i, "said"],
      );
  }
  const batches = await batchesOf(tx, c);
  if (batches.length === 0)
    return fault("NoSuchRemedy", "No bottle of that stands here. Choose one that does.", ["remedy"]);
  for (const { id } of batches) {
    const batch = await batchOf(tx, id);
    const made = batch && reckonBatch(batch);
    if (!batch || !made?.ok) continue;
    for (const [i, { who }] of c.takers.entries()) {
      const never = neverAtTheDoor(made.value, { who, meantFor: batch.plan.meantFor, people, today });
      if (never) return fault("NeverForThem", `${never.says} Leave ${who} out of it.`, ["takers", i, "who"]);
    }
  }
  return undefined;
}

interface PouredToday {
  readonly name: string;
  readonly kind: string;
  readonly who: string;
  readonly ml: number;
}
/** What was poured today for somebody, by remedy; what was taken back was not. */
const pouredToday = (sql: Sql, today: Day): Promise<PouredToday[]> => sql<PouredToday[]>`
  select lower(b.name) as name, b.kind, lower(e.body->>'for') as who, sum((e.body->>'ml')::float8) as ml
  from event e join bottle x on x.id = e.stream_id join batch b on b.id = x.batch_id
  where e.stream_kind = 'bottle' and e.type = 'poured' and e.day = ${today} and e.body ? 'for'
    and not exists (select 1 from event c where c.stream_kind = 'bottle' and c.stream_id = e.stream_id and c.type = 'corrected'
      and (c.body->>'seq')::int = e.seq)
  group by 1, 2, 3`;

/** What a mL of a remedy holds, by the newest batch of which bottles stand there. */
async function heldPerMl(sql: Sql, id: string, lots: Stores["lots"]): Promise<PerMl | undefined> {
  const batch = await batchOf(sql, id);
  const made = batch && reckonBatch(batch);
  if (!made?.ok) return undefined;
  const { reckoning, program } = made.value;
  const cost = costOf(program, reckoning, lots);
  // A sum without its dearest line is no sum.
  const money = cost.unpriced.length === 0 && cost.batch.value > 0 ? { money: cost.per100.value / 100 } : {};
  return { ...perMlOf(reckoning), ...money };
}

/** Every course of the household that is not over, as it stands today. */
export async function coursesNow(
  sql: Sql,
  items: readonly Stored[],
  { today, away }: { readonly today: Day; readonly away: readonly Away[] },
): Promise<CourseNow[]> {
  const laid = items.flatMap((s) => (s.item.what === "course" ? [{ ...s, course: s.item }] : []));
  if (laid.length === 0) return [];
  const { lots } = storesOf(items);
  const [kept, poured] = await Promise.all([cellarBottles(sql), pouredToday(sql, today)]);
  const all = await Promise.all(
    laid.map(async ({ id, seq, course: { what: _, ...course } }): Promise<CourseNow> => {
      const like = course.remedy.toLowerCase();
      const from = kept.filter(
        (b) => b.name.toLowerCase() === like && b.kind === course.kind && b.best_by >= today,
      );
      const bottles = await bottlesOfRemedy(sql, { name: course.remedy, kind: course.kind }, today);
      const newest = from.at(-1);
      const per = newest && (await heldPerMl(sql, newest.batch_id, lots));
      const takenBy = (who: string): number =>
        poured.find((p) => p.name === like && p.kind === course.kind && p.who === who.toLowerCase())?.ml ?? 0;
      return {
        ...{ id, seq, course },
        stands: houseCourseStands(course, bottles, { today, per, away }),
        takes: isOn(course, today)
          ? course.takers.map((t) => ({ ...t, taken: Math.round((takenBy(t.who) / t.ml) * 10) / 10 }))
          : [],
        // The open one first, then by its day.
        from: [...from]
          .sort((a, b) => Number(b.opened_day !== null) - Number(a.opened_day !== null))
          .map((b) => ({
            id: b.id,
            code: `${b.code}·${b.number}`,
            left: b.left_ml,
            open: b.opened_day !== null,
          })),
      };
    }),
  );
  return all.filter((c) => !c.stands.over);
}
