/** What the boxes on a strip say, read back from a photograph of it. Lengths on the strip in mm, on the picture in pixels. */

/** A picture as a canvas has it: RGBA, row by row. */
export interface Picture {
  readonly data: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
}
type Point = readonly [x: number, y: number];
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly side: number;
}
/** Where a strip’s code (without its white edge) and its boxes stand on the paper. */
export interface OnStrip {
  readonly code: Box;
  readonly boxes: readonly Box[];
}
export type BoxRead = "ticked" | "empty" | "unsure";

/** x' = a x + b y + c, y' = d x + e y + f: from the paper to the picture. */
type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];
const at = (m: Affine, x: number, y: number): Point => [
  m[0] * x + m[1] * y + m[2],
  m[3] * x + m[4] * y + m[5],
];

interface Pair {
  readonly mm: Point;
  readonly px: Point;
}

/** Three equations in three unknowns, by Cramer’s rule. */
function solved(m: readonly number[], v: readonly number[]): readonly [number, number, number] {
  const det = (a: readonly number[]): number =>
    a[0]! * (a[4]! * a[8]! - a[5]! * a[7]!) -
    a[1]! * (a[3]! * a[8]! - a[5]! * a[6]!) +
    a[2]! * (a[3]! * a[7]! - a[4]! * a[6]!);
  const all = det(m);
  const with_ = (col: number): number =>
    det(m.map((x, i) => (i % 3 === col ? v[Math.floor(i / 3)]! : x))) / all;
  return [with_(0), with_(1), with_(2)];
}

/** mm within which what was found tells most of how the paper lies: it may bend and lean. */
const NEAR = 9;

/** The map that fits what was found best in the least squares, what is near a place counting most. */
function fitted(pairs: readonly Pair[], [nx, ny]: Point): Affine {
  const m = new Array<number>(9).fill(0);
  const [vx, vy] = [[0, 0, 0], [0, 0, 0]]; // prettier-ignore
  for (const { mm, px } of pairs) {
    const far = Math.hypot(mm[0] - nx, mm[1] - ny);
    const w = 1 / (1 + (far / NEAR) ** 4) + 1e-4;
    const row = [mm[0] - nx, mm[1] - ny, 1];
    row.forEach((a, i) => {
      row.forEach((b, j) => (m[3 * i + j]! += w * a * b));
      vx[i]! += w * a * px[0];
      vy[i]! += w * a * px[1];
    });
  }
  const [a, b, c] = solved(m, vx);
  const [d, e, f] = solved(m, vy);
  return [a, b, c - a * nx - b * ny, d, e, f - d * nx - e * ny];
}

/** How light the picture is at a place, 0 to 255, between its pixels too; nothing beyond its edge. */
function lightAt({ data, width, height }: Picture, [x, y]: Point): number | undefined {
  const [ix, iy] = [Math.floor(x), Math.floor(y)];
  if (ix < 0 || iy < 0 || ix >= width - 1 || iy >= height - 1) return undefined;
  const [fx, fy] = [x - ix, y - iy];
  const lum = (i: number, j: number): number => {
    const o = 4 * (j * width + i);
    return 0.3 * data[o]! + 0.59 * data[o + 1]! + 0.11 * data[o + 2]!;
  };
  return (
    (lum(ix, iy) * (1 - fx) + lum(ix + 1, iy) * fx) * (1 - fy) +
    (lum(ix, iy + 1) * (1 - fx) + lum(ix + 1, iy + 1) * fx) * fy
  );
}

/** Points along a box’s outline, and how far on either side of it the paper is looked at, mm. */
const ALONG = 14;
const BESIDE = 0.55;

/** How much darker a box’s outline is than the paper on either side of it, were it moved so, as a share of that paper. */
function outline(p: Picture, m: Affine, b: Box, [dx, dy]: Point): number {
  let sum = 0;
  let n = 0;
  for (let i = 0; i < ALONG; i++) {
    const t = (b.side * (i + 0.5)) / ALONG;
    for (const [x, y, ox, oy] of [
      [b.x + t, b.y, 0, 1],
      [b.x + t, b.y + b.side, 0, 1],
      [b.x, b.y + t, 1, 0],
      [b.x + b.side, b.y + t, 1, 0],
    ] as const) {
      const on = lightAt(p, at(m, x + dx, y + dy));
      const one = lightAt(p, at(m, x + dx + ox * BESIDE, y + dy + oy * BESIDE));
      const other = lightAt(p, at(m, x + dx - ox * BESIDE, y + dy - oy * BESIDE));
      if (on === undefined || one === undefined || other === undefined) continue;
      // A tick that runs over the outline darkens one side of it: the lighter side is the paper.
      const paper = Math.max(one, other, 1);
      sum += Math.max(-0.1, Math.min(0.6, (paper - on) / paper));
      n++;
    }
  }
  return n < 2 * ALONG ? -1 : sum / n;
}

