/** How pasted recipes came out, thing by thing that is wanted of each. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { Amount } from "../../src/core/quantity/amount";
import { linesOf } from "../../src/core/plan/edit";
import { readAmount } from "../../src/core/reading/amounts";
import { readDuration } from "../../src/core/reading/durations";
import { printAmount } from "../../src/core/reading/print";
import { readReduction } from "../../src/core/reading/reductions";
import { type Pasted, readPasted } from "../../src/core/exchange/pasted/pasted";

export interface RecipeCase {
  readonly title: string;
  readonly text: string;
  readonly wants: readonly string[];
}
export const recipesIn = (file: string): RecipeCase[] =>
  readFileSync(join(__dirname, file), "utf8")
    .split(/^#### /m)
    .slice(1)
    .map((block) => {
      const [head, ...rest] = block.split("\n");
      const [text, wants] = rest.join("\n").split(/^====\n/m);
      return { title: head!, text: text!.trimEnd(), wants: wants!.trim().split("\n") };
    });

type System = "us" | "metric";
const unitsOf = (c: RecipeCase): System =>
  /\b(?:g|ml|kg|litre|litres|l)\b/i.test(c.text) && !/cup/.test(c.text) ? "metric" : "us";
const amountIn = (text: string, system: System): Amount | string => {
  const read = readAmount(text, system);
  return read.ok ? read.value : `? ${text}`;
};
const days = (text: string): number | string => {
  const d = readDuration(text);
  return d.ok ? d.value.days.value : `? ${text}`;
};
const said = (a: Amount | string, system: System): string =>
  typeof a === "string" ? a : printAmount(a, system);

/** Whether the lines of one material come to an amount, one by one or together. */
function comeTo(amounts: readonly (Amount | string)[], wanted: string, system: System): boolean {
  if (/^cover/.test(wanted)) return amounts.some((a) => typeof a !== "string" && a.kind === "cover");
  const w = amountIn(wanted, system);
  if (amounts.some((a) => said(a, system) === said(w, system))) return true;
  if (typeof w === "string" || w.kind !== "measure") return false;
  const sum = amounts.reduce(
    (n, a) => n + (typeof a !== "string" && a.kind === "measure" ? a.si.value : 0),
    0,
  );
  return Math.abs(sum - w.si.value) <= 0.01 * w.si.value;
}

/** Whether one thing wanted of a text is so. */
export function holds(p: Pasted, want: string, system: System): boolean {
  const [what, ...words] = want.split(" ");
  const rest = words.join(" ");
  const parts = p.rows.flatMap((r) => r.parts);
  const lines = p.plan ? linesOf(p.plan) : [];
  const steps = p.plan?.steps ?? [];
  const of = (at: { from: number; to: number }): string =>
    p.rows.find((r) => r.from <= at.from && r.to >= at.to - 1)?.text ?? "";
  switch (what) {
    case "name":
      return p.name === rest;
    case "kind":
      return p.kind === rest;
    case "line": {
      const [material, form, ...more] = words;
      const such = lines.filter((l) => l.material === material && (form === "-" || l.form === form));
      return (
        such.length > 0 &&
        comeTo(
          such.map((l) => amountIn(l.amount, system)),
          more.join(" "),
          system,
        )
      );
    }
    case "ask":
      return parts.some(
        (x) =>
          (x.is === "ask" &&
            (x.question.toLowerCase().includes(rest.toLowerCase()) || of(x).toLowerCase().includes(rest))) ||
          ((x.is === "unknown" || x.is === "wrong") && of(x).toLowerCase().includes(rest.toLowerCase())),
      );
    case "note":
      return (
        parts.some((x) => (x.is === "note" || x.is === "own" || x.is === "fact") && of(x).includes(rest)) ||
        steps.some((s) => s.words?.includes(rest) ?? false)
      );
    case "step": {
      const [sort, ...value] = words;
      const v = value.join(" ");
      return steps.some((s) => {
        if (s.do !== sort) return false;
        if (s.do === "strain") return s.how === v;
        if (s.do === "reduce") {
          const [a, b] = [readReduction(s.to, system), readReduction(v, system)];
          return a.ok && b.ok && JSON.stringify(a.value) === JSON.stringify(b.value);
        }
        return "for" in s && days(s.for) === days(v);
      });
    }
    case "place":
      return steps.some((s) => s.do === "steep" && s.in === rest);
    case "shake":
      return p.plan?.shake === rest;
    case "taken":
      return p.plan?.taken?.includes(rest) ?? false;
    case "vessel":
      return p.plan?.vessel === rest;
    case "cool":
      return steps.some((s) => s.do === "cool" && /100/.test(s.to));
    case "after": {
      const cut = steps.findIndex((s) => s.do === "strain");
      return steps.some(
        (s, i) => i > cut && cut >= 0 && s.do === "add" && s.what.some((l) => l.material === rest),
      );
    }
    case "claim": {
      const [n, place] = words;
      return p.claims.some((c) => c.days === Number(n) && (place === undefined || c.place === place));
    }
    case "nothing":
      return p.plan === undefined;
    default:
      throw new Error(`a text wants “${want}”, which is not known`);
  }
}

/** What was missed of what is wanted, and what stands in the plan that nobody wrote. */
export function scoreOf(c: RecipeCase): {
  readonly missed: string[];
  readonly more: string[];
  readonly pasted: Pasted;
} {
  const system = unitsOf(c);
  const pasted = readPasted(c.text, { system });
  const missed = c.wants.filter((w) => !holds(pasted, w, system));
  const wanted = c.wants.filter((w) => w.startsWith("line ")).map((w) => w.split(" ")[1]);
  const more = (pasted.plan ? linesOf(pasted.plan) : [])
    .filter((l) => !wanted.includes(l.material))
    .map((l) => l.material);
  return { missed, more, pasted };
}
