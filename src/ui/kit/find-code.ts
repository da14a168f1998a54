import jsQR from "jsqr";
import type { Picture } from "@/core/label/read-strip";

/** A code on a picture: what it says, and where its corners lie, in the picture’s own pixels. */
export interface CodeFound {
  readonly text: string;
  readonly corners: readonly [Corner, Corner, Corner];
}
interface Corner {
  readonly x: number;
  readonly y: number;
}

/** The picture made smaller by whole steps, each pixel the mean of those it stands for. */
function smaller(p: Picture, by: number): Picture {
  const [width, height] = [Math.floor(p.width / by), Math.floor(p.height / by)];
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      for (let c = 0; c < 4; c++) {
        let sum = 0;
        for (let j = 0; j < by; j++)
          for (let i = 0; i < by; i++) sum += p.data[4 * ((y * by + j) * p.width + x * by + i) + c]!;
        data[4 * (y * width + x) + c] = sum / (by * by);
      }
  return { data, width, height };
}

/** What stands in the code on a picture. It is looked for in the whole, and then in smaller ones, where creases and grain are less. */
export function findCode(p: Picture): CodeFound | undefined {
  for (const by of [1, 2, 3]) {
    const at = by === 1 ? p : smaller(p, by);
    const code = jsQR(at.data, at.width, at.height);
    if (!code) continue;
    const { topLeftCorner: a, topRightCorner: b, bottomLeftCorner: c } = code.location;
    const whole = ({ x, y }: Corner): Corner => ({ x: (x + 0.5) * by - 0.5, y: (y + 0.5) * by - 0.5 });
    return { text: code.data, corners: [whole(a), whole(b), whole(c)] };
  }
  return undefined;
}
