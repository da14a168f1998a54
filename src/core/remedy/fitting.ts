import { CUTS, type Cut } from "../material/classes";
import { VESSELS } from "../vessel/catalogue";
import { type Vessel, vesselWords } from "../vessel/vessel";
import { parseAmount } from "../quantity/amount";
import { withAmount, withLine } from "./lines";
import type { Plan } from "./plan";
import { type Reckoning, reckonProgram } from "./reckon";
import { type Surroundings, resolve } from "./resolve";
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
  const said = { ...(first.meantFor ? { meantFor: first.meantFor } : {}), ...(first.taken ? { taken: first.taken } : {}), ...(first.shake ? { shake: first.shake } : {}), ...(first.weighted ? { weighted: first.weighted } : {}) };
  const same = rest.steps.length === first.steps.length && rest.steps.every((s, i) => s.do === first.steps[i]!.do);
  return { ...own, ...said, name: first.name, steps: same ? rest.steps.map((s, i) => (s.do === "add" ? s : first.steps[i]!)) : rest.steps };
}

const FITS_ML = 0.5;

/** Whether a reckoned plan stands in its vessel: under its line, its herb covered a day later. */
export const stands = (r: Reckoning): boolean => r.fit === undefined || (r.fit.overLineMl <= FITS_ML && r.fit.coverCm > -0.05);

const into = (plan: Plan, c: Choice): Plan => {
  const { lid: _l, ware: _w, ...rest } = plan;
  return { ...rest, vessel: c.named, ...(c.lid ? { lid: c.lid } : {}), ...(c.ware ? { ware: c.ware } : {}) };
};

/** Each finer cut packs closer; whole is the loosest. */
const finer = (cut: Cut | undefined): readonly Cut[] => (cut === undefined || cut === "whole" ? ["chopped", "grated"] : cut === "chopped" || cut === "sliced" ? ["grated", "crushed"] : []).filter((c): c is Cut => (CUTS as readonly string[]).includes(c));

/**
 * What could be done about a plan that does not fit: the next size that is free, two vessels, the same made smaller, the bulkiest herb cut finer, or that herb taken by half.
 * Each is reckoned before it is offered. A few dozen reckonings: not for a keystroke.
 * @param free vessels at hand
 */
export function fixes(plan: Plan, free: readonly Choice[], around: Surroundings = {}): Fix[] {
  const good = (p: Plan): boolean => {
    const r = resolve(p, around);
    return r.ok && stands(reckonProgram(r.value));
  };
  if (good(plan)) return [];
  const now = resolve(plan, around);
  const vessel = now.ok ? now.value.vessel : typeof plan.vessel === "string" ? (around.vessels ?? VESSELS).get(plan.vessel) : undefined;
  const sort = vessel?.sort ?? "jar";
  const isPot = sort === "pot" || sort === "pressure-pot";
  const alike = free.filter((c) => (c.vessel.sort === "pot" || c.vessel.sort === "pressure-pot") === isPot && c.vessel.sort !== "bottle" && c.vessel.sort !== "dropper").sort((a, b) => a.vessel.fillMl - b.vessel.fillMl);
  const out: Fix[] = [];
  const larger = alike.find((c) => (!vessel || c.vessel.fillMl > vessel.fillMl + 1) && good(into(plan, c)));
  if (larger) out.push({ id: "next-size", words: `Take the ${vesselWords(larger.vessel)}.`, plan: into(plan, larger) });

  // Two vessels: each takes the share of what is measured that it takes of the room.
  if (!isPot) {
    let pair: { a: Choice; b: Choice; first: Plan; second: Plan; room: number } | undefined;
    const jars = alike.slice(-14);
    for (let i = 0; i < jars.length; i++) {
      for (let j = i + 1; j < jars.length; j++) {
        const [b, a] = [jars[i]!, jars[j]!];
        const room = a.vessel.fillMl + b.vessel.fillMl;
        if (pair && room >= pair.room) continue;
        const share = (c: Choice): Plan => into(scaledBy(plan, c.vessel.fillMl / room, now.ok && plan.part !== undefined ? now.value.partMl : undefined), c);
        const [first, second] = [share(a), share(b)];
        if (good(first) && good(second)) pair = { a, b, first, second, room };
      }
    }
    if (pair) out.push({ id: "two-jars", words: `Two jars: the ${vesselWords(pair.a.vessel)} and the ${vesselWords(pair.b.vessel)}.`, plan: pair.first, rest: { ...pair.second, name: plan.name } });
  }

  // Bulky herb: cut finer it packs closer.
  const bulky = plan.steps.flatMap((s, step) => (s.do === "add" ? s.what.map((line, place) => ({ line, step, place })) : [])).map((x) => ({ ...x, found: now.ok ? now.value.lines.find((l) => l.step === x.step && l.place === x.place) : undefined }));
  const bulkiest = bulky.filter((x) => x.found?.stuff.plant && x.found.atOnce).sort((x, y) => y.found!.grams / y.found!.stuff.bulkPressed - x.found!.grams / x.found!.stuff.bulkPressed)[0];
  if (bulkiest?.found) {
    for (const cut of finer(bulkiest.found.stuff.cut)) {
      // The same grams, whatever the heap now measures.
      const q = withLine(plan, bulkiest, (l) => ({ ...l, cut, amount: `${Number(bulkiest.found!.grams.toPrecision(3))} g` }));
      if (!good(q)) continue;
      out.push({ id: "cut-finer", words: `${cut[0]!.toUpperCase()}${cut.slice(1)}, the ${bulkiest.found.stuff.name} packs close enough.`, plan: q });
      break;
    }
  }

  // Made smaller: what is measured scaled down until it stands.
  if (plan.vessel !== undefined) {
    let low = 0.05;
    let high = 1;
    if (good(scaledBy(plan, low))) {
      for (let i = 0; i < 12; i++) {
        const mid = (low + high) / 2;
        if (good(scaledBy(plan, mid))) low = mid;
        else high = mid;
      }
      const factor = Math.floor(low * 100) / 100;
      const made = scaledBy(plan, factor);
      if (good(made)) out.push({ id: "smaller", words: `Leave out ${Math.max(1, Math.round(100 * (1 - factor)))} % of what is measured, and it fits.`, plan: made });
    } else if (typeof plan.vessel === "string") {
      const l = largestIn(plan, plan.vessel, around);
      if (l.ok && good(l.value.plan)) out.push({ id: "smaller", words: `Make ${Math.round(100 * l.value.factor)} % of it, which fits.`, plan: l.value.plan });
    }
  }

  // The bulkiest thing alone, by half.
  const measured = bulky.filter((x) => {
    const a = parseAmount(x.line.amount, plan.units);
    return a.ok && (a.value.kind === "measure" || a.value.kind === "jar");
  });
  const candidate = bulkiest ?? measured[0];
  if (candidate && bulky.length > 2) {
    const a = parseAmount(candidate.line.amount, plan.units);
    const half = a.ok && a.value.kind === "measure" ? `${Number((a.value.count.value / 2).toPrecision(3))} ${a.value.unit.one}` : undefined;
    if (half) {
      const q = withAmount(plan, candidate, half);
      if (good(q)) out.push({ id: "leave-out", words: `Half of the ${candidate.found?.stuff.name ?? candidate.line.material}, and it fits.`, plan: q });
    }
  }
  return out;
}
