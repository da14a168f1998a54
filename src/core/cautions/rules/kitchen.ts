import { capital } from "../../words";
import { isWet } from "../../material/material";
import { sentence } from "./people/concern";
import { HEATS } from "../../plan/read-plan";
import { REACTIVE_WARES, isPot, WARE_WORDS } from "../../vessel/vessel";
import {
  EVERYWHERE,
  IN_THE_KITCHEN,
  type Rule,
  type Situation,
  allTagged,
  beside,
  eachLine,
  has,
  names,
  stepThat,
  tagged,
} from "../caution";

const vinegary = (s: Situation): boolean => s.program.lines.some((l) => l.stuff.class === "vinegar");
const sour = (s: Situation): boolean => vinegary(s) || s.reckoning.jar.acid.value > 0.5;
/** What makes it sour, as far as it is known. */
const sourThing = (s: Situation): string => (vinegary(s) ? "Vinegar" : "What is sour");
/** Spirit and wine draw lead as vinegar does: brandy kept in crystal, milligrams in a litre. */
const strong = (s: Situation): boolean => s.program.lines.some((l) => l.stuff.class === "spirit");
const hotSteps = (s: Situation): readonly number[] =>
  s.program.read.steps.flatMap((x, i) => (HEATS.has(x.do) ? [i] : []));

/** % vol under which a resin hardly dissolves. */
const RESIN_ABV = 65;

