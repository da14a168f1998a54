import { connect } from "node:net";
import { z } from "zod";
import { Lines } from "./said";

/** One label to be printed, at its size in mm. */
export interface Job {
  readonly id: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly svg: string;
}
/** How many came out, and why the next did not. */
export interface Printed {
  readonly printed: number;
  readonly why?: string;
}

const Status = z.object({ say: z.literal("status"), ok: z.boolean(), words: z.string().max(200) });
/** A printer that says nothing for so long is gone, ms. */
const SILENT = 5000;

/** Sends labels one after the other, each once the one before it is out. Never throws: what did not come out is said. */
export function printLabels(at: { host: string; port: number }, jobs: readonly Job[]): Promise<Printed> {
  return new Promise((done) => {
    const lines = new Lines();
    const socket = connect(at);
    let printed = 0;
    const end = (why?: string): void => {
      socket.destroy();
      done(why === undefined ? { printed } : { printed, why });
    };
    const say = (x: object): void => void socket.write(`${JSON.stringify(x)}\n`);
    const next = (): void => {
      const job = jobs[printed];
      if (job) say({ say: "job", ...job });
      else end();
    };
    socket.setEncoding("utf8");
    socket.setTimeout(SILENT, () => end("it does not answer"));
    socket.on("error", () => end("it does not answer"));
    socket.on("close", () => end("it does not answer"));
    socket.on("connect", () => say({ say: "hello", version: 1 }));
    socket.on("data", (chunk) => {
      for (const line of lines.push(String(chunk))) {
        if (line.includes('"hello"')) {
          next();
          continue;
        }
        const said = Status.safeParse(parsed(line));
        if (!said.success) continue;
        if (!said.data.ok) return end(said.data.words);
        printed += 1;
        next();
      }
    });
  });
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
}
