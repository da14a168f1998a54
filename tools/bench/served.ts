/** The production app over one database, on a port of its own. */
import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { join } from "node:path";

const ROOT = join(import.meta.dirname, "../..");
/** The app's clock stands here: the demo's day. */
export const NOW = "2026-11-24T09:00:00Z";

export interface Served {
  readonly url: string;
  readonly startMs: number;
  stop(): void;
}

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const s = createServer().listen(0, "127.0.0.1", () => {
      const { port } = s.address() as { port: number };
      s.close(() => done(port));
    });
  });

export async function serve(database: string): Promise<Served> {
  const port = await freePort();
  const t = performance.now();
  const next = join(ROOT, "node_modules/next/dist/bin/next");
  const child = spawn(process.execPath, [next, "start", "-H", "127.0.0.1", "-p", String(port)], {
    cwd: ROOT,
    stdio: "ignore",
    env: {
      ...process.env,
      NODE_OPTIONS: "",
      NODE_ENV: "production",
      DATABASE_URL: database,
      JOLLY_PORT: String(port),
      JOLLY_NOW_FROZEN: NOW,
    },
  });
  const url = `http://127.0.0.1:${port}`;
  for (;;) {
    try {
      if ((await fetch(`${url}/api/health`)).ok)
        return { url, stop: () => void child.kill("SIGKILL"), startMs: performance.now() - t };
    } catch {
      await new Promise((r) => setTimeout(r, 20));
    }
  }
}
