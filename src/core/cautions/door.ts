import { type Person, isCalledBaby } from "../people/person";
import type { Day } from "../day";
import type { Program } from "../reckoning/program";
import type { Reckoning } from "../reckoning/reckon";
import type { Caution } from "./caution";
import { cautionsOf } from "./rules";

/** Wherever a bottle and somebody meet: a course, a gift, a spoon poured “for …”. */
export interface AtTheDoor {
  /** Who takes it, as it was typed; nobody named means whom it was made for. */
  readonly who: string | undefined;
  readonly meantFor: readonly string[] | undefined;
  readonly people: readonly Person[];
  readonly today: Day;
}

const escaped = (s: string): string => s.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
const names = (text: string, p: Person): boolean =>
  new RegExp(`(?:^|[^\\p{L}])${escaped(p.name)}(?:$|[^\\p{L}])`, "iu").test(text);

/** Everybody that a name speaks of: those of the household whose names stand in it, and a baby that nobody wrote down. */
export function thoseNamed(d: AtTheDoor): Person[] {
  return (d.who === undefined ? (d.meantFor ?? []) : [d.who]).flatMap((text) => {
    const known = d.people.filter((p) => names(text, p));
    if (known.length > 0) return known;
    return isCalledBaby(text) ? [{ name: text.trim(), flags: [], allergies: [] }] : [];
  });
}

/** What must never be swallowed, or never by these; nothing where nothing forbids it. */
export function neverAtTheDoor(
  { program, reckoning }: { readonly program: Program; readonly reckoning: Reckoning },
  d: AtTheDoor,
): Caution | undefined {
  const meantFor = thoseNamed(d);
  return cautionsOf({ program, reckoning, meantFor, others: [], today: d.today }).find(
    (c) => c.severity === "never",
  );
}
