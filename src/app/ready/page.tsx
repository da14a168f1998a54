import type { Metadata } from "next";
import { z } from "zod";
import { careOf } from "@/core/care/care";
import { reckonProgram } from "@/core/reckoning/reckon";
import { resolve } from "@/core/reckoning/resolve";
import { plansIn } from "@/store/recipes";
import { type InTheBook, type MadeBefore, readyBy } from "@/core/advice/ready-by";
import { addDays, isDay, printDay } from "@/core/day";
import { reckonBatch } from "@/core/journal/reckon";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";
import { remedies } from "@/store/shelf";
import { Months, Ribbon } from "@/ui/ready/ribbon";
import { frame } from "../frame";

export const metadata: Metadata = { title: "Ready by" };

/** Farther than this nobody plans by the day. */
const MOST_AHEAD = 730;
const Asked = z.object({ by: z.string().optional() });

/** What was made before and can be reckoned, with the days it takes. */
async function madeBefore(today: string): Promise<MadeBefore[]> {
  const all = await remedies(db(), today);
  const found = await Promise.all(
    all.map(async ({ name, kind, newest }): Promise<MadeBefore[]> => {
      const batch = await batchOf(db(), newest);
      const r = batch && reckonBatch(batch);
      if (!r?.ok) return [];
      const w = r.value.care.window;
      const days = w ? { low: w.earliest, value: w.best, high: w.latest } : { low: 0, value: 0, high: 0 };
      return [{ name, kind, batch: newest, days }];
    }),
  );
  return found.flat();
}

/** Recipes looked through: as many as are seen at once. */
const MOST_RECIPES = 120;

/** The recipes of the book that can be reckoned, with the days their window gives. */
async function inTheBook(): Promise<InTheBook[]> {
  return (await plansIn(db(), MOST_RECIPES)).flatMap(({ id, name, plan }): InTheBook[] => {
    const p = resolve(plan);
    if (!p.ok) return [];
    const r = reckonProgram(p.value);
    const w = careOf(p.value, r.fit, r.working).window;
    const days = w ? { low: w.earliest, value: w.best, high: w.latest } : { low: 0, value: 0, high: 0 };
    return [{ name, kind: plan.kind, recipe: id, days }];
  });
}

export default async function ReadyPage({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  const { today } = await frame();
  const said = Asked.safeParse(await searchParams);
  const typed = said.success ? (said.data.by ?? "") : "";
  const usable = isDay(typed) && typed >= today && typed <= addDays(today, MOST_AHEAD);
  const by = usable ? typed : addDays(today, 60);
  const wrong = typed !== "" && !usable;
  const [made, book] = await Promise.all([madeBefore(today), inTheBook()]);
  const all = readyBy(by, today, made, book);
  const recipes = all.filter((r) => "recipe" in r.from);
  const mine = all.filter((r) => "batch" in r.from);
  const ways = all.filter((r) => "way" in r.from);
  const at = { today, by };
  return (
    <div className="pt-5">
      <h1>Ready by {printDay(by, "year")}</h1>
      <form className="flex flex-wrap items-end gap-4 py-3" action="/ready">
        <p>
          <label className="quiet block" htmlFor="ready-by">
            wanted by
          </label>
          <input
            id="ready-by"
            name="by"
            type="date"
            className="field"
            defaultValue={typed || by}
            aria-invalid={wrong}
            aria-describedby={wrong ? "ready-wrong" : undefined}
          />
        </p>
        <button type="submit" className="slab">
          when must I start?
        </button>
        {wrong && (
          <p id="ready-wrong" role="alert" className="wrong basis-full">
            Give a day from today on, within two years. Shown is {printDay(by, "long", today)}.
          </p>
        )}
      </form>
      <div data-drawing="">
        <Months {...at} />
        {mine.length > 0 && (
          <section aria-labelledby="ready-mine" className="pt-2">
            <h2 id="ready-mine" className="ruled-head">
              What you have made before, by the last day to begin it
            </h2>
            <ul>
              {mine.map((r) => (
                <Ribbon key={r.name + r.kind} r={r} at={at} />
              ))}
            </ul>
          </section>
        )}
        {recipes.length > 0 && (
          <section aria-labelledby="ready-book" className="pt-5">
            <h2 id="ready-book" className="ruled-head">
              In the book
            </h2>
            <ul>
              {recipes.map((r) => (
                <Ribbon key={"recipe" in r.from ? r.from.recipe : r.name} r={r} at={at} />
              ))}
            </ul>
          </section>
        )}
        <section aria-labelledby="ready-ways" className="pt-5">
          <h2 id="ready-ways" className="ruled-head">
            Every way there is
          </h2>
          <ul>
            {ways.map((r) => (
              <Ribbon key={r.name} r={r} at={at} />
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}
