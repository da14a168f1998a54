import type { Picture } from "@/core/label/read-strip";

/** A picture is looked at no larger than this, pixels a side. */
const LARGEST = 2400;

/** The pixels of a picture, no more of them than are wanted. */
export async function pixelsOf(picture: Blob, largest = LARGEST): Promise<Picture> {
  const bitmap = await createImageBitmap(picture);
  const by = Math.min(1, largest / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * by), Math.round(bitmap.height * by)];
  const canvas = document.createElement("canvas");
  Object.assign(canvas, { width, height });
  const drawn = canvas.getContext("2d", { willReadFrequently: true })!;
  drawn.drawImage(bitmap, 0, 0, width, height);
  return drawn.getImageData(0, 0, width, height);
}

/** What stands in the code on a picture; nothing where there is none that can be made out. */
export async function codeOn(picture: Blob): Promise<string | undefined> {
  const { findCode } = await import("./find-code");
  return findCode(await pixelsOf(picture))?.text;
}
