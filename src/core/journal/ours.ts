import type { PlantClass } from "../material/classes";
import { isWet } from "../material/material";
import type { Held, PlantRow, StuffRow } from "../material/rows";
import type { Tag } from "../material/tags";
import {
  ALKALINITY,
  CITRIC,
  COMPONENT_NAMES,
  DI,
  INSOLUBLE,
  MALIC,
  MONO,
  SOLUBLE,
  massOf,
} from "../mixture/components";
import { run } from "../mixture/ledger";
import { linesOf, naming } from "../plan/edit";
import type { Line, Plan, Step } from "../plan/plan";
import { factsOf } from "../reckoning/facts";
import { cookedMinutes } from "../plan/cooked";
import { minutesOver } from "../reckoning/heat";
import type { Program, Resolved } from "../reckoning/program";
import type { Reckoning } from "../reckoning/reckon";
import type { Batch } from "./fold";

/*
 * What a batch of ours is as a line of another plan: its bottles as a liquid, its marc as a plant.
 */
export const oursId = (batch: string): string => `ours-${batch}`;
export const marcId = (batch: string): string => `marc-${batch}`;

/** The batches whose bottles or marc stand in a plan as lines. */
export function comesFrom(plan: Plan): readonly string[] {
  const from = linesOf(plan).flatMap((l) => {
    if (l.from && "batch" in l.from) return [l.from.batch];
    return l.from && "marc" in l.from ? [l.from.marc] : [];
  });
  return [...new Set(from)];
}

/** Whether it is a second run: made of a marc that has given most already. */
export const isSecondRun = (plan: Plan): boolean =>
  linesOf(plan).some((l) => l.from !== undefined && "marc" in l.from);

/** Tags that speak of the liquid itself, whatever it was made of. Those of people and plants are asked of what it holds. */
const OF_THE_LIQUID: readonly Tag[] = ["acetic-unknown", "base", "oil", "oil-packed"];
/** Tags that speak of a marc as it lies in the cloth. */
const OF_THE_MARC: readonly Tag[] = [
  "mucilage",
  "low-acid-herb",
  "oil",
  "oil-packed",
  "fibre",
  "hairs",
  "resinous",
  "hot",
  "very-hot",
  "pungent",
];

const tagsAmong = (lines: readonly Resolved[], among: readonly Tag[]): Tag[] =>
  among.filter((t) => lines.some((l) => l.stuff.tags.includes(t)));

/** g of each thing in one gram, as it went in. `part`: the share of the jar's lines that is in it; nothing of what came later, where `late` is 0. */
function holdsOf(p: Program, part: number, late: number, grams: number): Held[] {
  const all = new Map<string, Held>();
  const put = (h: Held): void => {
    const key = `${h.material}|${h.form ?? ""}|${h.heated}`;
    const was = all.get(key);
    all.set(key, was ? { ...was, share: was.share + h.share } : h);
  };
  for (const l of p.lines) {
    const share = (l.grams * (l.stage === "jar" ? part : late)) / Math.max(1e-9, grams);
    if (!(share > 0)) continue;
    const heated = cookedMinutes(l.line) + minutesOver(p.read.steps, l.step);
    if (l.stuff.holds)
      for (const h of l.stuff.holds) put({ ...h, share: h.share * share, heated: h.heated + heated });
    else put({ material: l.stuff.id, ...(l.stuff.form ? { form: l.stuff.form } : {}), share, heated });
  }
  return [...all.values()].slice(0, 80);
}

const figure = (x: number): number => Number(x.toPrecision(6));

/**
 * The finished liquid of a batch as a row: its make-up by weight, what it holds for the rules, what it brings that wants care, and the last day of
 * its bottles.
 */
export function oursRow(batch: Batch, p: Program, r: Reckoning, bestBy: string | undefined): StuffRow {
  const { liquid } = run(p.entries, p.operations).account;
  const grams = massOf(liquid);
  const composition: Record<string, number> = {};
  COMPONENT_NAMES.forEach((name, i) => {
    if (liquid[i]! > 0) composition[name] = figure(Math.min(1, liquid[i]! / grams));
  });
  const alkalinity = (100 * liquid[ALKALINITY]!) / grams;
  const facts = factsOf(p, r.finished);
  const brings: Tag[] = [
    ...(facts.rawHoney ? (["holds-raw-honey"] as const) : []),
    ...(facts.fresh === "low-acid" ? (["holds-low-acid"] as const) : []),
    ...(facts.fresh === "mild" ? (["holds-mild"] as const) : []),
    ...(facts.freshFruit ? (["holds-fruit"] as const) : []),
  ];
  const passed = Math.min(1, r.strained.ml.value / Math.max(1, r.jar.ml.value));
  return {
    id: oursId(batch.id),
    names: [`${batch.code} ${batch.name}`.slice(0, 60), batch.code],
    class: "remedy",
    composition,
    ...(alkalinity > 0 ? { alk: figure(alkalinity) } : {}),
    density: figure(grams / Math.max(1, r.finished.ml.value)),
    tags: [...tagsAmong(p.lines, OF_THE_LIQUID), ...brings],
    holds: holdsOf(p, passed, 1, grams),
    ...(bestBy ? { bestBy } : {}),
    source: "ours",
  };
}

