import { linesOf } from "../../plan/edit";
import type { Line, Plan } from "../../plan/plan";
import { degreesOf } from "../../plan/read-plan";
import { roleOf } from "../../plan/ways";
import { readAmount } from "../../reading/amounts";
import { readTemperature } from "../../reading/temperatures";
import {
  type Question,
  type Said,
  type School,
  classOf,
  hasStep,
  isHerb,
  mapLines,
  mapSteps,
} from "./school";

const firstPoured = (plan: Plan): string | undefined => {
  const s = plan.steps.find((x) => x.do === "add");
  return s?.do === "add"
    ? s.what.map((l) => roleOf(l)).find((r) => r === "vinegar" || r === "sweet")
    : undefined;
};
const afterCloth = (plan: Plan): readonly Line[] => {
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  return cut < 0 ? [] : plan.steps.slice(cut).flatMap((s) => (s.do === "add" ? s.what : []));
};
const sweetAfter = (plan: Plan): Line | undefined => afterCloth(plan).find((l) => roleOf(l) === "sweet");
const sweetened = (plan: Plan, f: (l: Line) => Line): Plan => {
  const after = new Set(afterCloth(plan));
  return mapLines(plan, (l) => (after.has(l) && roleOf(l) === "sweet" ? f(l) : l));
};

/** Order of the roles in the first step; herbs always stand first. */
const ordered =
  (roles: readonly ("vinegar" | "sweet")[]) =>
  (plan: Plan): Plan => {
    const first = plan.steps.find((s) => s.do === "add");
    const rank = (l: Line): number => (isHerb(l) ? -1 : roles.indexOf(roleOf(l) as "vinegar"));
    return mapSteps(plan, (s) =>
      s === first && s.do === "add" ? { ...s, what: [...s.what].sort((a, b) => rank(a) - rank(b)) } : s,
    );
  };

export const ORDER: Question = {
  id: "order",
  asks: "What goes in first",
  when: (p) => firstPoured(p) !== undefined && !sweetAfter(p),
  schools: [
    {
      id: "vinegar-then-honey",
      name: "vinegar, then honey",
      why: "Thin first: it finds its way between the leaves, and the honey sinks through it.",
      cautious: true,
      holds: (p) => firstPoured(p) === "vinegar",
      make: ordered(["vinegar", "sweet"]),
    },
    {
      id: "honey-then-vinegar",
      name: "honey over the herb, then vinegar",
      why: "For those who want the herb coated first; stirred through the same day.",
      holds: (p) => firstPoured(p) === "sweet",
      make: ordered(["sweet", "vinegar"]),
    },
  ],
};

/** Vinegars that are alive or of no marked strength; the rest are “any”. */
const ALIVE: ReadonlySet<string> = new Set(["cider-vinegar-raw", "home-vinegar"]);
const bottled = (l: Line, material: string): Line => {
  const { strength: _s, took: _t, ...rest } = l;
  return l.material === material ? l : { ...rest, material };
};

export const VINEGAR: Question = {
  id: "vinegar",
  asks: "Which vinegar",
  when: (p) => linesOf(p).some((l) => classOf(l) === "vinegar"),
  schools: [
    {
      id: "any-five",
      name: "any marked 5 % or more",
      why: "The acid keeps it, whatever it was made of.",
      cautious: true,
      holds: (p) => linesOf(p).some((l) => classOf(l) === "vinegar" && !ALIVE.has(l.material)),
      make: (p) => mapLines(p, (l) => (ALIVE.has(l.material) ? bottled(l, "cider-vinegar") : l)),
    },
    {
      id: "raw",
      name: "raw, with its mother",
      why: "For those who want it alive; its strength still wants to be marked on the bottle.",
      holds: (p) => linesOf(p).some((l) => l.material === "cider-vinegar-raw"),
      make: (p) => mapLines(p, (l) => (classOf(l) === "vinegar" ? bottled(l, "cider-vinegar-raw") : l)),
    },
  ],
};

function isAt(p: Plan, text: string, celsius: number): boolean {
  const read = readTemperature(text, degreesOf(p.units));
  return read.ok && Math.abs(read.value - celsius) < 0.6;
}
const coolTo = (celsius: number, fahrenheit: number, said: Omit<Said, "id" | "name">): School => ({
  id: `cool-${celsius}`,
  name: { celsius, fahrenheit },
  ...said,
  holds: (p) => hasStep(p, (s) => s.do === "cool" && isAt(p, s.to, celsius)),
  make: (p) => {
    const to = degreesOf(p.units) === "F" ? `${fahrenheit} °F` : `${celsius} °C`;
    return mapSteps(p, (s) => (s.do === "cool" && !isAt(p, s.to, celsius) ? { ...s, to } : s));
  },
});

