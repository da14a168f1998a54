import { type Span, exactly } from "../estimate";
import { type Boiling, boilsDown, learnBoiling } from "../kitchen/boiling";
import { learn, reaches } from "../kitchen/cooling";
import { heatOf, panOf } from "../kitchen/pan";
import { heightAt } from "../vessel/profile";
import { type InThePot, whenBegins, whenDone } from "../reckoning/in-the-pot";
import type { Program, Resolved } from "../reckoning/program";
import { readDuration } from "../reading/durations";
import { HEATS, type ReadStep } from "../plan/read-plan";
import { GARLIC_RESTS, SMALL_WORK, WORK, gloves, minutesOf, worksOf } from "./handwork";
import type { Move, MoveSort } from "./move";
import { isPot } from "../vessel/vessel";

const NO_WAIT = exactly(0);

/** A home hob's flame and what of it reaches the pot, W. */
const FLAME = 1500 * 0.55;
const TAP = 18;
/** Heat an open pot loses on the way up, as a share. */
const LOST_ON_THE_WAY = 1.1;

/** Minutes for a pot to come to the boil on a home hob, ± 40 %. */
export function comesUp(grams: number, sugar: number, from = TAP): Span {
  const value = (LOST_ON_THE_WAY * grams * heatOf(sugar) * (98 - from)) / FLAME / 60;
  return { low: value * 0.6, value, high: value * 1.4 };
}

/** A walk being written: one move after the other, in this or the next sitting. */
class Walk {
  readonly moves: Move[] = [];
  private sitting = 0;

  move(sort: MoveSort, more: Partial<Move> & { readonly id: string }): void {
    this.moves.push({
      ...{ sort, step: undefined, lines: [], hands: "clean", active: WORK[sort], wait: NO_WAIT },
      ...{ clock: undefined, wants: undefined, sitting: this.sitting },
      ...more,
    });
  }
  leftForDays(): void {
    this.sitting += 1;
  }
}

/** Lines that go in before the first straining, by their step. */
const linesOf = (p: Program, step: string): readonly Resolved[] => {
  const at = p.read.steps.findIndex((s) => s.id === step);
  return p.lines.filter((l) => l.step === at);
};

function smallWork(w: Walk, p: Program): void {
  const jar = p.lines.filter((l) => l.stage === "jar");
  for (const sort of SMALL_WORK) {
    const lines = jar.filter((l) => worksOf(l).includes(sort));
    if (lines.length === 0) continue;
    const garlic = sort === "crush" && lines.some((l) => l.stuff.id === "garlic");
    w.move(sort, {
      id: `do.${sort}`,
      lines: lines.map((l) => l.line.id),
      hands: lines.some(gloves) ? "gloved" : "wet",
      active: minutesOf(sort, lines),
      clock: garlic ? exactly(GARLIC_RESTS) : undefined,
    });
  }
}

/** What is cooked before it goes in: each for as long as it says, in a pan of its own. */
function cookFirst(w: Walk, p: Program): void {
  for (const l of p.lines) {
    const { cooked } = l.line;
    const lasts = cooked && readDuration(cooked.for);
    if (!lasts?.ok) continue;
    const wait = minutes(lasts.value.days);
    w.move("cook-first", {
      id: `${l.line.id}.cook-first`,
      lines: [l.line.id],
      hands: "hot",
      wait,
      clock: wait,
    });
  }
}

/** Cover, lid, shake, name, put by: what a jar is given before it is left. */
function leave(w: Walk, p: Program, step: ReadStep & { do: "steep" }): void {
  const jar = p.vessel ? !isPot(p.vessel) : true;
  if (jar) {
    w.move("cover", { id: `${step.id}.cover`, step: step.id, hands: "wet" });
    w.move("lid", { id: `${step.id}.lid`, step: step.id });
    w.move("shake", { id: `${step.id}.shake`, step: step.id });
  }
  w.move("label", { id: `${step.id}.label`, step: step.id });
  w.move("put-by", { id: `${step.id}.put-by`, step: step.id });
  w.leftForDays();
}

/** Days as minutes, the dust of reckoning off. */
const inMinutes = (days: number): number => Math.round(days * 144_000) / 100;
const minutes = (s: Span): Span => ({
  low: inMinutes(s.low),
  value: inMinutes(s.value),
  high: inMinutes(s.high),
});

/** °C a liquid still has that came off the heat, and that has been through the cloth since. */
const [OFF_THE_HEAT, THROUGH_THE_CLOTH] = [92, 65];

/** °C the pot has as a step begins. */
function warmth(p: Program, i: number): number {
  const before = p.read.steps.slice(0, i);
  const heat = before.findLastIndex((s) => HEATS.has(s.do));
  if (heat < 0) return TAP;
  return before.slice(heat).some((s) => s.do === "strain") ? THROUGH_THE_CLOTH : OFF_THE_HEAT;
}

