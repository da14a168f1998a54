import { CUTS, type Cut } from "../material/classes";
import { lineOf, linesOf, withLine, withSaid } from "../plan/edit";
import type { Line, Plan } from "../plan/plan";
import { measured, times } from "../quantity/amount";
import { readAmount } from "../reading/amounts";
import type { Context } from "../reckoning/context";
import { vesselOfPlan } from "../reckoning/find";
import { overfullOf } from "../reckoning/overfull";
import type { Program, Resolved } from "../reckoning/program";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { type Vessel, isPot, vesselWords } from "../vessel/vessel";
import { capital } from "../words";
import { largestIn, scaledBy } from "./scale";

/** Something to do about a plan that does not fit its vessel. */
export interface Fix {
  readonly id: "next-size" | "two-jars" | "smaller" | "cut-finer" | "leave-out";
  readonly words: string;
  readonly plan: Plan;
  /** The rest of it, for a second vessel. */
  readonly rest?: Plan;
}

/** A vessel as a plan names it: its catalogue id where it has one, its own measurements otherwise. */
export interface Choice {
  readonly vessel: Vessel;
  readonly named: NonNullable<Plan["vessel"]>;
  readonly lid?: Plan["lid"];
  readonly ware?: Plan["ware"];
}

/** The other jar's plan, made as the first was in the end: where and how long it stands, for whom, how it is taken. Its vessel and amounts are its own. */
export function likeFirst(rest: Plan, first: Plan): Plan {
  const { meantFor: _m, taken: _t, shake: _s, weighted: _w, ...own } = rest;
  const said = {
    ...(first.meantFor ? { meantFor: first.meantFor } : {}),
    ...(first.taken ? { taken: first.taken } : {}),
    ...(first.shake ? { shake: first.shake } : {}),
    ...(first.weighted ? { weighted: first.weighted } : {}),
  };
  const same =
    rest.steps.length === first.steps.length && rest.steps.every((s, i) => s.do === first.steps[i]!.do);
  return {
    ...own,
    ...said,
    name: first.name,
    steps: same ? rest.steps.map((s, i) => (s.do === "add" ? s : first.steps[i]!)) : rest.steps,
  };
}

const FITS_ML = 0.5;

/** Whether a reckoned plan stands in its vessel: under its line, its herb covered a day later. */
export const stands = (r: Reckoning): boolean =>
  r.fit === undefined || (r.fit.overLineMl <= FITS_ML && r.fit.coverCm > -0.05);

const into = (plan: Plan, c: Choice): Plan => {
  const { lid: _l, ware: _w, ...rest } = plan;
  return { ...rest, vessel: c.named, ...(c.lid ? { lid: c.lid } : {}), ...(c.ware ? { ware: c.ware } : {}) };
};

/** Each finer cut packs closer; whole is the loosest. */
function finer(cut: Cut | undefined): readonly Cut[] {
  if (cut === undefined || cut === "whole") return ["chopped", "grated"];
  return cut === "chopped" || cut === "sliced" ? ["grated", "crushed"] : [];
}

/** Pairs of jars tried for a batch in two; a kitchen rarely has more sizes free. */
const MOST_JARS = 14;

class Fixing {
  constructor(
    private readonly plan: Plan,
    private readonly program: Program | undefined,
    private readonly vessel: Vessel | undefined,
    private readonly alike: readonly Choice[],
    private readonly around: Context,
  ) {}

  readonly good = (p: Plan): boolean => {
    const r = resolve(p, this.around);
    return r.ok && overfullOf(r.value) === undefined && stands(reckonProgram(r.value));
  };

  nextSize(): Fix[] {
    const { plan, vessel } = this;
    const larger = this.alike.find(
      (c) => (!vessel || c.vessel.fillMl > vessel.fillMl + 1) && this.good(into(plan, c)),
    );
    if (!larger) return [];
    return [{ id: "next-size", words: `Take the ${vesselWords(larger.vessel)}.`, plan: into(plan, larger) }];
  }

  /** Two vessels: each takes the share of what is measured that it takes of the room. */
  twoJars(): Fix[] {
    const { plan } = this;
    const part = plan.part === undefined ? undefined : this.program?.partMl;
    let best: (Fix & { room: number }) | undefined;
    const jars = this.alike.slice(-MOST_JARS);
    for (const [i, b] of jars.entries())
      for (const a of jars.slice(i + 1)) {
        const room = a.vessel.fillMl + b.vessel.fillMl;
        if (best && room >= best.room) continue;
        const share = (c: Choice): Plan => into(scaledBy(plan, c.vessel.fillMl / room, part), c);
        const [first, second] = [share(a), share(b)];
        if (!this.good(first) || !this.good(second)) continue;
        const words = `Two jars: the ${vesselWords(a.vessel)} and the ${vesselWords(b.vessel)}.`;
        best = { id: "two-jars", words, plan: first, rest: { ...second, name: plan.name }, room };
      }
    if (!best) return [];
    const { room: _, ...fix } = best;
    return [fix];
  }

