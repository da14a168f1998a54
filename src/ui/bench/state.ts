import { MATERIALS, type Catalogue } from "@/core/material/catalogue";
import { type LeftOut, leftOut } from "@/core/plan/carried";
import { linesOf, naming } from "@/core/plan/edit";
import type { Nameless } from "@/core/plan/ids";
import { KIND } from "@/core/plan/kinds";
import type { Kind, Line, Plan } from "@/core/plan/plan";
import { type Bench as Fittings, emptyPlan, roleOf } from "@/core/plan/ways";
import type { UnitSystem } from "@/core/quantity/units";
import { capital } from "@/core/words";
import { type Around, type Made, make } from "./made";

/** A recipe of the book, at one of its versions. */
export interface BenchRecipe {
  readonly id: string;
  readonly version: number;
  readonly name: string;
}

/** What the Bench holds: the plan, whether its name was typed, and the ids it will be begun under. */
export interface Bench {
  readonly plan: Plan;
  readonly named: boolean;
  readonly id: string;
  readonly key: string;
  readonly reasons: Readonly<Record<string, string>>;
  /** What is to be begun after this: the other jar of a batch in two. */
  readonly rest: readonly Plan[];
  /** The recipe of the book it is made from, where it is from one. */
  readonly recipe?: BenchRecipe | undefined;
  /** A shop's bottle to set the cost against, as typed. */
  readonly shop: { readonly price: string; readonly ml: string };
  /** How many jars are filled alike. */
  readonly jars: number;
}

/** A clear Bench, in the cautious way of a kind. */
export const fresh = (household: UnitSystem, fittings: Fittings, kind: Kind = "oxymel"): Bench => ({
  plan: emptyPlan(kind, household, fittings),
  named: false,
  id: crypto.randomUUID(),
  key: crypto.randomUUID(),
  reasons: {},
  rest: [],
  shop: { price: "", ml: "" },
  jars: 1,
});

/** What a line was before its form was changed, so that the old amount can be had again. */
export interface Hint {
  readonly was: Line;
  readonly is: Line;
}

/** The Bench, its history, and all that follows from the plan on it. */
export interface State {
  readonly now: Bench;
  readonly past: readonly Bench[];
  readonly future: readonly Bench[];
  /** What the last change was about; changes of one drag share it and undo as one. */
  readonly about: string | undefined;
  readonly hint: Hint | undefined;
  /** What the maker had said and the way chosen last has no place for. */
  readonly left: LeftOut | undefined;
  readonly around: Around;
  readonly made: Made;
}

/** What an edit may look at: the plan as it stands, and what follows from it. */
export type Edit = (plan: Plan, made: Made) => Plan;

export type Action =
  | { readonly do: "edit"; readonly edit: Edit; readonly about?: string | undefined; readonly hint?: boolean }
  | { readonly do: "change"; readonly to: Partial<Bench>; readonly about?: string | undefined }
  | { readonly do: "rename"; readonly name: string }
  | { readonly do: "undo" }
  | { readonly do: "redo" }
  | { readonly do: "replace"; readonly to: Bench }
  | { readonly do: "stores"; readonly around: Around };

const MOST = 200;

/** The plan under the name it goes by: the typed one, or its usual one. */
const called = (b: Bench, catalogue: Catalogue | undefined): Plan =>
  b.named ? b.plan : { ...b.plan, name: usualName(b.plan, catalogue) };

const remade = (s: State, now: Bench): Made =>
  make(called(now, s.around.context.materials), s.around, s.made);

/** What a change of way leaves out; putting one of them in again keeps the others before the maker. */
function leftBy(s: State, to: Plan): LeftOut | undefined {
  if (to.way !== s.now.plan.way) return leftOut(s.now.plan, to);
  const still = s.left?.lines.filter(
    (l) => !linesOf(to).some((x) => x.material === l.material && x.amount === l.amount),
  );
  return s.left && still && { ...s.left, lines: still };
}

function changed(s: State, to: Bench, about: string | undefined, hint?: Hint): State {
  const joins = about !== undefined && about === s.about;
  return {
    ...s,
    now: to,
    past: joins ? s.past : [...s.past.slice(-MOST), s.now],
    future: [],
    about,
    hint,
    left: leftBy(s, to.plan),
    made: remade(s, to),
  };
}

/** The line an edit changed, before and after, where it changed just one. */
function hintOf(was: Plan, is: Plan): Hint | undefined {
  const before = new Map(linesOf(was).map((l) => [l.id, l]));
  const other = linesOf(is).filter((l) => before.has(l.id) && before.get(l.id) !== l);
  return other.length === 1 ? { was: before.get(other[0]!.id)!, is: other[0]! } : undefined;
}

