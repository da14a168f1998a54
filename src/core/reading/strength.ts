import { fail, type Fault, fault, isFault, ok, type Result } from "../fault";
import { exactly } from "../estimate";
import type { Material } from "../material/material";
import type { Amount } from "../quantity/amount";
import type { UnitSystem } from "../quantity/units";
import { ALCOHOL } from "./after-number";

import { printFigures } from "./print";
import { quantityAt } from "./quantities";
import type { Cursor, Strength } from "./quantity";
import type { ReadingContext, Took } from "./said";
import { tokensOf } from "./tokens";

const impossible = (percent: number): Fault =>
  fault(
    "ImpossibleStrength",
    `${printFigures(percent)} % cannot be. A strength lies above 0 and up to 100 %.`,
  );

/** % of a strength as said; a bare proof has none, since US proof is twice the percentage and UK proof 1.75 times. */
function percentOf(q: Strength, proof: "us" | "uk" | undefined): number | undefined {
  switch (q.is) {
    case "percent":
      return q.value;
    case "grain":
      return q.value / 10;
    case "proof": {
      const by = q.by ?? proof;
      return by === undefined ? undefined : q.value / (by === "us" ? 2 : 1.75);
    }
  }
}

/**
 * A strength as typed, in %: `5 %`, `50 grain` (a tenth, for vinegar), `80 US proof` (half), `70 UK proof` (÷ 1.75).
 * A bare “proof” is a fault (`WhichProof`), since the two scales differ. Faults: `NotAStrength`, `WhichProof`, `ImpossibleStrength`.
 */
export function readStrength(text: string): Result<number> {
  const said = tokensOf(text.trim());
  // “ABV 40 %”, “40°”, “40 vol”: the name of the figure stands before or behind it.
  const first = ALCOHOL.has(said[0]?.low ?? "") ? 1 : 0;
  const last =
    said.length === first + 2 && (said.at(-1)!.low === "°" || ALCOHOL.has(said.at(-1)!.low)) ? 1 : 0;
  const tokens = said.slice(first, said.length - last);
  const c: Cursor = { tokens, system: "us", named: () => false };
  const bare =
    tokens.length === 1 && tokens[0]!.kind === "number"
      ? ({ is: "percent", value: tokens[0]!.value, of: undefined, next: 1 } as const)
      : undefined;
  const q = bare ?? (text.length > 40 ? undefined : quantityAt(c, 0));
  if (!q || isFault(q) || q.is === "amount" || q.is === "vague" || q.next !== tokens.length)
    return fail(fault("NotAStrength", "Write a strength like “5 %”, “50 grain” or “80 US proof”."));
  const value = percentOf(q, undefined);
  if (value === undefined) {
    const n = printFigures(q.value);
    return fail(
      fault(
        "WhichProof",
        `US proof is twice the percentage, UK proof 1.75 times. Write “${n} US proof” or “${n} UK proof”.`,
        [],
        `${n} US proof`,
      ),
    );
  }
  return value > 0 && value <= 100 ? ok(value) : fail(impossible(value));
}

/** A strength in the words a bottle uses; reading it again gives the same. */
export const printStrength = (percent: number): string => `${printFigures(percent)} %`;

/** What a strength said with a name comes to: the bottle of that strength, a question with what would decide it, or a fault. */
export type Strong =
  | {
      readonly is: "settled";
      readonly material: Material;
      readonly strength?: string;
      readonly took: readonly Took[];
    }
  | {
      readonly is: "asked";
      readonly question: string;
      readonly choices: readonly ({ readonly words: string } & (
        { readonly strength: Strength } | { readonly amount: Amount }
      ))[];
    }
  | { readonly is: "fault"; readonly fault: Fault };

/** Whose proof a household's bottles are marked in; metric households see both. */
const PROOF: Readonly<Record<UnitSystem, "us" | undefined>> = {
  us: "us",
  metric: undefined,
  imperial: undefined,
};

/** Of the plain spirits that differ only in strength, the one marked nearest. */
function ofStrength(m: Material, percent: number, ctx: ReadingContext): Material {
  if (m.kind !== "stuff" || !m.row.family) return m;
  let best = m;
  let least = Infinity;
  for (const other of ctx.catalogue.values()) {
    if (other.kind !== "stuff" || other.row.family !== m.row.family) continue;
    const off = Math.abs((other.row.abv ?? 0) - percent);
    if (off < least) [best, least] = [other, off];
  }
  return best;
}

/** A percentage of something that has no strength is a share, and a share must say of what. */
function shareOfWhat(m: Material, percent: number): Strong {
  const p = percent / 100;
  const figure = `${printFigures(percent)} %`;
  const ofLiquid = (share: number): Amount => ({ kind: "of-liquid", count: exactly(share) });
  const choices = [{ words: `${figure} of the strained liquid`, amount: ofLiquid(p) }];
  if (p < 1)
    choices.push({ words: `${figure} of the finished bottle, by volume`, amount: ofLiquid(p / (1 - p)) });
  if (
    percent <= 80 &&
    percent >= 1 &&
    m.kind === "stuff" &&
    ["honey", "sugar", "syrup"].includes(m.row.class)
  )
    choices.push({
      words: `until ${figure} of the weight is sugar`,
      amount: { kind: "goal", goal: "brix", target: percent },
    });
  return { is: "asked", question: `${figure} ${m.row.names[0]!}: of what?`, choices };
}

/** A bottle of unsaid strength is taken as such bottles are marked, and shown. */
function takenStrength(m: Material): readonly Took[] {
  if (m.kind !== "stuff" || (m.row.class !== "vinegar" && m.row.class !== "spirit")) return [];
  if (m.row.tags?.includes("acetic-unknown"))
    return [{ what: "strength", value: "2–5 %", because: "home-made vinegar has no known strength" }];
  const marked = m.row.abv ?? 100 * (m.row.composition.acetic ?? 0);
  if (!(marked > 0)) return [];
  return [
    { what: "strength", value: printStrength(marked), because: `${m.row.names[0]} is usually marked so` },
  ];
}

/** What a strength said with a name comes to. */
export function strengthOf(m: Material, q: Strength | undefined, ctx: ReadingContext): Strong {
  if (!q) return { is: "settled", material: m, took: takenStrength(m) };
  const cls = m.row.class;
  if (cls !== "vinegar" && cls !== "spirit") {
    if (q.is === "percent") return shareOfWhat(m, q.value);
    return {
      is: "fault",
      fault: fault("NoSuchFigure", `${m.row.names[0]} has no strength. Leave it out.`),
    };
  }
  const percent = percentOf(q, PROOF[ctx.system]);
  if (percent === undefined) {
    const n = printFigures(q.value);
    return {
      is: "asked",
      question: "US proof is twice the percentage, UK proof 1.75 times. Which is on the bottle?",
      choices: (["us", "uk"] as const).map((by) => ({
        words: `${n} ${by.toUpperCase()} proof`,
        strength: { is: "proof", value: q.value, by, next: q.next },
      })),
    };
  }
  if (!(percent > 0 && percent <= 100)) return { is: "fault", fault: impossible(percent) };
  const took: readonly Took[] =
    q.is === "proof" && !q.by
      ? [{ what: "strength", value: printStrength(percent), because: "US proof is twice the percentage" }]
      : [];
  const words =
    q.is === "proof" && q.by
      ? `${printFigures(q.value)} ${q.by.toUpperCase()} proof`
      : printStrength(percent);
  return { is: "settled", material: ofStrength(m, percent, ctx), took, strength: words };
}
