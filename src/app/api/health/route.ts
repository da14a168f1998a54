import { NextResponse } from "next/server";
import { db } from "@/store/db";

export const dynamic = "force-dynamic";

export async function GET(): Promise<NextResponse> {
  try {
    await db()`select 1`;
    return NextResponse.json({ well: true });
  } catch {
    return NextResponse.json({ well: false }, { status: 503 });
  }
}
