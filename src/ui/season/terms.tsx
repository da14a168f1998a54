"use client";
import { useState } from "react";
import { WEEKDAYS, WEEKDAY_WORDS } from "@/core/care/weeks";
import { type Fault, fault } from "@/core/fault";
import { Terms } from "@/core/season/wish";
import { Field } from "../kit/field";
import { useWriteSeason } from "./use-wish";

const FIELDS = [
  ["hoursWeek", "hours a week for it"],
  ["hoursDay", "hours on one day at the most"],
  ["fridgeL", "litres of room in the fridge"],
  ["freezerL", "litres in the ice box"],
] as const;
type Name = (typeof FIELDS)[number][0];

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

/** What the household can do, and when. */
export function TermsForm({ terms, done }: { terms: Terms; done: () => void }) {
  const { write, sending, fault: refused } = useWriteSeason();
  const [typed, setTyped] = useState<Readonly<Record<Name, string>>>(() => ({
    ...{ hoursWeek: String(terms.hoursWeek), hoursDay: String(terms.hoursDay) },
    ...{ fridgeL: String(terms.fridgeL), freezerL: String(terms.freezerL) },
  }));
  const [begins, setBegins] = useState(terms.begins);
  const [wrong, setWrong] = useState<Fault | undefined>();
  const keep = async (): Promise<void> => {
    const number = (n: Name): number =>
      typed[n].trim() === "" ? NaN : Number(typed[n].trim().replace(",", "."));
    const is = Terms.safeParse({
      ...terms,
      begins,
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
                onChange={(e) => {
                  setWrong(undefined);
                  setTyped({ ...typed, [name]: e.target.value });
                }}
              />
            )}
          </Field>
        ))}
      </div>
      <BeginDays begins={begins} set={setBegins} />
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
