import { isChild, isUnderSixteen, takesMedicine } from "../../../people/person";
import type { Rule } from "../../caution";
import { has, tagged } from "../../caution";
import { ASK, any, concerning, flagged, nobody, ofClass } from "./concern";
import { spoonOf } from "../../../reckoning/spoon";

/** Plants and what a body has: conditions that are no medicine. */
export const CONDITIONS: readonly Rule[] = [
  concerning({
    id: "autoimmune",
    basis: "theoretical; no trial shows it either way",
    lines: any("immune"),
    whose: flagged("autoimmune"),
    severity: "note",
    says: "{plants}: with an autoimmune condition ({people}) some practitioners hold back. It is a theory, not a finding.",
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
    says: "{plants} can sting a stomach that has reflux or an ulcer: {people}.",
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
              about: { what: "line", line: v.line.id },
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
    says: (s) =>
      `A teaspoon holds ${spoonOf(s.reckoning).sugar.value.toFixed(1)} g of sugar; {people} will want to count it.`,
    todo: "Reckon it into the day, or make it without.",
  }),
  concerning({
    id: "thyroid",
    basis: "iodine of kelp; theoretical for lemon balm, horseradish and ashwagandha",
    lines: any("thyroid", "thyroid-iodine"),
    whose: flagged("thyroid"),
    says: "{plants} may disturb a thyroid: {people}.",
    todo: ASK,
  }),
  concerning({
    id: "kelp",
    basis: "iodine in kelp varies a hundredfold and can exceed daily limits",
    lines: any("thyroid-iodine"),
    whose: nobody,
    says: "",
    todo: "",
    general: {
      says: "{plants} {holds|hold} much iodine, and never the same.",
      todo: "Very little, and not with thyroid trouble.",
    },
  }),
  concerning({
    id: "chaga",
    basis: "oxalate nephropathy in case reports of daily chaga",
    lines: any("oxalate"),
    whose: flagged("kidney", "blood-thinner"),
    says: "{plants} {holds|hold} much oxalate: not for {people}.",
    todo: ASK,
    general: {
      says: "{plants} {holds|hold} much oxalate.",
      todo: "Not daily for long, and not with kidney trouble.",
    },
  }),
  concerning({
    id: "kidney",
    basis:
      "juniper, uva-ursi and lovage irritate the kidneys; oxalate, potassium and salicylates of others burden them",
    lines: any("kidney"),
    whose: flagged("kidney"),
    says: "{plants} {burdens|burden} kidneys: not for {people} without licensed advice.",
    todo: ASK,
    general: { says: "{plants}: not with kidney trouble.", todo: "In short courses only." },
  }),
  concerning({
    id: "liver",
    basis:
      "liver injury reported with black cohosh, kava, pennyroyal, green tea extract, turmeric in quantity and others",
    lines: any("liver"),
    whose: flagged("liver"),
    // What has cost livers is another thing than what has been suspected.
    severity: (_, s) =>
      s.program.lines.some(
        (l) => has(l, "liver") && has(l, "kava", "pyrrolizidine", "pregnancy-stop", "poison", "restricted"),
      )
        ? "stop"
        : "caution",
    says: "{plants} {has|have} been linked with liver trouble: not for {people}.",
    todo: ASK,
  }),
  concerning({
    id: "gallstones",
    basis: "bile-moving plants; monographs advise against them with gallstones or blocked ducts",
    lines: any("gallstones"),
    whose: flagged("gallstones"),
    says: "{plants} {moves|move} bile: not for {people}, with gallstones, without licensed advice.",
    todo: ASK,
  }),
  concerning({
    id: "hormone",
    basis: "hormone-like effects of vitex, black cohosh, red clover and hops",
    lines: any("hormone"),
    whose: flagged("hormone"),
    says: "{plants} {acts|act} on hormones: not for {people} without licensed advice.",
    todo: ASK,
    general: {
      says: "{plants} {acts|act} on hormones.",
      todo: "Not with a hormone-sensitive condition or hormone medicines without licensed advice.",
    },
  }),
  concerning({
    id: "epilepsy",
    basis:
      "thujone and pinocamphone provoke fits in high amounts; ginkgo seed and case reports of ginkgo leaf",
    lines: any("thujone", "fits"),
    whose: flagged("epilepsy"),
    says: "{plants} can provoke fits in large amounts: {people}.",
    todo: ASK,
  }),
  concerning({
    id: "sunlight",
    basis: "hypericin and furanocoumarins make skin burn sooner in sunlight",
    lines: any("sunlight"),
    whose: nobody,
    says: "",
    todo: "",
    general: { says: "{plants} {makes|make} skin burn sooner.", todo: "Mind the sun while taking it." },
  }),
  concerning({
    id: "salicylate",
    basis: "willow and meadowsweet hold salicylates; Reye's syndrome in children with fever",
    lines: any("salicylate"),
    whose: (p, s) => flagged("blood-thinner", "reflux", "kidney")(p) || isUnderSixteen(p, s.today),
    says: "{plants} {is|are} akin to aspirin: not for {people}.",
    todo: "Not with an aspirin allergy, blood thinners or an ulcer, nor for a child with a fever.",
    general: {
      says: "{plants} {is|are} akin to aspirin.",
      todo: "Not with an aspirin allergy, blood thinners or ulcers, nor for a child with a fever.",
    },
    label: "Akin to aspirin: not for children with fever.",
  }),
  concerning({
    id: "berberine",
    basis: "berberine displaces bilirubin in newborns and slows the clearing of some medicines",
    lines: any("berberine"),
    whose: (p, s) => flagged("pregnant", "nursing")(p) || takesMedicine(p) || isChild(p, s.today),
    severity: (p) => (flagged("pregnant", "nursing")(p) ? "stop" : "caution"),
    says: "{plants} {holds|hold} berberine: not for {people} without licensed advice.",
    todo: ASK,
    general: {
      says: "{plants} {holds|hold} berberine.",
      todo: "Not in pregnancy, while nursing, for babies, or with medicines unless a pharmacist agrees.",
    },
    label: "Not in pregnancy, nursing or with medicines unless a pharmacist agrees.",
  }),
];
