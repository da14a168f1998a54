import { tokensOf } from "../../reading/tokens";

/** Small words of languages that recipes come in, none of them English. */
const SMALL: readonly (readonly [language: string, words: ReadonlySet<string>])[] = [
  ["French", new Set(["de", "du", "des", "le", "la", "les", "et", "dans", "une", "un", "avec", "pendant", "ajouter", "laisser", "eau", "sucre", "cuillere", "faire", "pour", "puis"])],
  ["German", new Set(["der", "die", "das", "und", "mit", "ein", "eine", "wasser", "zucker", "lassen", "den", "dem", "in", "minuten", "kochen", "essloffel", "teeloffel", "nach", "wochen", "geben"])],
  ["Spanish", new Set(["de", "del", "el", "los", "las", "y", "con", "una", "agua", "azucar", "cucharada", "dejar", "durante", "hervir", "anadir", "miel", "por", "hasta"])],
  ["Italian", new Set(["di", "del", "della", "il", "lo", "gli", "e", "con", "una", "acqua", "zucchero", "cucchiai", "lasciare", "bollire", "per", "aggiungere", "miele", "poi"])],
  ["Dutch", new Set(["de", "het", "een", "en", "met", "water", "suiker", "laten", "koken", "eetlepel", "minuten", "doe", "van", "voor", "dan", "weken"])],
]; // prettier-ignore
const ENGLISH: ReadonlySet<string> = new Set([
  "the",
  "and",
  "of",
  "a",
  "in",
  "with",
  "for",
  "to",
  "it",
  "cup",
  "cups",
  "strain",
  "leave",
  "add",
  "until",
  "then",
  "or",
  "water",
  "sugar",
  "honey",
]);
/** Of all words, so many must be small words of the other language. */
const SHARE = 0.18;

/** The language a text reads like, where it is not English. */
export function languageOf(text: string): string | undefined {
  const words = tokensOf(text.slice(0, 2000))
    .filter((t) => t.kind === "word")
    .map((t) => t.low);
  const count = (of: ReadonlySet<string>): number => words.filter((w) => of.has(w)).length;
  const english = count(ENGLISH);
  const [best] = SMALL.map(([language, of]) => ({ language, n: count(of) })).sort((a, b) => b.n - a.n);
  return best && best.n > 3 && best.n > english && best.n > SHARE * words.length ? best.language : undefined;
}
