import { create as codeOf } from "qrcode";
import { type Result, fail, fault, ok } from "../core/fault";
import { written } from "../core/exchange/written";
import type { Reckoned } from "../core/formulary/reckoned";
import type { Face } from "../core/label/layout-item";
import { MM_PER_PT } from "../core/label/layout";
import { MATERIALS, type Catalogue } from "../core/material/catalogue";
import { KIND } from "../core/plan/kinds";
import type { Plan } from "../core/plan/plan";
import { printMl } from "../core/reading/print";
import { diameterAt } from "../core/vessel/profile";
import { LEAST_MODULE } from "./module-size";
import { measure, newDocument, runsOf } from "./fonts";

/** Cards by name, mm. */
export const CARDS = {
  a6: { name: "A6", widthMm: 105, heightMm: 148 },
  a5: { name: "A5", widthMm: 148, heightMm: 210 },
  "4x6in": { name: "4 × 6 in", widthMm: 101.6, heightMm: 152.4 },
} as const;
export type Card = keyof typeof CARDS;

/** Nothing on paper is smaller, pt; and where text begins. */
const [LEAST_PT, FIRST_PT] = [6, 9.5];
const MARGIN = 6;
const IRON = "#1f2125";
const COBALT = "#1c3d94";
/** Greys and patterns do not survive a kitchen printer: a layer is told by its tint and its words. */
const TINTS: Readonly<Record<string, string>> = {
  honey: "#dba43a",
  vinegar: "#c98c5c",
  water: "#c4d3da",
  spirit: "#dfe3d0",
  herb: "#a79a58",
  other: "#cfc6b4",
};

interface Row {
  readonly text: string;
  readonly face: Face;
  readonly pt: number;
  /** Space above, mm. */
  readonly above: number;
}

/** Breaks a text into rows that fit a width, mm; a word longer than the row is broken. */
function wrapped(text: string, face: Face, pt: number, widthMm: number): string[] {
  const rows: string[] = [];
  let row = "";
  for (const word of text.split(/\s+/)) {
    const more = row === "" ? word : `${row} ${word}`;
    if (measure(more, face, pt) <= widthMm) {
      row = more;
      continue;
    }
    if (row !== "") rows.push(row);
    row = word;
    while (measure(row, face, pt) > widthMm && row.length > 1) {
      let n = row.length - 1;
      while (n > 1 && measure(row.slice(0, n), face, pt) > widthMm) n--;
      rows.push(row.slice(0, n));
      row = row.slice(n);
    }
  }
  if (row !== "") rows.push(row);
  return rows;
}

const set = (text: string, face: Face, pt: number, widthMm: number, above = 0): Row[] =>
  wrapped(text, face, pt, widthMm).map((t, i) => ({ text: t, face, pt, above: i === 0 ? above : 0 }));
const LEADING = 1.28;
const heightOf = (rows: readonly Row[]): number =>
  rows.reduce((n, r) => n + r.above + r.pt * MM_PER_PT * LEADING, 0);

type Doc = PDFKit.PDFDocument;
const pts = (mm: number): number => mm / MM_PER_PT;

function drawRows(doc: Doc, rows: readonly Row[], xMm: number, yMm: number): number {
  let y = yMm;
  for (const r of rows) {
    y += r.above + r.pt * MM_PER_PT * LEADING;
    doc.fontSize(r.pt).fillColor(IRON);
    let x = pts(xMm);
    for (const run of runsOf(r.text, r.face)) {
      doc
        .font(run.font)
        .text(run.text, x, pts(y - r.pt * MM_PER_PT * 0.3), { lineBreak: false, baseline: "alphabetic" });
      x += doc.widthOfString(run.text);
    }
  }
  return y;
}

function tintOf(stuff: { class: string; plant: boolean }): string {
  if (stuff.plant) return TINTS["herb"]!;
  return TINTS[stuff.class] ?? TINTS["other"]!;
}

