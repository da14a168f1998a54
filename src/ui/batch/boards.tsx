"use client";
import type { Kind } from "@/core/plan/plan";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import { lidHeight } from "../figures/vessel-frame";
import { JugFigure } from "../figures/jug";
import { besideJug, jugSize, jugSystem } from "../figures/jug-frame";
import { type Shares, useTall } from "../kit/tall";
import { useUnits } from "../kit/units";
import { useWidth } from "../kit/width";
import { VESSELS } from "@/core/vessel/catalogue";
import type { Vessel } from "@/core/vessel/vessel";
import { BottleFields, PLACES, type Row, StandingBottle } from "./one-bottle";

interface Props {
  readonly rows: readonly Row[];
  readonly have: number;
  readonly left: number;
  /** Which of them the server would not have. */
  readonly wrongAt: number | undefined;
  /** What of: mixed, it has the fill it has in the Cellar. */
  readonly kind: Kind;
  /** @param typed what is typed into, letter by letter */
  readonly change: (at: number, f: (row: Row) => Row, typed?: string) => void;
  readonly remove: (at: number) => void;
}

const PLACE_HEADS = { cupboard: "Cupboard", fridge: "Fridge", freezer: "Ice box" } as const;

const TALL: Shares = [0.5, 0.5, 0.5];
const tallOf = (v: Vessel): number => v.solid.brimCm + lidHeight(v.lid, v.solid.brimCm) + 0.6;
const wideOf = (v: Vessel): number => Math.max(...v.solid.profile.map(([, d]) => d)) + 0.8;

/** What is narrower than so many px has a bottle or two beside each other. */
const NARROW = 640;

/** One scale for the jug and every bottle: as large as the board is tall and the page wide, on two boards where it is narrow. */
function useScale(rows: readonly Row[], holds: number, width: number) {
  const tallPx = useTall(TALL);
  const size = jugSize(holds, jugSystem(useUnits()));
  const vessels = rows.map((r) => VESSELS.get(r.vessel)!);
  const tallest = Math.max(size.tall + 1.5, ...vessels.map(tallOf));
  const widths = [size.wide + 3, ...vessels.map(wideOf)];
  const all = widths.reduce((a, b) => a + b, 0);
  const narrow = width < NARROW;
  const beside = besideJug(narrow) + 24 * rows.length;
  const byWidth = narrow ? (width - besideJug(true)) / Math.max(...widths) : (width - beside) / all;
  return Math.max(
    narrow ? 5 : 7,
    Math.min(22, (narrow ? 0.62 * tallPx : tallPx) / tallest, Math.max(byWidth, narrow ? 0 : 9)),
  );
}

/** The jug that empties into the bottles, each on the board of its place, all to one scale. */
export function Boards({ rows, kind, have, left, wrongAt, change, remove }: Props) {
  const units = useUnits();
  const [ref, width] = useWidth<HTMLDivElement>(1000);
  const holds = Math.max(have, 60) * 1.1;
  const k = useScale(rows, holds, width);
  const size = jugSize(holds, jugSystem(units));
  const still = Math.max(0, left);
  // Every board at one height: what stands lower stands on the same shelf.
  const tall = k * Math.max(0, ...rows.map((r) => tallOf(VESSELS.get(r.vessel)!))) + 24;
  const filled = rows.map((row, at) => ({ row, at }));
  return (
    <div ref={ref} data-drawing="" className="flex flex-wrap items-start gap-x-6 gap-y-4 pt-2">
      <div
        className="max-w-full max-sm:order-last"
        style={{ width: size.wide * k + besideJug(width < NARROW) }}
      >
        <div className="board board-cupboard flex items-end" style={{ minHeight: tall }}>
          <JugFigure
            layers={
              still > 0.5
                ? [
                    {
                      toMl: still,
                      substance: SUBSTANCE_OF[kind],
                      figure: units.volumeExact(still),
                      words: "in the jug",
                    },
                  ]
                : []
            }
            foreseen={undefined}
            holds={holds}
            system={jugSystem(units)}
            scale={k}
            little={width < NARROW}
            title="The jug"
          />
        </div>
        <p className="font-bold pt-1">The table</p>
      </div>
      <ul aria-label="Bottles" className="contents">
        {PLACES.map(([place]) => {
          const here = filled.filter((x) => x.row.place === place);
          if (here.length === 0) return null;
          return (
            <li key={place} className="max-w-full grow">
              <ul aria-label={PLACE_HEADS[place]} className="flex flex-wrap">
                {here.map(({ row, at }) => (
                  <li key={row.id} className="grid grid-cols-[minmax(0,1fr)] grow content-start max-w-full">
                    <div
                      className={`board board-${place} px-2 flex items-end justify-center`}
                      style={{ minHeight: tall }}
                    >
                      <StandingBottle
                        {...{ row, left }}
                        nth={at}
                        change={(f) => change(at, f)}
                        scale={k}
                        of={SUBSTANCE_OF[kind]}
                      />
                    </div>
                    <div className="px-1 pt-1 max-w-[min(10.5rem,100%)] sm:max-w-[14rem] justify-self-center">
                      <BottleFields
                        {...{ row, left }}
                        nth={at}
                        wrong={wrongAt === at}
                        change={(f, typed) => change(at, f, typed)}
                        remove={() => remove(at)}
                      />
                    </div>
                  </li>
                ))}
              </ul>
              <p className="sr-only">{PLACE_HEADS[place]}</p>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
