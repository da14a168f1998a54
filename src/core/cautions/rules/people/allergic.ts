import { capital } from "../../../words";
import type { Person } from "../../../people/person";
import { type Reaction, reactionTo } from "../../allergies";
import { EVERYWHERE, type Raised, type Rule, type Situation, beside, has, who } from "../../caution";
import type { Resolved } from "../../../reckoning/program";
import { any, concerning, nobody } from "./concern";

const TAKE_OUT = "Take it out, or take them off the list.";

/** Those it is meant for who react to a line in one of these ways. */
const reacting = (s: Situation, l: Resolved, how: (r: Reaction) => boolean): readonly Person[] =>
  s.meantFor.filter((p) => {
    const r = reactionTo(l, p);
    return r !== undefined && how(r);
  });

/** A rule of one family: a stop for those allergic to it, a note for anyone, and a note where one of the household is. */
function family(
  id: string,
  basis: string,
  lines: (s: Situation) => readonly Resolved[],
  how: (r: Reaction) => boolean,
  kin: string,
  general: Raised | undefined,
): Rule {
  return {
    id,
    basis,
    stages: EVERYWHERE,
    fires: (s) => {
      const all = lines(s);
      const stops = all.flatMap((l): Raised[] => {
        const people = reacting(s, l, how);
        return people.length === 0
          ? []
          : [
              {
                severity: "stop",
                says: `${capital(l.stuff.name)} ${kin}, and ${who(people)} ${people.length > 1 ? "are" : "is"} allergic.`,
                todo: TAKE_OUT,
                about: beside(l),
              },
            ];
      });
      if (stops.length > 0 || all.length === 0) return stops;
      const maybe =
        s.meantFor.length > 0 ? [] : s.others.filter((p) => all.some((l) => how(reactionTo(l, p) ?? NONE)));
      if (maybe.length > 0)
        return [
          {
            severity: "note",
            says: `${capital(all[0]!.stuff.name)} ${kin}; ${who(maybe)} ${maybe.length > 1 ? "are" : "is"} allergic.`,
            todo: "Not for them.",
            personal: true,
            about: beside(all[0]!),
            stages: ["plan", "bottle", "label"],
          },
        ];
      return general
        ? [{ ...general, says: `${capital(all[0]!.stuff.name)} ${general.says}`, about: beside(all[0]!) }]
        : [];
    },
  };
}
const NONE: Reaction = { by: "name", to: "" };
const isFamily =
  (id: string) =>
  (r: Reaction): boolean =>
    r.by === "family" && r.family.id === id;
/** Families by what goes with an allergy, not by what is kin to whom. */
const GOES_WITH: ReadonlySet<string> = new Set([
  "birch",
  "salicylate",
  "peanut",
  "gluten",
  "mushroom",
  "chocolate",
  "iodine",
]);
function whyItIs(l: Resolved, r: Reaction): string {
  switch (r.by) {
    case "name":
    case "bees":
      return l.stuff.name;
    case "holds":
      return `${l.stuff.name}, which may hold ${r.what}`;
    case "family":
      return GOES_WITH.has(r.family.id)
        ? `${l.stuff.name}, which is known to go with ${r.family.name}`
        : `${l.stuff.name}, of the ${r.family.name} family`;
  }
}
const FOR_ALL = ["plan", "bottle", "label"] as const;

/** What someone is allergic to: by name, alias, Latin name, family, or what is known to go with it. */
export const ALLERGIC: readonly Rule[] = [
  family(
    "bees",
    "allergy to bee products",
    (s) => s.program.lines.filter((l) => l.stuff.class === "honey" || has(l, "bee")),
    (r) => r.by === "bees",
    "comes from bees",
    undefined,
  ),
  concerning({
    id: "propolis",
    basis: "propolis is a known contact allergen",
    lines: any("bee"),
    whose: nobody,
    says: "",
    todo: "",
    anyAmount: true,
    general: {
      says: "{plants}: some are allergic without knowing it.",
      todo: "A drop first, then a day's wait. Not with asthma or a bee allergy.",
    },
  }),
  family(
    "daisy-family",
    "cross-reactions with ragweed and mugwort pollen",
    any("daisy"),
    isFamily("daisy"),
    "is of the daisy family",
    {
      severity: "note",
      says: "is of the daisy family.",
      todo: "Not with a ragweed or daisy allergy.",
      stages: FOR_ALL,
    },
  ),
  family(
    "sumac-kin",
    "urushiol cross-reactions within the cashew family",
    any("sumac"),
    isFamily("cashew"),
    "is kin to cashew and mango",
    {
      severity: "note",
      says: "is kin to cashew and mango.",
      todo: "Not with an allergy to either.",
      stages: FOR_ALL,
    },
  ),
  {
    id: "allergy",
    basis:
      "a stated allergy to the very thing, by any of its names, its Latin name or its family, and what is known to go with it",
    stages: EVERYWHERE,
    fires: (s) =>
      s.program.lines.flatMap((l): Raised[] => {
        const other = (r: Reaction): boolean =>
          r.by === "name" ||
          r.by === "holds" ||
          (r.by === "family" && r.family.id !== "daisy" && r.family.id !== "cashew");
        const people = reacting(s, l, other);
        if (people.length === 0) return [];
        const r = reactionTo(l, people[0]!)!;
        return [
          {
            severity: "stop",
            says: `${capital(who(people))}: allergic to ${r.to}; this is ${whyItIs(l, r)}.`,
            todo: TAKE_OUT,
            about: beside(l),
          },
        ];
      }),
  },
];
