import { MATERIALS } from "../material/catalogue";
import type { Kind, Line, Plan, Step } from "./plan";

/** What a line is for; a way speaks of roles and leaves the herb to the maker. */
export type Role = "herb" | "vinegar" | "sweet" | "spirit" | "water" | "sour" | "glycerin";

type WayLine = { readonly role: Role; readonly amount?: string; readonly material?: string };
type WayStep = { readonly do: "add"; readonly what: readonly WayLine[] } | Exclude<Step, { do: "add" }>;

/** A named way of making a kind: which steps, in which order, in which shares. One sentence on who prefers it and why. */
export interface Way {
  readonly id: string;
  readonly kind: Kind;
  readonly name: string;
  readonly why: string;
  /** The default of its kind, and the cautious one. */
  readonly cautious?: boolean;
  readonly vessel?: "pot";
  readonly steps: readonly WayStep[];
}

const dark = (weeks: string): WayStep => ({ do: "steep", for: weeks, in: "dark-cupboard" });
const strain: WayStep = { do: "strain", how: "wrung" };
const bottle: WayStep = { do: "bottle" };
const add = (...what: WayLine[]): WayStep => ({ do: "add", what });
const herb: WayLine = { role: "herb" };
const of = (role: Role, amount: string, material?: string): WayLine => (material ? { role, amount, material } : { role, amount });

