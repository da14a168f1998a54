import type { Fault } from "../fault";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import type { Cut, Form } from "../material/classes";
import type { Material } from "../material/material";
import type { Amount } from "../quantity/amount";
import { printAmount } from "./print";
import type { UnitSystem } from "../quantity/units";

/** What the reader may take for granted, each shown on the line until it is said. */
export const TAKEN = ["form", "cut", "kind", "strength", "amount", "unit"] as const;
export type Taken = (typeof TAKEN)[number];
export interface Took {
  readonly what: Taken;
  /** As it is shown: “fresh”, “cassia cinnamon”, “5 %”. */
  readonly value: string;
  readonly because: string;
}

/** What words of a line were read as. */
export type Role =
  "name" | "amount" | "form" | "strength" | "water" | "made" | "packing" | "note" | "sign" | "list";
/** Where words stand in what was typed, and what they were read as: nothing may stand in none of these but marks and idle words. */
export interface Claim {
  readonly role: Role;
  readonly from: number;
  readonly to: number;
}

/** A line as it was understood. */
export interface SaidLine {
  readonly material: Material;
  /** The maker's own word for it, where it is not the catalogue's. */
  readonly called?: string;
  /** Left out where none was said. */
  readonly amount?: { readonly text: string; readonly amount: Amount };
  readonly form?: Form;
  readonly cut?: Cut;
  /** As a bottle says it: “5 %”, “80 US proof”. */
  readonly strength?: string;
  /** % water of a honey, by refractometer. */
  readonly water?: number;
  readonly took: readonly Took[];
  /** Words that change no figure, kept as said. */
  readonly notes: readonly string[];
  readonly optional: boolean;
  readonly claims: readonly Claim[];
}

/** One answer to a question: words for the button, and the whole reading it leads to, with all else that was typed still in it. */
export interface Choice {
  readonly words: string;
  readonly reading: Reading;
  /** The answer holds for this material from now on. */
  readonly remember?: { readonly material: string; readonly as: "weight" | "volume" };
}

/** What a typed line came to: understood, asked about in words, unknown, or wrong. Never guessed into something else. */
export type Reading =
  | { readonly is: "line"; readonly line: SaidLine }
  /** One text that says several things: “juice and zest of 2 lemons”, “1 tbsp each …”. */
  | { readonly is: "lines"; readonly lines: readonly SaidLine[] }
  | {
      readonly is: "ask";
      readonly question: string;
      readonly choices: readonly Choice[];
      /** What the question is of, where that is known. */
      readonly of?: Material;
    }
  | Unknown
  | { readonly is: "fault"; readonly fault: Fault };

/** A name the catalogue does not have. Near ones are looked for when they are shown. */
export interface Unknown {
  readonly is: "unknown";
  readonly name: string;
  readonly near: () => readonly (Choice & { readonly material: Material })[];
  /** The line with another material in the name's place, such as one that was written down as new. */
  readonly as: (material: Material) => Reading;
  readonly amount?: SaidLine["amount"];
  readonly form?: Form;
}

/** What the reader knows of the place a line is typed in. */
export interface ReadingContext {
  readonly system: UnitSystem;
  readonly catalogue: Catalogue;
  /** How this way of making usually has its leaves and flowers. */
  readonly usual?: Form | undefined;
  /** Taken from a list of offers: the name is this one's, whatever was typed. */
  readonly chosen?: Material | undefined;
  /** Whether a bare “oz” of a liquid is weight or volume, where the household has said so. */
  readonly ounces?: Readonly<Record<string, "weight" | "volume">> | undefined;
  /** A jar whose size is said is the one it is made in: so in a whole recipe. */
  readonly madeIn?: boolean | undefined;
  /** How much of a material the plan pours already, for “half as much as the vinegar”. */
  readonly poured?: ((material: string) => Amount | undefined) | undefined;
}
export const contextIn = (system: UnitSystem, more: Partial<ReadingContext> = {}): ReadingContext => ({
  system,
  catalogue: MATERIALS,
  ...more,
});

/** An amount as it stands beside a name: “2 lemons” is 2 of them. */
export const sayAmount = (a: Amount, system: UnitSystem): string => {
  const printed = printAmount(a, system);
  return a.kind === "count" && a.unit === "piece" ? printed.replace(/ pieces?$/, "") : printed;
};

/** A line in words the reader understands: amount, name, then form, cut and strength. */
export function sayLine(l: {
  readonly amount?: string | undefined;
  readonly material: Material;
  readonly called?: string | undefined;
  readonly form?: Form | undefined;
  readonly cut?: Cut | undefined;
  readonly strength?: string | undefined;
}): string {
  const after = [l.form, l.cut, l.strength].filter((x) => x !== undefined);
  const name = l.called ?? l.material.row.names[0]!;
  return [[l.amount, name].filter((x) => x !== undefined).join(" "), ...after].join(", ");
}

/** What a reading says in a few words: where an answer leads. */
export function sayReading(r: Reading): string {
  switch (r.is) {
    case "line":
      return sayLine({ ...r.line, amount: r.line.amount?.text });
    case "lines":
      return r.lines.map((l) => sayLine({ ...l, amount: l.amount?.text })).join("; ");
    case "ask":
      return r.question;
    case "unknown":
      return r.name;
    case "fault":
      return r.fault.message;
  }
}
