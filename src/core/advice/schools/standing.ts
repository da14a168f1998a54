import type { Plan } from "../../plan/plan";
import { type Question, type Said, type School, hasStep, longSteep, ofSteep } from "./school";

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
const long = (id: string, lasts: string, why: string, cautious = false): School =>
  ofSteep({ id, name: lasts, why, ...(cautious ? { cautious } : {}) }, "for", lasts);

export const CIDER_STEEP: Question = {
  id: "cider-steep",
  asks: "How long a fire cider stands",
  when: stands,
  schools: [
    long("two-weeks", "2 weeks", "For those who cannot wait, and who chop small."),
    long("three-to-four-weeks", "3–4 weeks", "The common middle: most of what will come out has."),
    long(
      "thirty-days",
      "30 days",
      "For those who mark it on the wall: made on the first, strained on the last.",
    ),
    long("month", "4 weeks", "A round month.", true),
    long("six-weeks", "6 weeks", "For whole roots and the patient."),
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
