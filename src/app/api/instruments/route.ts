import { hub } from "@/instruments/house";

export const dynamic = "force-dynamic";

/** A comment line so often keeps the stream from being thought dead, ms. */
const BEAT = 15_000;
/** Told at most so often, ms. */
const GAP = 400;

/** How the instruments stand, as server-sent events. */
export function GET(request: Request): Response {
  const encoder = new TextEncoder();
  let leave = (): void => undefined;
  const stream = new ReadableStream<Uint8Array>({
    start(to) {
      let [told, waiting]: [number, NodeJS.Timeout | undefined] = [0, undefined];
      const say = (text: string): void => {
        try {
          to.enqueue(encoder.encode(text));
        } catch {
          leave();
        }
      };
      const tell = (): void => {
        waiting = undefined;
        told = Date.now();
        say(`data: ${JSON.stringify(hub().all)}\n\n`);
      };
      const stop = hub().listen(() => {
        waiting ??= setTimeout(tell, Math.max(0, told + GAP - Date.now()));
      });
      const beat = setInterval(() => say(": here\n\n"), BEAT);
      leave = () => {
        stop();
        clearInterval(beat);
        clearTimeout(waiting);
      };
      request.signal.addEventListener("abort", () => {
        leave();
        try {
          to.close();
        } catch {
          // It was closed from the other side.
        }
      });
    },
    cancel: () => leave(),
  });
  return new Response(stream, {
    headers: { "content-type": "text/event-stream", "cache-control": "no-cache, no-transform" },
  });
}
