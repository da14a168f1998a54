import { type Caution, EVERYWHERE, type Rule, type Situation, type Stage } from "./caution";
import { withHeld } from "./held";
import { RANK } from "./rank";
import { DOSE } from "./rules/dose";
import { KEEPING } from "./rules/keeping";
import { KITCHEN } from "./rules/kitchen";
import { NEVER } from "./rules/never";
import { OF_WHAT_STOOD } from "./rules/not-known";
import { PEOPLE } from "./rules/people";
import { PLANTS } from "./rules/plants";
import { STAYS_IN } from "./rules/stays";
import { VESSEL } from "./rules/vessel";
import { WORDS } from "./rules/words";

/** Every rule has a basis in docs/cautions.md. The engine runs on every change of a plan, at straining, at bottling and for the label. */
export const RULE_GROUPS: ReadonlyArray<readonly [string, readonly Rule[]]> = [
  ["Never", NEVER],
  ["People", PEOPLE],
  ["Dose", DOSE],
  ["What stood already", OF_WHAT_STOOD],
  ["Plants", PLANTS],
  ["Vessel and kitchen", [...VESSEL, ...KITCHEN]],
  ["Keeping", [...KEEPING, ...STAYS_IN]],
  ["Words", WORDS],
];
export const RULES: readonly Rule[] = RULE_GROUPS.flatMap(([, rules]) => rules);

/** Rules of the liquid, the vessel and the hands go by what is poured; the rest by all that is in it, a bottle of ours opened up. */
const AS_IT_IS: ReadonlySet<Rule> = new Set([...VESSEL, ...KITCHEN, ...KEEPING]);

/** Every caution a plan raises, gravest first. */
export function cautionsOf(s: Situation): Caution[] {
  const out: Caution[] = [];
  const held = withHeld(s);
  for (const r of RULES)
    for (const c of r.fires(AS_IT_IS.has(r) ? s : held))
      out.push({ id: r.id, about: { what: "whole" }, stages: r.stages ?? EVERYWHERE, ...c });
  return out.sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}

const OF_PEOPLE: ReadonlySet<string> = new Set([...PEOPLE, ...DOSE, ...OF_WHAT_STOOD].map((r) => r.id));
/** Those about whoever takes it, that want more than to be known; what must never be swallowed is among them. */
export const forWhoTakesIt = (cautions: readonly Caution[]): Caution[] =>
  cautions.filter((c) => c.severity === "never" || (OF_PEOPLE.has(c.id) && c.severity !== "note"));

/** Those wanted at a stage. */
export const cautionsAt = (stage: Stage, cautions: readonly Caution[]): Caution[] =>
  cautions.filter((c) => c.stages.includes(stage));

/** Stops that have no reason yet. */
export const unanswered = (
  cautions: readonly Caution[],
  reasons: Readonly<Record<string, string>>,
): Caution[] => cautions.filter((c) => c.severity === "stop" && !reasons[c.id]?.trim());

/** The fixed line shown in one unobtrusive place. */
export const NOT_ADVICE =
  "Not medical advice; ask a licensed practitioner or pharmacist. Where something is sold or given away, local food law applies.";
