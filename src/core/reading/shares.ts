import { exactly, scaled } from "../estimate";
import { type Amount, times } from "../quantity/amount";
import { type NameSpan, meantBy, namesIn } from "./names";
import { isFault, oneAt } from "./numbers";
import { printCount } from "./print";
import { type Reading, type ReadingContext, type SaidLine, sayLine, sayAmount } from "./said";
import { type Token, says } from "./tokens";

type ReadLine = (text: string, ctx: ReadingContext) => Reading;

/** `equal parts honey and vinegar`: a line of one part for each. */
function equalParts(
  text: string,
  t: readonly Token[],
  ctx: ReadingContext,
  read: ReadLine,
): Reading | undefined {
  if (!says(t, 0, "equal", "parts") && !says(t, 0, "equal", "amounts") && !says(t, 0, "equal", "measures"))
    return undefined;
  const spans = [...namesIn(t, ctx.catalogue)].sort((a, b) => a.tokens[0]! - b.tokens[0]!);
  if (spans.length < 2)
    return {
      is: "ask",
      question: "Equal parts of what? Name two things, like “equal parts honey and vinegar”.",
      choices: [],
    };
  const lines = spans.map((s) => read(`1 part ${s.tokens.map((k) => t[k]!.text).join(" ")}`, ctx));
  const said = lines.flatMap((r) => (r.is === "line" ? [r.line] : []));
  return said.length === lines.length ? { is: "lines", lines: said } : lines.find((r) => r.is !== "line");
}

interface AsMuch {
  readonly by: number;
  /** Tokens of what goes in, and of what it is measured against. */
  readonly of: readonly Token[];
  readonly against: readonly Token[];
}

/** `as much honey as liquid`, `half as much honey as the vinegar`, `the same of honey`, `twice as much … as …`. */
function asMuch(t: readonly Token[]): AsMuch | undefined {
  let k = 0;
  let by = 1;
  if (says(t, 0, "twice")) [by, k] = [2, 1];
  else {
    const n = oneAt(t, 0);
    if (n && !isFault(n) && says(t, n.next, "times", "as", "much")) [by, k] = [n.span.value, n.next + 1];
    else if (n && !isFault(n) && says(t, n.next, "as", "much")) [by, k] = [n.span.value, n.next];
  }
  const same = says(t, k, "the", "same") || says(t, k, "same");
  if (!same && !says(t, k, "as", "much")) return undefined;
  k += says(t, k, "the", "same") || says(t, k, "as", "much") ? 2 : 1;
  if (same && (says(t, k, "amount") || says(t, k, "again"))) k++;
  if (says(t, k, "of")) k++;
  const as = t.findIndex((x, i) => i > k && x.low === "as");
  // “half as much as the vinegar of honey” is not said; “honey, half as much as the vinegar” is, and is read by `trailing`.
  if (as < 0) return { by, of: t.slice(k), against: [] };
  return {
    by,
    of: t.slice(k, as),
    against: t.slice(as + 1).filter((x) => x.low !== "the" && x.low !== "there" && x.low !== "is"),
  };
}

/** `honey, half as much as the vinegar`. */
function trailing(t: readonly Token[]): AsMuch | undefined {
  const same = t.findIndex(
    (_, i) => says(t, i, "same", "as") || says(t, i, "same", "amount", "as") || says(t, i, "equal", "to"),
  );
  if (same > 0 && t[0]!.low !== "the") {
    const against = t
      .slice(t[same + 1]!.low === "amount" ? same + 3 : same + 2)
      .filter((x) => x.low !== "the");
    return { by: 1, of: t.slice(0, same).filter((x) => x.kind !== "mark" && x.low !== "the"), against };
  }
  const much = t.findIndex((_, i) => says(t, i, "as", "much", "as"));
  if (much < 1) return undefined;
  let by = 1;
  let from = much;
  for (let k = much - 1; k >= 0 && k >= much - 3; k--) {
    const n = oneAt(t, k);
    if (n && !isFault(n) && n.next === much) [by, from] = [n.span.value, k];
  }
  if (says(t, much - 1, "twice")) [by, from] = [2, much - 1];
  const against = t.slice(much + 3).filter((x) => x.low !== "the");
  return { by, of: t.slice(0, from).filter((x) => x.kind !== "mark"), against };
}

/** No share of another thing is said without one of these; most lines have none of them. */
const SAYS_A_SHARE = new Set(["equal", "much", "same"]);
const LIQUID = new Set(["liquid", "juice", "decoction", "infusion", "tea", "strained"]);
const nameOf = (span: NameSpan): SaidLine["material"] => meantBy(span.names)[0]!.material;

function measured(said: AsMuch, text: string, ctx: ReadingContext, read: ReadLine): Reading {
  const typed = said.of.length > 0 ? text.slice(said.of[0]!.from, said.of.at(-1)!.to) : "";
  const plain = read(typed, ctx);
  if (plain.is !== "line") return plain;
  const m = plain.line.material;
  const put = (amount: Amount): Reading => ({
    is: "line",
    line: { ...plain.line, amount: { amount, text: sayAmount(amount, ctx.system) } },
  });
  const ofLiquid: Amount = { kind: "of-liquid", count: exactly(said.by) };
  const against = namesIn(said.against, ctx.catalogue)[0];
  if (!against && (said.against.length === 0 || said.against.some((x) => LIQUID.has(x.low)))) {
    if (said.against.length > 0) return put(ofLiquid);
  }
  const other = against ? nameOf(against) : undefined;
  const poured = other ? ctx.poured?.(other.row.id) : undefined;
  if (poured && (poured.kind === "measure" || poured.kind === "part" || poured.kind === "count"))
    return put(times(poured, said.by));
  if (poured?.kind === "jar") return put({ kind: "jar", count: scaled(poured.count, said.by) });
  const parts = `${printCount(said.by)} ${said.by > 1 ? "parts" : "part"}`;
  return {
    is: "ask",
    question: `How much ${m.row.names[0]} is that?`,
    choices: [
      {
        words: `${printCount(said.by)} of the strained liquid`,
        text: sayLine({ amount: sayAmount(ofLiquid, ctx.system), material: m }),
      },
      { words: `${parts}, where the other is 1 part`, text: sayLine({ amount: parts, material: m }) },
    ],
  };
}

/** Lines that say an amount by another: equal parts, as much as, half as much as. Nothing where the line says none. */
export function sharesOf(
  text: string,
  t: readonly Token[],
  ctx: ReadingContext,
  read: ReadLine,
): Reading | undefined {
  if (!t.some((x) => SAYS_A_SHARE.has(x.low))) return undefined;
  const even = equalParts(text, t, ctx, read);
  if (even) return even;
  const said = asMuch(t) ?? trailing(t);
  return said && said.of.some((x) => x.kind === "word") ? measured(said, text, ctx, read) : undefined;
}
