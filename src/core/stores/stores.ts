import { type Result, ok, under } from "../fault";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import { stuffOf } from "../material/material";
import { type Person } from "../people/person";
import { parseAmount, parseStrength } from "../quantity/amount";
import type { Household } from "../quantity/units";
import { weigh } from "../remedy/mass";
import { VESSELS } from "../vessel/catalogue";
import { type Vessel, vesselOf } from "../vessel/vessel";
import type { Stored } from "./events";
import type { Empties, Lot, OwnVessel } from "./item";
import type { Role, Usual } from "../remedy/ways";

/** What the household has, as the Bench and the lists need it. */
export interface Stores {
  readonly lots: readonly LotOnHand[];
  readonly vessels: readonly VesselOnHand[];
  readonly empties: readonly Empties[];
  readonly people: readonly Person[];
}
export interface LotOnHand extends Lot {
  readonly id: string;
  readonly leftG: number;
}
export interface VesselOnHand {
  readonly id: string;
  readonly own: OwnVessel;
  readonly vessel: Vessel;
}

export const EMPTY_STORES: Stores = { lots: [], vessels: [], empties: [], people: [] };

/** The vessel an item stands for: its catalogue size or its own measurements, with the lid and ware it really has. */
export function vesselOfOwn(own: OwnVessel): Vessel | undefined {
  const base = typeof own.vessel === "string" ? VESSELS.get(own.vessel) : vesselOf(own.vessel);
  const v = base && "ok" in base ? (base.ok ? base.value : undefined) : base;
  return v ? { ...v, ...(own.name ? { name: own.name } : {}), ...(own.lid ? { lid: own.lid } : {}), ...(own.ware ? { ware: own.ware } : {}) } : undefined;
}

/** The stores sorted out: what is put away is left out; lots oldest first, so that the oldest is used first. */
export function storesOf(all: readonly Stored[]): Stores {
  const here = all.filter((s) => !s.gone);
  return {
    lots: here.flatMap((s) => (s.item.what === "lot" ? [{ ...s.item, id: s.id, leftG: s.leftG }] : [])).sort((a, b) => (a.got < b.got ? -1 : a.got > b.got ? 1 : a.id < b.id ? -1 : 1)),
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
  };
}

const ROLE_OF: Readonly<Record<string, Role>> = { vinegar: "vinegar", honey: "sweet", spirit: "spirit", glycerin: "glycerin" };

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
  return Object.fromEntries([...most].map(([role, { material }]) => [role, material]));
}

/** g of a typed amount of a material, for a lot. Faults carry the field: `UnknownUnit`, `WrongUnit`, `NotAnAmount`, `NoSuchForm` … */
export function gramsOf(lot: Pick<Lot, "material" | "form" | "cut" | "strength" | "water" | "amount">, units: Household, catalogue: Catalogue = MATERIALS): Result<number> {
  const material = catalogue.get(lot.material);
  if (!material) return { ok: false, faults: [{ name: "UnknownMaterial", message: `“${lot.material}” is not among the materials.`, path: ["material"] }] };
  let strength: number | undefined;
  if (lot.strength) {
    const s = parseStrength(lot.strength);
    if (!s.ok) return { ok: false, faults: under(["strength"], s.faults) };
    strength = s.value;
  }
  const stuff = stuffOf(material, { form: lot.form, cut: lot.cut, strength, water: lot.water });
  if (!stuff.ok) return stuff;
  const amount = parseAmount(lot.amount, units);
  if (!amount.ok) return { ok: false, faults: under(["amount"], amount.faults) };
  if (amount.value.kind !== "measure" && amount.value.kind !== "count") return { ok: false, faults: [{ name: "WrongUnit", message: "Say how much there is in grams, millilitres, cups or pieces.", path: ["amount"] }] };
  const g = weigh(amount.value, stuff.value);
  return g.ok ? ok(g.value.grams) : { ok: false, faults: under(["amount"], g.faults) };
}
