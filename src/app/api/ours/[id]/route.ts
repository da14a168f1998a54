import { NextResponse } from "next/server";
import { z } from "zod";
import { fault } from "@/core/fault";
import { guarded } from "../../answer";
import { db } from "@/store/db";
import { oursOf } from "@/store/ours";

export const dynamic = "force-dynamic";

/** The bottles of one batch as a material: what they are made of, what they hold, and until when. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<NextResponse> {
  const id = z.uuid().safeParse((await params).id);
  return guarded(async () => {
    const rows = id.success ? await oursOf(db(), id.data) : undefined;
    if (!rows)
      return NextResponse.json(
        { fault: fault("NoSuchBottle", "There is no such batch in the cellar.") },
        { status: 404 },
      );
    return NextResponse.json({ rows });
  });
}
