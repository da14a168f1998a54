/** A PostgreSQL cluster of a test's own, for tests that kill it. */
import { type SpawnSyncReturns, spawnSync } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { freePort } from "./support";

export interface Cluster {
  readonly root: string;
  /** Kills the postmaster outright; its children follow. */
  readonly kill: () => void;
  readonly start: () => void;
  readonly stop: () => void;
}

const PG = process.env["PG_BIN"] ?? "/usr/lib/postgresql/15/bin";
const asRoot = process.getuid?.() === 0;

function run(program: string, ...args: string[]): SpawnSyncReturns<string> {
  return asRoot
    ? spawnSync("runuser", ["-u", "postgres", "--", join(PG, program), ...args], {
        encoding: "utf8",
        stdio: ["ignore", "pipe", "pipe"],
      })
    : spawnSync(join(PG, program), args, { encoding: "utf8", stdio: ["ignore", "pipe", "pipe"] });
}

let made = 0;

/** Made with fsync on, as a household's own is: what is killed here must hold. */
export async function newCluster(): Promise<Cluster> {
  const scratch = process.env["JOLLY_TEST_SCRATCH"];
  if (!scratch) throw new Error("run the tests through ./jolly test, which gives them a folder");
  const dir = join(scratch, `cluster-${process.pid}-${made++}`);
  mkdirSync(dir, { recursive: true });
  if (asRoot) spawnSync("chown", ["postgres", dir]);
  const init = run(
    "initdb",
    "-D",
    join(dir, "data"),
    "-U",
    "jolly",
    "-E",
    "UTF8",
    "--locale=C.UTF-8",
    "--auth=trust",
  );
  if (init.status !== 0) throw new Error(init.stderr);
  const port = await freePort();
  const start = (): void => {
    // After a kill the old lock file or shared memory may linger a moment.
    for (let i = 0; i < 10; i++) {
      const r = spawnSync(
        asRoot ? "runuser" : join(PG, "pg_ctl"),
        [
          ...(asRoot ? ["-u", "postgres", "--", join(PG, "pg_ctl")] : []),
          "-D",
          join(dir, "data"),
          "-w",
          "-t",
          "30",
          "-l",
          join(dir, "log"),
          "-o",
          `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories=`,
          "start",
        ],
        { stdio: "ignore" },
      );
      if (r.status === 0) return;
      spawnSync("sleep", ["0.5"]);
    }
    throw new Error("the cluster did not start again");
  };
  start();
  return {
    root: `postgres://jolly@127.0.0.1:${port}`,
    start,
    kill: () => void run("pg_ctl", "-D", join(dir, "data"), "-m", "immediate", "-w", "stop"),
    stop: () => {
      run("pg_ctl", "-D", join(dir, "data"), "-m", "immediate", "-w", "stop");
      rmSync(dir, { recursive: true, force: true });
    },
  };
}
