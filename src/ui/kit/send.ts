import type { Answer, Refusal } from "@/contract/writes";
import type { Fault } from "@/core/fault";
import { acknowledged } from "./pressed";
import { mine } from "./sent-keys";
import type { Writing } from "./writes";

export type Sent<A extends Answer = Answer> =
  | { readonly ok: true; readonly answer: A }
  | { readonly ok: false; readonly fault: Fault; readonly seq?: number };

const AWAY: Fault = {
  name: "Away",
  message: "The kitchen's server does not answer. What you typed is kept here; try again when it is back.",
  path: [],
};
const UNREADABLE: Fault = {
  name: "Unreadable",
  message:
    "The answer could not be read. What you typed is kept here; look whether it was written before you say it again.",
  path: [],
};

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
/** How long a reply is waited for, ms; how often the same is sent again. */
const PATIENCE = 8000;
const TRIES = 7;

/** The database is away or the disk full: what may be otherwise in a moment. Of anything else the same would be said again. */
const passes = (status: number): boolean => status === 503 || status === 507;

interface Reply {
  readonly status: number;
  readonly json: unknown;
}

/** One try; nothing where the reply was lost, or the server is away. */
async function asked(url: string, text: string): Promise<Reply | undefined> {
  const controller = new AbortController();
  const limit = setTimeout(() => controller.abort(), PATIENCE);
  const headers = { "content-type": "application/json" };
  try {
    const reply = await fetch(url, { method: "POST", headers, body: text, signal: controller.signal });
    return { status: reply.status, json: await reply.json().catch(() => undefined) };
  } catch {
    return undefined;
  } finally {
    clearTimeout(limit);
  }
}

const faultIn = (json: unknown): Refusal | undefined => {
  const { fault, seq } = (json ?? {}) as Partial<Refusal>;
  return typeof fault?.message === "string"
    ? { fault, ...(typeof seq === "number" ? { seq } : {}) }
    : undefined;
};

/**
 * Sends a write under its key. Where the reply is lost, the journal away or the disk full the very same is sent again, which the key makes safe; what
 * was refused, or went wrong in the house, is told at once and not sent again. What was typed is the caller's to keep.
 */
export async function send<A extends Answer>(w: Writing<A>, key: string): Promise<Sent<A>> {
  const arrived = acknowledged();
  try {
    return await sent(w, key);
  } finally {
    arrived();
  }
}

async function sent<A extends Answer>(w: Writing<A>, key: string): Promise<Sent<A>> {
  const text = JSON.stringify({ key, ...w.body });
  mine(key);
  let fault = AWAY;
  for (let tries = 1; ; tries++) {
    const reply = await asked(w.url, text);
    if (reply && reply.status < 300)
      return reply.json === undefined
        ? { ok: false, fault: UNREADABLE }
        : { ok: true, answer: reply.json as A };
    const refusal = faultIn(reply?.json);
    if (reply && !passes(reply.status)) return { ok: false, ...(refusal ?? { fault: UNREADABLE }) };
    fault = refusal?.fault ?? AWAY;
    if (tries >= TRIES) return { ok: false, fault };
    await pause(250 * 2 ** Math.min(tries - 1, 4));
  }
}
