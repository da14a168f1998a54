import { type Result, fail, fault, ok, under } from "../fault";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import type { Cut, Form, PlantClass } from "../material/classes";
import { type Keeps, type Material, stuffOf } from "../material/material";
import { type PlantRow } from "../material/rows";
import type { UnitSystem } from "../quantity/units";
import { readAmount } from "../reading/amounts";
import { kinOf } from "../reading/kin";
import { materialNamed, nearNames } from "../reading/names";
import type { Calibration, LearnedCloth, OwnMaterial } from "./item";

/** How a class is asked about: what an unknown plant is like. */
export const LIKE: Readonly<Record<PlantClass, string>> = {
  leaf: "a leaf or herb, like mint",
  flower: "a flower, like lime blossom",
  root: "a root, like ginger",
  bark: "a bark, like cinnamon",
  berry: "a berry, like elderberry",
  fruit: "a fruit, like plum",
  peel: "a peel, like lemon’s",
  bulb: "a bulb, like garlic",
  pepper: "a hot pod, like chilli",
  seed: "a seed or spice, like fennel",
  mushroom: "a mushroom",
  resin: "a resin, like myrrh",
  vegetable: "a vegetable, like beetroot",
};

/** What is written down of a plant nobody here knows. */
export interface Unknown {
  readonly name: string;
  readonly latin: string;
  /** Nothing until it is said: a root taken for a leaf would escape what is asked of roots. */
  readonly like: PlantClass | "";
  /** % water of it fresh, where it was looked up. */
  readonly water: string;
}

const slug = (name: string): string =>
  name
    .toLowerCase()
    .normalize("NFD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 50);

/** The id of a plant of one's own by its name. */
export const ownId = (name: string): string => `own-${slug(name)}`;

/**
 * A plant written down on the spot, its figures those of its class until it is weighed. Faults: `NotAMaterial`, `KnownAlready` (with the one that is
 * meant), `NotAShare`.
 */
export function writtenDown(
  u: Unknown,
  catalogue: Catalogue = MATERIALS,
): Result<PlantRow & { class: PlantClass }> {
  const name = u.name.trim();
  if (slug(name) === "") return fail(fault("NotAMaterial", "Give the plant a name in letters.", ["name"]));
  if (name.length > 60) return fail(fault("TooLong", "Keep the name under 60 letters.", ["name"]));
  const known =
    materialNamed(name, catalogue) ?? (u.latin.trim() ? materialNamed(u.latin, catalogue) : undefined);
  if (known)
    return fail(
      fault(
        "KnownAlready",
        `That is ${known.row.names[0]}, which is known here.`,
        ["name"],
        known.row.names[0],
      ),
    );
  const water = u.water.trim() === "" ? undefined : Number(u.water.replace("%", "").replace(",", ".").trim());
  if (water !== undefined && !(water >= 5 && water <= 97))
    return fail(
      fault(
        "NotAShare",
        "Water of a fresh plant lies between 5 and 97 %. Leave it empty if you do not know.",
        ["water"],
      ),
    );
  const { like } = u;
  if (like === "")
    return fail(
      fault("NotAClass", "Say what it is like: its figures and how it keeps go by that.", ["like"]),
    );
  const latin = u.latin.trim();
  return ok({
    id: ownId(name),
    names: [name],
    ...(latin ? { latin: latin.slice(0, 80) } : {}),
    class: like,
    ...(water === undefined ? {} : { water: water / 100 }),
    source: "own",
  });
}

/** Names near a new one, dangerous ones among them: is it this? */
export const mayBe = (name: string, latin: string, catalogue: Catalogue = MATERIALS): readonly Material[] => [
  ...new Set([...nearNames(name, catalogue, 4), ...(latin.trim() ? nearNames(latin, catalogue, 3) : [])]),
];

/** g/mL of a heap that was weighed: so much of it, and what the scale showed. Faults: `WrongUnit`, `OutOfRange`, those of an amount. */
export function heapOf(c: Pick<Calibration, "amount" | "grams">, system: UnitSystem): Result<number> {
  const a = readAmount(c.amount, system);
  if (!a.ok) return fail(...under(["amount"], a.faults));
  if (a.value.kind !== "measure" || a.value.dimension !== "volume")
    return fail(
      fault("WrongUnit", "Fill a cup or a spoon with it: “1 cup”, “3 tbsp”, “250 mL”.", ["amount"]),
    );
  const heap = c.grams / a.value.si.value;
  if (!(heap > 0.005 && heap < 3))
    return fail(
      fault(
        "OutOfRange",
        "A cup of anything from a kitchen weighs between 1 and 700 g. Check the scale and the cup.",
        ["grams"],
      ),
    );
  return ok(heap);
}

const keyOf = (form: Form | undefined, cut: Cut | undefined): string => `${form ?? ""}|${cut ?? ""}`;

/** The catalogue as this household has it: its own plants in it, its own cups weighed, and what its own cloths keep. */
export function catalogueWith(
  own: readonly OwnMaterial[],
  weighed: readonly Calibration[],
  base: Catalogue = MATERIALS,
  learned: readonly LearnedCloth[] = [],
): Catalogue {
  if (own.length === 0 && weighed.length === 0 && learned.length === 0) return base;
  const all = new Map<string, Material>(base);
  for (const o of own) {
    const tags = [...new Set([...(o.row.tags ?? []), ...kinOf(o.row.names, o.row.latin).tags])];
    all.set(o.row.id, { kind: "plant", row: { ...o.row, class: o.row.class, tags } });
  }
  for (const w of weighed) {
    const m = all.get(w.material);
    if (!m) continue;
    const cut = w.cut ?? usualCut(m, w.form);
    all.set(w.material, { ...m, weighed: { ...m.weighed, [keyOf(w.form, cut)]: w.heap } });
  }
  const keeps = new Map<string, Keeps>();
  for (const { class: of, how, share, spread } of learned)
    keeps.set(of, { ...keeps.get(of), [how]: { share, spread } });
  for (const [id, m] of keeps.size > 0 ? all : []) {
    const mine = m.kind === "plant" ? keeps.get(m.row.class) : undefined;
    if (mine) all.set(id, { ...m, keeps: mine });
  }
  return all;
}

/** The cut a form comes in where none is said. */
function usualCut(m: Material, form: Form | undefined): Cut | undefined {
  const s = stuffOf(m, form ? { form } : {});
  return s.ok ? s.value.cut : undefined;
}
