import type { Settings } from "./settings";

type Lists = Partial<Record<keyof Settings, unknown>>;
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const has = (list: readonly unknown[], x: unknown): boolean => list.some((y) => same(x, y));

/** A list as it stands, with what a writer put in and without what it took out, by what it had seen. */
function merged(is: readonly unknown[], was: readonly unknown[], said: readonly unknown[]): unknown[] {
  const kept = is.filter((x) => has(said, x) || !has(was, x));
  return [...kept, ...said.filter((x) => !has(was, x) && !has(kept, x))];
}

/** What is said anew on what stands now: of a list the change, of anything else the last word. */
export function changed(now: Lists, said: Lists, was: Lists): Lists {
  const entries = Object.entries(said).map(([field, to]) => {
    const [is, seen] = [now[field as keyof Settings], was[field as keyof Settings]];
    return [field, Array.isArray(is) && Array.isArray(seen) && Array.isArray(to) ? merged(is, seen, to) : to];
  });
  return { ...now, ...Object.fromEntries(entries) };
}
