import { convert } from "../material/convert";
import { MATERIALS } from "../material/catalogue";
import { readStrength } from "../reading/strength";
import type { Program, Resolved } from "../reckoning/program";
import type { LotOnHand } from "./stores";

/** g taken from a lot for a line. */
export interface Take {
  readonly lot: LotOnHand;
  readonly grams: number;
}

/** What the stores give to one line. */
export interface Allotment {
  readonly line: Resolved;
  readonly takes: readonly Take[];
  /** g of it that no lot gives. */
  readonly lackG: number;
  /** The same plant in another form, as far as it is there: g of that form, and the g of this one they stand for by dry matter. */
  readonly instead:
    { readonly lot: LotOnHand; readonly grams: number; readonly standsFor: number } | undefined;
}

const strengthOf = (text: string | undefined): number | undefined => {
  if (!text) return undefined;
  const s = readStrength(text);
  return s.ok ? s.value : undefined;
};

/** Whether a lot is the very stuff of a line: material, form, and the strength where the line says one. */
export function suits(lot: LotOnHand, l: Resolved): boolean {
  if (lot.material !== l.stuff.id || lot.drying !== undefined) return false;
  if (l.stuff.plant && (lot.form ?? "dried") !== l.stuff.form) return false;
  const wanted = strengthOf(l.line.strength);
  return wanted === undefined || Math.abs((strengthOf(lot.strength) ?? wanted) - wanted) < 0.051;
}

/** Water comes from the tap, a bottle or a marc of ours from the cellar, and what nobody remembers from no lot here: none is lacked or paid for again. */
export const isFree = (l: Resolved): boolean =>
  l.stuff.class === "water" || l.stuff.holds !== undefined || l.amount.kind === "unknown";

/** The lots with the one a line names before the others. */
function namedFirst(lots: readonly LotOnHand[], { line }: Resolved): readonly LotOnHand[] {
  const named = line.from && "lot" in line.from ? line.from.lot : undefined;
  if (named === undefined) return lots;
  return [...lots.filter((l) => l.id === named), ...lots.filter((l) => l.id !== named)];
}

/**
 * What the stores give to each line of a plan, the oldest lot first. A lot is drawn down as lines take from it, so two lines never share a gram.
 * g throughout. What is missing may be there in another form, which is said but not taken.
 */
export function allot(p: Program, lots: readonly LotOnHand[]): Allotment[] {
  const left = new Map(lots.map((l) => [l.id, l.leftG]));
  const allotted = p.lines.map((line) => {
    if (isFree(line)) return { line, takes: [] as Take[], lackG: 0 };
    let want = line.grams;
    const takes: Take[] = [];
    for (const lot of namedFirst(lots, line)) {
      if (want <= 1e-9) break;
      const has = left.get(lot.id)!;
      if (has <= 0 || !suits(lot, line)) continue;
      const grams = Math.min(has, want);
      takes.push({ lot, grams });
      left.set(lot.id, has - grams);
      want -= grams;
    }
    // Less than a hundredth short is the scale's doing.
    return { line, takes, lackG: want > 0.01 * line.grams ? want : 0 };
  });
  return allotted.map((a) => {
    let instead: Allotment["instead"];
    const { stuff } = a.line;
    if (a.lackG > 0 && stuff.plant) {
      for (const lot of lots) {
        const has = left.get(lot.id)!;
        if (lot.material !== stuff.id || has <= 0 || suits(lot, a.line)) continue;
        const material = MATERIALS.get(lot.material);
        const c = material
          ? convert(material, { form: stuff.form! }, { form: lot.form ?? "dried" })
          : undefined;
        if (!c?.ok) continue;
        const grams = Math.min(has, a.lackG * c.value.byMass);
        instead = { lot, grams, standsFor: grams / c.value.byMass };
        break;
      }
    }
    return { ...a, instead };
  });
}
