import { remembered } from "../remembered";
import { dictionary } from "../words";

/** One word, number or mark of what was typed, and where it stood. */
export interface Token {
  readonly kind: "number" | "word" | "mark";
  /** As typed. */
  readonly text: string;
  /** Small letters, without accents and apostrophes. */
  readonly low: string;
  /** Of a number: its value. */
  readonly value: number;
  /** A fraction's own sign: ½. */
  readonly glyph: boolean;
  readonly from: number;
  readonly to: number;
  /** Nothing stood between it and the token before. */
  readonly glued: boolean;
}

// prettier-ignore
const GLYPHS = dictionary<number>({
  "½": 1 / 2, "⅓": 1 / 3, "⅔": 2 / 3, "¼": 1 / 4, "¾": 3 / 4, "⅕": 1 / 5, "⅖": 2 / 5, "⅗": 3 / 5, "⅘": 4 / 5, "⅙": 1 / 6, "⅚": 5 / 6,
  "⅛": 1 / 8, "⅜": 3 / 8, "⅝": 5 / 8, "⅞": 7 / 8,
});
/** Marks written in several ways, each read as one. */
// prettier-ignore
const SAME = dictionary<string>({
  "–": "-", "—": "-", "−": "-", "‐": "-", "‑": "-", "⁄": "/", "÷": "/", "×": "x", "✕": "x", "≈": "~", "″": '"', "“": '"', "”": '"', "＋": "+", "＆": "&",
});
const isDigit = (c: string): boolean => c >= "0" && c <= "9";
const OTHER_LETTER = /[\p{L}\p{M}]/u;
/** Most of what is typed is plain: those letters are known without asking the alphabets of the world. */
const isLetter = (c: string): boolean =>
  (c >= "a" && c <= "z") || (c >= "A" && c <= "Z") || (c > "\u007f" && OTHER_LETTER.test(c));
const APOSTROPHE = /['’ʼ`]/;
const ASCII = /^[a-z0-9 ]*$/;

/** Small letters without accents or apostrophes, so that “Jalapeño’s” and “jalapenos” are one word. */
export function plainLetters(text: string): string {
  const low = text.toLowerCase();
  return ASCII.test(low) ? low : low.normalize("NFD").replace(/[\u0300-\u036f'’ʼ`]/g, "");
}

/** A word in plain letters, and the very same string each time, so that tables and comparisons know it without reading it. */
const wordOf = remembered(plainLetters, 5000, 40);

/** Where a number written in figures ends: 12 · 1.5 · 1,5 · 1,000 · .5 */
function figuresEnd(text: string, at: number): number {
  let i = at;
  while (i < text.length && isDigit(text[i]!)) i++;
  while (text[i] === "," && isDigit(text[i + 1] ?? "")) {
    let j = i + 1;
    while (j < text.length && isDigit(text[j]!)) j++;
    // A comma before three figures parts thousands; before one or two it is a decimal sign.
    if (j - i - 1 !== 3 && j - i - 1 > 2) break;
    i = j;
    if (j - at < 4) break;
  }
  if (text[i] === "." && isDigit(text[i + 1] ?? "")) {
    i++;
    while (i < text.length && isDigit(text[i]!)) i++;
  }
  return i;
}

function valueOf(figures: string): number {
  const comma = figures.indexOf(",");
  if (comma < 0) return Number(figures);
  const thousands = figures.slice(comma + 1).split(/[,.]/)[0]!.length === 3;
  return Number(thousands ? figures.replaceAll(",", "") : figures.replace(",", "."));
}

/**
 * Takes a typed text apart into words, numbers and marks. Control and formatting characters are passed over; nothing else is lost.
 * The cost is linear in the text's length.
 */
export function tokensOf(text: string): Token[] {
  const out: Token[] = [];
  let i = 0;
  let end = -1;
  const put = (kind: Token["kind"], to: number, low: string, value = NaN, glyph = false): void => {
    out.push({ kind, text: text.slice(i, to), low, value, glyph, from: i, to, glued: end === i });
    i = end = to;
  };
  while (i < text.length) {
    const c = text[i]!;
    if (c <= " " || c === "\u00a0" || c === "\u200b" || (c >= "\u2000" && c <= "\u200f")) {
      i++;
    } else if (isDigit(c) || (c === "." && isDigit(text[i + 1] ?? "") && !isLetter(text[i - 1] ?? " "))) {
      const to = figuresEnd(text, i);
      put("number", to, text.slice(i, to), valueOf(text.slice(i, to)));
    } else if (GLYPHS[c] !== undefined) {
      put("number", i + 1, c, GLYPHS[c], true);
    } else if (isLetter(c)) {
      let to = i + 1;
      while (
        to < text.length &&
        (isLetter(text[to]!) || (APOSTROPHE.test(text[to]!) && isLetter(text[to + 1] ?? "")))
      )
        to++;
      put("word", to, wordOf(text.slice(i, to)));
    } else {
      const point = text.codePointAt(i)!;
      const to = i + (point > 0xffff ? 2 : 1);
      put("mark", to, SAME[c] ?? text.slice(i, to));
    }
  }
  return out;
}

/** Whether up to three words stand at a token, one after the other. */
export const says = (
  t: readonly Token[],
  i: number,
  first: string,
  second?: string,
  third?: string,
): boolean =>
  t[i]?.low === first &&
  (second === undefined || t[i + 1]?.low === second) &&
  (third === undefined || t[i + 2]?.low === third);

/** Whether words of any number stand at a token. */
export const standsAt = (t: readonly Token[], i: number, words: readonly string[]): boolean =>
  words.every((w, k) => t[i + k]?.low === w);
