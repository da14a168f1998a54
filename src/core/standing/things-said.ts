import type { Catalogue } from "../material/catalogue";
import type { Material } from "../material/material";
import type { Kind } from "../plan/plan";
import type { UnitSystem } from "../quantity/units";
import { readLine } from "../reading/line";
import { contextIn, type Reading, type SaidLine } from "../reading/said";
import { thingsIn } from "../reading/things";
import { tokensOf } from "../reading/tokens";

/** A thing that is said to be in it, by the word it was said with. */
export interface ThingSaid {
  readonly typed: string;
  /** What may be meant: of a bare plant each of its parts, which is asked and not guessed. */
  readonly materials: readonly Material[];
  /** With its amount and form, where those were said. */
  readonly line: SaidLine | undefined;
}

/** Words that say what kind of remedy it is, and nothing that is in it. */
const OF_KIND: Readonly<Record<Kind, RegExp>> = {
  syrup: /\b(?:syrup|sirup|rob|cordial)s?\b/gi,
  oxymel: /\boxymels?\b/gi,
  "fire-cider": /\bfire[- ]?(?:cider|tonic)\b/gi,
  honey: /\b(?:honey|honeys|electuary)\b/gi,
  vinegar: /\b(?:vinegars?|acetum)\b/gi,
  tincture: /\btinctures?\b/gi,
};

const linesOf = (r: Reading): readonly SaidLine[] => {
  if (r.is === "line") return [r.line];
  return r.is === "lines" ? r.lines : [];
};

/** What is named in some words of a line. @param kind of a remedy's own name, which says its liquid too */
export function thingsSaid(
  words: string,
  { system, catalogue }: { readonly system: UnitSystem; readonly catalogue: Catalogue },
  kind: Kind | undefined,
): readonly ThingSaid[] {
  const text = kind ? words.replace(OF_KIND[kind], " ").trim() : words;
  if (text === "") return [];
  const ctx = contextIn(system, { catalogue });
  const read = linesOf(readLine(text, ctx));
  if (read.length > 0)
    return read.map((line) => ({
      typed: line.called ?? line.material.row.names[0]!,
      materials: [line.material],
      line,
    }));
  const { things } = thingsIn(text, tokensOf(text), ctx);
  return things.flatMap((x): ThingSaid[] => {
    if (x.names.length > 0)
      return [{ typed: x.typed, materials: x.names.map((n) => n.material), line: undefined }];
    // Several names in a row, as “horseradish garlic chilli”.
    return x.inside.map((m) => ({ typed: m.row.names[0]!, materials: [m], line: undefined }));
  });
}
