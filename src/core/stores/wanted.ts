import type { Stored } from "./events";
import type { Wanted } from "./item";

/** One line of the list: the same thing for one plan or several, with how much each wants of it. */
export interface ListLine {
  readonly key: string;
  readonly where: Wanted["where"];
  readonly material: string | undefined;
  readonly form: Wanted["form"];
  readonly words: string | undefined;
  readonly parts: readonly { readonly id: string; readonly seq: number; readonly item: Wanted }[];
}

const keyOf = (w: Wanted): string =>
  w.material
    ? [w.material, w.form ?? "", w.strength ?? ""].join("|")
    : `words|${(w.words ?? "").toLowerCase()}`;

/** The household’s list, what is picked before what is bought; the same thing of several plans is one line. */
export function listOf(items: readonly Stored[]): readonly ListLine[] {
  const by = new Map<string, ListLine>();
  for (const s of items) {
    if (s.gone || s.item.what !== "wanted") continue;
    const { item } = s;
    const key = `${item.where} ${keyOf(item)}`;
    const before = by.get(key);
    const part = { id: s.id, seq: s.seq, item };
    by.set(key, {
      ...{ key, where: item.where, material: item.material, form: item.form, words: item.words },
      parts: [...(before?.parts ?? []), part],
    });
  }
  const rank = (l: ListLine): string => `${l.where === "gather" ? 0 : 1} ${l.material ?? `~${l.words}`}`;
  return [...by.values()].sort((a, b) => (rank(a) < rank(b) ? -1 : 1));
}
