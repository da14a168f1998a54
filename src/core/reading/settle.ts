import { fault } from "../fault";
import type { Cut, Form } from "../material/classes";
import { type Material, formsOf } from "../material/material";
import { type Amount, times } from "../quantity/amount";
import { readAmount } from "./amounts";
import { CONTAINERS } from "./quantity-words";
import { fitAmount, howMuch, wantsAmount } from "./fit-amount";
import { formTaken } from "./forms";
import { asProduct, productOf, unknownName } from "./naming";
import type { Quantity } from "./quantity";
import {
  type Choice,
  type Reading,
  type ReadingContext,
  type SaidLine,
  type Took,
  sayLine,
  sayAmount,
} from "./said";
import { capital } from "../words";
import { type Scan, packedAs } from "./scanned";
import { saidStrength } from "./strength";
import type { Token } from "./tokens";

const wrong = (name: string, message: string): Reading => ({ is: "fault", fault: fault(name, message) });

/** The name is known; now amount, form and strength. */
export function settled(
  material: Material,
  scan: Scan,
  tokens: readonly Token[],
  text: string,
  ctx: ReadingContext,
  loose: boolean,
  typed: string,
): Reading {
  if (scan.made) {
    const product = productOf(material, scan.made, ctx);
    if (!product) return unknownName(`${material.row.names[0]} ${scan.made}`, ctx, scan, material);
    const plain = settled(material, { ...scan, made: undefined }, tokens, text, ctx, loose, typed);
    return plain.is === "line" ? { is: "line", line: asProduct(plain.line, product, ctx) } : plain;
  }
  const powder = material.kind === "stuff" ? asPowder(material, tokens, typed) : undefined;
  if (powder) return unknownName(`${typed || material.row.names[0]!} ${powder}`, ctx, scan, material);
  const strong = saidStrength(material, scan.strength, ctx);
  if (strong.is === "asked") return strong.reading;
  const is = strong.material;
  const took: Took[] = [...strong.took];
  if (loose && is === material && !strong.strength)
    took.push({
      what: "kind",
      value: is.row.names[0]!,
      because: `“${typed}” is taken as ${is.row.names[0]} until another is said`,
    });
  const forms = scan.forms.filter((f) => formsOf(is).includes(f));
  const rest = { form: forms[0], cut: scan.cut, strength: strong.strength };
  const amount = amountOf(scan, is, ctx, rest, tokens, text);
  if ("question" in amount) return { is: "ask", question: amount.question, choices: amount.choices };
  if (amount.took) took.push({ what: "unit", value: amount.took, because: amount.took });
  return withForm(is, scan, ctx, amount.said, took, rest);
}

const POWDERED: ReadonlySet<string> = new Set(["powder", "powdered", "dried", "dehydrated", "granules"]);
/** Poured or kneaded, not grained already. */
const DRY_ALREADY: ReadonlySet<string> = new Set(["sugar", "salt", "acid", "mineral"]);

/** The word that makes of a liquid another thing: vinegar powder is no vinegar. */
function asPowder(m: Material, t: readonly Token[], typed: string): string | undefined {
  if (DRY_ALREADY.has(m.row.class)) return undefined;
  const name = typed.split(" ");
  // Beside the name only: “honey to cover the dried herb” is honey.
  const beside = (k: number): boolean => {
    const before = t[k - 1]?.low === "," ? t[k - 2] : t[k - 1];
    return name.includes(before?.text ?? "") || name.includes(t[k + 1]?.text ?? "");
  };
  return t.find((x, k) => POWDERED.has(x.low) && beside(k))?.low;
}

interface Told {
  readonly said: SaidLine["amount"] | undefined;
  readonly took?: string;
}
type Rest = {
  form: SaidLine["form"] | undefined;
  cut: SaidLine["cut"] | undefined;
  strength: string | undefined;
};

/** The amounts of a line, those that make one amount put together: “1 bottle (750 mL)”, “2 pieces, 1 inch each”, “fill a quart jar”. */
function together({ amounts }: Scan): Scan["amounts"] {
  const [first, second] = amounts;
  if (!first || second?.q.is !== "amount" || second.q.amount.kind !== "measure") return amounts;
  const measured = second.q.amount;
  const both = (amount: Amount): Scan["amounts"] => [
    { q: { is: "amount", amount, next: second.q.next, by: "volume" }, from: second.from },
  ];
  if (first.q.is === "vague")
    return CONTAINERS.has(first.q.word) && measured.dimension !== "length"
      ? both(times(measured, first.q.count.value))
      : amounts;
  const { amount } = first.q;
  // The Bench's own jar is not filled where another's size is said.
  if (amount.kind === "fill" && second.q.by === "volume") return both(measured);
  return amount.kind === "count" && measured.dimension === "length" && !amount.size
    ? both(times(measured, amount.count.value))
    : amounts;
}

/** The amount said of a material, or the question that must come first. */
function amountOf(
  scan: Scan,
  m: Material,
  ctx: ReadingContext,
  rest: Rest,
  tokens: readonly Token[],
  text: string,
): Told | { readonly question: string; readonly choices: readonly Choice[] } {
  const [first, second] = together(scan);
  if (scan.toTaste) return toTaste(m, first?.q, ctx, rest);
  if (!first) {
    const asked = wantsAmount(m) ? howMuch(m, "", rest) : undefined;
    return asked && "question" in asked ? asked : { said: undefined };
  }
  if (first.q.is === "vague") {
    const q = howMuch(m, first.q.word, rest, first.q.count.value, ctx.system);
    return "question" in q ? q : { said: undefined };
  }
  const { amount, by } = first.q;
  if (first.q.most) return atMost(m, amount, ctx, rest);
  if (second) {
    const clash = disagreeing(amount, second.q, m, ctx, rest);
    if (clash) return clash;
  }
  const fitted = fitAmount(packedAs(amount, scan.packing), m, ctx, by ?? scan.by, rest);
  if ("question" in fitted) return fitted;
  const typed = text.slice(tokens[first.from]!.from, tokens[first.q.next - 1]!.to).trim();
  return {
    said: { amount: fitted.amount, text: asTyped(fitted.amount, typed, ctx) },
    ...(fitted.took ? { took: fitted.took } : {}),
  };
}

