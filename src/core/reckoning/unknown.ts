import { exactly } from "../estimate";
import type { Amount } from "../quantity/amount";
import type { Vessel } from "../vessel/vessel";
import type { Draft } from "./fill-jar";

/**
 * What is supposed of amounts nobody remembers. `plants` and `liquids` name one line each that is nearly all of its sort, or all of them alike.
 * `crammed` is the share of the jar that plants may take at the most, by their loose heap.
 */
export interface Supposal {
  readonly plants: "likely" | "least" | "most" | { readonly most: string };
  readonly liquids: "alike" | { readonly most: string };
  readonly crammed: number;
}
export const LIKELY: Supposal = { plants: "likely", liquids: "alike", crammed: 1 };

/** Of the jar, by the loose heap: a jar made by eye, one with next to nothing in it, and one as full as it goes. */
const [HALF_FULL, NEXT_TO_NOTHING, FULL] = [0.4, 0.002, 0.95];
/** Parts of one liquid to each of the others, where it is nearly all. */
const NEARLY_ALL = 9;
/** Of the liquid, of what was stirred in after the cloth: likely, and at its ends. */
const [STIRRED_IN, HARDLY_ANY, MUCH] = [0.6, 0.05, 2];
/** What plants may be crammed to where the jar does not hold more, most first. */
export const CRAMMED = [1, 0.75, 0.5, 0.3] as const;
/** With more plants than this only all of them together are tried at their most, not each by itself. */
const EACH_BY_ITSELF = 6;

const isUnknown = (d: Draft): boolean => d.amount.kind === "unknown";

/** Every end of what is not known; none where everything is. */
export function endsOf(drafts: readonly Draft[]): readonly Omit<Supposal, "crammed">[] {
  const open = drafts.filter(isUnknown);
  if (open.length === 0) return [];
  const plants = open.filter((d) => d.stuff.plant);
  const liquids = open.filter((d) => !d.stuff.plant);
  const alone = plants.length > 1 && plants.length <= EACH_BY_ITSELF ? plants : [];
  const ofPlants: readonly Supposal["plants"][] =
    plants.length === 0 ? ["likely"] : ["least", "most", ...alone.map((d) => ({ most: d.line.id }))];
  const filler = drafts.find((d) => d.amount.kind === "fill" || d.amount.kind === "part");
  const poured = filler && liquids.length > 0 ? [...liquids, filler] : liquids;
  const ofLiquids: readonly Supposal["liquids"][] =
    liquids.length === 0 ? ["alike"] : poured.map((d) => ({ most: d.line.id }));
  return ofPlants.flatMap((p) => ofLiquids.map((l) => ({ plants: p, liquids: l })));
}

const isMost = (d: Draft, s: Supposal["plants"] | Supposal["liquids"]): boolean =>
  typeof s === "object" && s.most === d.line.id;

function plantShare(d: Draft, s: Supposal, open: number): number {
  if (s.plants === "likely") return HALF_FULL / open;
  if (s.plants === "least") return NEXT_TO_NOTHING;
  if (s.plants === "most") return (FULL * s.crammed) / open;
  return isMost(d, s.plants) ? FULL * s.crammed : NEXT_TO_NOTHING;
}

function stirredIn(d: Draft, s: Supposal): number {
  if (s.liquids === "alike") return STIRRED_IN;
  return isMost(d, s.liquids) ? MUCH : HARDLY_ANY;
}

/**
 * Puts in figures what nobody remembers, as it is supposed: a plant as a share of the jar, or of what it stands in where there is none; a liquid as
 * parts of what fills the jar, with what was to fill it; what came after the cloth as a share of the liquid.
 */
export function suppose(drafts: readonly Draft[], vessel: Vessel | undefined, s: Supposal): void {
  const open = drafts.filter(isUnknown);
  const plants = open.filter((d) => d.stuff.plant && d.atOnce).length;
  const parts = open.some((d) => !d.stuff.plant && d.atOnce);
  const part = (d: Draft): Amount => ({
    kind: "part",
    count: exactly(isMost(d, s.liquids) ? NEARLY_ALL : 1),
  });
  for (const d of drafts) {
    if (d.amount.kind === "unknown") {
      d.unknown = true;
      if (!d.atOnce) d.amount = { kind: "of-liquid", count: exactly(stirredIn(d, s)) };
      else if (!d.stuff.plant) d.amount = part(d);
      else {
        const count = exactly(plantShare(d, s, plants));
        d.amount = vessel ? { kind: "jar", count } : { kind: "part", count };
      }
    } else if (parts && d.atOnce && d.amount.kind === "fill") d.amount = part(d);
  }
}
