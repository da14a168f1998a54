"use client";
import { useUnits } from "../kit/units";
import Link from "../kit/link";
import { type Day, daysBetween, printDay } from "@/core/day";
import type { Place } from "@/core/stores/settings";
import { VESSELS } from "@/core/vessel/catalogue";
import { heightAt } from "@/core/vessel/profile";
import type { CellarBottle } from "@/core/cellar/on-shelf";
import { type Shape, ShapeDefs, ShelfBottle } from "../figures/shelf-bottles";
import { VesselFigure } from "../figures/vessel";
import { PLACE_WORDS, SUBSTANCE_OF } from "./shelf-words";

/** Pixels for a centimetre: every bottle of the cellar at one true scale. */
const SCALE = 6;
const SOME_BOTTLE = VESSELS.get("b-250-swing")!;

/** A bottle drawn from its profile, filled to what is left; an opened one stands without its stopper. */
export function BottleFigure({
  bottle: b,
  scale,
  title,
}: {
  bottle: Pick<CellarBottle, "vessel" | "kind" | "left_ml" | "opened_day">;
  scale: number;
  title: string;
}) {
  const v = VESSELS.get(b.vessel) ?? SOME_BOTTLE;
  const toCm = heightAt(v.solid, Math.min(v.solid.brimMl, b.left_ml));
  return (
    <VesselFigure
      profile={v.solid.profile}
      layers={b.left_ml > 0 ? [{ fromCm: 0, toCm, substance: SUBSTANCE_OF[b.kind] }] : []}
      lid={b.opened_day ? "off" : v.lid}
      scale={scale}
      title={title}
    />
  );
}

/** The shape a bottle stands in: its vessel, with its stopper or without. */
function shapeOf(b: Pick<CellarBottle, "vessel" | "opened_day">): Shape {
  const v = VESSELS.get(b.vessel) ?? SOME_BOTTLE;
  const id = `shelf-${v.id}${b.opened_day ? "-open" : ""}`;
  return {
    id,
    profile: v.solid.profile,
    scale: SCALE,
    ...(b.opened_day ? { lid: "off", stopper: v.lid } : { lid: v.lid }),
  };
}

/** A bottle on its shelf, at the height its liquid stands. */
function OnShelf({ bottle: b }: { bottle: CellarBottle }) {
  const { solid } = VESSELS.get(b.vessel) ?? SOME_BOTTLE;
  const toCm = b.left_ml > 0 ? heightAt(solid, Math.min(solid.brimMl, b.left_ml)) : 0;
  return <ShelfBottle of={shapeOf(b)} toCm={toCm} substance={SUBSTANCE_OF[b.kind]} />;
}

interface Together {
  readonly key: string;
  readonly bottles: readonly CellarBottle[];
}

/** Bottles of one batch stand together, in the order they are to be used. */
function together(bottles: readonly CellarBottle[]): Together[] {
  const by = new Map<string, CellarBottle[]>();
  for (const b of bottles) by.set(b.batch_id, [...(by.get(b.batch_id) ?? []), b]);
  return [...by].map(([key, all]) => ({ key, bottles: all }));
}

function dayWords(
  bestBy: Day,
  today: Day,
): { readonly words: string; readonly past: boolean; readonly soon: boolean } {
  const left = daysBetween(today, bestBy);
  const day = printDay(bestBy, "long", today);
  return { words: `${left < 0 ? "past" : "by"} ${day}`, past: left < 0, soon: left >= 0 && left <= 21 };
}

/** What a place's bottles stand on. */
const boardOf = (place: CellarBottle["place"]): "cupboard" | "fridge" | "freezer" =>
  place === "fridge" || place === "freezer" ? place : "cupboard";

function Group({ of, today, picked }: { of: Together; today: Day; picked: string | undefined }) {
  const units = useUnits();
  const first = of.bottles[0]!;
  const day = dayWords(first.best_by, today);
  return (
    <li className="flex flex-col items-center max-w-full">
      <ul
        className={`flex flex-wrap items-end justify-center gap-x-1.5 min-h-[12.5rem] md:min-h-[14.5rem] lg:min-h-[16rem] xl:min-h-[18rem] 2xl:min-h-[28rem] board board-${boardOf(first.place)} px-2 w-full md:[&_svg]:[zoom:1.15] lg:[&_svg]:[zoom:1.3] xl:[&_svg]:[zoom:1.45] 2xl:[&_svg]:[zoom:2.4]`}
      >
        {of.bottles.map((b) => (
          <li key={b.id}>
            <Link
              href={`/cellar?bottle=${b.id}`}
              aria-label={`${b.code}·${b.number}, ${b.name}, ${units.volume(b.left_ml)}, ${dayWords(b.best_by, today).words}${b.opened_day ? ", open" : ""}`}
              aria-current={b.id === picked ? "true" : undefined}
              className={`block px-1 pt-1 -mb-1 min-w-11 ${b.id === picked ? "bg-glaze" : ""}`}
            >
              <span aria-hidden="true" className="flex justify-center">
                <OnShelf bottle={b} />
              </span>
            </Link>
          </li>
        ))}
      </ul>
      <p className={`stencil pt-1 ${day.past ? "text-rust" : "text-cobalt"}`}>{first.code}</p>
      <p className="text-center leading-tight max-w-[11rem] px-2.5 break-words">{first.name}</p>
      <p
        className={`${day.past ? "text-rust font-bold" : ""} ${day.soon ? "font-bold" : ""} ${day.past || day.soon ? "" : "text-ash"}`}
      >
        {day.words}
      </p>
      {of.bottles.some((b) => b.shortened) && (
        <Link href={`/batch/${first.batch_id}/label`} className="text-center leading-tight max-w-[11rem]">
          sooner than its label; print a new one
        </Link>
      )}
    </li>
  );
}

/** The cellar's shelves, a place each, the first to use at the left. */
export function CellarShelves({
  bottles,
  places,
  today,
  picked,
}: {
  bottles: readonly CellarBottle[];
  places: readonly Place[];
  today: Day;
  picked: string | undefined;
}) {
  const nameOf = (b: CellarBottle): string =>
    places.find((p) => p.id === b.at)?.name ??
    places.find((p) => p.class === b.place)?.name ??
    PLACE_WORDS[b.place];
  const by = new Map<string, CellarBottle[]>();
  for (const b of bottles) by.set(nameOf(b), [...(by.get(nameOf(b)) ?? []), b]);
  const shapes = new Map(bottles.map((b) => [shapeOf(b).id, shapeOf(b)]));
  return (
    <div data-drawing="" className="flex flex-wrap items-start gap-x-12">
      <ShapeDefs shapes={[...shapes.values()]} />
      {[...by].map(([place, here]) => (
        <section key={place} aria-label={place} className="pb-6 min-w-0 max-w-full">
          <h2 className="text-[1.125rem]">
            {place[0]!.toUpperCase() + place.slice(1)}
            <span className="quiet font-normal pl-3">use from the left</span>
          </h2>
          <ul className="flex flex-wrap items-start gap-y-5">
            {together(here).map((of) => (
              <Group key={of.key} of={of} today={today} picked={picked} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
