import { type Fault, type Result, fail, fault, ok } from "../fault";
import type { Mixture } from "../mixture/components";
import { CLASSES, type Cut, FORMS, type Form, type PlantClass } from "./classes";
import { plantComposition, stuffComposition, waterShare } from "./composition";
import type { Held, LiquidClass, PlantRow, StuffRow } from "./rows";
import type { Tag } from "./tags";

/** What a household's own cloth keeps of a class of plant, by the way it is wrung: a share of the book's figure, and how far that may be off. */
export type Keeps = Readonly<
  Partial<Record<"drained" | "wrung" | "pressed", { readonly share: number; readonly spread: number }>>
>;

/** A material as data; `weighed` holds the household's own heaps, g/mL, by form and cut; `keeps` what its own cloth keeps of it. */
export type Material = { readonly weighed?: Readonly<Record<string, number>>; readonly keeps?: Keeps } & (
  | { readonly kind: "plant"; readonly row: PlantRow & { class: PlantClass } }
  | { readonly kind: "stuff"; readonly row: StuffRow }
);

/** One gram of a material as it goes in, all figures resolved. Densities g/mL, alkalinity in the composition's last column per g. */
export interface Stuff {
  readonly id: string;
  readonly name: string;
  /** All it is called, and its Latin name: what allergies and warnings are matched by. */
  readonly names: readonly string[];
  readonly latin: string | undefined;
  readonly class: PlantClass | LiquidClass;
  readonly form: Form | undefined;
  readonly cut: Cut | undefined;
  readonly plant: boolean;
  readonly composition: Mixture;
  /** Of a liquid, g/mL; of plant matter, one piece with its air. */
  readonly density: number;
  readonly bulkLoose: number;
  readonly bulkPressed: number;
  readonly trueDensity: number;
  readonly swelling: number;
  readonly retention: { readonly drained: number; readonly wrung: number; readonly pressed: number };
  /** What its retention was learned from, where it is the household's own. */
  readonly keeps?: Keeps | undefined;
  readonly extraction: number;
  readonly floats: boolean;
  readonly pieces: Readonly<Record<string, readonly [number, number]>>;
  readonly gPerCm: readonly [number, number] | undefined;
  readonly tags: readonly Tag[];
  /** Of a bottle or a marc of ours, what it was made of. */
  readonly holds?: readonly Held[] | undefined;
  /** Last day of the bottle it comes from. */
  readonly bestBy?: string | undefined;
  /** Relative tolerance of mass when measured by volume. */
  readonly volumeTolerance: number;
  /** Absolute tolerance of the water share. */
  readonly waterTolerance: number;
  /** Relative tolerance of its acids. */
  readonly acidTolerance: number;
}

/** Plant with its own water still in it. */
export const isWet = (s: Pick<Stuff, "plant" | "form">): boolean =>
  s.plant && (s.form === "fresh" || s.form === "frozen" || s.form === "wilted");
/** Poured, rather than heaped. */
export const isLiquid = (s: Pick<Stuff, "plant" | "bulkLoose" | "density">): boolean =>
  !s.plant && s.bulkLoose === s.density;
/** Honey, sugar or syrup. */
export const isSweet = (s: Pick<Stuff, "class">): boolean =>
  s.class === "honey" || s.class === "sugar" || s.class === "syrup";

export interface Asked {
  readonly form?: Form | undefined;
  readonly cut?: Cut | undefined;
  /** % vol of a spirit, % acid w/v of a vinegar: as read off the bottle. */
  readonly strength?: number | undefined;
  /** % w/w of a honey, by refractometer. */
  readonly water?: number | undefined;
}

export const formsOf = (m: Material): readonly Form[] => (m.kind === "plant" ? (m.row.forms ?? FORMS) : []);

/** The household's own weighing of a heap in this form and cut; grated, say, where it weighed it grated. */
const ownHeap = (m: Material, form: Form | undefined, cut: Cut | undefined): number | undefined =>
  m.weighed?.[`${form ?? ""}|${cut ?? ""}`];

const resolved = new WeakMap<Material, Map<string, Result<Stuff>>>();

/**
 * A material in a form and cut, with every figure resolved; remembered, since a plan asks for the same few at every keystroke.
 * Faults: `NoSuchForm`, `ImpossibleStrength`, `ImpossibleHoney`, `NoSuchFigure`, with the path of the field.
 */
