"use client";
import { memo } from "react";
import type { Fault } from "@/core/fault";
import { VESSELS } from "@/core/vessel/catalogue";
import { LIDS, LID_WORDS, type Lid, type Vessel, type VesselSpec, VESSEL_SORTS, vesselWords } from "@/core/vessel/vessel";
import type { Plan } from "@/core/remedy/plan";
import type { Reckoning } from "@/core/remedy/reckon";
import type { Program } from "@/core/remedy/resolve";
import { type DrawnLayer, type DrawnMark, VesselFigure } from "../figures/vessel";
import { substanceOf } from "../figures/substance";
import { useUnits } from "../kit/units";

interface Props {
  readonly plan: Plan;
  readonly vessel: Vessel | undefined;
  readonly program: Program | undefined;
  readonly reckoning: Reckoning | undefined;
  readonly faults: readonly Fault[];
  readonly busy: readonly string[];
  readonly choose: (vessel: Plan["vessel"], lid: Lid | undefined, about: string) => void;
}

const SORT_WORDS: Readonly<Record<string, string>> = { jar: "Jars", bottle: "Bottles", dropper: "Dropper bottles", crock: "Crocks", pot: "Pots", "pressure-pot": "Pressure pots" };
const OWN: VesselSpec = { id: "own", name: "my own jar", sort: "jar", lid: "glass", shape: { heightCm: 15, diameterCm: 9 } };

/** The list of vessels; drawn again only when the choice changes, since it is long. */
const VesselChoice = memo(function VesselChoice({ chosen, busy, lid, choose }: { chosen: string; busy: readonly string[]; lid: Lid | undefined; choose: Props["choose"] }) {
  return (
    <>
      <label className="sr-only" htmlFor="vessel-choice">Vessel</label>
      <select id="vessel-choice" className="stitch max-w-full py-0.5" value={chosen} onChange={(e) => choose(e.target.value === "own" ? OWN : e.target.value || undefined, lid, "vessel")}>
        {chosen === "" && <option value="">no vessel</option>}
        {VESSEL_SORTS.map((sort) => (
          <optgroup key={sort} label={SORT_WORDS[sort]}>
            {[...VESSELS.values()].filter((x) => x.sort === sort).map((x) => <option key={x.id} value={x.id}>{vesselWords(x)}{busy.includes(x.id) ? " (one is working)" : ""}</option>)}
          </optgroup>
        ))}
        <optgroup label="Measured"><option value="own">my own jar …</option></optgroup>
      </select>
    </>
  );
});

/** The middle of the Bench: which vessel, and what stands in it to scale. */
export function VesselPane(p: Props) {
  const units = useUnits();
  const own = typeof p.plan.vessel === "object" ? p.plan.vessel : undefined;
  const shape = own && "diameterCm" in own.shape ? own.shape : undefined;
  const wrong = (field: string): Fault | undefined => p.faults.find((f) => f.path.join(".") === `vessel.shape.${field}`);
  const v = p.vessel;
  const fit = p.reckoning?.fit;
  const stuffs = p.program?.lines.filter((l) => l.atOnce) ?? [];
  const layers: DrawnLayer[] = fit ? fit.layers.flatMap((l) => (stuffs[l.of] ? [{ fromCm: l.fromCm, toCm: Math.min(l.toCm, v?.solid.brimCm ?? l.toCm), substance: substanceOf(stuffs[l.of]!.stuff) }] : [])) : [];
  // One mark for all the herb, at its top; one for every liquid.
  const herbs = fit?.marks.filter((m) => m.sort === "herb") ?? [];
  const marks: DrawnMark[] = fit
    ? [
        ...(herbs.length > 0 ? [{ cm: herbs[herbs.length - 1]!.cm, words: herbs.length > 1 ? "herbs, pressed" : "herb, pressed" }] : []),
        ...fit.marks.filter((m) => m.sort === "liquid").map((m) => ({ cm: m.cm, words: `${stuffs[m.of]?.stuff.name.split(" ").at(-1) ?? ""} to here`, hidden: m.hidden })),
      ]
    : [];
  const number = (x: number): number | string => (Number.isFinite(x) ? x : "");
  return (
    <section aria-labelledby="vessel" className="min-w-0">
      <h2 id="vessel" className="sr-only">The vessel</h2>
      <div className="grid place-items-center min-h-[24rem]">
        {v ? <VesselFigure profile={v.solid.profile} layers={layers} marks={marks} lid={v.lid} scale={Math.min(26, 400 / (v.solid.brimCm + 2.5), 210 / Math.max(...v.solid.profile.map(([, d]) => d)))} headspaceCm={v.headspaceCm} measured floaters={p.plan.weighted ? [] : (fit?.floaters ?? [])} title={vesselWords(v)} {...(fit && fit.floaters.length > 0 && !p.plan.weighted && fit.coverCm < 1 ? { floatAtCm: fit.day0.liquidCm } : {})} /> : <p className="quiet">Choose a vessel, and what goes in stands in it to scale.</p>}
      </div>
      <div className="text-center pt-1">
        <p className="stencil text-2xl" aria-hidden="true">{v?.size ?? ""}</p>
        <p>
          <VesselChoice chosen={own ? "own" : (p.plan.vessel as string | undefined) ?? ""} busy={p.busy} lid={p.plan.lid} choose={p.choose} />
          {v && v.sort !== "pot" && v.sort !== "pressure-pot" && (
            <>
              {", "}
              <label className="sr-only" htmlFor="lid-choice">Lid</label>
              <select id="lid-choice" className="stitch py-0.5 font-normal" value={v.lid} onChange={(e) => p.choose(p.plan.vessel, e.target.value as Lid, "lid")}>
                {LIDS.filter((l) => l !== "none").map((l) => <option key={l} value={l}>{LID_WORDS[l]}</option>)}
              </select>
            </>
          )}
        </p>
        {shape && own && (
          <div className="flex flex-wrap justify-center gap-4 pt-2 text-left">
            {([["heightCm", "inside height, cm"], ["diameterCm", "inside width, cm"]] as const).map(([field, words]) => (
              <p key={field} className="w-40">
                <label className="quiet block" htmlFor={`own-${field}`}>{words}</label>
                <input id={`own-${field}`} type="number" step="0.1" className="field w-full" aria-invalid={wrong(field) !== undefined} aria-describedby={wrong(field) ? `own-${field}-wrong` : undefined} value={number(shape[field])} onChange={(e) => p.choose({ ...own, shape: { ...shape, [field]: e.target.value === "" ? 0 : Number(e.target.value) } }, p.plan.lid, `own-${field}`)} />
                {wrong(field) && <span id={`own-${field}-wrong`} role="alert" className="wrong block">{wrong(field)!.message}</span>}
              </p>
            ))}
          </div>
        )}
        {fit && fit.overLineMl > 1 && <p role="alert" className="wrong pt-1">{fit.overBrimMl > 0 ? `It runs over by ${units.volumeExact(fit.overBrimMl)}. Take less, or a larger jar.` : `It stands ${units.volumeExact(fit.overLineMl)} above the line; leave a finger of air under the lid.`}</p>}
        {fit && fit.filled < 0.6 && v?.sort !== "pot" && v?.sort !== "pressure-pot" && <p className="quiet pt-1">It fills {Math.round(fit.filled * 100)} % of the {v?.sort}; a smaller one leaves less air over the herb.</p>}
        {fit && fit.coverCm < 0 && <p role="alert" className="wrong pt-1">Herb stands {Math.abs(fit.coverCm).toFixed(1)} cm above the liquid. Pour more, or take less herb.</p>}
      </div>
    </section>
  );
}
