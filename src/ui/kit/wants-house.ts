/*
 * A page that cannot be shown just now: this device does not keep it, and the house that would make it is away. It is told, and what is open stays.
 */
const listeners = new Set<(path: string) => void>();

export function wantsHouse(path: string): void {
  for (const tell of listeners) tell(path);
}
export function listenToWants(tell: (path: string) => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}
