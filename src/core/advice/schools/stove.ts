import type { Line, Plan, Step } from "../../plan/plan";
import { roleOf } from "../../plan/ways";
import { type Question, type Said, type School, lastsAs, mapLines } from "./school";

type Simmer = Extract<Step, { do: "simmer" }>;
/** The simmer that draws the plants: the first, where it comes before the cloth. */
function drawing(p: Plan): Simmer | undefined {
  const at = p.steps.findIndex((s) => s.do === "simmer" || s.do === "strain");
  const s = p.steps[at];
  return s?.do === "simmer" ? s : undefined;
}

const simmered = (id: string, lasts: string, why: string, cautious = false): School => ({
  id,
  name: lasts,
  why,
  ...(cautious ? { cautious } : {}),
  holds: (p) => lastsAs(drawing(p)?.for, lasts),
  make: (p) => {
    const mine = drawing(p);
    if (!mine || lastsAs(mine.for, lasts)) return p;
    return {
      ...p,
      steps: p.steps.map((s) => (s.id === mine.id && s.do === "simmer" ? { ...s, for: lasts } : s)),
    };
  },
});

export const SIMMER_TIME: Question = {
  id: "simmer-time",
  asks: "How long it simmers",
  when: (p) => drawing(p) !== undefined,
  schools: [
    simmered("ten", "10 min", "For leaves, flowers and whatever gives its scent to the steam."),
    simmered("fifteen", "15 min", "For small berries and thin bark."),
    simmered("twenty", "20 min", "The usual for a mixed pot."),
    simmered(
      "thirty",
      "30 min",
      "For roots, bark and berries; what is not to be had raw is well cooked.",
      true,
    ),
    simmered("forty-five", "45 min", "For thick roots, when there is time."),
    simmered("hour", "1 hour", "For hard roots and whole bark; more water boils away, so it is watched."),
  ],
};

/** The water that goes in with the plants, before the cloth. */
function water(p: Plan): Line | undefined {
  const cut = p.steps.findIndex((s) => s.do === "strain");
  const before = cut < 0 ? p.steps : p.steps.slice(0, cut);
  return before.flatMap((s) => (s.do === "add" ? s.what : [])).find((l) => roleOf(l) === "water");
}
const toWater = ({ id, name, why, cautious }: Said, amount: string): School => ({
  id,
  name,
  why,
  ...(cautious ? { cautious } : {}),
  holds: (p) => water(p)?.amount.replaceAll(" ", "") === amount,
  make: (p) => mapLines(p, (l) => (l.id === water(p)?.id ? { ...l, amount } : l)),
});

const cooked = (p: Plan): boolean => {
  const at = p.steps.findIndex((s) => s.do === "simmer" || s.do === "pressure");
  return at >= 0 && p.steps.slice(at).some((s) => s.do === "strain");
};

export const PLANT_TO_WATER: Question = {
  id: "plant-to-water",
  asks: "Plant to water, by weight",
  when: (p) => cooked(p) && water(p) !== undefined,
  schools: [
    toWater(
      {
        id: "one-to-four",
        name: "1 to 4",
        why: "Strong; dried roots drink much of it, so it wants watching.",
      },
      "1:4",
    ),
    toWater(
      { id: "one-to-six", name: "1 to 6", why: "Between the two; little need to boil it down." },
      "1:6",
    ),
    toWater(
      {
        id: "one-to-eight",
        name: "1 to 8",
        why: "Covers most dried plants with room to swell.",
        cautious: true,
      },
      "1:8",
    ),
    toWater(
      { id: "one-to-ten", name: "1 to 10", why: "For light leaves and flowers, or to boil down after." },
      "1:10",
    ),
    toWater(
      { id: "one-to-sixteen", name: "1 to 16", why: "As a tea is made, then boiled down by half." },
      "1:16",
    ),
  ],
};
