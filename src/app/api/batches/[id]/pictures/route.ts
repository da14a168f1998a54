import { NextResponse } from "next/server";
import { z } from "zod";
import { answer, guarded } from "../../../answer";
import { db } from "@/store/db";
import { MOST_BYTES, keepPicture } from "@/store/pictures";

const Said = z.object({ key: z.uuid(), words: z.string().max(200).optional() });

const refuse = (status: number, name: string, message: string): NextResponse =>
  NextResponse.json({ fault: { name, message, path: ["picture"] } }, { status });

/** The body, read no further than the bound; nothing where there is more. */
async function bytesOf(request: Request): Promise<Uint8Array | undefined> {
  const parts: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > MOST_BYTES) {
      await reader.cancel();
      return undefined;
    }
    parts.push(value);
  }
  return Buffer.concat(parts);
}

/** Takes a photograph of a batch, as its bytes. */
export async function POST(
  request: Request,
  context: { params: Promise<{ id: string }> },
): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  const said = Said.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!id.success || !said.success) return refuse(404, "NoSuchBatch", "There is no such batch.");
  const tooMuch = (): NextResponse =>
    refuse(413, "TooLarge", "A photograph may have 15 MB. Take a smaller one, or make this one smaller.");
  if (Number(request.headers.get("content-length") ?? 0) > MOST_BYTES) return tooMuch();
  return guarded(async () => {
    const bytes = await bytesOf(request);
    if (!bytes) return tooMuch();
    if (bytes.length === 0) return refuse(422, "NotAPicture", "That file is empty. Choose another.");
    return answer(await keepPicture(db(), id.data, said.data.key, bytes, said.data.words));
  });
}
