import type { Reckoning } from "@/core/reckoning/reckon";
import { distanceWords, headed, reasonsOf } from "@/core/keeping/reasons";
import type { Verdict } from "@/core/keeping/verdict";

/** The verdict in one line: the place, and how long. */
export function verdictHead(v: Verdict): { place: string; life: string } {
  if (v.place === "do-not-keep") return { place: "Do not keep.", life: "" };
  if (v.place === "fridge")
    return { place: v.vented ? "Fridge, lid loose:" : "Fridge:", life: `${v.life.words}.` };
  return { place: v.coolDark ? "Cupboard, cool and dark:" : "Cupboard:", life: `${v.life.words}.` };
}

/** Why, without a figure: what decided, what takes the cupboard away, and how long once opened. */
export const plainWhy = (v: Verdict): string[] =>
  v.place === "do-not-keep" ? reasonsOf(v) : [...reasonsOf(v), openedSentence(v)];

/** The same in terms and figures: each quantity against its line, and how sharp it is. */
export function figuresWhy(v: Verdict, r: Reckoning): string[] {
  if (v.place === "do-not-keep") return [];
  const words = v.distances.map(distanceWords).join("; ");
  const sharp =
    r.finished.abv.high <= 15 &&
    r.finished.acid.value > 0.05 &&
    !v.distances.some((d) => d.condition.quantity === "ph");
  return [
    ...(words ? [`${headed(words)}.`] : []),
    ...(sharp ? [`pH ${r.finished.ph.low.toFixed(1)} to ${r.finished.ph.high.toFixed(1)}, estimated.`] : []),
  ];
}

/** How long it keeps once opened, and where. */
export function openedSentence(v: Verdict): string {
  if (!v.openedInCupboard) return `Once opened, ${v.opened.words} in the fridge.`;
  if (v.opened.days >= v.life.days) return "Opened, it keeps as long.";
  const cold = v.openedCold ? `, ${v.openedCold.words} in the fridge` : "";
  return `Once opened, ${v.opened.words} in the cupboard${cold}.`;
}