export function stuffOf(material: Material, asked: Asked): Result<Stuff> {
  let mine = resolved.get(material);
  if (!mine) resolved.set(material, (mine = new Map()));
  const key = `${asked.form}|${asked.cut}|${asked.strength}|${asked.water}`;
  let stuff = mine.get(key);
  if (!stuff) {
    stuff = material.kind === "plant" ? plantStuff(material, asked) : plainStuff(material, asked);
    if (mine.size > 200) mine.clear();
    mine.set(key, stuff);
  }
  return stuff;
}

/** Classes sold and used fresh, where no form is asked. */
const FRESH_FIRST: ReadonlySet<PlantClass> = new Set(["bulb", "vegetable", "fruit", "pepper", "peel"]);
/** Classes used whole, where no cut is asked; the rest are chopped. */
const WHOLE: ReadonlySet<PlantClass> = new Set(["berry", "seed", "mushroom", "resin"]);
/** g/mL of a powder's solid grains with the air between them shut out. */
const POWDER_ENVELOPE = 1.2;
/** A day's wilting leaves more air in a piece. */
const WILTED_ENVELOPE = 0.92;

function envelopeOf(row: PlantRow & { class: PlantClass }, form: Form): number {
  const { fresh, dried } = CLASSES[row.class].envelope;
  switch (form) {
    case "powdered":
      return POWDER_ENVELOPE;
    case "wilted":
      return fresh * WILTED_ENVELOPE;
    case "fresh":
    case "frozen":
      return fresh;
    case "dried":
      return row.envelope ?? dried;
  }
}

function factorOf(row: PlantRow, form: Form, wet: boolean): number {
  if (form === "powdered") return row.groundFactor ?? 1;
  return (wet ? undefined : row.driedFactor) ?? row.bulkFactor ?? 1;
}

/** Loose and pressed heap, g/mL: the class's, made bulkier or denser by the material, never past its own solid density. */
function heapsOf(
  row: PlantRow & { class: PlantClass },
  form: Form,
  cut: Cut,
  own: number | undefined,
  envelope: number,
) {
  const c = CLASSES[row.class].bulk;
  const wet = form === "fresh" || form === "frozen" || form === "wilted";
  const cutHeaps = wet ? c.fresh[cut] : c.dried[cut];
  const [loose, pressed] = form === "powdered" ? c.powdered : cutHeaps;
  const by = factorOf(row, form, wet);
  const isLoose = own ?? Math.min(loose * by, envelope * 0.9);
  const isPressed = Math.min(own ? own * (pressed / loose) : pressed * by, envelope * 0.97);
  return { loose: isLoose, pressed: Math.max(isLoose, isPressed) };
}

/** Piece masses are of the fresh plant where it is sold fresh; a dried or wilted piece weighs what its dry matter leaves. */
function shrinkOf(row: PlantRow & { class: PlantClass }, form: Form, forms: readonly Form[]): number {
  const weighed = row.piecesOf ?? "fresh";
  if (form === weighed || (form === "frozen" && weighed === "fresh") || !forms.includes(weighed)) return 1;
  return (1 - waterShare(row, weighed)) / (1 - waterShare(row, form));
}

/** What mucilage holds, mL/g: psyllium, slippery elm and marshmallow swell to a gel. Typical, 10–20. */
const GEL = { drained: 18, wrung: 14, pressed: 10 } as const;
function retentionOf(row: PlantRow, usual: Stuff["retention"]): Stuff["retention"] {
  return row.tags?.includes("mucilage") ? GEL : usual;
}

const ownRetention = (book: Stuff["retention"], keeps: Keeps | undefined): Stuff["retention"] =>
  keeps
    ? {
        drained: book.drained * (keeps.drained?.share ?? 1),
        wrung: book.wrung * (keeps.wrung?.share ?? 1),
        pressed: book.pressed * (keeps.pressed?.share ?? 1),
      }
    : book;

