import { z } from "zod";
import { MOST_ALIKE } from "@/core/journal/events";
import { readPlan } from "@/core/plan/file";
import type { Plan } from "@/core/plan/plan";
import type { Bench } from "./state";

/** Drafts of the Bench live in this browser, one for each tab, until they are begun. */
const PREFIX = "jolly-bench:";
/** Builds before this kept one draft for all tabs. */
const OLD = "jolly-bench";
const MOST_DRAFTS = 5;

const Kept = z.looseObject({
  plan: z.looseObject({ name: z.string().default("") }),
  named: z.boolean().catch(false),
  id: z.uuid(),
  key: z.uuid(),
  reasons: z.record(z.string(), z.string()).catch({}),
  rest: z.array(z.unknown()).catch([]),
  shop: z.object({ price: z.string(), ml: z.string() }).catch({ price: "", ml: "" }),
  jars: z.number().int().min(1).max(MOST_ALIKE).catch(1),
  recipe: z.object({ id: z.uuid(), version: z.number(), name: z.string() }).optional().catch(undefined),
  saved: z.number().catch(0),
});

const planOf = (json: unknown): Plan | undefined => {
  const read = readPlan(json);
  return read.ok ? read.value : undefined;
};

/** A kept text as a Bench, whatever version its plan is of; nothing where it no longer reads as one. */
export function readDraft(text: string | null): Bench | undefined {
  if (!text) return undefined;
  try {
    const d = Kept.parse(JSON.parse(text));
    const plan = planOf({ ...d.plan, name: d.plan.name || "Untitled" });
    if (!plan) return undefined;
    const { named, id, key, reasons, shop, jars, recipe } = d;
    return {
      plan,
      named,
      id,
      key,
      reasons,
      shop,
      jars,
      recipe,
      rest: d.rest.flatMap((x) => planOf(x) ?? []),
    };
  } catch {
    return undefined;
  }
}

/** Which tab this is: known to the tab alone, over reloads. */
function tab(): string {
  const known = sessionStorage.getItem("jolly-tab");
  if (known) return known;
  const made = crypto.randomUUID();
  sessionStorage.setItem("jolly-tab", made);
  return made;
}

const savedAt = (key: string): number => {
  try {
    return Number((JSON.parse(localStorage.getItem(key) ?? "{}") as { saved?: number }).saved ?? 0);
  } catch {
    return 0;
  }
};
const drafts = (): string[] =>
  Object.keys(localStorage)
    .filter((k) => k.startsWith(PREFIX) || k === OLD)
    .sort((a, b) => savedAt(b) - savedAt(a));

/** Where a draft is kept: this tab's, or that of a batch being put right, which is no one's Bench. */
const RIGHT = "jolly-right:";
const slot = (right: string | undefined): string => (right ? RIGHT + right : PREFIX + tab());

/** This tab's draft; a new tab takes up the newest there is, under ids of its own. */
export function keptDraft(right?: string): Bench | undefined {
  const mine = readDraft(localStorage.getItem(slot(right)));
  if (mine || right) return mine;
  for (const key of drafts()) {
    const other = readDraft(localStorage.getItem(key));
    if (other) return { ...other, id: crypto.randomUUID(), key: crypto.randomUUID() };
  }
  return undefined;
}

export function keepDraft(b: Bench, right?: string): void {
  try {
    localStorage.setItem(slot(right), JSON.stringify({ ...b, saved: Date.now() }));
    for (const key of drafts().slice(MOST_DRAFTS)) localStorage.removeItem(key);
  } catch {
    // A full store loses the draft, not the work on screen.
  }
}

/** Begun: this tab's draft is in the journal now. */
export function forgetDraft(right?: string): void {
  localStorage.removeItem(slot(right));
  if (!right) localStorage.removeItem(OLD);
}
