/** A picture is looked at no larger than this, pixels a side. */
const LARGEST = 2400;

/** What stands in the code on a picture; nothing where there is none that can be made out. */
export async function codeOn(picture: Blob): Promise<string | undefined> {
  const { default: jsQR } = await import("jsqr");
  const bitmap = await createImageBitmap(picture);
  const by = Math.min(1, LARGEST / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * by), Math.round(bitmap.height * by)];
  const canvas = document.createElement("canvas");
  Object.assign(canvas, { width, height });
  const drawn = canvas.getContext("2d", { willReadFrequently: true })!;
  drawn.drawImage(bitmap, 0, 0, width, height);
  return jsQR(drawn.getImageData(0, 0, width, height).data, width, height)?.data;
}
