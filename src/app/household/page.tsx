import type { Metadata } from "next";
import { db } from "@/store/db";
import { storedItems } from "@/store/stores";
import { CalendarOut } from "@/ui/stores/calendar";
import { HouseWeeks } from "@/ui/stores/weeks";
import { KnownNotes } from "@/ui/stores/known-notes";
import { People } from "@/ui/stores/people";
import { HouseholdSettings } from "@/ui/stores/settings";
import { frame } from "../frame";

export const metadata: Metadata = { title: "Household" };

export default async function HouseholdPage() {
  const [{ home, today }, items] = await Promise.all([frame(), storedItems(db())]);
  return (
    <div className="pt-5 max-w-5xl grid gap-8">
      <h1>{home.name}</h1>
      <People
        people={items
          .filter((s) => s.item.what === "person")
          .sort((a, b) => (JSON.stringify(a.item) < JSON.stringify(b.item) ? -1 : 1))}
        today={today}
      />
      <HouseholdSettings
        start={{
          name: home.name,
          units: home.units,
          currency: home.currency,
          degrees: home.degrees,
          lengths: home.lengths,
          zone: home.zone,
        }}
      />
      <HouseWeeks
        start={{
          heightM: home.heightM,
          strainDays: home.strainDays,
          away: home.away,
          morning: home.morning,
        }}
      />
      <KnownNotes />
      <CalendarOut on={home.feed !== ""} />
    </div>
  );
}
