import Link from "../kit/link";
import type { BookRow } from "@/core/formulary/recipe";
import { counted } from "@/core/words";

/** The names in the book; where there are more than can stand here, that is said, and they are found by typing. */
export function Book({
  rows,
  more,
  asked,
  here,
}: {
  rows: readonly BookRow[];
  /** How many stand in the book besides. */
  more: number;
  asked: string;
  here?: string;
}) {
  return (
    <nav aria-label="In the book">
      <h2 className="ruled-head">in the book</h2>
      {(more > 0 || asked !== "") && (
        <form action="/formulary" className="pt-2">
          <label htmlFor="book-find" className="quiet block">
            part of a name, or what is in it
          </label>
          <input
            id="book-find"
            name="q"
            type="search"
            className="field w-full"
            defaultValue={asked}
            maxLength={80}
          />
        </form>
      )}
      <ul className="pt-1">
        {rows.map((r) => (
          <li key={r.id}>
            <Link
              href={`/formulary/${r.id}`}
              aria-current={r.id === here ? "page" : undefined}
              className={`inline-flex items-center min-h-11 no-underline hover:underline ${r.id === here ? "font-bold text-iron" : ""}`}
            >
              {r.name}
            </Link>
          </li>
        ))}
      </ul>
      {rows.length === 0 && asked !== "" && <p role="status">Nothing of that in the book.</p>}
      {more > 0 && <p className="quiet pt-1">and {counted(more, "more", "more")}; type to find one</p>}
      {here !== undefined && (
        <p className="pt-2">
          <Link href="/formulary" className="inline-flex items-center min-h-11">
            write or paste one in
          </Link>
        </p>
      )}
    </nav>
  );
}
