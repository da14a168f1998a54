import { z } from "zod";
import { db } from "@/store/db";
import { pictureOf } from "@/store/pictures";

const Asked = z.object({ id: z.uuid(), picture: z.uuid() });

/** A photograph, whole or small. It never changes, so it is kept by whoever asked. */
export async function GET(
  request: Request,
  context: { params: Promise<{ id: string; picture: string }> },
): Promise<Response> {
  const asked = Asked.safeParse(await context.params);
  const small = new URL(request.url).searchParams.has("small");
  const bytes = asked.success ? await pictureOf(db(), asked.data.id, asked.data.picture, small) : undefined;
  if (!bytes) return new Response("There is no such photograph.", { status: 404 });
  return new Response(new Uint8Array(bytes), {
    headers: { "content-type": "image/jpeg", "cache-control": "private, max-age=31536000, immutable" },
  });
}
