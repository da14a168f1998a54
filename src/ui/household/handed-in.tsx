"use client";
import { printDay } from "@/core/day";
import { letterWords, pageOf } from "../kit/letter-words";
import Link from "../kit/link";
import { Told } from "../kit/told";
import { useToday } from "../kit/when";
import { useDoor } from "./use-door";

/** Something that a device wrote and could not send before it was sent away. */
export interface HandedLetter {
  readonly key: string;
  readonly by: string;
  readonly url: string;
  readonly stream: string;
  readonly body: Readonly<Record<string, unknown>>;
  readonly day: string;
}

/** What devices that were sent away had written: a keeper takes it in, one thing after the other, or lets it be. */
export function HandedIn({ letters }: { letters: readonly HandedLetter[] }) {
  const d = useDoor();
  const today = useToday();
  if (letters.length === 0) return null;
  return (
    <section aria-labelledby="handed-in" className="grid grid-cols-1 gap-3">
      <h2 id="handed-in" className="ruled-head">
        Left by devices that were sent away
      </h2>
      <ul>
        {letters.map((l) => (
          <li key={l.key} className="flex flex-wrap items-center gap-x-5 border-b border-rule">
            <span className="min-w-0 break-words">
              <strong>{l.by}</strong>, {printDay(l.day, "long", today)}:{" "}
              <Link href={pageOf(l)}>{letterWords(l)}</Link>
            </span>
            <button
              type="button"
              className="plain min-h-11"
              disabled={d.sending}
              onClick={() => void d.act({ do: "take-in", letter: l.key })}
            >
              take it in
            </button>
            <button
              type="button"
              className="plain min-h-11"
              disabled={d.sending}
              onClick={() => void d.act({ do: "let-be", letter: l.key })}
            >
              let it be
            </button>
          </li>
        ))}
      </ul>
      {d.fault && (
        <p role="alert" className="wrong">
          <Told of={d.fault.message} />
        </p>
      )}
    </section>
  );
}
