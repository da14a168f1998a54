import type { Tag } from "../../../material/tags";
import { type Flag, type Person, is } from "../../../people/person";
import type { Resolved } from "../../../reckoning/program";
import { capital } from "../../../words";
import {
  EVERYWHERE,
  type Raised,
  type Rule,
  type Severity,
  type Situation,
  type Stage,
  beside,
  names,
  tagged,
  who,
} from "../../caution";
import { RANK } from "../../rank";
import { isSeasoning } from "./doses";

export interface Concern {
  readonly id: string;
  readonly basis: string;
  /** What raises it. */
  readonly lines: (s: Situation) => readonly Resolved[];
  readonly whose: (p: Person, s: Situation) => boolean;
  /** How grave it is for someone it is meant for; `caution` unless said. Of several people the gravest counts. */
  readonly severity?: Severity | ((p: Person, s: Situation) => Severity);
  /** `{plants}`, `{people}`, and after either `{one|many}` for the verb that goes with it. */
  readonly says: string | ((s: Situation) => string);
  readonly todo: string;
  /** Any amount of it counts, however little a day's taking holds. */
  readonly anyAmount?: boolean;
  /** Said where it is meant for no one of them, a good thing to know all the same. */
  readonly general?: {
    readonly severity?: Severity;
    readonly says: string | ((s: Situation) => string);
    readonly todo: string;
  };
  readonly label?: string | ((s: Situation) => string);
}

/** What holds for anyone is said when planning and again on the bottle; over the stove and the sieve only what is about someone it is meant for. */
export const FOR_ANYONE: readonly Stage[] = ["plan", "bottle", "label"];

/** Names that speak of many: “hops”, “milky oats”, “conifer tips”. */
const isMany = (name: string): boolean =>
  /(?:[^suia]s|[^s]ss?es|flakes|tips|oats)$/.test(name) && !/(?:ss|us|is)$/.test(name);

/** A sentence with its plants and people in it, and its verbs agreeing with whichever was named last. */
export function sentence(template: string, plants: readonly Resolved[], people: readonly Person[]): string {
  const kinds = [...new Set(plants.map((l) => l.stuff.name))];
  let many = false;
  const put = (_: string, inside: string): string => {
    switch (inside) {
      case "plants":
        many = kinds.length > 1 || kinds.some(isMany);
        return names(plants);
      case "people":
        many = people.length > 1;
        return who(people);
      default:
        return inside.split("|")[many ? 1 : 0]!;
    }
  };
  return capital(template.replace(/\{([^}]+)\}/g, put));
}

const spoken = (t: string | ((s: Situation) => string), s: Situation): string =>
  typeof t === "string" ? t : t(s);

function gravest(c: Concern, people: readonly Person[], s: Situation): Severity {
  const each = people.map((p) =>
    typeof c.severity === "function" ? c.severity(p, s) : (c.severity ?? "caution"),
  );
  return each.reduce((a, b) => (RANK[b] < RANK[a] ? b : a));
}

/**
 * A rule about people: grave for those it is meant for; a note naming those of the household it would not suit while nobody is named;
 * otherwise its general note, if it has one. What a meal is seasoned with is a note for anyone.
 */
export function concerning(c: Concern): Rule {
  return {
    id: c.id,
    basis: c.basis,
    stages: EVERYWHERE,
    fires: (s): Raised[] => {
      const lines = c.lines(s);
      if (lines.length === 0) return [];
      const label = c.label === undefined ? {} : { label: spoken(c.label, s) };
      const about = beside(lines[0]!);
      const little = c.anyAmount !== true && isSeasoning(lines, s);
      const raise = (
        severity: Severity,
        says: string,
        todo: string,
        people: readonly Person[],
        more: object,
      ): Raised[] => [
        {
          severity: little ? "note" : severity,
          says: sentence(says, lines, people),
          todo,
          about,
          ...(people.length > 0 ? { personal: true as const } : {}),
          ...more,
        },
      ];
      const meant = s.meantFor.filter((p) => c.whose(p, s));
      if (meant.length > 0) return raise(gravest(c, meant, s), spoken(c.says, s), c.todo, meant, label);
      const maybe = s.meantFor.length === 0 ? s.others.filter((p) => c.whose(p, s)) : [];
      const anyone = { stages: FOR_ANYONE, ...label };
      if (maybe.length > 0)
        return raise(c.general?.severity ?? "note", spoken(c.says, s), c.todo, maybe, anyone);
      const g = c.general;
      return g ? raise(g.severity ?? "note", spoken(g.says, s), g.todo, [], anyone) : [];
    },
  };
}

export const any =
  (...tags: Tag[]) =>
  (s: Situation): readonly Resolved[] =>
    tagged(s, ...tags);
export const ofClass =
  (...classes: string[]) =>
  (s: Situation): readonly Resolved[] =>
    s.program.lines.filter((l) => classes.includes(l.stuff.class));
export const flagged =
  (...flags: readonly Flag[]) =>
  (p: Person): boolean =>
    flags.some((f) => is(f)(p));
export const nobody = (): boolean => false;
export const ASK = "Ask a pharmacist or practitioner first.";
