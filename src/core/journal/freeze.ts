import type { Stuff } from "../material/material";
import { lineKey } from "../reckoning/context";
import type { Program } from "../reckoning/program";
import { RULES_VERSION } from "../reckoning/reckon";
import { solidOf, volumeAt } from "../vessel/profile";
import type { Vessel } from "../vessel/vessel";
import type { Body } from "./events";

type Frozen = Body<"begun">["frozen"];

const frozenVessel = (v: Vessel): NonNullable<Frozen["vessel"]> => ({
  id: v.id,
  name: v.name,
  size: v.size,
  profile: v.solid.profile.map(([h, d]) => [h, d] as [number, number]),
  sort: v.sort,
  lid: v.lid,
  ware: v.ware,
  headspaceCm: v.headspaceCm,
  tolerance: v.tolerance,
});

/** The figures a batch rests on, taken at *Begin*: every material, and the vessel whole. */
export function freeze(p: Program): Frozen {
  return {
    rules: RULES_VERSION,
    stuffs: Object.fromEntries(
      p.lines.map((l) => [lineKey(l.line), { ...l.stuff, composition: [...l.stuff.composition] }]),
    ) as Frozen["stuffs"],
    vessel: p.vessel ? frozenVessel(p.vessel) : null,
  };
}

/** What older builds did not freeze with a material. */
const UNFROZEN = { latin: undefined, acidTolerance: 0 } as const;

const thawed = (s: Stuff): Stuff => ({
  ...UNFROZEN,
  ...s,
  names: (s.names as readonly string[] | undefined) ?? [s.name],
  composition: Float64Array.from(s.composition),
});

/** Frozen figures made live again. */
export function thawStuffs(frozen: Frozen): ReadonlyMap<string, Stuff> {
  return new Map(Object.entries(frozen.stuffs).map(([key, s]) => [key, thawed(s as unknown as Stuff)]));
}

/** What a vessel was taken for by builds that kept its profile alone, where the catalogue does not have it. */
const UNSAID = { sort: "jar", lid: "glass", ware: "glass", headspaceCm: 1.5, tolerance: 0.02 } as const;

/**
 * The vessel of a frozen plan. What was not frozen with it (a batch of an older build) is the catalogue's, where it has it.
 * @param present the vessel as the catalogue or the plan itself has it
 */
export function thawVessel(frozen: Frozen, present: Vessel | undefined): Vessel | undefined {
  const was = frozen.vessel;
  if (!was) return present;
  const solid = solidOf(was.profile);
  const like = { ...UNSAID, ...present };
  const headspaceCm = was.headspaceCm ?? like.headspaceCm;
  return {
    id: was.id,
    name: was.name,
    size: was.size,
    sort: was.sort ?? like.sort,
    lid: was.lid ?? like.lid,
    ware: was.ware ?? like.ware,
    tolerance: was.tolerance ?? like.tolerance,
    headspaceCm,
    solid,
    mouthCm: was.profile.at(-1)![1],
    fillMl: volumeAt(solid, solid.brimCm - headspaceCm),
  };
}
