import { linesOf } from "../../plan/edit";
import type { Line, Plan } from "../../plan/plan";
import { PEELED, isPeeled } from "../../plan/peeled";
import { type Question, type School, classOf, isFresh, mapLines } from "./school";

const PEELABLE: ReadonlySet<string> = new Set(["root", "vegetable"]);
const hasSkin = (l: Line): boolean => PEELABLE.has(classOf(l)) && isFresh(l);
const skins = (p: Plan): readonly Line[] => linesOf(p).filter(hasSkin);

/** A note with a word more or fewer; what else was typed stays as it is. */
function noted(l: Line, peeled: boolean): Line {
  if (isPeeled(l) === peeled) return l;
  const { note, ...rest } = l;
  if (peeled) return { ...rest, note: [note, PEELED].filter(Boolean).join(", ") };
  const left = (note ?? "")
    .split(",")
    .filter((x) => x.trim().toLowerCase() !== PEELED)
    .join(",")
    .trim();
  return left ? { ...rest, note: left } : rest;
}

const school = (id: string, name: string, why: string, peeled: boolean, cautious = false): School => ({
  id,
  name,
  why,
  ...(cautious ? { cautious } : {}),
  holds: (p) => skins(p).length > 0 && skins(p).every((l) => isPeeled(l) === peeled),
  make: (p) => mapLines(p, (l) => (hasSkin(l) ? noted(l, peeled) : l)),
});

/** Changes no figure: the amount is what goes in, with its skin or without. */
export const PEEL: Question = {
  id: "peel",
  asks: "Roots go in",
  when: (p) => skins(p).length > 0,
  schools: [
    school(
      "in-skin",
      "scrubbed, in their skin",
      "Less work, and much of the scent lies under the skin.",
      false,
    ),
    school("peeled", "peeled", "Old or muddy skins hold soil, and soil is what spoils a jar.", true, true),
  ],
};
