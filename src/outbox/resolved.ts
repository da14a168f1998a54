import { type Fault, fault } from "../core/fault";
import { type Letter, NOT_YET } from "./letter";

/** Nothing is said of how long ago where it is less, ms: an answer may take that long. */
const AT_ONCE_MS = 3000;

const NEVER_WRITTEN: Fault = fault(
  "NeverWritten",
  "What this puts right was not written in the end. Drop it, or look at the journal and put right what stands there.",
);

/** The place in the journal of what stood for the n-th letter while it was not known; nothing where it has none. */
function placeOf(letters: readonly Letter[], seq: number): number | undefined {
  if (seq < NOT_YET) return seq;
  return letters.find((l) => l.n === seq - NOT_YET)?.answer?.entry;
}

/** The version the writer had seen: after the last of its own letters that is written. */
function seenOf(letters: readonly Letter[], seen: number): number | undefined {
  if (seen < NOT_YET) return seen;
  return letters.find((l) => l.n === seen - NOT_YET)?.answer?.seq;
}

/** What a letter puts right: a place in a journal, or one of the device's own letters; nothing where it is no correction. */
function putRight(letter: Letter): number | undefined {
  const { seq } = (letter.body["body"] ?? {}) as { seq?: unknown };
  return letter.body["type"] === "corrected" && typeof seq === "number" ? seq : undefined;
}

/** The body of a letter; a correction says the place its entry was given, where that is known by now. */
export function bodyNow(letters: readonly Letter[], letter: Letter): unknown {
  const body = letter.body["body"];
  const seq = putRight(letter);
  if (seq === undefined) return body;
  return { ...(body as object), seq: placeOf(letters, seq) ?? seq };
}

/**
 * A letter as it is sent: with the places its own earlier letters were given, and how long ago it was written where that is no longer now. How long
 * ago, not when: a clock that is wrong by a day measures a quarter of an hour as well as any other.
 * @param letters all of this device, in order
 */
export function asSent(
  letters: readonly Letter[],
  letter: Letter,
  nowMs: number,
):
  | { readonly ok: true; readonly body: Readonly<Record<string, unknown>> }
  | { readonly ok: false; readonly fault: Fault } {
  const seq = putRight(letter);
  if (seq !== undefined && placeOf(letters, seq) === undefined) return { ok: false, fault: NEVER_WRITTEN };
  const is = bodyNow(letters, letter);
  const { seen, at, on } = letter.body;
  const ago = Math.round(nowMs - letter.wroteAt);
  const late = letter.happened === true && ago >= AT_ONCE_MS && at === undefined && on === undefined;
  const saw = typeof seen === "number" ? seenOf(letters, seen) : undefined;
  const { seen: _, body: __, ...rest } = letter.body;
  return {
    ok: true,
    body: {
      key: letter.key,
      ...rest,
      ...(is === undefined ? {} : { body: is }),
      ...(saw === undefined ? {} : { seen: saw }),
      ...(late ? { ago } : {}),
    },
  };
}
