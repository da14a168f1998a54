import { EVERYWHERE, type About, type Raised, type Rule, type Situation } from "../caution";

/** Words that promise a remedy does something to an illness; on a bottle that is given or sold they are a claim. */
const CLAIM =
  /\b(?:cures?|cured|curing|curative|treats?|treatment|treating|heals?|healing|prevents?|preventing|prevention|kills? (?:germs|viruses|bacteria)|fights? (?:colds?|flu|infections?|viruses)|boosts? (?:the )?immun\w*|anti-?(?:viral|biotic|bacterial|inflammatory|cancer)|cancer|covid|influenza|remedy for|good for (?:your |the )?(?:heart|liver|kidneys?|lungs?|blood|cough|colds?|flu))\b/i;
/** Names and ordinary words that a claim's word stands in: self-heal is a plant, and a winter treat is nice to have. */
const NO_CLAIM =
  /\b(?:self|all|wound)[- ]?heal(?:er|ing)?\b|\btreats?\b(?!\s+(?:the|your|a|an|my|any|all|coughs?|colds?|flu|fevers?|sore|pain|infections?|chills?|asthma|\w+itis)\b)|\bheal-?all\b/gi;
const claimIn = (text: string): RegExpExecArray | null =>
  CLAIM.exec(text.replace(NO_CLAIM, (w) => " ".repeat(w.length)));

/** The words of a text that claim to do something to an illness, where it does. */
export const healthClaim = (text: string): string | undefined => claimIn(text)?.[0];

/** More often than a remedy is taken: by the minute or the hour, by the glass or the bottle. */
const OFTEN =
  /\b(?:every|each) (?:(?:half|quarter|one|two|three|few|\d{1,2})(?: of)? )?(?:an? )?(?:hours?|minutes?|mins?|hrs?)\b|\bhourly\b|\bas (?:much|often) as (?:you|they) (?:like|want|please)\b|\b(?:an?|one|two|three|half an?|½|\d+) (?:glass|cup|mug|bottle|pint|tumbler|jar)(?:es|ful|fuls|s)?\b[^.;]*\b(?:daily|a day|per day|each day|every day|times|hours?|night|morning)\b|\b(?:[5-9]|1\d|five|six|seven|eight|nine|ten) times (?:a|per|each) day\b|\bunlimited\b|\ball day\b/i;
const SHORT =
  /\b(?:for a few days|few days,? then|at (?:the )?first signs?|then rest|only when ill|short course)\b/i;

const said = (s: Situation): readonly (readonly [string, About])[] => [
  [s.program.plan.name, { what: "name" }],
  [s.program.plan.taken ?? "", { what: "taken" }],
];

export const WORDS: readonly Rule[] = [
  {
    id: "health-claim",
    basis:
      "food law in most places forbids claims that a food treats, prevents or cures; this product makes none",
    stages: EVERYWHERE,
    fires: (s) =>
      said(s).flatMap(([text, about]): Raised[] => {
        const m = claimIn(text);
        return m
          ? [
              {
                severity: "caution",
                says: `“${m[0]}” is a health claim, and would stand on the label.`,
                todo: "Say what it is and how it is taken; what it is hoped to do belongs in your own notes.",
                about,
              },
            ]
          : [];
      }),
  },
  {
    id: "too-often",
    basis: "more is not better: a remedy by the hour or the glass is not just food",
    stages: EVERYWHERE,
    fires: (s) => {
      const m = OFTEN.exec(s.program.plan.taken ?? "");
      return m
        ? [
            {
              severity: "caution",
              says: `“${m[0]}” is often, for a remedy.`,
              todo: "It is not only food. Say a spoon and how many times a day; an unpleasant reaction is a reason to stop.",
              about: { what: "taken" },
            },
          ]
        : [];
    },
  },
  {
    id: "short-course",
    basis: "plants taken at first signs are rested from after some days",
    stages: ["plan", "bottle", "label"],
    fires: (s) =>
      SHORT.test(s.program.plan.taken ?? "")
        ? [
            {
              severity: "note",
              says: "Taken for a few days, then rested from.",
              todo: "The label says so; count the days.",
              about: { what: "taken" },
            },
          ]
        : [],
  },
];
