import type { Cut, Form } from "../material/classes";
import type { Hedge, Packing, Size } from "../quantity/amount";
import { DEED_ROWS, type Deed } from "./deeds";
import { EVERYDAY } from "./everyday";
import { SENSE_ROWS } from "./senses";

/** What a word may be, in a line or a sentence of a recipe. A word may be several things; where it stands decides. */
export interface Senses {
  form?: Form;
  cut?: Cut;
  /** Work that only the fresh plant is put to. */
  work?: true;
  packing?: Packing;
  /** Before “packed” it turns it round, or makes it more so. */
  packs?: Packing;
  hedge?: Hedge;
  size?: Size;
  /** A word of size that says nothing: “level”. */
  plainSize?: true;
  /** Changes neither plant nor figure, and is kept as said. */
  kept?: true;
  /** Carries nothing by itself. */
  idle?: true;
  /** Opens a remark: what follows, up to the next comma, is one. */
  opens?: true;
  /** A word of everyday speech, which names nothing that goes in. */
  everyday?: true;
  container?: true;
  /** A measure nobody can weigh without asking. */
  vague?: true;
  /** A part of a plant; alone it names nothing. */
  part?: true;
  made?: "juice" | "peel";
  /** What was strained, or is about to be. */
  liquid?: true;
  jar?: true;
  /** Stays out, or is said not to be. */
  not?: true;
  joins?: true;
  deed?: Deed;
  /** Stands for all that was listed, its plants, or what is left of it. */
  all?: "all" | "plants" | "rest";
  /** What is named after it stays out. */
  but?: true;
  cloth?: true;
  /** Names something that goes in, of which there are many: “berries of choice”. */
  noun?: true;
}
type Mutable = { -readonly [K in keyof Senses]: Senses[K] };

const NONE: Senses = Object.freeze({});

/** `form:fresh kept`: the senses of a row, by name, with their value behind a colon. */
function parsed(senses: string): Senses {
  const out: Record<string, string | true> = {};
  for (const s of senses.split(" ")) {
    const [name, value] = s.split(":");
    out[name!] = value?.replace(/_/g, " ") ?? true;
  }
  return out as Senses;
}

/** Doubled before -ed and -ing: stirred, chopping. */
const DOUBLED = /[^aeiou][aeiou][bdgmnprt]$/;

/** The forms a verb is written in. A form that is none harms nothing. */
export function formsOfVerb(verb: string): string[] {
  const stem = verb.endsWith("e") ? verb.slice(0, -1) : verb;
  const ing = verb.endsWith("ie") ? `${verb.slice(0, -2)}ying` : `${stem}ing`;
  const y = /[^aeiou]y$/.test(verb);
  const forms = [verb, y ? `${verb.slice(0, -1)}ies` : `${verb}s`, ing];
  forms.push(y ? `${verb.slice(0, -1)}ied` : `${stem}ed`);
  if (/(?:s|x|z|ch|sh)$/.test(verb)) forms.push(`${verb}es`);
  if (DOUBLED.test(verb)) forms.push(`${verb}${verb.at(-1)}ed`, `${verb}${verb.at(-1)}ing`);
  return forms;
}

function build(): Map<string, Senses> {
  const all = new Map<string, Mutable>();
  const put = (word: string, senses: Senses): void => {
    const there = all.get(word);
    if (there) Object.assign(there, { ...senses, ...there });
    else all.set(word, { ...senses });
  };
  for (const [senses, words] of SENSE_ROWS) {
    const s = parsed(senses);
    for (const w of words.split(" ")) put(w, s);
  }
  for (const [deed, verbs, others] of DEED_ROWS) {
    for (const v of verbs.split(" ")) for (const w of formsOfVerb(v)) put(w, { deed });
    for (const w of others?.split(" ") ?? []) put(w, { deed });
  }
  for (const w of EVERYDAY.split(/\s+/)) if (w !== "") put(w, { everyday: true });
  return all;
}
const LEXICON: ReadonlyMap<string, Senses> = build();

/** What a word in plain letters may be; nothing of one that nobody knows. */
export const sensesOf = (low: string): Senses => LEXICON.get(low) ?? NONE;
export const isKnownWord = (low: string): boolean => LEXICON.has(low);

/** Whether a word by its ending is something done, or how it was done: “crinkled”, “gently”. */
export const isDone = (low: string): boolean =>
  (low.length > 5 && low.endsWith("ed") && !low.endsWith("eed")) || (low.length > 5 && low.endsWith("ily"));
