/** A thin shell: searches for a year's plan, and lives one through many times, off the page's thread. */
import { expose } from "comlink";
import loadHighs from "highs";
import { type PlanFacts, factsOf } from "@/core/season/facts";
import { greedy } from "@/core/season/greedy";
import { type Found, improve } from "@/core/season/improve";
import type { Solver } from "@/core/season/programme";
import { type Replayed, replay } from "@/core/season/replay";
import { type Told, type WhatIf, yearOf } from "@/core/season/told";
import { smallestToDrop } from "@/core/season/unmet";
import { scalesOf } from "@/core/season/weigh";
import type { Start } from "@/core/season/year";
import { solverOf } from "./highs";

/** The solver, loaded once and only where a search asks for it. */
let solver: Promise<Solver> | undefined;
const loaded = (): Promise<Solver> =>
  (solver ??= loadHighs({ locateFile: () => "/highs.wasm" }).then(solverOf));

/** Which search is wanted: an earlier one ends when the next begins, or when it is good enough. */
let wanted = 0;
const breath = (): Promise<void> => new Promise((r) => setTimeout(r, 0));
/** A search goes on for so long at the most, ms. */
const MOST_MS = 60_000;

const season = {
  /** Searches on from a plan, telling the best so far at each step. What is pinned stays. */
  improve: async (
    told: Told,
    whatIf: WhatIf,
    from: readonly Start[],
    tell: (found: Found) => void,
  ): Promise<void> => {
    const mine = ++wanted;
    const { year } = yearOf(told, whatIf);
    const scales = scalesOf(
      year,
      from.filter((s) => s.pinned),
    );
    const until = performance.now() + MOST_MS;
    const search = improve(scales, await loaded(), from);
    for (;;) {
      const { value, done } = search.next();
      if (mine !== wanted) return;
      const over = done === true || performance.now() > until;
      tell({ ...value, done: over });
      if (over) return;
      await breath();
    }
  },
  /** A plan made at once under what is supposed, and its figures: to be set beside another. */
  atOnce: (
    told: Told,
    whatIf: WhatIf,
    pinned: readonly Start[],
  ): { starts: readonly Start[]; facts: PlanFacts } => {
    const { year } = yearOf(told, whatIf);
    const starts = greedy(scalesOf(year, pinned), pinned);
    return { starts, facts: factsOf(year, starts) };
  },
  /** The smallest wish to drop so that the others are met. */
  toDrop: (told: Told, whatIf: WhatIf, starts: readonly Start[]): string | undefined =>
    smallestToDrop(yearOf(told, whatIf).year, starts),
  enough: (): void => {
    wanted += 1;
  },
  /** Lives a plan through. Nothing where another was asked for meanwhile. */
  replay: async (told: Told, whatIf: WhatIf, starts: readonly Start[]): Promise<readonly Replayed[]> => {
    const { year, unsure } = yearOf(told, whatIf);
    const run = replay(year, starts, unsure);
    for (;;) {
      const { value, done } = run.next();
      if (done) return value;
      await breath();
    }
  },
};
export type SeasonWorker = typeof season;

expose(season);
