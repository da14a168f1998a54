import { type Care, type Due, TOUCH_WORDS, dueOn } from "@/core/care/care";
import { type Day, addDays, daysBetween, printDay } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import { reckonBatch } from "@/core/journal/reckon";
import { heightAt } from "@/core/vessel/profile";
import type { Profile } from "@/core/vessel/profile";
import type { Lid } from "@/core/vessel/vessel";
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
  if (day >= w.earliest) return `strain by ${printDay(addDays(b.begunDay, w.latest), "short")}`;
  if (w.earliest - day <= 7) return `strain from ${printDay(addDays(b.begunDay, w.earliest), "short")}`;
  return "rests today";
}

function dayWords(b: Batch, w: Window, day: number): string {
  if (b.state === "strained") return `strained ${printDay(b.strainedDay!, "short")}`;
  return w ? `day ${day} of ${w.best}` : `day ${day}`;
}

/** Days to its best; what is strained comes first of all. */
function untilOf(b: Batch, w: Window, day: number): number {
  if (b.state === "strained") return -1000;
  return w ? w.best - day : 0;
}

/** @returns nothing for a batch whose figures cannot be reckoned, which a journal never holds. */
export function cardOf(b: Batch, today: Day): Card | undefined {
  const r = reckonBatch(b);
  if (!r.ok || !r.value.program.vessel) return undefined;
  const { program, reckoning, care } = r.value;
  const vessel = program.vessel!;
  const day = daysBetween(b.begunDay, today);
  const fit = reckoning.fit!;
  const layers: DrawnLayer[] = [];
  const stuffs = program.lines.filter((l) => l.atOnce);
  if (b.state === "strained") {
    layers.push({
      fromCm: 0,
      toCm: heightAt(vessel.solid, Math.min(vessel.solid.brimMl, reckoning.strained.ml.value)),
      substance: "decoction",
    });
  } else if (day < 1) {
    for (const l of fit.layers)
      layers.push({ fromCm: l.fromCm, toCm: l.toCm, substance: substanceOf(stuffs[l.of]!.stuff) });
  } else {
    // After a day the herb has drunk and the liquids have met: herb below, the liquid there is most of above.
    const grow = fit.day0.herbCm > 0 ? fit.day1.herbCm / fit.day0.herbCm : 1;
    const herbs = fit.layers.filter((l) => l.sort === "herb");
    for (const l of herbs)
      layers.push({
        fromCm: l.fromCm * grow,
        toCm: l.toCm * grow,
        substance: substanceOf(stuffs[l.of]!.stuff),
      });
    const most = [...stuffs].filter((l) => !l.stuff.plant).sort((a, c) => c.grams - a.grams)[0];
    if (most)
      layers.push({
        fromCm: Math.min(fit.day1.herbCm, fit.day1.liquidCm),
        toCm: Math.max(fit.day1.liquidCm, fit.day1.herbCm > fit.day1.liquidCm ? fit.day1.liquidCm : 0),
        substance: substanceOf(most.stuff),
      });
  }
  const due = b.state === "working" ? dueOn(care, b.begunDay, today, b.done) : [];
  const w = care.window;
  const strain = due.find((d) => d.sort === "strain");
  const next = nextWords(b, due, w, day);
  return {
    id: b.id,
    code: b.code,
    name: b.name,
    size: vessel.size,
    state: b.state,
    profile: vessel.solid.profile,
    lid: vessel.lid,
    layers,
    days: dayWords(b, w, day),
    next,
    urgent:
      b.state === "strained" ||
      due.some((d) => d.overdue) ||
      (strain !== undefined && w !== undefined && day > w.latest),
    due,
    seq: b.seq,
    until: untilOf(b, w, day),
  };
}

/** Today's touches over all the shelf, those that matter first, each with the jars it is for. */
export function touchesOf(cards: readonly Card[]): {
  sort: Due["sort"];
  words: string;
  matters: boolean;
  jars: { id: string; code: string; why: string; overdue: boolean }[];
}[] {
  const order: Due["sort"][] = ["strain", "top-up", "push-under", "let-out", "shake", "turn"];
  return order.flatMap((sort) => {
    const jars = cards.flatMap((c) =>
      c.due
        .filter((d) => d.sort === sort)
        .map((d) => ({ id: c.id, code: c.code, why: d.why, overdue: d.overdue })),
    );
    return jars.length > 0
      ? [{ sort, words: TOUCH_WORDS[sort], matters: jars.some((j) => j.overdue), jars }]
      : [];
  });
}
