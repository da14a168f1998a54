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

/** Why, with the numbers. */
export function verdictWhy(v: Verdict, r: Reckoning): string[] {
  const out = reasonsOf(v);
  if (v.place === "do-not-keep") return out;
  if (v.distances.length > 0) {
    const words = v.distances.map(distanceWords).join("; ");
    if (words) out.push(`${headed(words)}.`);
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
  if (v.opened.days >= v.life.days) return "Opened, it keeps as long.";
  const cold = v.openedCold ? `, ${v.openedCold.words} in the fridge` : "";
  return `Once opened, ${v.opened.words} in the cupboard${cold}.`;
}
