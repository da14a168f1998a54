import { NextResponse } from "next/server";
import { within } from "@/store/away";
import { db } from "@/store/db";

export const dynamic = "force-dynamic";

export async function GET(): Promise<NextResponse> {
  try {
    const [house] = await within(2000, db()<{ opens: boolean }[]>`select opens from house`);
    // Whoever watches over the app opens the house, or shuts it, by this.
    return NextResponse.json({ well: true, opens: house?.opens ?? false });
  } catch {
    return NextResponse.json({ well: false }, { status: 503 });
  }
}
