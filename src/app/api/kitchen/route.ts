import { NextResponse } from "next/server";
import { z } from "zod";
import { isFrozen, now } from "@/store/clock";
import { db } from "@/store/db";
import { kitchen, seqOf } from "@/store/kitchen";
import { guarded } from "../answer";

/** What goes on in the kitchen now, by the server's clock; and how far one batch has got. */
export async function GET(request: Request): Promise<NextResponse> {
  const batch = z.uuid().safeParse(new URL(request.url).searchParams.get("batch"));
  return guarded(async () => {
    const [clocks, seq] = await Promise.all([
      kitchen(db()),
      batch.success ? seqOf(db(), batch.data) : undefined,
    ]);
    return NextResponse.json({ now: now(), frozen: isFrozen(), clocks, seq: seq ?? null });
  });
}
