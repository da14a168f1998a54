import { type Care, type Due, dueOn } from "@/core/care/care";
import {
  type DayWindow,
  type StrainDay,
  WEEKDAY_WORDS,
  type Weeks,
  strainTogether,
  weekdayOf,
} from "@/core/care/weeks";
import { type Day, addDays, daysBetween, printDay } from "@/core/day";
import { NOTHING_DONE } from "@/core/journal/as-done";
import type { Batch } from "@/core/journal/fold";
import { type HowFar, howFar } from "@/core/journal/how-far";
import { type BatchReckoning, reckonBatch } from "@/core/journal/reckon";
import { VESSELS } from "@/core/vessel/catalogue";
import { jarOn } from "@/core/vessel/lives";
import { heightAt } from "@/core/vessel/profile";
import type { Profile } from "@/core/vessel/profile";
import type { Lid } from "@/core/vessel/vessel";
import { counted } from "@/core/words";
import type { DrawnLayer } from "../figures/vessel";
import { substanceOf } from "../figures/substance";

/** A working vessel as it stands on the shelf: drawn at its levels of today, with its next touch. */
export interface Card {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly size: string;
  readonly state: Batch["state"];
  readonly profile: Profile;
  readonly lid: Lid;
  readonly layers: readonly DrawnLayer[];
  readonly days: string;
  readonly next: string;
  readonly urgent: boolean;
  readonly due: readonly Due[];
  /** What waits for a hand, whatever the day. */
  readonly waits?:
    | {
        readonly sort: "mend" | "make" | "finish" | "strain";
        readonly why: string;
        readonly overdue: boolean;
      }
    | undefined;
  readonly seq: number;
  /** Days until the best day to strain; what the shelf is ordered by. */
  readonly until: number;
}

const NEXT: Readonly<Record<string, string>> = {
  shake: "shake",
  turn: "turn",
  "push-under": "push under",
  "let-out": "let gas out",
  "top-up": "look, top up",
  look: "look at the level",
  taste: "taste it",
  strain: "strain now",
};

type Window = Care["window"];

/** What its jar wants next, in three words. */
function nextWords(b: Batch, due: readonly Due[], w: Window, day: number): string {
  if (b.state === "strained") return "finish and bottle";
  if (due.some((d) => d.sort === "strain")) return "strain now";
  const [first] = [...due].sort((a, c) => Number(c.matters) - Number(a.matters));
  if (first) return NEXT[first.sort]!;
  if (!w) return "strain when cool";
  if (day >= w.earliest)
    return `strain by ${printDay(addDays(b.begunDay, w.latest), "short", addDays(b.begunDay, day))}`;
  if (w.earliest - day <= 7)
    return `strain from ${printDay(addDays(b.begunDay, w.earliest), "short", addDays(b.begunDay, day))}`;
  return "rests today";
}

/** When the household means to strain a jar: a day that suits it, shared with others or not. */
export type StrainPlan = StrainDay & { readonly others: number };

/** Days ahead that a straining is named by its day. */
const NAMED_AHEAD = 10;

function planWords(
  b: Batch,
  due: readonly Due[],
  plan: StrainPlan | undefined,
  today: Day,
): string | undefined {
  if (!plan || b.state !== "working" || due.some((d) => d.sort === "strain" || d.matters)) return undefined;
  if (plan.fits === "away") return "nobody home to strain";
  const ahead = daysBetween(today, plan.day);
  if (ahead < 0 || ahead > NAMED_AHEAD) return undefined;
  const weekday = WEEKDAY_WORDS[weekdayOf(plan.day)].slice(0, 3);
  const others = plan.others > 0 ? `, with ${plan.others} more` : "";
  return `strain ${weekday} ${printDay(plan.day, "short", today)}${others}`;
}

/** The straining window of a working jar, as days of the calendar. */
export function strainWindow(b: Batch, care: Care): DayWindow | undefined {
  const w = care.window;
  if (!w || b.state !== "working") return undefined;
  return windowDays(b.begunDay, w);
}

/** A window in days of the calendar. */
export function windowDays(begunDay: Day, w: NonNullable<Window>): DayWindow {
  const on = (n: number): Day => addDays(begunDay, n);
  return { earliest: on(w.earliest), best: on(w.best), latest: on(w.latest) };
}

/** A day to strain each working jar on, those of one week together. */
export function strainPlans(batches: readonly Batch[], weeks: Weeks): ReadonlyMap<string, StrainPlan> {
  const jars = batches.flatMap((b) => {
    const r = reckonedOnce(b);
    const window = r.ok ? strainWindow(b, r.value.care) : undefined;
    return window ? [{ id: b.id, window }] : [];
  });
  return strainTogether(jars, weeks);
}

function dayWords(b: Batch, w: Window, day: number): string {
  if (b.state === "strained")
    return `strained ${printDay(b.strainedDay!, "short", addDays(b.begunDay, day))}`;
  if (!w) return `day ${day}`;
  if (day <= w.best) return `day ${day} of ${w.best}`;
  return day > w.latest
    ? `day ${day}, its window closed on day ${w.latest}`
    : `day ${day}, best was ${w.best}`;
}

/** Days to its best; what is strained comes first of all. */
function untilOf(b: Batch, w: Window, day: number): number {
  if (b.state === "strained") return -1000;
  return w ? w.best - day : 0;
}

/** A jar to draw where a batch says none. */
const SOME_JAR = VESSELS.get("m-1000")!;

