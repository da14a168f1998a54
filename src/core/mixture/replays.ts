import { MASSES } from "./components";
import { volumeOf } from "./volume";
import type { Entry, Moved, Operation, Run } from "./entry";
import {
  AS_IT_IS,
  type EntryMoved,
  UNMOVED,
  blank,
  contribute,
  copy,
  finished,
  lawsWith,
  operate,
  run,
  scratch,
  seeJar,
  shiftOf,
} from "./ledger";

/**
 * The same making run many times with one thing moved each time. Everything up to the first soak is a plain sum of what goes in, so a moved
 * entry is exchanged there and only what follows is run again: the cost of a run does not grow with the number of lines.
 */
export class Replays {
  private readonly soaked = blank();
  /** Operations summed up in `soaked`. */
  private readonly from: number;
  private readonly summed: ReadonlySet<number>;

  constructor(
    private readonly entries: readonly Entry[],
    private readonly operations: readonly Operation[],
  ) {
    const soak = operations.findIndex((o) => o.op === "soak");
    const head = operations.slice(0, soak + 1);
    const plain = head.every(
      (o) => o.op === "soak" || (o.op === "add" && entries[o.entry]!.perMl === undefined),
    );
    this.from = plain ? soak + 1 : 0;
    this.summed = new Set(plain ? head.flatMap((o) => (o.op === "add" ? [o.entry] : [])) : []);
    for (const o of operations.slice(0, this.from)) operate(this.soaked, o, entries, AS_IT_IS, undefined);
  }

  /** One run with this moved. The returned mixtures are scratch. */
  run(moved?: Moved): Run {
    const law = moved && "law" in moved ? moved.law : undefined;
    // These two change how the herb soaks, so nothing can be taken over.
    if (law === "extraction" || law === "alkalinity") return run(this.entries, this.operations, moved);
    copy(this.soaked, scratch);
    const mine = moved && "entry" in moved ? moved : undefined;
    if (mine && this.summed.has(mine.entry)) this.exchange(mine);
    const laws = lawsWith(moved);
    for (let i = this.from; i < this.operations.length; i++)
      operate(scratch, this.operations[i]!, this.entries, laws, mine);
    return finished(scratch);
  }

  private exchange(mine: EntryMoved): void {
    const e = this.entries[mine.entry]!;
    const of = mine.as ?? e;
    const { a } = scratch;
    contribute(a, e, e.grams, UNMOVED, AS_IT_IS, -1);
    contribute(a, of, of.grams * (1 + (mine.mass ?? 0)), shiftOf(mine), AS_IT_IS, 1);
    a.plainMl = volumeOf(a.liquid);
    // What was taken out again leaves dust of rounding, never less than nothing.
    for (let k = 0; k < MASSES; k++) {
      if (a.liquid[k]! < 1e-12) a.liquid[k] = 0;
      if (a.plants[k]! < 1e-12) a.plants[k] = 0;
    }
    seeJar(scratch);
  }
}
