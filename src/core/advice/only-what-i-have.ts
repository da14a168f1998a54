import { convert } from "../material/convert";
import { withLine, without } from "../plan/edit";
import type { Line, Plan } from "../plan/plan";
import { printAmount } from "../reading/print";
import { materialsOf } from "../reckoning/context";
import type { Program, Resolved } from "../reckoning/program";
import { resolve } from "../reckoning/resolve";
import { type Allotment, allot, isFree } from "../stores/allot";
import type { LotOnHand } from "../stores/stores";
import { listed } from "../words";
import type { Change } from "./keep-longer";
import { scaleTo } from "./scale";
import { type Granted, type Wished, bySize, grams, nothing } from "./wished";

interface StandIn {
  readonly line: Resolved;
  readonly words: string;
  readonly make: (l: Line) => Line;
}

/** Another form of the same plant, or another bottle of the same sort, that stands in for what lacks. */
function standIn(b: Wished, a: Allotment, lots: readonly LotOnHand[]): StandIn | undefined {
  const { stuff } = a.line;
  const catalogue = materialsOf(b.plan, b.around);
  if (!stuff.plant) {
    const lot = lots.findLast(
      (l) => l.leftG > 0 && l.material !== stuff.id && catalogue.get(l.material)?.row.class === stuff.class,
    );
    if (!lot) return undefined;
    return {
      line: a.line,
      words: `${catalogue.get(lot.material)!.row.names[0]} for ${stuff.name}`,
      make: ({ id, amount }) => ({
        id,
        amount,
        material: lot.material,
        ...(lot.strength ? { strength: lot.strength } : {}),
        ...(lot.water !== undefined ? { water: lot.water } : {}),
      }),
    };
  }
  const lot = lots.find((l) => l.material === stuff.id && l.leftG > 0 && (l.form ?? "dried") !== stuff.form);
  const material = catalogue.get(stuff.id);
  if (!lot || !material) return undefined;
  const form = lot.form ?? "dried";
  const c = convert(material, { form: stuff.form! }, { form });
  if (!c.ok) return undefined;
  const amount = printAmount(grams(a.line.grams * c.value.byMass), b.plan.units);
  return {
    line: a.line,
    words: `${stuff.name} ${form} for ${stuff.form}`,
    make: ({ id }) => ({ id, material: stuff.id, form, amount }),
  };
}

/** Some slack under what the stores hold, so that rounding never asks for more than there is. */
const SLACK = 0.98;
const LEAST_WORTH_MAKING = 0.1;

/** The share of a plan the stores suffice for. */
const sufficesFor = (p: Program, lots: readonly LotOnHand[]): number =>
  Math.min(...allot(p, lots).map((a) => (a.line.grams > 0 ? (a.line.grams - a.lackG) / a.line.grams : 1)));

function madeSmaller(
  b: Wished,
  plan: Plan,
  lots: readonly LotOnHand[],
): { plan: Plan; factor: number } | undefined {
  const p = resolve(plan, b.around);
  if (!p.ok) return undefined;
  const share = sufficesFor(p.value, lots);
  const factor = Math.floor(share * SLACK * 100) / 100;
  if (share <= LEAST_WORTH_MAKING) return undefined;
  const s = scaleTo(plan, { to: "factor", factor }, b.around);
  return s.ok ? { plan: s.value.plan, factor } : undefined;
}

/** What can be made of the stores alone: stand-ins, a smaller batch, or one without what lacks. */
export function onlyWhatIHave(b: Wished, lots: readonly LotOnHand[]): Granted {
  const lacking = allot(b.program, lots).filter((a) => !isFree(a.line) && a.lackG > 0);
  if (lacking.length === 0) return nothing("All of it is in the stores.");
  const kept = (id: string, words: string, plan: Plan, size: number): Change[] =>
    b.tried(id, words, plan, size).filter((c) => {
      const p = resolve(c.plan, b.around);
      return p.ok && allot(p.value, lots).every((a) => a.lackG <= 0);
    });
  const percentOf = (f: number): string => `${Math.round(100 * f)} %`;
  const swaps = lacking.flatMap((a) => standIn(b, a, lots) ?? []);
  const swapped = swaps.reduce((plan, x) => withLine(plan, x.line.line.id, x.make), b.plan);
  const less = madeSmaller(b, b.plan, lots);
  const changes = [
    ...(swaps.length > 0
      ? kept("stand-ins", `${swaps.map((x) => x.words).join("; ")}.`, swapped, 0.3 * swaps.length)
      : []),
    ...(less
      ? kept(
          "smaller",
          `The same, made smaller: ${percentOf(less.factor)} of it.`,
          less.plan,
          1 - less.factor,
        )
      : []),
  ];
  // Without the herbs that lack, where others are left.
  const gone = lacking.filter((a) => a.line.stuff.plant && a.lackG > 0.5 * a.line.grams);
  if (gone.length > 0 && b.program.lines.filter((l) => l.stuff.plant).length > gone.length) {
    const q = gone.reduce((plan, a) => without(plan, a.line.line.id), b.plan);
    const names = listed(gone.map((a) => a.line.stuff.name));
    const without_ = kept("leave-out", `Without ${names}.`, q, 0.5);
    changes.push(...without_);
    const rest = without_.length === 0 ? madeSmaller(b, q, lots) : undefined;
    if (rest)
      changes.push(
        ...kept(
          "leave-out-smaller",
          `Without ${names}, and made smaller: ${percentOf(rest.factor)}.`,
          rest.plan,
          1.5 - rest.factor,
        ),
      );
  }
  const lacks = listed(lacking.map((a) => a.line.stuff.name));
  return {
    changes: bySize(changes),
    says: changes.length === 0 ? `The stores lack ${lacks}, and nothing there stands in.` : undefined,
  };
}
