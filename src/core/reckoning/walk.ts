import { ml as carriedMl } from "../quantity/carried";
import type { Span } from "../estimate";
import { type Result, fail, fault, ok, under } from "../fault";
import { massOf, type Mixture } from "../mixture/components";
import type { Entry, Operation } from "../mixture/entry";
import { run } from "../mixture/ledger";
import { volumeOf } from "../mixture/volume";
import type { Happened } from "../plan/happened";
import type { Amount } from "../quantity/amount";
import { HEATS, type ReadPlan, type ReadStep } from "../plan/read-plan";
import { type Upstream, upstreamOf } from "./jug";
import { readMeasured } from "../reading/amounts";
import type { Vessel } from "../vessel/vessel";
import type { Draft } from "./fill-jar";
import type { Resolved, Standing } from "./program";
import { solveGoal } from "./solve-goal";

/** Water a minute from an open simmer, g per cm² of surface; typical for a gentle simmer, ±40 %. */
const SIMMER_G_PER_MIN_CM2 = 0.045;
/** What a closed lid lets go of that. */
const LID_SHARE = 0.15;
/** Mouth of the pan reckoned with where none is chosen, cm. */
const USUAL_PAN_CM = 18;
/** More than stands in the jar by this share cannot come out of it; less than that is left in the cloth by nobody. */
const [TOO_MUCH, TOO_LITTLE] = [1.08, 0.02];

const fine = ok(undefined);
const UNKNOWN: Amount = { kind: "unknown" };
const UP_TO_ALL = "not known: reckoned from hardly any to as much as there can be";

const entryOf = ({ stuff }: Draft, grams: number): Entry => ({
  composition: stuff.composition,
  grams,
  plant: stuff.plant,
  extraction: stuff.extraction,
  retention: stuff.retention,
});

/** Walks the steps in order; amounts that depend on the liquid of the moment are solved when their turn comes. */
export class Walk {
  readonly entries: Entry[] = [];
  readonly operations: Operation[] = [];
  readonly lines: Resolved[] = [];
  steep: Span | undefined;
  readonly standings: Standing[] = [];
  /** Operations done when each step began, by its id. */
  readonly began = new Map<string, number>();
  measuredMl: number | undefined;
  upstream: Upstream | undefined;
  heatMinutes = 0;
  private strained = 0;

  constructor(
    readonly read: ReadPlan,
    private readonly drafts: readonly Draft[],
    private readonly vessel: Vessel | undefined,
    private readonly happened: Happened,
  ) {}

  /** The liquid as it stands now; a copy. */
  private liquid(): Mixture {
    return Float64Array.from(run(this.entries, this.operations).account.liquid);
  }

  steps(): Result<undefined> {
    for (const [i, step] of this.read.steps.entries()) {
      this.began.set(step.id, this.operations.length);
      const done = this.step(step, i);
      if (!done.ok) return done;
    }
    // Whatever still stands in it at the end has soaked too.
    this.operations.push({ op: "soak" });
    return volumeOf(this.liquid()) < 1
      ? fail(
          fault(
            "NoLiquid",
            "There is nothing for the herb to stand in. Add vinegar, honey, spirit or water.",
            ["steps"],
          ),
        )
      : fine;
  }

  private step(step: ReadStep, i: number): Result<undefined> {
    switch (step.do) {
      case "add":
        return this.add(i);
      case "steep":
        return this.stand(step, i);
      case "simmer":
        return this.simmer(step);
      case "pressure":
        this.operations.push({ op: "soak" });
        this.heatMinutes += step.for.days.value * 1440;
        return this.needsSomething(i, "Nothing is in the pot yet. Put what goes in first, then the heat.");
      case "reduce":
        this.operations.push({ op: "soak" }, { op: "reduce", ...step.to });
        return this.needsSomething(i, "Nothing is in the pot yet, so there is nothing to boil down.");
      case "strain":
        return this.strain(step, i);
      case "cool":
      case "bottle":
        return fine;
    }
  }

  private needsSomething(i: number, message: string): Result<undefined> {
    return this.entries.length > 0 ? fine : fail(fault("NothingInYet", message, ["steps", i]));
  }

  private add(i: number): Result<undefined> {
    for (const d of this.drafts.filter((x) => x.step === i)) {
      const path = ["steps", i, "what", d.place, "amount"];
      const perMl = d.grams === undefined ? this.solve(d, path) : ok(undefined);
      if (!perMl.ok) return perMl;
      const { grams, line, step, place, stuff, otherwise, tolerance, stage, atOnce } = d;
      const amount = d.unknown ? UNKNOWN : d.amount;
      const because = d.unknown ? UP_TO_ALL : d.because;
      if (!(grams !== undefined && grams >= 0 && grams < 1e6))
        return fail(fault("OutOfRange", "That amount cannot be reckoned.", path));
      this.operations.push({ op: "add", entry: this.entries.length });
      this.entries.push({
        ...entryOf(d, grams),
        ...(perMl.value === undefined ? {} : { perMl: perMl.value }),
      });
      this.lines.push({
        line,
        step,
        place,
        stuff,
        otherwise,
        amount,
        grams,
        tolerance,
        because,
        stage,
        atOnce,
      });
    }
    return fine;
  }

  /** The liquid as it will be once everything of this step is in and has soaked but the line itself: plant water and solubles count, and what is poured after it. */
  private soaked(d: Draft): Mixture {
    const entries = [...this.entries];
    const operations = [...this.operations];
    for (const x of this.drafts) {
      if (x.step !== d.step || x.place <= d.place || x.grams === undefined) continue;
      operations.push({ op: "add", entry: entries.length });
      entries.push(entryOf(x, x.grams));
    }
    return Float64Array.from(run(entries, [...operations, { op: "soak" }]).account.liquid);
  }

