import type { Metadata } from "next";
import { batchPage } from "../../../batch-page";
import { lastTime } from "../../../last-time";
import { cardOf } from "@/ui/shelf/card";
import { StrainHere } from "@/ui/batch/strain-here";

export const metadata: Metadata = { title: "Strain" };

export default async function StrainPage({ params }: { params: Promise<{ id: string }> }) {
  const { batch, events, company, home, today, r } = await batchPage(params);
  return (
    <StrainHere
      events={events}
      zone={home.zone}
      card={cardOf(batch, today)}
      company={company}
      care={r.care}
      today={today}
      last={await lastTime(batch)}
    />
  );
}
