import { type IncomingMessage, Server, type ServerResponse } from "node:http";

/** TRACE is refused before the framework sees it: it cannot make a request of it and would answer with a fault of its own. */
export function refuseTrace(): void {
  const emit = Server.prototype.emit as (this: Server, event: string | symbol, ...args: unknown[]) => boolean;
  Server.prototype.emit = function (this: Server, event: string | symbol, ...args: unknown[]): boolean {
    const [request, response] = args as [IncomingMessage | undefined, ServerResponse | undefined];
    if (event !== "request" || request?.method !== "TRACE" || !response)
      return emit.call(this, event, ...args);
    response.writeHead(405, { allow: "GET, HEAD, POST" }).end();
    return true;
  } as typeof Server.prototype.emit;
}

/**
 * Whoever read what this server says may be gone: a terminal that was closed, a disk that is full. Without this the fault of saying it is itself said, and
 * that again, for as long as the server runs, on a whole processor.
 */
export function speakIntoTheVoid(): void {
  for (const stream of [process.stdout, process.stderr]) stream.on("error", () => undefined);
}