/** The maker’s own words for an amount where they say it by themselves, else as it is printed. */
function asTyped(a: Amount, typed: string, ctx: ReadingContext): string {
  const printed = sayAmount(a, ctx.system);
  if (typed === printed) return typed;
  const again = readAmount(typed, ctx.system);
  return again.ok && sayAmount(again.value, ctx.system) === printed ? typed : printed;
}

/** “To taste” is asked: a little is offered as a range. */
function toTaste(m: Material, q: Quantity | undefined, ctx: ReadingContext, rest: Rest) {
  const choices: Choice[] = [];
  if (q?.is === "amount")
    choices.push({
      words: sayAmount(q.amount, ctx.system),
      text: sayLine({ ...rest, material: m, amount: sayAmount(q.amount, ctx.system) }),
    });
  choices.push({
    words: "a little: 1 to 2 tbsp",
    text: sayLine({ ...rest, material: m, amount: "1–2 tbsp" }),
  });
  if (m.kind === "stuff" && m.row.bulk === undefined)
    choices.push({
      words: "a quarter of the strained liquid",
      text: sayLine({ ...rest, material: m, amount: "¼ of liquid" }),
    });
  return {
    question: `How much ${m.row.names[0]} to begin with? It can be put right at the tasting.`,
    choices,
  };
}

/** Whether two amounts said of one thing are the same, or of sorts that cannot be set against one another. */
function agree(a: Amount, b: Amount): boolean {
  if (a.kind === "count" && b.kind === "count") return a.unit !== b.unit || a.many.value === b.many.value;
  if (a.kind !== "measure" || b.kind !== "measure" || a.dimension !== b.dimension) return true;
  return Math.abs(a.si.value - b.si.value) <= 0.06 * Math.max(a.si.value, b.si.value);
}

/** “Up to 1 cup” is asked: it says where to stop, not how much. */
function atMost(m: Material, most: Amount, ctx: ReadingContext, rest: Rest) {
  const words = [most, times(most, 0.5)].map((a) => sayAmount(a, ctx.system));
  return {
    question: `How much ${m.row.names[0]}, up to ${words[0]}?`,
    choices: words.map((w) => ({ words: w, text: sayLine({ ...rest, material: m, amount: w }) })),
  };
}

/** Two amounts of one dimension that do not mean the same: which is it? */
function disagreeing(a: Amount, second: Quantity, m: Material, ctx: ReadingContext, rest: Rest) {
  if (second.is !== "amount" || agree(a, second.amount)) return undefined;
  const b = second.amount;
  const words = [a, b].map((x) => sayAmount(x, ctx.system));
  return {
    question: `${words[0]} and ${words[1]} are not the same. Which is it?`,
    choices: words.map((w) => ({ words: w, text: sayLine({ ...rest, material: m, amount: w }) })),
  };
}

/** The line itself; what was not said is left out of it. */
function lineOf(
  material: Material,
  { notes, optional }: Scan,
  amount: SaidLine["amount"],
  took: readonly Took[],
  strength: string | undefined,
  form?: Form,
  cut?: Cut,
): SaidLine {
  const line: { -readonly [K in keyof SaidLine]: SaidLine[K] } = { material, took, notes, optional };
  if (amount) line.amount = amount;
  if (form) line.form = form;
  if (cut) line.cut = cut;
  if (strength) line.strength = strength;
  return line;
}

function withForm(
  m: Material,
  scan: Scan,
  ctx: ReadingContext,
  amount: SaidLine["amount"],
  took: Took[],
  rest: Rest,
): Reading {
  const forms = formsOf(m);
  if (m.kind !== "plant") return { is: "line", line: lineOf(m, scan, amount, took, rest.strength) };
  const said = scan.forms.length === 0 ? scan.forms : scan.forms.filter((f) => forms.includes(f));
  const cut = said[0] === "powdered" ? undefined : scan.cut;
  const line = (form: Form | undefined, cut: Cut | undefined): SaidLine =>
    lineOf(m, scan, amount, took, rest.strength, form, cut);
  const asked = (question: string, offered: readonly (typeof forms)[number][]): Reading => ({
    is: "ask",
    question,
    choices: offered.map((form) => ({
      words: form,
      text: sayLine({ ...rest, amount: amount?.text, material: m, form }),
    })),
    line: line(undefined, cut),
  });
  if (said.length > 1) return asked(`${capital(said.join(" or "))}?`, said);
  if (scan.forms.length > 0 && said.length === 0)
    return wrong(
      "NoSuchForm",
      `${capital(m.row.names[0]!)} is not kept ${scan.forms[0]} here. It comes ${forms.join(" or ")}.`,
    );
  if (said[0]) return { is: "line", line: line(said[0], cut) };
  const taken = formTaken(m, amount?.amount, scan, ctx.usual);
  if (taken === "ask")
    return asked(
      `${capital(m.row.names[0]!)}, fresh or dried?`,
      forms.filter((f) => f === "fresh" || f === "dried" || f === "frozen"),
    );
  const form = taken?.form ?? forms[0]!;
  took.push({ what: "form", value: form, because: taken?.because ?? "" });
  return { is: "line", line: line(form, form === "powdered" ? undefined : cut) };
}
