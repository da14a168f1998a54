"use client";
import { useState } from "react";
import { WEEKDAYS, WEEKDAY_WORDS } from "@/core/care/weeks";
import { type Fault, fault, isFault } from "@/core/fault";
import { monthsWords } from "@/core/material/months";
import type { FreshPlant, Told } from "@/core/season/told";
import { Terms } from "@/core/season/wish";
import { Field } from "../kit/field";
import { MonthSelect } from "./wish-fields";
import { useWriteSeason } from "./use-wish";

const FIELDS = [
  ["hoursWeek", "hours a week for it"],
  ["hoursDay", "hours on one day at the most"],
  ["fridgeL", "litres of room in the fridge"],
  ["freezerL", "litres in the ice box"],
] as const;
type Name = (typeof FIELDS)[number][0];

/** Hours, and litres of room. */
function Rooms({
  typed,
  set,
  wrong,
}: {
  typed: Readonly<Record<Name, string>>;
  set: (name: Name, to: string) => void;
  wrong: Fault | undefined;
}) {
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
      {FIELDS.map(([name, label]) => (
        <Field
          key={name}
          id={`season-${name}`}
          label={label}
          fault={wrong?.path[0] === name ? wrong : undefined}
        >
          {(tied) => (
            <input
              {...tied}
              className="field w-28"
              inputMode="decimal"
              value={typed[name]}
              onChange={(e) => set(name, e.target.value)}
            />
          )}
        </Field>
      ))}
    </div>
  );
}

function BeginDays({ begins, set }: { begins: Terms["begins"]; set: (to: Terms["begins"]) => void }) {
  return (
    <fieldset className="min-w-0">
      <legend className="quiet">days of the week for beginning; none chosen is any day</legend>
      <div className="flex flex-wrap gap-x-6">
        {WEEKDAYS.map((d) => (
          <label key={d} className="flex items-center gap-2 min-h-11 cursor-pointer">
            <input
              type="checkbox"
              className="w-6 h-6 accent-cobalt"
              checked={begins.includes(d)}
              onChange={() =>
                set(WEEKDAYS.filter((x) => (x === d ? !begins.includes(d) : begins.includes(x))))
              }
            />
            {WEEKDAY_WORDS[d]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** Fresh plants that are wanted, each once. */
const wantedFresh = (told: Told): readonly FreshPlant[] =>
  [...new Map(told.remedies.flatMap((r) => r.picks.map((p) => [p.material, p] as const))).values()].sort(
    (a, b) => a.name.localeCompare(b.name),
  );
type From = readonly [number | undefined, number | undefined];
const isSame = (a: From, b: From | undefined): boolean => b !== undefined && a[0] === b[0] && a[1] === b[1];

/** What is picked or bought fresh, and in which months here; the book's months are said where others are kept. */
function Picking({
  all,
  months,
  set,
  wrong,
}: {
  all: readonly FreshPlant[];
  months: (material: string) => From;
  set: (material: string, to: From) => void;
  wrong: Fault | undefined;
}) {
  if (all.length === 0) return null;
  return (
    <fieldset className="min-w-0 grid gap-2">
      <legend className="quiet">picked or bought fresh here</legend>
      {all.map((p) => {
        const [from, to] = months(p.material);
        const own = p.book && !isSame([from, to], p.book);
        return (
          <div key={p.material} role="group" aria-label={p.name} className="flex flex-wrap items-end gap-x-4">
            <span className="min-w-[9rem] min-h-11 inline-grid content-center">{p.name}</span>
            <MonthSelect label="from" is={from} set={(m) => set(p.material, [m, to])} />
            <MonthSelect label="to" is={to} set={(m) => set(p.material, [from, m])} />
            {own && (
              <button type="button" className="plain min-h-11" onClick={() => set(p.material, p.book!)}>
                as the book says, {monthsWords(p.book)}
              </button>
            )}
            {wrong?.path[1] === p.material && (
              <p role="alert" className="wrong basis-full">
                {wrong.message}
              </p>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}

/** The household's own months, where they are not the book's; those of plants nothing here wants now are left as they are. */
function pickedOf(
  terms: Terms,
  all: readonly FreshPlant[],
  months: (material: string) => From,
): Terms["picked"] | Fault {
  const rest = terms.picked.filter((x) => !all.some((p) => p.material === x.material));
  const own: Terms["picked"] = [];
  for (const p of all) {
    const [from, to] = months(p.material);
    if (from === undefined || to === undefined)
      return fault("NoMonth", `Choose from which month to which ${p.name} is had.`, ["picked", p.material]);
    if (!isSame([from, to], p.book ?? [1, 12])) own.push({ material: p.material, months: [from, to] });
  }
  return [...rest, ...own];
}

/** What the household can do, and when. */
export function TermsForm({ told, done }: { told: Told; done: () => void }) {
  const { terms } = told;
  const { write, sending, fault: refused } = useWriteSeason();
  const fresh = wantedFresh(told);
  const [changed, setChanged] = useState<Readonly<Record<string, From>>>({});
  const months = (material: string): From =>
    changed[material] ?? fresh.find((p) => p.material === material)!.months;
  // Only what this hand changed is its own: the rest is what the house knows by now, whoever said it.
  const [own, setOwn] = useState<Partial<Readonly<Record<Name, string>>>>({});
  const typed = Object.fromEntries(FIELDS.map(([n]) => [n, own[n] ?? String(terms[n])])) as Record<
    Name,
    string
  >;
  const [ownDays, setBegins] = useState<Terms["begins"] | undefined>();
  const begins = ownDays ?? terms.begins;
  const [wrong, setWrong] = useState<Fault | undefined>();
  const keep = async (): Promise<void> => {
    const number = (n: Name): number =>
      typed[n].trim() === "" ? NaN : Number(typed[n].trim().replace(",", "."));
    const picked = pickedOf(terms, fresh, months);
    if (isFault(picked)) return setWrong(picked);
    const is = Terms.safeParse({
      ...terms,
      begins,
      picked,
      ...Object.fromEntries(FIELDS.map(([n]) => [n, number(n)])),
    });
    if (!is.success) {
      const issue = is.error.issues[0]!;
      return setWrong(fault("NotTerms", issue.message, issue.path.map(String)));
    }
    if (await write("settled", { terms: is.data })) done();
  };
  return (
    <section aria-label="Room, hours and days" className="grid gap-4 border-y-2 border-iron py-4 my-3">
      <Rooms
        typed={typed}
        set={(name, to) => {
          setWrong(undefined);
          setOwn({ ...own, [name]: to });
        }}
        wrong={wrong}
      />
      <BeginDays begins={begins} set={setBegins} />
      <Picking
        all={fresh}
        months={months}
        set={(material, to) => {
          setWrong(undefined);
          setChanged({ ...changed, [material]: to });
        }}
        wrong={wrong}
      />
      <p className="quiet">Days for straining and days away are the household’s, and stand on its page.</p>
      {refused && (
        <p role="alert" className="wrong">
          {refused.message}
        </p>
      )}
      <div className="flex flex-wrap gap-4">
        <button type="button" className="slab" disabled={sending} onClick={() => void keep()}>
          keep these
        </button>
        <button type="button" className="plain min-h-11" onClick={done}>
          leave them
        </button>
      </div>
    </section>
  );
}
