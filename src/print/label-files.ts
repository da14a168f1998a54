import type { Label } from "@/core/label/label";
import { BAR_FILL, type Item, type LabelLayout, stripesOf } from "@/core/label/layout-item";
import type { LabelWords } from "@/core/label/blocks";
import { MM_PER_PT, layOut, layOutWords } from "@/core/label/layout";
import { type Sheet, gridCells } from "@/core/label/sheet";
import { type Greeting, type LabelSort, giftWords, layOutLid, neckHole, neckWords } from "@/core/label/sorts";
import { create as codeOf } from "qrcode";
import { LEAST_MODULE } from "./module-size";
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

/** One dark module after another as a path, mm, and how many modules a side. */
interface Modules {
  readonly size: number;
  readonly dark: readonly (readonly [row: number, column: number])[];
}
/** The code that was asked for last: a label asks for its own when it is laid out, when it is set and when it is drawn. */
let last: { readonly text: string; readonly is: Modules } | undefined;
function modulesOf(text: string): Modules {
  if (last?.text !== text) last = { text, is: encoded(text) };
  return last.is;
}
function encoded(text: string): Modules {
  const { modules } = codeOf(text, { errorCorrectionLevel: "M" });
  const dark: [number, number][] = [];
  for (let r = 0; r < modules.size; r++)
    for (let c = 0; c < modules.size; c++) if (modules.get(r, c)) dark.push([r, c]);
  return { size: modules.size, dark };
}
/** Modules of white that a code wants round it. */
const EDGE = 4;
/** mm a side of a code whose modules any camera makes out, its white edge with it. */
export const codeSide = (text: string): number => (modulesOf(text).size + 2 * EDGE) * LEAST_MODULE;

/** A code on a label without its white edge, mm. */
export function codeInside(i: Extract<Item, { kind: "code" }>): { x: number; y: number; side: number } {
  const { size } = modulesOf(i.text);
  const m = i.side / (size + 2 * EDGE);
  return { x: i.x + EDGE * m, y: i.y + EDGE * m, side: size * m };
}

/** Sets the modules of every code on a label. */
export function withCodes(l: LabelLayout): LabelLayout {
  const items = l.items.map((i): Item => {
    if (i.kind !== "code") return i;
    const { size, dark } = modulesOf(i.text);
    const m = i.side / (size + 2 * EDGE);
    const path = dark
      .map(
        ([r, c]) =>
          `M${(i.x + (c + EDGE) * m).toFixed(3)} ${(i.y + (r + EDGE) * m).toFixed(3)}h${m.toFixed(3)}v${m.toFixed(3)}h-${m.toFixed(3)}z`,
      )
      .join("");
    return { ...i, path };
  });
  return { ...l, items };
}

/** What a label is: a bottle’s in one of its sorts, or a working jar’s words. */
export type ToPrint =
  | {
      readonly sort: Exclude<LabelSort, "jar">;
      readonly label: Label;
      readonly from: string;
      readonly greeting?: Greeting;
    }
  | { readonly sort: "jar"; readonly words: LabelWords };

/** A label set in a space of so many mm; letters no font of ours has are told with what found no room. */
export function laidOut(l: Label, widthMm: number, heightMm: number): LabelLayout {
  return printed({ sort: "bottle", label: l, from: "" }, widthMm, heightMm);
}

/** The same for any sort of label. */
export function printed(p: ToPrint, widthMm: number, heightMm: number): LabelLayout {
  const set = withCodes(setOf(p, widthMm, heightMm));
  const typed =
    p.sort === "jar"
      ? [p.words.name, ...p.words.blocks.map((b) => b.words)].join("")
      : typedOn(drawable(p.label)) + (p.greeting?.for ?? "") + (p.greeting?.say ?? "");
  return { ...set, noGlyph: withoutGlyph(plain(typed)) };
}

function setOf(p: ToPrint, widthMm: number, heightMm: number): LabelLayout {
  switch (p.sort) {
    case "bottle":
      return layOut(drawable(p.label), widthMm, heightMm, measure, codeSide);
    case "jar": {
      const words = {
        ...p.words,
        name: plain(p.words.name),
        blocks: p.words.blocks.map((b) => ({ ...b, words: plain(b.words) })),
      };
      return layOutWords(words, widthMm, heightMm, measure, codeSide);
    }
    case "lid":
      return layOutLid(drawable(p.label), Math.min(widthMm, heightMm), measure);
    case "neck": {
      const set = layOutWords(neckWords(drawable(p.label)), widthMm, heightMm, measure, codeSide);
      return { ...set, items: [neckHole(widthMm), ...set.items] };
    }
    case "gift":
      return layOutWords(
        giftWords(drawable(p.label), plain(p.from), {
          for: p.greeting?.for && plain(p.greeting.for),
          say: p.greeting?.say && plain(p.greeting.say),
        }),
        widthMm,
        heightMm,
        measure,
        codeSide,
      );
  }
}

