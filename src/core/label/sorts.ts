import { addDays, printDay } from "../day";
import type { Batch } from "../journal/fold";
import type { BatchReckoning } from "../journal/reckon";
import { KIND } from "../plan/kinds";
import { contentsOf, scanOf, type Label } from "./label";
import { type Block, type LabelWords, blocksOf } from "./blocks";
import type { Item, LabelLayout, Measure } from "./layout-item";
import { LEAST_PT, MM_PER_PT, wrap } from "./layout";

/** What a label is put on. */
export const LABEL_SORTS = ["bottle", "jar", "lid", "neck", "gift"] as const;
export type LabelSort = (typeof LABEL_SORTS)[number];

/** Sizes of each sort that are offered, mm; a lid's is its diameter twice. */
export const SORT_SIZES: Readonly<Record<LabelSort, readonly string[]>> = {
  bottle: ["80x50", "100x60", "70x36", "50x30"],
  jar: ["80x50", "100x60", "70x36"],
  lid: ["50x50", "60x60", "40x40"],
  neck: ["35x90", "45x110"],
  gift: ["85x55", "100x70"],
};

const block = (name: string, words: string, drop: number, more: Partial<Block> = {}): Block => ({
  name,
  words,
  face: "plain",
  scale: 1,
  drop,
  ...more,
});

const SHAKE_WORDS = {
  "twice-daily": "Shake twice a day.",
  daily: "Shake every day.",
  "every-few-days": "Shake every few days.",
  "when-remembered": "Shake when you pass it.",
} as const;

/** What a working jar must say: what it is, since when, when to strain, what to do with it meanwhile. */
export function jarWords(b: Batch, r: BatchReckoning): LabelWords {
  const w = r.care.window;
  const on = (days: number): string => printDay(addDays(b.begunDay, days), "short", b.begunDay);
  const strain = w
    ? `Strain from ${on(w.earliest)}, best ${on(w.best)}, by ${on(w.latest)}`
    : "Strain when it is cool";
  return {
    name: b.name,
    code: b.code,
    scan: scanOf(b.code),
    blocks: [
      block("strain", strain, 0, { face: "bold", scale: 1.25 }),
      block(
        "begun",
        `${KIND[b.plan.kind].name}, begun ${printDay(b.begunDay, "year")}. ${b.plan.shake ? SHAKE_WORDS[b.plan.shake] : ""}`,
        1,
      ),
      block("contents", `${contentsOf(r.program)}.`, 2, { most: 3 }),
      block("not yet", "Still at work. Not to be taken.", 0, { face: "bold", rule: true }),
    ],
  };
}

/** A neck tag: the name, the date and the place, under its hole. */
const NECK_HOLE = { r: 6, y: 12 } as const;
export const neckWords = (l: Label): LabelWords => ({
  name: l.name,
  code: l.code,
  ...(l.scan ? { scan: l.scan } : {}),
  top: NECK_HOLE.y + NECK_HOLE.r,
  blocks: blocksOf(l).filter((b) => b.name !== "made"),
});
/** The hole of a neck tag of a width, mm. */
export const neckHole = (widthMm: number): Item => ({
  kind: "circle",
  x: widthMm / 2,
  y: NECK_HOLE.y,
  r: NECK_HOLE.r,
});

/** Whom a gift is for, and a word that goes with it, as they were typed. */
export interface Greeting {
  readonly for?: string | undefined;
  readonly say?: string | undefined;
}

/** A gift: for whom, with what word, from whom, then all that a bottle must say. */
export const giftWords = (l: Label, from: string, g: Greeting = {}): LabelWords => ({
  name: l.name,
  code: l.code,
  ...(l.scan ? { scan: l.scan } : {}),
  blocks: [
    ...(g.for ? [block("for", `For ${g.for}`, 0, { face: "bold", scale: 1.25 })] : []),
    ...(g.say ? [block("a word with it", g.say, 1, { most: 4 })] : []),
    block("from", `Put up at ${from}.`, 2),
    ...blocksOf(l),
  ],
});

/** A round label: code, name, best-by, each line within the circle; what finds no room is told. */
export function layOutLid(l: Label, diameterMm: number, measure: Measure): LabelLayout {
  const middle = diameterMm / 2;
  const edge: Item = { kind: "circle", x: middle, y: middle, r: middle };
  for (let pt = 11; pt >= LEAST_PT - 1e-9; pt -= 0.25) {
    const lines = lidLines(l, pt, diameterMm, measure);
    const tall = lines.reduce((n, x) => n + x.pt * MM_PER_PT * 1.25, 0);
    let y = middle - tall / 2;
    let fits = true;
    const items = lines.map((x): Item => {
      const top = y;
      y += x.pt * MM_PER_PT * 1.25;
      const far = Math.max(Math.abs(top - middle), Math.abs(y - middle));
      const chord = 2 * Math.sqrt(Math.max(0, (middle - 1.5) ** 2 - far ** 2));
      if (measure(x.text, x.face, x.pt) > chord) fits = false;
      return {
        kind: "text",
        x: middle,
        y: y - x.pt * MM_PER_PT * 0.3,
        text: x.text,
        face: x.face,
        pt: x.pt,
        ink: x.ink,
        anchor: "middle",
      };
    });
    if (fits) return { widthMm: diameterMm, heightMm: diameterMm, items: [edge, ...items], pt, leftOut: [] };
  }
  const only = {
    kind: "text",
    x: middle,
    y: middle,
    text: l.code,
    face: "stencil",
    pt: LEAST_PT,
    ink: "cobalt",
    anchor: "middle",
  } as const;
  return {
    widthMm: diameterMm,
    heightMm: diameterMm,
    items: [edge, only],
    pt: LEAST_PT,
    leftOut: ["name", "best by"],
  };
}

function lidLines(l: Label, pt: number, diameterMm: number, measure: Measure) {
  const title = wrap(l.name, diameterMm * 0.8, "bold", pt * 1.1, measure);
  return [
    { text: l.code, face: "stencil" as const, pt: pt * 1.3, ink: "cobalt" as const },
    ...title.map((text) => ({ text, face: "bold" as const, pt: pt * 1.1, ink: "iron" as const })),
    { text: "Best by", face: "plain" as const, pt, ink: "iron" as const },
    { text: l.bestBy, face: "bold" as const, pt, ink: "iron" as const },
  ];
}
