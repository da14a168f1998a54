import { db } from "@/store/db";
import { hear, howManyHear, viewNow, viewOf } from "@/store/live";

/** So many pages may listen at once. */
const MOST = 200;
/** A word now and then keeps the line open through whatever stands between, ms. */
const BEAT_MS = 20_000;

/**
 * Tells an open page of every entry that its view of the database does not see, by its key and its stream, for as long as the page listens. With each goes
 * the view it has then: a browser whose line broke sends it back by itself.
 */
export async function GET(request: Request): Promise<Response> {
  if (howManyHear() >= MOST) return new Response("Too many pages listen already.", { status: 503 });
  const asked = new URL(request.url).searchParams.get("view");
  const view = viewOf(request.headers.get("last-event-id")) ?? viewOf(asked) ?? (await viewNow(db()));
  const encoder = new TextEncoder();
  const stream = new ReadableStream({
    start(controller) {
      const say = (text: string): void => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          end();
        }
      };
      const stop = hear((said, at) => say(`id: ${at}\ndata: ${said}\n\n`), view);
      const beat = setInterval(() => say(": here\n\n"), BEAT_MS);
      const end = (): void => {
        clearInterval(beat);
        stop();
      };
      request.signal.addEventListener("abort", () => {
        end();
        try {
          controller.close();
        } catch {
          // It was closed already.
        }
      });
      say(": here\n\n");
    },
  });
  return new Response(stream, {
    headers: { "content-type": "text/event-stream", "cache-control": "no-store", "x-accel-buffering": "no" },
  });
}
