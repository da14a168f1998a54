import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createHash } from "node:crypto";
import { unzipSync, zipSync } from "fflate";
import { linesOfFile } from "../../src/store/container";
import { importFrom } from "../../src/store/exchange";
import { migrate } from "../../src/store/migrate";
import { type HouseFile, houseFiles } from "../../src/store/pictures";
import { writeBackup } from "../../src/store/container";
import { journalLines } from "../../src/store/exchange";
import { type Household, bareDatabase, newHousehold } from "../support";

const MIGRATIONS = join(process.cwd(), "src/store/migrations");
const folder = mkdtempSync(join(tmpdir(), "jolly-backups-"));
let home: Household;
let parts: Record<string, Uint8Array>;
beforeAll(async () => {
  home = await newHousehold("demo");
  const file = join(folder, "whole.jolly");
  await writeBackup(file, journalLines(home.sql), houseFiles(home.sql));
  parts = unzipSync(readFileSync(file));
});
afterAll(async () => {
  await home.drop();
  rmSync(folder, { recursive: true });
});

const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
const bytes = (said: string): Uint8Array => new TextEncoder().encode(said);
const sha = (b: Uint8Array): string => createHash("sha256").update(b).digest("hex");
/** Restores parts under a new end, as whoever changed them would write it; what was refused says why and leaves nothing. */
async function restored(
  changed: (p: Record<string, Uint8Array>) => Record<string, Uint8Array>,
  end: (e: Record<string, unknown>) => object = (e) => e,
): Promise<string> {
  const all = changed({ ...parts });
  const said = JSON.parse(text(parts["end.json"]!)) as Record<string, unknown>;
  all["end.json"] = bytes(`${JSON.stringify(end(said))}\n`);
  const { "end.json": last, ...rest } = all;
  const file = join(folder, "changed.jolly");
  writeFileSync(file, zipSync({ ...rest, "end.json": last! }));
  const other = await bareDatabase();
  const files: HouseFile[] = [];
  try {
    await migrate(other.sql, MIGRATIONS);
    await importFrom(
      other.sql,
      linesOfFile(file, (f) => files.push(f)),
      () => files,
    );
    return "read";
  } catch (e) {
    const [left] = await other.sql<{ n: number }[]>`
      select (select count(*) from event)::int + (select count(*) from picture)::int + (select count(*) from household)::int as n`;
    expect(left!.n).toBe(0);
    return (e as Error).message;
  } finally {
    await other.drop();
  }
}
const photograph = (): string => Object.keys(parts).find((n) => n.startsWith("files/"))!;

describe("a backup that is not what it was", () => {
  test("unchanged it is read", async () => expect(await restored((p) => p)).toBe("read"));
  test("of a newer build it says so, and not that it was cut", async () => {
    expect(
      await restored(
        (p) => p,
        (e) => ({ ...e, version: 2 }),
      ),
    ).toMatch(/newer build/);
  });
  test("a journal of a newer build says so too", async () => {
    const newer = bytes(text(parts["journal.jsonl"]!).replace(/"version":\d+/, '"version":99'));
    const told = await restored(
      (p) => ({ ...p, "journal.jsonl": newer }),
      (e) => ({ ...e, parts: { ...(e["parts"] as object), "journal.jsonl": sha(newer) } }),
    );
    expect(told).toMatch(/line 1: .*newer than this build reads/);
  });
  test("a photograph put in by another hand is refused by its name", async () => {
    const stray = photograph().replace(/[0-9a-f]{12}\.jpg$/, "0123456789ab.jpg");
    expect(await restored((p) => ({ ...p, [stray]: p[photograph()]! }))).toContain(
      "put into the backup by another hand",
    );
  });
  test("a photograph that is none is refused, not left out", async () => {
    const none = bytes("no picture at all");
    const told = await restored(
      (p) => ({ ...p, [photograph()]: none }),
      (e) => ({ ...e, parts: { ...(e["parts"] as object), [photograph()]: sha(none) } }),
    );
    expect(told).toContain("is no photograph of a batch");
  });
  test("a photograph changed or missing is refused by its name", async () => {
    expect(await restored((p) => ({ ...p, [photograph()]: bytes("x") }))).toContain(photograph());
    const without = await restored((p) =>
      Object.fromEntries(Object.entries(p).filter(([n]) => n !== photograph())),
    );
    expect(without).toContain(photograph());
  });
  test("without its end it was cut off", async () => {
    expect(
      await restored(
        (p) => p,
        () => ({}),
      ),
    ).toMatch(/cut off/);
  });
});