/** The jar to scale with its layers and the heights to pour to. @returns nothing; the place it takes is given */
function drawJar(
  doc: Doc,
  made: Reckoned,
  xMm: number,
  yMm: number,
  widthMm: number,
  heightMm: number,
): void {
  const v = made.program.vessel;
  const { fit } = made.reckoning;
  if (!v || !fit) return;
  const widest = Math.max(...v.solid.profile.map(([, d]) => d));
  const marksMm = 15;
  const k = Math.min((widthMm - marksMm) / widest, heightMm / (v.solid.brimCm + 0.6));
  const middle = xMm + (widest * k) / 2;
  const base = yMm + heightMm;
  const x = (r: number): number => pts(middle + r * k);
  const y = (cm: number): number => pts(base - cm * k);
  const outline = (from: number, to: number): void => {
    const heights = [from, ...v.solid.profile.map(([h]) => h).filter((h) => h > from && h < to), to];
    const right = heights.map((h) => [x(diameterAt(v.solid, h) / 2), y(h)] as const);
    const left = [...heights].reverse().map((h) => [x(-diameterAt(v.solid, h) / 2), y(h)] as const);
    const [first, ...rest] = [...right, ...left];
    doc.moveTo(first![0], first![1]);
    for (const [a, b] of rest) doc.lineTo(a, b);
    doc.closePath();
  };
  const once = made.program.lines.filter((l) => l.atOnce);
  for (const l of fit.layers) {
    const of = once[l.of];
    if (!of || l.toCm <= l.fromCm) continue;
    outline(l.fromCm, Math.min(l.toCm, v.solid.brimCm));
    doc.lineWidth(0.4).fillAndStroke(tintOf(of.stuff), IRON);
  }
  outline(0, v.solid.brimCm);
  doc.lineWidth(1).stroke(IRON);
  let above = Infinity;
  for (const m of [...fit.marks].sort((a, b) => a.cm - b.cm)) {
    const at = Math.min(base - m.cm * k, above - 3.2);
    above = at;
    doc
      .lineWidth(1.2)
      .moveTo(x(diameterAt(v.solid, m.cm) / 2) - 6, y(m.cm))
      .lineTo(pts(middle + (widest * k) / 2 + 2), pts(at))
      .stroke(COBALT);
    const row = { text: `${m.cm.toFixed(1)} cm`, face: "bold" as const, pt: 7, above: 0 };
    drawRows(doc, [row], middle + (widest * k) / 2 + 2.5, at - 2.1);
  }
}

/** The plan's code in its own place, at the largest whole size that fits. @returns mm a module */
function drawCode(doc: Doc, digits: string, xMm: number, yMm: number, sideMm: number): number {
  const { modules } = codeOf([{ data: digits, mode: "numeric" }], { errorCorrectionLevel: "L" });
  const module = sideMm / (modules.size + 8);
  for (let r = 0; r < modules.size; r++)
    for (let c = 0; c < modules.size; c++)
      if (modules.get(r, c))
        doc.rect(
          pts(xMm + (c + 4) * module),
          pts(yMm + (r + 4) * module),
          pts(module) + 0.02,
          pts(module) + 0.02,
        );
  doc.fill("#000000");
  return module;
}

/** mm a side of a code at the least size of its modules, its white edge with it. */
export function leastCode(digits: string): number {
  const { modules } = codeOf([{ data: digits, mode: "numeric" }], { errorCorrectionLevel: "L" });
  return (modules.size + 8) * LEAST_MODULE;
}

interface Sides {
  readonly front: readonly Row[];
  readonly back: readonly Row[];
}

