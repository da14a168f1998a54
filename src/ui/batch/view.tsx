import { Told } from "../kit/told";
import type { Measures } from "@/core/reading/measures";
import { filledOf } from "@/core/cellar/bottle";
import Link from "../kit/link";
import type { Window } from "@/core/care/care";
import { type Day, addDays, printDay } from "@/core/day";
import type { Change } from "@/core/journal/changes";
import type { CameFrom } from "@/core/journal/events";
import type { Batch } from "@/core/journal/fold";
import type { BatchReckoning } from "@/core/journal/reckon";
import { heldBy } from "@/core/label/held";
import { contentsOf } from "@/core/label/label";
import { TallVessel } from "../figures/tall-vessel";
import type { Shares } from "../kit/tall";
import { IntoTheBook } from "../formulary/into-the-book";
import { verdictHead } from "../plan/verdict-words";
import { Why } from "../plan/why";
import { type cardOf, plannedLayers } from "../shelf/card";

/** What is to be known of a batch before anything else: that it ended, and what was put right of it last. */
export function BatchNotices({
  batch,
  changes,
  today,
}: {
  batch: Batch;
  changes: readonly Change[];
  today: Day;
}) {
  return (
    <>
      {batch.state === "discarded" && (
        <p className="text-rust font-bold pt-2">
          Discarded {printDay(batch.discardedDay!, "long", today)}: {batch.discardedWhy}
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
          A correction of entry {u.seq} does not read as one, and is passed over: <Told of={u.message} />. Put
          that entry right in the journal below.
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
    </>
  );
}

const TALL: Shares = [0.5, 0.78, 0.74];

/** The vessel it stands in, as full as it is; where it was planned otherwise, those levels dashed. */
export function StandsIn({
  batch,
  card,
  program,
}: {
  batch: Batch;
  card: ReturnType<typeof cardOf>;
  program: BatchReckoning["program"];
}) {
  const stands = batch.state === "working" || batch.state === "strained";
  const planned = batch.state === "working" ? plannedLayers(batch) : [];
  return (
    <div className="text-center">
      {card && (
        <figure>
          <div data-drawing="" className="border-b-[6px] border-iron">
            <TallVessel
              share={TALL}
              profile={card.profile}
              layers={stands ? card.layers : []}
              ghost={
                planned.length > 0 ? { profile: card.profile, cms: planned.map((l) => l.toCm) } : undefined
              }
              lid={card.lid}
              title={`${card.size}, ${batch.name}${planned.length > 0 ? ", today; dashed, as planned" : ""}`}
            />
          </div>
          {planned.length > 0 && <figcaption className="quiet">today; dashed, as planned</figcaption>}
        </figure>
      )}
      <p className="stencil text-xl pt-1">{card?.size}</p>
      <p className="quiet">{contentsOf(program)}</p>
    </div>
  );
}

/** What is next, large; where nothing is, until when it rests. */
export function NextThing({
  batch,
  next,
  making,
  window: w,
  today,
}: {
  batch: Batch;
  /** The page it is done on, and the words of its button. */
  next: readonly [string, string] | undefined;
  making: boolean;
  window: Window | undefined;
  today: Day;
}) {
  const rests = !next && batch.state === "working" && w;
  return (
    <>
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
      {rests && (
        <p className="pb-4 text-[1.25rem]">
          Rests until <strong>{printDay(addDays(batch.begunDay, w.earliest), "long", today)}</strong>; best
          strained {printDay(addDays(batch.begunDay, w.best), "long", today)}.{" "}
          <Link href={`/batch/${batch.id}/strain`}>Strain it sooner</Link>
        </p>
      )}
    </>
  );
}

const STOOD: Readonly<Record<CameFrom, string>> = {
  made: "It stood here already when it was written down.",
  bought: "It was bought, and written down as it stood.",
  given: "It was given to us, and written down as it stood.",
};

/** The other jars of the same filling, a way to each. */
export function FilledAlike({ alike }: { alike: NonNullable<Batch["alike"]> }) {
  return (
    <>
      Jar {alike.nth} of {alike.batches.length}, filled alike:{" "}
      {alike.batches.map((id, i) =>
        i + 1 === alike.nth ? null : (
          <Link key={id} href={`/batch/${id}`} className="inline-flex items-center min-h-11 pr-3">
            jar {i + 1}
          </Link>
        ),
      )}
    </>
  );
}

/** What was said of it that is nobody else’s: what it is for, who told it, how it came. */
export function SaidOfIt({ batch: { plan, stood, alike } }: { batch: Batch }) {
  if (!plan.purpose && !plan.toldBy && !stood && !alike) return null;
  return (
    <p className="pb-2">
      {alike && <FilledAlike alike={alike} />}
      {plan.purpose && <>For {plan.purpose}. </>}
      {plan.toldBy && <>Told by {plan.toldBy}. </>}
      {stood && STOOD[stood]}
    </p>
  );
}

/** What may be done with its recipe. */
export function RecipeWays({ batch }: { batch: Batch }) {
  const ways = [
    [`/batch/${batch.id}/recipe`, "print it"],
    [`/bench?again=${batch.id}`, "plan it again"],
    ...(batch.state === "working" || batch.state === "strained"
      ? [[`/batch/${batch.id}/label`, "label the jar"] as const]
      : []),
    ...(batch.state === "working" ? [[`/bench?right=${batch.id}`, "change the recipe"] as const] : []),
  ] as const;
  return (
    <p className="py-2 flex flex-wrap gap-x-5">
      {ways.map(([href, words]) => (
        <Link key={href} className="inline-flex items-center min-h-11" href={href}>
          {words}
        </Link>
      ))}
      <IntoTheBook batch={batch} />
    </p>
  );
}

/** How much it is or will be, where it keeps and how long, and why. */
export function WhatItIs({
  batch,
  of,
  measures: units,
}: {
  batch: Batch;
  of: BatchReckoning["reckoning"];
  measures: Measures;
}) {
  const { value, low, high } = of.finished.ml;
  const head = verdictHead(of.verdict);
  return (
    <>
      <h2 className="ruled-head">{batch.state === "bottled" ? "What it is" : "What it will be"}</h2>
      <p className="text-[1.75rem] font-bold pt-2 leading-tight">{units.volume(value)}</p>
      <p className="quiet">
        {units.volume(value) === units.volumeExact(value) ? "" : `${units.volumeExact(value)}, `}between{" "}
        {units.volumeExact(low)} and {units.volumeExact(high)}
      </p>
      <p className="text-[1.125rem] font-bold pt-2">
        {head.place} {head.life}
      </p>
      <Why of={of} />
    </>
  );
}

/** The bottles it went into, each a way to the cellar. */
export function ItsBottles({
  batch,
  reckoned,
  measures: units,
}: {
  batch: Batch;
  reckoned: BatchReckoning;
  measures: Measures;
}) {
  if (batch.bottles.length === 0) return null;
  const shortened =
    batch.verdict && batch.bottles.some((b) => heldBy(batch.verdict!, reckoned, b.place).shortened);
  return (
    <>
      <h2 className="ruled-head pt-5">Bottles</h2>
      {shortened && (
        <p className="font-semibold py-1">
          Today’s rules promise less than the labels say; the shorter holds.{" "}
          <Link href={`/batch/${batch.id}/label`}>Print new labels.</Link>
        </p>
      )}
      <ul>
        {filledOf(batch).map((f, i) => (
          <li key={f.id} className="border-b border-rule flex justify-between gap-3">
            <Link href={`/cellar?bottle=${f.id}`} className="inline-flex items-center min-h-11">
              {batch.code}·{f.number}, {batch.bottles[i]!.name}
            </Link>
            <span className="py-2.5">{units.volume(f.ml)} filled</span>
          </li>
        ))}
      </ul>
      <p>
        <Link href={`/recall?batch=${batch.id}`} className="inline-flex items-center min-h-11">
          where it went
        </Link>
      </p>
    </>
  );
}
