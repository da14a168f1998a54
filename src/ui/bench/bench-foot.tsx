"use client";
import { memo } from "react";
import type { Fault } from "@/core/fault";
import { vesselWords } from "@/core/vessel/vessel";
import { layersOf } from "../figures/in-vessel";
import { VesselFigure } from "../figures/vessel";
import { Told } from "../kit/told";
import { useUnits } from "../kit/units";
import { verdictHead } from "../plan/verdict-words";
import { BEGIN, PUT_RIGHT, type Sending } from "./begin";
import type { Made } from "./made";

interface Writes extends Sending {
  readonly begin: () => Promise<void>;
}

/** The verdict and the way to begin, in sight while the plan goes by; a small jar leads back to the large one. */
const Strip = memo(function Strip({
  why,
  sending,
  begin,
  words,
  verdict,
  makes,
  jar,
}: {
  why: string | undefined;
  sending: Sending;
  begin: () => Promise<void>;
  words: typeof BEGIN | typeof PUT_RIGHT;
  verdict: string;
  makes: string;
  jar: React.ReactNode;
}) {
  return (
    <div className="no-print sticky bottom-[calc(3.5rem+2px)] md:bottom-0 z-10 -mx-4 sm:-mx-8 flex max-[20rem]:flex-wrap items-stretch border-t-2 border-cobalt bg-paper">
      <a
        href="#vessel"
        aria-label="Up to the jar"
        className="lg:hidden shrink-0 min-w-14 min-h-14 px-2 grid place-items-center"
      >
        {jar}
      </a>
      <div className="grow min-w-0 px-2 sm:px-8 py-1.5 self-center leading-tight">
        <p className="font-bold text-[1.0625rem] sm:text-[1.25rem]">{why ? <Told of={why} /> : verdict}</p>
        <p className="quiet">{makes}</p>
      </div>
      <button
        type="button"
        data-begin=""
        className="shrink-0 bg-cobalt text-on-cobalt font-bold text-[1.0625rem] sm:text-[1.375rem] px-3 sm:px-10 min-h-14 max-w-[8rem] sm:max-w-none aria-disabled:bg-glaze aria-disabled:text-ash"
        aria-disabled={why !== undefined}
        aria-describedby="begin-says"
        onClick={() => why === undefined && void begin()}
      >
        {sending.sending ? words.busy : words.rest}
      </button>
    </div>
  );
});

/** What stays in sight where the three parts of the Bench do not stand side by side. */
export function BenchFoot({
  made,
  beginning,
  putting,
  why,
}: {
  made: Made;
  beginning: Writes;
  putting:
    | { readonly sending: boolean; readonly refused: Fault | undefined; readonly put: () => Promise<void> }
    | undefined;
  why: string | undefined;
}) {
  const units = useUnits();
  const { vessel: v, shown } = made;
  const head = shown && verdictHead(shown.reckoning.verdict);
  const fit = shown?.reckoning.fit;
  const stuffs = shown?.program.lines.filter((l) => l.atOnce) ?? [];
  const never = made.grave.some((c) => c.severity === "never" || c.severity === "stop");
  return (
    <Strip
      why={why}
      sending={putting ?? beginning}
      begin={putting?.put ?? beginning.begin}
      words={putting ? PUT_RIGHT : BEGIN}
      verdict={head && !never ? `${head.place} ${head.life}` : "What comes of it is reckoned as you type."}
      makes={shown ? `makes ${units.volume(shown.reckoning.finished.ml.value)}` : ""}
      jar={
        v && (
          <VesselFigure
            profile={v.solid.profile}
            layers={fit ? layersOf(fit, stuffs, v.solid.brimCm) : []}
            lid={v.lid}
            scale={Math.min(3.4, 56 / (v.solid.brimCm + 2.5))}
            title={vesselWords(v)}
          />
        )
      }
    />
  );
}
