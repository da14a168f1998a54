import { fail, fault, isFault, ok, type Result } from "../fault";
import { dictionary } from "../words";
import { type Span, exactly, scaled } from "../estimate";
import { type Amount, COVER_CM, GOAL_RANGE, type Goal } from "../quantity/amount";
import { nearest } from "../quantity/near";
import { remembered } from "../remembered";
import type { UnitSystem } from "../quantity/units";
import { numberAt } from "./numbers";
import { quantityAt } from "./quantities";
import type { Cursor } from "./quantity";
import { type Token, says, tokensOf } from "./tokens";
import { UNIT_WORDS } from "./unit-words";

/** The longest text an amount may have. */
export const LONGEST = 200;
const NO_NAME = (): boolean => false;

const FILL_WORDS = new Set(["top", "line", "brim", "shoulder", "shoulders", "neck", "rim", "lip"]);
/** What is filled, where it is said. */
const FILLED_UP: ReadonlySet<string> = new Set(["jar", "rest", "remainder"]);

/** `fill`, `to fill`, `fill the jar`, `top up`, `to the shoulder`: the token after it. */
export function fillAt(t: readonly Token[], i: number): number | undefined {
  let k = says(t, i, "to") ? i + 1 : i;
  if ((says(t, k, "loosely") || says(t, k, "lightly")) && says(t, k + 1, "fill")) k++;
  if (says(t, k, "fill") || says(t, k, "filled")) {
    k += says(t, k + 1, "up") ? 2 : 1;
    if (says(t, k, "the")) k++;
    if (FILLED_UP.has(t[k]?.low ?? "")) k++;
    return toTheTop(t, k) ?? k;
  }
  if (says(t, k, "top", "up") || says(t, k, "top", "off")) return toTheTop(t, k + 2) ?? k + 2;
  if (i === 0 && says(t, k, "top", "with")) return k + 1;
  return toTheTop(t, i);
}

/** `to the shoulder`, `to within an inch of the top`: the token after it. */
function toTheTop(t: readonly Token[], i: number): number | undefined {
  if (says(t, i, "to", "the") && FILL_WORDS.has(t[i + 2]?.low ?? "")) return i + 3;
  if (!says(t, i, "to", "within")) return undefined;
  const n = numberAt(t, i + 2);
  if (!n || isFault(n)) return undefined;
  for (let k = n.next; k < n.next + 3; k++)
    if (says(t, k, "of", "the") && FILL_WORDS.has(t[k + 2]?.low ?? "")) return k + 3;
  return undefined;
}

/** `fill half the jar`, `fill the jar ⅓ full`, `jar ¾ full`: a share of the jar, and the token after it. */
export function partFillAt(
  c: Cursor,
  i: number,
): { readonly amount: Amount; readonly next: number } | undefined {
  const t = c.tokens;
  let k = says(t, i, "to") ? i + 1 : i;
  const fills = says(t, k, "fill") || says(t, k, "filled");
  if (fills) k++;
  if (says(t, k, "up")) k++;
  if (says(t, k, "the") || says(t, k, "a")) k++;
  const jar = says(t, k, "jar");
  if (jar) k++;
  if (says(t, k, "up")) k++;
  if (says(t, k, "to")) k++;
  if (!fills && !jar) return undefined;
  if (says(t, k, "halfway")) return { amount: { kind: "jar", count: exactly(1 / 2) }, next: k + 1 };
  if (jar && !fills && says(t, k, "full")) return { amount: { kind: "jar", count: exactly(1) }, next: k + 1 };
  const q = quantityAt(c, k);
  if (!q || isFault(q) || q.is !== "amount" || q.amount.kind !== "jar") return undefined;
  return { amount: q.amount, next: q.next };
}

/** What is covered and how well, which changes no amount: “cover the herbs completely”. */
const HOW_COVERED: ReadonlySet<string> = new Set([
  "it", "them", "the", "herb", "herbs", "plant", "material", "everything", "all", "completely", "fully", "well", "generously", "just", "contents",
]); // prettier-ignore

/** “the dried herbs”, “fresh plant material”: what is covered, of no name. */
const isDriedHerb = (t: readonly Token[], k: number): boolean =>
  (says(t, k, "dried") || says(t, k, "fresh")) && HOW_COVERED.has(t[k + 1]?.low ?? "");

