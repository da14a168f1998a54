/** Photographs of filled strips, drawn by a seeded program: for the tests of what reads them back. */
import sharp from "sharp";
import type { LabelLayout } from "../core/label/layout-item";
import { labelSvg } from "./label-files";

/** A small generator of numbers in [0, 1), the same for the same seed (mulberry32, public domain). */
export function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export interface Photograph {
  readonly data: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
  /** Which boxes were ticked when it was taken. */
  readonly ticked: readonly boolean[];
}

const INKS = ["#1b1b22", "#20398f", "#2c3e8a", "#5b5b60", "#8f1f1f"];

/** A tick as a hand makes one: a hook, a cross, a stroke or a scribble, a little beside and beyond its box. */
function tickPath(r: () => number, x: number, y: number, s: number): string {
  const at = (u: number, v: number): string =>
    `${(x + s * (u + 0.1 * (r() - 0.5))).toFixed(2)} ${(y + s * (v + 0.1 * (r() - 0.5))).toFixed(2)}`;
  const kind = Math.floor(r() * 4);
  if (kind === 0) return `M${at(0.15, 0.5)}L${at(0.42, 0.82)}L${at(0.95 + 0.25 * r(), -0.05 * r())}`;
  if (kind === 1) return `M${at(0.15, 0.15)}L${at(0.85, 0.85)}M${at(0.85, 0.15)}L${at(0.15, 0.85)}`;
  if (kind === 2) return `M${at(0.1, 0.85)}L${at(0.9, 0.12)}`;
  return `M${at(0.2, 0.3)}L${at(0.8, 0.25)}L${at(0.25, 0.5)}L${at(0.82, 0.5)}L${at(0.25, 0.75)}L${at(0.8, 0.7)}`;
}

/** How hard a picture is to read: turned any way, tilted, dim, creased, blurred. */
export interface Trouble {
  readonly turn: number;
  readonly tilt: readonly [number, number];
  readonly dim: number;
  readonly creases: number;
  readonly blur: number;
  readonly noise: number;
}

/** A strip as a camera would have it, RGBA. @param px pixels for a millimetre before it is tilted */
export async function photographed(
  layout: LabelLayout,
  seed: number,
  trouble: Trouble,
  px = 9,
): Promise<Photograph> {
  const r = seeded(seed);
  const boxes = layout.items.flatMap((i) => (i.kind === "box" ? [i] : []));
  const ticked = boxes.map(() => r() < 0.5);
  const strokes = boxes
    .map((b, i) => {
      if (!ticked[i]) return "";
      const ink = INKS[Math.floor(r() * INKS.length)]!;
      return `<path d="${tickPath(r, b.x, b.y, b.width)}" fill="none" stroke="${ink}" stroke-width="${(0.35 + 0.35 * r()).toFixed(2)}" stroke-linecap="round"/>`;
    })
    .join("");
  const { widthMm, heightMm } = layout;
  const paper = `<rect width="${widthMm}" height="${heightMm}" fill="#fff"/>`;
  const svg = labelSvg(layout)
    .replace(/<svg([^>]*)>/, (all) => `${all}${paper}`)
    .replace("</svg>", `${strokes}</svg>`);
  const flat = await sharp(Buffer.from(svg), { density: 25.4 * px })
    .resize(Math.round(widthMm * px), Math.round(heightMm * px), { fit: "fill" })
    .flatten({ background: "#ffffff" })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { ...(await taken(flat, r, trouble)), ticked };
}

/** The flat paper on its jar before the camera: turned, tilted, in its light. */
async function taken(
  flat: { data: Buffer; info: { width: number; height: number; channels: number } },
  r: () => number,
  t: Trouble,
): Promise<Omit<Photograph, "ticked">> {
  const { width: w, height: h, channels } = flat.info;
  const side = Math.ceil(Math.hypot(w, h) * 1.08);
  const [cos, sin] = [Math.cos(t.turn), Math.sin(t.turn)];
  const grey = new Float32Array(side * side);
  const creases = Array.from({ length: t.creases }, () => ({
    angle: r() * Math.PI,
    at: (r() - 0.5) * h * 0.8,
    dark: 0.1 + 0.22 * r(),
    wide: 1.5 + 2.5 * r(),
  }));
  const light = { angle: r() * 2 * Math.PI, fall: 0.35 * r() };
  // The paper bends round a glass about twice as wide as itself.
  const radius = w * 1.1;
  for (let Y = 0; Y < side; Y++)
    for (let X = 0; X < side; X++) {
      const [cx, cy] = [X - side / 2, Y - side / 2];
      const [u, v] = [cos * cx + sin * cy, -sin * cx + cos * cy];
      const deep = 1 + (t.tilt[0] * u) / side + (t.tilt[1] * v) / side;
      const [du, y] = [u / deep, v / deep + h / 2];
      const x = w / 2 + (Math.abs(du) < radius ? radius * Math.asin(du / radius) : Infinity);
      let lum = 0.38 + 0.06 * Math.sin((X + 2 * Y) / 37);
      if (x >= 0 && x < w - 1 && y >= 0 && y < h - 1) {
        const [ix, iy] = [Math.floor(x), Math.floor(y)];
        const [fx, fy] = [x - ix, y - iy];
        const at = (a: number, b: number): number => flat.data[(b * w + a) * channels]! / 255;
        lum =
          (at(ix, iy) * (1 - fx) + at(ix + 1, iy) * fx) * (1 - fy) +
          (at(ix, iy + 1) * (1 - fx) + at(ix + 1, iy + 1) * fx) * fy;
        for (const c of creases) {
          const off = Math.abs((x - w / 2) * Math.sin(c.angle) + (y - h / 2) * Math.cos(c.angle) - c.at);
          if (off < c.wide * 2) lum *= 1 - c.dark * Math.exp(-((off / c.wide) ** 2));
        }
      }
      const far = (Math.cos(light.angle) * cx + Math.sin(light.angle) * cy) / side;
      grey[Y * side + X] = lum * (1 - light.fall * (0.5 + far)) * t.dim + t.noise * (r() - 0.5);
    }
  const bytes = Buffer.alloc(side * side);
  grey.forEach((g, i) => (bytes[i] = Math.max(0, Math.min(255, Math.round(g * 255)))));
  let made = sharp(bytes, { raw: { width: side, height: side, channels: 1 } });
  if (t.blur > 0.3) made = made.blur(t.blur);
  const jpeg = await made.jpeg({ quality: 78 }).toBuffer();
  const { data, info } = await sharp(jpeg)
    .ensureAlpha()
    .toColourspace("srgb")
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data: new Uint8ClampedArray(data), width: info.width, height: info.height };
}
