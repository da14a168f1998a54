import { NextResponse } from "next/server";
import { within } from "@/store/away";
import { db } from "@/store/db";
import { liveEvents } from "@/store/shelf";

export const dynamic = "force-dynamic";

/** What devices hold of the jars that stand on the Shelf: their journals, entry by entry. */
export async function GET(): Promise<NextResponse> {
  return NextResponse.json({ events: await within(4000, liveEvents(db())) });
}
