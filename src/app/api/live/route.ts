import { hear, howManyHear } from "@/store/live";

/** So many pages may listen at once. */
const MOST = 200;
/** A word now and then keeps the line open through whatever stands between, ms. */
const BEAT_MS = 20_000;

/** Tells an open page of every entry that is written, by its key and its stream, for as long as the page listens. */
export function GET(request: Request): Response {
  if (howManyHear() >= MOST) return new Response("Too many pages listen already.", { status: 503 });
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
      const stop = hear((said) => say(`data: ${said}\n\n`));
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
