/** The house's front as its own program, on an address of this machine's that tests alone may open. */
import { type ChildProcess, spawn } from "node:child_process";
import { join } from "node:path";
import { type App, ROOT } from "./support";

export interface FrontUp {
  readonly url: string;
  readonly stop: () => Promise<void>;
}

/** @param secret the app behind was started with it, as JOLLY_FRONT_SECRET */
export async function openFront(of: {
  readonly database: string;
  readonly app: App;
  readonly at: string;
  readonly port: number;
  readonly folder: string;
  readonly secret: string;
}): Promise<FrontUp> {
  const child: ChildProcess = spawn(
    process.execPath,
    ["--no-warnings", "--import", "tsx", join(ROOT, "src/house/main.ts")],
    {
      cwd: ROOT,
      env: {
        ...process.env,
        ...{ NODE_OPTIONS: "", DATABASE_URL: of.database, JOLLY_PORT: String(of.app.port) },
        ...{ JOLLY_HOUSE_PORT: String(of.port), JOLLY_HOUSE_FOLDER: of.folder, JOLLY_HOUSE_AT: of.at },
        ...{ JOLLY_HOUSE_TRIAL: "1", JOLLY_FRONT_SECRET: of.secret },
      },
      stdio: ["ignore", "pipe", "pipe"],
    },
  );
  let said = "";
  child.stderr!.on("data", (d: Buffer) => (said += d.toString()));
  await new Promise<void>((done, fail) => {
    child.stdout!.once("data", () => done());
    child.once("exit", (code) => fail(new Error(`the front stopped with ${code}: ${said}`)));
  });
  return {
    url: `https://${of.at}:${of.port}`,
    stop: () =>
      new Promise((done) => {
        if (child.exitCode !== null) return done();
        child.removeAllListeners("exit");
        child.once("exit", () => done());
        child.kill("SIGTERM");
      }),
  };
}
