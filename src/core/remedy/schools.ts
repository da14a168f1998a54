import { MATERIALS } from "../material/catalogue";
import { stuffOf } from "../material/material";
import { linesOf } from "./lines";
import type { Kind, Line, Plan, Step } from "./plan";
import { reformed } from "./restate";
import { resolve } from "./resolve";
import { roleOf } from "./ways";
import { herbsWeighed } from "./whatif";

/** One answer to a question makers disagree on: who holds with it and why, in one sentence. */
export interface School {
  readonly id: string;
  readonly name: string;
  readonly why: string;
  /** The one taken unless the maker says otherwise. */
  readonly cautious?: boolean;
  /** Whether it can be said of this plan at all. */
  readonly fits?: (plan: Plan) => boolean;
  readonly holds: (plan: Plan) => boolean;
  readonly make: (plan: Plan) => Plan;
}

export interface Question {
  readonly id: string;
  readonly asks: string;
  readonly kinds: readonly Kind[];
  /** Whether it makes a difference to this plan. */
  readonly when?: (plan: Plan) => boolean;
  readonly schools: readonly School[];
}

const classOf = (l: Line): string => MATERIALS.get(l.material)?.row.class ?? "";
const isHerb = (l: Line): boolean => roleOf(l) === "herb";
const mapLines = (plan: Plan, f: (l: Line) => Line): Plan => ({ ...plan, steps: plan.steps.map((s): Step => (s.do === "add" ? { ...s, what: s.what.map(f) } : s)) });
const mapSteps = (plan: Plan, f: (s: Step) => Step): Plan => ({ ...plan, steps: plan.steps.map(f) });
const hasStep = (plan: Plan, test: (s: Step) => boolean): boolean => plan.steps.some(test);
const formOf = (l: Line): string | undefined => {
  const m = MATERIALS.get(l.material);
  const s = m ? stuffOf(m, { form: l.form, cut: l.cut }) : undefined;
  return s?.ok ? s.value.form : undefined;
};
const isFresh = (l: Line): boolean => formOf(l) === "fresh" || formOf(l) === "frozen";
const longSteep = (s: Step): s is Extract<Step, { do: "steep" }> => s.do === "steep" && /day|week|month/i.test(s.for);

const shaking = (id: NonNullable<Plan["shake"]>, name: string, why: string, cautious = false): School => ({ id, name, why, ...(cautious ? { cautious } : {}), holds: (p) => (p.shake ?? "daily") === id, make: (p) => ({ ...p, shake: id }) });
const coolTo = (toC: number, name: string, why: string, cautious = false): School => ({ id: `cool-${toC}`, name, why, ...(cautious ? { cautious } : {}), holds: (p) => hasStep(p, (s) => s.do === "cool" && s.toC === toC), make: (p) => mapSteps(p, (s) => (s.do === "cool" ? { ...s, toC } : s)) });
const steeping = (id: string, length: string, why: string, cautious = false): School => ({ id, name: length, why, ...(cautious ? { cautious } : {}), holds: (p) => hasStep(p, (s) => longSteep(s) && s.for === length), make: (p) => mapSteps(p, (s) => (longSteep(s) ? { ...s, for: length } : s)) });
const standing = (id: NonNullable<Extract<Step, { do: "steep" }>["in"]>, name: string, why: string, cautious = false): School => ({ id, name, why, ...(cautious ? { cautious } : {}), holds: (p) => hasStep(p, (s) => longSteep(s) && (s.in ?? "dark-cupboard") === id), make: (p) => mapSteps(p, (s) => (longSteep(s) ? { ...s, in: id } : s)) });
const shares = (id: string, name: string, why: string, amount: (l: Line) => string, cautious = false): School => ({ id, name, why, ...(cautious ? { cautious } : {}), holds: (p) => linesOf(p).some(isHerb) && linesOf(p).filter(isHerb).every((l) => l.amount === amount(l)), make: (p) => mapLines(p, (l) => (isHerb(l) ? { ...l, amount: amount(l) } : l)) });
const afterwards = (plan: Plan, f: (l: Line) => Line): Plan => {
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  return { ...plan, steps: plan.steps.map((s, i): Step => (i > cut && s.do === "add" ? { ...s, what: s.what.map((l) => (roleOf(l) === "sweet" ? f(l) : l)) } : s)) };
};
const sweetAfter = (plan: Plan): Line | undefined => {
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  return cut < 0 ? undefined : plan.steps.slice(cut).flatMap((s) => (s.do === "add" ? s.what : [])).find((l) => roleOf(l) === "sweet");
};
const sweetTo = (id: string, name: string, amount: string, why: string, cautious = false): School => ({ id, name, why, ...(cautious ? { cautious } : {}), holds: (p) => sweetAfter(p)?.amount === amount, make: (p) => afterwards(p, (l) => ({ ...l, amount })) });
const inForm = (form: "fresh" | "wilted" | "dried") => (plan: Plan): Plan =>
  mapLines(plan, (l) => {
    if (!isHerb(l) || formOf(l) === form) return l;
    const r = reformed(l, { form }, plan.units, { partMl: undefined, vessel: undefined });
    return r.ok ? r.value : l;
  });
