import type { NextResponse } from "next/server";
import { db } from "@/store/db";
import { StandRequest, stand } from "@/store/standing";
import { answer, bodyOf, guarded } from "../answer";

export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, StandRequest);
  if (!body.ok) return body.response;
  return guarded(async () => answer(await stand(db(), body.value)));
}