export const KITCHEN: readonly Rule[] = [
  {
    id: "metal-lid-on-vinegar",
    basis: "acetic acid corrodes bare metal and creeps under a coating",
    stages: ["plan", "make"],
    fires: (s) => {
      const v = s.program.vessel;
      if (!v || isPot(v) || !sour(s) || (v.lid !== "metal" && v.lid !== "coated-metal")) return [];
      return [
        {
          severity: v.lid === "metal" ? "caution" : "note",
          says:
            v.lid === "metal"
              ? `${sourThing(s)} eats a bare metal lid.`
              : `${sourThing(s)} finds its way under a coated metal lid.`,
          todo: "Use a plastic or glass lid, or lay paper between.",
          about: { what: "vessel" },
        },
      ];
    },
  },
  {
    id: "reactive-ware",
    basis: "acid dissolves aluminium, copper, iron, brass and zinc",
    stages: ["plan", "make"],
    fires: (s) => {
      const v = s.program.vessel;
      return v && sour(s) && REACTIVE_WARES.has(v.ware)
        ? [
            {
              severity: "stop",
              says: `${sourThing(s)} dissolves ${WARE_WORDS[v.ware]}.`,
              todo: "Use stainless steel, enamel or glass.",
              about: { what: "vessel" },
            },
          ]
        : [];
    },
  },
  {
    id: "lead",
    basis: "lead leaches from crystal and from glazes not made for food",
    stages: ["plan", "make", "bottle"],
    fires: (s) => {
      const v = s.program.vessel;
      return v && (sour(s) || strong(s)) && (v.ware === "crystal" || v.ware === "unknown-glaze")
        ? [
            {
              severity: "stop",
              says:
                v.ware === "crystal"
                  ? "Lead crystal gives lead to anything sour or strong."
                  : "A crock of unknown glaze may give lead to anything sour or strong.",
              todo: "Use plain glass, or a crock sold for food.",
              about: { what: "vessel" },
            },
          ]
        : [];
    },
  },
  {
    id: "heat-in-glass",
    basis: "soda glass cracks with heat shock",
    stages: ["plan", "make"],
    fires: (s) => {
      const v = s.program.vessel;
      return v && (v.sort === "jar" || v.sort === "bottle" || v.sort === "dropper") && hotSteps(s).length > 0
        ? [
            {
              severity: "stop",
              says: "A glass jar does not go on the heat.",
              todo: "Choose a pot; the jar comes after.",
              about: { what: "vessel" },
            },
          ]
        : [];
    },
  },
  {
    id: "hot-bottles",
    basis: "heat shock; hot filling",
    stages: ["plan", "bottle"],
    fires: (s) =>
      s.program.plan.steps.some((x) => x.do === "bottle" && x.hot)
        ? [
            {
              severity: "note",
              says: "Bottled hot.",
              todo: "Warm the bottles first, stand them on wood, fill to the neck and close at once.",
              about: { what: "whole" },
            },
          ]
        : [],
  },
  {
    id: "freezer-headspace",
    basis: "water swells by a tenth as it freezes",
    stages: ["bottle"],
    fires: (s) =>
      s.reckoning.finished.abv.value < 20
        ? [
            {
              severity: "note",
              says: "For the ice box, leave a tenth of the bottle empty.",
              todo: "What freezes swells, and glass that is full breaks.",
              about: { what: "whole" },
            },
          ]
        : [],
  },
  {
    id: "spirit-on-the-boil",
    basis: "ethanol vapour catches fire",
    stages: ["plan", "make"],
    fires: (s) =>
      s.program.lines
        .filter((l) => l.stuff.class === "spirit" && hotSteps(s).some((i) => i > l.step))
        .map((l) => ({
          severity: "stop" as const,
          says: "Spirit on the boil can catch fire, and the alcohol leaves.",
          todo: "Add it after the heat is off and the pot has cooled.",
          about: beside(l),
        })),
  },
  {
    id: "spirit-by-flame",
    basis: "spirit over 50 % gives off vapour that lights at room temperature",
    stages: IN_THE_KITCHEN,
    fires: (s) => {
      const l = s.program.lines.find((x) => x.stuff.class === "spirit" && x.stuff.composition[7]! > 0.4);
      return l
        ? [
            {
              severity: "note",
              says: "Strong spirit: no flame near.",
              todo: "Pour it away from the stove and wipe up what spills.",
              about: beside(l),
            },
          ]
        : [];
    },
  },
  {
    id: "gloves",
    basis: "capsaicin and mustard oils burn skin and eyes",
    stages: ["plan", "make", "strain"],
    fires: allTagged(["hot", "very-hot", "pungent"], (l) => ({
      severity: "note",
      says: `${capital(names(l, 2))} ${l.length > 1 ? "bite" : "bites"}.`,
      todo: "Gloves on, window open, hands off the eyes.",
    })),
  },
  {
    id: "burns-skin",
    basis: "the hottest pods blister skin; fresh orris and nettle hairs irritate it",
    stages: ["make"],
    fires: eachLine(
      (l) => has(l, "very-hot") || (has(l, "fresh-irritant", "stings") && isWet(l.stuff)),
      (l) => ({
        severity: has(l, "stings") ? "note" : "caution",
        says: sentence("{plants} {burns|burn} bare skin.", [l], []),
        todo: has(l, "fresh-irritant")
          ? "Gloves; better dried and aged first."
          : "Gloves until it is in the jar.",
      }),
    ),
  },
  {
    id: "unaged-bark",
    basis: "fresh buckthorn and cascara bark purge violently; pharmacopoeias ask for a year's ageing",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "unaged-bark"),
      (l) => ({
        severity: isWet(l.stuff) ? "stop" : "caution",
        says: sentence("Fresh {plants} {purges|purge} violently.", [l], []),
        todo: "Only bark that was dried and has lain a year.",
      }),
    ),
  },
  {
    id: "resin-in-weak-spirit",
    basis: "resins dissolve in strong spirit alone; typical practice 70 % and over",
    stages: ["plan"],
    fires: (s) => {
      const resins = tagged(s, "resinous");
      return resins.length > 0 && s.program.plan.kind === "tincture" && s.reckoning.jar.abv.value < RESIN_ABV
        ? [
            {
              severity: "note",
              says: sentence("{plants} {gives|give} little to a weak spirit.", resins, []),
              todo: "Resin wants 70 % and over.",
              about: beside(resins[0]!),
            },
          ]
        : [];
    },
  },
  {
    id: "stains",
    basis: "kitchen experience",
    stages: IN_THE_KITCHEN,
    fires: allTagged(["stains"], (l) => ({
      severity: "note",
      says: sentence("{plants} {stains|stain}.", l, []),
      todo: "Gloves and an apron; wipe the board at once.",
    })),
  },
  {
    id: "oil-packed",
    basis: "oil and cream shelter what grows without air, and float where the vinegar is not",
    stages: EVERYWHERE,
    fires: (s) =>
      tagged(s, "oil-packed", "oil").map((l) => ({
        severity: "stop" as const,
        says: `${capital(l.stuff.name)} does not belong in an infusion: what sits in oil or cream sees none of the acid.`,
        todo: "Take the plain plant instead.",
        about: beside(l),
      })),
  },
  {
    id: "clean-jars",
    basis: "ordinary food hygiene",
    stages: ["make", "bottle"],
    fires: (s) => [
      {
        severity: "note",
        says: s.program.steep
          ? "Jar and lid washed in hot water and dried; a used one scalded."
          : "Pot, jug and cloth clean and scalded.",
        todo: "A smell that stays in the lid goes into the batch: take another.",
        about: { what: "vessel" },
        stages: ["make"],
      },
      {
        severity: "note",
        says: "Bottles and stoppers washed and scalded, used ones too.",
        todo: "Dry ones for honey and spirit; hot ones for hot syrup.",
        about: { what: "whole" },
        stages: ["bottle"],
      },
    ],
  },
  {
    id: "soft-water",
    basis: "chlorine taints and can hinder a ferment",
    stages: IN_THE_KITCHEN,
    fires: (s) => {
      const l = s.program.lines.find((x) => x.stuff.class === "water" && x.stuff.id === "water");
      return l && s.program.heatMinutes === 0
        ? [
            {
              severity: "note",
              says: "Water without chlorine: boiled and cooled, or stood overnight.",
              todo: "Tap water straight from the main tastes of it.",
              about: beside(l),
            },
          ]
        : [];
    },
  },
  {
    id: "watch-the-pot",
    basis: "ordinary kitchen safety",
    stages: IN_THE_KITCHEN,
    fires: (s) => {
      const step = stepThat(s, (x) => HEATS.has(x.do));
      return step === undefined
        ? []
        : [
            {
              severity: "note",
              says: "A simmering pot is not left.",
              todo: "Syrup catches in the last minutes; sugar burns skin worse than water.",
              about: { what: "step", step },
            },
          ];
    },
  },
  {
    id: "finger-is-no-thermometer",
    basis: "a finger cannot tell 40 from 50 °C",
    stages: IN_THE_KITCHEN,
    fires: (s) => {
      const step = stepThat(s, (x) => x.do === "cool");
      return step === undefined
        ? []
        : [
            {
              severity: "note",
              says: "A finger is not a thermometer.",
              todo: "Measure, or wait until the pot can be held in both hands without thinking about it.",
              about: { what: "step", step },
            },
          ];
    },
  },
  {
    id: "oxidises",
    basis: "cut root and bulb dry out and brown",
    stages: IN_THE_KITCHEN,
    fires: (s) => {
      const l = s.program.lines.filter(
        (x) =>
          (x.stuff.class === "bulb" || x.stuff.class === "root") &&
          isWet(x.stuff) &&
          (x.stuff.cut === "crushed" || x.stuff.cut === "grated"),
      );
      return l.length > 0 && s.program.lines.some((x) => has(x, "blood-kitchen") && x.stuff.class === "bulb")
        ? [
            {
              severity: "note",
              says: "Crush the garlic first and let it rest while you cut the rest.",
              todo: "Ten minutes is enough.",
              about: beside(l[0]!),
            },
          ]
        : [];
    },
  },
];
