import type { ToBatch } from "@/contract/writes";
import type { Batch } from "@/core/journal/fold";
import type { WalkedMove } from "@/core/journal/walk";
import { linesOf } from "@/core/plan/edit";
import type { Bar } from "./foot";
import type { Making } from "./making";
import { type Saying, moveWords } from "./move-words";

/** Minutes are kept to the hundredth. */
const round = (m: number): number => Math.round(m * 100) / 100;

/** What a move with a clock of its own is called on every page. */
const CLOCK_WORDS: Readonly<Partial<Record<WalkedMove["sort"], string>>> = {
  simmer: "simmers",
  pressure: "under pressure",
  steep: "stands",
  crush: "garlic rests",
};

/** The one bar: what pressing it writes down, or the page the move is done on. */
export function barOf(
  batch: Batch,
  now: WalkedMove | undefined,
  saying: Saying,
  making: Making,
  ripe: boolean,
): Bar {
  const home = `/batch/${batch.id}`;
  if (!now) return { words: "See where it stands", href: home };
  const { bar } = moveWords(saying, now);
  const done = (): void => void making.write("stepped", { move: now.id, did: "done" });
  const clock = (id: string): ToBatch["timed"] => ({
    ...{ did: "started" as const, clock: id, words: CLOCK_WORDS[now.sort] ?? now.sort },
    ...{ low: round(now.clock!.low), high: round(now.clock!.high) },
  });
  switch (now.sort) {
    case "add": {
      const line = linesOf(batch.begunPlan).find((l) => l.id === now.lines[0])!;
      return { words: bar, press: () => void making.write("added", { line: line.id, amount: line.amount }) };
    }
    case "strain":
      return ripe ? { words: bar, href: `${home}/strain` } : { words: "Leave it to steep", href: home };
    case "finish":
      return { words: bar, href: `${home}/finish` };
    case "bottle":
      return { words: bar, href: `${home}/bottle` };
    case "simmer":
    case "pressure":
    case "steep":
      return batch.stove.clocks.some((c) => c.id === now.id)
        ? { words: now.sort === "steep" ? "It has stood" : "It is done", press: done }
        : { words: bar, press: () => void making.write("timed", clock(now.id)) };
    case "crush":
      return {
        words: bar,
        press: () =>
          void making
            .write("stepped", { move: now.id, did: "done" })
            .then((ok) => ok && now.clock && making.write("timed", clock(`${now.id}.rest`))),
      };
    default:
      return { words: bar, press: done };
  }
}
