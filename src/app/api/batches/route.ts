import { NextResponse } from "next/server";
import { answer, bodyOf, guarded } from "../answer";
import { readPlan } from "@/core/plan/file";
import { BeginRequest, begin } from "@/store/commands";
import { db } from "@/store/db";

export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, BeginRequest);
  if (!body.ok) return body.response;
  const plan = readPlan(body.value.plan);
  if (!plan.ok) return NextResponse.json({ fault: plan.faults[0] }, { status: 422 });
  return guarded(async () => answer(await begin(db(), body.value, plan.value)));
}
