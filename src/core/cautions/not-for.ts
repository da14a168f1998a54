import type { Day } from "../day";
import { type Catalogue, MATERIALS } from "../material/catalogue";
import type { Person } from "../people/person";
import { wayById } from "../plan/kinds";
import type { Plan } from "../plan/plan";
import { PLAIN_BENCH, emptyPlan, madeBy, roleOf } from "../plan/ways";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import type { Caution } from "./caution";
import { RANK } from "./rank";
import { cautionsOf } from "./rules";

/** Something of the house that somebody must not have, or should ask about first. */
export interface NotFor {
  readonly material: string;
  /** Its name in the catalogue. */
  readonly name: string;
  readonly grave: "no" | "ask";
  /** The gravest thing the cautions say of the two. */
  readonly says: string;
}

/** What a thing is tried in: what is poured in its own way, a plant in vinegar, which itself forbids nobody anything. */
const TRIED_IN: Readonly<Record<ReturnType<typeof roleOf>, string>> = {
  herb: "vinegar-plain",
  vinegar: "vinegar-plain",
  water: "vinegar-plain",
  sour: "vinegar-plain",
  sweet: "honey-dried",
  spirit: "tincture-jarful",
  glycerin: "tincture-glycerin",
};

/** A jar with little else in it than the thing asked about; as a plant is usually had. */
function jarOf(material: string, catalogue: Catalogue): Plan {
  const role = roleOf({ material }, catalogue);
  const way = wayById(TRIED_IN[role])!;
  const bench = { ...PLAIN_BENCH, usual: { [role]: { material } } };
  const bare = emptyPlan(way.kind, "metric", bench);
  const herb = { id: "asked", material, amount: "30 g", form: "dried" as const };
  const from: Plan = role === "herb" ? { ...bare, steps: [{ id: "in", do: "add", what: [herb] }] } : bare;
  return madeBy(way, from, bench);
}

type Ask = (meantFor: readonly Person[]) => readonly Caution[];

/** How the cautions judge a jar, for anybody. */
function judgeOf(plan: Plan, today: Day, materials: Catalogue): Ask {
  const program = resolve(plan, { materials });
  if (!program.ok) return () => [];
  const reckoning = reckonProgram(program.value);
  return (meantFor) => cautionsOf({ program: program.value, reckoning, meantFor, others: [], today });
}

const keyOf = (c: Caution): string => `${c.id} ${c.severity}`;

/** The gravest caution that speaks of somebody and would not be raised for nobody in particular. */
function ownOf(ask: Ask, p: Person, besides: ReadonlySet<string>): Caution | undefined {
  const anybody = new Set(ask([]).map(keyOf));
  return ask([p]).find(
    (c) => RANK[c.severity] <= RANK.caution && !anybody.has(keyOf(c)) && !besides.has(keyOf(c)),
  );
}

/**
 * What of these each must not have, gravest first: each thing in a jar of its own, judged as the Bench would.
 * @param materials ids in the catalogue; what is not in it is passed over
 * @returns as many lists as there are people, in their order
 */
export function notForEach(
  people: readonly Person[],
  materials: readonly string[],
  today: Day,
  catalogue: Catalogue = MATERIALS,
): NotFor[][] {
  if (people.length === 0) return [];
  const bare = judgeOf(emptyPlan("vinegar", "metric"), today, catalogue);
  const jars = [...new Set(materials)].flatMap((material) => {
    const row = catalogue.get(material)?.row;
    if (!row) return [];
    const herb = roleOf({ material }, catalogue) === "herb";
    return [
      { material, name: row.names[0]!, herb, ask: judgeOf(jarOf(material, catalogue), today, catalogue) },
    ];
  });
  return people.map((p) => {
    const besides = new Set(bare([p]).map(keyOf));
    const found = jars.flatMap(({ material, name, herb, ask }): NotFor[] => {
      const own = ownOf(ask, p, herb ? besides : new Set());
      return own
        ? [{ material, name, grave: own.severity === "caution" ? "ask" : "no", says: own.says }]
        : [];
    });
    return [...found.filter((f) => f.grave === "no"), ...found.filter((f) => f.grave === "ask")];
  });
}

/** What of these one must not have. */
export const notFor = (p: Person, materials: readonly string[], today: Day): NotFor[] =>
  notForEach([p], materials, today)[0]!;
