import { type Socket, connect } from "node:net";
import type { Driver, Heard } from "./instrument";
import { type Command, FromInstrument, Lines } from "./said";

/** Waits before trying again, ms: soon at first, then patiently. */
const [FIRST_WAIT, LONGEST_WAIT] = [500, 15_000];
/** A line that says nothing for so long is dead, ms. */
const SILENT = 8000;

/** Drives an instrument that speaks lines on a loopback port: connects, listens, and comes back by itself when it is lost. */
export class LineDriver implements Driver {
  private socket: Socket | undefined;
  private wait = FIRST_WAIT;
  private timer: NodeJS.Timeout | undefined;
  private closed = false;

  constructor(
    private readonly host: string,
    private readonly port: number,
    private readonly heard: (h: Heard) => void,
  ) {}

  open(): void {
    if (this.closed) return;
    const lines = new Lines();
    const socket = connect({ host: this.host, port: this.port });
    this.socket = socket;
    socket.setEncoding("utf8");
    socket.setTimeout(SILENT, () => socket.destroy());
    socket.on("connect", () => socket.write(`${JSON.stringify({ say: "hello", version: 1 })}\n`));
    socket.on("data", (chunk) => lines.push(String(chunk)).forEach((l) => this.line(l)));
    socket.on("error", () => socket.destroy());
    socket.on("close", () => this.lost());
  }

  private line(text: string): void {
    let said: FromInstrument;
    try {
      said = FromInstrument.parse(JSON.parse(text));
    } catch {
      // A line that is none of these says nothing; the next may.
      return;
    }
    this.wait = FIRST_WAIT;
    this.heard(said);
  }

  private lost(): void {
    this.socket = undefined;
    if (this.closed) return;
    this.heard({ say: "lost" });
    this.timer = setTimeout(() => this.open(), this.wait);
    this.timer.unref();
    this.wait = Math.min(LONGEST_WAIT, this.wait * 2);
  }

  command(c: Command): boolean {
    if (!this.socket || this.socket.readyState !== "open") return false;
    this.socket.write(`${JSON.stringify(c)}\n`);
    return true;
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
    this.socket?.destroy();
  }
}
