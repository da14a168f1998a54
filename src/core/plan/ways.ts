import { VESSELS } from "../vessel/catalogue";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import type { Form } from "../material/classes";
import { readAmount } from "../reading/amounts";
import { isOwn, ownInto } from "./carried";
import { linesOf } from "./edit";
import { Ids } from "./ids";
import {
  KIND,
  type Bare,
  type Local,
  type Role,
  type Way,
  type WayLine,
  type WayStep,
  cautiousWay,
  wayById,
} from "./kinds";
import { type Kind, type Line, PLAN_FORMAT, PLAN_VERSION, type Plan, type Step } from "./plan";

const CLASS_ROLE: Readonly<Record<string, Role>> = {
  vinegar: "vinegar",
  honey: "sweet",
  sugar: "sweet",
  syrup: "sweet",
  spirit: "spirit",
  water: "water",
  juice: "sour",
  acid: "sour",
  glycerin: "glycerin",
};

export function roleOf(line: Pick<Line, "material">, catalogue: Catalogue = MATERIALS): Role {
  const m = catalogue.get(line.material);
  return m?.kind === "stuff" ? (CLASS_ROLE[m.row.class] ?? "herb") : "herb";
}

const USUAL: Readonly<Record<Exclude<Role, "herb">, string>> = {
  vinegar: "cider-vinegar",
  sweet: "honey",
  spirit: "vodka-40",
  water: "water",
  sour: "lemon-juice",
  glycerin: "glycerin",
};

/** What a household pours where nothing is chosen, by role: the bottle that stands on its shelf. */
export interface Bottle {
  readonly material: string;
  /** % water of a honey, as the household measured it. */
  readonly water?: number;
}
export type Usual = Readonly<Partial<Record<Role, Bottle>>>;

/** What a way is made with where the plan chooses nothing. */
export interface Bench {
  readonly jar: string;
  readonly pot: string;
  /** What holds pressure. */
  readonly pressurePot: string;
  readonly usual: Usual;
}
export const PRESSURE_POT = "pp-6000";
export const PLAIN_BENCH: Bench = { jar: "us-quart", pot: "p-3000", pressurePot: PRESSURE_POT, usual: {} };

/** A text of a way as these kitchens measure. */
export const localText = (text: string | Local, units: Plan["units"]): string =>
  typeof text === "string" ? text : text[units];
/** A step of a way that adds nothing, its texts as these kitchens measure. */
export function localStep(s: Exclude<WayStep, { do: "add" }>, units: Plan["units"]): Bare<Step> {
  const texts = Object.entries(s).map(([k, v]) => [k, typeof v === "object" ? localText(v, units) : v]);
  return Object.fromEntries(texts) as Bare<Step>;
}

/** A share is the way's to set, since it is the way that says the shares; what was measured or counted stays. */
function sharedAs(line: Line, w: WayLine, plan: Plan): Line {
  const said = readAmount(line.amount, plan.units);
  const share = said.ok && said.value.kind !== "measure" && said.value.kind !== "count";
  return share && w.amount !== undefined ? { ...line, amount: localText(w.amount, plan.units) } : line;
}

/** What a way pours of one sort: what the maker said of it goes along as said; what nobody said is the way's to write. */
function poured(w: WayLine, plan: Plan, bench: Bench, ids: Ids): Line[] {
  const role = w.role as Exclude<Role, "herb">;
  const mine = linesOf(plan).filter((l) => roleOf(l) === role);
  const own = mine.filter((l) => isOwn(l, plan) && (w.material === undefined || l.material === w.material));
  if (own.length > 0) return own.map((l, i) => (i === 0 ? sharedAs(l, w, plan) : l));
  const material = w.material ?? mine[0]?.material ?? bench.usual[role]?.material ?? USUAL[role];
  const keep = mine[0]?.material === material ? mine[0] : undefined;
  const shelf = bench.usual[role];
  const water = (keep ?? (shelf?.material === material ? shelf : undefined))?.water;
  const line: Line = {
    material,
    amount: localText(w.amount ?? "1 part", plan.units),
    // The bottle stays the same line, whatever way it is poured.
    id: mine[0]?.id ?? ids.next(),
    ...(keep?.strength ? { strength: keep.strength } : {}),
    ...(water !== undefined ? { water } : {}),
    ...(keep?.from ? { from: keep.from } : {}),
  };
  return [line];
}

/** A pot for a way that heats, a jar for one that does not; what stands there stays where it is of the right sort. */
function vesselFor(way: Way, plan: Plan, bench: Bench): Plan["vessel"] {
  const of = plan.vessel;
  const sort = typeof of === "string" ? VESSELS.get(of)?.sort : of?.sort;
  const holdsPressure = sort === "pressure-pot";
  const pot = sort === "pot" || holdsPressure;
  if (way.steps.some((s) => s.do === "pressure")) return holdsPressure ? of : bench.pressurePot;
  if (way.vessel === "pot") return pot ? of : bench.pot;
  return of === undefined || pot ? bench.jar : of;
}

/**
 * The plan made another way: the maker's herbs, the bottles they chose and all they said of either stay; amounts and steps nobody said follow the
 * way. What finds no place in it is told by `leftOut`.
 * A vessel of the wrong sort is changed for a usual one.
 */
export function madeBy(way: Way, plan: Plan, bench: Bench = PLAIN_BENCH): Plan {
  const herbs = linesOf(plan).filter((l) => roleOf(l) === "herb");
  const ids = new Ids(plan.ids);
  const used = new Set<string>();
  const once = (l: Line): Line => {
    const is = used.has(l.id) ? { ...l, id: ids.next() } : l;
    used.add(is.id);
    return is;
  };
  const steps = way.steps.map((s, at): Step => {
    const own = ownInto(way, at, plan);
    if (s.do !== "add") return { ...localStep(s, plan.units), ...own, id: ids.next() } as Step;
    const what = s.what.flatMap((w): readonly Line[] =>
      w.role === "herb" ? herbs : poured(w, plan, bench, ids),
    );
    return { ...own, id: ids.next(), do: "add", what: what.map(once) };
  });
  const vessel = vesselFor(way, plan, bench);
  return {
    ...plan,
    kind: way.kind,
    way: way.id,
    ...(vessel === undefined ? {} : { vessel }),
    steps,
    ids: ids.given,
  };
}

/** An empty plan of a kind, in its cautious way, with no herb yet. */
export function emptyPlan(kind: Kind, units: Plan["units"], bench: Bench = PLAIN_BENCH): Plan {
  const start: Plan = {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    units,
    name: "Untitled",
    kind,
    vessel: bench.jar,
    ids: 1,
    steps: [{ id: "1", do: "add", what: [] }],
  };
  return madeBy(cautiousWay(kind), start, bench);
}

/** How the plan's way usually has its leaves and flowers. */
export const usualForm = (plan: Plan): Form => wayById(plan.way)?.usual ?? KIND[plan.kind].usual;
