import type { Tag } from "../material/tags";
import type { Day } from "../day";
import type { Person } from "../people/person";
import type { ReadStep } from "../plan/read-plan";
import type { Reckoning } from "../reckoning/reckon";
import { cookedMinutes } from "../plan/cooked";
import { minutesOver } from "../reckoning/heat";
import type { Program, Resolved } from "../reckoning/program";
import { listed } from "../words";

/** `never`: no reason is accepted. `stop`: change the plan or give a reason that is kept. `caution`: must be seen. `note`: good to know. */
export type Severity = "never" | "stop" | "caution" | "note";

/** When a caution is wanted. A plan shows those of `plan`; the walks of a batch those of their own step. */
export const STAGES = ["plan", "make", "strain", "bottle", "label"] as const;
export type Stage = (typeof STAGES)[number];

/** What a caution stands beside. */
export type About =
  | { readonly what: "line"; readonly line: string }
  | { readonly what: "step"; readonly step: string }
  | { readonly what: "vessel" | "people" | "name" | "taken" | "whole" };

export interface Caution {
  readonly id: string;
  readonly severity: Severity;
  /** What is so, one calm sentence. */
  readonly says: string;
  /** What to do about it. */
  readonly todo: string;
  readonly about: About;
  readonly stages: readonly Stage[];
  /** It speaks of somebody of this household by name. */
  readonly personal?: true;
  /** Short words for the bottle's label, where it goes there. */
  readonly label?: string;
}

/** Everything a rule may look at. */
export interface Situation {
  readonly program: Program;
  readonly reckoning: Reckoning;
  /** Those of the household it is meant for; nobody named means nobody in particular. */
  readonly meantFor: readonly Person[];
  /** Names it is meant for that nobody of the household bears. */
  readonly strangers?: readonly string[];
  /** mL of it taken in a day, where a course lays that down. */
  readonly dayMl?: number | undefined;
  /** Days on end that a course runs. */
  readonly days?: number | undefined;
  /** The rest of the household. */
  readonly others: readonly Person[];
  readonly today: Day;
}

export type Raised = Omit<Caution, "id" | "stages" | "about"> & {
  readonly about?: About;
  readonly stages?: readonly Stage[];
};

export interface Rule {
  readonly id: string;
  /** What the rule rests on; stands in docs/cautions.md. */
  readonly basis: string;
  /** Where it is shown unless a firing says otherwise. */
  readonly stages?: readonly Stage[];
  readonly fires: (s: Situation) => readonly Raised[];
}

/** While planning and on every step after it. */
export const EVERYWHERE: readonly Stage[] = STAGES;
/** While it is being made: known already when planning, but said where the hands are. */
export const IN_THE_KITCHEN: readonly Stage[] = ["make"];

export const has = (l: Resolved, ...tags: readonly Tag[]): boolean =>
  tags.some((t) => l.stuff.tags.includes(t));
/** It goes in as the plant it is, through one's own hands; not in a bottle of ours. */
export const inHand = (l: Resolved): boolean => l.heated === undefined;
export const beside = (l: Resolved): About => ({ what: "line", line: l.line.id });
export const besideStep = (step: string): About => ({ what: "step", step });
export const names = (lines: readonly Resolved[], most = 3): string =>
  listed([...new Set(lines.map((l) => l.stuff.name))].slice(0, most));

/** Lines with any of the tags. */
export const tagged = (s: Situation, ...tags: readonly Tag[]): readonly Resolved[] =>
  s.program.lines.filter((l) => has(l, ...tags));

/** One caution for each line that passes a test. */
export const eachLine =
  (
    test: (l: Resolved, s: Situation) => boolean,
    make: (l: Resolved, s: Situation) => Omit<Raised, "about">,
  ) =>
  (s: Situation): Raised[] =>
    s.program.lines.filter((l) => test(l, s)).map((l) => ({ ...make(l, s), about: beside(l) }));

/** One caution for all lines with any of the tags, beside the first of them. */
export const allTagged =
  (
    tags: readonly Tag[],
    make: (lines: readonly Resolved[], s: Situation) => Omit<Raised, "about"> | undefined,
  ) =>
  (s: Situation): Raised[] => {
    const lines = tagged(s, ...tags);
    const raised = lines.length > 0 ? make(lines, s) : undefined;
    return raised ? [{ ...raised, about: beside(lines[0]!) }] : [];
  };

/** Minutes on the heat that a line goes through, from where it goes in to the next straining, and what it went through before. */
export const heatAfter = (s: Situation, l: Resolved): number =>
  (l.heated ?? 0) + cookedMinutes(l.line) + minutesOver(s.program.read.steps, l.step);

/** “the keeper”, “the keeper and the boatwright”. */
export const who = (people: readonly Person[]): string => listed(people.map((p) => p.name));

/** The id of the first step that passes a test. */
export const stepThat = (s: Situation, test: (step: ReadStep) => boolean): string | undefined =>
  s.program.read.steps.find(test)?.id;
