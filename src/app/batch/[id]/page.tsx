import type { Metadata } from "next";
import Link from "next/link";
import type { Batch } from "@/core/journal/fold";
import { addDays, daysBetween, printDay } from "@/core/day";
import { dueOn } from "@/core/care/care";
import { contentsOf } from "@/core/label/label";
import { batchAsItStands } from "../../batch-page";
import { lastChanges } from "@/core/journal/changes";
import { recipeOf } from "@/core/journal/recipe";
import { CHANGE_WORDS } from "@/ui/plan/changes";
import { Recipe } from "@/ui/batch/recipe";
import { TakeBack } from "@/ui/batch/take-back";
import { Unsound } from "@/ui/batch/unsound";
import { Actions } from "@/ui/batch/actions";
import { Diary } from "@/ui/batch/diary";
import { cautionsAt } from "@/core/cautions/rules";
import type { Stage } from "@/core/cautions/caution";
import { StageCautions } from "@/ui/plan/cautions";
import { heldBy } from "@/core/label/held";
import { verdictHead, verdictWhy } from "@/ui/plan/verdict-words";
import { VesselFigure } from "@/ui/figures/vessel";
import { WindowBand } from "@/ui/figures/window-band";
import { cardOf, touchesOf } from "@/ui/shelf/card";
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

