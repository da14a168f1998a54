import { NextResponse } from "next/server";
import { z } from "zod";
import { hub } from "@/instruments/house";
import { INSTRUMENTS } from "@/instruments/said";
import { bodyOf } from "../../answer";

const Asked = z.strictObject({ do: z.enum(["tare"]) });

/** Asks something of an instrument. */
export async function POST(
  request: Request,
  context: { params: Promise<{ sort: string }> },
): Promise<NextResponse> {
  const sort = z.enum(INSTRUMENTS).safeParse((await context.params).sort);
  const body = await bodyOf(request, Asked);
  if (!body.ok) return body.response;
  const done = sort.success && hub().command(sort.data, { say: "command", do: body.value.do });
  return done
    ? NextResponse.json({ ok: true })
    : NextResponse.json(
        { fault: { name: "NotThere", message: "It does not answer. Type what it shows.", path: [] } },
        { status: 409 },
      );
}
