import { HAZARDS, type HazardOf, type Hurts } from "../material/hurts/hazards";
import { MATERIALS } from "../material/catalogue";
import { TAG_FOLLOWS, type Tag } from "../material/tags";
import { byDrugName, byLatin } from "./hurt-latin";
import {
  type NameOfOne,
  HARMLESS_BY,
  byLetters,
  covers,
  isHarmless,
  namedIn,
  namesOf,
  spansOf,
} from "./hurt-names";
import { type Slip, nearTo } from "./hurt-slips";
import { isIdle, onlyAside, partOf, partsIn, plantWords } from "./plant-words";

/** What a material's own names say of it. */
export interface Kin {
  /** Tags of the catalogue's plants it is one of, and of the plants that hurt. */
  readonly tags: readonly Tag[];
  /** The plants that hurt it is by name. */
  readonly hurts: readonly Hurts[];
  /** One that hurts whose name is close to its own, or whose genus alone was given: “is it this?”. */
  readonly near: Slip | undefined;
  /** A word of its own that says that it kills, where nothing more is known. */
  readonly kills: string | undefined;
}
const NOTHING: Kin = { tags: [], hurts: [], near: undefined, kills: undefined };

/** The gravest of what is said of a name. */
export const gravest = (kin: Kin): Hurts | undefined =>
  (["never", "stop", "caution"] as const)
    .map((s) => kin.hurts.find((h) => HAZARDS[h.hazard].severity === s))
    .find((h) => h !== undefined);
export const hazardOf = (h: Hurts): HazardOf => HAZARDS[h.hazard];

interface CatalogueKin {
  readonly tags: readonly Tag[];
  readonly latin: string;
  /** Parts in its names: what holds of the kernel does not hold of the fruit. */
  readonly parts: ReadonlySet<string>;
}
const lowLatin = (latin: string | undefined): string =>
  plantWords(latin ?? "")
    .filter((w) => w !== "x")
    .join(" ");

const TAGGED: readonly NameOfOne<CatalogueKin>[] = [...MATERIALS.values()].flatMap((m) => {
  const tags = (m.row.tags ?? []).filter((t) => TAG_FOLLOWS[t] !== "stuff");
  if (tags.length === 0) return [];
  const latin = m.kind === "plant" ? lowLatin(m.row.latin) : "";
  const kin: CatalogueKin = { tags, latin, parts: partsIn(m.row.names.flatMap(plantWords)) };
  return namesOf(kin, m.row.names);
});
const TAGGED_BY = byLetters(TAGGED);

/** A plant's oil that is no kitchen's: what was distilled from it. */
export function isDistilled(words: readonly string[]): boolean {
  const at = words.findIndex((w) => w === "oil" || w === "eo" || w === "essential");
  if (at < 0 || words.length < 2) return false;
  // Olive oil, garlic oil: named with its oil, it is a kitchen's.
  return !spansOf(words, HARMLESS_BY).some((s) => s.from <= at && s.to > at && s.to - s.from > 1);
}
/** A name that says of itself that it kills: “poisonberry”, “stepmother's bane”. */
const KILLS = /^(?:poison|poisonous|poisonberry|toxic|deadly|lethal|death)$|bane$/;

