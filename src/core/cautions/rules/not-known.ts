import { UNNAMED } from "../../material/unnamed";
import type { Resolved } from "../../reckoning/program";
import { EVERYWHERE, type Raised, type Rule, type Situation, beside, names } from "../caution";

const isUnnamed = (l: Resolved): boolean => l.stuff.id === UNNAMED.id;

/** For whom what is in it matters most: those of whom something is written down, or who may be meant by nobody's name. */
function unnamed(s: Situation): readonly Raised[] {
  const l = s.program.lines.find(isUnnamed);
  if (!l) return [];
  const whom = s.meantFor.filter((p) => p.flags.length > 0 || p.allergies.length > 0);
  return [
    {
      severity: whom.length > 0 ? "stop" : "caution",
      says:
        whom.length > 0
          ? `Nobody named all that is in it, so it cannot be told whether ${whom.map((p) => p.name).join(" and ")} may have it.`
          : "Nobody named all that is in it, so nothing can be said of medicines, allergies or carrying a child.",
      todo: "Ask whoever made it, and write down what they say; until then, not for a child, nor for anyone expecting, nursing or on medicine.",
      about: beside(l),
      ...(whom.length > 0 ? { personal: true as const } : {}),
      label: "Not all in it is known: not for children, in pregnancy, or with medicines.",
    },
  ];
}

/** What stood already when it was written down, as far as nobody remembers it. */
export const OF_WHAT_STOOD: readonly Rule[] = [
  {
    id: "unnamed-in-it",
    basis:
      "what nobody named cannot be judged for anybody; the careful answer is the one for those it could harm",
    stages: EVERYWHERE,
    fires: unnamed,
  },
  {
    id: "amount-not-known",
    basis: "a dose is so much of a plant; where that is not known the most there can be is reckoned with",
    stages: ["plan", "bottle"],
    fires: (s) => {
      const lines = s.program.lines.filter((l) => l.amount.kind === "unknown" && !isUnnamed(l));
      return lines.length === 0
        ? []
        : [
            {
              severity: "note",
              says: `How much ${names(lines)} went in is not known.`,
              todo: "It is judged as the most there can be; say how much, if anybody remembers, and it is judged by that.",
            },
          ];
    },
  },
];
