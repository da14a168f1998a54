import { createHash } from "node:crypto";
import {
  closeSync,
  createReadStream,
  fsyncSync,
  mkdirSync,
  openSync,
  renameSync,
  rmSync,
  writeSync,
} from "node:fs";
import { basename, dirname, join } from "node:path";
import { Unzip, UnzipInflate, type UnzipFile, Zip, ZipDeflate } from "fflate";
import { z } from "zod";
import { BadJournal } from "./exchange";
import type { HouseFile } from "./pictures";

/*
 * A backup is one file: a zip archive that holds journal.jsonl, the household's files under files/, and at its end end.json, which counts the
 * entries and carries the hash of every part. What is cut off has no end; what was changed does not match it. See docs/formats.md.
 */
const JOURNAL = "journal.jsonl";
const END = "end.json";

const End = z.strictObject({
  format: z.literal("jolly-crock/backup"),
  version: z.literal(1),
  entries: z.number().int().min(0),
  /** SHA-256 of each part, hexadecimal, by its name. */
  parts: z.record(z.string(), z.string().regex(/^[0-9a-f]{64}$/)),
});

/** The same bytes from the same household, whenever they are written. */
const NO_TIME = new Date(1980, 0, 1);

async function* NOTHING(): AsyncGenerator<HouseFile> {
  // A household without photographs.
}
const NO_FILES = NOTHING();

/** Journal text is packed a piece at a time, bytes. */
const PIECE = 1 << 20;