/** Order of the roles in the first step; herbs always stand first. */
const ordered = (roles: readonly ("vinegar" | "sweet")[]) => (plan: Plan): Plan => {
  const at = plan.steps.findIndex((s) => s.do === "add");
  return mapSteps(plan, (s) => {
    if (s !== plan.steps[at] || s.do !== "add") return s;
    const rank = (l: Line): number => (isHerb(l) ? -1 : roles.indexOf(roleOf(l) as "vinegar"));
    return { ...s, what: [...s.what].sort((a, b) => rank(a) - rank(b)) };
  });
};
const firstPoured = (plan: Plan): string | undefined => {
  const s = plan.steps.find((x) => x.do === "add");
  return s?.do === "add" ? s.what.map(roleOf).find((r) => r === "vinegar" || r === "sweet") : undefined;
};
const takenAs = (id: string, name: string, words: string, why: string, cautious = false): School => ({ id, name, why, ...(cautious ? { cautious } : {}), holds: (p) => (p.taken ?? "") === words, make: (p) => { const { taken: _, ...rest } = p; return words === "" ? rest : { ...rest, taken: words }; } });
const garlicIs = (p: Plan): Line | undefined => linesOf(p).find((l) => l.material === "garlic");
const garlic = (id: string, name: string, why: string, cut: Line["cut"], late: boolean, cautious = false): School => ({
  id, name, why, ...(cautious ? { cautious } : {}),
  holds: (p) => {
    const l = garlicIs(p);
    const heat = p.steps.findIndex((s) => s.do === "simmer");
    const at = p.steps.findIndex((s) => s.do === "add" && s.what.includes(l!));
    return l !== undefined && (l.cut ?? "chopped") === cut && (heat >= 0 && at > heat) === late;
  },
  make: (p) => {
    const l = garlicIs(p);
    if (!l) return p;
    const own = { ...l, cut };
    const without: Plan = { ...p, steps: p.steps.map((s): Step => (s.do === "add" ? { ...s, what: s.what.filter((x) => x !== l) } : s)) };
    const heat = without.steps.findIndex((s) => s.do === "simmer");
    if (!late || heat < 0) {
      const first = without.steps.findIndex((s) => s.do === "add");
      return { ...without, steps: without.steps.filter((s, i) => i === first || s.do !== "add" || s.what.length > 0).map((s, i): Step => (i === first && s.do === "add" ? { ...s, what: [own, ...s.what] } : s)) };
    }
    // Off the heat: in after the simmer, to steep a little before the cloth.
    return { ...without, steps: [...without.steps.slice(0, heat + 1), { do: "add", what: [own] }, { do: "steep", for: "10 min" }, ...without.steps.slice(heat + 1)] };
  },
});

