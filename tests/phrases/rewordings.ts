/** Other ways to type a line that says the same: order, glyphs, figures and words, bullets, spellings, slips of the pen. */
import { numberWord } from "../../src/core/words";
import type { Reading, SaidLine } from "../../src/core/reading/said";

export interface Reworded {
  readonly how: string;
  readonly text: string;
}
type Way = (text: string, line: SaidLine) => string | undefined;

const GLYPHS: readonly (readonly [string, string, string])[] = [
  ["½", "1/2", "half"],
  ["¼", "1/4", "quarter"],
  ["¾", "3/4", "three quarters"],
  ["⅓", "1/3", "third"],
  ["⅔", "2/3", "two thirds"],
  ["⅛", "1/8", "eighth"],
];
const NUMBERS = ["zero", ...Array.from({ length: 12 }, (_, i) => numberWord(i + 1))];
const UNITS: readonly (readonly [RegExp, readonly string[]])[] = [
  [/\bcups?\b/i, ["cup", "cups", "c.", "cupful", "CUP"]],
  [
    /\b(?:Tbsp|tbsp|tablespoons?)\b/,
    ["tablespoon", "tablespoons", "tbsp.", "tbs", "Tbsp", "tablespoonfuls", "TBSP"],
  ],
  [/\b(?:tsp|teaspoons?)\b/, ["teaspoon", "teaspoons", "tsp.", "tsps", "TSP"]],
  [/(?<=\d ?)g\b/, ["gram", "grams", "gm", "g."]],
  [/(?<=\d ?)ml\b/i, ["mL", "mls", "millilitres", "milliliters"]],
  [/\blbs?\b/, ["pound", "pounds", "lb.", "lbs"]],
  [/\bcloves\b(?= garlic| of garlic)/, ["clove"]],
];
const once = (text: string, from: string | RegExp, to: string): string | undefined => {
  const out = text.replace(from, to);
  return out === text ? undefined : out;
};
/** Amount and the rest of a line, where they stand apart in it. */
function apart(text: string, line: SaidLine): { readonly amount: string; readonly rest: string } | undefined {
  const claims = line.claims.filter((c) => c.role === "amount");
  if (claims.length !== 1 || !line.amount || /^(?:fill|cover|top|to|jar|as|half fill)/i.test(text))
    return undefined;
  const { from, to } = claims[0]!;
  if (text.slice(0, from).trim() !== "" || !["measure", "count", "part"].includes(line.amount.amount.kind))
    return undefined;
  const rest = text.slice(to).replace(/^\s*(?:of\s+)?/, "");
  const amount = text.slice(from, to).trim();
  return rest === "" || !/^[\p{L}\d]/u.test(rest) || !/\s/.test(amount + " ") ? undefined : { amount, rest };
}
const nameOf = (text: string, line: SaidLine): { from: number; to: number } | undefined => {
  const c = line.claims.find((x) => x.role === "name");
  return c && text.slice(c.from, c.to).length > 4 ? c : undefined;
};
const inName =
  (change: (name: string) => string | undefined): Way =>
  (text, line) => {
    const c = nameOf(text, line);
    const to = c && change(text.slice(c.from, c.to));
    return to === undefined || !c ? undefined : text.slice(0, c.from) + to + text.slice(c.to);
  };
const reordered =
  (put: (amount: string, rest: string) => string): Way =>
  (text, line) => {
    const a = apart(text, line);
    return a && put(a.amount, a.rest);
  };
const before =
  (mark: string): Way =>
  (text) =>
    /^[-~]/.test(text) ? undefined : mark + text;

