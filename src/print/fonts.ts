import { join } from "node:path";
import PDFDocument from "pdfkit";
import { type Face, MM_PER_PT, type Measure } from "@/core/label/layout";

const from = (p: string): string => join(process.cwd(), "node_modules", p);

/** The very fonts of the screen, as woff for the PDF; they ship with the app's packages. */
export const FONT_FILES: Readonly<Record<Face, string>> = {
  plain: from(
    "@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff",
  ),
  bold: from("@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff"),
  stencil: from("@fontsource/stardos-stencil/files/stardos-stencil-latin-700-normal.woff"),
};

/** A document with the three faces registered. */
export function newDocument(widthMm: number, heightMm: number): PDFKit.PDFDocument {
  const doc = new PDFDocument({
    size: [widthMm / MM_PER_PT, heightMm / MM_PER_PT],
    margin: 0,
    info: { Title: "Labels", Creator: "Jolly Crock" },
    autoFirstPage: false,
  });
  for (const [face, file] of Object.entries(FONT_FILES)) doc.registerFont(face, file);
  return doc;
}

let measuring: PDFKit.PDFDocument | undefined;

/** Widths from the fonts themselves, mm. */
export const measure: Measure = (text, face, pt) => {
  measuring ??= newDocument(100, 100);
  return measuring.font(face).fontSize(pt).widthOfString(text) * MM_PER_PT;
};
