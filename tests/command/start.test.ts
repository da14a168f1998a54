import { afterAll, describe, expect, test } from "@jest/globals";
import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { get } from "node:http";
import { join } from "node:path";
import { ROOT, freePort } from "../support";

const data = join(process.env["JOLLY_TEST_SCRATCH"] ?? "/tmp", "own-data");
const env = {
  ...process.env,
  JOLLY_DATA: data,
  DATABASE_URL: "",
  DATABASE_ROOT: "",
  STARTED_CLUSTER: "",
  JOLLY_NOW: "",
  JOLLY_NOW_FROZEN: "",
  // Whether its instruments stand beside the demo is one test's matter.
  JOLLY_STANDINS: "off",
};

/** Starts it as a person does, in a terminal of its own, and waits for the address. */
interface Started {
  readonly url: string;
  readonly interrupt: () => Promise<number | null>;
}
const start = (...args: string[]): Promise<Started> => startIn({}, ...args);
async function startIn(more: Readonly<Record<string, string>>, ...args: string[]): Promise<Started> {
  const child = spawn(join(ROOT, "jolly"), ["start", ...args], {
    env: { ...env, ...more },
    detached: true,
    stdio: ["ignore", "pipe", "pipe"],
  });
  let said = "";
  child.stderr.on("data", (d: Buffer) => (said += d.toString()));
  const exited = new Promise<number | null>((done) => child.once("exit", (code) => done(code)));
  const url = await new Promise<string>((done, failed) => {
    child.stdout.on("data", (d: Buffer) => done(d.toString().trim()));
    void exited.then((code) => failed(new Error(`it stopped with ${code}: ${said}`)));
  });
  return {
    url,
    interrupt: () => {
      // What Ctrl-C does: the whole foreground group is told.
      process.kill(-child.pid!, "SIGINT");
      return exited;
    },
  };
}
const fetched = (url: string, path = "/"): Promise<{ status: number; body: string }> =>
  new Promise((done, failed) =>
    get(url + path, (r) => {
      let body = "";
      r.on("data", (d: Buffer) => (body += d.toString()));
      r.on("end", () => done({ status: r.statusCode!, body }));
    }).on("error", failed),
  );
/** Processes that still hold the data folder or the port. */
const left = (port: number): string =>
  spawnSync("sh", ["-c", `ps -eo pid,args | grep -E "${data}|-p ${port}( |$)" | grep -v grep || true`], {
    encoding: "utf8",
  }).stdout.trim();

