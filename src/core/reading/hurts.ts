import type { Material } from "../material/material";
import type { Tag } from "../material/tags";
import { capital } from "../words";
import { gravest, hazardOf, kinOf } from "./kin";
import type { Reading } from "./said";

/** What is never used, by its tags. */
const NEVER: readonly (readonly [tag: Tag, words: string])[] = [
  ["poison", "is poisonous at or near any dose a kitchen can measure: it never goes in"],
  ["aristolochic", "carries aristolochic acids, which destroy kidneys: it never goes in"],
  ["not-food", "is not for eating or drinking: it never goes in"],
  ["kernel-eaten", "releases cyanide when it is crushed or steeped: it never goes in"],
  ["essential-oil", "is distilled, a few drops of it kilos of the plant: it is not taken by mouth"],
];
const neverWords = (tags: readonly Tag[]): string | undefined => NEVER.find(([t]) => tags.includes(t))?.[1];

/** What a name that hurts is told as, the moment it is read; nothing of one that is not known to. */
export function hurtOfName(name: string, latin?: string): string | undefined {
  const kin = kinOf([name], latin?.trim() || undefined);
  const hurts = gravest(kin);
  if (hurts) {
    const end = hazardOf(hurts).severity === "never" ? ": it never goes in." : ".";
    const own = name.trim().toLowerCase() === hurts.names[0]!.toLowerCase();
    const who = own ? capital(name.trim()) : `“${name}” is a name of ${hurts.names[0]}, which`;
    return `${who} ${hazardOf(hurts).does}${end}`;
  }
  const words = neverWords(kin.tags);
  return words && `“${name}” ${words}.`;
}
/** A name that is only close to one that hurts. */
export function closeToHurt(name: string, latin?: string): string | undefined {
  const { near } = kinOf([name], latin?.trim() || undefined);
  return near && `“${name}” is close to “${near.name}”, which ${hazardOf(near.hurts).does}. Is it this?`;
}
/** Whether nobody may swallow it: it is never offered for a name that is only like its own. */
export const isNever = (m: Material): boolean => neverWords(m.row.tags ?? []) !== undefined;
const hurtOfMaterial = (m: Material): string | undefined => {
  const words = neverWords(m.row.tags ?? []);
  return words && `${capital(m.row.names[0]!)} ${words}.`;
};

/** The same of whatever a text was read as. */
export function hurtOf(r: Reading): string | undefined {
  switch (r.is) {
    case "line":
      return hurtOfMaterial(r.line.material);
    case "lines":
      return r.lines.map((l) => hurtOfMaterial(l.material)).find((w) => w !== undefined);
    case "ask":
      return r.choices.map((c) => hurtOf(c.reading)).find((w) => w !== undefined);
    case "unknown":
      return hurtOfName(r.name);
    case "fault":
      return undefined;
  }
}
