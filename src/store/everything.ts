import { Zip, ZipDeflate, ZipPassThrough } from "fflate";
import { toMarkdown } from "../core/exchange/written";
import { planOf, present } from "../core/formulary/recipe";
import { TABLES, type Table, toCsv } from "../exchange/tables";
import type { Sql } from "./db";
import { journalLines } from "./exchange";
import { household } from "./household";
import { houseFiles } from "./pictures";
import { recipeOf, recipesIn } from "./recipes";
import { stores } from "./stores";
import { tableRows } from "./tables";

const UTF8 = new TextEncoder();

function readMe(name: string): string {
  const tables = Object.entries(TABLES).map(([t, says]) => `  tables/${t}.csv    ${says}`);
  return [
    `${name}: everything the household wrote down, in formats others read.`,
    "",
    "  journal.jsonl      every entry there ever was, one JSON object a line; the first line is the household",
    "  formulary/*.md     the recipes of the book, as Markdown",
    "  files/             photographs, by batch",
    ...tables,
    "",
    "Days are ISO 8601. Volumes are mL, weights g, temperatures °C; amounts as typed stand beside them.",
    "The tables are CSV (RFC 4180) in UTF-8 and open in any spreadsheet. A recipe’s Markdown can be pasted into the book again.",
    "The journal holds all the rest; to put a household back as it was, use its backup.",
    "",
  ].join("\n");
}

const slug = (name: string, id: string): string =>
  `${name
    .normalize("NFD")
    .replace(/[^\w\s-]/g, "")
    .trim()
    .toLowerCase()
    .replace(/\s+/g, "-")
    .slice(0, 50)}-${id.slice(0, 8)}`;

interface Part {
  readonly name: string;
  readonly bytes: AsyncIterable<Uint8Array> | Iterable<Uint8Array>;
  /** Pictures are packed already. */
  readonly packed?: boolean;
}

async function* linesAsBytes(lines: AsyncIterable<string>): AsyncGenerator<Uint8Array> {
  let some = "";
  for await (const l of lines) {
    some += `${l}\n`;
    if (some.length < 200_000) continue;
    yield UTF8.encode(some);
    some = "";
  }
  yield UTF8.encode(some);
}

async function* partsOf(sql: Sql): AsyncGenerator<Part> {
  const text = (name: string, said: string): Part => ({ name, bytes: [UTF8.encode(said)] });
  yield text("README.txt", readMe((await household(sql)).name));
  yield { name: "journal.jsonl", bytes: linesAsBytes(journalLines(sql)) };
  const { catalogue } = await stores(sql);
  for (const row of [...(await recipesIn(sql)), ...(await recipesIn(sql, { away: true }))]) {
    const r = await recipeOf(sql, row.id);
    if (r)
      yield text(`formulary/${slug(r.name, r.id)}.md`, toMarkdown(planOf(r, present(r)), catalogue, r.note));
  }
  for (const t of Object.keys(TABLES) as Table[])
    yield text(`tables/${t}.csv`, toCsv(t, await tableRows(sql, t)));
  for await (const f of houseFiles(sql)) yield { name: f.name, bytes: [f.bytes], packed: true };
}

/**
 * One archive of all there is, a part at a time, so that none of it is held whole. What is cut off is seen as such: an archive ends with its list.
 * @param done called once it is written, or given up
 */
export function everything(sql: Sql, done: () => void = () => undefined): ReadableStream<Uint8Array> {
  const waiting: Uint8Array[] = [];
  let failed: unknown;
  const zip = new Zip((e, chunk) => {
    if (e) failed = e;
    else waiting.push(chunk);
  });
  async function* chunks(): AsyncGenerator<Uint8Array> {
    for await (const p of partsOf(sql)) {
      const file = p.packed ? new ZipPassThrough(p.name) : new ZipDeflate(p.name, { level: 6 });
      zip.add(file);
      for await (const b of p.bytes) {
        file.push(b, false);
        yield* waiting.splice(0);
      }
      file.push(new Uint8Array(0), true);
      if (failed) throw failed;
      yield* waiting.splice(0);
    }
    zip.end();
    yield* waiting.splice(0);
  }
  const from = chunks();
  return new ReadableStream<Uint8Array>({
    async pull(to) {
      try {
        const next = await from.next();
        if (!next.done) return to.enqueue(next.value);
        to.close();
      } catch (e) {
        to.error(e);
      }
      done();
    },
    cancel: async () => {
      await from.return(undefined);
      done();
    },
  });
}
