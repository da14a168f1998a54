/*
 * The check that nothing of a pasted text is lost, apart from what read it: every amount, strength, time, temperature and name must stand in a
 * part that can hold it.
 */
import type { Material } from "../../material/material";
import type { ReadingContext } from "../../reading/said";
import { thingsIn } from "../../reading/things";
import { tokensOf } from "../../reading/tokens";
import { actsOf } from "./acts";
import type { PastedPart, Place } from "./parts";

/** Parts that hold every word they stand on. */
const HOLDS_ALL: ReadonlySet<PastedPart["is"]> = new Set<PastedPart["is"]>([
  "name", "heading", "fact", "line", "again", "taken", "claim", "ask", "unknown", "wrong", "struck", "own", "note", "left",
]); // prettier-ignore

/** What a size stands before that is no amount: “the 720 mL screw-top jar”. */
const VESSELS: ReadonlySet<string> = new Set([
  "jar",
  "jars",
  "pan",
  "pot",
  "saucepan",
  "crock",
  "bottle",
  "bottles",
  "bowl",
  "jug",
  "stockpot",
  "kettle",
  "mason",
  "kilner",
]);

export interface Left extends Place {
  readonly words: string;
}

/** What of a row is in no part that could hold it. */
export function leftIn(
  row: { readonly from: number; readonly text: string; readonly parts: readonly PastedPart[] },
  ctx: ReadingContext,
  has: (m: Material) => boolean,
): Left[] {
  const holds = row.parts.filter((p) => HOLDS_ALL.has(p.is));
  const whole = holds.some((p) => p.from <= row.from && p.to >= row.from + row.text.length);
  if (whole) return [];
  const does = row.parts.some(
    (p) => p.is === "step" || p.is === "shake" || p.is === "again" || p.is === "line",
  );
  const tokens = tokensOf(row.text);
  const from = thingsIn(row.text, tokens, ctx, true);
  const owned = new Uint8Array(tokens.length);
  for (const x of from.things)
    if (x.names.length > 0 || x.amounts.length > 0) owned.fill(1, x.all.from, x.all.to);
  const { heard } = actsOf(row.text, tokens, (k) => owned[k] === 1, ctx.system);
  const inPart = (a: number, b: number): boolean =>
    holds.some((p) => p.from <= row.from + a && p.to >= row.from + b);
  const out: Left[] = [];
  for (const p of from.pieces) {
    const [first, last] = [tokens[p.from]!, tokens[p.to - 1]!];
    if (inPart(first.from, last.to)) continue;
    const says =
      p.is === "amount" ||
      p.is === "strength" ||
      p.is === "time" ||
      p.is === "warmth" ||
      p.is === "name" ||
      p.is === "water";
    if (!says || (does && everyHeard(p.from, p.to, heard))) continue;
    if (p.is === "amount" && (isLoose(p) || tokens.slice(p.to, p.to + 4).some((t) => VESSELS.has(t.low))))
      continue;
    // A plant named bare, without its part, is spoken of.
    if (p.is === "name" && p.span.names.every((n) => n.bare)) continue;
    const words = row.text.slice(first.from, last.to);
    if (p.is === "name" && p.span.names.some((n) => has(n.material))) continue;
    out.push({ from: row.from + first.from, to: row.from + last.to, words });
  }
  return out;
}
const everyHeard = (from: number, to: number, heard: (k: number) => boolean): boolean => {
  for (let k = from; k < to; k++) if (heard(k)) return true;
  return false;
};
/** “a jar”, “one”, “some”: a number of nothing that is measured. */
function isLoose(p: {
  readonly is: "amount";
  readonly q: { readonly is: string; readonly amount?: unknown; readonly by?: string };
}): boolean {
  if (p.q.is === "vague" || p.q.by === "volume") return true;
  const a = p.q.amount as { kind: string; unit?: string } | undefined;
  return (
    a === undefined ||
    a.kind === "fill" ||
    a.kind === "cover" ||
    (a.kind === "count" && a.unit !== "clove") ||
    a.kind === "jar" ||
    a.kind === "part"
  );
}