/** Gone through by key a list of forms passes the ones between: what it was is what it was before the first of them. */
function hintAfter(s: State, plan: Plan): Hint | undefined {
  const hint = hintOf(s.now.plan, plan);
  return hint && s.hint && hint.was === s.hint.is ? { ...hint, was: s.hint.was } : hint;
}

function edited(s: State, a: Extract<Action, { do: "edit" }>): State {
  const plan = a.edit(s.now.plan, s.made);
  if (plan === s.now.plan) return s;
  // What was said of it stays said, whatever the edit made it from.
  const to = { ...s.now, plan: { ...plan, name: s.now.plan.name } };
  return changed(s, to, a.about, a.hint ? hintAfter(s, plan) : undefined);
}

/** Undo and redo bring back what was planned, not the ids it is begun under. */
const backTo = (s: State, b: Bench): Bench => ({ ...b, id: s.now.id, key: s.now.key });

/** The Bench as pure steps; a change with the same `about` as the last one joins it. */
export function step(s: State, a: Action): State {
  switch (a.do) {
    case "edit":
      return edited(s, a);
    case "change":
      return changed(s, { ...s.now, ...a.to }, a.about, s.hint);
    case "rename": {
      const { name } = a;
      const plan = { ...s.now.plan, name: name || "Untitled" };
      return changed(s, { ...s.now, plan, named: name !== "" }, "name", s.hint);
    }
    case "undo": {
      const last = s.past.at(-1);
      if (!last) return s;
      const now = backTo(s, last);
      const past = s.past.slice(0, -1);
      return {
        ...s,
        now,
        past,
        future: [s.now, ...s.future],
        about: undefined,
        hint: undefined,
        left: undefined,
        made: remade(s, now),
      };
    }
    case "redo": {
      const next = s.future[0];
      if (!next) return s;
      const now = backTo(s, next);
      const past = [...s.past, s.now];
      return {
        ...s,
        now,
        past,
        future: s.future.slice(1),
        about: undefined,
        hint: undefined,
        left: undefined,
        made: remade(s, now),
      };
    }
    case "replace":
      return begun(a.to, s.around);
    case "stores":
      return { ...s, around: a.around, made: make(called(s.now, a.around.context.materials), a.around) };
  }
}

/** A Bench nobody has touched yet. */
export const begun = (now: Bench, around: Around): State => ({
  now,
  past: [],
  future: [],
  about: undefined,
  hint: undefined,
  left: undefined,
  around,
  made: make(called(now, around.context.materials), around),
});

/** A new line goes in with the first things; herbs stand before what is poured over them. */
export function addLine(plan: Plan, line: Nameless<Line>, into?: string): Plan {
  const at = plan.steps.find((x) => x.do === "add" && (into === undefined || x.id === into));
  const { made, ids } = naming(plan, (n): Line => ({ ...line, id: n.next() }));
  if (at?.do !== "add") {
    const named = naming({ ...plan, ids }, (n) => n.next());
    return { ...plan, ids: named.ids, steps: [{ id: named.made, do: "add", what: [made] }, ...plan.steps] };
  }
  const pour = roleOf(line) === "herb" ? at.what.findIndex((l) => roleOf(l) !== "herb") : -1;
  const what = at.what.toSpliced(pour < 0 ? at.what.length : pour, 0, made);
  return { ...plan, ids, steps: plan.steps.map((s) => (s === at ? { ...at, what } : s)) };
}

/** A liquid the plan pours already is that line: what was typed sets its amount. Nothing where it pours none. */
export function pouredAlready(plan: Plan, line: Nameless<Line>, into?: string): Line | undefined {
  const step = plan.steps.find((x) => x.do === "add" && (into === undefined || x.id === into));
  const role = roleOf(line);
  if (step?.do !== "add" || role === "herb") return undefined;
  return (
    step.what.find((l) => l.material === line.material) ??
    step.what.find((l) => roleOf(l) === role && role !== "sour" && role !== "water")
  );
}

/** A name from what is in it: “Hyssop & fennel seed oxymel”. */
export function usualName(plan: Plan, catalogue: Catalogue = MATERIALS): string {
  // A bottle of ours is called by its code here: its name is another remedy's.
  const own = new Map(plan.materials?.map((m) => [m.id, m.holds ? m.names.at(-1)! : m.names[0]!]));
  const named = (id: string): string => catalogue.get(id)?.row.names[0] ?? own.get(id) ?? id;
  const herbs = [
    ...new Set(
      linesOf(plan)
        .filter((l) => roleOf(l) === "herb")
        .map((l) => named(l.material)),
    ),
  ];
  const kind = KIND[plan.kind].name;
  const [first, second, ...more] = herbs;
  if (first === undefined) return `A new ${kind}`;
  const rest = second === undefined ? "" : ` & ${second}`;
  const words = more.length > 0 ? `${first}, ${second} & more` : `${first}${rest}`;
  return `${capital(words)} ${kind}`.slice(0, 80);
}
