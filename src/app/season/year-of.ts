import { addDays } from "@/core/day";
import { type YearPage, yearPage } from "@/core/label/year-page";
import { daysIn } from "@/core/season/batch";
import { type Told, startsOf, yearOf as yearTold } from "@/core/season/told";
import { measure } from "@/print/fonts";
import { frame } from "../frame";
import { startsToBegin } from "./planned-starts";
import { seasonTold } from "./season-of";

const vesselOf = (told: Told, id: string): string => told.vessels.find((v) => v.id === id)?.size ?? "";

/** The kept plan's year on one page: what works and what is to be begun, from this month on. */
export async function seasonPage(): Promise<YearPage> {
  const { home, today } = await frame();
  const { told, season } = await seasonTold(home, today);
  const kept = await startsToBegin(today, season);
  const { year } = yearTold(told);
  const on = (day: number): string => addDays(today, day);
  const working = told.working.map((w) => ({
    name: w.name,
    code: w.code,
    begun: on(w.begun),
    ready: on(w.strain),
    until: on(w.strain),
  }));
  const planned = startsOf(kept, told).map((s) => {
    const wanted = year.wanted.find((w) => w.id === s.remedy);
    const name = told.remedies.find((r) => r.id === s.remedy)?.name ?? "something not wished any more";
    const begun = on(s.day);
    const until = on(s.strain + (wanted ? daysIn(wanted, s.in) : 0));
    return {
      name,
      code: `${begun.slice(8)}.${begun.slice(5, 7)}. ${vesselOf(told, s.vessel)}`,
      begun,
      ready: on(s.strain),
      until,
    };
  });
  const from = `${today.slice(0, 7)}-01`;
  const title = `The season at ${home.name}, from ${from.slice(0, 7)}`;
  return yearPage({ title, year: Number(today.slice(0, 4)), from, rows: [...working, ...planned] }, measure);
}
