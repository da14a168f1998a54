"use client";
import { X } from "lucide-react";
import { goesIn } from "@/core/advice/finish-dial";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import type { Line } from "@/core/plan/plan";
import type { ReckonedLine } from "@/core/reckoning/reckon";
import { AddLine } from "../../plan/add-line";
import { Wrong } from "../../kit/field";
import { useUnits } from "../../kit/units";
import type { Finishing } from "./use-finishing";

/** A line of what goes in after the straining, its amount open to change. */
function OneLine({
  line,
  name,
  found,
  wrong,
  dialled,
  dial,
  change,
  remove,
}: {
  line: Line;
  name: string;
  found: ReckonedLine | undefined;
  wrong: Fault | undefined;
  dialled: boolean;
  dial: () => void;
  change: (amount: string) => void;
  remove: () => void;
}) {
  const units = useUnits();
  const id = `finish-${line.id}-wrong`;
  return (
    <li className="border-b border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-4">
        <span className="grow">{name}</span>
        <input
          aria-label={`${name}: amount`}
          className="stitch text-right w-40 min-h-11"
          value={line.amount}
          maxLength={200}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong ? id : undefined}
          onChange={(e) => change(e.target.value)}
        />
        <span className="w-52 max-w-full text-right">
          {found ? `${units.volumeBoth(found.ml.value)}, ${units.massExact(found.grams.value)}` : ""}
        </span>
        {dialled ? (
          <span className="px-2 bg-glaze font-semibold">on the dial</span>
        ) : (
          <button type="button" aria-label={`Dial ${name}`} className="plain min-h-11 px-2" onClick={dial}>
            dial it
          </button>
        )}
        <button
          type="button"
          aria-label={`Take out ${name}`}
          className="min-w-11 min-h-11 inline-grid place-items-center text-ash hover:text-rust"
          onClick={remove}
        >
          <X size={20} />
        </button>
      </div>
      {wrong && <Wrong id={id} fault={wrong} put={change} />}
    </li>
  );
}

export const nameIn = (catalogue: Catalogue, id: string): string => catalogue.get(id)?.row.names[0] ?? id;

/** Into a measured liquid nothing goes by shares of a jar: a quarter of the liquid, until it is said. */
const intoLiquid = (amount: string): string => (/part|jar/.test(amount) ? "0.25 of liquid" : amount);

/** Everything that goes into the strained liquid, as typed, with a way to add to it. */
export function FinishLines({ f }: { f: Finishing }) {
  return (
    <section aria-label="What goes in" className="text-[1.125rem]">
      <h2 className="ruled-head">What goes into it</h2>
      <ul aria-label="What goes into the strained liquid">
        {f.lines.map((l) => (
          <OneLine
            key={l.id}
            line={l}
            name={nameIn(f.catalogue, l.material)}
            found={goesIn(l) ? f.got?.reckoning.lines.find((x) => x.id === l.id) : undefined}
            wrong={f.wrong.get(l.id)}
            dialled={f.dial?.line === l.id}
            dial={() => f.choose(l.id)}
            change={(amount) => f.amount(l.id, amount)}
            remove={() => f.put((was) => was.filter((x) => x.id !== l.id))}
          />
        ))}
      </ul>
      <AddLine
        context={f.context}
        example="2 tbsp lemon juice"
        add={(added) =>
          f.put((was) => [
            ...was,
            ...added.map((l) => ({
              ...l,
              id: crypto.randomUUID().slice(0, 8),
              amount: intoLiquid(l.amount),
            })),
          ])
        }
      />
    </section>
  );
}
