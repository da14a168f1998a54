import type { Kind } from "../plan/plan";

/** What a shop asks for a bottle of the like of a remedy: in the household's money, mL. */
export interface ShopAsks {
  readonly remedy: string;
  readonly kind: Kind;
  readonly price: number;
  readonly ml: number;
}
/** What was put up of a batch, and what a mL of it cost. */
export interface PutUp {
  readonly name: string;
  readonly kind: Kind;
  readonly ml: number;
  readonly perMl: number;
  /** What went in that has no price, and so is not in the cost. */
  readonly unpriced: readonly string[];
}
export interface SavedRow {
  readonly name: string;
  readonly ml: number;
  /** What a shop asks for as much, and what went into ours. */
  readonly shop: number;
  readonly cost: number;
  readonly unpriced: readonly string[];
}

const keyOf = (name: string, kind: Kind): string => `${kind} ${name.toLowerCase()}`;

/** What was put up, a row a remedy a shop’s price is known of; and what it comes to in all. Labour, heat and glass are left out. */
export function savedBy(
  made: readonly PutUp[],
  shops: readonly ShopAsks[],
): { readonly rows: readonly SavedRow[]; readonly saved: number } {
  const asks = new Map(shops.map((s) => [keyOf(s.remedy, s.kind), s.price / s.ml]));
  const rows = new Map<string, SavedRow>();
  for (const m of made) {
    const key = keyOf(m.name, m.kind);
    const per = asks.get(key);
    if (per === undefined) continue;
    const was = rows.get(key) ?? { name: m.name, ml: 0, shop: 0, cost: 0, unpriced: [] };
    rows.set(key, {
      name: was.name,
      ml: was.ml + m.ml,
      shop: was.shop + m.ml * per,
      cost: was.cost + m.ml * m.perMl,
      unpriced: [...new Set([...was.unpriced, ...m.unpriced])],
    });
  }
  const all = [...rows.values()];
  return { rows: all, saved: all.reduce((n, r) => n + r.shop - r.cost, 0) };
}
