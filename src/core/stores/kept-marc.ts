import { type Result, fail, fault, ok } from "../fault";
import type { PlantClass } from "../material/classes";
import type { Held, PlantRow } from "../material/rows";
import type { Tag } from "../material/tags";
import { cookedMinutes } from "../plan/cooked";
import { minutesOver } from "../reckoning/heat";
import type { Program, Resolved } from "../reckoning/program";
import { listed } from "../words";
import { ownId } from "./own";

/** What makes a spent plant nothing to eat, dry for tea or grind: it goes on the compost. */
const COMPOST: ReadonlySet<Tag> = new Set<Tag>([
  "raw-toxic",
  "kernel",
  "not-food",
  "pyrrolizidine",
  "elder-parts",
  "cook-first",
]);

const dryG = (l: Resolved): number => l.grams * (1 - l.stuff.composition[0]!);

/**
 * The marc of a making as a dried plant of the household's own, which says what it holds: every caution about a plant in it is asked of it too. It is
 * spent, and its name says so. Faults: `NothingLeft`, `NotForKeeping`.
 */
export function keptMarc(p: Program, code: string): Result<PlantRow & { class: PlantClass }> {
  const plants = p.lines.filter((l) => l.stuff.plant && l.stage === "jar");
  const all = plants.reduce((n, l) => n + dryG(l), 0);
  if (!(all > 0)) return fail(fault("NothingLeft", "No plant was in it, so there is no marc."));
  const not = plants.filter((l) => l.stuff.tags.some((t) => COMPOST.has(t)));
  if (not.length > 0)
    return fail(
      fault(
        "NotForKeeping",
        `Spent ${listed([...new Set(not.map((l) => l.stuff.name))])} is not for eating or grinding. Compost it.`,
      ),
    );
  const by = new Map<string, Held>();
  const put = (material: string, share: number, heated: number): void => {
    const was = by.get(material);
    const both = { share: share + (was?.share ?? 0), heated: Math.min(heated, was?.heated ?? heated) };
    by.set(material, { material, ...both });
  };
  for (const l of plants) {
    const heated = cookedMinutes(l.line) + minutesOver(p.read.steps, l.step);
    // A blend of the household's is opened up.
    for (const h of l.stuff.holds ?? [{ material: l.stuff.id, share: 1, heated: 0 }])
      put(h.material, (h.share * dryG(l)) / all, h.heated + heated);
  }
  const heaviest = plants.reduce((a, b) => (dryG(b) > dryG(a) ? b : a));
  const name = `marc of ${code}`;
  return ok({
    id: ownId(name),
    names: [name],
    class: heaviest.stuff.class as PlantClass,
    forms: ["dried"],
    holds: [...by.values()].sort((a, b) => b.share - a.share),
    source: "own",
  });
}
