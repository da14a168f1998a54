import { capital } from "../../words";
import { honeyFrom, isInfant } from "../../people/person";
import { MATERIALS } from "../../material/catalogue";
import { ALIKE } from "../../material/hurts/alike";
import { closeToHurt } from "../../reading/hurts";
import { type Kin, gravest, hazardOf, kinOf } from "../../reading/kin";
import { plantWords } from "../../reading/plant-words";
import { printDay } from "../../day";
import type { Resolved } from "../../reckoning/program";
import { EVERYWHERE, type Rule, beside, eachLine, has, heatAfter, tagged, who, inHand } from "../caution";

/** A plant that hurts, as it is told: under the maker's name, with the one it is known by where they differ, what it does, and what it may be instead. */
export function hurtWords(l: Resolved): { readonly says: string; readonly todo: string } | undefined {
  const kin = l.stuff.holds ? undefined : kinOf(l.stuff.names, l.stuff.latin);
  const hurts = kin && gravest(kin);
  if (!hurts) return undefined;
  const own = l.stuff.names.some((n) => n.toLowerCase() === hurts.names[0]!.toLowerCase());
  const known = own ? "" : ` (${hurts.names[0]})`;
  const other = ALIKE.find((a) => a.shares && a.latin && hurts.names.includes(a.shares.name));
  const instead = other?.shares
    ? ` If ${other.names[0]} is meant, write its Latin name down, ${other.latin}: ${other.shares.is}.`
    : "";
  return {
    says: `${capital(l.stuff.name)}${known} ${hazardOf(hurts).does}.`,
    todo: MATERIALS.has(l.stuff.id) ? "" : instead,
  };
}

/** Why a name is asked about; nothing where it need not be. */
function doubtOf(name: string, latin: string | undefined, { near, kills }: Kin): string | undefined {
  if (near && plantWords(name).includes(near.name.toLowerCase()))
    return `Some of the genus ${near.name} hurt: ${near.hurts.names[0]} ${hazardOf(near.hurts).does}. Which is this?`;
  if (near) return closeToHurt(name, latin);
  return kills && `“${name}” says of itself that it is a poison. Which plant is it?`;
}

/** What no reason passes. */
export const NEVER: readonly Rule[] = [
  {
    id: "honey-for-an-infant",
    basis:
      "infant botulism; general paediatric guidance. A month of birth alone counts until the first of the following month",
    stages: EVERYWHERE,
    fires: (s) => {
      const honey = s.program.lines.find((l) => l.stuff.class === "honey" || has(l, "bee"));
      const small = honey ? s.meantFor.filter((p) => isInfant(p, s.today)) : [];
      if (small.length === 0) return [];
      const until = small
        .flatMap((p) => honeyFrom(p) ?? [])
        .sort()
        .at(-1);
      const before = until
        ? `before ${printDay(until, "year")}`
        : "before twelve months are past: write the month born down";
      return [
        {
          severity: "never",
          says: `Honey is never given to ${who(small)} ${before}.`,
          todo: "Take the honey out, or take them off the list of those it is meant for.",
          about: { what: "people" },
          label: "Contains honey: never for a child under 12 months.",
        },
      ];
    },
  },
  {
    id: "aristolochic",
    basis:
      "aristolochic acids damage the kidneys and are carcinogenic; regulators have withdrawn such plants",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "aristolochic"),
      (l) => ({
        severity: "never",
        says: `${capital(l.stuff.name)} carries aristolochic acids, which destroy kidneys.`,
        todo: "Take it out. Root ginger is a different plant and fine.",
      }),
    ),
  },
  {
    id: "narrow-margin-poison",
    basis: "poisonous at or near any dose a kitchen can measure",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "poison"),
      (l) => ({
        severity: "never",
        says: hurtWords(l)?.says ?? `${capital(l.stuff.name)} is a poison with no safe kitchen dose.`,
        todo: `Take it out.${hurtWords(l)?.todo ?? ""}`,
      }),
    ),
  },
  {
    id: "is-it-this",
    basis: "a name close to that of a dangerous plant is asked about, never taken",
    stages: EVERYWHERE,
    fires: (s) =>
      s.program.lines.flatMap((l) => {
        // What came in a bottle of ours was asked about when that was made.
        const asked = MATERIALS.has(l.stuff.id) || l.stuff.holds !== undefined || l.heated !== undefined;
        const kin = asked ? undefined : kinOf(l.stuff.names, l.stuff.latin);
        const says = kin && doubtOf(l.stuff.name, l.stuff.latin, kin);
        return says === undefined
          ? []
          : [
              {
                severity: "stop" as const,
                says,
                todo: "If it is, take it out. If it is not, write down its Latin name, genus and species: that settles it.",
                about: beside(l),
              },
            ];
      }),
  },
  {
    id: "nobody-by-that-name",
    basis: "a remedy meant for someone unknown cannot be judged for them",
    stages: ["plan"],
    fires: (s) =>
      (s.strangers ?? []).map((name) => ({
        severity: "never" as const,
        says: `Nobody here is called “${name}”.`,
        todo: "Write them down in the household, or take the name off.",
        about: { what: "people" as const },
      })),
  },
  {
    id: "not-food-alcohol",
    basis: "denatured and isopropyl alcohol are poisonous",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "not-food"),
      (l) => ({
        severity: "never",
        says: `${capital(l.stuff.name)} is not food.`,
        todo: "Only spirit sold for drinking goes in.",
      }),
    ),
  },
  {
    id: "essential-oil",
    basis: "essential oils are not taken by mouth here",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "essential-oil"),
      () => ({
        severity: "never",
        says: "Essential oils are not taken by mouth.",
        todo: "Use the plant itself.",
      }),
    ),
  },
  {
    id: "kernels",
    basis: "cyanogenic glycosides in stone-fruit kernels",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "kernel-eaten"),
      () => ({
        severity: "never",
        says: "Kernels release cyanide when crushed or steeped.",
        todo: "Take them out, and leave plum stones out whole.",
      }),
    ),
  },
  {
    id: "raw-elder-eaten",
    basis: "elder holds cyanogenic glycosides and a lectin until it is cooked; left in, it is eaten raw",
    stages: EVERYWHERE,
    fires: (s) =>
      s.program.plan.steps.some((x) => x.do === "strain")
        ? []
        : tagged(s, "raw-toxic")
            .filter((l) => inHand(l) && heatAfter(s, l) < 15)
            .map((l) => ({
              severity: "never" as const,
              says: `Raw ${l.stuff.name} would be left in and eaten.`,
              todo: "Choose a heated way, and strain it.",
              about: beside(l),
            })),
  },
];
