import { fault } from "../fault";
import type { Cut, Form } from "../material/classes";
import { type Material, formsOf } from "../material/material";
import { type Amount, sameAmount } from "../quantity/amount";
import { capital } from "../words";
import { amountOf } from "./amount-said";
import { readAmount } from "./amounts";
import { type Decided, Deciding, faultOf } from "./deciding";
import { formTaken } from "./forms";
import { nameKey } from "./names";
import {
  type Claim,
  type Reading,
  type ReadingContext,
  type SaidLine,
  type Unknown,
  sayAmount,
} from "./said";
import { strengthOf } from "./strength";
import type { Thing, Things } from "./things";

/** Settles what one thing of a text comes to. An answer to a question settles the same thing again with one more of it decided. */
export class Settling extends Deciding {
  protected again(more: Decided, x: Thing = this.x): Reading {
    return new Settling(this.from, x, this.ctx, { ...this.d, ...more }).run();
  }

  protected settled(material: Material, loose: boolean): Reading {
    const { x, d, ctx } = this;
    const powder = material.kind === "stuff" ? this.powder(material) : undefined;
    if (powder && !d.remark) return this.unknown(`${x.typed} ${powder}`, [material]);
    const strengthens = material.row.class === "vinegar" || material.row.class === "spirit";
    // A share was said in per cent, and is the amount now.
    const said = d.amount && !strengthens ? undefined : (d.strength ?? x.strength);
    const strong = strengthOf(material, said, ctx);
    if (strong.is === "fault") return faultOf(strong.fault);
    if (strong.is === "asked")
      return this.ask(
        strong.question,
        strong.choices.map((c) => ({
          words: c.words,
          reading: this.again({
            material,
            ...("strength" in c ? { strength: c.strength } : { amount: c.amount }),
          }),
        })),
        material,
      );
    const is = strong.material;
    this.took.push(...strong.took);
    if (loose && is === material && !strong.strength)
      this.took.push({
        what: "kind",
        value: is.row.names[0]!,
        because: `“${x.typed}” is taken as ${is.row.names[0]} until another is said`,
      });
    return this.withAmount(is, strong.strength);
  }

  /** The word that makes of a liquid another thing: vinegar powder is no vinegar. */
  private powder(m: Material): string | undefined {
    if (["sugar", "salt", "acid", "mineral", "remedy"].includes(m.row.class)) return undefined;
    const form = this.x.forms.find((f) => f === "powdered" || f === "dried");
    const cover = this.x.amounts.some((a) => a.q.is === "amount" && a.q.amount.kind === "cover");
    return cover ? undefined : form;
  }

  private withAmount(m: Material, strength: string | undefined): Reading {
    const { d, x, ctx } = this;
    const said = d.amount ? { amount: d.amount } : amountOf(x, m, ctx);
    if ("question" in said)
      return this.ask(
        said.question,
        said.choices.map(({ words, amount, remember }) => ({
          words,
          reading: this.again({ material: m, amount }),
          ...(remember ? { remember } : {}),
        })),
        m,
      );
    if ("took" in said && said.took) this.took.push({ what: "unit", value: said.took, because: said.took });
    const at = "from" in said && said.from !== undefined ? { from: said.from, to: said.to! } : undefined;
    const amount = said.amount && { amount: said.amount, text: this.asTyped(said.amount, at) };
    return this.withForm(m, strength, amount);
  }

  /** The maker’s own words for an amount where they say it by themselves, else as it is printed. */
  private asTyped(a: Amount, at: { from: number; to: number } | undefined): string {
    const { text, tokens } = this.from;
    const { system } = this.ctx;
    if (!at) return sayAmount(a, system);
    const typed = text.slice(tokens[at.from]!.from, tokens[at.to - 1]!.to);
    const again = readAmount(typed, system);
    return again.ok && sameAmount(a, again.value) ? typed : sayAmount(a, system);
  }

  private withForm(m: Material, strength: string | undefined, amount: SaidLine["amount"]): Reading {
    const { x, d, ctx } = this;
    if (m.kind !== "plant") return this.line(m, amount, strength, undefined, undefined);
    const forms = formsOf(m);
    const said = x.forms.filter((f) => forms.includes(f));
    const cut = said[0] === "powdered" || d.form === "powdered" ? undefined : x.cut;
    if (d.form && forms.includes(d.form)) return this.line(m, amount, strength, d.form, cut);
    const asked = (question: string, offered: readonly Form[]): Reading =>
      this.ask(
        question,
        offered.map((form) => ({
          words: form,
          reading: this.again({ material: m, form, ...(amount ? { amount: amount.amount } : {}) }),
        })),
        m,
      );
    if (said.length > 1) return asked(`${capital(said.join(" or "))}?`, said);
    if (x.forms.length > 0 && said.length === 0)
      return faultOf(
        fault(
          "NoSuchForm",
          `${capital(m.row.names[0]!)} is not kept ${x.forms[0]} here. It comes ${forms.join(" or ")}.`,
        ),
      );
    if (said[0]) return this.line(m, amount, strength, said[0], cut);
    const taken = formTaken(m, amount?.amount, { worked: x.work, cut: x.cut }, ctx.usual);
    if (taken === "ask")
      return asked(
        `${capital(m.row.names[0]!)}, fresh or dried?`,
        forms.filter((f) => f === "fresh" || f === "dried" || f === "frozen"),
      );
    const form = taken?.form ?? forms[0]!;
    this.took.push({ what: "form", value: form, because: taken?.because ?? "" });
    return this.line(m, amount, strength, form, form === "powdered" ? undefined : cut);
  }

