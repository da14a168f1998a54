/** Small made-up photographs for the demo, drawn: a jar on a sill, as full and as dark as it was that day. */
import { mkdirSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import sharp from "sharp";
import { chance } from "../tests/chance";

export interface Drawn {
  /** Where it lies among the demo's files: its batch and its id. */
  readonly batch: string;
  readonly id: string;
  /** Colour of what is poured, and of the herb; how far it has drawn, 0 to 1. */
  readonly liquid: string;
  readonly herb: string;
  readonly drawn: number;
}

const [W, H] = [640, 480];

/** A jar with its herb, as a drawing. */
function jar({ liquid, herb, drawn, id }: Drawn): string {
  const c = chance([...id].reduce((n, l) => (n * 31 + l.charCodeAt(0)) >>> 0, 7));
  const leaves = Array.from({ length: 140 }, () => {
    const [x, y] = [c.from(232, 408), c.from(150 + 120 * drawn, 408)];
    return `<ellipse cx="${x.toFixed(0)}" cy="${y.toFixed(0)}" rx="${c.from(5, 14).toFixed(0)}" ry="${c.from(2, 5).toFixed(0)}" transform="rotate(${c.from(0, 180).toFixed(0)} ${x.toFixed(0)} ${y.toFixed(0)})" fill="${herb}" opacity="${c.from(0.5, 0.95).toFixed(2)}"/>`;
  }).join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}" viewBox="0 0 ${W} ${H}">
    <rect width="${W}" height="${H}" fill="#cfccc2"/><rect y="410" width="${W}" height="70" fill="#8b7355"/>
    <rect x="60" y="30" width="140" height="240" fill="#e9eef0" stroke="#8a8880" stroke-width="10"/>
    <path d="M226 110h188l10 24v264q0 18-18 18H234q-18 0-18-18V134z" fill="#eef0ee" stroke="#3a3a38" stroke-width="4"/>
    <path d="M220 150h200v248q0 14-14 14H234q-14 0-14-14z" fill="${liquid}" opacity="${(0.55 + 0.4 * drawn).toFixed(2)}"/>${leaves}
    <rect x="216" y="78" width="208" height="34" fill="#c3c2bd" stroke="#3a3a38" stroke-width="4"/><rect x="220" y="110" width="200" height="7" fill="#b0623c"/>
    <path d="M238 140v250" stroke="#fff" stroke-width="7" opacity="0.5"/></svg>`;
}

/** Writes the photographs beside the demo's journal. */
export async function drawPictures(all: readonly Drawn[]): Promise<void> {
  rmSync("demo/files", { recursive: true, force: true });
  for (const d of all) {
    const file = join("demo/files", d.batch, `${d.id}.jpg`);
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(
      file,
      await sharp(Buffer.from(jar(d)))
        .jpeg({ quality: 62 })
        .toBuffer(),
    );
  }
}
