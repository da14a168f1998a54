"use client";
import type { Care } from "@/core/care/care";
import type { Day } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import type { Company } from "@/core/people/company";
import { Foot } from "../../make/foot";
import { StepsLine } from "../../make/steps-line";
import { StoveHead } from "../../make/stove-head";
import { When } from "../../kit/when";
import { useUnits } from "../../kit/units";
import type { Measures } from "@/core/reading/measures";
import { Notes, StageCautions } from "../../plan/cautions";
import type { Card } from "../../shelf/card";
import { type Shares, useTall } from "../../kit/tall";
import { StrainDrawn } from "./drawn";
import { JugLevel, MarcWeighed } from "./measured";
import { type LastTime, Ready } from "./ready";
import { AllStays, HowStrained, WhatStays, WhatWasSeen } from "./seen";
import { ThrowItOut } from "./signs";
import { type Straining, type Touched, useStraining } from "./use-straining";

interface Props {
  readonly batch: Batch;
  readonly card: Card;
  readonly company: Company;
  readonly care: Care;
  readonly today: Day;
  /** What was said of the last one of the same recipe. */
  readonly last: LastTime | undefined;
}

const TALL: Shares = [0.5, 0.56, 0.56];
const UNDOES: Readonly<Record<Touched, string>> = {
  measured: "what the jug shows",
  marc: "what is left, weighed",
  how: "how the cloth is emptied",
  stays: "what becomes of the plants",
  seen: "what was seen",
  signs: "what is not right",
};

/** What is to be done now, in one line. */
function headOf(s: Straining, units: Measures): string {
  if (s.stays === "all") return "All of it stays in the jar.";
  const ml = s.got?.reckoning.strained.ml.value;
  if (ml !== undefined && s.expects && ml < s.expects.low)
    return `${units.volumeExact(ml)} is less than likely. Wring or press once more, and read again.`;
  if (s.got) return "Read again at eye level, and it is strained.";
  return {
    drained: "Pour it through the cloth, let it drip, and touch the jug at its level.",
    wrung: "Pour it through the cloth, wring it, and touch the jug at its level.",
    pressed: "Pour it through, press it, and touch the jug at its level.",
  }[s.how];
}

function barOf(s: Straining, units: Measures): { words: string; press: () => void; waits: boolean } {
  const waits = !s.got || s.stops.stopped || s.signs.length > 0;
  const ml = s.got?.reckoning.strained.ml.value;
  if (s.sending) return { words: "Writing…", press: s.send, waits: true };
  if (s.stays === "all") return { words: "It stays in", press: s.send, waits };
  return {
    words: ml === undefined ? "How high does it stand?" : `It stands at ${units.volumeExact(ml)}`,
    press: s.send,
    waits,
  };
}

/** Strain: is it sound, then the cloth, and what comes out. The jar and the jug are the page; the bar writes it down. */
export function Strain({ batch, card, company, care, today, last }: Props) {
  const units = useUnits();
  const s = useStraining(batch, company);
  const tall = useTall(TALL);
  const all = s.stays === "all";
  const unsound = s.signs.length > 0;
  const bar = barOf(s, units);
  return (
    <div className="kitchen-view pb-28">
      <StoveHead batch={batch} />
      <div className="grid gap-x-10 gap-y-3 grid-cols-1 pt-3 xl:grid-cols-[minmax(0,2.5fr)_minmax(0,1fr)] xl:grid-rows-[auto_1fr]">
        <div className="min-w-0 xl:col-start-2">
          <h1 className="text-[1.25rem] sm:text-[1.625rem] xl:text-[1.875rem] leading-tight">
            {unsound ? "Stop: it is not strained." : headOf(s, units)}
          </h1>
          {!unsound && !all && (
            <p className="text-ash text-[1.125rem] pt-1 max-xl:hidden">
              Line the sieve with a damp cloth over the jug. Let the froth go down; eye level with it.
            </p>
          )}
        </div>
        <div className="min-w-0 xl:col-start-1 xl:row-start-1 xl:row-span-2">
          <StrainDrawn s={s} card={card} tallPx={tall} />
          {!unsound && <StepsLine at={s.got ? "level" : "cloth"} plan={batch.plan} stays={all} />}
        </div>
        <div className="min-w-0 xl:col-start-2 text-[1.125rem]">
          {unsound && <ThrowItOut batch={batch} signs={s.signs} />}
          {!unsound && !all && <JugLevel s={s} />}
          {!unsound && all && <AllStays s={s} />}
        </div>
      </div>
      {!unsound && <Further {...{ s, batch, care, today, last }} />}
      <Notes cautions={s.stops.cautions.filter((c) => c.severity === "note")} />
      <Foot bar={bar} undo={s.undo} undoes={s.undoes ? UNDOES[s.undoes] : ""} sending={s.sending} />
    </div>
  );
}

/** What more there is to say of it, under the drawing: cautions, the cloth, what was seen, and whether its time has come. */
function Further({
  s,
  batch,
  care,
  today,
  last,
}: Pick<Props, "batch" | "care" | "today" | "last"> & { s: Straining }) {
  return (
    <div className="grid grid-cols-1 gap-x-10 pt-4 lg:grid-cols-2 text-[1.125rem]">
      <div className="min-w-0">
        <StageCautions
          cautions={s.stops.cautions.filter((c) => c.severity !== "note")}
          reasons={s.stops.reasons}
          given={batch.reasons}
          giveReason={s.stops.giveReason}
        />
        {care.rules.some((r) => r.sort === "let-out") && (
          <p className="quiet pb-2">
            A little gas is ordinary here, and is let out; foam and a yeasty smell are not.
          </p>
        )}
        <WhatStays stays={s.stays} change={(stays) => s.put({ stays })} />
        {s.stays !== "all" && <HowStrained s={s} />}
      </div>
      <div className="min-w-0">
        <Ready {...{ batch, care, today, last }} />
        <WhatWasSeen seen={s.seen} change={(seen) => s.put({ seen })} />
        {s.stays !== "all" && <MarcWeighed s={s} />}
        <When w={s.when} />
      </div>
    </div>
  );
}
