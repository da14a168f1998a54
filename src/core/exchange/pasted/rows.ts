import { plainLetters } from "../../reading/tokens";
import { FACTS, HEADINGS, type Section } from "./verbs";

/** One line of what was pasted, without its bullet; where it stands in the text. */
export interface SourceRow {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  readonly section: Section | undefined;
  /** It is a heading, and says no more. */
  readonly heading: boolean;
  /** It bore a bullet, a box or a number. */
  readonly listed: boolean;
  /** An empty line stood before it. */
  readonly apart: boolean;
}

/** The most lines that are read. */
export const MOST_ROWS = 5000;

const BULLET = /^(?:[\s>]*(?:[-*•·–—▢□☐○●✓]|\[[ xX]?\]|#{1,6})\s*)+/;
const NUMBERED = /^\s*(?:step\s+)?(?:\d{1,2}|[a-z])\s*[.):]\s+(?=\D)/i;
const QUIET = /^\s+|\s+$|\*\*|__/g;

function stripped(line: string): { readonly at: number; readonly listed: boolean } {
  const bullet = BULLET.exec(line)?.[0] ?? "";
  const rest = line.slice(bullet.length);
  const number = NUMBERED.exec(rest)?.[0] ?? "";
  const listed = /[-*•·▢□☐○●\]]/.test(bullet) || number !== "";
  const at = bullet.length + number.length;
  return { at: at + (/^\s*/.exec(line.slice(at))?.[0].length ?? 0), listed };
}

/** A heading that says what follows: “Ingredients”, “For the jar:”, “METHOD”. */
function headingOf(text: string): Section | undefined {
  const plain = plainLetters(text.replace(/[:.*_#]+\s*$/, "").trim()).replace(/\s+/g, " ");
  return (
    HEADINGS[plain] ?? (/^for the [a-z -]+$/.test(plain) && text.trim().endsWith(":") ? "lines" : undefined)
  );
}

/** “Prep time: 10 minutes”, “Makes 2 cups”: a label of a card, which says nothing that goes in or is done. */
function isFact(text: string): boolean {
  const said = /^([\p{L} -]{2,24}?)\s*(?::|\s-\s|\s(?=(?:about\s+|approx\.?\s+)?\d))/u.exec(text);
  return said !== null && FACTS.has(plainLetters(said[1]!.replace(/-/g, " ").trim()));
}

/** “Storage: three months in the fridge.” begins with its heading. */
function leadingHeading(text: string): { readonly section: Section; readonly at: number } | undefined {
  const colon = text.indexOf(":");
  if (colon < 2 || colon > 24) return undefined;
  const section = headingOf(text.slice(0, colon));
  return section && { section, at: colon + 1 + (/^\s*/.exec(text.slice(colon + 1))?.[0].length ?? 0) };
}

/** A line of a program, or of a page's own markup. */
const CODE = /<\/?[a-z][^>]*>|[{}]|=>|^\s*(?:var|let|const|function|import)\b.*[;(]/i;

/** Letters; nobody writes so long a line, and what is pasted by mistake is read in pieces, so that it takes no longer than what is meant. */
const LONGEST_ROW = 1500;

/** The lines of a text, each with where it begins; too long a one in pieces, cut at a blank where it has any. */
function* linesOf(text: string): Generator<readonly [number, string]> {
  let at = 0;
  for (const line of text.split("\n", MOST_ROWS)) {
    for (let from = 0; from === 0 || from < line.length;) {
      const blank = line.lastIndexOf(" ", from + LONGEST_ROW);
      const cut = blank > from ? blank : from + LONGEST_ROW;
      const to = line.length - from <= LONGEST_ROW ? line.length : cut;
      yield [at + from, line.slice(from, to)];
      from = Math.max(to, 1);
    }
    at += line.length + 1;
  }
}

/** The lines of a text that say something, each under its heading. */
export function rowsOf(text: string): SourceRow[] {
  const rows: SourceRow[] = [];
  let section: Section | undefined;
  let apart = false;
  for (const [from, line] of linesOf(text)) {
    const { at: skip, listed } = stripped(line);
    const clean = line.slice(skip).replace(/\s+$/, "");
    if (clean.replace(QUIET, "") === "" || /^[-=_*~\s]+$/.test(clean)) {
      apart = true;
      continue;
    }
    const stood = { listed, apart };
    apart = false;
    const is = headingOf(clean);
    if (is) {
      section = is;
      rows.push({
        from: from + skip,
        to: from + skip + clean.length,
        text: clean,
        section,
        heading: true,
        ...stood,
      });
      continue;
    }
    const lead = leadingHeading(clean);
    const start = skip + (lead && lead.at < clean.length ? lead.at : 0);
    // What stands behind its own heading on one line says nothing of the lines after it.
    const fact = isFact(clean) || CODE.test(clean);
    const own = fact ? "facts" : (lead?.section ?? section);
    rows.push({
      from: from + start,
      to: from + skip + clean.length,
      text: line.slice(start).replace(/\s+$/, ""),
      section: own,
      heading: false,
      ...stood,
    });
  }
  return rows;
}

/** Short forms that end in a full stop and end no sentence. */
const SHORT = new Set([
  "c", "t", "tb", "tbs", "tbsp", "tbsps", "tsp", "tsps", "oz", "ozs", "lb", "lbs", "pt", "qt", "gal", "g", "gm", "kg", "ml", "l", "fl", "approx", "ca", "min", "mins", "hr", "hrs",
  "wk", "wks", "st", "no", "pkg", "pc", "pcs", "in", "cm", "eg", "ie", "vol", "temp",
]); // prettier-ignore

/** What may stand behind the end of a sentence. */
const ENDS = /^[\s)]$/;

/** Sentences of a text, by where they stand. A short form’s full stop ends none, nor does a decimal point. */
export function sentencesOf(text: string): { readonly from: number; readonly to: number }[] {
  const out: { from: number; to: number }[] = [];
  let from = 0;
  const put = (to: number): void => {
    const lead = /^\s*/.exec(text.slice(from, to))![0].length;
    const end = from + text.slice(from, to).trimEnd().length;
    if (end > from + lead) out.push({ from: from + lead, to: end });
    from = to;
  };
  for (let i = 0; i < text.length; i++) {
    const c = text[i]!;
    if (c === ";" || ((c === "!" || c === "?") && ENDS.test(text[i + 1] ?? " "))) put(i + 1);
    if (c !== "." || text[i - 1] === "." || !ENDS.test(text[i + 1] ?? " ")) continue;
    const word = /([\p{L}]+)$/u.exec(text.slice(Math.max(0, i - 12), i))?.[1]?.toLowerCase() ?? "";
    const next = /^\s*(\S)/.exec(text.slice(i + 1))?.[1];
    const goesOn = SHORT.has(word) && next !== undefined && next !== next.toUpperCase();
    const unitBeforeName =
      SHORT.has(word) && word.length <= 3 && /\d\s*$/.test(text.slice(0, i - word.length));
    if (!goesOn && !(unitBeforeName && next !== undefined && /[a-z(]/.test(next))) put(i + 1);
  }
  put(text.length);
  return out;
}
