import { plantsStay } from "../../reckoning/facts";
import type { Rule } from "../caution";

/** An end without a cloth. */
export const STAYS_IN: readonly Rule[] = [
  {
    id: "plants-stay",
    basis:
      "what stands above the liquid is in the air, where mould begins; a wet spoon brings water and what lives in it",
    stages: ["bottle", "label"],
    fires: (s) =>
      plantsStay(s.program)
        ? [
            {
              severity: "note",
              says: "The plants stay in it.",
              todo: "Keep them under; take from it with a clean dry spoon; top it up, or strain it, when they stand above.",
              about: { what: "whole" },
              label: "Plants in it: keep them under; clean dry spoon.",
            },
          ]
        : [],
  },
];
