import { cm as carriedCm, ml } from "../quantity/carried";
import { type Result, fail, fault, ok } from "../fault";
import { type Stuff, isLiquid } from "../material/material";
import type { Line } from "../plan/plan";
import type { Amount } from "../quantity/amount";
import { printCount } from "../reading/print";
import { heightAt, volumeAt } from "../vessel/profile";
import type { Vessel } from "../vessel/vessel";

/** mL of one gram as it stands in the jar on the first day: a piece with its air, a liquid, or dissolved crystals. */
export function roomOf(stuff: Stuff): number {
  if (stuff.plant) return 1 / stuff.density;
  return isLiquid(stuff) ? 1 / stuff.density : 1 / stuff.trueDensity;
}

/** A line on its way to a weight. */
export interface Draft {
  line: Line;
  step: number;
  place: number;
  stuff: Stuff;
  otherwise: Stuff | undefined;
  amount: Amount;
  grams: number | undefined;
  tolerance: number;
  because: string;
  stage: "jar" | "finish";
  atOnce: boolean;
  /** Nobody remembers how much of it: its amount is what is supposed. */
  unknown?: boolean;
}
/** A draft whose amount is of one kind. */
type Of<K extends Amount["kind"]> = Draft & { readonly amount: Extract<Amount, { kind: K }> };
const is =
  <K extends Amount["kind"]>(...kinds: readonly K[]) =>
  (d: Draft): d is Of<K> =>
    d.grams === undefined && (kinds as readonly string[]).includes(d.amount.kind);

const at = (d: Draft): (string | number)[] => ["steps", d.step, "what", d.place, "amount"];
function settle(d: Draft, grams: number, tolerance: number, because: string): void {
  d.grams = grams;
  d.tolerance = tolerance;
  d.because = because;
}

class Filling {
  constructor(
    private readonly jar: readonly Draft[],
    private readonly vessel: Vessel | undefined,
  ) {}

  private taken(): number {
    return this.jar.reduce((sum, d) => sum + (d.grams === undefined ? 0 : d.grams * roomOf(d.stuff)), 0);
  }

  private doesNotFit(d: Draft): Result<never> {
    return fail(
      fault(
        "DoesNotFit",
        `What is measured already fills the ${this.vessel!.name} (${ml(this.vessel!.fillMl)} to its line). Take less herb or a larger jar, and the rest is poured to fit.`,
        at(d),
      ),
    );
  }

  /** A share of the jar, a filling or a cover needs a jar. */
  needsVessel(): Result<undefined> {
    const needs = this.jar.find(is("jar", "fill", "cover"));
    if (!needs || this.vessel) return ok(undefined);
    return fail(
      fault(
        "NeedsVessel",
        `“${needs.line.amount}” needs a jar to be measured by. Choose one, or write an amount in cups or millilitres.`,
        at(needs),
      ),
    );
  }

  /** Herbs by the share of the jar are heaps, loosely filled. */
  heaps(): void {
    for (const d of this.jar.filter(is("jar")).filter((x) => !isLiquid(x.stuff))) {
      const { count } = d.amount;
      const ml = count.value * this.vessel!.fillMl;
      const wide = count.value > 0 ? (count.high - count.low) / 2 / count.value : 0;
      settle(
        d,
        ml * d.stuff.bulkLoose,
        Math.max(d.stuff.volumeTolerance, wide),
        `${printCount(count.value)} of the ${this.vessel!.name} is ${Math.round(ml)} mL loose, at ${d.stuff.bulkLoose.toFixed(2)} g/mL, typical`,
      );
    }
  }

  /** A ratio by weight and volume: so many mL for each g of herb. */
  ratios(): Result<undefined> {
    for (const d of this.jar.filter(is("ratio"))) {
      const herb = this.jar.reduce(
        (sum, e) => sum + (e.stuff.plant && e.grams !== undefined ? e.grams : 0),
        0,
      );
      if (!(herb > 0))
        return fail(
          fault(
            "NothingToMeasureBy",
            "A ratio counts the herb's weight, and no herb has one yet. Give the herb in grams or cups.",
            at(d),
          ),
        );
      const { mlPerG } = d.amount;
      settle(
        d,
        herb * mlPerG * d.stuff.density,
        0.015,
        `${mlPerG} mL for each of ${Math.round(herb)} g of herb`,
      );
    }
    return ok(undefined);
  }

