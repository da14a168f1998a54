import { NextResponse } from "next/server";
import { z } from "zod";
import { answer, bodyOf, guarded } from "../../answer";
import { EventRequest, write } from "@/store/entries";
import { db } from "@/store/db";

export async function POST(
  request: Request,
  context: { params: Promise<{ id: string }> },
): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success)
    return NextResponse.json(
      { fault: { name: "NoSuchBatch", message: "There is no such batch.", path: [] } },
      { status: 404 },
    );
  const body = await bodyOf(request, EventRequest);
  if (!body.ok) return body.response;
  return guarded(async () => answer(await write(db(), id.data, body.value)));
}
