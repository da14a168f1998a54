import type { Stuff } from "../material/material";
import { type Program, lineKey } from "../remedy/resolve";
import { RULES_VERSION } from "../remedy/reckon";
import type { Vessel } from "../vessel/vessel";
import { solidOf, volumeAt } from "../vessel/profile";
import type { Body } from "./events";

/** The figures a batch rests on, taken at *Begin*. */
export function freeze(p: Program): Body<"begun">["frozen"] {
  return {
    rules: RULES_VERSION,
    stuffs: Object.fromEntries(p.lines.map((l) => [lineKey(l.line), { ...l.stuff, composition: [...l.stuff.composition] }])) as Body<"begun">["frozen"]["stuffs"],
    vessel: p.vessel ? { id: p.vessel.id, name: p.vessel.name, size: p.vessel.size, profile: p.vessel.solid.profile.map(([h, d]) => [h, d] as [number, number]) } : null,
  };
}

/** Frozen figures made live again. */
export function thawStuffs(frozen: Body<"begun">["frozen"]): ReadonlyMap<string, Stuff> {
  return new Map(Object.entries(frozen.stuffs).map(([key, s]) => [key, { ...(s as unknown as Stuff), composition: Float64Array.from(s.composition) }]));
}

/** The vessel of a frozen plan: its present self, with the profile it had. */
export function thawVessel(frozen: Body<"begun">["frozen"], present: Vessel | undefined): Vessel | undefined {
  if (!frozen.vessel) return present;
  const solid = solidOf(frozen.vessel.profile);
  const like = present ?? { id: frozen.vessel.id, name: frozen.vessel.name, size: frozen.vessel.size, sort: "jar" as const, lid: "glass" as const, ware: "glass" as const, headspaceCm: 1.5, tolerance: 0.02, mouthCm: frozen.vessel.profile.at(-1)![1] };
  return { ...like, solid, mouthCm: frozen.vessel.profile.at(-1)![1], fillMl: volumeAt(solid, solid.brimCm - like.headspaceCm) };
}
