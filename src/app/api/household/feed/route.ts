import { NextResponse } from "next/server";
import { toString as qrOf } from "qrcode";
import { z } from "zod";
import { db } from "@/store/db";
import { changeFeed } from "@/store/feed";
import { bodyOf, guarded } from "../../answer";

/** The window makes the secret, so that a request sent again says the same. */
const FeedRequest = z.strictObject({
  key: z.uuid(),
  secret: z.union([
    z.literal(""),
    z
      .string()
      .regex(/^[\w-]{43}$/, "A secret is 32 bytes, as base64url.")
      .refine((s) => new Set(s).size > 12, "That secret is no secret. Let the page make one."),
  ]),
});

/** Another address of the calendar's feed, or none; told as text and as a code. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, FeedRequest);
  if (!body.ok) return body.response;
  return guarded(async () => {
    const { key, secret } = body.value;
    const written = await changeFeed(db(), key, secret);
    if (!written.ok) return NextResponse.json({ fault: written.fault }, { status: written.status });
    const host = request.headers.get("host") ?? "127.0.0.1";
    const scheme = request.headers.has("x-jolly-device") ? "https" : "http";
    const address = secret ? `${scheme}://${host}/feed/${secret}.ics` : "";
    const qr = address ? await qrOf(address, { type: "svg", margin: 2, errorCorrectionLevel: "M" }) : "";
    return NextResponse.json({
      seq: written.state.seq,
      entry: written.seq,
      id: written.state.name,
      already: written.already,
      address,
      qr,
    });
  });
}
