import { HandedIn } from "@/ui/household/handed-in";
import { HouseDoor } from "@/ui/household/door";
import { asker } from "../asker";
import { Copies } from "@/ui/household/copies";
import { copiesStand, doorStands, handedLetters } from "./door-stands";
import type { Metadata } from "next";
import { db } from "@/store/db";
import { coursesNow } from "@/store/courses";
import { cellarBottles, remedies } from "@/store/shelf";
import { storedItems } from "@/store/stores";
import { CalendarOut } from "@/ui/household/calendar";
import { HouseMeasures } from "@/ui/household/measures";
import { HouseWeeks } from "@/ui/household/weeks";
import { KnownNotes } from "@/ui/household/known-notes";
import { Places } from "@/ui/household/places";
import { Table } from "@/ui/household/table";
import { frame } from "../frame";
import { sittersOf } from "./sitters";

export const metadata: Metadata = { title: "Household" };

/** The house: its measures and its places on their boards, and who lives here at the table. */
export default async function HouseholdPage() {
  const [{ home, today, measures }, items, who] = await Promise.all([frame(), storedItems(db()), asker()]);
  const [courses, made, bottles] = await Promise.all([
    coursesNow(db(), items, { today, away: home.away }),
    remedies(db(), today),
    cellarBottles(db()),
  ]);
  const isKeeper = who.role === "keeper";
  return (
    <div className="pt-5 grid grid-cols-1 gap-y-6">
      <h1>
        {home.name} <span className="quiet font-normal pl-3">touch what is yours</span>
      </h1>
      {!isKeeper && (
        <p role="status">
          This device may look here. What the house measures by and who lives in it is changed by a keeper.
        </p>
      )}
      {/* What a hand may not write is not offered to it: the browser itself shuts every control in here. */}
      <fieldset disabled={!isKeeper} className="contents">
        <div className="grid grid-cols-1 gap-x-12 gap-y-6 xl:grid-cols-[minmax(0,1fr)_auto]">
          <HouseMeasures
            start={{
              name: home.name,
              units: home.units,
              currency: home.currency,
              degrees: home.degrees,
              lengths: home.lengths,
              zone: home.zone,
            }}
          />
          <Places places={home.places} bottles={bottles} />
        </div>
        <Table sitters={sittersOf(items, courses, made, { today, measures })} today={today} />
        <div className="max-w-5xl grid grid-cols-1 gap-8 pt-4">
          <HouseWeeks
            start={{
              heightM: home.heightM,
              strainDays: home.strainDays,
              away: home.away,
              morning: home.morning,
            }}
          />
          <KnownNotes />
          {isKeeper && (
            <>
              <HandedIn letters={await handedLetters(home.zone)} />
              <HouseDoor stands={await doorStands(home.zone)} />
              <Copies stand={await copiesStand(home.zone)} />
            </>
          )}
          <CalendarOut on={home.feed !== ""} />
        </div>
      </fieldset>
    </div>
  );
}
