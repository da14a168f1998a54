import type { Answer, Refusal } from "@/contract/writes";
import type { Fault } from "@/core/fault";
import type { Reply } from "@/outbox/letter";

export const AWAY: Fault = {
  name: "Away",
  message: "The kitchen's server does not answer. What you typed is kept here; try again when it is back.",
  path: [],
};
export const UNREADABLE: Fault = {
  name: "Unreadable",
  message:
    "The answer could not be read. What you typed is kept here; look whether it was written before you say it again.",
  path: [],
};

/** How long a reply is waited for, ms. */
const PATIENCE = 8000;

/**
 * The database is away or the disk full, this device has too much under way or is not let in just now: what may be otherwise in a moment. Of anything
 * else the same would be said again.
 */
const PASSES: ReadonlySet<number> = new Set([401, 429, 502, 503, 504, 507]);

interface Answered {
  readonly status: number;
  readonly json: unknown;
}

/** One try; nothing where the reply was lost, or the server is away. */
async function asked(url: string, text: string): Promise<Answered | undefined> {
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

/** Sends one thing once, and says what came of it. */
export async function post(url: string, body: Readonly<Record<string, unknown>>): Promise<Reply> {
  const reply = await asked(url, JSON.stringify(body));
  if (reply && reply.status < 300)
    return reply.json === undefined
      ? { is: "refused", fault: UNREADABLE }
      : { is: "taken", answer: reply.json as Answer };
  const refusal = faultIn(reply?.json);
  if (reply && !PASSES.has(reply.status)) return { is: "refused", ...(refusal ?? { fault: UNREADABLE }) };
  return { is: "away", fault: refusal?.fault ?? AWAY };
}