export const WAYS: readonly Way[] = [
  { id: "oxymel-even", kind: "oxymel", name: "Even: as much honey as vinegar", cautious: true, why: "For makers who want it both sour enough and sweet enough to keep; everything goes in at once.", steps: [add(herb, of("vinegar", "1 part"), of("sweet", "1 part")), dark("6 weeks"), strain, bottle] },
  { id: "oxymel-sweet", kind: "oxymel", name: "Sweet: two of honey to one of vinegar", why: "For those who take it off the spoon; wants a stronger vinegar to stay sour enough while it works.", steps: [add(herb, of("vinegar", "1 part"), of("sweet", "2 parts")), dark("6 weeks"), strain, bottle] },
  { id: "oxymel-sharp", kind: "oxymel", name: "Sharp: two of vinegar to one of honey", why: "For dressings and water jugs; less honey, more bite.", steps: [add(herb, of("vinegar", "2 parts"), of("sweet", "1 part")), dark("4 weeks"), strain, bottle] },
  { id: "oxymel-thirds", kind: "oxymel", name: "By the jar: vinegar to two thirds, honey to the top", why: "For those who pour by eye; the herb that stands there makes the true ratio sharper or sweeter than the lines say.", steps: [add(herb, of("vinegar", "2/3 jar"), of("sweet", "fill")), dark("4 weeks"), strain, bottle] },
  { id: "oxymel-after", kind: "oxymel", name: "Vinegar first, honey after straining", why: "For those who find honey wasted on the marc; the herb works in plain vinegar and less sweetness is lost.", steps: [add(herb, of("vinegar", "fill")), dark("4 weeks"), strain, add(of("sweet", "1 of liquid")), bottle] },
  { id: "oxymel-heated", kind: "oxymel", name: "Heated: herb simmered in vinegar, done today", vessel: "pot", why: "For roots and barks, and for those who need it tonight; stainless or enamel, lid on.", steps: [add(herb, of("vinegar", "500 mL")), { do: "simmer", for: "20 min" }, strain, { do: "cool", toC: 43 }, add(of("sweet", "1 of liquid")), bottle] },
  { id: "cider-after", kind: "fire-cider", name: "A month, honey after straining", cautious: true, why: "The vinegar stays strong while fresh roots stand in it, and honey goes in to taste at the end.", steps: [add(herb, of("vinegar", "fill")), dark("4 weeks"), strain, add(of("sweet", "0.25 of liquid")), bottle] },
  { id: "cider-start", kind: "fire-cider", name: "Honey from the start", why: "For a rounder taste; the honey thins the acid while the roots stand in it.", steps: [add(herb, of("vinegar", "3 parts"), of("sweet", "1 part")), dark("4 weeks"), strain, bottle] },
  { id: "cider-cup", kind: "fire-cider", name: "Six weeks, honey only in the cup", why: "For those who keep it sharp in the bottle and sweeten the spoonful.", steps: [add(herb, of("vinegar", "fill")), dark("6 weeks"), strain, bottle] },
  { id: "honey-dried", kind: "honey", name: "Dried herb only", cautious: true, why: "Brings no water, so the honey keeps itself.", steps: [add(herb, of("sweet", "fill")), dark("4 weeks"), { do: "strain", how: "drained" }, bottle] },
  { id: "honey-sill", kind: "honey", name: "On a sunny sill, turned daily", why: "Warmth thins the honey and it draws sooner; for dried flowers and leaves.", steps: [add(herb, of("sweet", "fill")), { do: "steep", for: "2–3 weeks", in: "sunny-sill" }, { do: "strain", how: "drained" }, bottle] },
  { id: "honey-fresh", kind: "honey", name: "Fresh herb, in the fridge", why: "Tastes of the garden; the plant's water thins the honey, so it works cold and is let out.", steps: [add(herb, of("sweet", "fill")), { do: "steep", for: "1–3 weeks", in: "fridge" }, { do: "strain", how: "drained" }, bottle] },
  { id: "vinegar-plain", kind: "vinegar", name: "Vinegar alone, four weeks", cautious: true, why: "For the table and the stores; as sour as the vinegar it began with.", steps: [add(herb, of("vinegar", "fill")), dark("4 weeks"), strain, bottle] },
  { id: "vinegar-spoon", kind: "vinegar", name: "With a spoon of honey after", why: "Takes the edge off; not enough to call it an oxymel.", steps: [add(herb, of("vinegar", "fill")), dark("4 weeks"), strain, add(of("sweet", "0.08 of liquid")), bottle] },
  { id: "syrup-fridge", kind: "syrup", name: "Strong decoction, honey one to one, fridge", cautious: true, vessel: "pot", why: "For those who want honey unboiled; keeps weeks in the fridge, not in a cupboard.", steps: [add(herb, of("water", "1 L")), { do: "simmer", for: "30 min" }, { do: "steep", for: "20 min" }, strain, { do: "cool", toC: 43 }, add(of("sweet", "1 of liquid")), bottle] },
  { id: "syrup-half", kind: "syrup", name: "Simmered down by half, then honey", vessel: "pot", why: "More herb to the spoon; the reducing is watched by the dipstick.", steps: [add(herb, of("water", "1 L")), { do: "simmer", for: "20 min" }, { do: "reduce", to: "1/2" }, strain, { do: "cool", toC: 43 }, add(of("sweet", "1 of liquid")), bottle] },
  { id: "syrup-cupboard", kind: "syrup", name: "Sugar to cupboard strength, bottled hot", vessel: "pot", why: "The only plain syrup that stands in a cupboard: about two of sugar to one of liquid, boiled and bottled hot.", steps: [add(herb, of("water", "1 L")), { do: "simmer", for: "30 min" }, strain, add(of("sweet", "to 67 Bx", "sugar")), { do: "simmer", for: "3 min", loses: "5 mL" }, { do: "bottle", hot: true }] },
  { id: "syrup-pressure", kind: "syrup", name: "Pressure-cooked, then reduced", vessel: "pot", why: "For hard roots and barks; quick, and next to nothing boils away until the lid is off.", steps: [add(herb, of("water", "1 L")), { do: "pressure", for: "30 min" }, strain, { do: "reduce", to: "2/3" }, { do: "cool", toC: 43 }, add(of("sweet", "1 of liquid")), bottle] },
  { id: "syrup-spirit", kind: "syrup", name: "With honey and spirit", vessel: "pot", why: "For those who want months from the fridge; a glass of spirit slows it, and the label says how much.", steps: [add(herb, of("water", "1 L")), { do: "simmer", for: "30 min" }, strain, { do: "cool", toC: 43 }, add(of("sweet", "1 of liquid"), of("spirit", "0.5 of liquid", "spirit-50")), bottle] },
  { id: "tincture-jarful", kind: "tincture", name: "Jarful: herb loose, spirit over it", why: "No scale needed; what the jarful works out to as a ratio is shown.", steps: [add(herb, of("spirit", "fill")), dark("6 weeks"), { do: "strain", how: "pressed" }, bottle] },
  { id: "tincture-weighed", kind: "tincture", name: "Weighed: one to five, dried", cautious: true, why: "For those who want the next jar to be the same as this one.", steps: [add(herb, of("spirit", "1:5", "spirit-50")), dark("4 weeks"), { do: "strain", how: "pressed" }, bottle] },
  { id: "tincture-glycerin", kind: "tincture", name: "Glycerin instead of spirit", why: "Where alcohol is unwelcome; three of glycerin to one of water for dried herb.", steps: [add(herb, of("glycerin", "3 parts"), of("water", "1 part")), dark("5 weeks"), { do: "strain", how: "pressed" }, bottle] },
  { id: "tincture-vinegar", kind: "tincture", name: "Vinegar instead of spirit", why: "Where alcohol is unwelcome and sour is not; it draws less of resins and keeps as a vinegar does.", steps: [add(herb, of("vinegar", "fill")), dark("5 weeks"), { do: "strain", how: "pressed" }, bottle] },
];

