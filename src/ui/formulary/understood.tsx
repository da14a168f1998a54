"use client";
import { useState } from "react";
import type { Place } from "@/core/exchange/pasted/parts";
import type { Pasted, PastedRow } from "@/core/exchange/pasted/pasted";
import type { Plan } from "@/core/plan/plan";
import { MARK, Part, type PartProps, Sign } from "./understood-part";

/** The words of a row, those of the lit part in cobalt, those that were struck out so. */
function Words({ row, lit }: { row: PastedRow; lit: Place | undefined }) {
  const inside = lit && lit.to > row.from && lit.from < row.to ? lit : undefined;
  const struck = row.parts.some((p) => p.is === "struck" && p.from <= row.from && p.to >= row.to - 1);
  if (struck) return <s className="text-ash">{row.text}</s>;
  if (!inside) return <>{row.text}</>;
  const [a, b] = [Math.max(0, inside.from - row.from), Math.min(row.text.length, inside.to - row.from)];
  return (
    <>
      {row.text.slice(0, a)}
      <mark className="bg-cobalt-pale">{row.text.slice(a, b)}</mark>
      {row.text.slice(b)}
    </>
  );
}

/** One row: its words, and at the same height what each part of them came to; touching one lights the other. */
function Row({ row, find, ...p }: PartProps & { row: PastedRow; find: (at: Place) => void }) {
  const [lit, setLit] = useState<Place | undefined>();
  const light = (at: Place) => ({
    onPointerEnter: () => setLit(at),
    onPointerLeave: () => setLit(undefined),
    onFocus: () => setLit(at),
    onBlur: () => setLit(undefined),
    onClick: () => setLit(at),
  });
  const on = (at: Place): boolean => lit !== undefined && lit.from === at.from && lit.to === at.to;
  return (
    <li
      className={`border-b border-rule py-1 grid gap-x-6 md:grid-cols-2 ${lit && on(row) ? "bg-cobalt-pale/40" : ""}`}
    >
      <p className="min-w-0 break-words">
        <button
          type="button"
          className="text-left w-full min-h-11 md:min-h-0"
          title="change these words"
          {...light(row)}
          onClick={() => find(row)}
        >
          <Words row={row} lit={lit} />
        </button>
      </p>
      <div className="min-w-0">
        {row.parts.map((part, i) => (
          <div
            key={`${part.from}-${part.is}-${i}`}
            className={`flex gap-2 ${on(part) || (lit && on(row)) ? "bg-cobalt-pale/60" : ""}`}
            {...light(part)}
          >
            <Sign mark={MARK[part.is]} />
            <div className="min-w-0 break-words">
              <Part part={part} words={row.text.slice(part.from - row.from, part.to - row.from)} {...p} />
            </div>
          </div>
        ))}
      </div>
    </li>
  );
}

/** Each row of the text, and at one height beside it what was understood, asked about, or left. */
export function Understood({
  pasted,
  whole,
  find,
  ...p
}: PartProps & {
  pasted: Pasted;
  whole: Plan | undefined;
  /** Shows some words in the text itself. */
  find: (at: Place) => void;
}) {
  if (pasted.rows.length === 0)
    return (
      <p className="quiet pt-3">
        Paste a list or a page of prose, or drop a file on it. What it says is read line by line; nothing is
        dropped, and what is not understood asks.
      </p>
    );
  return (
    <>
      <h3 className="quiet pt-2">
        {whole ? "a whole plan, which says" : "line by line, what was understood"}
      </h3>
      <ul aria-label="What was understood" className="border-t border-rule">
        {pasted.rows.map((r) => (
          <Row key={r.from} row={r} find={find} {...p} />
        ))}
      </ul>
    </>
  );
}
