import type { Cut, Form } from "../material/classes";
import { type Material, formsOf } from "../material/material";
import type { Amount } from "../quantity/amount";

/** The form a plant is taken to have where none was said, and why; or that it must be asked. */
export type FormTaken = { readonly form: Form; readonly because: string } | "ask";

const SPOON_ML = 60;
/** Measured by the spoon or the pinch. */
const bySpoon = (a: Amount | undefined): boolean =>
  (a?.kind === "count" && a.unit === "pinch") ||
  (a?.kind === "measure" &&
    a.dimension === "volume" &&
    a.terms.every((t) => t.unit.size < SPOON_ML) &&
    a.si.value < 90);
const byLength = (a: Amount | undefined): boolean => a?.kind === "measure" && a.dimension === "length";
const FRESH_PIECES: ReadonlySet<string> = new Set([
  "sprig",
  "leaf",
  "knob",
  "head",
  "bulb",
  "stalk",
  "flower",
  "fruit",
  "clove",
  "pepper",
]);
/** Kept dry, whatever is done to them: grated nutmeg is no fresh one. */
const DRY: ReadonlySet<string> = new Set(["seed", "bark", "resin"]);
const counted = (a: Amount | undefined): string | undefined => (a?.kind === "count" ? a.unit : undefined);
/** Fresh herbs fill half a jar, dried a third; between them nothing can be told. */
const shareOfJar = (a: Amount | undefined): Form | undefined => {
  if (a?.kind !== "jar") return undefined;
  return a.count.value >= 0.45 ? "fresh" : "dried";
};

/**
 * What a kitchen means where it does not say fresh or dried. Bulbs, roots by the inch, knob or grated, fruit, soft berries, peppers by count and
 * sprigs are fresh; roots by the spoon, barks, resins and seeds dried; ground spices by the spoon powdered; leaves and flowers as the way usually
 * has them. Berries that are sold dried as often as fresh are asked about.
 * @param how how it was cut, and whether it was grated, peeled or otherwise put to work that only the fresh plant takes
 */
export function formTaken(
  material: Material,
  amount: Amount | undefined,
  { worked, cut }: { readonly worked: boolean; readonly cut: Cut | undefined },
  usual: Form | undefined,
): FormTaken | undefined {
  if (material.kind !== "plant") return undefined;
  const forms = formsOf(material);
  const { row } = material;
  const name = row.names[0]!;
  const can = (form: Form, because: string): FormTaken =>
    forms.includes(form) ? { form, because } : { form: forms[0]!, because: `${name} comes ${forms[0]} here` };
  if (forms.length === 1) return { form: forms[0]!, because: `${name} comes ${forms[0]} here` };
  if (worked && !DRY.has(row.class)) return can("fresh", "what is worked so is fresh");
  const unit = counted(amount);
  if (byLength(amount)) return can("fresh", `${name} by its length is fresh`);
  if (
    unit &&
    FRESH_PIECES.has(unit) &&
    row.class !== "seed" &&
    row.class !== "bark" &&
    row.unsaid !== "dried"
  )
    return can("fresh", `${name} by the ${unit === "fruit" || unit === "pepper" ? "piece" : unit} is fresh`);
  const jar = shareOfJar(amount);
  if (row.unsaid === "ask")
    return jar
      ? can(
          jar,
          jar === "fresh"
            ? "half a jar is how the fresh are measured"
            : "a third of a jar is how the dried are measured",
        )
      : "ask";
  const spooned = bySpoon(amount) && cut === undefined;
  if (row.ground && spooned) return can("powdered", `${name} by the spoon is the ground spice`);
  if (row.unsaid && !(row.class === "root" && spooned))
    return can(row.unsaid, `${name} unsaid is usually ${row.unsaid}`);
  return byClass(material, amount, unit, usual, can);
}

function byClass(
  material: Extract<Material, { kind: "plant" }>,
  amount: Amount | undefined,
  unit: string | undefined,
  usual: Form | undefined,
  can: (form: Form, because: string) => FormTaken,
): FormTaken {
  const name = material.row.names[0]!;
  switch (material.row.class) {
    case "bulb":
    case "fruit":
    case "vegetable":
      return can("fresh", `${name} unsaid is fresh`);
    case "berry":
      return can("fresh", `soft berries unsaid are fresh`);
    case "pepper":
      return bySpoon(amount)
        ? can("powdered", `${name} by the spoon is the ground spice`)
        : can("fresh", `${name} unsaid is fresh`);
    case "root":
      return unit === "piece"
        ? can("fresh", `${name} by the piece is fresh`)
        : can("dried", `${name} by the spoon or the cup is dried`);
    case "bark":
    case "resin":
    case "seed":
    case "mushroom":
      return can("dried", `${name} unsaid is dried`);
    case "peel":
      return bySpoon(amount) || amount === undefined ? "ask" : can("fresh", `${name} unsaid is fresh`);
    case "leaf":
    case "flower": {
      const jar = shareOfJar(amount);
      if (jar)
        return can(
          jar,
          jar === "fresh"
            ? "half a jar is how the fresh are measured"
            : "a third of a jar is how the dried are measured",
        );
      if (usual) return can(usual, `this way usually has it ${usual}`);
      return can("dried", `${name} unsaid is taken dried`);
    }
  }
}
