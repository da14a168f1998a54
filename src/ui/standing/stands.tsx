"use client";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import type { StandForm } from "@/core/standing/form";
import { VESSELS } from "@/core/vessel/catalogue";
import { heightAt } from "@/core/vessel/profile";
import type { Vessel } from "@/core/vessel/vessel";
import type { Market } from "@/core/reading/measures";
import { useUnits } from "../kit/units";
import { VesselFigure } from "../figures/vessel";

/** Pixels for a centimetre on the board: one for all that stands there. */
const SCALE = 6.5;
/** What is drawn where nobody has said which: as the household’s shops have them. */
const SOME: Readonly<Record<Market, { readonly jar: Vessel; readonly bottle: Vessel }>> = {
  us: { jar: VESSELS.get("us-quart")!, bottle: VESSELS.get("us-b-8")! },
  metric: { jar: VESSELS.get("m-1000")!, bottle: VESSELS.get("b-250-swing")! },
};

function vesselOf(f: StandForm, market: Market): Vessel {
  if (f.as === "bottles") return VESSELS.get(f.bottle) ?? SOME[market].bottle;
  return VESSELS.get(f.jar) ?? SOME[market].jar;
}

/** So many of a making are drawn; the number is said beside them. */
const DRAWN = 4;

/** A jar or bottles as far as they are known: what is not known yet stands pale and empty. */
export function Stands({ form, known }: { form: StandForm; known: boolean }) {
  const { market } = useUnits();
  const v = vesselOf(form, market);
  const toCm = heightAt(v.solid, v.fillMl);
  const layers = form.kind === "" || !known ? [] : [{ fromCm: 0, toCm, substance: SUBSTANCE_OF[form.kind] }];
  const many = form.as === "bottles" ? Math.min(DRAWN, Math.max(1, Math.floor(Number(form.count) || 1))) : 1;
  return (
    <span className={`flex items-end justify-center ${known ? "" : "opacity-60"}`}>
      {Array.from({ length: many }, (_, i) => (
        <VesselFigure
          key={i}
          profile={v.solid.profile}
          layers={layers}
          lid={form.opened !== "" && form.as === "bottles" && i === 0 ? "off" : v.lid}
          scale={Math.min(SCALE, 160 / (v.solid.brimCm + 2))}
          title={`${v.size} ${v.sort}`}
        />
      ))}
    </span>
  );
}
