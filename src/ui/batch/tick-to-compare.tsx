"use client";
import { useState } from "react";

const LEAST = 2;
const MOST = 4;

/** A list whose ticked batches are set side by side; a plain form, so that the address holds what is compared. */
export function TickToCompare({ many, children }: { many: boolean; children: React.ReactNode }) {
  const [ticked, setTicked] = useState(0);
  const wrong = ticked > MOST ? "Four stand side by side at most; take a tick away." : "";
  return (
    <form
      action="/compare"
      onChange={(e) => setTicked(new FormData(e.currentTarget).getAll("b").length)}
      onSubmit={(e) => (ticked < LEAST || ticked > MOST) && e.preventDefault()}
    >
      <ul
        data-drawing=""
        className="pt-3 grid gap-y-5 grid-cols-2 sm:grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))]"
      >
        {children}
      </ul>
      {many && (
        <p className="flex flex-wrap items-center gap-x-5 pt-3">
          <button type="submit" className="slab" disabled={ticked < LEAST || ticked > MOST}>
            Side by side
          </button>
          <span role="status" className={wrong ? "wrong" : "quiet"}>
            {wrong || (ticked < LEAST ? "Tick two to four to set them side by side." : `${ticked} ticked.`)}
          </span>
        </p>
      )}
    </form>
  );
}