  private bulkiest(): Resolved | undefined {
    const room = (l: Resolved): number => l.grams / l.stuff.bulkPressed;
    return [...(this.program?.lines ?? [])]
      .filter((l) => l.stuff.plant && l.atOnce)
      .sort((a, b) => room(b) - room(a))[0];
  }

  /** Bulky herb: cut finer it packs closer. The same grams, whatever the heap now measures. */
  cutFiner(): Fix[] {
    const l = this.bulkiest();
    if (!l) return [];
    for (const cut of finer(l.stuff.cut).filter((c) => CUTS.includes(c))) {
      const cutSo = withLine(this.plan, l.line.id, (x): Line => ({ ...x, cut }));
      const q = withSaid(cutSo, l.line.id, measured(Number(l.grams.toPrecision(3)), "g"));
      if (this.good(q))
        return [
          { id: "cut-finer", words: `${capital(cut)}, the ${l.stuff.name} packs close enough.`, plan: q },
        ];
    }
    return [];
  }

  /** Made smaller: what is measured scaled down until it stands. */
  smaller(): Fix[] {
    const { plan } = this;
    if (plan.vessel === undefined) return [];
    let [low, high] = [0.05, 1];
    if (!this.good(scaledBy(plan, low))) return this.largest();
    for (let i = 0; i < 12; i++) {
      const mid = (low + high) / 2;
      if (this.good(scaledBy(plan, mid))) low = mid;
      else high = mid;
    }
    const factor = Math.floor(low * 100) / 100;
    const made = scaledBy(plan, factor);
    if (!this.good(made)) return [];
    const less = Math.max(1, Math.round(100 * (1 - factor)));
    return [{ id: "smaller", words: `Leave out ${less} % of what is measured, and it fits.`, plan: made }];
  }

  private largest(): Fix[] {
    const { plan } = this;
    if (typeof plan.vessel !== "string") return [];
    const l = largestIn(plan, plan.vessel, this.around);
    if (!l.ok || !this.good(l.value.plan)) return [];
    return [
      {
        id: "smaller",
        words: `Make ${Math.round(100 * l.value.factor)} % of it, which fits.`,
        plan: l.value.plan,
      },
    ];
  }

  /** The bulkiest thing alone, by half. */
  leaveOut(): Fix[] {
    const { plan } = this;
    const lines = linesOf(plan);
    const measuredFirst = lines.find((l) => {
      const a = readAmount(l.amount, plan.units);
      return a.ok && (a.value.kind === "measure" || a.value.kind === "jar");
    });
    const bulky = this.bulkiest();
    const line = bulky ? lineOf(plan, bulky.line.id) : measuredFirst;
    const a = line ? readAmount(line.amount, plan.units) : undefined;
    if (!line || lines.length <= 2 || !a?.ok || a.value.kind !== "measure") return [];
    const q = withSaid(plan, line.id, times(a.value, 0.5));
    const name = bulky?.stuff.name ?? line.material;
    return this.good(q) ? [{ id: "leave-out", words: `Half of the ${name}, and it fits.`, plan: q }] : [];
  }
}

/**
 * What could be done about a plan that does not fit: the next size that is free, two vessels, the bulkiest herb cut finer, the same made smaller,
 * or that herb taken by half. Each is reckoned before it is offered. A few dozen reckonings: not for a keystroke.
 * @param free vessels at hand
 */
export function fixes(plan: Plan, free: readonly Choice[], around: Context = {}): Fix[] {
  const now = resolve(plan, around);
  const named = vesselOfPlan(plan, around);
  const vessel = named.ok ? named.value : undefined;
  const onStove = vessel !== undefined && isPot(vessel);
  const alike = free
    .filter((c) => isPot(c.vessel) === onStove && c.vessel.sort !== "bottle" && c.vessel.sort !== "dropper")
    .sort((a, b) => a.vessel.fillMl - b.vessel.fillMl);
  const f = new Fixing(plan, now.ok ? now.value : undefined, vessel, alike, around);
  if (f.good(plan)) return [];
  return [...f.nextSize(), ...(onStove ? [] : f.twoJars()), ...f.cutFiner(), ...f.smaller(), ...f.leaveOut()];
}
