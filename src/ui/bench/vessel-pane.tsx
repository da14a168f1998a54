"use client";
import { memo, useMemo } from "react";
import type { Caution } from "@/core/cautions/caution";
import type { Fault } from "@/core/fault";
import type { Plan } from "@/core/remedy/plan";
import type { Reckoning } from "@/core/remedy/reckon";
import type { Program } from "@/core/remedy/resolve";
import type { Busy } from "@/core/stores/free";
import type { VesselOnHand } from "@/core/stores/stores";
import { VESSELS } from "@/core/vessel/catalogue";
import { LIDS, LID_WORDS, type Lid, VESSEL_SORTS, type Vessel, type VesselSpec, WARES, WARE_WORDS, type Ware, vesselWords } from "@/core/vessel/vessel";
import { type DrawnLayer, type DrawnMark, VesselFigure } from "../figures/vessel";
import { substanceOf } from "../figures/substance";
import { useUnits } from "../kit/units";
import { useAsked } from "./asked";
import { CautionNote } from "./cautions";
import { type Alike, alike, chosenAmong, freeChoices } from "./vessel-choice";

export type VesselPart = Pick<Plan, "vessel" | "lid" | "ware">;

interface Props {
  readonly plan: Plan;
  readonly vessel: Vessel | undefined;
  readonly program: Program | undefined;
  readonly reckoning: Reckoning | undefined;
  readonly faults: readonly Fault[];
  readonly cautions: readonly Caution[];
  readonly reasons: Readonly<Record<string, string>>;
  readonly giveReason: (id: string, why: string) => void;
  readonly owned: readonly VesselOnHand[];
  readonly busy: readonly Busy[];
  /** Put these in the plan's place of the vessel, its lid and its ware. */
  readonly choose: (part: VesselPart, about?: string) => void;
  readonly setLid: (lid: Lid) => void;
  readonly setWare: (ware: Ware) => void;
  readonly take: (plan: Plan, rest?: Plan) => void;
}

const SORT_WORDS: Readonly<Record<string, string>> = { jar: "Any jar", bottle: "Any bottle", dropper: "Any dropper bottle", crock: "Any crock", pot: "Any pot", "pressure-pot": "Any pressure pot" };
const OWN: VesselSpec = { id: "own", name: "my own jar", sort: "jar", lid: "glass", shape: { heightCm: 15, diameterCm: 9 } };

const ownWords = (a: Alike): string => {
  const left = a.count - a.holds.length;
  return `${vesselWords(a.choice.vessel)}${left === 0 ? ` (${a.holds.join(", ")})` : a.count > 1 ? ` (${left} of ${a.count})` : ""}`;
};

/** The list of vessels, the household's own first; drawn again only when the choice changes, since it is long. */
const VesselChoice = memo(function VesselChoice({ chosen, own, choose }: { chosen: string; own: readonly Alike[]; choose: Props["choose"] }) {
  const pick = (value: string): void => {
    if (value === "own") return choose({ vessel: OWN });
    const mine = own.find((a) => `yours ${a.id}` === value);
    if (!mine) return choose({ vessel: value || undefined });
    const { named, lid, ware } = mine.choice;
    choose({ vessel: named, ...(lid ? { lid } : {}), ...(ware ? { ware } : {}) });
  };
  const groups = [["Yours, free now", own.filter((a) => a.holds.length < a.count)], ["Yours, working", own.filter((a) => a.holds.length === a.count)]] as const;
  return (
    <>
      <label className="sr-only" htmlFor="vessel-choice">Vessel</label>
      <select id="vessel-choice" className="stitch max-w-full py-0.5" value={chosen} onChange={(e) => pick(e.target.value)}>
        {chosen === "" && <option value="">no vessel</option>}
        {groups.map(([name, mine]) => mine.length > 0 && <optgroup key={name} label={name}>{mine.map((a) => <option key={a.id} value={`yours ${a.id}`}>{ownWords(a)}</option>)}</optgroup>)}
        {VESSEL_SORTS.map((sort) => (
          <optgroup key={sort} label={SORT_WORDS[sort]}>
            {[...VESSELS.values()].filter((x) => x.sort === sort).map((x) => <option key={x.id} value={x.id}>{vesselWords(x)}</option>)}
          </optgroup>
        ))}
        <optgroup label="Measured"><option value="own">another, measured …</option></optgroup>
      </select>
    </>
  );
});

