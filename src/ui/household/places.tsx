import type { CellarBottle } from "@/core/cellar/on-shelf";
import type { Place } from "@/core/stores/settings";
import { counted } from "@/core/words";
import Link from "../kit/link";
import { BottleFigure } from "../cellar/shelves";
import { PLACE_WORDS } from "../cellar/shelf-words";

/** Bottles drawn in a place; how many stand there is said. */
const DRAWN = 4;

/** The place a bottle stands in: its own, or the first of its kind. */
const placeOf = (b: CellarBottle, places: readonly Place[]): Place | undefined =>
  places.find((p) => p.id === b.at) ?? places.find((p) => p.class === b.place);

/** Where bottles may stand, each place on its own board with some of what is there. */
export function Places({ places, bottles }: { places: readonly Place[]; bottles: readonly CellarBottle[] }) {
  return (
    <ul
      data-drawing=""
      className="flex flex-wrap gap-x-4 sm:gap-x-8 gap-y-4"
      aria-label="Where bottles stand"
    >
      {places.map((p) => {
        const here = bottles.filter((b) => placeOf(b, places) === p);
        const board = p.class === "fridge" || p.class === "freezer" ? p.class : "cupboard";
        return (
          <li key={p.id} className="min-w-24 sm:min-w-32">
            <div className={`flex items-end gap-1 h-[9rem] board board-${board} px-2`} aria-hidden="true">
              {here.slice(0, DRAWN).map((b) => (
                <BottleFigure key={b.id} bottle={b} scale={4.2} title="" />
              ))}
            </div>
            <Link href="/cellar" className="inline-flex items-center min-h-11 font-semibold">
              {p.name}
            </Link>
            <p className="quiet">
              {p.name === PLACE_WORDS[p.class] ? "" : `${PLACE_WORDS[p.class]}, `}
              {counted(here.length, "bottle")}
            </p>
          </li>
        );
      })}
    </ul>
  );
}