/** One thing on a label, drawn into a document. */
function drawItem(doc: PDFKit.PDFDocument, i: Item): void {
  const pt = (mm: number): number => mm / MM_PER_PT;
  switch (i.kind) {
    case "rule":
      doc.lineWidth(pt(i.width)).moveTo(pt(i.x1), pt(i.y)).lineTo(pt(i.x2), pt(i.y)).stroke(INKS[i.ink]);
      return;
    case "circle":
      doc.lineWidth(pt(0.2)).circle(pt(i.x), pt(i.y), pt(i.r)).stroke(INKS.iron);
      return;
    case "box":
      doc.lineWidth(pt(0.25)).rect(pt(i.x), pt(i.y), pt(i.width), pt(i.height)).stroke(INKS.iron);
      return;
    case "bar":
      doc.rect(pt(i.x), pt(i.y), pt(i.width), pt(i.height)).fill(BAR_FILL[i.of]);
      doc.lineWidth(pt(0.3));
      for (const x of stripesOf(i))
        doc
          .moveTo(pt(x), pt(i.y))
          .lineTo(pt(x), pt(i.y + i.height))
          .stroke(INKS.iron);
      return;
    case "upright":
      doc.lineWidth(pt(i.width)).moveTo(pt(i.x), pt(i.y1)).lineTo(pt(i.x), pt(i.y2)).stroke(INKS.iron);
      return;
    case "code": {
      const { size, dark } = modulesOf(i.text);
      const m = i.side / (size + 2 * EDGE);
      for (const [r, c] of dark) doc.rect(pt(i.x + (c + EDGE) * m), pt(i.y + (r + EDGE) * m), pt(m), pt(m));
      doc.fill("#000000");
      return;
    }
    case "text": {
      doc.fontSize(i.pt).fillColor(INKS[i.ink]);
      const wide = measure(i.text, i.face, i.pt);
      const share = { start: 0, middle: 0.5, end: 1 }[i.anchor];
      let x = pt(i.x - wide * share);
      for (const run of runsOf(i.text, i.face)) {
        doc.font(run.font).text(run.text, x, pt(i.y), { lineBreak: false, baseline: "alphabetic" });
        x += doc.widthOfString(run.text);
      }
    }
  }
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
  for (const i of layout.items) drawItem(doc, i);
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
export function singlesPdf(labels: readonly ToPrint[], widthMm: number, heightMm: number): Promise<Buffer> {
  const doc = newDocument(widthMm, heightMm);
  for (const l of labels) {
    doc.addPage({ size: [widthMm / MM_PER_PT, heightMm / MM_PER_PT], margin: 0 });
    draw(doc, printed(l, widthMm, heightMm), 0, 0, false);
  }
  return finished(doc);
}

/** One layout on a page of its own size. */
export function layoutPdf(layout: LabelLayout): Promise<Buffer> {
  const doc = newDocument(layout.widthMm, layout.heightMm);
  doc.addPage({ size: [layout.widthMm / MM_PER_PT, layout.heightMm / MM_PER_PT], margin: 0 });
  draw(doc, layout, 0, 0, true);
  return finished(doc);
}

/** Labels on a plain millimetre grid, from any start cell. */
export function sheetPdf(
  labels: readonly ToPrint[],
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
    draw(doc, printed(l, widthMm, heightMm), c.x, c.y, l.sort !== "lid");
  });
  return finished(doc);
}

const escaped = (s: string): string =>
  s.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

const ANCHORS = { start: "", middle: ' text-anchor="middle"', end: ' text-anchor="end"' } as const;

function svgItem(i: Item): string {
  switch (i.kind) {
    case "rule":
      return `<path d="M${i.x1.toFixed(2)} ${i.y.toFixed(2)}H${i.x2.toFixed(2)}" stroke="${INKS[i.ink]}" stroke-width="${i.width}"/>`;
    case "circle":
      return `<circle cx="${i.x}" cy="${i.y}" r="${i.r}" fill="none" stroke="${INKS.iron}" stroke-width="0.2"/>`;
    case "box":
      return `<rect x="${i.x.toFixed(2)}" y="${i.y.toFixed(2)}" width="${i.width}" height="${i.height}" fill="none" stroke="${INKS.iron}" stroke-width="0.25"/>`;
    case "bar":
      return `<rect x="${i.x.toFixed(2)}" y="${i.y.toFixed(2)}" width="${i.width.toFixed(2)}" height="${i.height}" fill="${BAR_FILL[i.of]}"/>${stripesOf(
        i,
      )
        .map(
          (x) => `<path d="M${x} ${i.y.toFixed(2)}v${i.height}" stroke="${INKS.iron}" stroke-width="0.3"/>`,
        )
        .join("")}`;
    case "upright":
      return `<path d="M${i.x.toFixed(2)} ${i.y1.toFixed(2)}V${i.y2.toFixed(2)}" stroke="${INKS.iron}" stroke-width="${i.width}"/>`;
    case "code":
      return `<path d="${i.path ?? ""}" fill="#000"/>`;
    case "text":
      return svgText(i);
  }
}

const svgText = (i: Extract<Item, { kind: "text" }>): string =>
  `<text x="${i.x.toFixed(2)}" y="${i.y.toFixed(2)}" font-size="${(i.pt * MM_PER_PT).toFixed(3)}" font-family="${FAMILIES[i.face]}" font-weight="${i.face === "plain" ? 400 : 700}" fill="${INKS[i.ink]}"${ANCHORS[i.anchor]}>${escaped(i.text)}</text>`;

/** A label as SVG at its exact size, text as text. */
export function labelSvg(layout: LabelLayout): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${layout.widthMm}mm" height="${layout.heightMm}mm" viewBox="0 0 ${layout.widthMm} ${layout.heightMm}"><rect width="${layout.widthMm}" height="${layout.heightMm}" fill="#fff"/>${layout.items.map(svgItem).join("")}</svg>\n`;
}
