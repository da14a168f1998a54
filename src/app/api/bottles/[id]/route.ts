import { NextResponse } from "next/server";
import { z } from "zod";
import { bodyOf, guarded } from "../../answer";
import { writeBottle } from "@/store/bottles";
import { db } from "@/store/db";
import { EventRequest } from "@/store/entries";

export async function POST(
  request: Request,
  context: { params: Promise<{ id: string }> },
): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success)
    return NextResponse.json(
      { fault: { name: "NoSuchBottle", message: "There is no such bottle.", path: [] } },
      { status: 404 },
    );
  const body = await bodyOf(request, EventRequest);
  if (!body.ok) return body.response;
  return guarded(async () => {
    const w = await writeBottle(db(), id.data, body.value);
    const { state: b } = w;
    if (w.ok)
      return NextResponse.json(
        { seq: w.state.seq, entry: w.seq, id: w.state.id, state: w.state.state, already: w.already },
        { status: w.already ? 200 : 201 },
      );
    return NextResponse.json({ fault: w.fault, ...(b ? { seq: b.seq } : {}) }, { status: w.status });
  });
}
