import { readMeasured } from "../../reading/amounts";
import { readReduction } from "../../reading/reductions";
import type { Token } from "../../reading/tokens";
import type { UnitSystem } from "../../quantity/units";

/** A reduction behind “reduce”: “by half”, “to 2 cups”, “to a third”; or before “remains”. */
export function reductionFrom(
  t: readonly Token[],
  i: number,
  text: string,
  system: UnitSystem,
): string | undefined {
  if (t[i]?.low === "halved") return "by half";
  for (let k = i; k < Math.min(t.length, i + 8); k++) {
    if (t[k]!.low !== "by" && t[k]!.low !== "to") continue;
    const hedge = ["almost", "about", "nearly", "roughly", "around"].includes(t[k + 1]?.low ?? "");
    if (hedge) {
      for (let end = Math.min(t.length, k + 7); end > k + 2; end--) {
        const said = `${t[k]!.text} ${text.slice(t[k + 2]!.from, t[end - 1]!.to)}`;
        if (readReduction(said, system).ok) return said;
      }
      continue;
    }
    for (let end = Math.min(t.length, k + 6); end > k + 1; end--) {
      const said = text.slice(t[k]!.from, t[end - 1]!.to);
      if (readReduction(said, system).ok) return said;
    }
  }
  return undefined;
}

/** “until half remains”, “until half is left”. */
export function leftOver(
  t: readonly Token[],
  i: number,
  text: string,
  system: UnitSystem,
): string | undefined {
  if (t[i]?.low !== "until" && t[i]?.low !== "till") return undefined;
  for (let k = i + 2; k < Math.min(t.length, i + 9); k++) {
    if (!["remains", "remain", "left", "remaining"].includes(t[k]!.low)) continue;
    const end = ["is", "are", "of"].includes(t[k - 1]!.low) ? k - 1 : k;
    for (let from = i + 1; from < end; from++) {
      const said = `to ${text.slice(t[from]!.from, t[end - 1]!.to)}`;
      if (readReduction(said, system).ok) return said;
    }
  }
  return undefined;
}

/** A measured amount right behind a word: “losing 5 mL”. */
export function amountBehind(
  text: string,
  t: readonly Token[],
  i: number,
  system: UnitSystem,
): string | undefined {
  for (let end = Math.min(t.length, i + 4); end > i; end--) {
    const said = text.slice(t[i]!.from, t[end - 1]!.to);
    if (readMeasured(said, system).ok) return said;
  }
  return undefined;
}
