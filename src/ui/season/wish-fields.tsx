import type { Fault } from "@/core/fault";
import { Field } from "../kit/field";
import { MONTH } from "./along";
import type { Typed } from "./typed-wish";

interface Props {
  readonly typed: Typed;
  readonly change: (to: Partial<Typed>) => void;
  readonly at: (...path: (string | number)[]) => Fault | undefined;
}

export function MonthSelect({
  label,
  is,
  set,
}: {
  label: string;
  is: number | undefined;
  set: (m: number | undefined) => void;
}) {
  return (
    <label className="block">
      <span className="quiet block">{label}</span>
      <select
        className="field"
        value={is ?? ""}
        onChange={(e) => set(e.target.value === "" ? undefined : Number(e.target.value))}
      >
        <option value="">month</option>
        {MONTH.map((m, i) => (
          <option key={m} value={i + 1}>
            {m}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Who takes it, how much, how often, in which months. */
export function UseFields({ typed, change, at }: Props) {
  const { uses } = typed;
  type One = Typed["uses"][number];
  const set = (i: number, to: Partial<One>): void =>
    change({ uses: uses.map((u, k) => (k === i ? { ...u, ...to } : u)) });
  return (
    <fieldset className="grid gap-3 min-w-0">
      <legend className="font-bold">Taken</legend>
      {uses.length === 0 && <p className="quiet">Nothing is said of it: what was poured is learned from.</p>}
      {uses.map((u, i) => (
        <div key={i} className="flex flex-wrap items-end gap-x-4 gap-y-2 border-b border-rule pb-3">
          <Field id={`season-people-${i}`} label="for how many" fault={at("uses", i, "people")}>
            {(tied) => (
              <input
                {...tied}
                className="field w-20"
                inputMode="numeric"
                value={u.people}
                onChange={(e) => set(i, { people: e.target.value })}
              />
            )}
          </Field>
          <Field
            id={`season-much-${i}`}
            label="how much at a time"
            fault={at("uses", i, "ml") ?? at("uses", i, "said")}
          >
            {(tied) => (
              <input
                {...tied}
                className="field w-40"
                maxLength={60}
                value={u.said}
                onChange={(e) => set(i, { said: e.target.value })}
              />
            )}
          </Field>
          <Field id={`season-times-${i}`} label="times a day" fault={at("uses", i, "times")}>
            {(tied) => (
              <input
                {...tied}
                className="field w-24"
                inputMode="decimal"
                value={u.times}
                onChange={(e) => set(i, { times: e.target.value })}
              />
            )}
          </Field>
          <MonthSelect label="from" is={u.from} set={(from) => set(i, { from })} />
          <MonthSelect label="to" is={u.to} set={(to) => set(i, { to })} />
          {at("uses", i, "months") && (
            <p role="alert" className="wrong">
              {at("uses", i, "months")!.message}
            </p>
          )}
          <button
            type="button"
            className="plain min-h-11"
            aria-label={`Take away what use ${i + 1} says`}
            onClick={() => change({ uses: uses.filter((_, k) => k !== i) })}
          >
            take away
          </button>
        </div>
      ))}
      <button
        type="button"
        className="plain min-h-11 justify-self-start"
        onClick={() => change({ uses: [...uses, { people: "", said: "", times: "1", from: 1, to: 12 }] })}
      >
        add who takes it
      </button>
    </fieldset>
  );
}

/** What is given away of it, and by when. */
export function GiftFields({ typed, change, at }: Props) {
  const { gifts } = typed;
  type One = Typed["gifts"][number];
  const set = (i: number, to: Partial<One>): void =>
    change({ gifts: gifts.map((g, k) => (k === i ? { ...g, ...to } : g)) });
  return (
    <fieldset className="grid gap-3 min-w-0">
      <legend className="font-bold">Given away</legend>
      {gifts.map((g, i) => (
        <div key={i} className="flex flex-wrap items-end gap-x-4 gap-y-2 border-b border-rule pb-3">
          <Field id={`season-count-${i}`} label="how many" fault={at("gifts", i, "count")}>
            {(tied) => (
              <input
                {...tied}
                className="field w-20"
                inputMode="numeric"
                value={g.count}
                onChange={(e) => set(i, { count: e.target.value })}
              />
            )}
          </Field>
          <Field
            id={`season-size-${i}`}
            label="how large each"
            fault={at("gifts", i, "ml") ?? at("gifts", i, "said")}
          >
            {(tied) => (
              <input
                {...tied}
                className="field w-40"
                maxLength={60}
                value={g.said}
                onChange={(e) => set(i, { said: e.target.value })}
              />
            )}
          </Field>
          <Field id={`season-day-${i}`} label="by" fault={at("gifts", i, "day")}>
            {(tied) => (
              <input
                {...tied}
                type="date"
                className="field"
                value={g.day}
                onChange={(e) => set(i, { day: e.target.value })}
              />
            )}
          </Field>
          <button
            type="button"
            className="plain min-h-11"
            aria-label={`Take away gift ${i + 1}`}
            onClick={() => change({ gifts: gifts.filter((_, k) => k !== i) })}
          >
            take away
          </button>
        </div>
      ))}
      <button
        type="button"
        className="plain min-h-11 justify-self-start"
        onClick={() => change({ gifts: [...gifts, { day: "", count: "", said: "" }] })}
      >
        add gifts
      </button>
    </fieldset>
  );
}
