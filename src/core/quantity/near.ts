const LONGEST = 64;
// Three rows of the table, kept between calls: a name is looked up against every other at each keystroke.
const ROWS = [new Uint8Array(LONGEST + 1), new Uint8Array(LONGEST + 1), new Uint8Array(LONGEST + 1)] as const;

/**
 * Edit distance with transpositions (optimal string alignment), for “did you mean”. Stops counting past `cap`.
 * @returns edits, or `cap + 1` where there are more, or where a word has over 64 letters
 */
export function distance(a: string, b: string, cap = 3): number {
  const apart = a.length > b.length ? a.length - b.length : b.length - a.length;
  if (apart > cap || a.length > LONGEST || b.length > LONGEST) return cap + 1;
  let [before, last, row] = ROWS as unknown as [Uint8Array, Uint8Array, Uint8Array];
  for (let j = 0; j <= b.length; j++) last[j] = j;
  for (let i = 1; i <= a.length; i++) {
    row[0] = i;
    let least = i;
    const letter = a.charCodeAt(i - 1);
    for (let j = 1; j <= b.length; j++) {
      const other = b.charCodeAt(j - 1);
      let d = last[j - 1]! + (letter === other ? 0 : 1);
      if (last[j]! + 1 < d) d = last[j]! + 1;
      if (row[j - 1]! + 1 < d) d = row[j - 1]! + 1;
      const swapped = i > 1 && j > 1 && letter === b.charCodeAt(j - 2) && a.charCodeAt(i - 2) === other;
      if (swapped && before[j - 2]! + 1 < d) d = before[j - 2]! + 1;
      row[j] = d;
      if (d < least) least = d;
    }
    // A swap reaches two rows back, so one row past the cap is not yet the end.
    if (least > cap + 1) return cap + 1;
    [before, last, row] = [last, row, before];
  }
  return last[b.length]!;
}

/** The closest word within a third of its length (at least one edit), or nothing. */
export function nearest(word: string, among: readonly string[]): string | undefined {
  let best: string | undefined;
  let least = Math.max(1, Math.floor(word.length / 3)) + 1;
  for (const w of among) {
    const d = distance(word, w, least);
    if (d < least) {
      least = d;
      best = w;
    }
  }
  return best;
}