  private line(
    material: Material,
    amount: SaidLine["amount"],
    strength: string | undefined,
    form: Form | undefined,
    cut: Cut | undefined,
  ): Reading {
    const { x, d } = this;
    const { text, tokens } = this.from;
    const range = (r: { from: number; to: number }) => ({
      from: tokens[r.from]!.from,
      to: tokens[r.to - 1]!.to,
    });
    const doubts = x.doubts.map(range);
    if (doubts.length > 0 && !d.remark) return this.remarkOrName(material, amount, form);
    const called = this.called(material);
    const notes = [...x.notes, ...this.otherMeasures(amount)];
    for (const r of doubts) {
      const words = text.slice(r.from, r.to);
      if (!notes.some((n) => n.includes(words))) notes.push(words);
    }
    const line: { -readonly [K in keyof SaidLine]: SaidLine[K] } = {
      material,
      took: this.took,
      notes,
      optional: x.optional,
      claims:
        doubts.length > 0 ? [...x.claims, ...doubts.map((r): Claim => ({ role: "note", ...r }))] : x.claims,
    };
    if (called !== undefined) line.called = called;
    if (amount) line.amount = amount;
    if (form) line.form = form;
    if (cut) line.cut = cut;
    if (strength) line.strength = strength;
    if (x.water !== undefined && material.row.class === "honey") line.water = x.water;
    return { is: "line", line };
  }

  /** “4 cups (1 lb)”: what was said in another sort of measure beside the one that is reckoned with, kept as said. */
  private otherMeasures(amount: SaidLine["amount"]): string[] {
    const a = amount?.amount;
    if (a?.kind !== "measure" || this.x.amounts.length < 2) return [];
    const { text, tokens } = this.from;
    return this.x.amounts.slice(1).flatMap(({ q, at }) => {
      const other = q.is === "amount" && q.amount.kind === "measure" && q.amount.dimension !== a.dimension;
      return other ? [text.slice(tokens[at.from]!.from, tokens[at.to - 1]!.to)] : [];
    });
  }

  /** Words behind the name that nobody knows: a remark on it, or part of a name that is not known? */
  private remarkOrName(material: Material, amount: SaidLine["amount"], form: Form | undefined): Reading {
    const { x } = this;
    const { text, tokens } = this.from;
    const words = x.doubts.map((r) => text.slice(tokens[r.from]!.from, tokens[r.to - 1]!.to)).join(" … ");
    const more = { material, ...(amount ? { amount: amount.amount } : {}), ...(form ? { form } : {}) };
    return this.ask(
      `Is “${words}” a remark, or part of the name?`,
      [
        { words: `a remark on the ${material.row.names[0]}`, reading: this.again({ ...more, remark: true }) },
        { words: "part of the name", reading: this.unknown(`${x.typed} ${words}`, [material]) },
      ],
      material,
    );
  }

  /** The maker's own word, where it is not what the catalogue calls it. */
  private called(m: Material): string | undefined {
    const { x } = this;
    if (x.names.length === 0 || x.made.length > 0 || x.typed === "") return undefined;
    const first = m.row.names[0]!;
    if (x.typed === first || x.names[0]!.alias === "" || nameKey(x.typed) === nameKey(first))
      return undefined;
    const said = x.typed.replace(/\s+/g, " ");
    // A capital at the head of a line is not the name's own.
    const own = /^\p{Lu}\p{Ll}/u.test(said) && !/^\p{Lu}/u.test(x.names[0]!.alias);
    return own ? said[0]!.toLowerCase() + said.slice(1) : said;
  }
}

/** What one thing of a text comes to. */
export const settle = (from: Things, x: Thing, ctx: ReadingContext): Reading =>
  new Settling(from, x, ctx).run();
/** The same with an amount that was said of it elsewhere. */
export const settleWith = (from: Things, x: Thing, ctx: ReadingContext, amount: Amount): Reading =>
  new Settling(from, x, ctx, { amount }).run();
/** A name that nobody knows, as a reading of one thing of a text. */
export const unknownOf = (from: Things, x: Thing, ctx: ReadingContext, name: string): Unknown =>
  new Settling(from, x, ctx).unknown(name, x.inside);
