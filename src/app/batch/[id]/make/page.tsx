import type { Metadata } from "next";
import { batchPage } from "../../../batch-page";
import { MakeHere } from "@/ui/batch/make-here";

export const metadata: Metadata = { title: "Make" };

export default async function MakePage({ params }: { params: Promise<{ id: string }> }) {
  const { events, company, home, today } = await batchPage(params);
  return <MakeHere events={events} company={company} zone={home.zone} today={today} heightM={home.heightM} />;
}
