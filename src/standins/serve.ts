import { type Server as Http, type IncomingMessage, createServer as createHttp } from "node:http";
import { type Server, type Socket, createServer } from "node:net";
import { Lines } from "../instruments/said";

/** A stand-in's two sides: lines for the app, and a page to drive it by hand. */
export interface StandIn {
  /** What it says to an app that greets it. */
  readonly hello: object;
  /** What it shows now; nothing while it says nothing. */
  readonly figure: () => object | undefined;
  /** Between figures, ms. */
  readonly every: number;
  /** Answers a command from the app. */
  readonly command: (what: string) => object;
  /** Takes a job, where it takes any; and the longest line it reads, bytes. */
  readonly job?: (said: unknown) => object;
  readonly longest?: number;
  /** Its page, and what its buttons do. */
  readonly page: () => string;
  readonly act: (form: URLSearchParams) => void;
  /** Whether the line is up: a dropped one refuses whoever calls. */
  readonly line: () => boolean;
}

function speak(socket: Socket, s: StandIn): void {
  const lines = new Lines(s.longest);
  const say = (x: object | undefined): void => {
    if (x && !socket.destroyed) socket.write(`${JSON.stringify(x)}\n`);
  };
  socket.setEncoding("utf8");
  const timer = setInterval(() => (s.line() ? say(s.figure()) : socket.destroy()), s.every);
  socket.on("close", () => clearInterval(timer));
  socket.on("error", () => socket.destroy());
  socket.on("data", (chunk) => {
    for (const line of lines.push(String(chunk))) {
      let said: { say?: string; do?: string };
      try {
        said = JSON.parse(line) as typeof said;
      } catch {
        say({ say: "status", ok: false, words: "that line is no JSON object" });
        continue;
      }
      if (said.say === "hello") say(s.hello);
      else if (said.say === "command") say(s.command(said.do ?? ""));
      else if (said.say === "job" && s.job) say(s.job(said));
      else say({ say: "status", ok: false, words: "not understood" });
    }
  });
}

/** Whether this machine's own browser asks by this machine's name, and what it sends comes from the page itself. */
export function askedHere({ headers, method }: IncomingMessage): boolean {
  const host = headers.host ?? "";
  if (!/^(?:127\.0\.0\.1|localhost)(?::\d{1,5})?$/.test(host)) return false;
  return method !== "POST" || headers.origin === `http://${host}`;
}
export const NOT_HERE = "This is asked from elsewhere, and not answered.";

/** Pages of a stand-in are plain forms: one button, one thing it does. */
function pages(s: StandIn): Http {
  return createHttp((request, response) => {
    response.setHeader("connection", "close");
    if (!askedHere(request)) {
      response.writeHead(403, { "content-type": "text/plain" }).end(NOT_HERE);
      return;
    }
    if (request.method !== "POST") {
      response.writeHead(200, { "content-type": "text/html; charset=utf-8" }).end(s.page());
      return;
    }
    let body = "";
    request.on("data", (chunk) => {
      if (body.length < 10_000) body += String(chunk);
    });
    request.on("end", () => {
      s.act(new URLSearchParams(body));
      response.writeHead(303, { location: "/" }).end();
    });
  });
}

/** Serves a stand-in on one loopback port: a browser gets its page, anything else its lines. */
export function serveStandIn(s: StandIn, port: number): Promise<Server> {
  const http = pages(s);
  const server = createServer((socket) => {
    socket.on("error", () => socket.destroy());
    socket.once("data", (first: Buffer) => {
      socket.pause();
      socket.unshift(first);
      if (/^(?:GET|POST|HEAD) /.test(first.toString("latin1"))) http.emit("connection", socket);
      else if (s.line()) speak(socket, s);
      else socket.destroy();
      socket.resume();
    });
  });
  return new Promise((done, failed) => {
    server.once("error", failed);
    server.listen(port, "127.0.0.1", () => done(server));
  });
}

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

/** A button that does one thing, with fields beside it. */
export const button = (does: string, words: string, fields = ""): string =>
  `<form method="post"><input type="hidden" name="do" value="${escaped(does)}">${fields}<button>${escaped(words)}</button></form>`;

export const field = (name: string, value: string, label: string): string =>
  `<label>${escaped(label)} <input name="${escaped(name)}" value="${escaped(value)}" size="6"></label> `;

/** A page in the stand-ins' own plain dress. */
export const page = (title: string, body: string, again = 2): string => `<!doctype html><html lang="en"><head>
<meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(title)}</title>
${again > 0 ? `<meta http-equiv="refresh" content="${again}">` : ""}
<style>body{font:18px/1.5 sans-serif;margin:2rem;background:#d9d6cf;color:#1f2125}button{font:inherit;min-height:44px;padding:0 1rem;margin:.2rem 0}input{font:inherit;min-height:40px}output{font-size:2.5rem;font-weight:700}</style>
</head><body><h1>${escaped(title)}</h1><p>A stand-in: no device, a small program that behaves like one.</p>${body}</body></html>`;
