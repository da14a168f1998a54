import type { Line, Plan, PlanFile, Step } from "./plan";

/** A line or step that has no id yet. */
export type Nameless<T> = T extends { id: string }
  ? Omit<T, "id"> & { readonly id?: string | undefined }
  : never;

/** Gives ids out of a plan's own count, so that none is ever given twice in it. */
export class Ids {
  constructor(private last: number) {}
  next(): string {
    this.last++;
    return String(this.last);
  }
  get given(): number {
    return this.last;
  }
}

const numbered = (id: string | undefined): number => (id && /^[0-9]+$/.test(id) ? Number(id) : 0);

/** The plan with an id on every line and step, in order; those that have one keep it, and one that stands twice is given anew. */
export function withIds(file: PlanFile): Plan {
  const taken = file.steps.flatMap((s) => [s.id, ...(s.do === "add" ? s.what.map((l) => l.id) : [])]);
  const ids = new Ids(Math.max(file.ids ?? 0, ...taken.map(numbered)));
  const used = new Set<string>();
  const own = (id: string | undefined): string => {
    const is = id === undefined || used.has(id) ? ids.next() : id;
    used.add(is);
    return is;
  };
  const steps = file.steps.map((s): Step => {
    const id = own(s.id);
    return s.do === "add"
      ? { ...s, id, what: s.what.map((l): Line => ({ ...l, id: own(l.id) })) }
      : { ...s, id };
  });
  return { ...file, steps, ids: ids.given };
}