/** What is next, as the page it is done on and the words of its button. */
function nextStep(
  batch: Batch,
  { ripe, making }: { ripe: boolean; making: boolean },
): readonly [string, string] | undefined {
  switch (batch.state) {
    case "working":
      if (ripe) return ["strain", "Strain it"];
      return making ? ["make", "Make it, step by step"] : undefined;
    case "strained":
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

export default async function BatchView({ params }: { params: Promise<{ id: string }> }) {
  const { batch, events, reckoned, today } = await batchAsItStands(params);
  if (!reckoned.ok) return <Unsound batch={batch} faults={reckoned.faults} />;
  const r = reckoned.value;
  const changes = lastChanges(events, CHANGE_WORDS);
  const card = cardOf(batch, today);
  const w = r.care.window;
  const day = daysBetween(batch.begunDay, today);
  const due = batch.state === "working" ? dueOn(r.care, batch.begunDay, today, batch.done) : [];
  const head = verdictHead(r.reckoning.verdict);
  const shaken = batch.diary.filter((e) => e.type === "touched").map((e) => e.day);
  const making = batch.state === "working" && (!w || day <= 1);
  const stage = making ? "make" : STAGE_OF[batch.state];
  const next = nextStep(batch, { ripe: w !== undefined && day >= w.earliest, making });
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <p className="stencil text-2xl">{batch.code}</p>
        <h1>{batch.name}</h1>
        <p className="text-ash">
          {STATE[batch.state]}
          {batch.state === "working" && w ? `, day ${day} of ${w.best}` : ""}
        </p>
      </div>
      {batch.state === "discarded" && (
        <p className="text-rust font-bold pt-2">
          Discarded {printDay(batch.discardedDay!)}: {batch.discardedWhy}
        </p>
      )}
      {batch.state === "undone" && (
        <p className="pt-2">
          It was begun by accident and taken back; what it drew went back to the stores.{" "}
          <Link href={`/bench?again=${batch.id}`}>Set its plan on the Bench.</Link>
        </p>
      )}
      {batch.unreadable.map((u) => (
        <p key={u.seq} role="alert" className="wrong pt-2">
          A correction of entry {u.seq} does not read as one, and is passed over: {u.message}. Put that entry
          right in the journal below.
        </p>
      ))}
      {changes.length > 0 && (
        <p role="status" className="pt-2">
          Put right.{" "}
          {changes.map((c, i) => (
            <span key={c.what}>
              {i > 0 && "; "}
              {c.what}: <del className="text-ash">{c.was}</del> <strong>{c.is}</strong>
            </span>
          ))}
        </p>
      )}
      {w && batch.state === "working" && (
        <div className="max-w-4xl pt-3">
          <WindowBand begun={batch.begunDay} today={today} care={r.care} doneDays={shaken} />
        </div>
      )}
      <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[16rem_minmax(0,1fr)_22rem] pt-4">
        <div className="text-center">
          {card && (
            <VesselFigure
              profile={card.profile}
              layers={batch.state === "working" || batch.state === "strained" ? card.layers : []}
              lid={card.lid}
              scale={Math.min(17, 330 / ((r.program.vessel?.solid.brimCm ?? 20) + 2.5))}
              title={`${card.size}, ${batch.name}`}
            />
          )}
          <p className="stencil text-xl pt-1">{card?.size}</p>
          <p className="quiet">{contentsOf(r.program)}</p>
        </div>
        <div className="min-w-0">
          {next && (
            <p className="pb-4 flex flex-wrap items-center gap-5">
              <Link className="slab text-[1.25rem] min-h-14" href={`/batch/${batch.id}/${next[0]}`}>
                {next[1]}
              </Link>
              {making && !w && <Link href={`/batch/${batch.id}/strain`}>it is made: strain it</Link>}
              {batch.state === "strained" && next[0] === "finish" && (
                <Link href={`/batch/${batch.id}/bottle`}>bottle as it is</Link>
              )}
            </p>
          )}
          {(!next || next[0] === "make") && batch.state === "working" && w && (
            <p className="pb-4 text-[1.25rem]">
              Rests until <strong>{printDay(addDays(batch.begunDay, w.earliest))}</strong>; best strained{" "}
              {printDay(addDays(batch.begunDay, w.best))}.{" "}
              <Link href={`/batch/${batch.id}/strain`}>Strain it sooner</Link>
            </p>
          )}
          {due.length > 0 && card && (
            <section aria-label="Due today" className="border-t border-rule">
              <Today items={touchesOf([{ ...card, due, waits: undefined }])} />
            </section>
          )}
          <h2 className="ruled-head pt-2">Recipe</h2>
          <Recipe parts={recipeOf(batch, r)} />
          <p className="py-2 flex flex-wrap gap-x-5">
            <Link className="inline-flex items-center min-h-11" href={`/batch/${batch.id}/recipe`}>
              print it
            </Link>
            <Link className="inline-flex items-center min-h-11" href={`/bench?again=${batch.id}`}>
              plan it again
            </Link>
            {batch.state === "working" && (
              <Link className="inline-flex items-center min-h-11" href={`/bench?right=${batch.id}`}>
                put the plan right
              </Link>
            )}
          </p>
          {batch.state === "working" && <TakeBack batch={batch} />}
          <h2 className="ruled-head pt-4">Journal</h2>
          <Diary batch={batch} />
        </div>
        <aside className="min-w-0">
          <h2 className="ruled-head">{batch.state === "bottled" ? "What it is" : "What it will be"}</h2>
          <p className="text-[1.75rem] font-bold pt-2 leading-tight">
            {Math.round(r.reckoning.finished.ml.value)} mL
          </p>
          <p className="quiet">
            between {Math.round(r.reckoning.finished.ml.low)} and {Math.round(r.reckoning.finished.ml.high)}
          </p>
          <p className="text-[1.125rem] font-bold pt-2">
            {head.place} {head.life}
          </p>
          <ul className="pt-1">
            {verdictWhy(r.reckoning.verdict, r.reckoning).map((x) => (
              <li key={x}>{x}</li>
            ))}
          </ul>
          {batch.bottles.length > 0 && (
            <>
              <h2 className="ruled-head pt-5">Bottles</h2>
              {batch.verdict && batch.bottles.some((b) => heldBy(batch.verdict!, r, b.place).shortened) && (
                <p className="font-semibold py-1">
                  Today’s rules promise less than the labels say; the shorter holds.{" "}
                  <Link href={`/batch/${batch.id}/label`}>Print new labels.</Link>
                </p>
              )}
              <ul>
                {batch.bottles.map((b, i) => (
                  <li key={b.id} className="border-b border-rule flex justify-between gap-3">
                    <Link href={`/cellar?bottle=${b.id}`} className="inline-flex items-center min-h-11">
                      {batch.code}·{i + 1}, {b.name}
                    </Link>
                    <span className="py-2.5">{Math.round(b.ml)} mL filled</span>
                  </li>
                ))}
              </ul>
            </>
          )}
          {stage && (
            <div className="pt-4">
              <StageCautions cautions={cautionsAt(stage, r.cautions)} reasons={{}} given={batch.reasons} />
            </div>
          )}
          <Actions batch={batch} />
        </aside>
      </div>
    </div>
  );
}
