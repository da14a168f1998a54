import type { Answer } from "@/contract/writes";
import type { Fault } from "@/core/fault";
import { NOT_YET } from "@/outbox/letter";
import type { Outcome } from "@/outbox/outbox";
import { device } from "./device";
import { AWAY, post } from "./post";
import { acknowledged } from "./pressed";
import { mine } from "./sent-keys";
import type { Writing } from "./writes";

/**
 * `kept`: the house does not answer, and it is written all the same: it lies in this device's outbox, its effect is shown, and the answer stands for
 * the one that will come.
 */
export type Sent<A extends Answer = Answer> =
  | { readonly ok: true; readonly answer: A; readonly kept?: true }
  | { readonly ok: false; readonly fault: Fault; readonly seq?: number };

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
/** How often the same is tried before it is told, where it cannot be kept here. */
const TRIES = 7;
/** Where its effect is shown from here, once in vain is enough. Elsewhere the page waits for its answer. */
const TRIES_SHOWN = 1;

/**
 * Sends a write under its key. What belongs to a journal goes through this device's outbox: kept first, then sent, in order, again and again until the
 * house has it. What was refused, or went wrong in the house, is told at once and not sent again. What was typed is the caller's to keep.
 */
export async function send<A extends Answer>(w: Writing<A>, key: string): Promise<Sent<A>> {
  const arrived = acknowledged();
  try {
    return await (w.stream === undefined ? sentAtOnce(w, key) : throughOutbox(w, w.stream, key));
  } finally {
    arrived();
  }
}

async function throughOutbox<A extends Answer>(w: Writing<A>, stream: string, key: string): Promise<Sent<A>> {
  const { outbox } = await device();
  mine(key);
  const letter = {
    key,
    url: w.url,
    stream,
    body: w.body,
    wroteAt: Date.now(),
    builtOn: w.builtOn === true,
    happened: w.happened === true,
  };
  let outcome: Outcome;
  try {
    outcome = await outbox.write(letter, w.shown ? TRIES_SHOWN : undefined);
  } catch {
    // It cannot be kept here, the disk is full perhaps: it is sent as it is, and what comes of it is told.
    return sentAtOnce(w, key);
  }
  switch (outcome.is) {
    case "written":
      return { ok: true, answer: outcome.answer as A };
    case "refused":
      return {
        ok: false,
        fault: outcome.fault,
        ...(outcome.seq === undefined ? {} : { seq: outcome.seq }),
      };
    case "kept": {
      if (!w.shown) return { ok: false, fault: outcome.fault };
      const place = NOT_YET + outcome.letter.n;
      const answer: Answer = { seq: place, entry: place, id: stream, already: false };
      return { ok: true, kept: true, answer: answer as A };
    }
  }
}

async function sentAtOnce<A extends Answer>(w: Writing<A>, key: string): Promise<Sent<A>> {
  mine(key);
  let fault = AWAY;
  for (let tries = 1; ; tries++) {
    const reply = await post(w.url, { key, ...w.body });
    if (reply.is === "taken") return { ok: true, answer: reply.answer as A };
    if (reply.is === "refused")
      return { ok: false, fault: reply.fault, ...(reply.seq === undefined ? {} : { seq: reply.seq }) };
    fault = reply.fault;
    if (tries >= TRIES) return { ok: false, fault };
    await pause(250 * 2 ** Math.min(tries - 1, 4));
  }
}