export const HONEY_AT: Question = {
  id: "honey-at",
  asks: "Honey into the warm liquid at",
  when: (p) => hasStep(p, (s) => s.do === "cool"),
  schools: [
    coolTo(38, 100, { why: "Blood-warm, for those who want the honey as the bees left it." }),
    coolTo(43, 110, { why: "Warm to the hand; it still mixes easily.", cautious: true }),
    coolTo(46, 115, { why: "A little quicker to stir in." }),
    coolTo(49, 120, { why: "For thick honey on a cold evening." }),
  ],
};

const sweetTo = (id: string, name: string, amount: string, why: string, cautious = false): School => ({
  id,
  name,
  why,
  ...(cautious ? { cautious } : {}),
  holds: (p) => sweetAfter(p)?.amount === amount,
  make: (p) => sweetened(p, (l) => ({ ...l, amount })),
});

export const SWEETENER: Question = {
  id: "sweetener",
  asks: "Sweetener to strained liquid",
  when: (p) => sweetAfter(p) !== undefined,
  schools: [
    sweetTo("half", "½ to 1", "½ of liquid", "For the fridge and the near week; more herb to the spoon."),
    sweetTo("three-quarters", "¾ to 1", "¾ of liquid", "Between the two."),
    sweetTo("one", "1 to 1", "1 of liquid", "The usual; easy to do in the head.", true),
    sweetTo("two", "2 to 1", "2 of liquid", "Thick and long-keeping; the herb is a guest in it."),
    {
      ...sweetTo(
        "cupboard",
        "to cupboard strength",
        "to 67 Bx",
        "Sugar until it keeps itself, boiled and bottled hot.",
      ),
      make: (p) =>
        sweetened(p, (l) => ({
          id: l.id,
          material: classOf(l) === "sugar" ? l.material : "sugar",
          amount: "to 67 Bx",
        })),
    },
  ],
};

const isGoal = (p: Plan, l: Line): boolean => {
  const a = readAmount(l.amount, p.units);
  return a.ok && a.value.kind === "goal";
};
const SWEET: ReadonlySet<string> = new Set(["honey", "sugar", "syrup", "glycerin"]);
const sweetLines = (p: Plan): readonly Line[] => linesOf(p).filter((l) => SWEET.has(classOf(l)));
const sweetOf = ({ id, name, why, cautious }: Said, material: string): School => ({
  id,
  name,
  why,
  ...(cautious ? { cautious } : {}),
  holds: (p) => sweetLines(p).length > 0 && sweetLines(p).every((l) => l.material === material),
  make: (p) =>
    mapLines(p, (l) => (SWEET.has(classOf(l)) && l.material !== material ? poured(l, material) : l)),
});
/** Another bottle in a line's place: what was measured, called or taken from the first is not true of the second. */
const poured = ({ id, amount, optional, note }: Line, material: string): Line => ({
  id,
  material,
  amount,
  ...(optional === undefined ? {} : { optional }),
  ...(note === undefined ? {} : { note }),
});

export const WHICH_SWEETENER: Question = {
  id: "which-sweetener",
  asks: "Sweetened with",
  // A goal holds of the sweetener it was set for: maple syrup cannot be made sweeter than it is.
  when: (p) => sweetLines(p).length > 0 && sweetLines(p).every((l) => !isGoal(p, l)),
  schools: [
    sweetOf(
      {
        id: "honey",
        name: "honey",
        why: "Unboiled, for its own sake; never for a child under one.",
        cautious: true,
      },
      "honey",
    ),
    sweetOf(
      { id: "sugar", name: "white sugar", why: "Sweetens without a taste of its own, and can be boiled." },
      "sugar",
    ),
    sweetOf(
      {
        id: "maple",
        name: "maple syrup",
        why: "For those who keep no honey; it is thinner, so it keeps less well.",
      },
      "maple-syrup",
    ),
    sweetOf(
      { id: "glycerin", name: "glycerin", why: "Sweet without sugar; warming to the tongue." },
      "glycerin",
    ),
  ],
};
