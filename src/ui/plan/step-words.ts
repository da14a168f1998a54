import type { Step, SteepPlace, Wringing } from "@/core/plan/plan";

export const STEP_WORDS: Readonly<Record<Step["do"], string>> = {
  add: "add more",
  simmer: "simmer",
  reduce: "boil down",
  pressure: "cook under pressure",
  steep: "let it stand",
  cool: "cool",
  strain: "strain",
  bottle: "bottle",
};
export const PLACE_WORDS: Readonly<Record<SteepPlace, string>> = {
  "dark-cupboard": "in a dark cupboard",
  counter: "on the counter",
  "sunny-sill": "on a sunny sill",
  fridge: "in the fridge",
};
export const WRINGING_WORDS: Readonly<Record<Wringing, string>> = {
  drained: "left to drip",
  wrung: "wrung in a cloth",
  pressed: "pressed",
};

/** A wait, a heat or a cooling, as it is said over the stove. */
export function stepSentence(s: Exclude<Step, { do: "add" }>): string {
  switch (s.do) {
    case "simmer":
      return `Simmer ${s.for}, lid ${s.lid ?? "on"}.`;
    case "reduce":
      return `Boil down to ${s.to}, lid off.`;
    case "pressure":
      return `Under pressure ${s.for}; let the pressure fall by itself.`;
    case "cool":
      return `Cool to ${s.to}.`;
    case "steep":
      return `Let it stand ${s.for}${s.in ? ` ${PLACE_WORDS[s.in]}` : ""}.`;
    case "strain":
      return "Strain, and measure.";
    case "bottle":
      return s.hot ? "Bottle it hot." : "Bottle it.";
  }
}
