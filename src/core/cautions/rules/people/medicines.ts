import { addDays, daysBetween } from "../../../day";
import { takesMedicine } from "../../../people/person";
import type { Person } from "../../../people/person";
import type { Rule, Situation } from "../../caution";
import { ASK, any, concerning, flagged } from "./concern";

/** An operation this near matters; surgical practice asks for one to two weeks without. */
const BEFORE_SURGERY_DAYS = 14;

/** Whether an operation falls within two weeks of now, or of the day this is ready to be taken. */
function surgeryNear(p: Person, s: Situation): boolean {
  if (p.surgery === undefined || daysBetween(s.today, p.surgery) < 0) return false;
  const ready = addDays(s.today, Math.round(s.program.steep?.value ?? 0));
  const near = (from: string): boolean => Math.abs(daysBetween(from, p.surgery!)) <= BEFORE_SURGERY_DAYS;
  return near(s.today) || near(ready);
}

/** Plants against medicines, and before an operation. */
export const MEDICINES: readonly Rule[] = [
  concerning({
    id: "st-johns-wort",
    basis: "induces the enzymes that clear many medicines (product-information warnings)",
    lines: any("interacts"),
    whose: takesMedicine,
    severity: "stop",
    anyAmount: true,
    says: "{plants} {weakens|weaken} many medicines, and {people} {takes|take} one.",
    todo: "Not without a pharmacist's word on that very medicine.",
    general: {
      severity: "caution",
      says: "{plants} {weakens|weaken} many medicines.",
      todo: "Not for anyone on a medicine without a pharmacist's word.",
    },
    label: "Not with medicines unless a pharmacist agrees.",
  }),
  concerning({
    id: "immune-treatment",
    basis: "plants said to rouse the immune system, against treatment that holds it down; theoretical",
    lines: any("immune"),
    whose: flagged("immune-medicine"),
    says: "{plants} may work against the treatment {people} {takes|take}.",
    todo: ASK,
  }),
  concerning({
    id: "blood",
    basis:
      "garlic, ginger, turmeric in kitchen amounts; antiplatelet effects in the laboratory, rare case reports; coumarins of cassia and clover",
    lines: any("blood-kitchen", "blood"),
    whose: flagged("blood-thinner"),
    says: "{plants} may add to the blood thinner {people} {takes|take}.",
    todo: "Ask the pharmacist first.",
    general: { says: "{plants}: food in kitchen amounts.", todo: "With blood thinners, ask first." },
  }),
  concerning({
    id: "surgery",
    basis:
      "surgical guidance to stop herbs that act on bleeding, sedation or blood sugar one to two weeks before",
    lines: any("surgery", "blood", "blood-kitchen"),
    whose: surgeryNear,
    says: (s) =>
      `{plants} may add to bleeding or to the anaesthetic: {people} {has|have} an operation within two weeks of ${s.program.steep ? "now or of the day it is ready" : "taking it"}.`,
    todo: "Ask the ward; most want two weeks without.",
  }),
  concerning({
    id: "warfarin",
    basis: "vitamin K in nettle and parsley; interactions of goji in case reports",
    lines: any("warfarin"),
    whose: flagged("blood-thinner"),
    says: "{plants} can shift what warfarin does: {people}.",
    todo: "No sudden changes; tell whoever checks the blood.",
  }),
  concerning({
    id: "liquorice",
    basis: "glycyrrhizin raises blood pressure and lowers potassium (EFSA, EMA monographs)",
    lines: any("liquorice"),
    whose: flagged("blood-pressure", "heart", "pregnant", "kidney"),
    says: "{plants} {raises|raise} blood pressure and {lowers|lower} potassium: not for {people} without a pharmacist's word.",
    todo: "It also disturbs water tablets and digoxin. Leave it out, or ask.",
    general: {
      says: "{plants} {raises|raise} blood pressure and {lowers|lower} potassium when taken daily.",
      todo: "Small amounts, not for weeks; not with water tablets, digoxin, high blood pressure or in pregnancy.",
    },
    label: "Contains liquorice: not with high blood pressure, heart medicines or in pregnancy.",
  }),
  concerning({
    id: "heart",
    basis:
      "hawthorn and motherwort may add to heart medicines; laxatives and liquorice lower potassium, which digoxin needs",
    lines: any("heart"),
    whose: flagged("heart", "blood-pressure"),
    says: "{plants} may disturb the heart or water medicine {people} {takes|take}.",
    todo: ASK,
    general: {
      says: "{plants}: with heart medicines, ask first.",
      todo: "A pharmacist can say whether the two go together.",
    },
  }),
  concerning({
    id: "blood-pressure",
    basis: "hibiscus lowers blood pressure a little in trials; nettle and dandelion make water",
    lines: any("blood-pressure", "diuretic"),
    whose: flagged("blood-pressure", "heart"),
    says: "{plants} may add to what {people} {takes|take} for blood pressure or water.",
    todo: ASK,
  }),
  concerning({
    id: "diabetes",
    basis:
      "small blood-sugar effects of fenugreek, cinnamon, holy basil, aloe and ginseng in trials, added to medicine",
    lines: any("diabetes"),
    whose: flagged("diabetes-medicine", "blood-sugar"),
    says: "{plants} may lower blood sugar on top of what {people} {takes|take} or {minds|mind}.",
    todo: ASK,
  }),
  concerning({
    id: "kava",
    basis: "liver injury reported with kava; regulators restrict it",
    lines: any("kava"),
    whose: (p) => flagged("liver", "sedative", "avoids-alcohol", "recovery")(p) || takesMedicine(p),
    severity: (p) => (flagged("liver")(p) ? "stop" : "caution"),
    anyAmount: true,
    says: "{plants} {has|have} harmed livers: not for {people}.",
    todo: "Take it out, or ask a practitioner.",
    general: {
      severity: "caution",
      says: "{plants} {has|have} harmed livers, and never {goes|go} with alcohol.",
      todo: "Check that it may be used where you are; never with drink or other medicines.",
    },
    label: "Not with alcohol or medicines, or with liver trouble.",
  }),
  concerning({
    id: "sedative",
    basis: "additive drowsiness with sedatives and alcohol",
    lines: any("sedative"),
    whose: flagged("sedative", "epilepsy"),
    says: "{plants} {makes|make} drowsy, on top of what {people} {takes|take}.",
    todo: ASK,
    general: {
      says: (s) =>
        `{plants} {makes|make} drowsy${s.reckoning.finished.abv.value >= 0.5 ? ", more so in spirit" : ""}.`,
      todo: "Not before driving, not with sedatives or drink.",
    },
    label: "May make drowsy.",
  }),
  concerning({
    id: "grapefruit",
    basis: "furanocoumarins of Seville orange and grapefruit stop the gut from clearing many medicines",
    lines: any("furanocoumarin"),
    whose: takesMedicine,
    anyAmount: true,
    says: "{plants} {makes|make} many medicines stronger, and {people} {takes|take} one.",
    todo: "Take sweet orange or lemon peel instead, or ask the pharmacist.",
    general: {
      says: "{plants} {makes|make} many medicines stronger.",
      todo: "Not for anyone on a medicine without a pharmacist's word.",
    },
    label: "Not with medicines unless a pharmacist agrees.",
  }),
  concerning({
    id: "delays-medicine",
    basis: "mucilage and fibre bind medicines in the gut; monographs ask for an hour between",
    lines: any("delays-medicine"),
    whose: takesMedicine,
    says: "{plants} {holds|hold} back medicines taken with {it|them}: {people} {takes|take} one.",
    todo: "An hour before it or two after.",
  }),
  concerning({
    id: "raw-vinegar",
    basis: "unpasteurised vinegar is alive",
    lines: any("raw"),
    whose: flagged("immune-medicine"),
    severity: "note",
    anyAmount: true,
    says: "{plants} {is|are} alive: for {people} take one that was pasteurised.",
    todo: ASK,
  }),
];
