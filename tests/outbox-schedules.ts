/**
 * What devices may live through between a press and the journal: the signal goes, replies are lost, pages are closed and opened again, the same things
 * are written on two devices. Schedules are drawn, and told what must be true of any of them; nothing here knows how an outbox does it.
 */
import { type Chance, chance } from "./chance";

/** One thing that happens in a schedule. */
export type Happening =
  | { readonly on: number; readonly does: "write"; readonly what: "note" | "touch" | "strain" }
  /** Takes back the n-th from the end of its own notes, whether or not it was sent already. */
  | { readonly on: number; readonly does: "take-back"; readonly back: number }
  /** The signal of one device; of all where the house itself is away. */
  | { readonly on: number | "all"; readonly does: "cut" | "back" }
  /** From now on this part of its requests, and of the replies to it, is lost on the way. */
  | { readonly on: number; readonly does: "lose"; readonly share: number }
  /** The page is closed in the middle of whatever it does, and opened again on what the device keeps. */
  | { readonly on: number; readonly does: "reload" }
  | { readonly on: number; readonly does: "look" }
  /** So many seconds pass on the device; a clock may also jump. */
  | { readonly on: number; readonly does: "wait"; readonly s: number };

const DRAWN = [
  "write",
  "write",
  "write",
  "write",
  "take-back",
  "cut",
  "back",
  "lose",
  "reload",
  "look",
  "wait",
] as const;

function happening(c: Chance, devices: number): Happening {
  const on = Math.floor(c.next() * devices);
  const does = c.pick(DRAWN);
  switch (does) {
    case "write":
      return { on, does, what: c.pick(["note", "note", "note", "note", "touch", "strain"] as const) };
    case "take-back":
      return { on, does, back: 1 + Math.floor(c.next() * 3) };
    case "cut":
    case "back":
      return { on: c.next() < 0.2 ? "all" : on, does };
    case "lose":
      return { on, does, share: c.pick([0, 0.2, 0.5, 0.8]) };
    case "wait":
      return { on, does, s: Math.round(c.from(1, 20_000)) };
    default:
      return { on, does };
  }
}

export interface Schedule {
  readonly seed: number;
  readonly devices: number;
  readonly happenings: readonly Happening[];
}

export function scheduleOf(seed: number, devices = 2, length = 36): Schedule {
  const c = chance(seed);
  return { seed, devices, happenings: Array.from({ length }, () => happening(c, devices)) };
}

/** A thing a device wrote, as the trial remembers it: by what it says, never by a key or a number of the outbox. */
export interface Wrote {
  readonly on: number;
  readonly nth: number;
  readonly text: string;
  readonly what: "note" | "touch" | "strain";
  takenBack: boolean;
  /** It was refused and the maker dropped it. */
  dropped: boolean;
}

/** A row of the journal as the trial's own SQL reads it. */
export interface Stood {
  readonly seq: number;
  readonly type: string;
  /** Which device wrote it, by what it says. */
  readonly text: string;
  /** Of a correction: which entry it takes back. */
  readonly of: number | undefined;
}

/**
 * What must be true when everything is back and everything was sent.
 * @returns what is not, in words; nothing where all holds
 */
export function broken(wrote: readonly Wrote[], journal: readonly Stood[]): readonly string[] {
  const wrong: string[] = [];
  const notes = wrote.filter((w) => w.what === "note");
  const rows = journal.filter((r) => r.type === "noted");
  for (const w of notes) {
    const its = rows.filter((r) => r.text === w.text);
    if (w.dropped) continue;
    if (its.length !== 1) wrong.push(`“${w.text}” stands ${its.length} times`);
    const back = journal.filter((r) => r.type === "corrected" && r.of === its[0]?.seq);
    if (back.length !== (w.takenBack ? 1 : 0)) wrong.push(`“${w.text}” was taken back ${back.length} times`);
  }
  if (rows.length !== notes.filter((w) => !w.dropped).length)
    wrong.push(`${rows.length} notes of ${notes.length}`);
  for (const on of new Set(notes.map((w) => w.on))) {
    const order = notes
      .filter((w) => w.on === on && !w.dropped)
      .map((w) => rows.find((r) => r.text === w.text)?.seq ?? 0);
    if (order.some((seq, i) => i > 0 && seq <= order[i - 1]!))
      wrong.push(`device ${on} wrote in another order`);
  }
  const touches = wrote.filter((w) => w.what === "touch" && !w.dropped).length;
  const touched = journal.filter((r) => r.type === "touched").length;
  if (touched !== touches) wrong.push(`${touched} touches of ${touches}`);
  const strains = wrote.filter((w) => w.what === "strain" && !w.dropped).length;
  const strained = journal.filter((r) => r.type === "strained").length;
  if (strained !== strains) wrong.push(`strained ${strained} times, where ${strains} were not refused`);
  if (strained > 1) wrong.push("one jar was strained twice");
  const known = new Set(["begun", "noted", "touched", "strained", "corrected"]);
  for (const r of journal) if (!known.has(r.type)) wrong.push(`nobody wrote “${r.type}”`);
  const backs = wrote.filter((w) => w.takenBack && !w.dropped).length;
  const corrected = journal.filter((r) => r.type === "corrected").length;
  if (corrected !== backs) wrong.push(`${corrected} corrections of ${backs}`);
  journal.forEach((r, i) => r.seq !== i + 1 && wrong.push(`a gap at ${i + 1}`));
  return wrong;
}

/**
 * What a device must show at any moment: each of its own notes that was not taken back, once, whether or not it was sent, and nothing it did not write
 * and was not told.
 */
export function shownWrongly(
  wrote: readonly Wrote[],
  on: number,
  shown: readonly string[],
): readonly string[] {
  const own = wrote.filter((w) => w.on === on && w.what === "note" && !w.dropped);
  const wrong: string[] = [];
  for (const w of own) {
    const times = shown.filter((t) => t === w.text).length;
    if (times !== (w.takenBack ? 0 : 1)) wrong.push(`device ${on} shows “${w.text}” ${times} times`);
  }
  const all = new Set(wrote.map((w) => w.text));
  for (const t of shown) if (!all.has(t)) wrong.push(`device ${on} shows “${t}”, which nobody wrote`);
  return wrong;
}
