import { type Block, type LabelWords, blocksOf } from "./blocks";
import type { Label } from "./label";
import type { Face, Item, LabelLayout, Measure } from "./layout-item";

/** Nothing on a label is smaller than this. */
export const LEAST_PT = 6;
const MOST_PT = 9;
/** mm in a point. */
export const MM_PER_PT = 25.4 / 72;

/** mm a side that a code wants, its white edge with it. */
export type CodeSide = (text: string) => number;

/** Breaks words into lines no wider than `width`; a word wider than that is broken where it must be. */
export function wrap(words: string, width: number, face: Face, pt: number, measure: Measure): string[] {
  const lines: string[] = [];
  let line = "";
  for (const word of words.split(/\s+/)) {
    let rest = word;
    const tried = line === "" ? rest : `${line} ${rest}`;
    if (measure(tried, face, pt) <= width) {
      line = tried;
      continue;
    }
    if (line !== "") lines.push(line);
    while (measure(rest, face, pt) > width && rest.length > 1) {
      let n = rest.length - 1;
      while (n > 1 && measure(`${rest.slice(0, n)}-`, face, pt) > width) n--;
      lines.push(`${rest.slice(0, n)}-`);
      rest = rest.slice(n);
    }
    line = rest;
  }
  if (line !== "") lines.push(line);
  return lines;
}

interface Space {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly measure: Measure;
}
interface SetLabel {
  readonly items: Item[];
  readonly fits: boolean;
  /** Names of the blocks that lost lines. */
  readonly cut: string[];
}
const padOf = (widthMm: number): number => Math.min(3, widthMm * 0.045);

/** The name on up to two lines with the code beside it. @returns the height it ends at */
function setTitle(l: LabelWords, pt: number, { widthMm, measure }: Space, items: Item[]): number {
  const pad = padOf(widthMm);
  const width = widthMm - 2 * pad;
  const titlePt = Math.max(LEAST_PT, pt * 1.5);
  const codePt = Math.max(LEAST_PT, pt * 1.3);
  const codeW = measure(l.code, "stencil", codePt);
  let y = pad + (l.top ?? 0);
  const title = wrap(l.name, width - codeW - 2, "bold", titlePt, measure);
  title.slice(0, 2).forEach((t, i) => {
    y += titlePt * MM_PER_PT * (i === 0 ? 0.95 : 1.1);
    items.push({
      kind: "text",
      x: pad,
      y,
      text: i === 1 && title.length > 2 ? `${t} …` : t,
      face: "bold",
      pt: titlePt,
      ink: "iron",
      anchor: "start",
    });
    if (i === 0)
      items.push({
        kind: "text",
        x: widthMm - pad,
        y,
        text: l.code,
        face: "stencil",
        pt: codePt,
        ink: "cobalt",
        anchor: "end",
      });
  });
  return y;
}

function setAt(l: LabelWords, blocks: readonly Block[], pt: number, space: Space, side: number): SetLabel {
  const { widthMm, heightMm, measure } = space;
  const pad = padOf(widthMm);
  // The code stands in the lower right corner; what is set beside it is that much narrower.
  const beside = side > 0 ? heightMm - pad * 0.4 - side : Infinity;
  const items: Item[] = [];
  const cut: string[] = [];
  let y = setTitle(l, pt, space, items);
  y += pt * MM_PER_PT * 0.45;
  items.push({ kind: "rule", x1: pad, x2: widthMm - pad, y, width: 0.35, ink: "cobalt" });
  y += pt * MM_PER_PT * 0.25;
  for (const b of blocks) {
    const size = Math.max(LEAST_PT, pt * b.scale);
    const step = size * MM_PER_PT * 1.2;
    if (b.rule) {
      y += pt * MM_PER_PT * 0.35;
      items.push({ kind: "rule", x1: pad, x2: widthMm - pad, y, width: 0.2, ink: "iron" });
      y += pt * MM_PER_PT * 0.15;
    }
    const reach = y + step * 2 > beside ? widthMm - pad - side - 1 : widthMm - pad;
    const lines = wrapBeside(
      b,
      size,
      { from: y, step, beside },
      { wide: widthMm - 2 * pad, narrow: reach - pad },
      measure,
    );
    const kept =
      b.most && lines.length > b.most
        ? [...lines.slice(0, b.most - 1), `${lines[b.most - 1]!.replace(/[,. ]*$/, "")} …`]
        : lines;
    if (kept.length < lines.length) cut.push(b.name);
    for (const text of kept) {
      y += step;
      items.push({
        kind: "text",
        x: pad,
        y: y - size * MM_PER_PT * 0.25,
        text,
        face: b.face,
        pt: size,
        ink: "iron",
        anchor: "start",
      });
    }
  }
  return { items, fits: y <= heightMm - pad * 0.7, cut };
}