interface Found {
  readonly by: Point;
  readonly score: number;
}

/** Where a box’s outline really lies, looked for round where it is expected. @param reach mm each way */
function found(p: Picture, m: Affine, b: Box, reach: number): Found {
  let best: Found = { by: [0, 0], score: outline(p, m, b, [0, 0]) };
  const look = (round: Point, far: number, step: number): void => {
    for (let dx = -far; dx <= far + 1e-9; dx += step)
      for (let dy = -far; dy <= far + 1e-9; dy += step) {
        const by: Point = [round[0] + dx, round[1] + dy];
        const score = outline(p, m, b, by);
        if (score > best.score) best = { by, score };
      }
  };
  look([0, 0], reach, 0.2);
  look(best.by, 0.2, 0.05);
  return best;
}

/** Of an outline that is made out: how much darker than the paper it must be at the least. */
const SEEN = 0.07;
/** The part of a box that is looked into: off its outline, and off its number in the lower left corner, mm. */
const INSET = 0.8;
const NUMBER = [2.6, 2.4] as const;
const GRID = 26;
/** Darker than so much of the paper is ink; a crease in the light is not. */
const INK = 0.64;
/** Shares of the inside that are ink: from so much it is ticked, up to so little it is empty. */
const [TICKED, EMPTY] = [0.045, 0.012];

/** What stands in a box. */
function inside(p: Picture, m: Affine, b: Box): BoxRead {
  const lights: number[] = [];
  for (let i = 0; i < GRID; i++)
    for (let j = 0; j < GRID; j++) {
      const x = INSET + ((b.side - 2 * INSET) * (i + 0.5)) / GRID;
      const y = INSET + ((b.side - 2 * INSET) * (j + 0.5)) / GRID;
      if (x < NUMBER[0] && y > b.side - NUMBER[1]) continue;
      const l = lightAt(p, at(m, b.x + x, b.y + y));
      if (l !== undefined) lights.push(l);
    }
  if (lights.length < GRID * GRID * 0.5) return "unsure";
  lights.sort((a, c) => a - c);
  const paper = lights[Math.floor(lights.length * 0.85)]!;
  const ink = lights.filter((l) => l < INK * paper).length / lights.length;
  if (ink >= TICKED) return "ticked";
  return ink <= EMPTY ? "empty" : "unsure";
}

/**
 * Reads the boxes of a strip. The code says where to look; each outline that is made out says better where the next one lies.
 * @param code the corners of the code on the picture: upper left, upper right, lower left
 * @returns a word for each box, in their order; what is not made out is unsure
 */
export function readStrip(p: Picture, code: readonly [XY, XY, XY], on: OnStrip): BoxRead[] {
  const { x, y, side } = on.code;
  const corners: readonly Point[] = [
    [x, y],
    [x + side, y],
    [x, y + side],
  ];
  const pairs: Pair[] = corners.map((mm, i) => ({ mm, px: [code[i]!.x, code[i]!.y] }));
  const middle: Point = [x + side / 2, y + side / 2];
  const far = (b: Box): number => Math.hypot(b.x + b.side / 2 - middle[0], b.y + b.side / 2 - middle[1]);
  const order = on.boxes.map((b, i) => ({ b, i })).sort((a, c) => far(a.b) - far(c.b));
  const read = new Array<BoxRead>(on.boxes.length).fill("unsure");
  order.forEach(({ b, i }, nth) => {
    const m = fitted(pairs, [b.x + b.side / 2, b.y + b.side / 2]);
    // The first is looked for widest, but never as far as its neighbour.
    const is = found(p, m, b, nth === 0 ? 1.8 : 1.2);
    if (is.score < SEEN) return;
    const moved: Box = { ...b, x: b.x + is.by[0], y: b.y + is.by[1] };
    for (const [cx, cy] of [
      [0, 0],
      [b.side, 0],
      [0, b.side],
      [b.side, b.side],
    ] as const)
      pairs.push({ mm: [b.x + cx, b.y + cy], px: at(m, moved.x + cx, moved.y + cy) });
    read[i] = inside(p, m, moved);
  });
  return read;
}
interface XY {
  readonly x: number;
  readonly y: number;
}
