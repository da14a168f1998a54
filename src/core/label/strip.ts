import { LEAST_PT, MM_PER_PT, type CodeSide, wrap } from "./layout";
import type { Face, Item, LabelLayout, Measure } from "./layout-item";

/** What a strip to tape on the glass bears. */
export interface StripWords {
  readonly code: string;
  readonly name: string;
  readonly begun: string;
  /** From when and by when it is strained, a line each. */
  readonly strain: readonly string[];
  /** What it wants while it works. */
  readonly care: string;
  /** What a tick in a week’s box stands for. */
  readonly ticks: "shake" | "turn" | "look";
  /** How many weeks it works: a box to tick for each. */
  readonly weeks: number;
  /** The brim over the inside's floor, cm. */
  readonly brimCm: number;
  /** To where what is poured, over the inside's floor, cm. */
  readonly marks: readonly { readonly cm: number; readonly figure: string; readonly words: string }[];
  /** What its code says when it is scanned. */
  readonly scan: string;
}

const WIDTH = 42;
/** Paper over the brim and under the floor, for the tape. */
const [OVER, UNDER] = [4, 9];
/** The lane of the lines at the left, and of the words at the right of it, mm. */
const LANE = 19;
const EDGE = 1.5;
const BOX = 5.4;
/** How much larger than on a label its code is: a camera that has the whole strip must make it out. */
const STRIP_CODE = 1.6;
const [TITLE, TEXT, SMALL] = [11, 8, 7] as const;
const tall = (pt: number): number => pt * MM_PER_PT * 1.25;

/** Words put down one under the other in a column; what would leave its foot is told instead. */
class Column {
  readonly items: Item[] = [];
  readonly leftOut: string[] = [];
  constructor(
    private y: number,
    private readonly foot: number,
    private readonly measure: Measure,
  ) {}

  words(text: string, face: Face, pt: number, ink: "iron" | "cobalt" = "iron"): void {
    const lines = wrap(text, WIDTH - LANE - EDGE, face, pt, this.measure);
    if (this.y + lines.length * tall(pt) > this.foot) return void this.leftOut.push(text);
    for (const line of lines) {
      this.y += tall(pt);
      this.items.push({
        kind: "text",
        x: LANE,
        y: this.y - 0.25 * tall(pt),
        text: line,
        face,
        pt,
        ink,
        anchor: "start",
      });
    }
  }

  /** A box a week, as many side by side as there is room for, each with its number small in its corner. */
  boxes(n: number): void {
    const across = Math.floor((WIDTH - LANE - EDGE + 0.6) / (BOX + 0.6));
    const rows = Math.ceil(n / across);
    if (n === 0) return;
    if (this.y + 1 + rows * (BOX + 0.6) > this.foot) return void this.leftOut.push("a box a week");
    for (let i = 0; i < n; i++) {
      const x = LANE + (i % across) * (BOX + 0.6);
      const y = this.y + 1 + Math.floor(i / across) * (BOX + 0.6);
      this.items.push({ kind: "box", x, y, width: BOX, height: BOX });
      this.items.push({
        kind: "text",
        x: x + 0.6,
        y: y + BOX - 0.6,
        text: String(i + 1),
        face: "plain",
        pt: LEAST_PT,
        ink: "iron",
        anchor: "start",
      });
    }
    this.y += 1 + rows * (BOX + 0.6);
  }

  code(text: string, side: number): void {
    if (this.y + side > this.foot || side > WIDTH - LANE) return void this.leftOut.push("its code");
    this.items.push({ kind: "code", x: LANE, y: this.y, side, text });
    this.y += side;
  }
}

/**
 * A strip at real size: its long line is the inside's floor, and each line to pour to stands at its height over it.
 * @returns a layout in mm, as wide as a hand's breadth of tape and as high as the jar
 */
export function stripLayout(w: StripWords, measure: Measure, codeSide: CodeSide): LabelLayout {
  const heightMm = OVER + 10 * w.brimCm + UNDER;
  const floor = heightMm - UNDER;
  const lines = w.marks.flatMap((m): Item[] => {
    const y = floor - 10 * m.cm;
    const text = (words: string, at: number, face: Face, ink: "iron" | "cobalt"): Item => ({
      kind: "text",
      x: EDGE,
      y: at,
      text: words,
      face,
      pt: SMALL,
      ink,
      anchor: "start",
    });
    return [
      { kind: "rule", x1: 0, x2: LANE - 2, y, width: 0.5, ink: "cobalt" },
      text(m.figure, y + 0.8 * tall(SMALL), "bold", "cobalt"),
      text(m.words, y + 1.75 * tall(SMALL), "plain", "iron"),
    ];
  });
  const column = new Column(OVER * 0.4, floor - 1, measure);
  column.words(w.code, "stencil", TITLE, "cobalt");
  column.boxes(w.weeks);
  // Hard by its boxes, so that a camera that has found it knows where they are.
  column.code(w.scan, STRIP_CODE * codeSide(w.scan));
  for (const s of w.strain) column.words(s, "bold", TEXT);
  column.words(w.care, "plain", TEXT);
  column.words(w.name, "plain", TEXT);
  column.words(`begun ${w.begun}`, "plain", TEXT);
  return {
    widthMm: WIDTH,
    heightMm,
    items: [
      { kind: "rule", x1: 0, x2: WIDTH, y: floor, width: 0.3, ink: "iron" },
      {
        kind: "text",
        x: EDGE,
        y: floor + tall(SMALL),
        text: "this line at the inside’s floor",
        face: "plain",
        pt: SMALL,
        ink: "iron",
        anchor: "start",
      },
      ...lines,
      ...column.items,
    ],
    pt: TEXT,
    leftOut: column.leftOut,
  };
}
