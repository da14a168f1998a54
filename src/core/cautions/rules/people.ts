import type { Tag } from "../../material/tags";
import { capital } from "../../words";
import { daysBetween } from "../../day";
import { type Flag, type Person, is, isChild, isUnderSixteen, takesMedicine } from "../../people/person";
import type { Resolved } from "../../reckoning/program";
import { spoonOf } from "../../reckoning/spoon";
import {
  EVERYWHERE,
  type Raised,
  type Rule,
  type Severity,
  type Situation,
  type Stage,
  beside,
  has,
  names,
  tagged,
  who,
} from "../caution";

/** An operation this near makes what thins the blood matter. Surgical practice asks for one to two weeks. */
const BEFORE_SURGERY_DAYS = 14;

interface Concern {
  readonly id: string;
  readonly basis: string;
  /** What raises it: lines, or nothing. */
  readonly lines: (s: Situation) => readonly Resolved[];
  readonly whose: (p: Person, s: Situation) => boolean;
  /** How grave it is for someone it is meant for; `caution` unless said. */
  readonly severity?: Severity;
  readonly says: (plants: string, people: string, s: Situation) => string;
  readonly todo: string;
  /** Said where it is meant for no one of them, a good thing to know all the same. */
  readonly general?: {
    readonly severity?: Severity;
    readonly says: (plants: string, s: Situation) => string;
    readonly todo: string;
  };
  readonly label?: string | ((s: Situation) => string);
}

/** What holds for anyone is said when planning and again on the bottle; over the stove and the sieve only what is about someone it is meant for. */
const FOR_ANYONE: readonly Stage[] = ["plan", "bottle", "label"];

/**
 * A rule about people: grave for those it is meant for; a note naming those of the household it would not suit while nobody is named;
 * otherwise its general note, if it has one.
 */
function concerning(c: Concern): Rule {
  return {
    id: c.id,
    basis: c.basis,
    stages: EVERYWHERE,
    fires: (s): Raised[] => {
      const lines = c.lines(s);
      if (lines.length === 0) return [];
      const label =
        c.label === undefined ? {} : { label: typeof c.label === "string" ? c.label : c.label(s) };
      const about = beside(lines[0]!);
      const plants = names(lines);
      const meant = s.meantFor.filter((p) => c.whose(p, s));
      if (meant.length > 0)
        return [
          {
            severity: c.severity ?? "caution",
            says: c.says(plants, who(meant), s),
            todo: c.todo,
            about,
            ...label,
          },
        ];
      const maybe = s.meantFor.length === 0 ? s.others.filter((p) => c.whose(p, s)) : [];
      if (maybe.length > 0)
        return [
          {
            severity: c.general?.severity ?? "note",
            says: c.says(plants, who(maybe), s),
            todo: c.todo,
            about,
            stages: FOR_ANYONE,
            ...label,
          },
        ];
      return c.general
        ? [
            {
              severity: c.general.severity ?? "note",
              says: c.general.says(plants, s),
              todo: c.general.todo,
              about,
              stages: FOR_ANYONE,
              ...label,
            },
          ]
        : [];
    },
  };
}

const any =
  (...tags: Tag[]) =>
  (s: Situation): readonly Resolved[] =>
    tagged(s, ...tags);
const flagged =
  (...flags: readonly Flag[]) =>
  (p: Person): boolean =>
    flags.some((f) => is(f)(p));
const ASK = "Ask a pharmacist or practitioner before they take it.";
const ofClass =
  (...classes: string[]) =>
  (s: Situation): readonly Resolved[] =>
    s.program.lines.filter((l) => classes.includes(l.stuff.class));
const surgeryNear = (p: Person, s: Situation): boolean =>
  p.surgery !== undefined &&
  daysBetween(s.today, p.surgery) >= 0 &&
  daysBetween(s.today, p.surgery) <= BEFORE_SURGERY_DAYS;
const alcoholLines = (s: Situation): readonly Resolved[] =>
  s.reckoning.finished.abv.value >= 0.5 ? ofClass("spirit")(s) : [];
const alcoholGrams = (s: Situation): string => spoonOf(s.reckoning).alcohol.value.toFixed(1);
const sugarGrams = (s: Situation): string => spoonOf(s.reckoning).sugar.value.toFixed(1);

