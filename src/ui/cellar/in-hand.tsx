"use client";
import { useToday } from "../kit/when";
import Link from "../kit/link";
import { type Day, daysBetween, printDay } from "@/core/day";
import type { BottleEntry } from "@/core/cellar/bottle";
import { TEASPOON_ML } from "@/core/quantity/units";
import type { Place } from "@/core/stores/settings";
import { counted } from "@/core/words";
import { Refusal } from "../batch/refusal";
import { type InHand, bottleWords } from "./bottle-words";
import { useUnits } from "../kit/units";
import { Touches } from "./touches";
import { CourseOf } from "./course";
import { useBottleHere } from "./here";
import { useBottle } from "./use-bottle";

/** Its days, how it is taken, and how much of it is left. */
function Facts({ hand: p, today }: { hand: InHand; today: Day }) {
  const { bottle } = p;
  const left = daysBetween(today, p.bestBy);
  const units = useUnits();
  const spoonMl = TEASPOON_ML[units.household];
  return (
    <div className="min-w-0 pb-2">
      <p>made {printDay(p.made, "year")}</p>
      {bottle.openedDay && <p>opened {printDay(bottle.openedDay, "year")}</p>}
      {bottle.state === "kept" && (
        <p className={left < 0 ? "text-rust font-bold" : "font-bold"}>
          {left < 0 ? "past" : "best by"} {printDay(p.bestBy, "year")}
        </p>
      )}
      {p.taken && <p className="pt-2">{p.taken}</p>}
      <p className="text-[1.75rem] font-bold text-cobalt pt-3 leading-tight">{units.volume(bottle.leftMl)}</p>
      <p className="quiet">
        {counted(Math.floor(bottle.leftMl / spoonMl), "spoon")}
        {units.household === "us" ? "" : ` of ${units.volumeExact(spoonMl)}`}
      </p>
    </div>
  );
}

/** Opened, and standing where an opened one does not keep: what it wants, at one touch, and the day it has there. */
function WantsFridge({
  p,
  w,
  places,
}: {
  p: InHand;
  w: ReturnType<typeof useBottle>;
  places: readonly Place[];
}) {
  const today = useToday();
  const fridge = places.find((x) => x.class === "fridge");
  if (!p.inFridgeBy || p.bottle.state !== "kept" || !fridge) return null;
  return (
    <p className="border-l-[6px] border-cobalt pl-3.5 py-1 mb-3">
      <strong>Opened, it wants the fridge:</strong> there it is good until{" "}
      {printDay(p.inFridgeBy, "long", today)}.{" "}
      <button
        type="button"
        className="plain min-h-11"
        disabled={w.sending}
        onClick={() => void w.write("moved", { place: fridge.class, at: fridge.id })}
      >
        it stands in the {fridge.name} now
      </button>
    </p>
  );
}

/** What became of a bottle that is not here any more. */
function WhatBecame({ bottle }: { bottle: InHand["bottle"] }) {
  const today = useToday();
  if (bottle.state === "kept") return null;
  const words = { given: `Given to ${bottle.goneWords}`, emptied: "Emptied", discarded: "Thrown out" };
  return (
    <p className="font-semibold">
      {words[bottle.state]}
      {bottle.goneDay ? `, ${printDay(bottle.goneDay, "long", today)}.` : "."}
    </p>
  );
}

/** The batch a pour went into: it is that batch's to say, and is put right there. */
const intoOf = (e: BottleEntry): string | undefined => (e.body as { into?: string }).into;

/** Its journal, newest first, each entry with the way to take it back. */
function Journal({ bottle, w }: { bottle: InHand["bottle"]; w: ReturnType<typeof useBottle> }) {
  const today = useToday();
  return (
    <ol aria-label="Journal of the bottle" className="pt-3">
      {bottle.diary.toReversed().map((e) => (
        <li key={e.seq} className="py-1.5 border-t border-rule flex flex-wrap gap-x-3 items-baseline">
          <span className="text-ash w-16">{printDay(e.day, "short", today)}</span>
          <span className="min-w-0 grow break-words">
            {e.undone ? <del className="text-ash">{bottleWords(e)}</del> : bottleWords(e)}
            {e.by && <span className="text-ash"> On {e.by.name}.</span>}
          </span>
          {!e.undone && intoOf(e) !== undefined && (
            <span className="quiet min-h-11 inline-flex items-center">
              put right on the page of {intoOf(e)}
            </span>
          )}
          {!e.undone && intoOf(e) === undefined && (
            <button
              type="button"
              className="plain min-h-11"
              aria-label={`Take back: ${bottleWords(e)}`}
              disabled={w.sending}
              onClick={() => void w.write("corrected", { seq: e.seq, body: null })}
            >
              take back
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}

/** Entries whose own form says why they were refused. */
const SAID_BESIDE = ["poured", "given", "coursed"];

/** The bottle in the hand: its facts, its touches and its journal, each entry with the way to take it back. */
export function BottleInHand({
  hand,
  places,
  today,
  zone,
  figure,
}: {
  hand: InHand;
  places: readonly Place[];
  today: Day;
  zone: string;
  figure: React.ReactNode;
}) {
  const { bottle, unsent } = useBottleHere(hand.filled, hand.events, zone);
  const p = { ...hand, bottle };
  const w = useBottle(p);
  return (
    <section aria-label={`${p.code}·${bottle.number}`} className="min-w-0">
      <h2 className="text-[1.375rem] leading-tight">
        <Link href={`/batch/${p.batchId}`} className="stencil no-underline">
          {p.code}·{bottle.number}
        </Link>{" "}
        {p.name}
      </h2>
      <div className="flex gap-5 pt-3 items-end">
        <div aria-hidden="true">{figure}</div>
        <Facts hand={p} today={today} />
      </div>
      {unsent > 0 && (
        <p role="status" className="border-l-[6px] border-cobalt pl-3.5 py-1">
          {counted(unsent, "thing")} of it {unsent === 1 ? "is" : "are"} kept on this device. Its best-by is
          reckoned anew when the house answers; of one just opened it may be sooner.
        </p>
      )}
      <div className="pt-3">
        {bottle.state === "kept" && (
          <>
            <WantsFridge p={p} w={w} places={places} />
            <CourseOf p={p} w={w} today={today} />
            <Touches p={p} w={w} places={places} />
          </>
        )}
        <WhatBecame bottle={bottle} />
        {w.fault && !SAID_BESIDE.some((type) => w.refused(type)) && (
          <Refusal fault={w.fault} insist={w.insist} sending={w.sending} />
        )}
      </div>
      <Journal bottle={bottle} w={w} />
    </section>
  );
}
