import { NextResponse } from "next/server";
import { fault } from "@/core/fault";
import { within } from "@/store/away";
import { dayAt } from "@/core/day";
import { now } from "@/store/clock";
import { db } from "@/store/db";
import { find } from "@/store/find";
import { household } from "@/store/household";

export const dynamic = "force-dynamic";

/** A question is no longer than this. */
const MOST_LETTERS = 200;
const PATIENCE = 4000;

export async function GET(request: Request): Promise<NextResponse> {
  const question = new URL(request.url).searchParams.get("q") ?? "";
  if (question.length > MOST_LETTERS)
    return NextResponse.json({ fault: fault("TooLong", "Ask in fewer words.") }, { status: 422 });
  try {
    const look = async () => {
      const home = await household(db());
      return find(db(), question.replaceAll("\0", " ").toWellFormed(), home.places, dayAt(now(), home.zone));
    };
    return NextResponse.json(await within(PATIENCE, look()));
  } catch {
    return NextResponse.json(
      { fault: fault("StoreAway", "The journal could not be reached just now.") },
      { status: 503 },
    );
  }
}
