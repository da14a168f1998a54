"use client";
import type { RecipeLine, RecipePart } from "@/core/journal/recipe";
import { useUnits } from "../kit/units";
import { stepSentence } from "../plan/step-words";

/** What a line came to, beside what was typed: mL of what is poured, grams of the rest. */
function ComesTo({ line }: { line: RecipeLine }) {
  const units = useUnits();
  if (line.grams <= 0) return null;
  const poured = `${units.volumeExact(line.ml)}, ${units.massExact(line.grams)}`;
  return <span className="text-ash">{line.liquid ? poured : units.massExact(line.grams)}</span>;
}

/** A batch's recipe, in the order it is made: amounts as typed, grams beside. */
export function Recipe({ parts }: { parts: readonly RecipePart[] }) {
  return (
    <ol aria-label="Recipe">
      {parts.map((p) =>
        p.what === "step" ? (
          <li key={p.id} className="py-1.5">
            {stepSentence(p.step)}
            {p.step.words && <span className="block text-ash">{p.step.words}.</span>}
          </li>
        ) : (
          <li key={p.id}>
            <ul className="border-t border-rule">
              {p.lines.map((l) => (
                <li
                  key={l.id}
                  className="py-1.5 border-b border-rule grid grid-cols-[minmax(0,7.5rem)_minmax(0,1fr)_auto] gap-x-3"
                >
                  <span className="font-semibold break-words">{l.typed}</span>
                  <span className="min-w-0 break-words">
                    {l.name}
                    {l.how && <span className="text-ash">, {l.how}</span>}
                    {l.note && <span className="text-ash"> ({l.note})</span>}
                    {l.optional && <span className="text-ash"> if you like</span>}
                    {l.planned && <span className="text-ash">; {l.planned} was planned</span>}
                  </span>
                  <ComesTo line={l} />
                </li>
              ))}
            </ul>
          </li>
        ),
      )}
    </ol>
  );
}

/** The browser's own printing, of this page alone. */
export function PrintIt() {
  return (
    <button type="button" className="slab no-print" onClick={() => window.print()}>
      Print it
    </button>
  );
}
