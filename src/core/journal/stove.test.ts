import { line, made, trial, withSteps } from "../plan/trial";
import { ENTRIES, type JournalEvent } from "./events";
import { type Batch, fold } from "./fold";
import { coolingOf, temperaturesOf } from "./forecast";
import { reckonBatch } from "./reckon";
import { walkOf } from "./walk";
import { sifted } from "./at-the-stove";
import { type Said, batchOf, journalOf, startMs } from "../../../tests/trial-journal";

const PLAN = withSteps(trial(made("syrup-half", []), { vessel: "p-3000" }), [
  { do: "add", what: [line("nettle", "40 g", { form: "dried" }), line("water", "1.5 L")] },
  { do: "simmer", for: "20 min" },
  { do: "strain", how: "wrung" },
  { do: "cool", to: "43 °C" },
  { do: "add", what: [line("honey", "1 of liquid")] },
  { do: "bottle" },
]);
const START = startMs;
const at = (minute: number): string => new Date(START + minute * 60_000).toISOString();
const journal = (...said: readonly Said[]): JournalEvent[] => journalOf(PLAN, ...said);
const batch = (...said: readonly Said[]): Batch => batchOf(PLAN, ...said);
const walked = (b: Batch, minute: number) => {
  const r = reckonBatch(b);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return walkOf(b, r.value.program, START + minute * 60_000);
};
const done = (move: string): unknown => ({ move, did: "done" });
const lines = PLAN.steps.flatMap((s) => (s.do === "add" ? s.what.map((l) => l.id) : []));
const simmer = PLAN.steps.find((s) => s.do === "simmer")!.id;

test("the walk stands at the first move not done; what was left out is none", () => {
  expect(walked(batch(), 0).now!.sort).toBe("gather");
  const b = batch([1, "stepped", done("gather")], [2, "left-out", { line: lines[0] }]);
  const w = walked(b, 3);
  expect(w.now).toMatchObject({ sort: "add", lines: [lines[1]] });
  // What was left out is no part of the making any more.
  expect(w.moves.some((m) => m.lines[0] === lines[0] && m.sort === "add")).toBe(false);
  expect(w.undo!.type).toBe("left-out");
});

test("undo is the last tick that stands, and takes back what it wrote", () => {
  const events = journal([1, "stepped", done("gather")], [2, "added", { line: lines[0], amount: "50 g" }]);
  const undo = { seq: 3, body: null };
  const after = [
    ...events,
    {
      ...events[2]!,
      type: "corrected",
      seq: 4,
      version: ENTRIES.corrected.version,
      body: undo,
    } as JournalEvent,
  ];
  const w = walked(fold(after)!, 3);
  expect(w.now).toMatchObject({ sort: "add", lines: [lines[0]] });
  expect(w.undo!.seq).toBe(2);
});

test("a clock that runs leaves its wait shorter; a move that is done stops its own", () => {
  const clock = { did: "started", clock: simmer, words: "simmers", low: 20, high: 20 };
  const b = batch([5, "timed", clock]);
  const [early, late] = [walked(b, 6), walked(b, 20)];
  expect(early.pace.wait.value - late.pace.wait.value).toBeCloseTo(14, 6);
  const over = batch([5, "timed", clock], [26, "stepped", done(simmer)]);
  expect(over.stove.clocks[0]!.stoppedAt).toBe(at(26));
});

test("strained without a tick, what came before counts as passed over", () => {
  const w = walked(batch([60, "strained", { measured: "1 L", how: "wrung" }]), 61);
  expect(w.now!.sort).toBe("cool");
  expect(w.moves[0]).toMatchObject({ sort: "gather", state: "passed" });
});

const reading = (minute: number, celsius: number) =>
  [minute, "read", { what: "temperature", value: celsius, by: "probe" }] as const;

test("readings come by their own time, whatever order they were written in; bad ones stay aside", () => {
  const b = batch(reading(30, 70), reading(10, 95), reading(20, 850), reading(21, 80));
  expect(temperaturesOf(b).map((t) => t.celsius)).toEqual([95, 80, 70]);
  expect(sifted(b.stove.readings, "temperature").aside.map((a) => a.why)).toEqual(["out-of-range"]);
});

test("cooling is learned from when it came off the heat, not from when it was heated", () => {
  const b = batch(
    reading(1, 20),
    reading(8, 70),
    [30, "stepped", done(simmer)],
    reading(31, 96),
    reading(40, 88),
    reading(50, 81),
  );
  const r = reckonBatch(b);
  if (!r.ok) throw new Error("it reckons");
  const cool = PLAN.steps.find((s) => s.do === "cool")!.id;
  const l = coolingOf(b, r.value.program, cool, START + 60 * 60_000)!;
  expect(l.cooling.readings.map((x) => x.celsius)).toEqual([96, 88, 81]);
});

test("a low-acid liquid that stood warm for hours is not kept, by the thermometer's own word", () => {
  const slow = [0, 60, 120, 180, 240, 300, 360, 420].map((m, i) =>
    reading(m + 30, [90, 58, 50, 44, 39, 35, 32, 30][i]!),
  );
  const verdict = (b: Batch) => {
    const r = reckonBatch(b);
    if (!r.ok) throw new Error("it reckons");
    return r.value.reckoning;
  };
  const warm = verdict(batch(...slow));
  expect(warm.cooling!.outcome).toBe("do-not-keep");
  expect(warm.verdict.place).toBe("do-not-keep");
  expect(verdict(batch(...slow.slice(0, 2))).verdict.place).not.toBe("do-not-keep");
});

test("a window moved by hand is the care's window; tasting counts as the touch it is", () => {
  const moved = { earliest: "2026-12-01", best: "2026-12-10", latest: "2026-12-20", why: "away" };
  const b = batch([1, "rewindowed", moved], [2, "tasted", { sweet: 3 }]);
  expect(b.stove.window).toEqual(moved);
  expect(b.done.taste).toBe("2026-11-24");
  expect(b.stove.tastings).toMatchObject([{ sweet: 3 }]);
});