/** Breaks a block into lines, narrower where they stand beside the code. */
function wrapBeside(
  b: Block,
  size: number,
  at: { readonly from: number; readonly step: number; readonly beside: number },
  width: { readonly wide: number; readonly narrow: number },
  measure: Measure,
): string[] {
  const wide = wrap(b.words, width.wide, b.face, size, measure);
  const clear = at.from + wide.length * at.step <= at.beside;
  return clear ? wide : wrap(b.words, width.narrow, b.face, size, measure);
}

/**
 * Sets a label in a space: the largest size from 9 pt down to 6 pt at which all of it fits; at 6 pt the least needful is left out,
 * never the date, the place or the first caution. Lengths in mm from the top left.
 */
export function layOut(
  l: Label,
  widthMm: number,
  heightMm: number,
  measure: Measure,
  codeSide?: CodeSide,
): LabelLayout {
  const { name, code, scan } = l;
  const words = { name, code, blocks: blocksOf(l), ...(scan ? { scan } : {}) };
  return layOutWords(words, widthMm, heightMm, measure, codeSide);
}

/** What cannot be set beside a code is set without it, and that is told. */
const NO_CODE = "the code to be scanned";

/** The same for the words of any label. */
export function layOutWords(
  l: LabelWords,
  widthMm: number,
  heightMm: number,
  measure: Measure,
  codeSide?: CodeSide,
): LabelLayout {
  const space = { widthMm, heightMm, measure };
  const side = l.scan && codeSide ? codeSide(l.scan) : 0;
  const pad = padOf(widthMm);
  if (side > 0 && side < Math.min(widthMm * 0.4, heightMm * 0.6))
    for (let pt = MOST_PT; pt >= LEAST_PT - 1e-9; pt -= 0.25) {
      const tried = setAt(l, l.blocks, pt, space, side);
      const at = { x: widthMm - pad * 0.4 - side, y: heightMm - pad * 0.4 - side };
      if (tried.fits && tried.cut.length === 0)
        return {
          widthMm,
          heightMm,
          items: [...tried.items, { kind: "code", ...at, side, text: l.scan! }],
          pt,
          leftOut: [],
        };
    }
  const plain = withoutCode(l, space);
  return side > 0 ? { ...plain, leftOut: [...plain.leftOut, NO_CODE] } : plain;
}

function withoutCode(l: LabelWords, space: Space): LabelLayout {
  const { widthMm, heightMm } = space;
  const set = (pt: number, blocks: readonly Block[]): SetLabel => setAt(l, blocks, pt, space, 0);
  let blocks = [...l.blocks];
  const dropped: string[] = [];
  for (;;) {
    for (let pt = MOST_PT; pt >= LEAST_PT - 1e-9; pt -= 0.25) {
      const tried = set(pt, blocks);
      if (tried.fits)
        return { widthMm, heightMm, items: tried.items, pt, leftOut: [...dropped, ...tried.cut] };
    }
    const worst = blocks.reduce((a, b) => (b.drop >= a.drop ? b : a));
    if (worst.drop === 0) {
      // Too small even for what must stand on it: it is set at the least size and runs over, and the maker is told.
      const tried = set(LEAST_PT, blocks);
      return {
        widthMm,
        heightMm,
        items: tried.items,
        pt: LEAST_PT,
        leftOut: [...dropped, "it is too small for what must stand on it"],
      };
    }
    dropped.push(worst.name);
    blocks = blocks.filter((b) => b !== worst);
  }
}
