import { stuffOf } from "../material/material";
import { materialsOf } from "../reckoning/context";
import type { Resolved } from "../reckoning/program";
import type { Tag } from "../material/tags";
import type { Situation } from "./caution";

/** Asked of hands, cloth and hedge while a plant is a plant: in a bottle it is none any more. A poison stays one. */
const OF_THE_PLANT: ReadonlySet<Tag> = new Set<Tag>([
  "wild",
  "fibre",
  "hairs",
  "stains",
  "pungent",
  "stings",
  "unaged-bark",
]);
const isOfThePlant = (t: Tag): boolean => OF_THE_PLANT.has(t) || t.startsWith("lookalike-");

/**
 * What a bottle or a marc of ours was made of, beside it as lines of its own, so that every rule about a plant or a person is asked of it too. g of
 * each are those that came with what was poured; the heat it went through before counts.
 */
export function withHeld(s: Situation): Situation {
  const { lines, plan } = s.program;
  if (lines.every((l) => l.stuff.holds === undefined)) return s;
  const catalogue = materialsOf(plan, {});
  const all = lines.flatMap((l): Resolved[] => {
    const held = (l.stuff.holds ?? []).flatMap((h): Resolved[] => {
      const material = catalogue.get(h.material);
      const stuff = material && stuffOf(material, h.form ? { form: h.form } : {});
      if (!stuff?.ok) return [];
      const tags = l.stuff.plant ? stuff.value.tags : stuff.value.tags.filter((t) => !isOfThePlant(t));
      return [
        {
          ...l,
          stuff: { ...stuff.value, tags },
          otherwise: undefined,
          grams: l.grams * h.share,
          heated: h.heated,
        },
      ];
    });
    return [l, ...held];
  });
  return { ...s, program: { ...s.program, lines: all } };
}
