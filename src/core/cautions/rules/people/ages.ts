import { ml as carriedMl } from "../../../quantity/carried";
import { capital } from "../../../words";
import { isChild, isInfant } from "../../../people/person";
import { ETHANOL_DENSITY } from "../../../mixture/alcohol";
import { spoonOf } from "../../../reckoning/spoon";
import type { Rule, Situation } from "../../caution";
import { has } from "../../caution";
import { FOR_ANYONE, any, concerning, flagged, ofClass } from "./concern";
import { takesMedicine, type Person } from "../../../people/person";
import type { Resolved } from "../../../reckoning/program";

/** % vol from which alcohol is a note, and from which it is cautioned for some. */
const [TRACE_ABV, SPOON_ABV] = [0.1, 0.5];

/** “1.5 g a teaspoon”; what is under a twentieth of a gram is a trace, and no nought. */
function alcoholGrams(s: Situation): string {
  const g = spoonOf(s.reckoning).alcohol.value;
  return g < 0.05 ? "a trace" : `${g.toFixed(1)} g`;
}
const alcoholLines = (s: Situation): readonly Resolved[] =>
  s.reckoning.finished.abv.value >= TRACE_ABV || s.meantFor.some(flagged("recovery"))
    ? ofClass("spirit")(s)
    : [];

function alcoholFor(p: Person, s: Situation): "never" | "stop" | "caution" | "note" {
  if (flagged("recovery")(p)) return "stop";
  if (s.reckoning.finished.abv.value < SPOON_ABV) return "note";
  if (isInfant(p, s.today)) return "never";
  if (isChild(p, s.today) || flagged("pregnant")(p)) return "stop";
  return flagged("sedative", "diabetes-medicine", "liver", "nursing", "avoids-alcohol")(p)
    ? "caution"
    : "note";
}
/** mL of pure alcohol in a spoon, as it is told to whoever minds it. */
function mlWords(s: Situation): string {
  const ml = spoonOf(s.reckoning).alcohol.value / ETHANOL_DENSITY;
  return ml < 0.05 ? "" : ` That is ${carriedMl(ml)} of pure alcohol.`;
}

/** What is not for the very young, for pregnancy and nursing, or for those who keep from alcohol. */
export const AGES: readonly Rule[] = [
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
              says:
                honey.stuff.class === "honey"
                  ? "Honey is in this."
                  : `${capital(honey.stuff.name)} comes from the hive.`,
              todo: "Not for anyone under twelve months. The label will say so.",
              label: "Contains honey: never for a child under 12 months.",
              about: { what: "line", line: honey.line.id },
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
      isChild(p, s.today) ||
      takesMedicine(p) ||
      flagged("pregnant", "nursing", "avoids-alcohol", "recovery", "liver")(p),
    severity: alcoholFor,
    anyAmount: true,
    says: (s) =>
      `There is alcohol in this, ${alcoholGrams(s)} a teaspoon: not for {people} as it is.${mlWords(s)}`,
    todo: "Make it with glycerin, vinegar or honey instead, or ask a pharmacist what a spoon of it means for them.",
    general: {
      says: (s) => `There is alcohol in this, ${alcoholGrams(s)} a teaspoon.`,
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
    severity: (_, s) =>
      s.program.lines.some((l) => has(l, "pregnancy") && has(l, "thujone")) ? "stop" : "caution",
    says: "{plants}: {people} should not take this without licensed advice.",
    todo: "Ask a midwife, practitioner or pharmacist first.",
    general: {
      says: "{plants}: not in pregnancy or while nursing without licensed advice.",
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
    anyAmount: true,
    says: "{plants} {is|are} dangerous in pregnancy: not for {people}.",
    todo: "Take it out.",
    general: {
      severity: "caution",
      says: "{plants} {has|have} poisoned people and {is|are} dangerous in pregnancy.",
      todo: "Leave it to licensed practice; if it stays, very little and not for long.",
    },
    label: "Never in pregnancy.",
  }),
  concerning({
    id: "caffeine",
    basis: "caffeine in pregnancy, nursing, childhood and with heart trouble (EFSA limits)",
    lines: any("caffeine"),
    whose: (p, s) => flagged("pregnant", "nursing", "heart", "sedative")(p) || isChild(p, s.today),
    says: "{plants} {brings|bring} caffeine: {people}.",
    todo: "Count it with the day's tea and coffee, or leave it out.",
  }),
  concerning({
    id: "child",
    basis: "monographs of these plants advise against them for children",
    lines: any("child"),
    whose: (p, s) => isChild(p, s.today),
    severity: (p, s) =>
      s.program.lines.some((l) => has(l, "laxative", "kava", "pregnancy-stop")) || isInfant(p, s.today)
        ? "stop"
        : "caution",
    says: "{plants} {is|are} not for children: {people}.",
    todo: "Take it out, or ask a practitioner who treats children.",
  }),
];
