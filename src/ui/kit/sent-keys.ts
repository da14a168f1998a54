/** Keys under which this page wrote, so that its own writes are no news to it. */
const MINE = new Set<string>();
const MOST = 500;

export function mine(key: string): void {
  if (MINE.size >= MOST) MINE.delete(MINE.values().next().value!);
  MINE.add(key);
}
export const wasMine = (key: string): boolean => MINE.has(key);
