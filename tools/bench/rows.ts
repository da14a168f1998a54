/** What was measured: a row each, its time as a ratio of a baseline measured in the same run, so that a slower machine does not look like a slower product. */
const HEAD = ["what", "time", "× baseline", ""];
const rows: string[][] = [];

export const median = (x: readonly number[]): number =>
  [...x].sort((a, b) => a - b)[Math.floor(x.length / 2)]!;
export const p95 = (x: readonly number[]): number =>
  [...x].sort((a, b) => a - b)[Math.floor(x.length * 0.95)]!;

/** ms of a fixed piece of arithmetic: a million square roots and a sort of 100 000 numbers. */
export function baseline(): number {
  const times: number[] = [];
  for (let k = 0; k < 9; k++) {
    const t = performance.now();
    let s = 0;
    for (let i = 0; i < 1_000_000; i++) s += Math.sqrt(i);
    const a = Float64Array.from({ length: 100_000 }, (_, i) => (i * 7919) % 100_003);
    a.sort();
    if (s + a[0]! < 0) throw new Error();
    times.push(performance.now() - t);
  }
  return median(times);
}

const timeOf = (ms: number): string => {
  if (ms < 0.1) return `${(ms * 1000).toFixed(1)} µs`;
  return `${ms < 10 ? ms.toFixed(3) : ms.toFixed(1)} ms`;
};

export const say = (what: string, ms: number, base: number, note = ""): void =>
  void rows.push([what, timeOf(ms), (ms / base).toPrecision(3), note]);
/** A ratio of two things that were both measured. */
export const sayRatio = (what: string, ratio: number, note = ""): void =>
  void rows.push([what, "", ratio.toFixed(2), note]);
export const sayHead = (what: string): void => void rows.push([what, "", "", ""]);

export function print(): void {
  const all = [HEAD, ...rows];
  const widths = HEAD.map((_, i) => Math.max(...all.map((r) => r[i]!.length)));
  const cell = (c: string, i: number): string =>
    i === 1 || i === 2 ? c.padStart(widths[i]!) : c.padEnd(widths[i]!);
  for (const r of all) process.stdout.write(`${r.map(cell).join("  ").trimEnd()}\n`);
}
