import { MATERIALS, type Catalogue } from "../material/catalogue";
import type { Stuff } from "../material/material";
import { kinOf } from "../reading/kin";
import type { Line, Plan } from "../plan/plan";
import { VESSELS } from "../vessel/catalogue";
import type { Vessel } from "../vessel/vessel";

/** What a plan is reckoned with, besides itself. */
export interface Context {
  readonly materials?: Catalogue;
  /** Figures frozen at *Begin*, by line key; they win over today's. */
  readonly frozen?: ReadonlyMap<string, Stuff>;
  /** The vessel as it was, where the plan was begun. */
  readonly vessel?: Vessel;
  readonly vessels?: ReadonlyMap<string, Vessel>;
}

export const vesselsIn = (c: Context): ReadonlyMap<string, Vessel> => c.vessels ?? VESSELS;

/** The catalogue with the plan's own materials in it. */
export function materialsOf(plan: Plan, c: Context): Catalogue {
  const base = c.materials ?? MATERIALS;
  if (!plan.materials?.length) return base;
  const known = own.get(plan.materials)?.get(base);
  if (known) return known;
  const all = new Map([...base]);
  for (const row of plan.materials) {
    // What its names say of it stays said, whoever wrote the row; a bottle of ours is called by what it is for, and says itself what it holds.
    const kin = row.holds?.length ? [] : kinOf(row.names, "latin" in row ? row.latin : undefined).tags;
    const tags = [...new Set([...(row.tags ?? []), ...kin])];
    all.set(
      row.id,
      "composition" in row
        ? { kind: "stuff", row: { ...row, tags } }
        : { kind: "plant", row: { ...row, tags } },
    );
  }
  own.set(plan.materials, new Map([[base, all]]));
  return all;
}
const own = new WeakMap<NonNullable<Plan["materials"]>, Map<Catalogue, Catalogue>>();

/** What tells one resolved material from another. */
export const lineKey = (l: Pick<Line, "material" | "form" | "cut" | "strength" | "water">): string =>
  [l.material, l.form ?? "", l.cut ?? "", l.strength ?? "", l.water ?? ""].join("|");
