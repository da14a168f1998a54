import { NextResponse } from "next/server";
import { guarded } from "../answer";
import { db } from "@/store/db";
import { oursKept } from "@/store/ours";

export const dynamic = "force-dynamic";

/** What stands in the cellar to be poured into a new batch. */
export async function GET(): Promise<NextResponse> {
  return guarded(async () => NextResponse.json({ ours: await oursKept(db()) }));
}