/** `cover`, `to cover`, `cover by 2 cm`: the amount and the token after it; faults where the depth is no depth. */
export function coverAt(c: Cursor, i: number): Result<{ amount: Amount; next: number }> | undefined {
  const t = c.tokens;
  let k = says(t, i, "to") ? i + 1 : i;
  if (!says(t, k, "cover") && !says(t, k, "covered")) return undefined;
  k++;
  while (HOW_COVERED.has(t[k]?.low ?? "") || isDriedHerb(t, k)) k++;
  const by = byDepth(c, k);
  if (!by) return ok({ amount: { kind: "cover", term: undefined, cm: COVER_CM }, next: k });
  return by;
}

/** `by an inch`, `by 2 cm`: as an amount that covers. */
export function byDepth(c: Cursor, i: number): Result<{ amount: Amount; next: number }> | undefined {
  if (!says(c.tokens, i, "by")) return undefined;
  const wrong = fail(
    fault("OutOfRange", "Cover the herb by a little, say “cover by 2 cm”.", [], "cover by 2 cm"),
  );
  const q = quantityAt(c, i + 1);
  if (!q || isFault(q)) return wrong;
  if (q.is === "amount" && q.amount.kind === "count" && q.amount.unit === "piece")
    return ok({ amount: { kind: "cover", term: undefined, cm: q.amount.count }, next: q.next });
  if (q.is !== "amount" || q.amount.kind !== "measure" || q.amount.dimension !== "length") return wrong;
  if (q.amount.si.high > 50) return wrong;
  const term = q.amount.terms[0]!;
  return ok({ amount: { kind: "cover", term, cm: scaled(term.count, term.unit.size) }, next: q.next });
}

const GOAL_WORD = dictionary<Goal>({ bx: "brix", brix: "brix" });
const RANGE_WORDS: Readonly<Record<Goal, string>> = {
  brix: "1 to 80 °Bx",
  abv: "0.5 to 95 % vol",
  acid: "0.1 to 20 % acid",
  ph: "pH 2 to 7",
};

function goal(g: Goal, target: number, next: number): Result<{ amount: Amount; next: number }> {
  const [least, most] = GOAL_RANGE[g];
  if (!(target >= least && target <= most))
    return fail(fault("OutOfRange", `Such a goal runs from ${RANGE_WORDS[g]}.`));
  return ok({ amount: { kind: "goal", goal: g, target }, next });
}

/** `to 66 Bx`, `to 50 % vol`, `to 5 % acid`, `to pH 4`: an amount to be solved. */
export function goalAt(c: Cursor, i: number): Result<{ amount: Amount; next: number }> | undefined {
  const t = c.tokens;
  if (!says(t, i, "to")) return undefined;
  if (says(t, i + 1, "ph") && t[i + 2]?.kind === "number") return goal("ph", t[i + 2]!.value, i + 3);
  const n = numberAt(t, i + 1);
  if (!n || isFault(n)) return undefined;
  const k = says(t, n.next, "°") ? n.next + 1 : n.next;
  const brix = GOAL_WORD[t[k]?.low ?? ""];
  if (brix) return goal(brix, n.span.value, k + 1);
  const q = quantityAt(c, i + 1);
  if (!q || isFault(q) || q.is !== "percent" || !q.of) return undefined;
  return goal(q.of === "acid" ? "acid" : "abv", q.value, q.next);
}

/** “not known”, “amount not known”, “who knows”: of what stands already. The token after it. */
function unknownAt(t: readonly Token[], i: number): number | undefined {
  let k = says(t, i, "amount") ? i + 1 : i;
  if (says(t, k, "unknown")) return k + 1;
  if (!says(t, k, "not")) return undefined;
  k++;
  return says(t, k, "known") || says(t, k, "remembered") ? k + 1 : undefined;
}

/** An amount that stands for itself, at a token: what fills, covers, is solved or is not known. */
export function specialAt(c: Cursor, i: number): Result<{ amount: Amount; next: number }> | undefined {
  const part = partFillAt(c, i);
  if (part) return ok(part);
  const fill = fillAt(c.tokens, i);
  if (fill !== undefined) return ok({ amount: { kind: "fill" }, next: fill });
  const unknown = unknownAt(c.tokens, i);
  if (unknown !== undefined) return ok({ amount: { kind: "unknown" }, next: unknown });
  return coverAt(c, i) ?? goalAt(c, i);
}

const NOT_AN_AMOUNT = "Say how much: “1½ cups”, “40 g”, “1 part”.";