export const waysOf = (kind: Kind): readonly Way[] => WAYS.filter((w) => w.kind === kind);
export const cautiousWay = (kind: Kind): Way => waysOf(kind).find((w) => w.cautious) ?? waysOf(kind)[0]!;
export const wayById = (id: string | undefined): Way | undefined => WAYS.find((w) => w.id === id);

const CLASS_ROLE: Readonly<Record<string, Role>> = { vinegar: "vinegar", honey: "sweet", sugar: "sweet", syrup: "sweet", spirit: "spirit", water: "water", juice: "sour", acid: "sour", glycerin: "glycerin" };

export function roleOf(line: Line): Role {
  const m = MATERIALS.get(line.material);
  return m?.kind === "stuff" ? (CLASS_ROLE[m.row.class] ?? "herb") : "herb";
}

const USUAL: Readonly<Record<Exclude<Role, "herb">, string>> = { vinegar: "cider-vinegar", sweet: "honey", spirit: "vodka-40", water: "water", sour: "lemon-juice", glycerin: "glycerin" };

/** What a household pours where nothing is chosen, by role: the bottle that stands on its shelf. */
export type Usual = Readonly<Partial<Record<Role, string>>>;

/**
 * The plan made another way: the maker's herbs and the bottles they chose stay, amounts of the rest and the steps follow the way.
 * A vessel of the wrong sort is changed for a usual one.
 */
export function madeBy(way: Way, plan: Plan, usualJar = "us-quart", usualPot = "p-3000", usual: Usual = {}): Plan {
  const lines = plan.steps.flatMap((s) => (s.do === "add" ? s.what : []));
  const herbs = lines.filter((l) => roleOf(l) === "herb");
  const chosen = (role: Role): Line | undefined => lines.find((l) => roleOf(l) === role);
  const steps: Step[] = way.steps.map((s): Step => {
    if (s.do !== "add") return { ...s } as Step;
    return {
      do: "add",
      what: s.what.flatMap((w): Line[] => {
        if (w.role === "herb") return herbs;
        const mine = chosen(w.role);
        const material = w.material ?? mine?.material ?? usual[w.role] ?? USUAL[w.role];
        const keep = mine && mine.material === material ? mine : undefined;
        return [{ material, amount: w.amount ?? "1 part", ...(keep?.strength ? { strength: keep.strength } : {}), ...(keep?.water !== undefined ? { water: keep.water } : {}) }];
      }),
    };
  });
  const pot = typeof plan.vessel === "string" && plan.vessel.startsWith("p");
  const vessel = way.vessel === "pot" ? (pot ? plan.vessel : usualPot) : pot || plan.vessel === undefined ? usualJar : plan.vessel;
  return { ...plan, kind: way.kind, way: way.id, vessel, steps };
}

/** An empty plan of a kind, in its cautious way, with no herb yet. */
export function emptyPlan(kind: Kind, units: Plan["units"], vessel?: string, usual: Usual = {}): Plan {
  const start: Plan = { format: "jolly-crock/plan", version: 1, units, name: "Untitled", kind, steps: [{ do: "add", what: [] }], ...(vessel ? { vessel } : {}) };
  return madeBy(cautiousWay(kind), start, vessel, undefined, usual);
}
