import { dictionary } from "../words";
import { CUT_WORDS } from "./line-words";
import { asProduct, productOf, unknownName } from "./naming";
import type { Reading, ReadingContext, SaidLine } from "./said";
import type { Token } from "./tokens";

const MADE = dictionary<"juice" | "peel">({ juice: "juice", zest: "peel", peel: "peel", rind: "peel" });

/** Words before “juice of” and “zest of” that change neither. */
const BEFORE_MADE: ReadonlySet<string> = new Set(["the", "fresh", "freshly", "finely", "squeezed"]);

/** “juice of 2 lemons”, “zest and juice of 1 lemon”: what is made of the fruit, and the tokens after *of*. */
function madeOf(
  tokens: readonly Token[],
): { readonly made: readonly ("juice" | "peel")[]; readonly next: number } | undefined {
  let start = 0;
  while (BEFORE_MADE.has(tokens[start]?.low ?? "") || CUT_WORDS[tokens[start]?.low ?? ""]) start++;
  const first = MADE[tokens[start]?.low ?? ""];
  if (!first) return undefined;
  let k = start + 1;
  const made = [first];
  if ((tokens[k]?.low === "and" || tokens[k]?.low === "&") && MADE[tokens[k + 1]?.low ?? ""]) {
    made.push(MADE[tokens[k + 1]!.low]!);
    k += 2;
  }
  return tokens[k]?.low === "of" || tokens[k]?.low === "from" ? { made, next: k + 1 } : undefined;
}

/** “2 oranges, juice and zest”: both of them, said behind; and the token that begins it. */
function madeAfter(
  t: readonly Token[],
): { readonly made: readonly ("juice" | "peel")[]; readonly next: number } | undefined {
  let end = t.length - 1;
  while (t[end]?.low === ")" || t[end]?.low === "of") end--;
  const [first, and, second] = [MADE[t[end - 2]?.low ?? ""], t[end - 1]?.low, MADE[t[end]?.low ?? ""]];
  if (!first || !second || (and !== "and" && and !== "&")) return undefined;
  const mark = t[end - 3];
  if (mark?.low !== "," && mark?.low !== "(" && mark?.low !== ":") return undefined;
  return { made: [first, second], next: end - 3 };
}

/** Lines of what is made of a fruit: its juice, its zest, or both. */
export function readMade(
  text: string,
  tokens: readonly Token[],
  ctx: ReadingContext,
  read: (text: string, ctx: ReadingContext) => Reading,
): Reading | undefined {
  const before = madeOf(tokens);
  const made = before ?? madeAfter(tokens);
  if (!made) return undefined;
  const inner = before
    ? text.slice(tokens[made.next]?.from ?? text.length)
    : text.slice(0, tokens[made.next]!.from);
  const fruit = read(inner, ctx);
  if (fruit.is !== "line") return fruit.is === "lines" ? undefined : fruit;
  const lines: SaidLine[] = [];
  for (const what of made.made) {
    const product = productOf(fruit.line.material, what, ctx);
    if (!product) return unknownName(`${what === "peel" ? "zest" : what} of ${inner}`, ctx, undefined);
    lines.push(asProduct(fruit.line, product, ctx));
  }
  return lines.length === 1 ? { is: "line", line: lines[0]! } : { is: "lines", lines };
}