function sidesAt(pt: number, inner: number, p: CardOf, jarMm: number): Sides {
  const w = written(p.plan, p.catalogue ?? MATERIALS);
  const { reckoning, program } = p.made;
  const grams = new Map(reckoning.lines.map((l) => [l.id, l]));
  const ids = p.plan.steps.flatMap((s) => (s.do === "add" ? s.what.map((l) => l.id) : []));
  const lines = w.lines.map((text, i) => {
    const r = grams.get(ids[i]!);
    if (!r || r.grams.value <= 0) return text;
    const liquid = program.lines.find((l) => l.line.id === ids[i])?.stuff.plant === false && r.ml.value > 0;
    return `${text}: ${liquid ? printMl(r.ml.value) : `${r.grams.value < 10 ? r.grams.value.toFixed(1) : Math.round(r.grams.value)} g`}`;
  });
  const v = program.vessel;
  const head = [
    ...set(w.name, "bold", pt + 4, inner),
    ...set(`${KIND[p.plan.kind].name}${v ? `, in a ${v.size} ${v.sort}` : ""}`, "plain", pt, inner, 0.6),
  ];
  const front = [
    ...head,
    ...lines.flatMap((l, i) => set(l, "plain", pt, inner - jarMm - 3, i === 0 ? 2.5 : 0.7)),
  ];
  const back = [
    ...w.steps.flatMap((s, i) => set(`${i + 1}. ${s}`, "plain", pt, inner, i === 0 ? 0 : 0.7)),
    ...set(`Makes about ${printMl(reckoning.finished.ml.value)}. ${p.keeps}`, "bold", pt, inner, 1.8),
    ...(w.taken ? set(w.taken, "plain", pt, inner, 0.8) : []),
  ];
  return { front, back };
}

interface CardOf {
  readonly plan: Plan;
  readonly made: Reckoned;
  /** Where it keeps and how long, in words. */
  readonly keeps: string;
  readonly digits: string;
  readonly catalogue?: Catalogue;
}

/**
 * A recipe on a card, two sides: what goes in with the jar drawn to scale; what is done, and a code that carries the whole plan.
 * Faults: `DoesNotFit` with the next size.
 */
export async function cardPdf(p: CardOf, card: Card): Promise<Result<Buffer>> {
  const { widthMm, heightMm, name } = CARDS[card];
  const [inner, tall] = [widthMm - 2 * MARGIN, heightMm - 2 * MARGIN];
  const jarMm = inner * 0.4;
  const code = Math.max(leastCode(p.digits), inner * 0.36);
  const fits = (s: Sides): boolean => heightOf(s.front) <= tall && heightOf(s.back) + code + 2 <= tall;
  let pt = FIRST_PT;
  let sides = sidesAt(pt, inner, p, jarMm);
  while (!fits(sides) && pt > LEAST_PT) {
    pt = Math.max(LEAST_PT, pt - 0.5);
    sides = sidesAt(pt, inner, p, jarMm);
  }
  if (!fits(sides) || code > inner)
    return fail(
      fault(
        "DoesNotFit",
        card === "a5"
          ? "It does not fit a card: it is too long to be read at 6 points. Print the recipe as text."
          : `It does not fit a ${name} card at a size that can be read. Take the A5 card.`,
        ["size"],
      ),
    );
  const doc = newDocument(widthMm, heightMm);
  const page = { size: [pts(widthMm), pts(heightMm)] as [number, number], margin: 0 };
  doc.addPage(page);
  drawRows(doc, sides.front, MARGIN, MARGIN);
  const headMm = heightOf(
    sides.front.slice(
      0,
      sides.front.findIndex((r) => r.above === 2.5),
    ),
  );
  drawJar(
    doc,
    p.made,
    widthMm - MARGIN - jarMm,
    MARGIN + headMm + 4,
    jarMm,
    Math.min(tall - headMm - 6, jarMm * 1.9),
  );
  doc.addPage(page);
  drawRows(doc, sides.back, MARGIN, MARGIN);
  drawCode(doc, p.digits, widthMm - MARGIN - code, heightMm - MARGIN - code, code);
  drawRows(
    doc,
    set(
      "The square holds this recipe. A picture of it goes into the book again.",
      "plain",
      LEAST_PT + 1,
      inner - code - 3,
    ),
    MARGIN,
    heightMm - MARGIN - code,
  );
  const parts: Buffer[] = [];
  const done = new Promise<Buffer>((yes, no) => {
    doc.on("data", (d: Buffer) => parts.push(d));
    doc.on("end", () => yes(Buffer.concat(parts)));
    doc.on("error", no);
  });
  doc.end();
  return ok(await done);
}
