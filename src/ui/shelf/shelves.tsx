import Link from "next/link";
import { VesselFigure } from "../figures/vessel";
import type { Card } from "./card";

const SCALE = 11.5;

/** The working vessels, all at one scale, standing on shelves. */
export function Shelves({ cards }: { cards: readonly Card[] }) {
  return (
    <ul className="grid gap-y-8 grid-cols-2 sm:grid-cols-3 xl:grid-cols-5">
      {cards.map((c) => (
        <li key={c.id} className="min-w-0 flex flex-col justify-end">
          <Link href={`/batch/${c.id}`} className="group no-underline text-iron flex flex-col items-center" aria-label={`${c.code} ${c.name}, ${c.days}, ${c.next}`}>
            <span className="flex items-end justify-center h-[270px] max-w-full px-1 -mb-[7px] [&_svg]:max-h-[270px]"><VesselFigure profile={c.profile} layers={c.layers} lid={c.lid} scale={SCALE} title={`${c.size}, ${c.name}`} /></span>
            <span className="block w-full h-2 bg-iron" aria-hidden="true" />
            <span className="stencil text-lg pt-1.5 group-hover:underline">{c.code}</span>
            <span className="text-center px-2 break-words max-w-full leading-snug">{c.name}</span>
            <span className="text-ash">{c.days}</span>
            <span className={`font-bold ${c.urgent ? "text-rust" : ""}`}>{c.next}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
