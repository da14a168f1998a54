import { NextResponse } from "next/server";
import { within } from "@/store/away";
import { db } from "@/store/db";

export const dynamic = "force-dynamic";

export async function GET(): Promise<NextResponse> {
  try {
    await within(2000, db()`select 1`);
    return NextResponse.json({ well: true });
  } catch {
    return NextResponse.json({ well: false }, { status: 503 });
  }
}