describe("./jolly start", () => {
  mkdirSync(data, { recursive: true });
  afterAll(() => {
    if (existsSync(join(data, "cluster")))
      spawnSync("sh", ["-c", `pkill -QUIT -f "postgres -D ${data}" || true`]);
  });

  test("opens the demo, stops at Ctrl-C with nothing left running, and opens again with nothing lost", async () => {
    const port = await freePort();
    const first = await start("--port", String(port));
    expect(first.url).toBe(`http://127.0.0.1:${port}`);
    const shelf = await fetched(first.url);
    expect(shelf.status).toBe(200);
    expect(shelf.body).toContain("Lock Cottage No. 9");
    expect(shelf.body).toContain("OX-26-02");
    expect(await first.interrupt()).toBe(0);
    expect(left(port)).toBe("");
    // Its instruments stand beside it, each on a port of its own, and go when it goes.
    const again = await startIn({ JOLLY_STANDINS: "on" }, "--port", String(port));
    expect((await fetched(again.url)).body).toContain("OX-26-02");
    const shown = async (n: number): Promise<string> => {
      for (let i = 0; i < 600; i++) {
        const page = await fetched(`http://127.0.0.1:${port + n}`).catch(() => undefined);
        if (page) return page.body;
        await new Promise((r) => setTimeout(r, 100));
      }
      return "";
    };
    expect(await shown(1)).toContain("Kitchen scale");
    expect(await shown(2)).toContain("Probe thermometer");
    expect(await shown(4)).toContain("Mail box");
    await again.interrupt();
    expect(left(port)).toBe("");
    const standing = spawnSync("sh", ["-c", `ps -eo args | grep -c "standins/main[.]ts.*${port + 1}"`]);
    expect(standing.stdout.toString().trim()).toBe("0");
  });

  test("a household of one's own is empty, and its folder is no one else's", async () => {
    const port = await freePort();
    const copies = join(data, "..", "own-copies");
    const own = await startIn(
      { JOLLY_COPIES: copies, JOLLY_COPY_FIRST: "1" },
      ...["--household", "lock-two", "--port", String(port)],
    );
    const shelf = await fetched(own.url);
    // It copies itself, and the copy was read back before it counts.
    const mine = join(copies, "lock-two");
    const made = (): string[] =>
      existsSync(mine) ? readdirSync(mine).filter((f) => f.endsWith(".jolly")) : [];
    for (let i = 0; i < 300 && made().length === 0; i++) await new Promise((r) => setTimeout(r, 100));
    expect(made()).toEqual([expect.stringMatching(/^lock-two-\d{4}-\d\d-\d\d\.jolly$/)]);
    expect(shelf.body).toContain("Lock Two");
    expect(shelf.body).not.toContain("OX-26-02");
    // A port that is held is refused, in words, and the one that runs is left alone.
    const second = spawnSync(join(ROOT, "jolly"), ["start", "--port", String(port)], {
      env,
      encoding: "utf8",
    });
    expect(second.status).not.toBe(0);
    expect(second.stderr).toContain(`port ${port} is taken`);
    expect((await fetched(own.url)).status).toBe(200);
    // The app knows how its own role opens its household, and nothing that opens the cluster; as root's, it is a user of its own.
    const pids = spawnSync("pgrep", ["-f", `next.*-p ${port}|next-server`], { encoding: "utf8" }).stdout;
    // Other tests' servers come and go meanwhile: one that has gone has no surroundings.
    const of = (pid: string): string => {
      try {
        return readFileSync(`/proc/${pid}/environ`, "utf8");
      } catch {
        return "";
      }
    };
    const apps = pids
      .trim()
      .split("\n")
      .filter((pid) => of(pid).includes(`JOLLY_PORT=${port}`));
    expect(apps.length).toBeGreaterThan(0);
    for (const pid of apps) {
      expect(of(pid)).toContain("postgres://jolly_app:");
      expect(of(pid)).not.toContain("postgres://jolly:");
      const who = spawnSync("ps", ["-o", "user:32=", "-p", pid], { encoding: "utf8" }).stdout.trim();
      if (process.getuid?.() === 0) expect(who).toBe("jolly-crock");
    }
    await own.interrupt();
    expect(statSync(data).mode & 0o077).toBe(0);
  });

  test("backed up and restored under another name, it is the same", async () => {
    const run = (...args: string[]) => spawnSync(join(ROOT, "jolly"), args, { env, encoding: "utf8" });
    const a = join(process.env["JOLLY_TEST_SCRATCH"] ?? "/tmp", "a.jolly");
    const b = join(process.env["JOLLY_TEST_SCRATCH"] ?? "/tmp", "b.jolly");
    const out = run("backup", a);
    expect(out.stderr).toMatch(/\d+ journal entries of “demo” written/);
    expect(run("restore", a, "--household", "copy").stderr).toMatch(/read into “copy”/);
    expect(run("backup", b, "--household", "copy").status).toBe(0);
    expect(readFileSync(b).equals(readFileSync(a))).toBe(true);
    // A second restore over it is refused, and so is a file that is not a journal.
    expect(run("restore", a, "--household", "copy").stderr).toContain("already has a journal");
    expect(run("restore", join(ROOT, "package.json"), "--household", "other").stderr).toMatch(/line 1/);
    // What was refused leaves no household of that name: not half of one, and not an empty one.
    const cut = join(process.env["JOLLY_TEST_SCRATCH"] ?? "/tmp", "cut.jolly");
    const whole = readFileSync(a);
    writeFileSync(cut, whole.subarray(0, Math.floor(whole.length * 0.9)));
    expect(run("restore", cut, "--household", "other").stderr).toMatch(/cut off|unpacked/);
    expect(run("doctor", "--household", "other").stderr).toContain("there is no household “other” yet");
    expect(run("restore", a).stderr).toContain("name the new household");
  });

  test("two households on one folder: whichever stops first, the other is unhurt; the last one stops the database", async () => {
    const [one, two] = [await freePort(), await freePort()];
    const first = await start("--port", String(one));
    const second = await start("--household", "lock-three", "--port", String(two));
    await first.interrupt();
    expect((await fetched(second.url)).status).toBe(200);
    const third = await start("--port", String(one));
    await second.interrupt();
    expect((await fetched(third.url)).status).toBe(200);
    expect(left(one)).toContain("postgres");
    await third.interrupt();
    expect(left(one)).toBe("");
  });

  test("an app or a database that dies is started again, on the same address", async () => {
    const port = await freePort();
    const own = await start("--household", "lock-two", "--port", String(port));
    const back = async (): Promise<number> => {
      for (let i = 0; i < 240; i++) {
        const r = await fetched(own.url).catch(() => undefined);
        if (r?.status === 200) return r.status;
        await new Promise((done) => setTimeout(done, 500));
      }
      return 0;
    };
    const pid = readFileSync(join(data, "cluster/postmaster.pid"), "utf8").split("\n")[0]!;
    process.kill(Number(pid), "SIGKILL");
    await new Promise((done) => setTimeout(done, 1500));
    expect(await back()).toBe(200);
    const app = spawnSync(
      "sh",
      ["-c", `ss -ltnpH 'sport = :${port}' | grep -o 'pid=[0-9]*' | head -1 | cut -d= -f2`],
      {
        encoding: "utf8",
      },
    ).stdout.trim();
    expect(app).toMatch(/^\d+$/);
    process.kill(Number(app), "SIGKILL");
    await new Promise((done) => setTimeout(done, 1500));
    expect(await back()).toBe(200);
    expect(await own.interrupt()).toBe(0);
    expect(left(port)).toBe("");
  });

  test.each([
    [{ JOLLY_NOW: "garbage" }, [], "is not an instant like"],
    [{}, ["--port", "99999"], "a port is a number from 1 to 65535"],
    [{}, ["--household", "x".repeat(41)], "at most 40 letters"],
  ])("what cannot be is refused in words: %j %j", (more, args, says) => {
    const r = spawnSync(join(ROOT, "jolly"), ["start", ...args], {
      env: { ...env, ...more },
      encoding: "utf8",
    });
    expect(r.status).not.toBe(0);
    expect(r.stderr).toContain(says);
  });

  test("the doctor finds a list that is behind, says what would mend it, and mends it", () => {
    const run = (...args: string[]) =>
      spawnSync(join(ROOT, "jolly"), ["doctor", "--household", "copy", ...args], { env, encoding: "utf8" });
    expect(run().stdout).toContain("All is well.");
    const spoil = `set -e; cd ${ROOT}; here=${ROOT}; . tools/lib.sh; need_postgres; cluster_up "${data}"
      psql -q "$DATABASE_ROOT/jolly_copy" -c "delete from bottle"; cluster_down`;
    expect(spawnSync("bash", ["-c", spoil], { env }).status).toBe(0);
    const ill = run();
    expect(ill.status).toBe(1);
    expect(ill.stdout).toMatch(/rows of the lists are not what the journal says/);
    expect(run("--mend").status).toBe(0);
    expect(run().stdout).toContain("All is well.");
  });
});
