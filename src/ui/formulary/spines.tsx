import type { BookRow } from "@/core/formulary/recipe";
import { KIND } from "@/core/plan/kinds";
import { counted } from "@/core/words";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import { fillOf } from "../figures/substance";
import Link from "../kit/link";

/** Px: a spine’s height, its width with nothing made of it, and what each batch adds, up to so many. */
const [TALL, THIN, EACH, MOST] = [236, 52, 5, 8];
/** Px at a spine’s foot for its pattern. */
const FOOT = 46;
/** Heights differ a little from book to book, as they do on a board; always the same for the same name. */
const tallOf = (name: string): number => TALL - ([...name].reduce((n, c) => n + c.charCodeAt(0), 0) % 4) * 9;

/** What is said of a recipe besides its name. */
const saysOf = (r: BookRow): string =>
  [
    KIND[r.kind].name,
    r.versions > 1 ? counted(r.versions, "way", "ways") : "",
    r.batches > 0 ? counted(r.batches, "batch", "batches") : "",
  ]
    .filter((x) => x !== "")
    .join(", ");

/** A recipe as a spine: as thick as much was made of it, its foot in the pattern of what it is; a thread for each way it was had. */
function Spine({ r }: { r: BookRow }) {
  const threads = Math.min(r.versions, 5);
  return (
    <li className="border-b-[7px] border-iron flex items-end px-[1px]">
      <Link
        href={`/formulary/${r.id}`}
        aria-label={`${r.name}: ${saysOf(r)}`}
        title={saysOf(r)}
        className="group relative block bg-glaze border-2 border-b-0 border-iron no-underline text-iron hover:bg-paper"
        style={{ height: tallOf(r.name), minWidth: THIN + EACH * Math.min(r.batches, MOST) }}
      >
        <span
          className="block mx-auto pt-3 pb-1 leading-tight font-semibold text-left [writing-mode:vertical-rl] [text-orientation:sideways] group-hover:underline [overflow-wrap:anywhere]"
          style={{ height: tallOf(r.name) - FOOT }}
        >
          {r.name}
        </span>
        <svg className="absolute inset-x-0 bottom-0 w-full" height="40" aria-hidden="true">
          <rect
            x="0"
            y="14"
            width="100%"
            height="20"
            fill={fillOf(SUBSTANCE_OF[r.kind])}
            stroke="var(--color-iron)"
          />
          {Array.from({ length: threads - 1 }, (_, i) => (
            <rect key={i} x="0" y={2 + i * 4} width="100%" height="1.5" fill="var(--color-cobalt)" />
          ))}
        </svg>
      </Link>
    </li>
  );
}

/** The book as spines on boards; the board goes on to the end of the row. */
export function Spines({ rows, more }: { rows: readonly BookRow[]; more: number }) {
  return (
    <div data-drawing="">
      <ul className="flex flex-wrap gap-y-4">
        {rows.map((r) => (
          <Spine key={r.id} r={r} />
        ))}
        <li aria-hidden="true" className="grow border-b-[7px] border-iron" />
      </ul>
      {more > 0 && <p className="quiet py-2">and {more} more; type to find one</p>}
    </div>
  );
}
