import { describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { linesOf } from "../../plan/edit";
import { readAmount } from "../../reading/amounts";
import { printAmount } from "../../reading/print";
import { readDuration } from "../../reading/durations";
import { readReduction } from "../../reading/reductions";
import { type Pasted, readPasted } from "./pasted";

interface Case {
  readonly title: string;
  readonly text: string;
  readonly wants: readonly string[];
}
const CASES: readonly Case[] = readFileSync(join(__dirname, "texts.txt"), "utf8")
  .split(/^#### /m)
  .slice(1)
  .map((block) => {
    const [head, ...rest] = block.split("\n");
    const [text, wants] = rest.join("\n").split(/^====\n/m);
    return { title: head!, text: text!.trimEnd(), wants: wants!.trim().split("\n") };
  });

const units = (c: Case) =>
  (/\b(?:g|ml|kg|litre|l)\b/i.test(c.text) && !/cup/.test(c.text) ? "metric" : "us") as "us" | "metric";
const amount = (text: string, system: "us" | "metric"): string => {
  const read = readAmount(text, system);
  return read.ok ? printAmount(read.value, system) : `? ${text}`;
};
const days = (text: string): number | string => {
  const d = readDuration(text);
  return d.ok ? d.value.days.value : `? ${text}`;
};

/** Whether one thing wanted of a text is so. */
function holds(p: Pasted, want: string, system: "us" | "metric"): boolean {
  const [what, ...words] = want.split(" ");
  const rest = words.join(" ");
  const parts = p.rows.flatMap((r) => r.parts);
  const lines = p.plan ? linesOf(p.plan) : [];
  const steps = p.plan?.steps ?? [];
  const of = (
    at: { from: number; to: number },
    row = p.rows.find((r) => r.from <= at.from && r.to >= at.to),
  ): string => row?.text ?? "";
  switch (what) {
    case "name":
      return p.name === rest;
    case "kind":
      return p.kind === rest;
    case "line": {
      const [material, form, ...more] = words;
      const wanted = more.join(" ");
      return lines.some((l) => {
        if (l.material !== material || (form !== "-" && l.form !== form)) return false;
        if (wanted === "cover") return /cover/.test(l.amount);
        return amount(l.amount, system) === amount(wanted, system);
      });
    }
    case "ask":
      return parts.some(
        (x) =>
          (x.is === "ask" &&
            (x.question.toLowerCase().includes(rest.toLowerCase()) || of(x).includes(rest))) ||
          ((x.is === "unknown" || x.is === "wrong") && of(x).includes(rest)),
      );
    case "note":
      return parts.some((x) => x.is === "note" && of(x).includes(rest));
    case "step": {
      const [sort, ...value] = words;
      const said = value.join(" ");
      return steps.some((s) => {
        if (s.do !== sort) return false;
        if (s.do === "strain") return s.how === said;
        if (s.do === "reduce") {
          const [a, b] = [readReduction(s.to, system), readReduction(said, system)];
          return a.ok && b.ok && JSON.stringify(a.value) === JSON.stringify(b.value);
        }
        return "for" in s && days(s.for) === days(said);
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
    default:
      throw new Error(`a text wants “${want}”, which is not known`);
  }
}

describe("recipes as people write them", () => {
  test.each(CASES.map((c) => [c.title, c] as const))("%s", (_, c) => {
    const system = units(c);
    const p = readPasted(c.text, { system });
    const missed = c.wants.filter((w) => !holds(p, w, system));
    const wanted = c.wants.filter((w) => w.startsWith("line ")).map((w) => w.split(" ")[1]);
    // Nothing stands in the plan that nobody wrote.
    const more = (p.plan ? linesOf(p.plan) : [])
      .filter((l) => !wanted.includes(l.material))
      .map((l) => l.material);
    expect({ missed, more }).toEqual({ missed: [], more: [] });
  });
});
