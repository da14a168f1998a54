"use client";
import type { Batch } from "@/core/journal/fold";
import { marcGrams } from "@/core/journal/marc";
import { reckonMade } from "@/core/journal/reckon";
import { beforeFinish } from "@/core/reckoning/in-the-pot";
import { whereItWent } from "@/core/reckoning/went";
import { ClothFigure } from "../../figures/cloth";
import { JugFigure, type JugLayer } from "../../figures/jug";
import { jugSystem } from "../../figures/jug-frame";
import { substanceOf } from "../../figures/substance";
import { type Shares, useTall } from "../../kit/tall";
import { useUnits } from "../../kit/units";
import { levelWords } from "./jug-words";
import { nameIn } from "./lines";
import type { Finishing } from "./use-finishing";

/** A jug with room for half as much again does not change under the hand for what is usually poured in. */
const ROOM = 1.5;

const TALL: Shares = [0.42, 0.66, 0.54];

/** The cloth with what it keeps, and the jug filling level by level. */
export function FinishDrawn({ f, batch }: { f: Finishing; batch: Batch }) {
  const units = useUnits();
  const tall = useTall(TALL);
  const { got } = f;
  if (!got) return null;
  const strained = beforeFinish(got.program).ml;
  const isReduced = strained < 0.98 * got.reckoning.strained.ml.value;
  const before = reckonMade(batch, { ...batch.making, strained: undefined, finished: [] });
  // What was likely is said of the cloth; what was boiled down since is another volume.
  const band = before.ok && !isReduced ? before.value.reckoning.strained.ml : undefined;
  const went = whereItWent(got.program, got.reckoning, marcGrams(batch));
  const how = batch.making.strained?.how ?? "wrung";
  const words = levelWords(units, [strained, ...f.levels]);
  const layers: JugLayer[] = [
    {
      toMl: strained,
      substance: "decoction",
      figure: words(strained),
      words: isReduced ? "from the cloth, boiled down" : "from the cloth",
      more: band && `${units.volumeExact(band.low)} to`,
      rest: band && `${units.volumeExact(band.high)} likely`,
    },
    ...f.levels.map((toMl, i): JugLayer => {
      const line = f.inIt[i]!;
      const stuff = got.program.lines.find((l) => l.line.id === line.id)?.stuff;
      return {
        toMl,
        substance: stuff ? substanceOf(stuff) : "honey",
        figure: words(toMl),
        words: `${nameIn(f.catalogue, line.material)} to here`,
      };
    }),
  ];
  // The jug is chosen by what the dial may ask of it, so that it does not change under the hand.
  const holds = strained * ROOM;
  return (
    <div
      data-drawing=""
      className="grid grid-cols-1 gap-x-4 sm:max-lg:grid-cols-[10rem_minmax(0,1fr)] xl:grid-cols-[10rem_minmax(0,1fr)] items-end border-b-[6px] border-iron"
    >
      <div className="max-sm:hidden lg:max-xl:hidden pb-3">
        <ClothFigure title={`The cloth keeps about ${units.volumeExact(went.held + went.onCloth)}.`} />
        <p>
          the cloth keeps about {units.about(went.held + went.onCloth)}, {how}
          {went.wringMore && (
            <span className="block quiet">
              {went.wringMore.how}: about {units.volume(Math.round(went.wringMore.ml / 5) * 5)} more
            </span>
          )}
        </p>
      </div>
      <JugFigure
        layers={layers}
        foreseen={band}
        holds={Math.max(holds, f.levels.at(-1) ?? 0)}
        system={jugSystem(units)}
        title="The jug"
        tall={tall}
      />
    </div>
  );
}
