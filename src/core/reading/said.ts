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

/** A line as it was understood. */
export interface SaidLine {
  readonly material: Material;
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
}

/** One answer to a question: words for the button, and the text it would put in place of what was typed. */
export interface Choice {
  readonly words: string;
  readonly text: string;
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
      /** As far as it was understood. */
      readonly line?: SaidLine;
    }
  /** A name the catalogue does not have, with near ones to choose from. */
  | {
      readonly is: "unknown";
      readonly name: string;
      readonly near: readonly { readonly material: Material; readonly text: string }[];
      readonly amount?: SaidLine["amount"];
      readonly form?: Form;
    }
  | { readonly is: "fault"; readonly fault: Fault };

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
  /** How much of a material the plan pours already, for “half as much as the vinegar”. */
  readonly poured?: ((material: string) => Amount | undefined) | undefined;
}
export const contextIn = (system: UnitSystem, more: Partial<ReadingContext> = {}): ReadingContext => ({
  system,
  catalogue: MATERIALS,
  ...more,
});

const nameOf = (m: Material): string => m.row.names[0]!;

/** An amount as it stands beside a name: “2 lemons” is 2 of them. */
export const sayAmount = (a: Amount, system: UnitSystem): string => {
  const printed = printAmount(a, system);
  return a.kind === "count" && a.unit === "piece" ? printed.replace(/ pieces?$/, "") : printed;
};

/** A line in words the reader understands again: amount, name, then form, cut and strength. */
export function sayLine(l: {
  readonly amount?: string | undefined;
  readonly material: Material;
  readonly form?: Form | undefined;
  readonly cut?: Cut | undefined;
  readonly strength?: string | undefined;
}): string {
  const after = [l.form, l.cut, l.strength].filter((x) => x !== undefined);
  return [[l.amount, nameOf(l.material)].filter((x) => x !== undefined).join(" "), ...after].join(", ");
}
