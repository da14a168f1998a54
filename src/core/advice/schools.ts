import { KIND, type QuestionId } from "../plan/kinds";
import type { Plan } from "../plan/plan";
import { GARLIC } from "./schools/garlic";
import { HERB_SHARE, PLANT_IN_HONEY } from "./schools/herb";
import { HONEY_AT, ORDER, SWEETENER, VINEGAR } from "./schools/pouring";
import type { Question, School } from "./schools/school";
import { CIDER_STEEP, PLACE, SHAKING } from "./schools/standing";
import { TAKING } from "./schools/taking";

export type { Question, School } from "./schools/school";

/** Every question makers disagree on; which are asked of a kind is the kind’s to say. */
export const QUESTIONS: Readonly<Record<QuestionId, Question>> = {
  "herb-share": HERB_SHARE,
  order: ORDER,
  vinegar: VINEGAR,
  "cider-steep": CIDER_STEEP,
  shaking: SHAKING,
  place: PLACE,
  "honey-at": HONEY_AT,
  sweetener: SWEETENER,
  garlic: GARLIC,
  "plant-in-honey": PLANT_IN_HONEY,
  taking: TAKING,
};

/** The questions that make a difference to a plan, each with the schools that can be said of it. */
export const questionsFor = (plan: Plan): readonly Question[] =>
  KIND[plan.kind].questions
    .map((id) => QUESTIONS[id])
    .filter((q) => q.when?.(plan) ?? true)
    .map((q) => ({ ...q, schools: q.schools.filter((s) => s.fits?.(plan) ?? true) }));

/** The school a plan follows on a question; nothing where it goes its own way. */
export const schoolOf = (q: Question, plan: Plan): School | undefined => q.schools.find((s) => s.holds(plan));