/** A batch that does not reckon stays where it stood, and asks to be put right. */
function unsoundCard(b: Batch): Card {
  const { vessel } = b.frozen;
  return {
    id: b.id,
    code: b.code,
    name: b.name,
    size: vessel?.size ?? "",
    state: b.state,
    profile: vessel?.profile ?? SOME_JAR.solid.profile,
    lid: vessel?.lid ?? SOME_JAR.lid,
    layers: [],
    days: "cannot be reckoned",
    next: "put it right",
    urgent: true,
    due: [],
    waits: { sort: "mend", why: "its entries do not add up", overdue: true },
    seq: b.seq,
    until: -2000,
  };
}

/** Days a jar with no window is taken to give its colour in. */
const SOME_BEST = 14;

/** The jar as it stands today, drawn from below. */
function layersOf(b: Batch, { program, reckoning, care }: BatchReckoning, day: number): DrawnLayer[] {
  const { fit } = reckoning;
  const { vessel } = program;
  if (!vessel || !fit) return [];
  const stuffs = program.lines.filter((l) => l.atOnce);
  const of = (i: number) => substanceOf(stuffs[i]!.stuff);
  if (b.state === "strained") {
    const ml = Math.min(vessel.solid.brimMl, reckoning.strained.ml.value);
    return [{ fromCm: 0, toCm: heightAt(vessel.solid, ml), substance: "decoction" }];
  }
  if (day < 1) return fit.layers.map((l) => ({ fromCm: l.fromCm, toCm: l.toCm, substance: of(l.of) }));
  const is = jarOn(day, vessel, stuffs, fit, {
    best: care.window?.best ?? SOME_BEST,
    weighted: program.plan.weighted === true,
  });
  const herb = stuffs.filter((l) => l.stuff.plant).sort((a, c) => c.grams - a.grams)[0];
  return is.layers.map(({ sort, of: i, fromCm, toCm }) => ({
    fromCm,
    toCm,
    substance: of(i),
    stain: herb && { of: sort === "liquid" ? substanceOf(herb.stuff) : ("pale" as const), share: is.colour },
  }));
}

/** The jar as it was planned to stand, filled a moment ago. */
export function plannedLayers(b: Batch): readonly DrawnLayer[] {
  const r = reckonBatch(b, NOTHING_DONE);
  return r.ok ? layersOf({ ...b, state: "working" }, r.value, 0) : [];
}

/** What was begun and is not made yet, in words. */
function farWords({ stands, done, of }: HowFar, days: number): string {
  if (stands === "being-made") return `${done} of ${counted(of, "move")} done`;
  const since = ["begun today", "begun yesterday"][days] ?? `begun ${days} days ago`;
  return `${since}, and nothing of it is ticked`;
}

/** What waits for a hand whatever the day: what is still to be made, a pot to be strained, a jug to be finished. */
function waitsOf(b: Batch, r: BatchReckoning, today: Day): Card["waits"] {
  const days = daysBetween(b.begunDay, today);
  if (b.state === "strained") {
    const since = daysBetween(b.strainedDay!, today);
    return { sort: "finish", why: since < 1 ? "strained today" : sinceWords(since), overdue: since > 2 };
  }
  if (b.state !== "working") return undefined;
  const far = howFar(b, r, today);
  if (far.stands !== "made") return { sort: "make", why: farWords(far, days), overdue: days > 0 };
  return r.care.window ? undefined : { sort: "strain", why: "when it has cooled", overdue: days > 0 };
}
const sinceWords = (days: number): string =>
  days === 1 ? "strained yesterday" : `strained ${days} days ago`;

/** A page asks twice of every batch, for its day and for its card; it is reckoned once. */
const RECKONED = new WeakMap<Batch, ReturnType<typeof reckonBatch>>();
function reckonedOnce(b: Batch): ReturnType<typeof reckonBatch> {
  const r = RECKONED.get(b) ?? reckonBatch(b);
  RECKONED.set(b, r);
  return r;
}

/** A batch as a card; one that cannot be reckoned is a card too. */
export function cardOf(b: Batch, today: Day, plan?: StrainPlan): Card {
  const r = reckonedOnce(b);
  return r.ok ? soundCard(b, r.value, today, plan) : unsoundCard(b);
}

function soundCard(b: Batch, r: BatchReckoning, today: Day, plan: StrainPlan | undefined): Card {
  const { program, care } = r;
  const vessel = program.vessel ?? SOME_JAR;
  const day = daysBetween(b.begunDay, today);
  const due = b.state === "working" ? dueOn(care, b.begunDay, today, b.done, plan?.day, b.often) : [];
  const w = care.window;
  const strain = due.find((d) => d.sort === "strain");
  const waits = waitsOf(b, r, today);
  return {
    id: b.id,
    code: b.code,
    name: b.name,
    size: program.vessel?.size ?? "",
    state: b.state,
    profile: vessel.solid.profile,
    lid: vessel.lid,
    layers: layersOf(b, r, day),
    days: dayWords(b, w, day),
    next: (waits?.sort === "make" ? "make it" : planWords(b, due, plan, today)) ?? nextWords(b, due, w, day),
    urgent:
      b.state === "strained" ||
      due.some((d) => d.overdue) ||
      plan?.fits === "away" ||
      (strain !== undefined && w !== undefined && day > w.latest),
    due,
    waits,
    seq: b.seq,
    until: untilOf(b, w, day),
  };
}