function whole(text: string, system: UnitSystem): Result<Amount> {
  const shown = text.trim();
  if (shown.length > LONGEST) return fail(fault("TooLong", `Keep an amount under ${LONGEST} letters.`));
  const tokens = tokensOf(shown);
  if (tokens.length === 0) return fail(fault("NotAnAmount", NOT_AN_AMOUNT));
  const c: Cursor = { tokens, system, named: NO_NAME };
  const special = specialAt(c, 0);
  if (special && !special.ok) return special;
  const q = special ? undefined : quantityAt(c, 0);
  if (isFault(q)) return fail(q);
  const found = special?.value ?? (q?.is === "amount" ? q : undefined);
  if (q?.is === "amount" && q.most) {
    const most = shown.slice(tokens[2]!.from);
    return fail(
      fault("HowMuch", `“${shown}” says where to stop, not how much. Write how much goes in.`, [], most),
    );
  }
  if (found)
    return found.next === tokens.length
      ? ok(found.amount)
      : leftOver(shown, tokens, found.next, found.amount);
  // Alone in its field a jar is the one on the Bench; in a line it may be a bought one.
  if (q?.is === "vague" && q.word === "jar") return jarful(q.count);
  if (q?.is === "vague")
    return fail(fault("HowMuch", `How much is a ${one(q.word)}? Write it in cups, spoons or grams.`));
  if (q)
    return fail(
      fault("NotAnAmount", "A strength is no amount. Say how much: “1½ cups”, “40 g”, “3/4 of liquid”."),
    );
  return fail(
    fault("NotAnAmount", `“${shown}” is no amount. Write it like “1½ cups”, “40 g” or “2–3 cloves”.`),
  );
}

/** “jugs” is asked about as “a jug”. */
const one = (word: string): string => word.replace(/([^s])s$/, "$1");

const jarful = (count: Span): Result<Amount> =>
  count.high > 1
    ? fail(
        fault(
          "TooMuch",
          "More than the whole jar does not go in. Write, say, “half the jar”.",
          [],
          "1/2 jar",
        ),
      )
    : ok({ kind: "jar", count });

function leftOver(shown: string, tokens: readonly Token[], next: number, amount: Amount): Result<Amount> {
  const at = tokens[next]!;
  const word = at.low;
  const near = word.length > 1 ? nearest(word, UNIT_WORDS) : undefined;
  if (near && amount.kind === "count" && amount.unit === "piece")
    return fail(
      fault(
        "UnknownUnit",
        `“${at.text}” is not a unit here. Did you mean “${near}”?`,
        [],
        `${shown.slice(0, at.from)}${near}${shown.slice(at.to)}`,
      ),
    );
  return fail(
    fault(
      "UnknownUnit",
      `“${shown.slice(at.from)}” is not part of an amount. Use cups, tbsp, tsp, mL, g, oz, cloves, handfuls, parts …`,
    ),
  );
}

const readIn: Readonly<Record<UnitSystem, (text: string) => Result<Amount>>> = {
  us: remembered((text) => whole(text, "us")),
  metric: remembered((text) => whole(text, "metric")),
  imperial: remembered((text) => whole(text, "imperial")),
};

/**
 * An amount standing alone, as typed in its field. Faults: `NotAnAmount`, `HowMuch`, `UnknownUnit`, `NegativeAmount`, `ZeroAmount`,
 * `ZeroDenominator`, `TooMuch`, `TooLong`, `OutOfRange`. Remembered, since a plan is read again at every keystroke.
 */
export const readAmount = (text: string, system: UnitSystem): Result<Amount> => readIn[system](text);

/** A bare figure with what it most likely is: offered, never taken. */
function bareFigure(a: Amount, shown: string, system: UnitSystem): string | undefined {
  if (a.kind !== "count" || a.unit !== "piece" || a.size) return undefined;
  const cups = system !== "metric" && a.count.high < 20;
  return `${shown} ${cups ? "cups" : "mL"}`;
}

/** A volume or weight standing alone, as a jug or a scale shows it. Faults: as `readAmount`, and `NotAVolume`. */
export function readMeasured(text: string, system: UnitSystem): Result<Extract<Amount, { kind: "measure" }>> {
  const a = readAmount(text, system);
  if (!a.ok)
    return a.faults[0]?.name === "ZeroAmount"
      ? fail(
          fault(
            "ZeroAmount",
            "Nothing came out? Write what the jug shows; if there is nothing left of it, discard the batch.",
          ),
        )
      : a;
  if (a.value.kind === "measure" && a.value.dimension !== "length") return ok(a.value);
  return fail(
    fault(
      "NotAVolume",
      `“${text.trim()}” is not a volume. Write it like “750 mL” or “3 cups”, or the weight in grams.`,
      [],
      bareFigure(a.value, text.trim(), system),
    ),
  );
}