/** Names that say the same thing: what someone is allergic to, against a plant's names. */
const sameThing = (allergy: string, l: Resolved): boolean => {
  const a = allergy.toLowerCase().replace(/s$/, "");
  const own = [l.stuff.name.toLowerCase(), l.stuff.id.replace(/-/g, " ")];
  return (
    a.length >= 3 &&
    own.some((n) => n.split(" ").some((w) => w.replace(/s$/, "") === a) || n === a || n.startsWith(`${a} `))
  );
};

export const PEOPLE: readonly Rule[] = [
  {
    id: "honey-under-twelve-months",
    basis: "infant botulism; general paediatric guidance",
    stages: FOR_ANYONE,
    fires: (s) => {
      const honey = s.program.lines.find((l) => l.stuff.class === "honey" || has(l, "bee"));
      return honey
        ? [
            {
              severity: "note",
              says: "Honey is in this.",
              todo: "Not for anyone under twelve months. The label will say so.",
              label: "Contains honey: never for a child under 12 months.",
              about: beside(honey),
            },
          ]
        : [];
    },
  },
  concerning({
    id: "alcohol",
    basis: "general guidance on alcohol in childhood, pregnancy, recovery and beside medicines",
    lines: alcoholLines,
    whose: (p, s) =>
      isChild(p, s.today) || takesMedicine(p) || flagged("pregnant", "nursing", "avoids-alcohol", "liver")(p),
    says: (_p, people, s) =>
      `There is alcohol in this, ${alcoholGrams(s)} g a teaspoon: not for ${people} as it is.`,
    todo: "Make it with glycerin, vinegar or honey instead, or ask a pharmacist what a spoon of it means for them.",
    general: {
      says: (_p, s) => `There is alcohol in this, ${alcoholGrams(s)} g a teaspoon.`,
      todo: "The label says how strong it is. Not for children, in pregnancy or in recovery.",
    },
    label: (s) => `Contains alcohol, about ${Math.round(s.reckoning.finished.abv.value)} % by volume.`,
  }),
  concerning({
    id: "pregnancy",
    basis:
      "traditional and pharmacological cautions on emmenagogue, thujone- and berberine-bearing and other plants",
    lines: any("pregnancy"),
    whose: flagged("pregnant", "nursing"),
    says: (plants, people) => `${capital(plants)}: ${people} should not take this without licensed advice.`,
    todo: "Ask a midwife, practitioner or pharmacist first.",
    general: {
      says: (plants) => `${capital(plants)}: not in pregnancy or while nursing without licensed advice.`,
      todo: "Ask a midwife, practitioner or pharmacist first.",
    },
    label: "Not in pregnancy or nursing without licensed advice.",
  }),
  concerning({
    id: "pregnancy-stop",
    basis: "pennyroyal, tansy, rue and wormwood have caused miscarriage and poisoning",
    lines: any("pregnancy-stop"),
    whose: flagged("pregnant", "nursing"),
    severity: "stop",
    says: (plants, people) => `${capital(plants)} is dangerous in pregnancy: not for ${people}.`,
    todo: "Take it out.",
    general: {
      severity: "caution",
      says: (plants) => `${capital(plants)} has poisoned people and is dangerous in pregnancy.`,
      todo: "Leave it to licensed practice; if it stays, very little and not for long.",
    },
    label: "Never in pregnancy.",
  }),
  concerning({
    id: "st-johns-wort",
    basis: "induces the enzymes that clear many medicines (product-information warnings)",
    lines: any("interacts"),
    whose: takesMedicine,
    severity: "stop",
    says: (plants, people) => `${capital(plants)} weakens many medicines, and ${people} takes one.`,
    todo: "Not without a pharmacist's word on that very medicine.",
    general: {
      severity: "caution",
      says: (plants) => `${capital(plants)} weakens many medicines.`,
      todo: "Not for anyone on a medicine without a pharmacist's word.",
    },
    label: "Not with medicines unless a pharmacist agrees.",
  }),
  concerning({
    id: "immune-treatment",
    basis: "plants said to rouse the immune system, against treatment that holds it down; theoretical",
    lines: any("immune"),
    whose: flagged("immune-medicine"),
    says: (plants, people) => `${capital(plants)} may work against the treatment ${people} takes.`,
    todo: ASK,
  }),
  concerning({
    id: "autoimmune",
    basis: "theoretical; no trial shows it either way",
    lines: any("immune"),
    whose: flagged("autoimmune"),
    severity: "note",
    says: (plants, people) =>
      `${capital(plants)}: with an autoimmune condition (${people}) some practitioners hold back. It is a theory, not a finding.`,
    todo: ASK,
  }),
  concerning({
    id: "reflux",
    basis: "acid and capsaicin irritate an inflamed gullet or stomach",
    lines: (s) => [
      ...(s.reckoning.finished.acid.value >= 0.8
        ? s.program.lines.filter(
            (l) => l.stuff.class === "vinegar" || l.stuff.class === "acid" || has(l, "sour"),
          )
        : []),
      ...tagged(s, "hot", "reflux"),
    ],
    whose: flagged("reflux"),
    says: (plants, people) =>
      `${capital(plants)} can sting a stomach that has reflux or an ulcer: ${people}.`,
    todo: "Dilute it well, take it with food, or leave it.",
  }),
  {
    id: "teeth",
    basis: "acid softens enamel; dental guidance is to dilute and rinse",
    stages: ["plan", "bottle", "label"],
    fires: (s) => {
      const v = s.program.lines.find((l) => l.stuff.class === "vinegar");
      return v && s.reckoning.finished.acid.value >= 3.5 && s.reckoning.finished.brix.value < 20
        ? [
            {
              severity: "note",
              says: "This is as sharp as the vinegar it was made of.",
              todo: "Dilute it in water, and rinse the mouth after: acid softens teeth.",
              about: beside(v),
            },
          ]
        : [];
    },
  },
  concerning({
    id: "sugar",
    basis: "sugars of honey and syrup count as any sugar",
    lines: (s) => (s.reckoning.finished.sugar100.value >= 10 ? ofClass("honey", "sugar", "syrup")(s) : []),
    whose: flagged("blood-sugar", "diabetes-medicine"),
    says: (_p, people, s) => `A teaspoon holds ${sugarGrams(s)} g of sugar; ${people} will want to count it.`,
    todo: "Reckon it into the day, or make it without.",
  }),
  concerning({
    id: "blood",
    basis:
      "garlic, ginger, turmeric in kitchen amounts; antiplatelet effects in the laboratory, rare case reports",
    lines: any("blood-kitchen", "blood"),
    whose: (p, s) => is("blood-thinner")(p) || surgeryNear(p, s),
    says: (plants, people) =>
      `${capital(plants)} may add to a blood thinner, or to bleeding in an operation: ${people}.`,
    todo: "Ask the pharmacist or the ward; most want two weeks without.",
    general: {
      says: (plants) => `${capital(plants)}: food in kitchen amounts.`,
      todo: "With blood thinners, or within two weeks of an operation, ask first.",
    },
  }),
  concerning({
    id: "warfarin",
    basis: "vitamin K in nettle and parsley; interactions of goji in case reports",
    lines: any("warfarin"),
    whose: flagged("blood-thinner"),
    says: (plants, people) => `${capital(plants)} can shift what warfarin does: ${people}.`,
    todo: "No sudden changes; tell whoever checks the blood.",
  }),
  concerning({
    id: "liquorice",
    basis: "glycyrrhizin raises blood pressure and lowers potassium (EFSA, EMA monographs)",
    lines: any("liquorice"),
    whose: flagged("blood-pressure", "heart", "pregnant", "kidney"),
    says: (plants, people) =>
      `${capital(plants)} raises blood pressure and lowers potassium: not for ${people} without a pharmacist's word.`,
    todo: "It also disturbs water tablets and digoxin. Leave it out, or ask.",
    general: {
      says: (plants) => `${capital(plants)} raises blood pressure and lowers potassium when taken daily.`,
      todo: "Small amounts, not for weeks; not with water tablets, digoxin, high blood pressure or in pregnancy.",
    },
    label: "Contains liquorice: not with high blood pressure, heart medicines or in pregnancy.",
  }),
  concerning({
    id: "heart",
    basis: "hawthorn and motherwort may add to heart and blood-pressure medicines",
    lines: any("heart"),
    whose: flagged("heart", "blood-pressure"),
    says: (plants, people) => `${capital(plants)} may add to a heart medicine: ${people}.`,
    todo: ASK,
    general: {
      says: (plants) => `${capital(plants)}: with heart medicines, ask first.`,
      todo: "A pharmacist can say whether the two go together.",
    },
  }),
  concerning({
    id: "blood-pressure",
    basis: "hibiscus lowers blood pressure a little in trials; nettle and dandelion make water",
    lines: any("blood-pressure", "diuretic"),
    whose: flagged("blood-pressure", "heart"),
    says: (plants, people) =>
      `${capital(plants)} may add to what ${people} takes for blood pressure or water.`,
    todo: ASK,
  }),
  concerning({
    id: "kava",
    basis: "liver injury reported with kava; regulators restrict it",
    lines: any("kava"),
    whose: (p) => flagged("liver", "sedative", "avoids-alcohol")(p) || takesMedicine(p),
    severity: "caution",
    says: (plants, people) => `${capital(plants)} has harmed livers: not for ${people}.`,
    todo: "Take it out, or ask a practitioner.",
    general: {
      severity: "caution",
      says: (plants) => `${capital(plants)} has harmed livers, and never goes with alcohol.`,
      todo: "Check that it may be used where you are; never with drink or other medicines.",
    },
    label: "Not with alcohol or medicines, or with liver trouble.",
  }),
  concerning({
    id: "sedative",
    basis: "additive drowsiness with sedatives and alcohol",
    lines: any("sedative"),
    whose: (p) => flagged("sedative", "epilepsy")(p),
    says: (plants, people) => `${capital(plants)} makes drowsy, on top of what ${people} takes.`,
    todo: ASK,
    general: {
      says: (plants, s) =>
        `${capital(plants)} makes drowsy${s.reckoning.finished.abv.value >= 0.5 ? ", more so in spirit" : ""}.`,
      todo: "Not before driving, not with sedatives or drink.",
    },
    label: "May make drowsy.",
  }),
  concerning({
    id: "salicylate",
    basis: "willow and meadowsweet hold salicylates; Reye's syndrome in children with fever",
    lines: any("salicylate"),
    whose: (p, s) =>
      flagged("blood-thinner", "reflux")(p) ||
      isUnderSixteen(p, s.today) ||
      p.allergies.some((a) => /aspirin|salicyl/i.test(a)),
    says: (plants, people) => `${capital(plants)} is akin to aspirin: not for ${people}.`,
    todo: "Not with an aspirin allergy, blood thinners or an ulcer, nor for a child with a fever.",
    general: {
      says: (plants) => `${capital(plants)} is akin to aspirin.`,
      todo: "Not with an aspirin allergy, blood thinners or ulcers, nor for a child with a fever.",
    },
    label: "Akin to aspirin: not for children with fever.",
  }),
  concerning({
    id: "berberine",
    basis: "berberine displaces bilirubin in newborns and slows the clearing of some medicines",
    lines: any("berberine"),
    whose: (p, s) => flagged("pregnant", "nursing")(p) || takesMedicine(p) || isChild(p, s.today),
    says: (plants, people) =>
      `${capital(plants)} holds berberine: not for ${people} without licensed advice.`,
    todo: ASK,
    general: {
      says: (plants) => `${capital(plants)} holds berberine.`,
      todo: "Not in pregnancy, while nursing, for babies, or with medicines unless a pharmacist agrees.",
    },
    label: "Not in pregnancy, nursing or with medicines unless a pharmacist agrees.",
  }),
  concerning({
    id: "grapefruit",
    basis: "furanocoumarins of Seville orange and grapefruit stop the gut from clearing many medicines",
    lines: any("furanocoumarin"),
    whose: takesMedicine,
    says: (plants, people) => `${capital(plants)} makes many medicines stronger, and ${people} takes one.`,
    todo: "Take sweet orange or lemon peel instead, or ask the pharmacist.",
    general: {
      says: (plants) => `${capital(plants)} makes many medicines stronger.`,
      todo: "Not for anyone on a medicine without a pharmacist's word.",
    },
    label: "Not with medicines unless a pharmacist agrees.",
  }),
  concerning({
    id: "thyroid",
    basis: "iodine of kelp; theoretical for lemon balm, horseradish and ashwagandha",
    lines: any("thyroid", "thyroid-iodine"),
    whose: flagged("thyroid"),
    says: (plants, people) => `${capital(plants)} may disturb a thyroid: ${people}.`,
    todo: ASK,
  }),
  concerning({
    id: "kelp",
    basis: "iodine in kelp varies a hundredfold and can exceed daily limits",
    lines: any("thyroid-iodine"),
    whose: () => false,
    says: () => "",
    todo: "",
    general: {
      says: (plants) => `${capital(plants)} holds much iodine, and never the same.`,
      todo: "Very little, and not with thyroid trouble.",
    },
  }),
  concerning({
    id: "chaga",
    basis: "oxalate nephropathy in case reports of daily chaga",
    lines: any("oxalate"),
    whose: flagged("kidney", "blood-thinner"),
    says: (plants, people) => `${capital(plants)} holds much oxalate: not for ${people}.`,
    todo: ASK,
    general: {
      says: (plants) => `${capital(plants)} holds much oxalate.`,
      todo: "Not daily for long, and not with kidney trouble.",
    },
  }),
  concerning({
    id: "kidney",
    basis: "juniper, uva-ursi and lovage irritate the kidneys",
    lines: any("kidney"),
    whose: flagged("kidney"),
    says: (plants, people) => `${capital(plants)} irritates kidneys: not for ${people}.`,
    todo: ASK,
    general: {
      says: (plants) => `${capital(plants)}: not with kidney trouble.`,
      todo: "In short courses only.",
    },
  }),
  concerning({
    id: "liver",
    basis: "liver injury reported with black cohosh",
    lines: any("liver"),
    whose: flagged("liver"),
    says: (plants, people) => `${capital(plants)} has been linked with liver trouble: not for ${people}.`,
    todo: ASK,
  }),
  concerning({
    id: "hormone",
    basis: "hormone-like effects of vitex, black cohosh, red clover and hops",
    lines: any("hormone"),
    whose: flagged("hormone"),
    says: (plants, people) =>
      `${capital(plants)} acts on hormones: not for ${people} without licensed advice.`,
    todo: ASK,
    general: {
      says: (plants) => `${capital(plants)} acts on hormones.`,
      todo: "Not with a hormone-sensitive condition or hormone medicines without licensed advice.",
    },
  }),
  concerning({
    id: "epilepsy",
    basis: "thujone and pinocamphone provoke fits in high amounts",
    lines: (s) => [
      ...tagged(s, "thujone"),
      ...s.program.lines.filter((l) => l.stuff.id === "hyssop" || l.stuff.id === "rosemary"),
    ],
    whose: flagged("epilepsy"),
    says: (plants, people) => `${capital(plants)} can provoke fits in large amounts: ${people}.`,
    todo: ASK,
  }),
  concerning({
    id: "bees",
    basis: "allergy to bee products",
    lines: (s) => s.program.lines.filter((l) => l.stuff.class === "honey" || has(l, "bee")),
    whose: (p) => p.allergies.some((a) => /bee|propolis|honey|pollen/i.test(a)),
    severity: "stop",
    says: (plants, people) => `${capital(plants)} comes from bees, and ${people} is allergic.`,
    todo: "Leave it out, or make a jar of their own with sugar.",
  }),
  concerning({
    id: "propolis",
    basis: "propolis is a known contact allergen",
    lines: any("bee"),
    whose: () => false,
    says: () => "",
    todo: "",
    general: {
      says: (plants) => `${capital(plants)}: some are allergic without knowing it.`,
      todo: "A drop first, then a day's wait. Not with asthma or a bee allergy.",
    },
  }),
  concerning({
    id: "daisy-family",
    basis: "cross-reactions with ragweed and mugwort pollen",
    lines: any("daisy"),
    whose: (p) => p.allergies.some((a) => /ragweed|daisy|aster|mugwort|chamomile/i.test(a)),
    severity: "stop",
    says: (plants, people) => `${capital(plants)} is of the daisy family, and ${people} is allergic to it.`,
    todo: "Leave it out.",
    general: {
      says: (plants) => `${capital(plants)} is of the daisy family.`,
      todo: "Not with a ragweed or daisy allergy.",
    },
  }),
  concerning({
    id: "sumac-kin",
    basis: "urushiol cross-reactions within the cashew family",
    lines: any("sumac"),
    whose: (p) => p.allergies.some((a) => /mango|cashew|pistachio|sumac/i.test(a)),
    severity: "stop",
    says: (plants, people) => `${capital(plants)} is kin to cashew and mango, and ${people} is allergic.`,
    todo: "Leave it out.",
    general: {
      says: (plants) => `${capital(plants)} is kin to cashew and mango.`,
      todo: "Not with an allergy to either.",
    },
  }),
  {
    id: "allergy",
    basis: "a stated allergy to the very thing",
    stages: EVERYWHERE,
    fires: (s) =>
      s.program.lines.flatMap((l) => {
        const p = s.meantFor.filter((x) => x.allergies.some((a) => sameThing(a, l)));
        return p.length > 0
          ? [
              {
                severity: "stop" as const,
                says: `${who(p)[0]!.toUpperCase()}${who(p).slice(1)}: allergic to ${l.stuff.name}.`,
                todo: "Take it out, or take them off the list.",
                about: beside(l),
              },
            ]
          : [];
      }),
  },
];
