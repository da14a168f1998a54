import { randomBytes } from "node:crypto";
import { NextResponse } from "next/server";
import type { z } from "zod";
import { type Fault, fault, faultOfIssue } from "@/core/fault";
import { askedBy } from "@/store/asking";
import { failingOf, within } from "@/store/away";
import { asker } from "../asker";
import type { Written } from "@/store/journal";

/** No request body here is larger than this many bytes. */
const MOST = 200_000;

const refuse = (status: number, f: Fault) => ({
  ok: false as const,
  response: NextResponse.json({ fault: f }, { status }),
});

/** The body as text, read no further than the bound; nothing where there is more, or where it is not UTF-8. */
async function textOf(request: Request): Promise<string | undefined> {
  const decoder = new TextDecoder("utf-8", { fatal: true });
  let [text, bytes] = ["", 0];
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    bytes += value.byteLength;
    if (bytes > MOST) {
      await reader.cancel();
      return undefined;
    }
    text += decoder.decode(value, { stream: true });
  }
  return text + decoder.decode();
}

/** Where in a body a text holds letters that cannot be written down: half of a pair, or the zero sign. */
function unwritable(x: unknown, path: readonly string[] = []): readonly string[] | undefined {
  if (typeof x === "string") return x.includes("\0") || !x.isWellFormed() ? path : undefined;
  if (!x || typeof x !== "object") return undefined;
  for (const [key, value] of Object.entries(x)) {
    const found = unwritable(key, path) ?? unwritable(value, [...path, key]);
    if (found) return found;
  }
  return undefined;
}

/** Reads a JSON body within bounds and through its schema; a fault otherwise. */
export async function bodyOf<T>(
  request: Request,
  schema: z.ZodType<T>,
): Promise<{ ok: true; value: T } | { ok: false; response: NextResponse }> {
  const tooMuch = refuse(413, fault("TooLong", "That is too much at once."));
  if (Number(request.headers.get("content-length") ?? 0) > MOST) return tooMuch;
  if (!(request.headers.get("content-type") ?? "").startsWith("application/json"))
    return refuse(415, fault("NotJson", "This takes JSON."));
  let json: unknown;
  try {
    const text = await textOf(request);
    if (text === undefined) return tooMuch;
    json = JSON.parse(text);
  } catch {
    return refuse(400, fault("NotJson", "That is not JSON."));
  }
  const field = unwritable(json);
  if (field)
    return refuse(
      422,
      fault("UnwritableText", "A letter in this cannot be written down. Type it again without it.", field),
    );
  const parsed = schema.safeParse(json);
  if (parsed.success) return { ok: true, value: parsed.data };
  return refuse(422, faultOfIssue("BadRequest", parsed.error.issues[0]!));
}

/** What a write is answered with: the new version, or the fault and where the batch stands now. */
export function answer(w: Written): NextResponse {
  const { state: b } = w;
  if (w.ok)
    return NextResponse.json(
      {
        seq: w.state.seq,
        entry: w.seq,
        code: w.state.code,
        id: w.state.id,
        state: w.state.state,
        already: w.already,
      },
      { status: w.already ? 200 : 201 },
    );
  return NextResponse.json(
    { fault: w.fault, ...(b ? { seq: b.seq, state: b.state, code: b.code } : {}) },
    { status: w.status },
  );
}

/** How long a write is waited for before it is told that the journal is away, ms. */
const PATIENCE = 7000;

/**
 * Answers a write. A database that is away or a disk that is full is told as such, so that the browser keeps what was typed and tries again; what is
 * refused, or an error of ours, is told as that, since sending it again would not help.
 */
export async function guarded(work: () => Promise<NextResponse>): Promise<NextResponse> {
  try {
    const { role, id, device } = await asker();
    const by = id !== undefined && device !== undefined ? { id, name: device } : undefined;
    return await within(PATIENCE, askedBy({ role, by }, work));
  } catch (e) {
    const number = randomBytes(3).toString("hex");
    const { status, fault: f } = failingOf(e, () => number);
    if (status >= 500) console.error(status === 500 ? `failing ${number}:` : f.name, e);
    return NextResponse.json({ fault: f }, { status });
  }
}
