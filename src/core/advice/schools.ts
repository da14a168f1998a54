import { KIND, type QuestionId } from "../plan/kinds";
import type { Plan } from "../plan/plan";
import type { Measures } from "../reading/measures";
import { GARLIC } from "./schools/garlic";
import { HERB_SHARE, PLANT_IN_HONEY } from "./schools/herb";
import { PEEL } from "./schools/peel";
import { HONEY_AT, ORDER, SWEETENER, VINEGAR, WHICH_SWEETENER } from "./schools/pouring";
import type { Question, School } from "./schools/school";
import { PLANT_TO_WATER, SIMMER_TIME } from "./schools/stove";
import { LID, PLACE, SHAKING, STEEP_TIME } from "./schools/standing";
import { TAKING } from "./schools/taking";

export type { Question, School } from "./schools/school";

/** Every question makers disagree on; which are asked of a kind is the kind’s to say. */
export const QUESTIONS: Readonly<Record<QuestionId, Question>> = {
  "herb-share": HERB_SHARE,
  order: ORDER,
  vinegar: VINEGAR,
  "steep-time": STEEP_TIME,
  "simmer-time": SIMMER_TIME,
  "plant-to-water": PLANT_TO_WATER,
  peel: PEEL,
  shaking: SHAKING,
  place: PLACE,
  lid: LID,
  "honey-at": HONEY_AT,
  "which-sweetener": WHICH_SWEETENER,
  sweetener: SWEETENER,
  garlic: GARLIC,
  "plant-in-honey": PLANT_IN_HONEY,
  taking: TAKING,
};

/** Whether a school can be said of a plan: an answer that would leave it as it is, say because cloves are never dried, is none. */
const canBe = (s: School, plan: Plan): boolean =>
  (s.fits?.(plan) ?? true) && (s.holds(plan) || s.holds(s.make(plan)));

/** The questions that make a difference to a plan, each with the schools that can be said of it. */
export const questionsFor = (plan: Plan): readonly Question[] =>
  KIND[plan.kind].questions
    .map((id) => QUESTIONS[id])
    .filter((q) => q.when?.(plan) ?? true)
    .map((q) => ({ ...q, schools: q.schools.filter((s) => canBe(s, plan)) }));

/** The school a plan follows on a question; nothing where it goes its own way. */
export const schoolOf = (q: Question, plan: Plan): School | undefined => q.schools.find((s) => s.holds(plan));

/** A school's name as the household reads its thermometer; each scale has its own round figure. */
export function schoolName({ name }: School, measures: Measures): string {
  if (typeof name === "string") return name;
  return measures.temperature(measures.degrees === "F" ? ((name.fahrenheit - 32) * 5) / 9 : name.celsius);
}
