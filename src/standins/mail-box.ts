import { createServer } from "node:http";
import { SMTPServer } from "smtp-server";
import { NOT_HERE, askedHere, page } from "./serve";

/** A letter as it came. */
export interface Letter {
  readonly to: readonly string[];
  readonly text: string;
}

/** Letters are kept so long as the box runs, and so many. */
const [MOST_LETTERS, LONGEST] = [100, 200_000];

const escaped = (text: string): string =>
  text.replace(/[&<>]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;" })[c]!);

/** A mail box on loopback: SMTP on one port, its letters to be read on the next. */
export function mailBox(
  port: number,
): Promise<{ readonly letters: readonly Letter[]; readonly close: () => void }> {
  const letters: Letter[] = [];
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ["STARTTLS", "AUTH"],
    size: LONGEST,
    onData(stream, session, done) {
      let text = "";
      stream.on("data", (chunk: Buffer) => {
        if (text.length < LONGEST) text += chunk.toString("utf8");
      });
      stream.on("end", () => {
        letters.unshift({ to: session.envelope.rcptTo.map((r) => r.address), text });
        letters.length = Math.min(letters.length, MOST_LETTERS);
        done();
      });
    },
  });
  const shown = createServer((request, response) => {
    if (!askedHere(request)) {
      response.writeHead(403, { "content-type": "text/plain" }).end(NOT_HERE);
      return;
    }
    if (request.url === "/letters.json") {
      response.writeHead(200, { "content-type": "application/json" }).end(JSON.stringify(letters));
      return;
    }
    const list = letters
      .map((l) => `<h2>To ${escaped(l.to.join(", "))}</h2><pre>${escaped(l.text)}</pre>`)
      .join("");
    response
      .writeHead(200, { "content-type": "text/html; charset=utf-8" })
      .end(page("Mail box", list || "<p>No letter has come.</p>", 5));
  });
  return new Promise((done, failed) => {
    smtp.on("error", failed);
    smtp.listen(port, "127.0.0.1", () =>
      shown.listen(port + 1, "127.0.0.1", () =>
        done({
          letters,
          close: () => {
            smtp.close();
            shown.close();
          },
        }),
      ),
    );
  });
}
