import { join } from "node:path";
import bidiFactory from "bidi-js";
import { type Font, openSync } from "fontkit";
import PDFDocument from "pdfkit";
import type { Face, Measure } from "@/core/label/layout-item";
import { MM_PER_PT } from "@/core/label/layout";

const from = (p: string): string => join(process.cwd(), "node_modules/@fontsource", p);
const atkinson = (part: string, weight: number): string =>
  from(`atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${part}-${weight}-normal.woff`);
const noto = (part: string, weight: number): string =>
  from(`noto-sans/files/noto-sans-${part}-${weight}-normal.woff`);
const hebrew = (weight: number): string =>
  from(`noto-sans-hebrew/files/noto-sans-hebrew-hebrew-${weight}-normal.woff`);

/** Fonts of a weight, the first that has a letter is the one it is set in: those of the screen, then what they lack. */
const ofWeight = (weight: number): readonly string[] => [
  atkinson("latin", weight),
  atkinson("latin-ext", weight),
  noto("latin-ext", weight),
  noto("greek", weight),
  noto("greek-ext", weight),
  noto("cyrillic", weight),
  noto("cyrillic-ext", weight),
  hebrew(weight),
];

/** As woff, which is what the PDF takes; they ship with the app's packages. */
const FONT_FILES: Readonly<Record<Face, readonly string[]>> = {
  plain: ofWeight(400),
  bold: ofWeight(700),
  stencil: [from("stardos-stencil/files/stardos-stencil-latin-700-normal.woff"), ...ofWeight(700)],
};

const FACES = Object.keys(FONT_FILES) as Face[];
/** How a font is called in a document. */
const nameOf = (face: Face, nth: number): string => `${face}-${nth}`;

/** A document with every face and its fallbacks registered; only those that are drawn with are put into the file. */
export function newDocument(widthMm: number, heightMm: number): PDFKit.PDFDocument {
  const doc = new PDFDocument({
    size: [widthMm / MM_PER_PT, heightMm / MM_PER_PT],
    margin: 0,
    info: { Title: "Labels", Creator: "Jolly Crock" },
    autoFirstPage: false,
  });
  for (const face of FACES) FONT_FILES[face].forEach((file, i) => doc.registerFont(nameOf(face, i), file));
  return doc;
}

const opened = new Map<string, Font>();
function fontOf(file: string): Font {
  const known = opened.get(file);
  if (known) return known;
  const font = openSync(file) as Font;
  opened.set(file, font);
  return font;
}

const has = (face: Face, nth: number, letter: string): boolean =>
  fontOf(FONT_FILES[face][nth]!).hasGlyphForCodePoint(letter.codePointAt(0)!);

const found = new Map<string, number>();
/** The font a letter is set in, or nothing where none of ours has it. */
function fontFor(face: Face, letter: string): number | undefined {
  const key = face + letter;
  let nth = found.get(key);
  if (nth === undefined) {
    nth = FONT_FILES[face].findIndex((_, i) => has(face, i, letter));
    found.set(key, nth);
  }
  return nth < 0 ? undefined : nth;
}

/** Marks that join the letter before them. */
const JOINS = /^\p{M}$/u;

/** Letters that no font of ours has, each once. */
export const withoutGlyph = (text: string): string[] => [
  ...new Set([...text].filter((c) => !JOINS.test(c) && fontFor("plain", c) === undefined)),
];

/** A stretch of text in one font, in the order it is read. */
interface Run {
  readonly text: string;
  readonly font: string;
}

/** Stands for a letter no font has. */
const MISSING = "?";

/** Splits a stretch of one direction by font; a letter no font has is shown as missing. */
function byFont(text: string, face: Face): Run[] {
  const runs: { text: string; nth: number }[] = [];
  for (const letter of text) {
    const last = runs.at(-1);
    // A mark or a space stays with what it stands beside, as long as that font has it.
    if (last && (JOINS.test(letter) || letter === " ") && has(face, last.nth, letter)) {
      last.text += letter;
      continue;
    }
    const nth = fontFor(face, letter);
    const [said, at] = nth === undefined ? [MISSING, 0] : [letter, nth];
    if (last && last.nth === at) last.text += said;
    else runs.push({ text: said, nth: at });
  }
  return runs.map(({ text: t, nth }) => ({ text: t, font: nameOf(face, nth) }));
}

const bidi = bidiFactory();
/** Scripts that read from the right; where there is none, a line is one stretch. */
const FROM_THE_RIGHT = /[\u0590-\u08ff\ufb1d-\ufefc]/;

/** Stretches of one direction, from left to right as they stand on the page; the letters in each keep the order they are read in. */
function inSight(text: string): { readonly text: string; readonly rightToLeft: boolean }[] {
  if (!FROM_THE_RIGHT.test(text)) return [{ text, rightToLeft: false }];
  const { levels } = bidi.getEmbeddingLevels(text, "ltr");
  const stretches: { text: string; level: number; at: number }[] = [];
  for (let i = 0; i < text.length; i++) {
    const last = stretches.at(-1);
    if (last && last.level === levels[i]) last.text += text[i]!;
    else stretches.push({ text: text[i]!, level: levels[i]!, at: i });
  }
  if (stretches.length === 1) return [{ text, rightToLeft: stretches[0]!.level % 2 === 1 }];
  // Where each stretch stands is where its first letter in sight does.
  const order = bidi.getReorderedIndices(text, bidi.getEmbeddingLevels(text, "ltr"));
  const placed = new Map(order.map((logical, visual) => [logical, visual]));
  const leftmost = (s: { text: string; at: number }): number =>
    Math.min(...Array.from({ length: s.text.length }, (_, i) => placed.get(s.at + i) ?? 0));
  return [...stretches]
    .sort((a, b) => leftmost(a) - leftmost(b))
    .map(({ text: t, level }) => ({ text: t, rightToLeft: level % 2 === 1 }));
}

/** A line as it is drawn, from left to right: in each run one font and one direction. */
export function runsOf(text: string, face: Face): Run[] {
  return inSight(text).flatMap(({ text: t, rightToLeft }) => {
    if (!rightToLeft) return byFont(t, face);
    // The first word stands rightmost. The font turns the letters of a word itself; words it is given together it would set one after the other.
    return t
      .split(/(\s+)/)
      .filter((word) => word !== "")
      .reverse()
      .flatMap((word) => byFont(word, face).reverse());
  });
}

let measuring: PDFKit.PDFDocument | undefined;

/** Labels of one batch say nearly the same, and each size is tried on all of it: a text is measured once. */
const MOST_MEASURED = 20_000;
const measured = new Map<string, number>();
/** Letters grow as their size does: what a text takes at a thousand points says what it takes at any. */
const AT_PT = 1000;

function widthAt(text: string, face: Face): number {
  measuring ??= newDocument(100, 100);
  let wide = 0;
  for (const run of runsOf(text, face))
    wide += measuring.font(run.font).fontSize(AT_PT).widthOfString(run.text);
  return wide;
}

/** Widths from the fonts themselves, mm. */
export const measure: Measure = (text, face, pt) => {
  const key = face + text;
  let wide = measured.get(key);
  if (wide === undefined) {
    wide = widthAt(text, face);
    if (measured.size >= MOST_MEASURED) measured.clear();
    measured.set(key, wide);
  }
  return (wide * pt * MM_PER_PT) / AT_PT;
};
