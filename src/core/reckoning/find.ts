import { type Result, fail, fault, ok, under } from "../fault";
import type { Catalogue } from "../material/catalogue";
import type { Form } from "../material/classes";
import { type Material, type Stuff, formsOf, stuffOf } from "../material/material";
import type { Plan } from "../plan/plan";
import type { ReadLine } from "../plan/read-plan";
import { materialNamed, nearNames } from "../reading/names";
import { type Vessel, vesselOf } from "../vessel/vessel";
import { type Context, lineKey, vesselsIn } from "./context";

/** The plan's vessel with the lid and ware it really has; nothing where none is chosen. Faults: `UnknownVessel`, `ImpossibleVessel`. */
export function vesselOfPlan(plan: Plan, around: Context): Result<Vessel | undefined> {
  const found = bareVessel(plan, around);
  if (!found.ok || !found.value || around.vessel) return found;
  const { lid, ware } = plan;
  return ok({ ...found.value, ...(lid ? { lid } : {}), ...(ware ? { ware } : {}) });
}

function bareVessel(plan: Plan, around: Context): Result<Vessel | undefined> {
  if (around.vessel) return ok(around.vessel);
  if (plan.vessel === undefined) return ok(undefined);
  if (typeof plan.vessel !== "string") {
    const made = vesselOf(plan.vessel);
    return made.ok ? made : fail(...under(["vessel"], made.faults));
  }
  const known = vesselsIn(around).get(plan.vessel);
  if (known) return ok(known);
  return fail(
    fault(
      "UnknownVessel",
      `“${plan.vessel}” is not a vessel here. Choose one from the list, or give its measurements.`,
      ["vessel"],
    ),
  );
}

/** The material a plan names, by its id or very name; a near one is offered and never taken. Faults: `UnknownMaterial`. */
export function findMaterial(name: string, catalogue: Catalogue): Result<Material> {
  const exact = materialNamed(name, catalogue);
  if (exact) return ok(exact);
  const near = nearNames(name, catalogue, 3).map((m) => m.row.names[0]!);
  const offer = near.length > 0 ? ` Did you mean ${near.join(", ")}?` : "";
  return fail(
    fault(
      "UnknownMaterial",
      `“${name}” is not among the materials.${offer} Write it down as your own, or pick another name.`,
      ["material"],
    ),
  );
}

export interface FoundStuff {
  readonly stuff: Stuff;
  readonly otherwise: Stuff | undefined;
}

/** The other form a line may have, where its own was taken for granted: the dry for the wet and the wet for the dry. */
function otherForm(material: Material, l: ReadLine["line"], is: Form | undefined): Stuff | undefined {
  if (!l.took?.includes("form") || !is) return undefined;
  const wet = is === "fresh" || is === "frozen" || is === "wilted";
  const form: Form = wet ? "dried" : "fresh";
  if (!formsOf(material).includes(form)) return undefined;
  const s = stuffOf(material, { form, cut: l.cut });
  return s.ok ? s.value : undefined;
}

const CALLED = new WeakMap<Stuff, Map<string, Stuff>>();
/** A stuff by the maker's own word for it, with the catalogue's beside: what lists, walks and labels say. */
function called(stuff: Stuff, by: string | undefined): Stuff {
  // What was frozen at *Begin* bears the word already.
  if (by === undefined || stuff.name === by || stuff.name.startsWith(`${by} (`)) return stuff;
  const known = CALLED.get(stuff) ?? new Map<string, Stuff>();
  CALLED.set(stuff, known);
  let named = known.get(by);
  if (!named) known.set(by, (named = { ...stuff, name: `${by} (${stuff.name})` }));
  return named;
}

/** A line's stuff: frozen with the batch, or from the catalogue with the plan's own in it. Faults carry the line's own fields. */
export function stuffOfLine(l: ReadLine, catalogue: Catalogue, around: Context): Result<FoundStuff> {
  const { line } = l;
  const kept = around.frozen?.get(lineKey(line));
  if (kept) return ok({ stuff: called(kept, line.called), otherwise: undefined });
  const material = findMaterial(line.material, catalogue);
  if (!material.ok) return material;
  const stuff = stuffOf(material.value, {
    form: line.form,
    cut: line.cut,
    strength: l.strength,
    water: line.water,
  });
  if (!stuff.ok) return stuff;
  return ok({
    stuff: called(stuff.value, line.called),
    otherwise: otherForm(material.value, line, stuff.value.form),
  });
}