/** What a g of malate is that a mEq of base holds, as the catalogue counts it. */
const MALIC_G_PER_MEQ = 134.087 / 2000;
/** The class a marc is treated as: a root among leaves is a root, since that is what wants the care. */
function classOf(plants: readonly Resolved[]): PlantClass {
  const heaviest = [...plants].sort((a, b) => b.grams - a.grams);
  const careful = heaviest.find((l) => isWet(l.stuff) && !["leaf", "flower", "peel"].includes(l.stuff.class));
  return (careful ?? heaviest[0]!).stuff.class as PlantClass;
}

/**
 * The marc of a batch as it lies in the cloth: what the plants did not give up, with the liquid they keep. Acid and spirit in that liquid are counted
 * as water, which is the careful side. Nothing where nothing was strained, or no plant stood in it.
 */
export function marcOf(
  batch: Batch,
  p: Program,
): { readonly row: PlantRow & { class: PlantClass }; readonly grams: number } | undefined {
  const plants = p.lines.filter((l) => l.stage === "jar" && l.stuff.plant);
  const at = p.operations.findIndex((o) => o.op === "strain");
  if (plants.length === 0 || at < 0) return undefined;
  const { marc } = run(p.entries, p.operations.slice(0, at + 1)).account;
  const grams = massOf(marc);
  if (!(grams > 1)) return undefined;
  const solids = marc[MONO]! + marc[DI]! + marc[CITRIC]! + marc[MALIC]! + marc[SOLUBLE]! + marc[INSOLUBLE]!;
  const bound = Math.min(marc[MALIC]!, marc[ALKALINITY]! * MALIC_G_PER_MEQ);
  const share = (g: number): number => figure(Math.min(1, Math.max(0, g / Math.max(1e-9, solids))));
  const sour = plants.every((l) => l.stuff.tags.includes("sour"));
  const left = 1 - Math.min(0.9, Math.max(...plants.map((l) => l.stuff.extraction)));
  return {
    grams,
    row: {
      id: marcId(batch.id),
      names: [`marc of ${batch.code}`],
      class: classOf(plants),
      water: figure(Math.min(0.97, Math.max(0.05, 1 - solids / grams))),
      forms: ["fresh"],
      // Wrung, it lies closer than the fresh herb: about half a gram to a mL, typical.
      bulkFactor: 2.5,
      dry: {
        mono: share(marc[MONO]!),
        di: share(marc[DI]!),
        citric: share(marc[CITRIC]!),
        malic: share(marc[MALIC]! - bound),
        soluble: share(marc[SOLUBLE]! + bound),
      },
      alk: figure(Math.min(500, (100 * marc[ALKALINITY]!) / grams)),
      tags: [...tagsAmong(plants, OF_THE_MARC), ...(sour ? (["sour"] as const) : [])],
      // Of what the plants had, the first run left so much.
      holds: holdsOf({ ...p, lines: plants }, left, 0, grams),
      source: "ours",
    },
  };
}

/** The plan of a second run: the marc, the same liquids poured on again, and the same steps. Nothing where there is no marc. */
export function secondRun(batch: Batch, p: Program): Plan | undefined {
  const marc = marcOf(batch, p);
  const { begunPlan: plan } = batch;
  if (!marc) return undefined;
  const plants = new Set(p.lines.filter((l) => l.stage === "jar" && l.stuff.plant).map((l) => l.stuff.id));
  const rows = [...(plan.materials ?? []).filter((m) => m.id !== marc.row.id), marc.row];
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  const { made, ids } = naming(plan, (n): Line => ({
    id: n.next(),
    material: marc.row.id,
    form: "fresh",
    amount: `${Math.round(marc.grams)} g`,
    from: { marc: batch.id },
  }));
  let first = true;
  const steps = plan.steps.map((s, i): Step => {
    if (s.do !== "add" || i > cut) return s;
    const what = s.what.filter((l) => !plants.has(l.material));
    if (!first) return { ...s, what };
    first = false;
    return { ...s, what: [made, ...what] };
  });
  return {
    ...plan,
    ids,
    name: `${plan.name.slice(0, 68)}, second run`,
    materials: rows,
    steps: steps.filter((s) => s.do !== "add" || s.what.length > 0),
  };
}
