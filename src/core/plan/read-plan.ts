import { type Fault, type Result, fail, ok, under } from "../fault";
import { readAmount, readMeasured } from "../reading/amounts";
import { type Duration, readDuration } from "../reading/durations";
import { type Reduction, readReduction } from "../reading/reductions";
import { readStrength } from "../reading/strength";
import { readTemperature } from "../reading/temperatures";
import type { Amount } from "../quantity/amount";
import type { UnitSystem } from "../quantity/units";
import type { Line, Plan, Step, SteepPlace, Wringing } from "./plan";

/** A line with its texts read. */
export interface ReadLine {
  readonly line: Line;
  /** Where it stands: the index of its step, and its place in it. */
  readonly step: number;
  readonly place: number;
  readonly amount: Amount;
  /** %, where one was typed. */
  readonly strength: number | undefined;
}

/** A step with its texts read: days, mL, °C. */
export type ReadStep = { readonly id: string } & (
  | { readonly do: "add"; readonly lines: readonly ReadLine[] }
  | {
      readonly do: "simmer";
      readonly for: Duration;
      readonly losesMl: number | undefined;
      readonly lid: "on" | "off";
    }
  | { readonly do: "reduce"; readonly to: Reduction }
  | { readonly do: "pressure"; readonly for: Duration }
  | { readonly do: "steep"; readonly for: Duration; readonly in: SteepPlace | undefined }
  | { readonly do: "cool"; readonly toC: number }
  | { readonly do: "strain"; readonly how: Wringing }
  | { readonly do: "bottle"; readonly hot: boolean }
);

/** Steps that put the pot on the heat. */
export const HEATS: ReadonlySet<Step["do"]> = new Set(["simmer", "reduce", "pressure"]);

/** A plan whose every text is read, once; everything after works on this. */
export interface ReadPlan {
  readonly plan: Plan;
  readonly steps: readonly ReadStep[];
  /** mL of one part, where the plan says it. */
  readonly partMl: number | undefined;
}

/** Degrees a household of these measures reads its thermometer in. */
export const degreesOf = (units: UnitSystem): "C" | "F" => (units === "us" ? "F" : "C");

type Path = ReadonlyArray<string | number>;

class Reader {
  readonly faults: Fault[] = [];
  constructor(private readonly units: UnitSystem) {}

  /** The value of a result, or nothing and its faults noted under a path. */
  private take<T>(path: Path, read: Result<T>): T | undefined {
    if (read.ok) return read.value;
    this.faults.push(...under(path, read.faults));
    return undefined;
  }

  volume(path: Path, text: string | undefined): number | undefined {
    return text === undefined ? undefined : this.take(path, readMeasured(text, this.units))?.si.value;
  }

  private line(line: Line, step: number, place: number): ReadLine | undefined {
    const path = ["steps", step, "what", place];
    const typed = line.strength !== undefined && line.strength.trim() !== "" ? line.strength : undefined;
    const strength = typed === undefined ? undefined : this.take([...path, "strength"], readStrength(typed));
    const amount = this.take([...path, "amount"], readAmount(line.amount, this.units));
    if (line.cooked) this.take([...path, "cooked", "for"], readDuration(line.cooked.for));
    return amount && (typed === undefined || strength !== undefined)
      ? { line, step, place, amount, strength }
      : undefined;
  }

  step(s: Step, i: number): ReadStep | undefined {
    const { id } = s;
    const path = ["steps", i];
    switch (s.do) {
      case "add":
        return { id, do: "add", lines: s.what.flatMap((l, place) => this.line(l, i, place) ?? []) };
      case "simmer": {
        const lasts = this.take([...path, "for"], readDuration(s.for));
        const losesMl = this.volume([...path, "loses"], s.loses);
        return lasts && { id, do: "simmer", for: lasts, losesMl, lid: s.lid ?? "on" };
      }
      case "pressure": {
        const lasts = this.take([...path, "for"], readDuration(s.for));
        return lasts && { id, do: "pressure", for: lasts };
      }
      case "steep": {
        const lasts = this.take([...path, "for"], readDuration(s.for));
        return lasts && { id, do: "steep", for: lasts, in: s.in };
      }
      case "reduce": {
        const to = this.take([...path, "to"], readReduction(s.to, this.units));
        return to && { id, do: "reduce", to };
      }
      case "cool": {
        const toC = this.take([...path, "to"], readTemperature(s.to, degreesOf(this.units)));
        return toC === undefined ? undefined : { id, do: "cool", toC };
      }
      case "strain":
        return { id, do: "strain", how: s.how };
      case "bottle":
        return { id, do: "bottle", hot: s.hot === true };
    }
  }
}

const remembered = new WeakMap<Plan, Result<ReadPlan>>();

/**
 * Reads every text of a plan: amounts, strengths, times, temperatures, reductions. Remembered with the plan.
 * Faults carry the path of the text: those of the readers.
 */
export function readTexts(plan: Plan): Result<ReadPlan> {
  let read = remembered.get(plan);
  if (!read) {
    const r = new Reader(plan.units);
    const steps = plan.steps.flatMap((s, i) => r.step(s, i) ?? []);
    const partMl = r.volume(["part"], plan.part);
    read = r.faults.length > 0 ? fail(...r.faults) : ok({ plan, steps, partMl });
    remembered.set(plan, read);
  }
  return read;
}

/** The long steep a maker speaks of, in days or longer: the first, or nothing. */
export const longSteep = (plan: Plan): Extract<Step, { do: "steep" }> | undefined =>
  plan.steps.find((s): s is Extract<Step, { do: "steep" }> => s.do === "steep" && isLong(s));

/** Whether a steep lasts a day or longer; one that cannot be read is taken for long, so that it stays in sight. */
export function isLong(s: Pick<Extract<Step, { do: "steep" }>, "for">): boolean {
  const lasts = readDuration(s.for);
  return !lasts.ok || lasts.value.days.value >= 1;
}
