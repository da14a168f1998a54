"use client";
import { memo, useCallback, useMemo } from "react";
import { kitchenable } from "@/core/advice/kitchenable";
import { multiplied } from "@/core/advice/scale";
import { capital } from "@/core/words";
import type { Caution } from "@/core/cautions/caution";
import type { Fault } from "@/core/fault";
import type { Plan } from "@/core/plan/plan";
import type { Program } from "@/core/reckoning/program";
import type { Reckoning } from "@/core/reckoning/reckon";
import type { Busy } from "@/core/stores/free";
import type { VesselOnHand } from "@/core/stores/stores";
import { type Lid, type Vessel, type Ware, isPot, vesselWords } from "@/core/vessel/vessel";
import type { Shares } from "../kit/tall";
import { useToldOf } from "../kit/told-of";
import { useUnits } from "../kit/units";
import { TallVessel } from "../figures/tall-vessel";
import { layersOf, marksOf } from "../figures/in-vessel";
import { CautionNote } from "../plan/cautions";
import { OwnVessel, isMeasured } from "./own-vessel";
import type { BenchActions } from "./use-bench";
import { alike, chosenAmong } from "./vessel-choice";
import { VesselNotes } from "./vessel-notes";
import { LidAndWare, VesselSelect } from "./vessel-select";

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
  readonly edit: BenchActions["edit"];
  readonly take: (plan: Plan, rest?: Plan) => void;
}

const TALL: Shares = [0.44, 0.7, 0.64];
/** The drawing is laid out first, and takes what the window has; words take what is left. */
function Drawing({ p, v }: { p: Props; v: Vessel }) {
  const fit = p.reckoning?.fit;
  const stuffs = p.program?.lines.filter((l) => l.atOnce) ?? [];
  const floats = fit && fit.floaters.length > 0 && !p.plan.weighted && fit.coverCm < 1;
  return (
    <div data-drawing="" className="border-b-[6px] border-iron pt-2">
      <TallVessel
        share={TALL}
        profile={v.solid.profile}
        layers={fit ? layersOf(fit, stuffs, v.solid.brimCm) : []}
        marks={fit ? marksOf(fit, stuffs) : []}
        lid={v.lid}
        headspaceCm={v.headspaceCm}
        measured
        floaters={p.plan.weighted ? [] : (fit?.floaters ?? [])}
        title={vesselWords(v)}
        {...(floats ? { floatAtCm: fit.day0.liquidCm } : {})}
      />
    </div>
  );
}

/** Twice or half of all that is measured; what cannot be said so small or so large is told. */
function Multiply({ plan, edit }: Pick<Props, "plan" | "edit">) {
  const units = useUnits();
  const [told, setTold] = useToldOf(plan);
  const by = (factor: number): void => {
    const made = multiplied(plan, factor);
    if (!made.ok) return setTold(units.told(made.faults[0]!.message));
    const kitchen = kitchenable(made.value.plan, plan);
    setTold(units.told([...made.value.tell, ...kitchen.told.map((t) => `${capital(t)}.`)].join(" ")));
    edit(() => kitchen.plan);
  };
  return (
    <p className="pt-1">
      <button type="button" className="plain min-h-8 px-2" onClick={() => by(2)}>
        double it
      </button>
      <button type="button" className="plain min-h-8 px-2" onClick={() => by(0.5)}>
        halve it
      </button>
      <span role="status" className="quiet block">
        {told}
      </span>
    </p>
  );
}

/** The middle of the Bench: which vessel, and what stands in it to scale. */
export const VesselPane = memo(function VesselPane(p: Props) {
  const { edit, choose } = p;
  const mine = useMemo(() => alike(p.owned, p.busy), [p.owned, p.busy]);
  const ownOne = chosenAmong(mine, p.plan);
  const v = p.vessel;
  const fit = p.reckoning?.fit;
  const measured = !ownOne && isMeasured(p.plan.vessel) ? p.plan.vessel : undefined;
  const named = measured ? "own" : ((p.plan.vessel as string | undefined) ?? "");
  const setLid = useCallback((lid: Lid): void => edit((x) => ({ ...x, lid })), [edit]);
  const setWare = useCallback((ware: Ware): void => edit((x) => ({ ...x, ware })), [edit]);
  // What runs over is said beside its step; here only what could be done about it.
  const overfull = p.cautions.some((c) => c.id === "overflows");
  const tooFull =
    overfull ||
    (fit && (fit.overLineMl > 1 || fit.coverCm < -0.05)) ||
    p.faults.some((f) => f.name === "DoesNotFit");
  return (
    <section aria-labelledby="vessel" className="min-w-0">
      <h2 id="vessel" className="sr-only">
        The vessel
      </h2>
      {v ? (
        <Drawing p={p} v={v} />
      ) : (
        <p className="quiet py-12 text-center">Choose a vessel, and what goes in stands in it to scale.</p>
      )}
      <div className="text-center pt-1">
        <p className="stencil text-2xl" aria-hidden="true">
          {v?.size ?? ""}
        </p>
        <p>
          <VesselSelect chosen={ownOne ? `yours ${ownOne.id}` : named} own={mine} choose={choose} />
          {v && (
            <LidAndWare
              lid={v.lid}
              ware={v.ware}
              pot={isPot(v)}
              crock={v.sort === "crock"}
              setLid={setLid}
              setWare={setWare}
            />
          )}
        </p>
        {ownOne && ownOne.holds.length === ownOne.count && (
          <p className="wrong pt-1" role="status">
            {ownOne.holds.join(" and ")} {ownOne.count > 1 ? "stand in both of yours" : "stands in it"} today.
          </p>
        )}
        {measured && <OwnVessel spec={measured} faults={p.faults} choose={choose} />}
        <Multiply plan={p.plan} edit={edit} />
        <VesselNotes
          plan={p.plan}
          vessel={v}
          fit={fit}
          tooFull={tooFull === true}
          overfull={overfull}
          owned={p.owned}
          busy={p.busy}
          choose={choose}
          take={p.take}
        />
        <div className="text-left max-w-md mx-auto">
          {p.cautions
            .filter((c) => c.about.what === "vessel")
            .map((c, i) => (
              <CautionNote
                key={`${c.id}-${i}`}
                caution={c}
                reason={p.reasons[c.id] ?? ""}
                giveReason={p.giveReason}
              />
            ))}
        </div>
      </div>
    </section>
  );
});
