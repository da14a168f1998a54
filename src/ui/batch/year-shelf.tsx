import { printDay } from "@/core/day";
import type { BatchState } from "@/core/journal/fold";
import { KIND } from "@/core/plan/kinds";
import type { Kind } from "@/core/plan/plan";
import { VESSELS } from "@/core/vessel/catalogue";
import { heightAt } from "@/core/vessel/profile";
import type { Vessel } from "@/core/vessel/vessel";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import { type Shape, ShapeDefs, ShelfBottle } from "../figures/shelf-bottles";
import { VesselFigure } from "../figures/vessel";
import { BoardEnds } from "../kit/board-ends";
import Link from "../kit/link";
import type { Card } from "../shelf/card";

/** A batch as it stands in its year. */
export interface InYear {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly kind: Kind;
  readonly state: BatchState;
  readonly begun_day: string;
  readonly bottles: readonly { readonly vessel: string; readonly left: number; readonly open: boolean }[];
}

const STATE_WORDS: Readonly<Record<BatchState, string>> = {
  working: "working",
  strained: "strained",
  bottled: "bottled",
  discarded: "discarded",
  undone: "begun by accident",
};

/** Pixels for a centimetre, for jars and bottles alike; bottles of one batch that are drawn. */
const SCALE = 5.4;
const DRAWN = 4;

const shapeOf = (v: Vessel): Shape => ({
  id: `year-${v.id}`,
  profile: v.solid.profile,
  lid: v.lid,
  scale: SCALE,
});

/** Its bottles with what is left in each, the emptied and given away as glass alone. */
function Bottles({ of }: { of: InYear }) {
  const more = of.bottles.length - DRAWN;
  return (
    <>
      {of.bottles.slice(0, DRAWN).map((b, i) => {
        const v = VESSELS.get(b.vessel);
        if (!v) return null;
        const toCm = b.left > 0 ? heightAt(v.solid, Math.min(v.solid.brimMl, b.left)) : 0;
        return (
          <span key={i} className={i > 0 ? "-ml-1" : ""}>
            <ShelfBottle of={shapeOf(v)} toCm={toCm} substance={SUBSTANCE_OF[of.kind]} />
          </span>
        );
      })}
      {more > 0 && <span className="quiet pb-2 pl-1">+ {more}</span>}
    </>
  );
}

/** What stands over a batch’s words: its jar as it works, its bottles after; nothing of what was thrown out. */
function Stands({ of, card }: { of: InYear; card: Card | undefined }) {
  if (card)
    return <VesselFigure profile={card.profile} layers={card.layers} lid={card.lid} scale={SCALE} title="" />;
  return <Bottles of={of} />;
}

/** The batches of a year on their shelves: a jar that works at today’s levels, bottles with what is left in them. */
export function YearShelf({ rows, cards }: { rows: readonly InYear[]; cards: readonly Card[] }) {
  const vessels = [...new Set(rows.flatMap((b) => b.bottles.slice(0, DRAWN).map((x) => x.vessel)))];
  const shapes = vessels.flatMap((id) => {
    const v = VESSELS.get(id);
    return v ? [shapeOf(v)] : [];
  });
  return (
    <>
      <li aria-hidden="true" className="contents">
        <ShapeDefs shapes={shapes} />
      </li>
      {rows.map((b) => (
        <li key={b.id} className="min-w-0 text-center">
          <span
            className="flex items-end justify-center h-[10.5rem] px-1 border-b-[7px] border-iron"
            aria-hidden="true"
          >
            <Stands of={b} card={cards.find((c) => c.id === b.id)} />
          </span>
          <label className="inline-flex items-center justify-center gap-2 min-h-11 px-2 cursor-pointer">
            <input
              type="checkbox"
              name="b"
              value={b.id}
              aria-label={`Compare ${b.code}`}
              className="w-6 h-6 accent-cobalt"
            />
            <span className="stencil text-lg" aria-hidden="true">
              {b.code}
            </span>
          </label>
          <p className="px-2 leading-snug">
            <Link href={`/batch/${b.id}`} className="block min-h-11 break-words">
              {b.name}
            </Link>
          </p>
          <p className="text-ash px-1">
            {KIND[b.kind].name}, {printDay(b.begun_day, "short", b.begun_day)}
          </p>
          <p className={b.state === "working" ? "font-bold" : ""}>{STATE_WORDS[b.state]}</p>
        </li>
      ))}
      <BoardEnds of={rows.length} className="h-[10.5rem] border-b-[7px] border-iron" />
    </>
  );
}
