"use client";
import type { Empties } from "@/core/stores/item";
import type { Batch } from "@/core/journal/fold";
import type { Company } from "@/core/people/company";
import { Foot } from "../../make/foot";
import { clockTime } from "../../kitchen/time";
import { Wrong } from "../../kit/field";
import { When } from "../../kit/when";
import { StageCautions } from "../../plan/cautions";
import { Refusal } from "../refusal";
import { useTakeBack } from "./take-back";
import { FinishDial } from "./dial";
import { FinishDrawn } from "./drawn";
import { FinishLines } from "./lines";
import { StepsLine } from "../../make/steps-line";
import { StoveHead } from "../../make/stove-head";
import { MeasureIt } from "../measure-it";
import { FinishChart, FinishSays } from "./says";
import { TasteIt } from "./taste-it";
import { useFinishing } from "./use-finishing";

interface Props {
  readonly batch: Batch;
  readonly company: Company;
  readonly zone: string;
  readonly empties: readonly Empties[];
  /** The entry that is put right, where it is said again. */
  readonly right?: number | undefined;
}

function barWords(lines: number, right: number | undefined): string {
  if (right) return "Put it right";
  return lines > 0 ? "Mixed through" : "Nothing more goes in";
}

/** After the first straining, what goes into the measured liquid; jug, dial and verdict follow the hand. */
export function Finish({ batch, company, zone, empties, right }: Props) {
  const f = useFinishing(batch, company, right);
  const back = useTakeBack(batch);
  const { fault, insist, sending } = f.write;
  const open = f.got !== undefined && !f.stops.stopped;
  return (
    <div className="kitchen-view pb-28">
      <StoveHead batch={batch} />
      <div className="grid grid-cols-1 gap-x-10 gap-y-4 pt-3 lg:grid-cols-[minmax(0,2.5fr)_minmax(0,1fr)] xl:grid-cols-[minmax(0,1.9fr)_minmax(0,1fr)]">
        <div className="min-w-0">
          <FinishDrawn f={f} batch={batch} />
        </div>
        <FinishSays f={f} batch={batch} empties={empties} />
      </div>
      <StepsLine at="what goes in" plan={batch.plan} stays={batch.making.strained?.stays === "all"} />
      {f.dial && <FinishDial f={f} dial={f.dial} />}
      <div className="text-base pt-2">
        <StageCautions
          cautions={f.stops.cautions}
          reasons={f.stops.reasons}
          given={batch.reasons}
          giveReason={f.stops.giveReason}
        />
      </div>
      <div className="grid grid-cols-1 gap-x-10 gap-y-6 pt-6 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <div className="min-w-0 grid grid-cols-[minmax(0,1fr)] gap-y-6 content-start">
          <FinishLines f={f} />
          {f.elsewhere && <Wrong fault={f.elsewhere} />}
          <TasteIt f={f} batch={batch} />
        </div>
        <div className="min-w-0 grid grid-cols-[minmax(0,1fr)] gap-y-6 content-start">
          <FinishChart f={f} />
          <MeasureIt batch={batch} refused={f.got?.reckoning.refused ?? []} />
        </div>
      </div>
      {fault && <Refusal fault={fault} insist={insist} sending={sending} />}
      <When w={f.write.when} />
      {back.fault && <Refusal fault={back.fault} insist={back.insist} sending={back.sending} />}
      <Foot
        bar={{ words: barWords(f.inIt.length, right), press: open ? f.send : undefined, waits: !open }}
        undo={right ? undefined : back.undo}
        undoes={back.strainedAt ? `measured, ${clockTime(Date.parse(back.strainedAt), zone)}` : ""}
        sending={sending || back.sending}
      />
    </div>
  );
}
