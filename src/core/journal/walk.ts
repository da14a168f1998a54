import { msOf } from "../day";
import type { Span } from "../estimate";
import type { Move } from "../make/move";
import { movesOf } from "../make/moves";
import { type Begun, type Pace, paceOf } from "../make/pace";
import type { Program } from "../reckoning/program";
import type { Clock } from "./at-the-stove";
import type { EventType } from "./events";
import type { Batch, Entry } from "./fold";

export interface WalkedMove extends Move {
  readonly state: "done" | "passed" | "open";
}

/** Where a making stands in its walk. */
export interface Walked {
  readonly moves: readonly WalkedMove[];
  /** The move at hand; nothing where all is done. */
  readonly now: WalkedMove | undefined;
  readonly next: WalkedMove | undefined;
  readonly last: WalkedMove | undefined;
  /** The entry *undo* takes back. */
  readonly undo: Entry | undefined;
  readonly pace: Pace;
}

function stateOf(b: Batch, m: Move): WalkedMove["state"] {
  switch (m.sort) {
    case "add": {
      const did = b.making.lines.get(m.lines[0]!)?.did;
      if (did === undefined) return "open";
      return did === "left-out" ? "passed" : "done";
    }
    case "strain":
      return b.state === "working" ? stepped(b, m) : "done";
    case "finish":
      return b.making.finished || b.state === "bottled" ? "done" : "open";
    case "bottle":
      return b.state === "bottled" ? "done" : "open";
    default:
      return stepped(b, m);
  }
}

function stepped(b: Batch, m: Move): WalkedMove["state"] {
  return b.stove.moves.get(m.id)?.did ?? "open";
}

/** Once it is strained, what was not ticked before counts as passed over. */
function settled(b: Batch, moves: readonly WalkedMove[]): readonly WalkedMove[] {
  if (b.state === "working") return moves;
  const cut = moves.findIndex((m) => m.sort === "strain");
  return moves.map((m, i) => (i < cut && m.state === "open" ? { ...m, state: "passed" } : m));
}

const TICKS: ReadonlySet<EventType> = new Set<EventType>([
  "stepped",
  "added",
  "left-out",
  "swapped",
  "extra",
  "stood",
]);

/** Minutes left of a clock that runs; none where it rang. */
export function leftOf(c: Clock, nowMs: number): Span {
  const gone = (nowMs - msOf(c.startedAt)) / 60_000;
  const left = (of: number): number => Math.max(0, of - gone);
  return { low: left(c.low), value: left((c.low + c.high) / 2), high: left(c.high) };
}

export const running = (b: Batch): readonly Clock[] =>
  b.stove.clocks.filter((c) => c.stoppedAt === undefined);

/**
 * The walk of a batch as it stands.
 * @param waits what is left of waits that are reckoned rather than clocked, by move
 */
export function walkOf(b: Batch, p: Program, nowMs: number, waits: readonly Begun[] = []): Walked {
  const moves = settled(
    b,
    movesOf(p).map((m) => ({ ...m, state: stateOf(b, m) })),
  );
  const open = moves.filter((m) => m.state === "open");
  const [now, next] = open;
  const at = now ? moves.indexOf(now) : moves.length;
  const ids = new Set(moves.map((m) => m.id));
  const clocks = running(b).flatMap((c) => (ids.has(c.id) ? [{ move: c.id, left: leftOf(c, nowMs) }] : []));
  const undo = b.diary
    .filter((e) => TICKS.has(e.type) && !e.correctedBy?.undone)
    .reduce<Entry | undefined>((last, e) => (last && last.seq > e.seq ? last : e), undefined);
  return {
    moves,
    now,
    next,
    last: moves[at - 1],
    undo,
    pace: paceOf(
      moves,
      new Set(moves.filter((m) => m.state !== "open").map((m) => m.id)),
      now?.sitting ?? 0,
      [...clocks, ...waits],
    ),
  };
}
