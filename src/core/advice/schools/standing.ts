import type { Kind, Plan } from "../../plan/plan";
import { VESSELS } from "../../vessel/catalogue";
import type { Lid } from "../../vessel/vessel";
import {
  type Question,
  type Said,
  type School,
  hasStep,
  lastsAs,
  longSteep,
  mapSteps,
  ofSteep,
} from "./school";

const stands = (p: Plan): boolean => hasStep(p, longSteep);
const shaken = (id: NonNullable<Plan["shake"]>, said: Omit<Said, "id">): School => ({
  id,
  ...said,
  holds: (p) => (p.shake ?? "daily") === id,
  make: (p) => ({ ...p, shake: id }),
});
const inPlace = (
  id: "dark-cupboard" | "counter" | "sunny-sill" | "fridge",
  name: string,
  why: string,
  cautious = false,
): School => ofSteep({ id, name, why, ...(cautious ? { cautious } : {}) }, "in", id, "dark-cupboard");
/** A length of the long steep, for the kinds it is a custom of. */
const long = (
  id: string,
  lasts: string,
  kinds: readonly Kind[] | "all",
  why: string,
  cautious = false,
): School => ({
  id,
  name: lasts,
  why,
  ...(cautious ? { cautious } : {}),
  fits: (p) => kinds === "all" || kinds.includes(p.kind),
  holds: (p) => hasStep(p, (s) => longSteep(s) && lastsAs(s.for, lasts)),
  make: (p) => mapSteps(p, (s) => (longSteep(s) && !lastsAs(s.for, lasts) ? { ...s, for: lasts } : s)),
});

export const STEEP_TIME: Question = {
  id: "steep-time",
  asks: "How long it stands",
  when: stands,
  schools: [
    long("one-week", "1 week", ["honey"], "For dried flowers in warm honey; the scent comes first."),
    long("two-weeks", "2 weeks", "all", "For those who cannot wait, and who chop small."),
    long(
      "three-to-four-weeks",
      "3–4 weeks",
      ["fire-cider", "oxymel", "vinegar"],
      "The common middle: most of what will come out has.",
    ),
    long(
      "thirty-days",
      "30 days",
      ["fire-cider"],
      "For those who mark it on the wall: made on the first, strained on the last.",
    ),
    long("month", "4 weeks", "all", "A round month.", true),
    long(
      "five-weeks",
      "5 weeks",
      ["tincture"],
      "For glycerin and vinegar, which draw more slowly than spirit.",
    ),
    long("six-weeks", "6 weeks", "all", "For whole roots and the patient."),
    long(
      "three-months",
      "3 months",
      ["vinegar", "fire-cider", "tincture"],
      "For barks and roots forgotten on purpose; tasted now and then.",
    ),
  ],
};

export const SHAKING: Question = {
  id: "shaking",
  asks: "How often it is shaken",
  when: stands,
  schools: [
    shaken("twice-daily", {
      name: "twice a day",
      why: "For those who pass the shelf morning and night anyway.",
    }),
    shaken("daily", {
      name: "daily",
      why: "Nothing settles dry, and a missed day is no matter.",
      cautious: true,
    }),
    shaken("every-few-days", { name: "every few days", why: "Enough once the herb has sunk." }),
    shaken("when-remembered", {
      name: "when remembered",
      why: "The jar forgives it; a floating herb does not.",
    }),
  ],
};

export const PLACE: Question = {
  id: "place",
  asks: "Where it stands",
  when: stands,
  schools: [
    inPlace("dark-cupboard", "dark cupboard", "Colour and scent fade in light.", true),
    inPlace("counter", "on the counter", "Where it is seen it is shaken."),
    inPlace(
      "sunny-sill",
      "sunny sill",
      "Warmth thins honey and draws it sooner; vinegar and syrup spoil of it.",
    ),
    inPlace("fridge", "fridge", "Where nothing else keeps it while it works."),
  ],
};

/** The lid put on it: the plan's own word, or the vessel's. */
function lidOf(p: Plan): Lid | undefined {
  if (p.lid) return p.lid;
  return typeof p.vessel === "string" ? VESSELS.get(p.vessel)?.lid : p.vessel?.lid;
}
const under = ({ id, name, why, cautious }: Said, lid: Lid): School => ({
  id,
  name,
  why,
  ...(cautious ? { cautious } : {}),
  holds: (p) => lidOf(p) === lid,
  make: (p) => {
    if (lidOf(p) === lid) return p;
    const { lid: _, ...rest } = p;
    return lidOf(rest) === lid ? rest : { ...rest, lid };
  },
});

export const LID: Question = {
  id: "lid",
  asks: "What closes it",
  when: (p) => stands(p) && p.vessel !== undefined,
  schools: [
    under(
      {
        id: "plastic",
        name: "a plastic lid",
        why: "Vinegar does not eat it, and it comes off again.",
        cautious: true,
      },
      "plastic",
    ),
    under(
      {
        id: "glass",
        name: "glass with a rubber ring",
        why: "Nothing but glass touches it; a clip lets gas out before it bursts.",
      },
      "glass",
    ),
    under(
      {
        id: "coated",
        name: "a coated metal lid, paper under it",
        why: "What comes with the jar; the paper keeps sour steam off the metal.",
      },
      "coated-metal",
    ),
    under({ id: "cork", name: "a cork", why: "For narrow necks; it lifts rather than burst." }, "cork"),
    under(
      {
        id: "airlock",
        name: "an airlock",
        why: "For fresh plants in honey that may bubble: gas leaves, nothing comes in.",
      },
      "airlock",
    ),
    under(
      {
        id: "cloth",
        name: "a cloth, tied",
        why: "Lets everything breathe, and scent and spirit with it; flies stay out.",
      },
      "cloth",
    ),
  ],
};
