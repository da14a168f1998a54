import type { BottleEventType } from "@/core/cellar/bottle";
import type { EventType } from "@/core/journal/events";
import type { Letter } from "@/outbox/letter";

/*
 * What a letter says, in a few words: enough to know one's own again. Short ones, since they are on every page.
 */
const BATCH: Readonly<Record<EventType, string>> = {
  begun: "a jar begun",
  added: "what went in",
  "left-out": "something left out",
  swapped: "something in another's place",
  extra: "something more that went in",
  touched: "a touch of the jar",
  "topped-up": "a topping up",
  read: "a reading",
  stepped: "a step of the making",
  timed: "a clock",
  stood: "how the pan stands",
  probed: "the thermometer",
  tasted: "a tasting",
  rewindowed: "the days for straining",
  pictured: "a photograph",
  noted: "a note",
  strained: "the straining",
  finished: "what went into the strained liquid",
  bottled: "the bottling",
  corrected: "something put right",
  discarded: "a throwing out",
};
const BOTTLE: Readonly<Record<BottleEventType, string>> = {
  opened: "a bottle opened",
  poured: "what was poured",
  coursed: "a course",
  moved: "a bottle moved",
  inspected: "a bottle looked at",
  given: "a bottle given",
  emptied: "a bottle emptied",
  discarded: "a bottle thrown out",
  corrected: "something put right",
};

const STORES: Readonly<Record<string, string>> = {
  "/api/batches": "a jar to be begun",
  "/api/standing": "what stood already",
  "/api/stores": "something for the stores",
  "/api/recipes": "something for the book",
};

/** The text somebody typed into it, where it has one worth showing. */
function typedIn(body: unknown): string {
  const { text, measured, amount, said, words, why } = (body ?? {}) as Readonly<Record<string, unknown>>;
  const typed = [text, measured, amount, said, words, why].find((t) => typeof t === "string" && t !== "");
  if (typeof typed !== "string") return "";
  return `: “${typed.length > 60 ? `${typed.slice(0, 60)}…` : typed}”`;
}

export function letterWords({ url, body }: Pick<Letter, "url" | "body">): string {
  const type = String(body["type"] ?? "");
  const of: Readonly<Record<string, string>> = url.startsWith("/api/bottles/") ? BOTTLE : BATCH;
  const what = STORES[url] ?? of[type] ?? "something written here";
  return `${what}${typedIn(body["body"])}`;
}

/** The page a letter is about. */
export function pageOf({ url, stream }: Pick<Letter, "url" | "stream">): string {
  if (url.startsWith("/api/bottles/")) return `/cellar?bottle=${stream}`;
  if (url.startsWith("/api/batches/")) return `/batch/${stream}`;
  return url === "/api/recipes" ? "/formulary" : "/stores";
}
