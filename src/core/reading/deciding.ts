import { isNever } from "./hurts";
import { isDistilled } from "./kin";
import { plantWords } from "./plant-words";
import { type Fault } from "../fault";
import type { Form } from "../material/classes";
import type { Material } from "../material/material";
import { type Amount, counted } from "../quantity/amount";
import { COUNT_UNITS } from "../quantity/units";
import { type Named, countedBare, nearNames, nameWord } from "./names";
import type { Strength } from "./quantity";
import {
  type Choice,
  type Reading,
  type ReadingContext,
  type SaidLine,
  type Took,
  type Unknown,
  sayAmount,
  sayReading,
} from "./said";
import type { Thing, Things } from "./things";

/** What has been decided of a thing by an answer; what is not is decided by what was said. */
export interface Decided {
  readonly material?: Material;
  readonly strength?: Strength;
  readonly amount?: Amount;
  readonly form?: Form;
  /** Words behind it that nobody knows are a remark. */
  readonly remark?: true;
  /** The word before it that counts is no question any more. */
  readonly counted?: true;
}

export const faultOf = (f: Fault): Reading => ({ is: "fault", fault: f });

/** Which material a thing is of, or the question that must come first. */
export abstract class Deciding {
  protected readonly took: Took[] = [];

  constructor(
    protected readonly from: Things,
    protected readonly x: Thing,
    protected readonly ctx: ReadingContext,
    protected readonly d: Decided = {},
  ) {}

  /** Settles the same thing again with one more of it decided. */
  protected abstract again(more: Decided, x?: Thing): Reading;
  protected abstract settled(material: Material, loose: boolean): Reading;
  protected ask(question: string, choices: readonly Choice[], of?: Material): Reading {
    return { is: "ask", question, choices, ...(of ? { of } : {}) };
  }

  run(): Reading {
    const { x, d } = this;
    if (x.fault) return faultOf(x.fault);
    if (x.not && !d.material) return this.staysOut();
    if (x.other) return this.eitherOf(x, x.other);
    const which = this.which();
    if ("is" in which) return which;
    if (x.made.length > 0) return this.products(which);
    return this.settled(which.material, which.loose);
  }

  private typed(x: Thing = this.x): string {
    const { text, tokens } = this.from;
    return text.slice(tokens[x.all.from]!.from, tokens[x.all.to - 1]!.to);
  }

  private staysOut(): Reading {
    return this.ask(`“${this.typed()}” says what stays out. Is it to go in?`, [
      { words: "it goes in", reading: this.again({}, { ...this.x, not: false }) },
    ]);
  }

  private eitherOf(x: Thing, other: Thing): Reading {
    const { other: _o, ...first } = x;
    const choices = [{ ...first, other: undefined }, other].map((one): Choice => {
      const reading = this.again({}, one);
      return { words: sayReading(reading), reading };
    });
    return this.ask("Which of them goes in?", choices);
  }

  /** Which material it is, or the question. */
  private which(): Reading | { readonly material: Material; readonly loose: boolean } {
    const { x, d, ctx } = this;
    if (d.material) return { material: d.material, loose: false };
    const [one] = x.names;
    if (!one) return this.unknown(x.typed, x.inside);
    const partSaid = x.parts.length > 0 && x.names.length === 1;
    if (x.names.length > 1 || (one.bare && !partSaid))
      return this.ask(
        one.bare ? `Which part of the ${x.typed.toLowerCase()} is it?` : `Which ${x.typed} is it?`,
        x.names.map(({ material }) => ({
          words: material.row.names[0]!,
          reading: this.again({ material }),
        })),
      );
    return this.cloveOrGarlic(one) ?? { material: this.variant(one.material, ctx), loose: one.loose };
  }

  /** Words beside a name that make it another of its kind: raw vinegar, vinegar made at home. */
  private variant(m: Material, ctx: ReadingContext): Material {
    if (m.row.id !== "cider-vinegar") return m;
    const words = this.x.notes.flatMap((n) => n.toLowerCase().split(/[^\p{L}-]+/u));
    const id = VINEGARS.find(([said]) => said.some((w) => words.includes(w)))?.[1];
    return (id ? ctx.catalogue.get(id) : undefined) ?? m;
  }