  /** Liquids poured to a line on the jar, one after another, round the herb that stands there. */
  lines(): Result<undefined> {
    for (const d of this.jar.filter(is("jar"))) {
      const room = d.amount.count.value * this.vessel!.fillMl - this.taken();
      if (room <= 0) return this.doesNotFit(d);
      settle(
        d,
        room * d.stuff.density,
        0.05,
        `poured to ${d.line.amount} by the line, ${Math.round(room)} mL round the herb`,
      );
    }
    return ok(undefined);
  }

  /** Parts share what room is left. @returns mL of one part */
  parts(given: number | undefined): Result<number | undefined> {
    const all = this.jar.filter(is("part"));
    if (all.length === 0) return ok(given);
    const filler = this.jar.find(is("fill"));
    if (filler)
      return fail(
        fault(
          "TwoFillers",
          "Parts already fill the jar. Give this one a number of parts too.",
          at(filler),
          "1 part",
        ),
      );
    const part = given === undefined ? this.onePart(all) : ok(given);
    if (!part.ok) return part;
    for (const d of all) {
      const grams = d.amount.count.value * part.value * d.stuff.bulkLoose;
      settle(
        d,
        grams,
        d.stuff.plant ? d.stuff.volumeTolerance : 0.02,
        `${d.line.amount} of ${Math.round(part.value)} mL`,
      );
    }
    return part;
  }

  private onePart(all: readonly Of<"part">[]): Result<number> {
    if (!this.vessel)
      return fail(
        fault("NeedsVessel", "Parts need a jar to fill, or the size of one part. Choose a jar.", ["vessel"]),
      );
    const weight = all.reduce(
      (sum, d) => sum + d.amount.count.value * (isLiquid(d.stuff) ? 1 : d.stuff.bulkLoose * roomOf(d.stuff)),
      0,
    );
    const room = this.vessel.fillMl - this.taken();
    return room < 0.02 * this.vessel.fillMl ? this.doesNotFit(all[0]!) : ok(room / weight);
  }

  /** As much as stands over the pressed herb. */
  covers(): Result<undefined> {
    const all = this.jar.filter(is("cover"));
    for (const d of all) {
      const vessel = this.vessel!;
      const bed = this.jar.reduce(
        (sum, e) => sum + (e.stuff.plant && e.grams !== undefined ? e.grams / e.stuff.bulkPressed : 0),
        0,
      );
      const cm = d.amount.cm.value;
      const top = heightAt(vessel.solid, bed) + cm;
      if (top > vessel.solid.brimCm)
        return fail(
          fault(
            "DoesNotFit",
            `The herb stands ${carriedCm(heightAt(vessel.solid, bed))} high and the ${vessel.name} only ${carriedCm(vessel.solid.brimCm)}. Take less herb or a larger jar.`,
            at(d),
          ),
        );
      const room = (volumeAt(vessel.solid, top) - this.taken()) / all.length;
      if (room <= 0) return this.doesNotFit(d);
      settle(d, room * d.stuff.density, 0.1, `covers the herb by ${printCount(cm)} cm`);
    }
    return ok(undefined);
  }

  /** What fills the jar to its line. */
  fills(): Result<undefined> {
    const all = this.jar.filter(is("fill"));
    for (const [i, d] of all.entries()) {
      const room = (this.vessel!.fillMl - this.taken()) / (all.length - i);
      if (room < 0.02 * this.vessel!.fillMl) return this.doesNotFit(d);
      settle(d, room * d.stuff.density, 0.04, `fills the ${this.vessel!.name} to its line`);
    }
    return ok(undefined);
  }
}

/**
 * Solves the amounts that fill the vessel: shares of the jar, ratios, parts, “cover” and “fill”, in that order.
 * The sum of the rooms of all that goes in equals the vessel's filling. Volumes are unmixed, as poured.
 * @returns mL of one part, where there are parts
 */
export function fillJar(
  drafts: readonly Draft[],
  vessel: Vessel | undefined,
  partMl: number | undefined,
): Result<number | undefined> {
  const f = new Filling(
    drafts.filter((d) => d.atOnce),
    vessel,
  );
  const needs = f.needsVessel();
  if (!needs.ok) return needs;
  f.heaps();
  const ratios = f.ratios();
  if (!ratios.ok) return ratios;
  const lines = f.lines();
  if (!lines.ok) return lines;
  const part = f.parts(partMl);
  if (!part.ok) return part;
  const covers = f.covers();
  if (!covers.ok) return covers;
  const fills = f.fills();
  return fills.ok ? part : fills;
}
