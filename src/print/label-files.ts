import type { Label } from "@/core/label/label";
import { type Item, type LabelLayout, MM_PER_PT, type Sheet, gridCells, layOut } from "@/core/label/layout";
import { measure, newDocument, runsOf, withoutGlyph } from "./fonts";

const INKS = { iron: "#1f2125", cobalt: "#1c3d94" } as const;
const FAMILIES = {
  plain: "'Atkinson Hyperlegible Next', sans-serif",
  bold: "'Atkinson Hyperlegible Next', sans-serif",
  stencil: "'Stardos Stencil', serif",
} as const;

/** Signs that steer a machine and draw nothing: they are not for paper, and XML forbids most of them. */
const CONTROLS =
  /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200b-\u200f\u202a-\u202e\u2060-\u206f\ufeff\ufffe\uffff]/g;
const plain = (s: string): string => s.replace(/[\t\n]/g, " ").replace(CONTROLS, "");

/** A label with nothing on it but what can be drawn. */
const drawable = (l: Label): Label => ({
  ...l,
  name: plain(l.name),
  contents: plain(l.contents),
  cautions: l.cautions.map(plain),
  ...(l.taken === undefined ? {} : { taken: plain(l.taken) }),
});

/** Everything typed by hand that stands on a label. */
const typedOn = (l: Label): string => [l.name, l.contents, l.taken ?? "", ...l.cautions].join("");

/** A label set in a space of so many mm; letters no font of ours has are told with what found no room. */
export function laidOut(l: Label, widthMm: number, heightMm: number): LabelLayout {
  const set = layOut(drawable(l), widthMm, heightMm, measure);
  return { ...set, noGlyph: withoutGlyph(typedOn(drawable(l))) };
}

function draw(
  doc: PDFKit.PDFDocument,
  layout: LabelLayout,
  xMm: number,
  yMm: number,
  outline: boolean,
): void {
  const pt = (mm: number): number => mm / MM_PER_PT;
  doc.save().translate(pt(xMm), pt(yMm));
  if (outline) doc.lineWidth(pt(0.2)).rect(0, 0, pt(layout.widthMm), pt(layout.heightMm)).stroke(INKS.iron);
  for (const i of layout.items) {
    if (i.kind === "rule")
      doc.lineWidth(pt(i.width)).moveTo(pt(i.x1), pt(i.y)).lineTo(pt(i.x2), pt(i.y)).stroke(INKS[i.ink]);
    else {
      doc.fontSize(i.pt).fillColor(INKS[i.ink]);
      let x = pt(i.anchor === "end" ? i.x - measure(i.text, i.face, i.pt) : i.x);
      for (const run of runsOf(i.text, i.face)) {
        doc.font(run.font).text(run.text, x, pt(i.y), { lineBreak: false, baseline: "alphabetic" });
        x += doc.widthOfString(run.text);
      }
    }
  }
  doc.restore();
}

const finished = (doc: PDFKit.PDFDocument): Promise<Buffer> =>
  new Promise((done, failed) => {
    const parts: Buffer[] = [];
    doc.on("data", (d: Buffer) => parts.push(d));
    doc.on("end", () => done(Buffer.concat(parts)));
    doc.on("error", failed);
    doc.end();
  });

/** One label a page, the page being the label; fonts embedded. */
export function singlesPdf(labels: readonly Label[], widthMm: number, heightMm: number): Promise<Buffer> {
  const doc = newDocument(widthMm, heightMm);
  for (const l of labels) {
    doc.addPage({ size: [widthMm / MM_PER_PT, heightMm / MM_PER_PT], margin: 0 });
    draw(doc, laidOut(l, widthMm, heightMm), 0, 0, false);
  }
  return finished(doc);
}

/** Labels on a plain millimetre grid, from any start cell. */
export function sheetPdf(
  labels: readonly Label[],
  widthMm: number,
  heightMm: number,
  sheet: Sheet,
  start: number,
): Promise<Buffer> {
  const doc = newDocument(sheet.pageWmm, sheet.pageHmm);
  const { cells } = gridCells(labels.length, widthMm, heightMm, sheet, start);
  let page = -1;
  labels.forEach((l, i) => {
    const c = cells[i];
    if (!c) return;
    while (page < c.page) {
      doc.addPage({ size: [sheet.pageWmm / MM_PER_PT, sheet.pageHmm / MM_PER_PT], margin: 0 });
      page++;
    }
    draw(doc, laidOut(l, widthMm, heightMm), c.x, c.y, true);
  });
  return finished(doc);
}

const escaped = (s: string): string =>
  s.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

function svgItem(i: Item): string {
  if (i.kind === "rule")
    return `<path d="M${i.x1.toFixed(2)} ${i.y.toFixed(2)}H${i.x2.toFixed(2)}" stroke="${INKS[i.ink]}" stroke-width="${i.width}"/>`;
  return `<text x="${i.x.toFixed(2)}" y="${i.y.toFixed(2)}" font-size="${(i.pt * MM_PER_PT).toFixed(3)}" font-family="${FAMILIES[i.face]}" font-weight="${i.face === "plain" ? 400 : 700}" fill="${INKS[i.ink]}"${i.anchor === "end" ? ' text-anchor="end"' : ""}>${escaped(i.text)}</text>`;
}

/** A label as SVG at its exact size, text as text. */
export function labelSvg(layout: LabelLayout): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${layout.widthMm}mm" height="${layout.heightMm}mm" viewBox="0 0 ${layout.widthMm} ${layout.heightMm}"><rect width="${layout.widthMm}" height="${layout.heightMm}" fill="#fff"/>${layout.items.map(svgItem).join("")}</svg>\n`;
}
