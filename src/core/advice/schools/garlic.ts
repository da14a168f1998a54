import type { Cut } from "../../material/classes";
import { linesOf, naming, tidied, withAdded, without } from "../../plan/edit";
import type { Line, Plan, Step } from "../../plan/plan";
import type { Question, Said, School } from "./school";

const garlicIn = (p: Plan): Line | undefined => linesOf(p).find((l) => l.material === "garlic");
const heatOf = (p: Plan): number => p.steps.findIndex((s) => s.do === "simmer" || s.do === "pressure");
const isLate = (p: Plan, l: Line): boolean => {
  const heat = heatOf(p);
  return heat >= 0 && p.steps.findIndex((s) => s.do === "add" && s.what.some((x) => x.id === l.id)) > heat;
};

/** In with everything else, at the head of the first step. */
function early(p: Plan, own: Line): Plan {
  const first = p.steps.find((s) => s.do === "add");
  const steps = p.steps.map((s): Step =>
    s === first && s.do === "add" ? { ...s, what: [own, ...s.what] } : s,
  );
  return first ? tidied({ ...p, steps }) : withAdded(p, own);
}

/** Off the heat: in after the simmer, to steep a little before the cloth. */
function offTheHeat(p: Plan, own: Line): Plan {
  const named = naming(p, (n): Step[] => [
    { id: n.next(), do: "add", what: [own] },
    { id: n.next(), do: "steep", for: "10 min" },
  ]);
  return { ...p, ids: named.ids, steps: p.steps.toSpliced(heatOf(p) + 1, 0, ...named.made) };
}

const garlic = (said: Said, cut: Cut, late: boolean): School => ({
  ...said,
  holds: (p) => {
    const l = garlicIn(p);
    return l !== undefined && (l.cut ?? "chopped") === cut && isLate(p, l) === late;
  },
  make: (p) => {
    const l = garlicIn(p);
    // What is so already stays where it is, or each choosing would add a step more.
    if (!l || ((l.cut ?? "chopped") === cut && isLate(p, l) === late)) return p;
    const own = { ...l, cut };
    const bare = without(p, l.id);
    return late && heatOf(bare) >= 0 ? offTheHeat(bare, own) : early(bare, own);
  },
});

export const GARLIC: Question = {
  id: "garlic",
  asks: "Garlic goes in",
  when: (p) => garlicIn(p) !== undefined,
  schools: [
    garlic(
      {
        id: "crushed",
        name: "crushed, and rested ten minutes",
        why: "Crushing starts what makes garlic sharp; resting lets it finish.",
        cautious: true,
      },
      "crushed",
      false,
    ),
    garlic({ id: "whole", name: "whole", why: "Mild, and easy to lift out again." }, "whole", false),
    {
      ...garlic(
        {
          id: "late",
          name: "off the heat, at the end",
          why: "Boiled garlic is soup; added last it keeps its bite.",
        },
        "crushed",
        true,
      ),
      fits: (p) => heatOf(p) >= 0,
    },
  ],
};
