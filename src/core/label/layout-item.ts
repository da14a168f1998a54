/** Faces a label is set in. */
export type Face = "plain" | "bold" | "stencil";
export type Ink = "iron" | "cobalt";

/** Width of a text in mm, in a face at a size in points. Given from outside, since the core holds no fonts. */
export type Measure = (text: string, face: Face, pt: number) => number;

export type Item =
  | {
      readonly kind: "text";
      readonly x: number;
      /** Baseline, mm from the top. */ readonly y: number;
      readonly text: string;
      readonly face: Face;
      readonly pt: number;
      readonly ink: Ink;
      readonly anchor: "start" | "middle" | "end";
    }
  /** A hole to be cut, or the edge of a round one. */
  | { readonly kind: "circle"; readonly x: number; readonly y: number; readonly r: number }
  /** A box to be ticked by hand. */
  | {
      readonly kind: "box";
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
    }
  /** A stretch of days: striped while a thing works, plain while it keeps. */
  | {
      readonly kind: "bar";
      readonly of: "works" | "keeps";
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
    }
  | {
      readonly kind: "upright";
      readonly x: number;
      readonly y1: number;
      readonly y2: number;
      readonly width: number;
    }
  /** A code to be scanned, its white edge with it; `path` is its dark modules, mm, once they are set. */
  | {
      readonly kind: "code";
      readonly x: number;
      readonly y: number;
      readonly side: number;
      readonly text: string;
      readonly path?: string;
    }
  | {
      readonly kind: "rule";
      readonly x1: number;
      readonly x2: number;
      readonly y: number;
      readonly width: number;
      readonly ink: Ink;
    };

type Bar = Extract<Item, { kind: "bar" }>;
/** What a bar is printed in; it is told by its stripes where there is no colour. */
export const BAR_FILL: Readonly<Record<Bar["of"], string>> = { works: "#e6dfcf", keeps: "#cfdccf" };
/** mm between the stripes of what works. */
const STRIPE = 1.4;
/** Where the stripes of a bar stand, mm. */
export const stripesOf = ({ of, x, width }: Bar): readonly number[] =>
  of === "keeps"
    ? []
    : Array.from({ length: Math.floor(width / STRIPE) }, (_, i) =>
        Number((x + (i + 0.5) * STRIPE).toFixed(2)),
      );

export interface LabelLayout {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly items: readonly Item[];
  /** Size of the running text, pt; never under `LEAST_PT`. */
  readonly pt: number;
  /** What found no room, so that the maker is told. */
  readonly leftOut: readonly string[];
  /** Letters that the fonts it is printed in do not have; said before printing. */
  readonly noGlyph?: readonly string[];
}