/** Every way, by what it changes. Each must read as the line did, or ask; never as something else. */
export const WAYS: Readonly<Record<string, Way>> = {
  "in capitals": (t) => (/\bT\b|\bt\b/.test(t) ? undefined : t.toUpperCase()),
  "in small letters": (t) => (/\bT\b|\d[TC]\b/.test(t) ? undefined : once(t, /.*/s, t.toLowerCase())),
  "with a capital": (t) => once(t, /^\p{Ll}/u, t[0]!.toUpperCase()),
  "behind a dash": (t) => (/^[-~\d]/.test(t) ? `- ${t}` : `– ${t}`),
  "behind a bullet": before("• "),
  "behind a star": before("* "),
  "behind a box": before("☐ "),
  "behind brackets": before("[ ] "),
  "behind an emoji": before("🌿 "),
  "behind a number": before("3) "),
  "with a full stop": (t) => `${t}.`,
  "with a comma": (t) => `${t},`,
  "with wide blanks": (t) => once(t, / /g, "  "),
  "with hard blanks": (t) => once(t, / /g, "\u00a0"),
  "with figures for glyphs": (t) => {
    const g = GLYPHS.find(([x]) => t.includes(x));
    if (!g) return undefined;
    const mixed = new RegExp(`(\\d)\\s*${g[0]}`);
    return mixed.test(t) ? t.replace(mixed, `$1 ${g[1]}`) : t.replace(g[0], g[1]);
  },
  "with glyphs for figures": (t) => {
    const g = GLYPHS.find(([, x]) => t.includes(x) && !/\d\/\d\d/.test(t));
    return g && t.replace(new RegExp(`(\\d)[ -]${g[1]}`), `$1${g[0]}`).replace(g[1], g[0]);
  },
  "with numbers in words": (t) => {
    const n = /^(\d{1,2}) (?=\p{L})/u.exec(t);
    return n && Number(n[1]) < 13 && Number(n[1]) > 0
      ? t.replace(n[0], `${NUMBERS[Number(n[1])]} `)
      : undefined;
  },
  "with numbers in figures": (t) => {
    const w = /^(one|two|three|four|five|six|ten)\b/i.exec(t);
    return w ? t.replace(w[0], String(NUMBERS.indexOf(w[0].toLowerCase()))) : undefined;
  },
  "with a share in words": (t) => {
    const g = GLYPHS.find(([x, y]) => (t.startsWith(x) || t.startsWith(`${y} `)) && !/^\d+ \d/.test(t));
    if (!g) return undefined;
    const rest = t.slice(t.startsWith(g[0]) ? g[0].length : g[1].length).trim();
    return `${g[2] === "half" ? "half" : /^t/.test(g[2]) ? (g[2] === "third" ? "a third of" : `${g[2]} of`) : `a ${g[2]} of`} a ${rest}`;
  },
  "with “of a” behind a share": (t) =>
    once(t, /^(\d\/\d|[½¼¾⅓⅔⅛]) ?(?=(?:cup|tsp|tbsp|pint|lb|teaspoon|Tbsp)\b)/, "$1 of a "),
  "with “a” behind a share": (t) =>
    once(t, /^(\d\/\d|[½¼¾]) ?(?=(?:cup|tsp|tbsp|pint|lb|teaspoon)\b)/, "$1 a "),
  "with “of” behind the unit": (t) =>
    once(
      t,
      /\b(cups?|tsp|tbsp|lb|pints?|ml|handfuls?|sprigs|cloves)\b (?!of|and|plus|\+|&|less|minus|or|\()(?=\p{L})/u,
      "$1 of ",
    ),
  "without “of”": (t) => once(t, /\b(cups?|pounds?|handfuls?|sprigs|cloves) of /, "$1 "),
  "with “one” for “a”": (t) => once(t, /^a (?=cup|pinch|knob|handful|pound|quart|third)/, "1 "),
  "with “about”": (t) => (/^\d/.test(t) && !/%|proof|:/.test(t) ? `about ${t}` : undefined),
  "behind a hyphen": (t) => once(t, /^(\d+) (inch|cm)\b/, "$1-$2"),
  "name first, comma": reordered((a, r) => `${r}, ${a}`),
  "name first, colon": reordered((a, r) => `${r}: ${a}`),
  "name first, dash": reordered((a, r) => `${r} - ${a}`),
  "name first, dots": reordered((a, r) => `${r} ..... ${a}`),
  "name first, in brackets": reordered((a, r) => (r.includes("(") ? undefined! : `${r} (${a})`)),
  "name first": reordered((a, r) => (r.includes(",") ? undefined! : `${r} ${a}`)),
  "in the plural": inName((n) => (/[ys]$|leaf$/i.test(n) ? undefined : `${n}s`)),
  "in the singular": inName((n) =>
    /[^sui]s$/i.test(n) && !/ies$|leaves$/i.test(n) ? n.slice(0, -1) : undefined,
  ),
  "with a letter left out": inName((n) => n.slice(0, 2) + n.slice(3)),
  "with a letter doubled": inName((n) => n.slice(0, 3) + n[2] + n.slice(3)),
  "with two letters changed round": inName((n) => n.slice(0, 1) + n[2] + n[1] + n.slice(3)),
  "with a wrong letter": inName((n) => `${n.slice(0, 3)}x${n.slice(4)}`),
  "form in brackets": (t) => once(t, /\b(dried|fresh|frozen) (?=\p{L}+ ?\p{L}*$)(.*)$/u, "$2 ($1)"),
  "form behind a comma": (t) => once(t, /\b(dried|fresh|frozen) (?=\p{L}+ ?\p{L}*$)(.*)$/u, "$2, $1"),
  "with “organic”": inName((n) => `organic ${n}`),
  "with a remark": (t) => (t.includes("(") ? undefined : `${t} (from the garden)`),
  "with work behind it": (t) => (t.includes(",") || t.includes("(") ? undefined : `${t}, washed`),
  "with the use behind it": (t) => (t.includes(",") || t.includes("(") ? undefined : `${t}, for the jar`),
  "as optional": (t) => (t.includes("optional") ? undefined : `${t} (optional)`),
};

/** Every rewording of a line that it takes. */
export function rewordings(text: string, line: SaidLine): Reworded[] {
  const out: Reworded[] = [];
  for (const [how, way] of Object.entries(WAYS)) {
    const to = way(text, line);
    if (to !== undefined && to !== text) out.push({ how, text: to });
  }
  for (const [re, spelled] of UNITS)
    for (const u of spelled) {
      const to = once(text, re, u);
      if (to !== undefined) out.push({ how: `unit as ${u}`, text: to });
    }
  return out;
}

const figure = (l: SaidLine): number | undefined => {
  const a = l.amount?.amount;
  switch (a?.kind) {
    case "measure":
      return a.si.value;
    case "count":
      return a.many.value;
    case "part":
    case "jar":
    case "of-liquid":
      return a.count.value;
    default:
      return undefined;
  }
};

/** Whether a rewording was read as the line was, asked about, or silently read as something else. */
export function compare(line: SaidLine, r: Reading): "same" | "asked" | "other" {
  if (r.is !== "line") return "asked";
  const b = r.line;
  if (line.material.row.id !== b.material.row.id || line.form !== b.form) return "other";
  if (line.amount?.amount.kind !== b.amount?.amount.kind) return "other";
  const [x, y] = [figure(line), figure(b)];
  return x === y || (x !== undefined && y !== undefined && Math.abs(x - y) <= 0.01 * x) ? "same" : "other";
}
