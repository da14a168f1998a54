import { NextResponse } from "next/server";
import { bodyOf, guarded } from "../answer";
import { db } from "@/store/db";
import { SettingsRequest, settleAnew } from "@/store/settings";

export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, SettingsRequest);
  if (!body.ok) return body.response;
  return guarded(async () => {
    const w = await settleAnew(db(), body.value);
    return w.ok
      ? NextResponse.json({ seq: w.state.seq, entry: w.seq, id: w.state.name, already: w.already })
      : NextResponse.json({ fault: w.fault }, { status: w.status });
  });
}
