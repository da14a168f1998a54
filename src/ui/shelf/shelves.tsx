import Link from "next/link";
import { VesselFigure } from "../figures/vessel";
import type { Card } from "./card";

const SCALE = 10;

/** The working vessels, all at one scale, standing on shelves. */
export function Shelves({ cards }: { cards: readonly Card[] }) {
  return (
    <ul className="grid gap-y-5 grid-cols-2 sm:grid-cols-3 xl:grid-cols-5">
      {cards.map((c) => (
        <li key={c.id} className="min-w-0">
          <Link href={`/batch/${c.id}`} className="group no-underline text-iron flex flex-col items-center">
            <span
              aria-hidden="true"
              className="flex items-end justify-center h-[225px] max-w-full px-1 -mb-[7px] [&_svg]:max-h-[225px]"
            >
              <VesselFigure
                profile={c.profile}
                layers={c.layers}
                lid={c.lid}
                scale={SCALE}
                title={`${c.size}, ${c.name}`}
              />
            </span>
            <span className="block w-full h-2 bg-iron" aria-hidden="true" />
            <span className="stencil text-lg pt-1.5 group-hover:underline">{c.code}</span>
            <span className="text-center px-2 break-words max-w-full leading-snug">{c.name}</span>
            <span className="text-ash">{c.days}</span>
            <span className={`font-bold text-center ${c.urgent ? "text-rust" : ""}`}>{c.next}</span>
          </Link>
        </li>
      ))}
      {Array.from({ length: (5 - (cards.length % 5)) % 5 }, (_, i) => (
        <li key={`bare-${i}`} aria-hidden="true" className="hidden xl:block">
          <span className="block h-[225px] -mb-[7px]" />
          <span className="block w-full h-2 bg-iron" />
        </li>
      ))}
    </ul>
  );
}
