import { NextResponse } from "next/server";
import { bodyOf, guarded } from "../answer";
import { db } from "@/store/db";
import { SeasonRequest, writeSeason } from "@/store/season";

export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, SeasonRequest);
  if (!body.ok) return body.response;
  return guarded(async () => {
    const w = await writeSeason(db(), body.value);
    if (w.ok)
      return NextResponse.json(
        { seq: w.state.seq, entry: w.seq, id: "season", already: w.already },
        { status: w.already ? 200 : 201 },
      );
    return NextResponse.json(
      { fault: w.fault, ...(w.state ? { seq: w.state.seq } : {}) },
      { status: w.status },
    );
  });
}
