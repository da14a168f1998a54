import { NextResponse } from "next/server";
import type { z } from "zod";
import { type Fault, fault } from "@/core/fault";
import type { Written } from "@/store/journal";

/** No request body here is larger than this many bytes. */
const MOST = 200_000;

/** Reads a JSON body within bounds and through its schema; a fault otherwise. */
export async function bodyOf<T>(
  request: Request,
  schema: z.ZodType<T>,
): Promise<{ ok: true; value: T } | { ok: false; response: NextResponse }> {
  const refuse = (status: number, f: Fault) => ({
    ok: false as const,
    response: NextResponse.json({ fault: f }, { status }),
  });
  if (Number(request.headers.get("content-length") ?? 0) > MOST)
    return refuse(413, fault("TooLong", "That is too much at once."));
  if (!(request.headers.get("content-type") ?? "").startsWith("application/json"))
    return refuse(415, fault("NotJson", "This takes JSON."));
  const text = await request.text();
  if (text.length > MOST) return refuse(413, fault("TooLong", "That is too much at once."));
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refuse(400, fault("NotJson", "That is not JSON."));
  }
  const parsed = schema.safeParse(json);
  if (!parsed.success)
    return refuse(
      422,
      fault(
        "BadRequest",
        `${parsed.error.issues[0]!.path.join(".")} ${parsed.error.issues[0]!.message}`.trim(),
        parsed.error.issues[0]!.path.map(String),
      ),
    );
  return { ok: true, value: parsed.data };
}

/** What a write is answered with: the new version, or the fault and where the batch stands now. */
export function answer(w: Written): NextResponse {
  const { state: b } = w;
  if (w.ok)
    return NextResponse.json(
      { seq: w.state.seq, code: w.state.code, id: w.state.id, state: w.state.state, already: w.already },
      { status: w.already ? 200 : 201 },
    );
  return NextResponse.json(
    { fault: w.fault, ...(b ? { seq: b.seq, state: b.state, code: b.code } : {}) },
    { status: w.status },
  );
}

/** A database that is away is told as such, so that the browser keeps what was typed and tries again. */
export async function guarded(work: () => Promise<NextResponse>): Promise<NextResponse> {
  try {
    return await work();
  } catch (e) {
    console.error(e);
    return NextResponse.json(
      {
        fault: fault(
          "StoreAway",
          "The journal could not be reached just now. What you typed is kept; it will be sent again.",
        ),
      },
      { status: 503 },
    );
  }
}
