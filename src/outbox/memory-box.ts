import type { Box, Letter } from "./letter";

/** Letters kept while the page is open: where the browser keeps nothing, and in trials. */
export function memoryBox(): Box {
  const kept = new Map<number, Letter>();
  let last = 0;
  return {
    all: () => Promise.resolve([...kept.values()].sort((a, b) => a.n - b.n)),
    put: (letter) => {
      const same = [...kept.values()].find((l) => l.key === letter.key);
      const is: Letter = same ?? { ...letter, n: ++last, state: "waiting" };
      kept.set(is.n, is);
      return Promise.resolve(is);
    },
    set: (letter) => Promise.resolve(void kept.set(letter.n, letter)),
    remove: (n) => Promise.resolve(void kept.delete(n)),
  };
}
