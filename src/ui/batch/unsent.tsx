"use client";
import { useKept } from "../kit/kept";
import { letterWords } from "../kit/letter-words";

/** What was written of a batch on this device and is not in its journal yet. */
export function Unsent({ id }: { id: string }) {
  const { letters, awaited } = useKept();
  const own = letters.filter((l) => l.stream === id && l.state === "waiting" && !awaited.has(l.key));
  if (own.length === 0) return null;
  return (
    <section aria-label="Kept here, not sent yet" className="border-b border-rule py-2">
      <p className="quiet">kept on this device, and not in the house yet</p>
      <ol>
        {own.map((l) => (
          <li key={l.n}>{letterWords(l)}</li>
        ))}
      </ol>
    </section>
  );
}
