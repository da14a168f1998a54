import { linesOf } from "../../plan/edit";
import type { Line, Plan } from "../../plan/plan";
import { readAmount } from "../../reading/amounts";
import { reformed } from "../../reckoning/restate";
import { resolve } from "../../reckoning/resolve";
import { herbsWeighed } from "../wished";
import { type Question, type Said, type School, formOf, isFresh, isHerb, mapLines } from "./school";

const herbsOf = (p: Plan): readonly Line[] => linesOf(p).filter(isHerb);
const kindOf = (p: Plan, l: Line): string | undefined => {
  const a = readAmount(l.amount, p.units);
  return a.ok ? a.value.kind : undefined;
};
const isWeighed = (p: Plan, l: Line): boolean => {
  const a = readAmount(l.amount, p.units);
  return a.ok && a.value.kind === "measure" && a.value.dimension === "mass";
};

const shares = (said: Said, amount: (l: Line) => string): School => ({
  ...said,
  holds: (p) => herbsOf(p).length > 0 && herbsOf(p).every((l) => l.amount === amount(l)),
  make: (p) => mapLines(p, (l) => (isHerb(l) ? { ...l, amount: amount(l) } : l)),
});

const inForm =
  (form: "fresh" | "wilted" | "dried") =>
  (plan: Plan): Plan =>
    mapLines(plan, (l) => {
      if (!isHerb(l) || formOf(l) === form) return l;
      const r = reformed(l, { form }, plan.units, { partMl: undefined, vessel: undefined });
      return r.ok ? r.value : l;
    });

export const HERB_SHARE: Question = {
  id: "herb-share",
  asks: "How much herb",
  when: (p) => herbsOf(p).length > 0 && !linesOf(p).some((l) => kindOf(p, l) === "ratio"),
  schools: [
    shares(
      {
        id: "third-or-half",
        name: "a third of the jar dried, half of it fresh",
        why: "For those who fill by eye and want it neither thin nor dry.",
        cautious: true,
      },
      (l) => (isFresh(l) ? "½ jar" : "⅓ jar"),
    ),
    shares(
      {
        id: "loose-jar",
        name: "a loosely filled jar",
        why: "For leaves and flowers that sink together; dense roots would leave no room.",
      },
      (l) => (isFresh(l) ? "¾ jar" : "½ jar"),
    ),
    {
      ...shares(
        {
          id: "one-part",
          name: "a part of the ratio",
          why: "For those who think herb, vinegar and honey in one breath: 1 : 1 : 2.",
        },
        () => "1 part",
      ),
      fits: (p) => linesOf(p).some((l) => !isHerb(l) && kindOf(p, l) === "part"),
    },
    {
      id: "by-weight",
      name: "by weight",
      why: "For those who want the next jar to be this one again, and own a scale.",
      holds: (p) => herbsOf(p).length > 0 && herbsOf(p).every((l) => isWeighed(p, l)),
      make: (p) => {
        const program = resolve(p);
        return program.ok ? herbsWeighed(p, program.value, "weighed") : p;
      },
    },
  ],
};

export const PLANT_IN_HONEY: Question = {
  id: "plant-in-honey",
  asks: "The plant in honey",
  when: (p) => herbsOf(p).length > 0,
  schools: [
    {
      id: "dried",
      name: "dried only",
      why: "Brings no water, so the honey keeps itself.",
      cautious: true,
      holds: (p) => herbsOf(p).every((l) => formOf(l) === "dried" || formOf(l) === "powdered"),
      make: inForm("dried"),
    },
    {
      id: "wilted",
      name: "wilted a day",
      why: "Some of the water leaves first; it still thins and may bubble.",
      holds: (p) => herbsOf(p).every((l) => formOf(l) === "wilted"),
      make: inForm("wilted"),
    },
    {
      id: "fresh",
      name: "fresh",
      why: "For the scent of the garden; thinned honey works cold and is let out.",
      holds: (p) => herbsOf(p).every(isFresh),
      make: inForm("fresh"),
    },
  ],
};
