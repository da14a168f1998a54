import type { Fault } from "@/core/fault";

/** What any write is answered with: the new version and the thing it is of. */
export interface Answer {
  readonly seq: number;
  readonly id: string;
  readonly already: boolean;
}
/** A write to a batch's journal also says where the batch stands now. */
export interface BatchAnswer extends Answer {
  /** The place of what was written in its journal, by which it can be put right. */
  readonly entry: number;
  readonly code: string;
  readonly state: string;
}
export type Sent<A extends Answer = Answer> =
  | { readonly ok: true; readonly answer: A }
  | { readonly ok: false; readonly fault: Fault; readonly seq?: number; readonly away: boolean };

const AWAY: Fault = {
  name: "Away",
  message: "The kitchen's server does not answer. What you typed is kept here; try again when it is back.",
  path: [],
};

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/**
 * Sends a write under its key and, when the reply is lost or the journal away, sends the very same again: the key makes that safe.
 * Gives up after about twenty seconds with `away`; what was typed is the caller's to keep.
 */
export async function send<A extends Answer = BatchAnswer>(
  url: string,
  body: { readonly key: string } & Record<string, unknown>,
): Promise<Sent<A>> {
  const text = JSON.stringify(body);
  let fault = AWAY;
  for (let tries = 0; ; tries++) {
    try {
      const controller = new AbortController();
      const limit = setTimeout(() => controller.abort(), 8000);
      const reply = await fetch(url, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: text,
        signal: controller.signal,
      }).finally(() => clearTimeout(limit));
      const json = (await reply.json()) as Record<string, unknown>;
      if (reply.ok) return { ok: true, answer: json as unknown as A };
      if (reply.status < 500)
        return {
          ok: false,
          fault: json["fault"] as Fault,
          away: false,
          ...(typeof json["seq"] === "number" ? { seq: json["seq"] } : {}),
        };
      // A full disk is said as such; it is written once there is room.
      const said = json["fault"] as Fault | undefined;
      fault = said?.name === "DiskFull" ? said : AWAY;
    } catch {
      // The reply was lost, or the server is away; the same key is sent again.
    }
    if (tries >= 6) return { ok: false, away: true, fault };
    await pause(250 * 2 ** Math.min(tries, 4));
  }
}