  /** An amount measured against the liquid of the moment. @returns g for each mL of it */
  private solve(d: Draft, path: (string | number)[]): Result<number | undefined> {
    const { plainMl } = run(this.entries, this.operations).account;
    const ml = plainMl || volumeOf(this.liquid());
    if (d.amount.kind === "of-liquid") {
      if (!(ml > 0))
        return fail(
          fault(
            "NoLiquidYet",
            "There is no liquid yet to measure against. Give an amount in cups or millilitres.",
            path,
          ),
        );
      d.grams = d.amount.count.value * ml * d.stuff.bulkLoose;
      d.tolerance = 0.02;
      d.because = `${d.line.amount}, of ${Math.round(ml)} mL`;
    } else if (d.amount.kind === "goal") {
      const solved = solveGoal(this.soaked(d), d.stuff, d.amount.goal, d.amount.target);
      if (!solved.ok) return fail(...under(path, solved.faults));
      d.grams = solved.value;
      d.tolerance = 0.01;
      d.because = `solved: ${d.line.amount}`;
    }
    return ok(d.grams !== undefined && ml > 0 ? d.grams / ml : undefined);
  }

  private stand(step: Extract<ReadStep, { do: "steep" }>, index: number): Result<undefined> {
    this.operations.push({ op: "soak" });
    const { days } = step.for;
    const before = this.read.steps[index - 1]?.do;
    const hot = before !== undefined && HEATS.has(before);
    this.standings.push({ step: step.id, index, days, in: step.in, at: this.operations.length, hot });
    if (this.strained > 0 || days.value < 1) return fine;
    const s = this.steep ?? { low: 0, value: 0, high: 0 };
    this.steep = { low: s.low + days.low, value: s.value + days.value, high: s.high + days.high };
    return fine;
  }

  private simmer(step: Extract<ReadStep, { do: "simmer" }>): Result<undefined> {
    const minutes = step.for.days.value * 1440;
    this.operations.push({ op: "soak" });
    this.heatMinutes += minutes;
    const across = this.vessel && this.vessel.sort !== "jar" ? this.vessel.mouthCm : USUAL_PAN_CM;
    const open = minutes * SIMMER_G_PER_MIN_CM2 * (Math.PI / 4) * across * across;
    const grams =
      step.losesMl === undefined ? open * (step.lid === "on" ? LID_SHARE : 1) : step.losesMl * 0.998;
    this.operations.push({ op: "boil-off", grams, ...(step.losesMl === undefined ? {} : { said: true }) });
    return fine;
  }

  private strain(step: Extract<ReadStep, { do: "strain" }>, i: number): Result<undefined> {
    this.strained++;
    const something = this.needsSomething(
      i,
      "Nothing has gone in yet, so there is nothing to strain. Put what goes in first.",
    );
    if (!something.ok) return fail({ ...something.faults[0]!, name: "StrainBeforeInfusion" });
    // A strain with no steep before it still soaks: the herb has stood in the liquid.
    this.operations.push({ op: "soak" });
    const done = this.happened.strained.find((s) => s.step === step.id);
    // All of it stays in: there is no cloth, and nothing is measured.
    if (done?.stays === "all") return fine;
    const how = done?.how ?? step.how;
    if (!done) {
      this.operations.push({ op: "strain", how });
      return fine;
    }
    const shown = this.shown(done.measured, i);
    if (!shown.ok) return shown;
    const before = upstreamOf(this.entries, this.operations, how, shown.value);
    if (before) {
      this.operations.splice(0, this.operations.length, ...before.operations);
      this.upstream = before.upstream;
    }
    const ml = this.measured(done.measured, i);
    if (!ml.ok) return ml;
    this.measuredMl = ml.value;
    this.operations.push({ op: "strain", how, measuredMl: ml.value });
    return fine;
  }

  /** mL of what a jug or a scale showed; a weight by the liquid's own density. */
  private shown(text: string, i: number): Result<number> {
    const said = readMeasured(text, this.read.plan.units);
    if (!said.ok) return fail(...under(["steps", i, "measured"], said.faults));
    const { value } = said.value.si;
    if (said.value.dimension !== "mass") return ok(value);
    const liquid = this.liquid();
    return ok((value * volumeOf(liquid)) / Math.max(1e-9, massOf(liquid)));
  }

  /** The same, where so much can have come out of what stands there. */
  private measured(text: string, i: number): Result<number> {
    const path = ["steps", i, "measured"];
    const shown = this.shown(text, i);
    if (!shown.ok) return shown;
    const ml = shown.value;
    const there = volumeOf(this.liquid());
    const about = carriedMl(there);
    if (!(there > 0))
      return fail(
        fault("StrainBeforeInfusion", "Nothing has been poured yet, so there is nothing to strain.", path),
      );
    if (ml > there * TOO_MUCH)
      return fail(
        fault(
          "MoreThanWentIn",
          `Only about ${about} of liquid stands in the jar, so ${carriedMl(ml)} cannot come out. Check the jug and the unit.`,
          path,
        ),
      );
    if (ml < there * TOO_LITTLE)
      return fail(
        fault(
          "TooLittle",
          `That is under a fiftieth of the ${about} in the jar. Check the jug and the unit.`,
          path,
        ),
      );
    return ok(ml);
  }
}