/** Its lid, and what it is made of where that is in question; drawn again only when they change. */
const LidAndWare = memo(function LidAndWare({ lid, ware, pot, crock, setLid, setWare }: { lid: Lid; ware: Ware; pot: boolean; crock: boolean; setLid: (lid: Lid) => void; setWare: (ware: Ware) => void }) {
  return (
    <>
      {!pot && (
        <>
          {", "}
          <label className="sr-only" htmlFor="lid-choice">Lid</label>
          <select id="lid-choice" className="stitch py-0.5 font-normal" value={lid} onChange={(e) => setLid(e.target.value as Lid)}>
            {LIDS.filter((l) => l !== "none").map((l) => <option key={l} value={l}>{LID_WORDS[l]}</option>)}
          </select>
        </>
      )}
      {(pot || crock || ware !== "glass") && (
        <>
          {", "}
          <label className="sr-only" htmlFor="ware-choice">What it is made of</label>
          <select id="ware-choice" className="stitch py-0.5 font-normal" value={ware} onChange={(e) => setWare(e.target.value as Ware)}>
            {WARES.map((w) => <option key={w} value={w}>{WARE_WORDS[w]}</option>)}
          </select>
        </>
      )}
    </>
  );
});

/** What could be done about a plan that does not fit, each one touch; found in a worker. */
function Fixes({ plan, owned, busy, take }: Pick<Props, "plan" | "owned" | "busy" | "take">) {
  const free = useMemo(() => {
    const mine = freeChoices(owned, busy);
    return mine.length > 0 ? mine : [...VESSELS.values()].map((vessel) => ({ vessel, named: vessel.id }));
  }, [owned, busy]);
  const found = useAsked<"fixes">({ ask: "fixes", plan, free });
  if (!found || found.length === 0) return null;
  return (
    <ul className="text-left pt-1" data-testid="fixes" aria-label="What could be done about it">
      {found.map((f) => (
        <li key={f.id} className="flex items-baseline justify-between gap-3 border-b border-rule py-1">
          <span>{f.words}</span>
          <button type="button" className="plain shrink-0" aria-label={`Do this: ${f.words}`} onClick={() => take(f.plan, f.rest)}>do this</button>
        </li>
      ))}
    </ul>
  );
}

