import type { Metadata } from "next";
import type { Batch } from "@/core/journal/fold";
import { type Day, daysBetween } from "@/core/day";
import { dueOn } from "@/core/care/care";
import { batchAsItStands } from "../../batch-page";
import type { BatchReckoning } from "@/core/journal/reckon";
import { type HowFar, howFar } from "@/core/journal/how-far";
import { jarOf } from "@/core/journal/jar";
import { marcOf } from "@/core/journal/ours";
import { db } from "@/store/db";
import { kinOfBatch } from "@/store/recall";
import { keptMarc } from "@/core/stores/kept-marc";
import { KeepMarc } from "@/ui/batch/keep-marc";
import { ItsKin } from "@/ui/batch/kin";
import { walkOf } from "@/core/journal/walk";
import { lastChanges } from "@/core/journal/changes";
import { recipeOf } from "@/core/journal/recipe";
import { changeWords } from "@/ui/plan/changes";
import { Recipe } from "@/ui/batch/recipe";
import { Unsent } from "@/ui/batch/unsent";
import { TakeBack } from "@/ui/batch/take-back";
import { Unsound } from "@/ui/batch/unsound";
import {
  BatchNotices,
  ItsBottles,
  NextThing,
  RecipeWays,
  SaidOfIt,
  StandsIn,
  WhatItIs,
} from "@/ui/batch/view";
import { Actions } from "@/ui/batch/actions";
import { Diary } from "@/ui/batch/diary";
import { cautionsAt } from "@/core/cautions/rules";
import type { Stage } from "@/core/cautions/caution";
import { StageCautions } from "@/ui/plan/cautions";
import { PhotographsAtDays } from "@/ui/batch/photographs";
import { bandDays } from "@/ui/figures/band-days";
import { WindowBand } from "@/ui/figures/window-band";
import { StripRead } from "@/ui/batch/strip-read";
import { onStrip, stripSet } from "@/print/strip-file";
import type { Measures } from "@/core/reading/measures";
import { stripWords } from "./strip-of";
import { MoveWindow } from "@/ui/batch/move-window";
import { MeasureIt } from "@/ui/batch/measure-it";
import { Pictures } from "@/ui/batch/pictures";
import { foreseenCourse } from "@/ui/batch/foreseen-course";
import { Readings } from "@/ui/batch/readings";
import { Tasting } from "@/ui/batch/tasting";
import { HomeDays } from "@/ui/batch/window-side";
import { cardOf, strainPlans, strainWindow } from "@/ui/shelf/card";
import { stopsOf } from "@/ui/shelf/stops";
import { Today } from "@/ui/shelf/today";

/** Titled by its code and name, so that ten open batches can be told apart. */
export async function generateMetadata({ params }: { params: Promise<{ id: string }> }): Promise<Metadata> {
  const { batch } = await batchAsItStands(params);
  return { title: `${batch.code} ${batch.name}` };
}

const STATE = {
  working: "working",
  strained: "strained, not yet bottled",
  bottled: "bottled",
  discarded: "discarded",
  undone: "begun by accident",
} as const;

/** Which cautions a batch wants said, by where it stands. */
const STAGE_OF: Readonly<Record<keyof typeof STATE, Stage | undefined>> = {
  working: "strain",
  strained: "bottle",
  bottled: "label",
  discarded: undefined,
  undone: undefined,
};

const MAKE_WORDS: Readonly<Record<HowFar["stands"], readonly [string, string] | undefined>> = {
  "to-make": ["make", "Make it, step by step"],
  "being-made": ["make", "Go on making it"],
  made: undefined,
};

/** What is next, as the page it is done on and the words of its button. */
function nextStep(
  batch: Batch,
  { ripe, far, walking }: { ripe: boolean; far: HowFar["stands"]; walking: boolean },
): readonly [string, string] | undefined {
  switch (batch.state) {
    case "working":
      if (ripe) return ["strain", "Strain it"];
      return MAKE_WORDS[far];
    case "strained":
      if (walking) return ["make", "Go on at the stove"];
      return batch.diary.some((e) => e.type === "finished")
        ? ["bottle", "Bottle it"]
        : ["finish", "Sweeten, sharpen or leave as it is"];
    case "bottled":
      return ["label", "Labels"];
    case "discarded":
    case "undone":
      return undefined;
  }
}

/** A strip or a meter in what is bottled already: it may still be worse than was reckoned. */
function FromABottle({ batch, reckoned }: { batch: Batch; reckoned: BatchReckoning }) {
  if (batch.state !== "bottled") return null;
  return (
    <div className="pt-5">
      <MeasureIt batch={batch} refused={reckoned.reckoning.refused} />
    </div>
  );
}

/** From begun to latest in one line, with what was photographed and which days are at home. */
function WindowLine({
  batch,
  today,
  care,
  plan,
  window,
}: {
  batch: Batch;
  today: Day;
  care: BatchReckoning["care"];
  plan: Parameters<typeof HomeDays>[0]["plan"];
  window: ReturnType<typeof strainWindow>;
}) {
  const shaken = batch.diary.filter((e) => e.type === "touched").map((e) => e.day);
  return (
    <div className="min-w-0 xl:col-span-2">
      <WindowBand begun={batch.begunDay} today={today} care={care} doneDays={shaken} />
      {batch.stove.pictures.length > 0 && (
        <PhotographsAtDays
          batch={batch.id}
          all={batch.stove.pictures}
          begun={batch.begunDay}
          end={bandDays(care, daysBetween(batch.begunDay, today))}
        />
      )}
      <div className="flex flex-wrap items-center gap-x-6">
        <HomeDays plan={plan} today={today} />
        {window && <MoveWindow batch={batch} window={window} />}
      </div>
    </div>
  );
}

