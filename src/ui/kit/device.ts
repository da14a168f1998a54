import type { Post } from "@/outbox/letter";
import { keptBox } from "@/outbox/kept-box";
import { memoryBox } from "@/outbox/memory-box";
import { NOTHING_KEPT, Outbox, type OutboxState } from "@/outbox/outbox";
import { keptSince } from "./kept-since";
import { post } from "./post";

/*
 * This device's outbox, one for all its pages: it is opened with the first thing that is written or shown, and looks again when another page of the
 * device wrote, when the signal comes back and when the page is seen again.
 */

/** A browser that keeps nothing says so late or never. */
const OPENING_MS = 2500;
const NAME = "jolly-outbox";

/** So many are taken at a time. */
const MOST_HANDED = 400;

interface Opened {
  readonly outbox: Outbox;
  /** Nothing outlasts the page here: a private window, or a full disk. */
  readonly forgets: boolean;
}
let opened: Promise<Opened> | undefined;
let now: Opened | undefined;

const listeners = new Set<() => void>();

async function boxOf() {
  const late = new Promise<never>((_, fail) => setTimeout(() => fail(new Error("late")), OPENING_MS));
  try {
    return { box: await Promise.race([keptBox(), late]), forgets: false };
  } catch {
    return { box: memoryBox(), forgets: true };
  }
}

/** A device that was sent away leaves what it wrote with a keeper of the house; where that is not taken either it stays here. */
async function leftWithKeeper(outbox: Outbox): Promise<void> {
  const letters = outbox
    .state()
    .letters.filter((l) => l.state === "waiting")
    .slice(0, MOST_HANDED);
  const sent = letters.map(({ key, n, url, stream, body, wroteAt }) => {
    const ago = Math.max(0, Date.now() - wroteAt);
    return { key, n, url, stream, body, ago };
  });
  const headers = { "content-type": "application/json" };
  const reply = await fetch("/hand-in", {
    method: "POST",
    headers,
    body: JSON.stringify({ letters: sent }),
  }).catch(() => undefined);
  if (!reply?.ok) return;
  const { taken } = (await reply.json()) as { taken?: unknown };
  if (Array.isArray(taken)) await outbox.handed(new Set(taken.map(String)));
}

async function open(): Promise<Opened> {
  const { box, forgets } = await boxOf();
  const channel = "BroadcastChannel" in window ? new BroadcastChannel(NAME) : undefined;
  const sending: Post = async (url, body) => {
    const reply = await post(url, body);
    if (reply.is === "away" && reply.fault.name === "NotLetIn") void leftWithKeeper(outbox);
    return reply;
  };
  const outbox: Outbox = new Outbox(box, sending, {
    now: Date.now,
    later: (ms, call) => {
      const timer = setTimeout(call, ms);
      return () => clearTimeout(timer);
    },
    alone: async (work) => void (await (navigator.locks ? navigator.locks.request(NAME, work) : work())),
    changed: () => channel?.postMessage(""),
  });
  if (channel) channel.onmessage = () => void outbox.look();
  outbox.subscribe(() => {
    for (const tell of listeners) tell();
  });
  window.addEventListener("online", () => void outbox.flush());
  document.addEventListener("visibilitychange", () => {
    if (document.visibilityState === "visible") void outbox.look().then(() => outbox.flush());
  });
  now = { outbox, forgets };
  // A page that this device kept itself is shown because the house did not answer.
  if (keptSince() !== undefined) outbox.heard(false);
  await outbox.look();
  void outbox.flush();
  return now;
}

/** The outbox of this device. */
export const device = (): Promise<Opened> => (opened ??= open());

/** Whether a page that is not open here already can be shown: the house answers, or this device keeps pages itself. */
export const canGo = (): boolean =>
  (navigator.onLine && keptNow().reached !== false) || (navigator.serviceWorker?.controller ?? null) !== null;

/** Whether the house answered when it was asked last. */
export const isReached = (): boolean => navigator.onLine && keptNow().reached !== false;

/** For pages: what is kept here, as far as it is known yet. */
export const keptNow = (): OutboxState => now?.outbox.state() ?? NOTHING_KEPT;
export const keptNothing = (): OutboxState => NOTHING_KEPT;
export const forgets = (): boolean => now?.forgets ?? false;
export function listenToKept(tell: () => void): () => void {
  listeners.add(tell);
  void device();
  return () => listeners.delete(tell);
}

/** The house answered something that was asked of it, or did not: a page that reads tells what a page that writes has to know. */
export const heard = (answered: boolean): void => now?.outbox.heard(answered);