  /** Bare “6 cloves” may be garlic or the spice; a spoon of them, or whole or ground ones, are the spice. */
  private cloveOrGarlic(one: Named): Reading | undefined {
    const { x, d, ctx } = this;
    const q = x.amounts[0]?.q;
    const word = x.typed.length < 10 ? nameWord(x.typed.toLowerCase()) : "";
    if (d.counted || !COUNTS.has(word)) return undefined;
    if (q?.is !== "amount" || q.amount.kind !== "count" || x.cut === "whole" || x.forms.length > 0)
      return undefined;
    const holders = countedBare(word, ctx.catalogue);
    if (holders.length === 0) return undefined;
    const amount = counted("clove", q.amount.count);
    return this.ask(`${sayAmount(amount, ctx.system)} of garlic, or the spice?`, [
      ...holders.map((material) => ({
        words: material.row.names[0]!,
        reading: this.again({ material, amount, form: "fresh" as const }),
      })),
      {
        words: `${one.material.row.names[0]!}, the spice`,
        reading: this.again({ material: one.material, counted: true }, { ...x, cut: "whole" }),
      },
    ]);
  }

  /** A name nobody here knows, with near ones offered to choose from and none taken. */
  unknown(name: string, inside: readonly Material[]): Unknown {
    const { x, ctx } = this;
    const q = x.amounts[0]?.q;
    const amount =
      q?.is === "amount" ? { amount: q.amount, text: sayAmount(q.amount, ctx.system) } : undefined;
    const as = (material: Material): Reading => this.again({ material });
    const distilled = isDistilled(plantWords(name)) ? ctx.catalogue.get("essential-oil") : undefined;
    // What a plant's oil is near to is no plant: the drop would be taken for the leaf.
    const near = (): readonly Material[] =>
      distilled ? [distilled] : [...inside, ...nearNames(name, ctx.catalogue)].filter((m) => !isNever(m));
    return {
      is: "unknown",
      name,
      as,
      near: () =>
        [...new Set(near())].slice(0, 5).map((material) => ({
          words: material.row.names[0]!,
          material,
          reading: as(material),
        })),
      ...(amount ? { amount } : {}),
      ...(x.forms[0] ? { form: x.forms[0] } : {}),
    };
  }

  /** What is pressed or grated off a fruit, as materials of their own. */
  private products({ material }: { readonly material: Material }): Reading {
    const { x, ctx } = this;
    const lines: SaidLine[] = [];
    for (const made of x.made) {
      const id = material.row.id;
      const product =
        ctx.catalogue.get(`${id}-${made}`) ?? ctx.catalogue.get(`${id.replace("-orange", "")}-${made}`);
      // “cider vinegar” is made of nothing more; what has no juice here is not known.
      if (!product)
        return this.unknown(`${made === "peel" ? "zest" : made} of ${material.row.names[0]}`, [material]);
      const q = x.amounts[0]?.q;
      const fruit =
        q?.is === "amount" && q.amount.kind === "count" ? counted("fruit", q.amount.count) : undefined;
      const form = product.kind === "plant" ? (x.forms[0] ?? ("fresh" as const)) : undefined;
      const alone: Thing = { ...x, made: [], work: false, cut: undefined as never, forms: [] };
      const r = this.again(
        { material: product, ...(fruit ? { amount: fruit } : {}), ...(form ? { form } : {}) },
        alone,
      );
      if (r.is !== "line") return r;
      lines.push({ ...r.line, took: r.line.took.filter((t) => t.what !== "form") });
    }
    return lines.length === 1 ? { is: "line", line: lines[0]! } : { is: "lines", lines };
  }
}

const COUNTS: ReadonlySet<string> = new Set(COUNT_UNITS);

/** Vinegars by words beside their name. */
const VINEGARS: readonly (readonly [said: readonly string[], id: string])[] = [
  [["home-made", "homemade"], "home-vinegar"],
  [["raw", "unfiltered", "unpasteurised", "unpasteurized", "mother"], "cider-vinegar-raw"],
];