/** What a tick on its strip stands for, in words of what was done. */
const DID = { shake: "shaken", turn: "turned", look: "looked at" } as const;

/** A jar whose strip has boxes: the way to read them from a photograph. */
function ItsStrip({
  batch,
  r,
  measures,
  today,
}: {
  batch: Batch;
  r: BatchReckoning;
  measures: Measures;
  today: Day;
}) {
  const words = stripWords(batch, r, measures);
  const on = words && onStrip(stripSet(words));
  if (!words || !on) return null;
  const what = words.ticks;
  const doneDays = (jarOf(batch)?.touched ?? []).filter((t) => t.sort === what).map((t) => t.day);
  return (
    <StripRead
      {...{
        batch: batch.id,
        code: words.scan,
        begun: batch.begunDay,
        today,
        what,
        did: DID[what],
        doneDays,
        on,
      }}
    />
  );
}

/** What is next, from how far its making has come and whether its window is open. */
function whatIsNext(batch: Batch, r: BatchReckoning, today: Day, now: string) {
  const far = howFar(batch, r, today).stands;
  const w = r.care.window;
  const ripe = w === undefined ? far === "made" : daysBetween(batch.begunDay, today) >= w.earliest;
  const at = walkOf(batch, r.program, Date.parse(now)).now;
  const walking = at !== undefined && at.sort !== "finish" && at.sort !== "bottle";
  return { making: far !== "made", next: nextStep(batch, { ripe, far, walking }) };
}

export default async function BatchView({ params }: { params: Promise<{ id: string }> }) {
  const { batch, events, reckoned, today, now, home, measures } = await batchAsItStands(params);
  if (!reckoned.ok) return <Unsound batch={batch} faults={reckoned.faults} />;
  const r = reckoned.value;
  const kin = await kinOfBatch(db(), batch.id);
  const marc =
    (batch.state === "strained" || batch.state === "bottled") && marcOf(batch, r.program) !== undefined;
  const plan = strainPlans([batch], home).get(batch.id);
  const card = cardOf(batch, today, plan);
  const w = r.care.window;
  const day = daysBetween(batch.begunDay, today);
  const working = batch.state === "working";
  const window = strainWindow(batch, r.care);
  const due = working ? dueOn(r.care, batch.begunDay, today, batch.done, plan?.day, batch.often) : [];
  const { making, next } = whatIsNext(batch, r, today, now);
  const stage = making ? "make" : STAGE_OF[batch.state];
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <p className="stencil text-2xl">{batch.code}</p>
        <h1>{batch.name}</h1>
        <p className="text-ash">
          {STATE[batch.state]}
          {working && w ? `, day ${day} of ${w.best}` : ""}
        </p>
      </div>
      <BatchNotices today={today} batch={batch} changes={lastChanges(events, changeWords(measures))} />
      <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] xl:grid-cols-[28rem_minmax(0,1fr)] 2xl:grid-cols-[50rem_minmax(0,1fr)] pt-2">
        <StandsIn batch={batch} card={card} program={r.program} />
        <div className="min-w-0 grid content-start gap-x-10 gap-y-6 grid-cols-1 xl:grid-cols-[minmax(0,1fr)_20rem] 2xl:grid-cols-[minmax(0,1fr)_22rem]">
          {w && working && (
            <WindowLine batch={batch} today={today} care={r.care} plan={plan} window={window} />
          )}
          <div className="min-w-0">
            <NextThing batch={batch} next={next} making={making} window={w} today={today} />
            {due.length > 0 && card && (
              <section aria-label="Due today" className="border-t border-rule">
                <Today stops={stopsOf([{ ...card, due, waits: undefined }])} />
              </section>
            )}
            <Readings
              batch={batch}
              zone={home.zone}
              foreseen={foreseenCourse(batch, r.program, Date.parse(now))}
            />
            {(working || batch.state === "strained" || batch.state === "bottled") && (
              <Tasting batch={batch} />
            )}
            <h2 className="ruled-head pt-2">Recipe</h2>
            <Recipe parts={recipeOf(batch, r)} />
            <SaidOfIt batch={batch} />
            <RecipeWays batch={batch} />
            <ItsKin {...kin} second={marc ? batch.id : undefined} />
            {marc && <KeepMarc marc={keptMarc(r.program, batch.code)} today={today} />}
            {working && <ItsStrip batch={batch} r={r} measures={measures} today={today} />}
            {working && <TakeBack batch={batch} />}
            {batch.state !== "undone" && <Pictures batch={batch} />}
            <h2 className="ruled-head pt-4">Journal</h2>
            <Unsent id={batch.id} />
            <Diary batch={batch} />
          </div>
          <aside className="min-w-0">
            <WhatItIs measures={measures} batch={batch} of={r.reckoning} />
            <ItsBottles measures={measures} batch={batch} reckoned={r} />
            <FromABottle batch={batch} reckoned={r} />
            {stage && (
              <div className="pt-4">
                <StageCautions cautions={cautionsAt(stage, r.cautions)} reasons={{}} given={batch.reasons} />
              </div>
            )}
            <Actions batch={batch} />
          </aside>
        </div>
      </div>
    </div>
  );
}
