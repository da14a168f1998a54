import { createHash } from "node:crypto";
import sharp from "sharp";
import { type Fault, fault, isFault } from "../core/fault";
import { appendWithin } from "./append";
import type { Sql, Tx } from "./db";
import { BATCHES, type Written } from "./journal";

/** Bytes taken in at most, and pixels a picture may unfold to: a small file can hold a field too large to draw. */
export const MOST_BYTES = 15_000_000;
const MOST_PIXELS = 60_000_000;
/** Longest side kept, and of the small one on the band, pixels. */
const [LONGEST, SMALL] = [1600, 160];

interface Made {
  readonly bytes: Buffer;
  readonly thumb: Buffer;
  readonly width: number;
  readonly height: number;
}

const TAKES: ReadonlySet<string> = new Set(["jpeg", "png", "webp"]);

/** A photograph as it is kept: turned as it was held, small enough, and without where and when it was taken. */
export async function madeSmall(sent: Uint8Array): Promise<Made | Fault> {
  const open = () => sharp(sent, { limitInputPixels: MOST_PIXELS, failOn: "error" });
  try {
    // How large it is stands at its head, and is told before anything is unfolded.
    const { format, width = 0, height = 0 } = await sharp(sent, { limitInputPixels: false }).metadata();
    if (!TAKES.has(format ?? ""))
      return fault("NotAPicture", "A photograph is a JPEG, PNG or WebP file. Choose another.", ["picture"]);
    if (width * height > MOST_PIXELS)
      return fault("TooLarge", "That picture has more than 60 million points. Take a smaller one.", [
        "picture",
      ]);
    // What sharp writes carries no EXIF and no profile unless it is asked to.
    const { data, info } = await open()
      .rotate()
      .resize(LONGEST, LONGEST, { fit: "inside", withoutEnlargement: true })
      .flatten({ background: "#ffffff" })
      .jpeg({ quality: 80 })
      .toBuffer({ resolveWithObject: true });
    const thumb = await sharp(data).resize(SMALL, SMALL, { fit: "cover" }).jpeg({ quality: 70 }).toBuffer();
    return { bytes: data, thumb, width: info.width, height: info.height };
  } catch {
    return fault("NotAPicture", "That file cannot be read as a picture. Choose a JPEG, PNG or WebP.", [
      "picture",
    ]);
  }
}

const sha = (bytes: Uint8Array): string => createHash("sha256").update(bytes).digest("hex");

/** Keeps a photograph and the entry that names it, together or not at all. The key names both, so that one sent twice is kept once. */
export async function keepPicture(
  sql: Sql,
  batch: string,
  key: string,
  sent: Uint8Array,
  words: string | undefined,
): Promise<Written> {
  const made = await madeSmall(sent);
  if ("message" in made) return { ok: false, status: 422, fault: made };
  const body = { picture: key, ...(words ? { words } : {}) };
  return (await sql.begin(async (tx): Promise<Written> => {
    const w = await appendWithin(
      tx,
      BATCHES,
      { streamId: batch, key, type: "pictured", body },
      async (_, b) => (b ? body : fault("NoSuchBatch", "There is no such batch.")),
    );
    if (w.ok && !w.already)
      await tx`insert into picture (id, batch_id, bytes, thumb, width, height, sha256)
        values (${key}, ${batch}, ${made.bytes}, ${made.thumb}, ${made.width}, ${made.height}, ${sha(made.bytes)}) on conflict (id) do nothing`;
    return w;
  })) as Written;
}

/** A photograph of a batch, whole or small. */
export async function pictureOf(
  sql: Sql,
  batch: string,
  id: string,
  small: boolean,
): Promise<Buffer | undefined> {
  const [row] = small
    ? await sql<
        { bytes: Buffer }[]
      >`select thumb as bytes from picture where id = ${id} and batch_id = ${batch}`
    : await sql<{ bytes: Buffer }[]>`select bytes from picture where id = ${id} and batch_id = ${batch}`;
  return row?.bytes;
}

/** A file that goes with the journal into a backup. */
export interface HouseFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

const nameOf = (batch: string, id: string): string => `files/${batch}/${id}.jpg`;
const NAMED = /^files\/([0-9a-f-]{36})\/([0-9a-f-]{36})\.jpg$/;

/** Every photograph there is, one at a time, in one order whenever it is asked. */
export async function* houseFiles(sql: Sql): AsyncGenerator<HouseFile> {
  const [{ there } = { there: false }] = await sql<
    { there: boolean }[]
  >`select to_regclass('picture') is not null as there`;
  if (!there) return;
  for await (const rows of sql<{ id: string; batch_id: string; bytes: Buffer }[]>`
    select id, batch_id, bytes from picture order by batch_id, id`.cursor(20))
    for (const r of rows) yield { name: nameOf(r.batch_id, r.id), bytes: r.bytes };
}

/** Puts back a photograph from a backup. @returns whether it is one: a picture, under the name of one */
export async function putBackFile(tx: Tx, { name, bytes }: HouseFile): Promise<boolean> {
  const said = NAMED.exec(name);
  const made = said && bytes.length <= MOST_BYTES ? await madeSmall(bytes) : undefined;
  if (!said || !made || isFault(made)) return false;
  const kept = Buffer.from(bytes);
  await tx`insert into picture (id, batch_id, bytes, thumb, width, height, sha256)
    values (${said[2]!}, ${said[1]!}, ${kept}, ${made.thumb}, ${made.width}, ${made.height}, ${sha(kept)}) on conflict (id) do nothing`;
  return true;
}