/** What is of one part goes with that part alone. */
const isOfAPart = (t: Tag): boolean => TAG_FOLLOWS[t] === "part";
/** Tags of the catalogue's plants whose name ends this one: “Russian comfrey leaf” is comfrey, “cherry tomato” is no cherry. */
function inherited(words: readonly string[], latin: string): Tag[] {
  const spans = spansOf(words, TAGGED_BY);
  const harmless = spansOf(words, HARMLESS_BY);
  const told = partsIn(words);
  const byName = spans
    .filter((s) => !harmless.some((h) => covers(h, s)) && !spans.some((o) => covers(o, s)))
    .filter((s) => onlyAside(words.slice(s.to)) || /^(?:from|of|in|and)$/.test(words[s.to]!))
    .flatMap((s) => s.name.of.tags);
  const bare = words.filter((w) => partOf(w) === undefined && !isIdle(w));
  const byBare = TAGGED.filter((n) => {
    const own = n.words.filter((w) => partOf(w) === undefined);
    if (own.length === 0 || own.length === n.words.length || !endsWith(bare, own)) return false;
    if (harmless.some((h) => h.to - h.from > 1 && onlyAside(words.slice(h.to)))) return false;
    return told.size === 0 || [...told].some((p) => n.of.parts.has(p));
  }).flatMap((n) => n.of.tags.filter((t) => !isOfAPart(t) || [...told].some((p) => n.of.parts.has(p))));
  return [...byName, ...byBare, ...byLatinTags(latin, told)];
}
const endsWith = (words: readonly string[], own: readonly string[]): boolean =>
  words.join("") === own.join("") || own.every((w, i) => words[words.length - own.length + i] === w);

function byLatinTags(latin: string, told: ReadonlySet<string>): Tag[] {
  if (latin === "") return [];
  return TAGGED.filter(
    (n) => n.of.latin !== "" && (latin === n.of.latin || latin.startsWith(`${n.of.latin} `)),
  )
    .filter((n) => n.of.parts.size === 0 || told.size === 0 || [...told].some((p) => n.of.parts.has(p)))
    .flatMap((n) => n.of.tags.filter((t) => !isOfAPart(t) || told.size > 0));
}

const remembered = new Map<string, Kin>();

/**
 * What the names and the Latin name of a material say of it. A Latin name of genus and species settles what folk names leave open: where it is of
 * another genus, a name that two plants bear is not held against it.
 */
export function kinOf(names: readonly string[], latin: string | undefined): Kin {
  const key = `${names.join("|")}~${latin ?? ""}`;
  const have = remembered.get(key);
  if (have) return have;
  const kin = judged(names.map(plantWords), plantWords(latin ?? ""));
  if (remembered.size > 500) remembered.clear();
  remembered.set(key, kin);
  return kin;
}

function judged(names: readonly (readonly string[])[], latin: readonly string[]): Kin {
  const told = names.flat().filter((w) => partOf(w) !== undefined);
  const given = byLatin([...latin, ...told], 1);
  const settled = latin.length >= 2 && given.hurts.length === 0 && given.genusOnly === undefined;
  if (settled) {
    const near = nearTo(latin);
    return near
      ? { ...NOTHING, near }
      : { ...NOTHING, tags: [...new Set(byLatinTags(latin.join(" "), partsIn(told)))] };
  }
  const hurts = new Set(given.hurts);
  let genusOnly = given.genusOnly;
  for (const words of names) {
    const typed = byLatin(words);
    genusOnly ??= typed.genusOnly;
    for (const h of [...namedIn(words), ...typed.hurts, ...byDrugName(words)]) hurts.add(h);
  }
  const tags = new Set<Tag>(names.flatMap((words) => inherited(words, latin.join(" "))));
  for (const h of hurts) tags.add(HAZARDS[h.hazard].tag);
  if (names.some(isDistilled)) tags.add("essential-oil");
  const near = hurts.size > 0 ? undefined : close(names, latin, genusOnly);
  const kills = hurts.size > 0 || near ? undefined : names.flat().find((w) => KILLS.test(w));
  return { tags: [...tags], hurts: [...hurts], near, kills };
}

function close(
  names: readonly (readonly string[])[],
  latin: readonly string[],
  genusOnly: Hurts | undefined,
): Kin["near"] {
  const all = [...names, latin].filter((words) => !isHarmless(words));
  if (genusOnly && all.length > 0) return { name: genusOnly.latin.split(" ")[0]!, hurts: genusOnly };
  return all.map(nearTo).find((n) => n !== undefined);
}
