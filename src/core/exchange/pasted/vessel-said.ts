import { isFault } from "../../fault";
import { numberAt } from "../../reading/numbers";
import { unitAt } from "../../reading/quantity";
import { tokensOf } from "../../reading/tokens";
import type { UnitSystem } from "../../quantity/units";
import { vesselPhrase } from "../written";
import { VESSELS } from "../../vessel/catalogue";

const JARS: ReadonlySet<string> = new Set(["jar", "jars", "mason", "kilner", "crock", "clip"]);
/** Brims stand some 6 to 10 % over the size a jar is called by. */
const OVER_BRIM = 1.07;

/** The jar of the catalogue nearest to so many mL, of those the measures of a recipe speak of; nothing within a tenth. */
function jarOf(ml: number, system: UnitSystem, crock: boolean): string | undefined {
  const wanted = ml * OVER_BRIM;
  const all = [...VESSELS.values()].filter((v) => v.sort === (crock ? "crock" : "jar"));
  const mine = all.filter((v) => v.id.startsWith("us-") === (system === "us"));
  const near = (pool: typeof all) =>
    pool
      .map((v) => ({ id: v.id, off: Math.abs(Math.log(v.solid.brimMl / wanted)) }))
      .sort((a, b) => a.off - b.off)
      .find((x) => x.off < 0.1)?.id;
  return near(mine) ?? near(all);
}

/** Every vessel of the catalogue by the words it is written with, the longest first. */
const PHRASES: readonly (readonly [phrase: string, id: string])[] = [...VESSELS.keys()]
  .map((id) => [vesselPhrase(id)!.toLowerCase(), id] as const)
  .sort(([a], [b]) => b.length - a.length);

/** “a quart jar”, “a clean 1 litre jar”: the vessel of the catalogue that is meant, where one is named by its size. */
export function vesselSaid(text: string, system: UnitSystem): string | undefined {
  const low = text.toLowerCase();
  const whole = PHRASES.find(([phrase]) => low.includes(`into the ${phrase}`));
  if (whole) return whole[1];
  const t = tokensOf(text);
  for (let k = 0; k < t.length; k++) {
    if (!JARS.has(t[k]!.low)) continue;
    for (let i = Math.max(0, k - 5); i < k; i++) {
      const n = numberAt(t, i);
      const count = n && !isFault(n) ? n.span.value : 1;
      const at = n && !isFault(n) ? n.next : i;
      const dash = t[at]?.low === "-" ? at + 1 : at;
      const u = unitAt({ tokens: t, system, named: () => false }, dash);
      if (!u || !("unit" in u.unit) || u.unit.unit.dimension !== "volume" || u.next > k) continue;
      const jar = jarOf(count * u.unit.unit.size, system, t[k]!.low === "crock");
      if (jar) return jar;
    }
  }
  return undefined;
}
