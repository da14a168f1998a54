import type { Reckoning } from "@/core/reckoning/reckon";
import type { Condition } from "@/core/keeping/rows";
import type { Distance, Verdict } from "@/core/keeping/verdict";

const NAMES: Readonly<Record<Condition["quantity"], string>> = {
  abv: "alcohol",
  delle: "Delle number",
  brix: "sweetness",
  aw: "water activity",
  dryness: "water activity of the sugars",
  acetic: "acetic acid",
  ph: "pH",
  index: "acid and sugar index",
  water: "water",
  glycerol: "glycerin",
};
const SUFFIX: Readonly<Record<Condition["quantity"], string>> = {
  abv: " % vol",
  delle: "",
  brix: " °Bx",
  aw: "",
  dryness: "",
  acetic: " %",
  ph: "",
  index: "",
  water: " %",
  glycerol: " %",
};
function places(q: Condition["quantity"]): number {
  if (q === "aw" || q === "dryness") return 2;
  return q === "index" || q === "delle" || q === "brix" ? 0 : 1;
}

/** “pH at most 4.0, wants 4.2 or less”: a quantity at the end that hurts, against its line. */
export function distanceWords(d: Distance): string {
  const q = d.condition.quantity;
  const n = (x: number): string => x.toFixed(places(q)) + SUFFIX[q];
  const least = d.condition.is === "at least";
  return `${NAMES[q]} ${least ? "at least" : "at most"} ${n(d.at)}, ${d.met ? "needs" : "would need"} ${n(d.condition.line)} ${least ? "or more" : "or less"}`;
}

/** The verdict in one line: the place, and how long. */
export function verdictHead(v: Verdict): { place: string; life: string } {
  if (v.place === "do-not-keep") return { place: "Do not keep.", life: "" };
  if (v.place === "fridge")
    return { place: v.vented ? "Fridge, lid loose:" : "Fridge:", life: `${v.life.words}.` };
  return { place: v.coolDark ? "Cupboard, cool and dark:" : "Cupboard:", life: `${v.life.words}.` };
}

/** A first letter made large, except where it is a sign: pH stays pH. */
const sentence = (words: string): string =>
  words.startsWith("pH") ? words : `${words[0]!.toUpperCase()}${words.slice(1)}`;

/** Why, with the numbers. */
export function verdictWhy(v: Verdict, r: Reckoning): string[] {
  const out = [`${sentence(v.row.words)}.`];
  for (const veto of v.vetoes) out.push(`No cupboard: ${veto.words}.`);
  if (v.distances.length > 0) {
    const words = v.distances.map(distanceWords).join("; ");
    if (words) out.push(`${sentence(words)}.`);
  }
  if (
    r.finished.abv.high <= 15 &&
    r.finished.acid.value > 0.05 &&
    !v.distances.some((d) => d.condition.quantity === "ph")
  )
    out.push(`pH ${r.finished.ph.low.toFixed(1)} to ${r.finished.ph.high.toFixed(1)}, estimated.`);
  out.push(openedSentence(v));
  return out;
}

/** How long it keeps once opened, and where. */
export function openedSentence(v: Verdict): string {
  if (!v.openedInCupboard) return `Once opened, ${v.opened.words} in the fridge.`;
  if (v.opened.days >= v.life.days) return "Once opened, the same.";
  const cold = v.openedCold ? `, ${v.openedCold.words} in the fridge` : "";
  return `Once opened, ${v.opened.words} in the cupboard${cold}.`;
}
