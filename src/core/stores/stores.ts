import { type Result, fail, fault, ok, under } from "../fault";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import { stuffOf } from "../material/material";
import { type Person } from "../people/person";
import { readAmount } from "../reading/amounts";
import { readStrength } from "../reading/strength";
import type { UnitSystem } from "../quantity/units";
import { weigh } from "../reckoning/weigh";
import { VESSELS } from "../vessel/catalogue";
import { type Vessel, vesselOf } from "../vessel/vessel";
import type { Stored } from "./events";
import { catalogueWith } from "./own";
import type { Empties, Lot, OwnVessel, ShopPrice } from "./item";
import type { Role } from "../plan/kinds";
import type { Usual } from "../plan/ways";

/** What the household has, as the Bench and the lists need it. */
export interface Stores {
  readonly lots: readonly LotOnHand[];
  readonly vessels: readonly VesselOnHand[];
  readonly empties: readonly Empties[];
  readonly people: readonly Person[];
  /** The materials as this household has them: its own plants in them, its own cups weighed. */
  readonly catalogue: Catalogue;
  /** What a shop asks for the like of a remedy. */
  readonly shops: readonly (ShopPrice & { readonly id: string; readonly seq: number })[];
}
export interface LotOnHand extends Lot {
  readonly id: string;
  readonly leftG: number;
  /** g its price was paid for, where that is not what it was last weighed at. */
  readonly boughtG?: number;
}
export interface VesselOnHand {
  readonly id: string;
  readonly own: OwnVessel;
  readonly vessel: Vessel;
}

export const EMPTY_STORES: Stores = {
  lots: [],
  vessels: [],
  empties: [],
  people: [],
  catalogue: MATERIALS,
  shops: [],
};

function bareVessel(vessel: OwnVessel["vessel"]): Vessel | undefined {
  if (typeof vessel === "string") return VESSELS.get(vessel);
  const made = vesselOf(vessel);
  return made.ok ? made.value : undefined;
}

const inOrder = (a: string, b: string): number => Number(a > b) - Number(a < b);

/** The vessel an item stands for: its catalogue size or its own measurements, with the lid and ware it really has. */
export function vesselOfOwn(own: OwnVessel): Vessel | undefined {
  const v = bareVessel(own.vessel);
  if (!v) return undefined;
  const { name, lid, ware } = own;
  return { ...v, ...(name ? { name } : {}), ...(lid ? { lid } : {}), ...(ware ? { ware } : {}) };
}

/** The stores sorted out: what is put away is left out; lots oldest first, so that the oldest is used first. */
export function storesOf(all: readonly Stored[]): Stores {
  const here = all.filter((s) => !s.gone);
  return {
    lots: here
      .flatMap((s) =>
        s.item.what === "lot" ? [{ ...s.item, id: s.id, leftG: s.leftG, boughtG: s.boughtG }] : [],
      )
      .sort((a, b) => inOrder(a.got, b.got) || inOrder(a.id, b.id)),
    vessels: here.flatMap((s) => {
      if (s.item.what !== "vessel") return [];
      const vessel = vesselOfOwn(s.item);
      return vessel ? [{ id: s.id, own: s.item, vessel }] : [];
    }),
    empties: here.flatMap((s) => (s.item.what === "empties" && s.item.count > 0 ? [s.item] : [])),
    people: here.flatMap((s) => {
      if (s.item.what !== "person") return [];
      const { what: _, ...person } = s.item;
      return [person];
    }),
    catalogue: catalogueWith(
      here.flatMap((s) => (s.item.what === "material" ? [s.item] : [])),
      here.flatMap((s) => (s.item.what === "weighed" ? [s.item] : [])),
      MATERIALS,
      here.flatMap((s) => (s.item.what === "learned" ? [s.item] : [])),
    ),
    shops: here.flatMap((s) => (s.item.what === "shop" ? [{ ...s.item, id: s.id, seq: s.seq }] : [])),
  };
}

const ROLE_OF: Readonly<Record<string, Role>> = {
  vinegar: "vinegar",
  honey: "sweet",
  spirit: "spirit",
  glycerin: "glycerin",
};

/** What the household would pour, by role: of each sort the bottle there is most of, of a known strength. */
export function usualOf(lots: readonly LotOnHand[]): Usual {
  const most = new Map<Role, { readonly material: string; readonly g: number }>();
  for (const l of lots) {
    const row = MATERIALS.get(l.material)?.row;
    const role = row ? ROLE_OF[row.class ?? ""] : undefined;
    if (!role || row?.tags?.includes("acetic-unknown") || row?.tags?.includes("not-food")) continue;
    const g = lots.filter((x) => x.material === l.material).reduce((s, x) => s + x.leftG, 0);
    if (g > (most.get(role)?.g ?? 0)) most.set(role, { material: l.material, g });
  }
  const waterOf = (material: string): number | undefined =>
    lots.filter((l) => l.material === material).sort((a, b) => b.leftG - a.leftG)[0]?.water;
  return Object.fromEntries(
    [...most].map(([role, { material }]) => {
      const water = waterOf(material);
      return [role, { material, ...(water === undefined ? {} : { water }) }];
    }),
  );
}

/**
 * g of a typed amount of a material, for a lot. Faults carry the field: `UnknownMaterial`, `UnknownUnit`, `WrongUnit`, `NotAnAmount`, `NoSuchForm` …
 */
export function gramsOf(
  lot: Pick<Lot, "material" | "form" | "cut" | "strength" | "water" | "amount">,
  units: UnitSystem,
  catalogue: Catalogue = MATERIALS,
): Result<number> {
  const material = catalogue.get(lot.material);
  if (!material)
    return fail(fault("UnknownMaterial", `“${lot.material}” is not among the materials.`, ["material"]));
  const strength = lot.strength ? readStrength(lot.strength) : undefined;
  if (strength?.ok === false) return fail(...under(["strength"], strength.faults));
  const stuff = stuffOf(material, {
    form: lot.form,
    cut: lot.cut,
    strength: strength?.value,
    water: lot.water,
  });
  if (!stuff.ok) return stuff;
  const amount = readAmount(lot.amount, units);
  if (!amount.ok) return fail(...under(["amount"], amount.faults));
  if (amount.value.kind !== "measure" && amount.value.kind !== "count")
    return fail(
      fault("WrongUnit", "Say how much there is in grams, millilitres, cups or pieces.", ["amount"]),
    );
  const g = weigh(amount.value, stuff.value);
  return g.ok ? ok(g.value.grams) : fail(...under(["amount"], g.faults));
}
