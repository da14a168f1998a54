import Link from "../kit/link";
import { VesselFigure } from "../figures/vessel";
import type { Card } from "./card";
import { boardOf } from "./scale";

/** The working vessels, all at one scale, standing on shelves. */
export function Shelves({ cards }: { cards: readonly Card[] }) {
  const { scale, height } = boardOf(cards);
  return (
    <ul
      data-drawing=""
      className="max-md:flex max-md:overflow-x-auto max-md:snap-x grid gap-y-5 md:grid-cols-3 xl:grid-cols-5"
    >
      {cards.map((c) => (
        <li key={c.id} className="min-w-0 max-md:w-[11rem] max-md:shrink-0 max-md:snap-start">
          <Link href={`/batch/${c.id}`} className="group no-underline text-iron flex flex-col items-center">
            <span
              aria-hidden="true"
              className="flex items-end justify-center max-w-full px-1 -mb-[7px]"
              style={{ height }}
            >
              <VesselFigure
                profile={c.profile}
                layers={c.layers}
                lid={c.lid}
                scale={scale}
                title={`${c.size}, ${c.name}`}
              />
            </span>
            <span className="block w-full border-b-8 border-iron" aria-hidden="true" />
            <span className="stencil text-lg pt-1.5 group-hover:underline">{c.code}</span>
            <span className="text-center px-2 break-words max-w-full leading-snug">{c.name}</span>
            <span className="text-ash text-center">{c.days}</span>
            <span className={`font-bold text-center ${c.urgent ? "text-rust" : ""}`}>{c.next}</span>
          </Link>
        </li>
      ))}
      {Array.from({ length: (5 - (cards.length % 5)) % 5 }, (_, i) => (
        <li key={`bare-${i}`} aria-hidden="true" className="hidden xl:block">
          <span className="block -mb-[7px]" style={{ height }} />
          <span className="block w-full h-2 bg-iron" />
        </li>
      ))}
    </ul>
  );
}
