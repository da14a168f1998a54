import { type Fault, type Result, fault } from "@/core/fault";
import type { Kind } from "@/core/plan/plan";
import { type Counts, Wish } from "@/core/season/wish";

/** A wish as it stands in its fields. */
export interface Typed {
  readonly remedy: { readonly name: string; readonly kind: Kind } | undefined;
  readonly recipe: string | undefined;
  readonly never: boolean;
  readonly counts: Counts;
  readonly learned: boolean;
  readonly uses: readonly {
    readonly people: string;
    readonly said: string;
    readonly times: string;
    readonly from: number | undefined;
    readonly to: number | undefined;
  }[];
  readonly gifts: readonly { readonly day: string; readonly count: string; readonly said: string }[];
}

export const blankTyped = (
  of: { readonly name: string; readonly kind: Kind; readonly recipe?: string } | undefined,
): Typed => ({
  remedy: of && { name: of.name, kind: of.kind },
  recipe: of?.recipe,
  ...{ never: false, counts: "some", learned: true, uses: [], gifts: [] },
});

export const typedOf = (w: Wish): Typed => ({
  remedy: { name: w.remedy, kind: w.kind },
  recipe: w.recipe,
  ...{ never: w.never, counts: w.counts, learned: w.learned },
  uses: w.uses.map((u) => ({
    people: String(u.people),
    said: u.said,
    times: String(Math.round(u.times * 1000) / 1000),
    from: u.months[0],
    to: u.months[1],
  })),
  gifts: w.gifts.map((g) => ({ day: g.day, count: String(g.count), said: g.said })),
});

const numberOf = (text: string): number => (text.trim() === "" ? NaN : Number(text.trim().replace(",", ".")));

type Measured = (
  said: string,
) => Result<{ readonly dimension: string; readonly si: { readonly value: number } }>;
/** mL of what was typed; NaN where it is no volume, which the wish then says beside its field. */
function mlOf(said: string, measured: Measured): number {
  const read = measured(said);
  return read.ok && read.value.dimension === "volume" ? read.value.si.value : NaN;
}

/** The wish the fields say, or everything that is wrong with them, each with its field. */
export function wishOf(
  t: Typed,
  id: string,
  measured: Measured,
): { readonly wish: Wish } | { readonly faults: readonly Fault[] } {
  if (!t.remedy) return { faults: [fault("WhichRemedy", "Say which remedy.", ["remedy"])] };
  const parsed = Wish.safeParse({
    ...{
      id,
      remedy: t.remedy.name,
      kind: t.remedy.kind,
      never: t.never,
      counts: t.counts,
      learned: t.learned,
    },
    ...(t.recipe ? { recipe: t.recipe } : {}),
    uses: t.uses.map((u) => ({
      ...{
        people: numberOf(u.people),
        ml: mlOf(u.said, measured),
        said: u.said.trim(),
        times: numberOf(u.times),
      },
      months: [u.from, u.to],
    })),
    gifts: t.gifts.map((g) => ({
      day: g.day,
      count: numberOf(g.count),
      ml: mlOf(g.said, measured),
      said: g.said.trim(),
    })),
  });
  if (parsed.success) return { wish: parsed.data };
  return {
    faults: parsed.error.issues.map((i) => {
      const path = i.path.map((p) => (typeof p === "symbol" ? String(p) : p));
      const message = path.includes("months") ? "Say in which months." : i.message;
      return fault("NotAWish", path.includes("said") ? "Say how much, like “1 tsp”." : message, path);
    }),
  };
}

/** The first fault of a field; of no field, the first that is of none. */
export const faultsOf = (all: readonly Fault[], path: readonly (string | number)[]): Fault | undefined =>
  all.find((f) => (path.length === 0 ? f.path.length === 0 : path.every((p, i) => f.path[i] === p)));