const syncFolder = (folder: string): void => {
  const fd = openSync(folder, "r");
  try {
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
};

/**
 * Writes a backup whole or not at all: under another name first, synced, and only then in the place of the one before it.
 * @returns how many entries it holds
 */
export async function writeBackup(
  file: string,
  lines: AsyncIterable<string>,
  files: AsyncIterable<HouseFile> = NO_FILES,
): Promise<number> {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const part = join(dirname(file), `.${basename(file)}.part-${process.pid}`);
  const fd = openSync(part, "w", 0o600);
  try {
    const entries = await packed(lines, files, (bytes) => {
      for (let at = 0; at < bytes.length;) at += writeSync(fd, bytes, at);
    });
    fsyncSync(fd);
    renameSync(part, file);
    syncFolder(dirname(file) || ".");
    return entries;
  } finally {
    closeSync(fd);
    rmSync(part, { force: true });
  }
}

async function packed(
  lines: AsyncIterable<string>,
  files: AsyncIterable<HouseFile>,
  write: (bytes: Uint8Array) => void,
): Promise<number> {
  let failed: Error | undefined;
  const zip = new Zip((error, bytes) => {
    if (error) failed = error;
    else write(bytes);
  });
  const entry = (name: string): ZipDeflate => {
    const made = new ZipDeflate(name, { level: 6 });
    made.mtime = NO_TIME;
    zip.add(made);
    return made;
  };
  const journal = entry(JOURNAL);
  const hash = createHash("sha256");
  let [waiting, count] = ["", 0];
  const flush = (last: boolean): void => {
    const bytes = new TextEncoder().encode(waiting);
    waiting = "";
    hash.update(bytes);
    journal.push(bytes, last);
    if (failed) throw failed;
  };
  for await (const line of lines) {
    waiting += `${line}\n`;
    count += 1;
    if (waiting.length >= PIECE) flush(false);
  }
  flush(true);
  const entries = count - 1;
  const parts: Record<string, string> = { [JOURNAL]: hash.digest("hex") };
  for await (const f of files) {
    parts[f.name] = createHash("sha256").update(f.bytes).digest("hex");
    entry(f.name).push(f.bytes, true);
    if (failed) throw failed;
  }
  const end: z.infer<typeof End> = {
    format: "jolly-crock/backup",
    version: 1,
    entries,
    parts,
  };
  entry(END).push(new TextEncoder().encode(`${JSON.stringify(end)}\n`), true);
  zip.end();
  if (failed) throw failed;
  return entries;
}

/** Bytes as lines. Throws `BadJournal` with the line that is not UTF-8. */
class Lines {
  private readonly decoder = new TextDecoder("utf-8", { fatal: true, ignoreBOM: false });
  private rest = "";
  private line = 0;

  take(bytes: Uint8Array, last = false): string[] {
    let text: string;
    try {
      text = this.rest + this.decoder.decode(bytes, { stream: !last });
    } catch {
      throw new BadJournal(`line ${this.line + 1} or soon after it is not UTF-8 text`);
    }
    const lines = text.split("\n");
    this.rest = last ? "" : lines.pop()!;
    if (last && lines.at(-1) === "") lines.pop();
    this.line += lines.length;
    return lines;
  }
}

const FILES = "files/";
/** No file of a household is larger, bytes. */
const MOST_FILE = 20_000_000;

/** Files of a backup as they come, each with its hash. */
class Files {
  private readonly pieces: Uint8Array[] = [];
  private size = 0;
  private readonly hashes = new Map<string, string>();
  constructor(private readonly took: (f: HouseFile) => void) {}

  take(name: string, bytes: Uint8Array, last: boolean): void {
    this.size += bytes.length;
    if (this.size > MOST_FILE)
      throw new BadJournal(`${name} in the backup is larger than any file of a household`);
    this.pieces.push(bytes.slice());
    if (!last) return;
    const whole = Buffer.concat(this.pieces.splice(0));
    this.size = 0;
    this.hashes.set(name, createHash("sha256").update(whole).digest("hex"));
    this.took({ name, bytes: whole });
  }

  /** Throws `BadJournal` where a file is missing or another than it was. */
  check(parts: Readonly<Record<string, string>>): void {
    for (const [name, hash] of Object.entries(parts))
      if (name !== JOURNAL && this.hashes.get(name) !== hash)
        throw new BadJournal(`${name} in the backup is not the one it was made with, or is missing`);
    for (const name of this.hashes.keys())
      if (!Object.hasOwn(parts, name))
        throw new BadJournal(`${name} was put into the backup by another hand: its end does not name it`);
  }
}

const CUT = "the backup was cut off: its end is missing. Take an older one.";

/** The journal of a backup, line by line; the end is checked when the last line is read. Throws `BadJournal`. */
async function* unpacked(file: string, took: (f: HouseFile) => void): AsyncGenerator<string> {
  const hash = createHash("sha256");
  const lines = new Lines();
  let ready: string[] = [];
  let end = "";
  let [count, whole] = [0, false];
  let failed: unknown;
  const files = new Files(took);
  const take = (f: UnzipFile): void => {
    f.ondata = (error, bytes, last) => {
      if (error) failed ??= error;
      if (error || failed) return;
      try {
        if (f.name === JOURNAL) {
          hash.update(bytes);
          ready.push(...lines.take(bytes, last));
          whole ||= last;
        } else if (f.name === END) end += new TextDecoder().decode(bytes);
        else if (f.name.startsWith(FILES)) files.take(f.name, bytes, last);
      } catch (e) {
        failed = e;
      }
    };
    f.start();
  };
  const unzip = new Unzip(take);
  unzip.register(UnzipInflate);
  for await (const bytes of createReadStream(file, { highWaterMark: 1 << 16 })) {
    try {
      unzip.push(bytes as Uint8Array);
    } catch (e) {
      failed ??= e;
    }
    if (failed)
      throw failed instanceof BadJournal
        ? failed
        : new BadJournal("the backup cannot be unpacked; it was cut or changed");
    for (const line of ready) {
      count += 1;
      yield line;
    }
    ready = [];
  }
  const ending = jsonOf(end) as { readonly version?: unknown } | undefined;
  if (whole && typeof ending?.version === "number" && ending.version > 1)
    throw new BadJournal(
      `the backup was written by a newer build (its version is ${ending.version}, this one reads 1); start that one`,
    );
  const said = End.safeParse(ending);
  if (!whole || !said.success) throw new BadJournal(CUT);
  if (said.data.entries !== count - 1)
    throw new BadJournal(
      `the backup counts ${said.data.entries} entries and holds ${count - 1}; it was changed`,
    );
  if (said.data.parts[JOURNAL] !== hash.digest("hex"))
    throw new BadJournal("the journal in the backup is not the one it was made with; it was changed");
  files.check(said.data.parts);
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

async function* plain(file: string): AsyncGenerator<string> {
  const lines = new Lines();
  for await (const bytes of createReadStream(file)) yield* lines.take(bytes as Uint8Array);
  yield* lines.take(new Uint8Array(), true);
}

async function firstBytes(file: string): Promise<string> {
  for await (const bytes of createReadStream(file, { start: 0, end: 3 }))
    return (bytes as Buffer).toString("latin1");
  return "";
}

/** The lines of a journal, from a backup or from a plain file as older builds wrote it. Throws `BadJournal`. */
export async function* linesOfFile(
  file: string,
  took: (f: HouseFile) => void = () => undefined,
): AsyncGenerator<string> {
  yield* (await firstBytes(file)) === "PK\u0003\u0004" ? unpacked(file, took) : plain(file);
}