/** The middle of the Bench: which vessel, and what stands in it to scale. */
export const VesselPane = memo(function VesselPane(p: Props) {
  const units = useUnits();
  const mine = useMemo(() => alike(p.owned, p.busy), [p.owned, p.busy]);
  const ownOne = chosenAmong(mine, p.plan);
  const spec = typeof p.plan.vessel === "object" && !ownOne ? p.plan.vessel : undefined;
  const shape = spec && "diameterCm" in spec.shape ? spec.shape : undefined;
  const wrong = (field: string): Fault | undefined => p.faults.find((f) => f.path.join(".") === `vessel.shape.${field}`);
  const v = p.vessel;
  const fit = p.reckoning?.fit;
  const pot = v?.sort === "pot" || v?.sort === "pressure-pot";
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
  // The smallest of the household's free jars that takes it, where this one stands half empty.
  const snug = fit && v && fit.filled < 0.6 && !pot ? freeChoices(p.owned, p.busy).find((c) => c.vessel.sort === "jar" && c.vessel.fillMl >= fit.day0.ml && c.vessel.fillMl < v.fillMl) : undefined;
  const number = (x: number): number | string => (Number.isFinite(x) ? x : "");
  const { lid, ware } = p.plan;
  const keep = { ...(lid ? { lid } : {}), ...(ware ? { ware } : {}) };
  const tooFull = (fit && (fit.overLineMl > 1 || fit.coverCm < -0.05)) || p.faults.some((f) => f.name === "DoesNotFit");
  return (
    <section aria-labelledby="vessel" className="min-w-0">
      <h2 id="vessel" className="sr-only">The vessel</h2>
      <div className="grid place-items-center min-h-[24rem]">
        {v ? <VesselFigure profile={v.solid.profile} layers={layers} marks={marks} lid={v.lid} scale={Math.min(26, 400 / (v.solid.brimCm + 2.5), 210 / Math.max(...v.solid.profile.map(([, d]) => d)))} headspaceCm={v.headspaceCm} measured floaters={p.plan.weighted ? [] : (fit?.floaters ?? [])} title={vesselWords(v)} {...(fit && fit.floaters.length > 0 && !p.plan.weighted && fit.coverCm < 1 ? { floatAtCm: fit.day0.liquidCm } : {})} /> : <p className="quiet">Choose a vessel, and what goes in stands in it to scale.</p>}
      </div>
      <div className="text-center pt-1">
        <p className="stencil text-2xl" aria-hidden="true">{v?.size ?? ""}</p>
        <p>
          <VesselChoice chosen={ownOne ? `yours ${ownOne.id}` : spec ? "own" : ((p.plan.vessel as string | undefined) ?? "")} own={mine} choose={p.choose} />
          {v && <LidAndWare lid={v.lid} ware={v.ware} pot={pot} crock={v.sort === "crock"} setLid={p.setLid} setWare={p.setWare} />}
        </p>
        {ownOne && ownOne.holds.length === ownOne.count && <p className="wrong pt-1" role="status">{ownOne.holds.join(" and ")} {ownOne.count > 1 ? "stand in both of yours" : "stands in it"} today.</p>}
        {shape && spec && (
          <div className="flex flex-wrap justify-center gap-4 pt-2 text-left">
            {([["heightCm", "inside height, cm"], ["diameterCm", "inside width, cm"]] as const).map(([field, words]) => (
              <p key={field} className="w-40">
                <label className="quiet block" htmlFor={`own-${field}`}>{words}</label>
                <input id={`own-${field}`} type="number" step="0.1" className="field w-full" aria-invalid={wrong(field) !== undefined} aria-describedby={wrong(field) ? `own-${field}-wrong` : undefined} value={number(shape[field])} onChange={(e) => p.choose({ vessel: { ...spec, shape: { ...shape, [field]: e.target.value === "" ? 0 : Number(e.target.value) } }, ...keep }, `own-${field}`)} />
                {wrong(field) && <span id={`own-${field}-wrong`} role="alert" className="wrong block">{wrong(field)!.message}</span>}
              </p>
            ))}
          </div>
        )}
        {fit && fit.overLineMl > 1 && <p role="alert" className="wrong pt-1">{fit.overBrimMl > 0 ? `It runs over by ${units.volumeExact(fit.overBrimMl)}. Take less, or a larger jar.` : `It stands ${units.volumeExact(fit.overLineMl)} above the line; leave a finger of air under the lid.`}</p>}
        {fit && fit.filled < 0.6 && !pot && <p className="quiet pt-1">It fills {Math.round(fit.filled * 100)} % of the {v?.sort}; a smaller one leaves less air over the herb. {snug && <button type="button" className="plain" onClick={() => p.choose({ vessel: snug.named, ...(snug.lid ? { lid: snug.lid } : {}), ...(snug.ware ? { ware: snug.ware } : {}) })}>Take the {vesselWords(snug.vessel)}</button>}</p>}
        {fit && fit.coverCm < -0.05 && <p role="alert" className="wrong pt-1">Herb stands {Math.abs(fit.coverCm).toFixed(1)} cm above the liquid. Pour more, or take less herb.</p>}
        {tooFull && <Fixes plan={p.plan} owned={p.owned} busy={p.busy} take={p.take} />}
        <div className="text-left max-w-md mx-auto">{p.cautions.map((c, i) => <CautionNote key={`${c.id}-${i}`} caution={c} reason={p.reasons[c.id] ?? ""} giveReason={p.giveReason} />)}</div>
      </div>
    </section>
  );
});
