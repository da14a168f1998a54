import type { Label } from "./label";
import type { Face } from "./layout-item";

/** The words of any label: a name with a code beside it, and blocks under them. */
export interface LabelWords {
  readonly name: string;
  readonly code: string;
  readonly blocks: readonly Block[];
  readonly scan?: string;
  /** mm kept free at the top, for a hole. */
  readonly top?: number;
}

export interface Block {
  readonly words: string;
  readonly face: Face;
  readonly scale: number;
  readonly name: string;
  /** Dropped, highest first, when the label is too small; 0 is never dropped. */
  readonly drop: number;
  /** Longest it may run, lines. */
  readonly most?: number;
  readonly rule?: boolean;
}

/** The blocks of a bottle's label, in order. */
export function blocksOf(l: Label): Block[] {
  const alcohol = l.alcohol ? ` ${l.alcohol}.` : "";
  return [
    {
      name: "contents",
      words: `${l.contents}. ${l.volume}.${alcohol}`,
      face: "plain",
      scale: 1,
      drop: 1,
      most: 3,
    },
    {
      name: "made",
      words: `Made ${l.made}, ${l.stays ? "with its plants in since" : "strained"} ${l.strained}.`,
      face: "plain",
      scale: 1,
      drop: 3,
    },
    {
      name: "best by",
      words: `Best by ${l.bestBy}${l.ownDate ? " (the maker’s own date)" : ""}`,
      face: "bold",
      scale: 1.25,
      drop: 0,
    },
    {
      name: "keep",
      words: `${l.notJuice ? "Not juice. " : ""}${l.keep} ${l.opened}`,
      face: "bold",
      scale: 1,
      drop: 0,
    },
    ...(l.taken
      ? [{ name: "how it is taken", words: l.taken, face: "plain" as const, scale: 1, drop: 4, most: 2 }]
      : []),
    ...l.cautions.map((c, i): Block => ({
      name: `caution: ${c}`,
      words: c,
      face: "plain",
      scale: 1,
      drop: i === 0 ? 0 : 2,
      rule: i === 0,
    })),
  ];
}
