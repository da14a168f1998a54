"use client";
import { Told } from "../kit/told";
import Link from "../kit/link";
import type { RecalledBatch, RecalledBottle } from "@/core/cellar/recall";
import type { BatchState } from "@/core/journal/fold";
import { printDay } from "@/core/day";
import { counted, listed } from "@/core/words";
import { useUnits } from "../kit/units";
import { PLACE_WORDS } from "./shelf-words";

const STATE: Readonly<Record<BatchState, string>> = {
  working: "still works in its jar",
  strained: "strained, not yet bottled",
  bottled: "bottled",
  discarded: "discarded",
  undone: "taken back",
};

function becameOf(b: RecalledBottle, ml: (x: number) => string): string {
  const day = b.goneDay ? `, ${printDay(b.goneDay, "year")}` : "";
  switch (b.state) {
    case "kept":
      return `${PLACE_WORDS[b.place]}, ${ml(b.leftMl)} left`;
    case "given":
      return `given to ${b.goneWords ?? "someone"}${day}`;
    case "emptied":
      return `used up${day}`;
    case "discarded":
      return `thrown out${day}`;
  }
}

/** What is to be done, first: so many jars and bottles are here, and these people have some. */
export function StopUsing({ batches }: { batches: readonly RecalledBatch[] }) {
  const bottles = batches.flatMap((b) => b.bottles);
  const here = bottles.filter((b) => b.state === "kept").length;
  const jars = batches.filter((b) => b.state === "working" || b.state === "strained").length;
  const given = bottles.filter((b) => b.state === "given");
  const parts = [...(jars > 0 ? [counted(jars, "jar")] : []), ...(here > 0 ? [counted(here, "bottle")] : [])];
  if (batches.length === 0) return <p className="pt-4">Nothing was made of it yet.</p>;
  return (
    <section aria-label="Stop using these" className="border-l-[6px] border-rust pl-4 py-2 my-4">
      <h2>Should it be wrong, stop using these</h2>
      <p className="text-[1.125rem]">
        {parts.length > 0
          ? `${listed(parts)} of it ${jars + here === 1 ? "is" : "are"} here.`
          : "None of it is here any more."}
      </p>
      {given.length > 0 && (
        <p className="text-[1.125rem] font-semibold">
          Tell {listed([...new Set(given.map((b) => b.goneWords ?? "whoever was given a bottle"))])}:{" "}
          {counted(given.length, "bottle")} went there.
        </p>
      )}
      <button type="button" className="plain min-h-11 no-print" onClick={() => window.print()}>
        print this
      </button>
    </section>
  );
}

/** What is graver than any recall: somebody had some who never should. */
export function NeverForThem({ batches }: { batches: readonly RecalledBatch[] }) {
  const nevers = batches.flatMap((b) => b.nevers.map((n) => ({ ...n, code: b.code })));
  if (nevers.length === 0) return null;
  return (
    <ul aria-label="Never for them" className="pt-3">
      {nevers.map((n) => (
        <li
          key={`${n.code} ${n.who}`}
          className="border-l-[6px] border-rust pl-4 py-1 my-2"
          data-severity="never"
        >
          <p className="font-bold">
            {n.who} had some of {n.code}. <Told of={n.says} />
          </p>
          <p>Tell them today, and ask a doctor or a poison line what is to be done.</p>
        </li>
      ))}
    </ul>
  );
}

/** Every batch with its bottles, oldest first. */
export function RecallList({ batches }: { batches: readonly RecalledBatch[] }) {
  const units = useUnits();
  return (
    <ul>
      {batches.map((b) => (
        <li key={b.id} className="py-3 border-b border-rule">
          <p>
            <Link href={`/batch/${b.id}`} className="stencil">
              {b.code}
            </Link>{" "}
            <strong>{b.name}</strong>, begun {printDay(b.begun, "year")}, {STATE[b.state]}
            {b.from && b.from.length > 0 && `; made with ${listed(b.from)}`}
            {b.grams !== undefined && `; ${units.massExact(b.grams)} of it went in`}
          </p>
          <ul className="pl-6">
            {b.bottles.map((x) => (
              <li key={x.id} className="py-1 flex flex-wrap gap-x-4">
                <Link href={`/cellar?bottle=${x.id}`} className="inline-flex items-center min-h-8">
                  {b.code}·{x.number}
                </Link>
                <span
                  className={
                    x.state === "kept" || x.state === "given" ? "font-semibold py-1" : "text-ash py-1"
                  }
                >
                  {becameOf(x, units.volumeExact)}
                </span>
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}
