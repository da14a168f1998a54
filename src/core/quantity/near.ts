/** Edit distance with transpositions (optimal string alignment), for "did you mean". Stops counting past `cap`. */
export function distance(a: string, b: string, cap = 3): number {
  if (Math.abs(a.length - b.length) > cap) return cap + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      let d = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) d = Math.min(d, before[j - 2]! + 1);
      row.push(d);
    }
    before = last;
    last = row;
  }
  return last[b.length]!;
}

/** The closest word within a third of its length (at least one edit), or nothing. */
export function nearest(word: string, among: readonly string[]): string | undefined {
  let best: string | undefined;
  let least = Math.max(1, Math.floor(word.length / 3)) + 1;
  for (const w of among) {
    const d = distance(word, w);
    if (d < least) {
      least = d;
      best = w;
    }
  }
  return best;
}
