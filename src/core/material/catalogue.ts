import { z } from "zod";
import { PLANT_CLASSES, type PlantClass } from "./classes";
import { type Material } from "./material";
import { PlantRow, StuffRow } from "./rows";
import bark from "./data/bark.json";
import berry from "./data/berry.json";
import bulb from "./data/bulb.json";
import flower from "./data/flower.json";
import fruit from "./data/fruit.json";
import leaf from "./data/leaf.json";
import liquid from "./data/liquid.json";
import mushroom from "./data/mushroom.json";
import peel from "./data/peel.json";
import pepper from "./data/pepper.json";
import resin from "./data/resin.json";
import root from "./data/root.json";
import seed from "./data/seed.json";
import vegetable from "./data/vegetable.json";

const FILES: Readonly<Record<PlantClass, unknown>> = {
  leaf,
  flower,
  root,
  bark,
  berry,
  fruit,
  peel,
  bulb,
  pepper,
  seed,
  mushroom,
  resin,
  vegetable,
};

export type Catalogue = ReadonlyMap<string, Material>;

function load(): Map<string, Material> {
  const all = new Map<string, Material>();
  const put = (id: string, m: Material) => {
    if (all.has(id)) throw new Error(`material ${id} stands twice in the data files`);
    all.set(id, m);
  };
  for (const cls of PLANT_CLASSES)
    for (const row of z.array(PlantRow).parse(FILES[cls]))
      put(row.id, { kind: "plant", row: { ...row, class: cls } });
  for (const row of z.array(StuffRow).parse(liquid)) put(row.id, { kind: "stuff", row });
  return all;
}

/** Every material the product ships with, by id. */
export const MATERIALS: Catalogue = load();

const indexes = new WeakMap<Catalogue, Map<string, Material>>();

/** The material of exactly this id, name or alias, letter case aside; found in constant time. */
export function named(name: string, among: Catalogue = MATERIALS): Material | undefined {
  const exact = among.get(name);
  if (exact) return exact;
  let index = indexes.get(among);
  if (!index) {
    index = new Map();
    // Where two materials share an alias, the one whose first name it is comes first.
    for (const rank of [0, 1])
      for (const m of among.values())
        m.row.names.forEach(
          (n, i) => (i === 0) === (rank === 0) && !index!.has(plain(n)) && index!.set(plain(n), m),
        );
    indexes.set(among, index);
  }
  return index.get(plain(name));
}

const plain = (s: string): string =>
  s
    .toLowerCase()
    .normalize("NFD")
    .replace(/[\u0300-\u036f’']/g, "")
    .trim();
