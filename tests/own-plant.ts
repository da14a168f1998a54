import type { PlantRow } from "../src/core/material/rows";
import type { PlantClass } from "../src/core/material/classes";
import type { Plan } from "../src/core/plan/plan";
import { line, made } from "../src/core/plan/trial";

/** A plan on ten grams of a plant that its maker wrote down by hand. */
export function ownPlant(
  name: string,
  more: { readonly latin?: string | undefined; readonly gathered?: boolean } = {},
): Plan {
  const row: PlantRow & { class: PlantClass } = {
    id: "own-plant",
    names: [name],
    ...(more.latin ? { latin: more.latin } : {}),
    class: "leaf",
    source: "own",
  };
  const said = more.gathered === undefined ? {} : { gathered: more.gathered };
  return made("oxymel-even", [line("own-plant", "10 g", { form: "dried", ...said })], { materials: [row] });
}