function reduce(w: Walk, p: Program, step: ReadStep & { do: "reduce" }): void {
  const [is, will] = [whenBegins(p, step.id), whenDone(p, step.id)];
  const solid = p.vessel && isPot(p.vessel) ? p.vessel.solid : undefined;
  const l = solid && learnBoiling(boilingOf(solid, is, "simmer", 0));
  const down = l && boilsDown(l, will.ml, 0);
  const wait = down?.minute ?? { low: 20, value: 40, high: 90 };
  const cm = (x: InThePot): number => (solid ? heightAt(solid, x.ml + x.plantsMl) : 0);
  w.move("reduce", {
    ...{ id: step.id, step: step.id, hands: "hot" },
    wait: { low: wait.low, value: wait.value, high: wait.high },
    wants: solid && { what: "depth", stopCm: cm(will), startCm: cm(is), toMl: will.ml },
  });
}

/** A pan of the plan as what learns its boiling wants it. @param minute it began to boil */
export function boilingOf(
  solid: NonNullable<Program["vessel"]>["solid"],
  is: InThePot,
  boils: "simmer" | "rolling",
  minute: number,
): Boiling {
  return {
    ...{ solid, boils, beganMinute: minute, readings: [] },
    cover: "open",
    startMl: { mean: is.ml, sd: Math.max(10, 0.05 * is.ml) },
    displacedMl: is.plantsMl,
    staysG: is.staysG + is.plantsG,
    staysMl: is.staysMl,
    sugarG: is.sugar * is.grams,
  };
}

/** Where no pan is chosen, one of usual make is thought of: three litres, 20 cm across. */
const USUAL_COOLING: Span = { low: 40, value: 70, high: 120 };

function coolsIn(p: Program, step: ReadStep & { do: "cool" }): Span {
  const is = whenBegins(p, step.id);
  if (!p.vessel || is.ml <= 0) return USUAL_COOLING;
  const pan = panOf(p.vessel.solid, is.ml + is.plantsMl, is.grams + is.plantsG, is.sugar);
  const r = reaches(learn({ pan, stood: [{ minute: 0, as: "lidded" }], readings: [] }, 90), step.toC, 0);
  return r.comes ? r.minute : USUAL_COOLING;
}

function walkStep(w: Walk, p: Program, step: ReadStep, i: number): void {
  const before = p.read.steps[i - 1];
  const cold = !before || !HEATS.has(before.do);
  if (HEATS.has(step.do) && cold) {
    const is = whenBegins(p, step.id);
    const wait = comesUp(is.grams + is.plantsG, is.sugar, warmth(p, i));
    w.move("heat", { id: `${step.id}.heat`, step: step.id, wait, wants: { what: "boil" } });
  }
  switch (step.do) {
    case "add":
      addStep(w, p, step);
      break;
    case "simmer":
    case "pressure": {
      const clock = minutes(step.for.days);
      w.move(step.do, { id: step.id, step: step.id, hands: "hot", wait: clock, clock });
      if (step.do === "simmer" && mashes(p, i))
        w.move("mash", { id: `${step.id}.mash`, step: step.id, hands: "hot" });
      break;
    }
    case "reduce":
      reduce(w, p, step);
      break;
    case "steep":
      if (step.for.days.value >= 1) leave(w, p, step);
      else {
        const clock = minutes(step.for.days);
        w.move("steep", { id: step.id, step: step.id, wait: clock, clock });
      }
      break;
    case "strain":
      w.move("strain", { id: step.id, step: step.id, hands: "wet" });
      break;
    case "cool":
      w.move("cool", {
        ...{ id: step.id, step: step.id, wait: coolsIn(p, step) },
        wants: { what: "temperature", celsius: step.toC },
      });
      break;
    case "bottle":
      w.move("bottle", { id: step.id, step: step.id, hands: step.hot ? "hot" : "wet" });
      break;
  }
}

/** Soft fruit still in the pot is mashed once it has simmered. */
const mashes = (p: Program, i: number): boolean =>
  p.lines.some(
    (l) => l.step < i && l.stage === "jar" && (l.stuff.class === "berry" || l.stuff.class === "fruit"),
  );

function addStep(w: Walk, p: Program, step: ReadStep & { do: "add" }): void {
  const lines = linesOf(p, step.id);
  const after = lines.filter((l) => l.stage === "finish");
  for (const l of lines)
    if (l.stage === "jar")
      w.move("add", {
        ...{ id: `in.${l.line.id}`, step: step.id, lines: [l.line.id] },
        hands: gloves(l) ? "gloved" : "clean",
      });
  if (after.length > 0)
    w.move("finish", { id: step.id, step: step.id, lines: after.map((l) => l.line.id), hands: "wet" });
}

/**
 * The walk through a making: every move in the order hands make them, from the plan as it is really being made.
 * A plan without a bottling ends in one all the same: what is strained goes into something.
 */
export function movesOf(p: Program): readonly Move[] {
  const w = new Walk();
  w.move("gather", { id: "gather", lines: p.lines.map((l) => l.line.id) });
  smallWork(w, p);
  cookFirst(w, p);
  p.plan.steps.forEach((s, i) => {
    const read = p.read.steps[i]!;
    const own = (): void => void (s.words && w.move("own", { id: `${s.id}.own`, step: s.id }));
    // Before a jar is put by, else it would be told weeks later.
    const leaves = read.do === "steep" && read.for.days.value >= 1;
    if (leaves) own();
    walkStep(w, p, read, i);
    if (!leaves) own();
  });
  if (!p.read.steps.some((s) => s.do === "bottle")) w.move("bottle", { id: "bottle", hands: "wet" });
  return w.moves;
}