function plantStuff(material: Extract<Material, { kind: "plant" }>, asked: Asked): Result<Stuff> {
  const { row } = material;
  const c = CLASSES[row.class];
  const forms = formsOf(material);
  const name = row.names[0]!;
  const usual = forms.includes("dried") && !FRESH_FIRST.has(row.class) ? "dried" : forms[0]!;
  const form = asked.form ?? usual;
  const faults: Fault[] = [];
  if (!forms.includes(form))
    faults.push(
      fault(
        "NoSuchForm",
        `${name} is not kept ${form} here. It comes ${forms.join(" or ")}.`,
        ["form"],
        forms[0],
      ),
    );
  if (asked.strength !== undefined)
    faults.push(fault("NoSuchFigure", `${name} has no strength in %. Leave it empty.`, ["strength"]));
  if (faults.length > 0) return fail(...faults);
  const cut: Cut = asked.cut ?? (WHOLE.has(row.class) ? "whole" : "chopped");
  const wet = form === "fresh" || form === "frozen" || form === "wilted";
  const own = ownHeap(material, form, cut);
  const envelope = envelopeOf(row, form);
  const { loose, pressed } = heapsOf(row, form, cut, own, envelope);
  const shrink = shrinkOf(row, form, forms);
  const masses = Object.entries({ ...c.pieces, ...row.pieces });
  const driedSwelling = form === "powdered" ? 1.1 : c.swelling.dried;
  return ok({
    id: row.id,
    name,
    names: row.names,
    latin: row.latin,
    class: row.class,
    form,
    cut: form === "powdered" ? undefined : cut,
    plant: true,
    composition: plantComposition(row, form),
    density: envelope,
    bulkLoose: loose,
    bulkPressed: pressed,
    trueDensity: c.trueDensity,
    swelling: wet ? c.swelling.fresh : driedSwelling,
    retention: ownRetention(retentionOf(row, c.retention), material.keeps),
    keeps: material.keeps,
    extraction: wet ? c.extraction.fresh : c.extraction.dried,
    floats: row.floats ?? c.floats,
    pieces: Object.fromEntries(masses.map(([unit, [a, b]]) => [unit, [a * shrink, b * shrink] as const])),
    gPerCm: row.gPerCm ? [row.gPerCm[0] * shrink, row.gPerCm[1] * shrink] : undefined,
    tags: row.tags ?? [],
    holds: row.holds,
    volumeTolerance: own ? 0.05 : 0.15,
    waterTolerance: wet ? 0.04 : 0.02,
    acidTolerance: row.acidSpread ?? 0,
  });
}

/** A honey's water as shares: by refractometer, or as such honeys usually are. */
const [MEASURED_HONEY, USUAL_HONEY] = [0.003, 0.008];
function honeyTolerance(row: StuffRow, measured: number | undefined): number {
  if (row.class !== "honey") return 0;
  return measured === undefined ? (row.waterSpread ?? USUAL_HONEY) : MEASURED_HONEY;
}

function plainStuff(material: Extract<Material, { kind: "stuff" }>, asked: Asked): Result<Stuff> {
  const { row } = material;
  const name = row.names[0]!;
  const vinegar = row.class === "vinegar";
  const faults: Fault[] = [];
  if (asked.form !== undefined)
    faults.push(fault("NoSuchForm", `${name} has no form. Leave it empty.`, ["form"]));
  if (asked.cut !== undefined)
    faults.push(fault("NoSuchForm", `${name} is not cut. Leave it empty.`, ["cut"]));
  if (asked.strength !== undefined && !vinegar && row.abv === undefined)
    faults.push(fault("NoSuchFigure", `${name} has no strength in %. Leave it empty.`, ["strength"]));
  if (faults.length > 0) return fail(...faults);
  const strength = vinegar ? { acid: asked.strength } : { abv: asked.strength };
  const made = stuffComposition(row, {
    ...(asked.strength === undefined ? {} : strength),
    ...(asked.water === undefined ? {} : { water: asked.water }),
  } as Parameters<typeof stuffComposition>[1]);
  if (!made.ok) return made;
  const heap = ownHeap(material, undefined, undefined) ?? row.bulk ?? made.value.density;
  const tags = row.tags ?? [];
  return ok({
    id: row.id,
    name,
    names: row.names,
    latin: undefined,
    class: row.class,
    form: undefined,
    cut: undefined,
    plant: false,
    composition: made.value.composition,
    density: made.value.density,
    bulkLoose: heap,
    bulkPressed: heap,
    trueDensity: made.value.density,
    swelling: 1,
    retention: { drained: 0, wrung: 0, pressed: 0 },
    extraction: 1,
    floats: false,
    pieces: row.pieces ?? {},
    gPerCm: undefined,
    // A strength that was said is known.
    tags: asked.strength === undefined ? tags : tags.filter((t) => t !== "acetic-unknown"),
    holds: row.holds,
    bestBy: row.bestBy,
    volumeTolerance: row.tolerance ?? (row.bulk ? 0.06 : 0.02),
    waterTolerance: honeyTolerance(row, asked.water),
    // An acidity read off the bottle is known.
    acidTolerance: asked.strength === undefined ? (row.acidSpread ?? 0) : 0,
  });
}
