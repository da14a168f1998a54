import type { LabelLayout } from "@/core/label/layout-item";
import { type StripWords, stripLayout } from "@/core/label/strip";
import { measure } from "./fonts";
import type { OnStrip } from "@/core/label/read-strip";
import { codeInside, codeSide, layoutPdf, withCodes } from "./label-files";

/** A strip set with the fonts it is printed in, its code with it. */
export const stripSet = (w: StripWords): LabelLayout => withCodes(stripLayout(w, measure, codeSide));

/** The strip as a PDF of its own size, to be printed at 100 % and cut out. */
export const stripPdf = (w: StripWords): Promise<Buffer> => layoutPdf(stripSet(w));

/** Where a strip’s code and boxes stand on it, for reading it back from a photograph; nothing where it has no code or no box. */
export function onStrip(layout: LabelLayout): OnStrip | undefined {
  const code = layout.items.find((i) => i.kind === "code");
  const boxes = layout.items.flatMap((i) => (i.kind === "box" ? [{ x: i.x, y: i.y, side: i.width }] : []));
  return code && boxes.length > 0 ? { code: codeInside(code), boxes } : undefined;
}