export const QUESTIONS: readonly Question[] = [
  {
    id: "herb-share", asks: "How much herb", kinds: ["oxymel", "vinegar", "honey", "tincture", "fire-cider"], when: (p) => linesOf(p).some(isHerb) && !linesOf(p).some((l) => /^1\s*:/.test(l.amount)),
    schools: [
      shares("third-or-half", "a third of the jar dried, half of it fresh", "For those who fill by eye and want it neither thin nor dry.", (l) => (isFresh(l) ? "½ jar" : "⅓ jar"), true),
      shares("loose-jar", "a loosely filled jar", "For leaves and flowers that sink together; dense roots would leave no room.", (l) => (isFresh(l) ? "¾ jar" : "½ jar")),
      { ...shares("one-part", "a part of the ratio", "For those who think herb, vinegar and honey in one breath: 1 : 1 : 2.", () => "1 part"), fits: (p) => linesOf(p).some((l) => !isHerb(l) && /\bparts?\b/.test(l.amount)) },
      {
        id: "by-weight", name: "by weight", why: "For those who want the next jar to be this one again, and own a scale.",
        holds: (p) => linesOf(p).some(isHerb) && linesOf(p).filter(isHerb).every((l) => /\d\s*k?g$/.test(l.amount)),
        make: (p) => {
          const program = resolve(p);
          return program.ok ? herbsWeighed(p, program.value, "weighed") : p;
        },
      },
    ],
  },
  {
    id: "order", asks: "What goes in first", kinds: ["oxymel"], when: (p) => firstPoured(p) !== undefined && !sweetAfter(p),
    schools: [
      { id: "vinegar-then-honey", name: "vinegar, then honey", why: "Thin first: it finds its way between the leaves, and the honey sinks through it.", cautious: true, holds: (p) => firstPoured(p) === "vinegar", make: ordered(["vinegar", "sweet"]) },
      { id: "honey-then-vinegar", name: "honey over the herb, then vinegar", why: "For those who want the herb coated first; stirred through the same day.", holds: (p) => firstPoured(p) === "sweet", make: ordered(["sweet", "vinegar"]) },
    ],
  },
  {
    id: "vinegar", asks: "Which vinegar", kinds: ["oxymel", "fire-cider", "vinegar"], when: (p) => linesOf(p).some((l) => classOf(l) === "vinegar"),
    schools: [
      { id: "any-five", name: "any marked 5 % or more", why: "The acid keeps it, whatever it was made of.", cautious: true, holds: (p) => linesOf(p).some((l) => classOf(l) === "vinegar" && l.material !== "cider-vinegar-raw" && l.material !== "home-vinegar"), make: (p) => mapLines(p, (l) => (l.material === "cider-vinegar-raw" || l.material === "home-vinegar" ? { ...l, material: "cider-vinegar" } : l)) },
      { id: "raw", name: "raw, with its mother", why: "For those who want it alive; its strength still wants to be marked on the bottle.", holds: (p) => linesOf(p).some((l) => l.material === "cider-vinegar-raw"), make: (p) => mapLines(p, (l) => (classOf(l) === "vinegar" ? { ...l, material: "cider-vinegar-raw" } : l)) },
    ],
  },
  {
    id: "cider-steep", asks: "How long a fire cider stands", kinds: ["fire-cider"], when: (p) => hasStep(p, longSteep),
    schools: [
      steeping("two-weeks", "2 weeks", "For those who cannot wait, and who chop small."),
      steeping("three-to-four-weeks", "3–4 weeks", "The common middle: most of what will come out has."),
      steeping("thirty-days", "30 days", "For those who mark it on the wall: made on the first, strained on the last."),
      steeping("month", "4 weeks", "A round month.", true),
      steeping("six-weeks", "6 weeks", "For whole roots and the patient."),
    ],
  },
  {
    id: "shaking", asks: "How often it is shaken", kinds: ["oxymel", "fire-cider", "vinegar", "tincture", "honey"], when: (p) => hasStep(p, longSteep),
    schools: [shaking("twice-daily", "twice a day", "For those who pass the shelf morning and night anyway."), shaking("daily", "daily", "Nothing settles dry, and a missed day is no matter.", true), shaking("every-few-days", "every few days", "Enough once the herb has sunk."), shaking("when-remembered", "when remembered", "The jar forgives it; a floating herb does not.")],
  },
  {
    id: "place", asks: "Where it stands", kinds: ["oxymel", "fire-cider", "vinegar", "tincture", "honey"], when: (p) => hasStep(p, longSteep),
    schools: [standing("dark-cupboard", "dark cupboard", "Colour and scent fade in light.", true), standing("counter", "on the counter", "Where it is seen it is shaken."), standing("sunny-sill", "sunny sill", "Warmth thins honey and draws it sooner; vinegar and syrup spoil of it."), standing("fridge", "fridge", "Where nothing else keeps it while it works.")],
  },
  {
    id: "honey-at", asks: "Honey into the warm liquid at", kinds: ["syrup", "oxymel"], when: (p) => hasStep(p, (s) => s.do === "cool"),
    schools: [coolTo(38, "38 °C", "Blood-warm, for those who want the honey as the bees left it."), coolTo(43, "43 °C", "Warm to the hand; it still mixes easily.", true), coolTo(46, "46 °C", "A little quicker to stir in."), coolTo(49, "49 °C", "For thick honey on a cold evening.")],
  },
  {
    id: "sweetener", asks: "Sweetener to strained liquid", kinds: ["syrup", "oxymel", "fire-cider"], when: (p) => sweetAfter(p) !== undefined,
    schools: [
      sweetTo("half", "½ to 1", "½ of liquid", "For the fridge and the near week; more herb to the spoon."),
      sweetTo("three-quarters", "¾ to 1", "¾ of liquid", "Between the two."),
      sweetTo("one", "1 to 1", "1 of liquid", "The usual; easy to do in the head.", true),
      sweetTo("two", "2 to 1", "2 of liquid", "Thick and long-keeping; the herb is a guest in it."),
      { ...sweetTo("cupboard", "to cupboard strength", "to 67 Bx", "Sugar until it keeps itself, boiled and bottled hot."), make: (p) => afterwards(p, (l) => ({ material: classOf(l) === "sugar" ? l.material : "sugar", amount: "to 67 Bx" })) },
    ],
  },
  {
    id: "garlic", asks: "Garlic goes in", kinds: ["oxymel", "fire-cider", "syrup", "vinegar"], when: (p) => garlicIs(p) !== undefined,
    schools: [
      garlic("crushed", "crushed, and rested ten minutes", "Crushing starts what makes garlic sharp; resting lets it finish.", "crushed", false, true),
      garlic("whole", "whole", "Mild, and easy to lift out again.", "whole", false),
      garlic("late", "off the heat, at the end", "Boiled garlic is soup; added last it keeps its bite.", "crushed", true),
    ],
  },
  {
    id: "plant-in-honey", asks: "The plant in honey", kinds: ["honey"], when: (p) => linesOf(p).some(isHerb),
    schools: [
      { id: "dried", name: "dried only", why: "Brings no water, so the honey keeps itself.", cautious: true, holds: (p) => linesOf(p).filter(isHerb).every((l) => formOf(l) === "dried" || formOf(l) === "powdered"), make: inForm("dried") },
      { id: "wilted", name: "wilted a day", why: "Some of the water leaves first; it still thins and may bubble.", holds: (p) => linesOf(p).filter(isHerb).every((l) => formOf(l) === "wilted"), make: inForm("wilted") },
      { id: "fresh", name: "fresh", why: "For the scent of the garden; thinned honey works cold and is let out.", holds: (p) => linesOf(p).filter(isHerb).every(isFresh), make: inForm("fresh") },
    ],
  },
  {
    id: "taking", asks: "How it is taken", kinds: ["syrup", "oxymel", "fire-cider", "honey", "vinegar", "tincture"],
    schools: [
      takenAs("unsaid", "left unsaid", "", "The maker knows, and writes it on the label by hand.", true),
      takenAs("daily", "daily through the cold season", "A spoonful a day through the cold season.", "For those who hold that habit is half of it."),
      takenAs("first-signs", "only at first signs, then rest", "At first signs, for a few days, then rest.", "For those who keep it for when it is wanted; the log counts the days."),
    ],
  },
];

/** The questions that make a difference to a plan, each with the schools that can be said of it. */
export const questionsFor = (plan: Plan): readonly Question[] => QUESTIONS.filter((q) => q.kinds.includes(plan.kind) && (q.when?.(plan) ?? true)).map((q) => ({ ...q, schools: q.schools.filter((s) => s.fits?.(plan) ?? true) }));

/** The school a plan follows on a question; nothing where it goes its own way. */
export const schoolOf = (q: Question, plan: Plan): School | undefined => q.schools.find((s) => s.holds(plan));
