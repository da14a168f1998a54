"use client";
import { Told } from "../kit/told";
import { useMemo } from "react";
import type { Plan } from "@/core/plan/plan";
import type { Busy } from "@/core/stores/free";
import type { VesselOnHand } from "@/core/stores/stores";
import { soldIn } from "@/core/vessel/catalogue";
import type { Fit } from "@/core/vessel/fit";
import { type Vessel, isPot, vesselWords } from "@/core/vessel/vessel";
import { useUnits } from "../kit/units";
import { Waiting, useAsked } from "./asked";
import { freeChoices } from "./vessel-choice";
import type { VesselPart } from "./vessel-pane";

interface Props {
  readonly plan: Plan;
  readonly vessel: Vessel | undefined;
  readonly fit: Fit | undefined;
  readonly tooFull: boolean;
  /** That it runs over at a step is said beside that step. */
  readonly overfull: boolean;
  readonly owned: readonly VesselOnHand[];
  readonly busy: readonly Busy[];
  readonly choose: (part: VesselPart) => void;
  readonly take: (plan: Plan, rest?: Plan) => void;
}

/** What could be done about a plan that does not fit, each one touch; found in a worker. */
function Fixes({ plan, owned, busy, take }: Pick<Props, "plan" | "owned" | "busy" | "take">) {
  const { market, told } = useUnits();
  const free = useMemo(() => {
    const mine = freeChoices(owned, busy);
    return mine.length > 0 ? mine : soldIn(market).map((vessel) => ({ vessel, named: vessel.id }));
  }, [owned, busy, market]);
  const asked = useAsked<"fixes">({ ask: "fixes", plan, free });
  if (asked.state !== "answered") return <Waiting of={asked} />;
  if (asked.answer.length === 0) return null;
  return (
    <ul className="text-left pt-1" data-testid="fixes" aria-label="What could be done about it">
      {asked.answer.map((f) => (
        <li key={f.id} className="flex items-baseline justify-between gap-3 border-b border-rule py-1">
          <span>
            <Told of={f.words} />
          </span>
          <button
            type="button"
            className="plain shrink-0 min-h-8"
            aria-label={`Do this: ${told(f.words)}`}
            onClick={() => take(f.plan, f.rest)}
          >
            do this
          </button>
        </li>
      ))}
    </ul>
  );
}

/** The smallest of the household's free jars that takes it, where this one stands half empty. */
function Snug({ p, fit, vessel }: { p: Props; fit: Fit; vessel: Vessel }) {
  const snug = freeChoices(p.owned, p.busy).find(
    (c) => c.vessel.sort === "jar" && c.vessel.fillMl >= fit.day0.ml && c.vessel.fillMl < vessel.fillMl,
  );
  return (
    <p className="quiet pt-1">
      It fills {Math.round(fit.filled * 100)} % of the {vessel.sort}; a smaller one leaves less air over the
      herb.{" "}
      {snug && (
        <button
          type="button"
          className="plain min-h-7"
          onClick={() =>
            p.choose({
              vessel: snug.named,
              ...(snug.lid ? { lid: snug.lid } : {}),
              ...(snug.ware ? { ware: snug.ware } : {}),
            })
          }
        >
          Take the {vesselWords(snug.vessel)}
        </button>
      )}
    </p>
  );
}

/** A share of the jar in a word, where it is near one. */
function shareWords(share: number): string {
  if (share > 0.29) return "A third";
  if (share > 0.225) return "A quarter";
  if (share > 0.18) return "A fifth";
  return share > 0.13 ? "A sixth" : "A tenth";
}
/** Air over a jar that is filled to a measure and not to its line is no mistake. */
const ROOM = [0.07, 0.4] as const;

/** How it stands in the vessel, where that is worth a word, and what could be done about it. */
export function VesselNotes(p: Props) {
  const units = useUnits();
  const { fit, vessel } = p;
  return (
    <>
      {fit && fit.overLineMl > 1 && !p.overfull && (
        <p role="alert" className="wrong pt-1">
          {fit.overBrimMl > 0
            ? `It runs over by ${units.volumeBoth(fit.overBrimMl)}. Take less, or a larger jar.`
            : `It stands ${units.volumeBoth(fit.overLineMl)} above the line; leave a finger of air under the lid.`}
        </p>
      )}
      {fit && vessel && fit.filled < 0.6 && !isPot(vessel) && <Snug p={p} fit={fit} vessel={vessel} />}
      {fit && vessel && !isPot(vessel) && 1 - fit.filled > ROOM[0] && 1 - fit.filled <= ROOM[1] && (
        <p className="quiet pt-1" data-testid="left-empty">
          {shareWords(1 - fit.filled)} of the {vessel.sort} stays empty, and that is right: room to shake it
          and to top it up.
        </p>
      )}
      {fit && fit.coverCm < -0.05 && (
        <p role="alert" className="wrong pt-1">
          Herb stands {units.length(Math.abs(fit.coverCm))} above the liquid. Pour more, or take less herb.
        </p>
      )}
      {p.tooFull && <Fixes plan={p.plan} owned={p.owned} busy={p.busy} take={p.take} />}
    </>
  );
}
