"use client";
import { useState } from "react";
import { printDay } from "@/core/day";
import { type Away, WEEKDAYS, WEEKDAY_WORDS, type Weekday } from "@/core/care/weeks";
import type { Settings } from "@/core/stores/settings";
import { Field } from "../kit/field";
import { Kept, useSettle } from "./use-settle";

type Said = Pick<Settings, "heightM" | "strainDays" | "away" | "morning">;

function StrainDays({ start }: { start: readonly Weekday[] }) {
  const { settle, sending, kept } = useSettle();
  const [days, setDays] = useState(start);
  const flip = (d: Weekday): void => {
    const next = days.includes(d)
      ? days.filter((x) => x !== d)
      : WEEKDAYS.filter((x) => x === d || days.includes(x));
    setDays(next);
    void settle({ strainDays: [...next] }, { strainDays: [...days] });
  };
  return (
    <fieldset className="min-w-0">
      <legend className="quiet">days of the week for straining; none chosen is any day</legend>
      <div className="flex flex-wrap gap-x-6">
        {WEEKDAYS.map((d) => (
          <label key={d} className="flex items-center gap-2 min-h-11 cursor-pointer">
            <input
              type="checkbox"
              className="w-6 h-6 accent-cobalt"
              checked={days.includes(d)}
              disabled={sending}
              onChange={() => flip(d)}
            />
            {WEEKDAY_WORDS[d]}
          </label>
        ))}
        <Kept kept={kept} />
      </div>
    </fieldset>
  );
}

const BLANK: Away = { from: "", to: "", why: "" };

/** Days away that are written down, each with the way to take it away again. */
function Written({ of, s }: { of: readonly Away[]; s: ReturnType<typeof useSettle> }) {
  return (
    <ul>
      {of.map((a) => (
        <li
          key={`${a.from} ${a.to} ${a.why}`}
          className="flex flex-wrap items-center gap-x-4 border-b border-rule"
        >
          <span>
            {printDay(a.from, "year")} to {printDay(a.to, "year")}
            {a.why ? `, ${a.why}` : ""}
          </span>
          <button
            type="button"
            className="plain min-h-11"
            disabled={s.sending}
            aria-label={`Take away: ${printDay(a.from, "year")} to ${printDay(a.to, "year")}`}
            onClick={() => void s.settle({ away: of.filter((x) => x !== a) }, { away: [...of] })}
          >
            take away
          </button>
        </li>
      ))}
    </ul>
  );
}

function DaysAway({ start }: { start: readonly Away[] }) {
  const s = useSettle();
  const { settle, sending, fault, clear, kept } = s;
  const [said, say] = useState(BLANK);
  const change = (to: Partial<Away>): void => {
    clear();
    say({ ...said, ...to });
  };
  const at = (field: keyof Away) => (fault?.path.map(String).at(-1) === field ? fault : undefined);
  const add = async (): Promise<void> => {
    const next = [...start, said].sort((a, b) => (a.from < b.from ? -1 : 1));
    if (await settle({ away: next }, { away: [...start] })) say(BLANK);
  };
  return (
    <div>
      <h3 className="quiet">days away: nothing is strained then</h3>
      <Written of={start} s={s} />
      <form
        className="flex flex-wrap gap-4 items-end py-2"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <Field id="away-from" label="first day" fault={at("from")}>
          {(tied) => (
            <input
              {...tied}
              type="date"
              className="field"
              value={said.from}
              onChange={(e) => change({ from: e.target.value })}
            />
          )}
        </Field>
        <Field id="away-to" label="last day" fault={at("to")}>
          {(tied) => (
            <input
              {...tied}
              type="date"
              className="field"
              value={said.to}
              onChange={(e) => change({ to: e.target.value })}
            />
          )}
        </Field>
        <Field id="away-why" label="why, if you like" fault={at("why")}>
          {(tied) => (
            <input
              {...tied}
              className="field w-48"
              maxLength={80}
              value={said.why}
              onChange={(e) => change({ why: e.target.value })}
            />
          )}
        </Field>
        <button type="submit" className="slab" disabled={sending || said.from === "" || said.to === ""}>
          add days away
        </button>
        <Kept kept={kept} />
      </form>
    </div>
  );
}

function Height({ start }: { start: number }) {
  const { settle, sending, fault, clear, kept } = useSettle();
  const [text, setText] = useState(String(start));
  return (
    <form
      className="flex flex-wrap gap-4 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        void settle({ heightM: text.trim() === "" ? Number.NaN : Number(text.replace(",", ".")) });
      }}
    >
      <Field id="house-height" label="metres above the sea; water boils lower in the hills" fault={fault}>
        {(tied) => (
          <input
            {...tied}
            className="field w-28"
            inputMode="decimal"
            value={text}
            maxLength={8}
            onChange={(e) => {
              clear();
              setText(e.target.value);
            }}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={sending}>
        keep the height
      </button>
      <Kept kept={kept} />
    </form>
  );
}

function MorningWord({ start }: { start: Settings["morning"] }) {
  const { settle, sending, fault, clear, kept } = useSettle();
  const [m, set] = useState(start);
  const change = (to: Partial<Settings["morning"]>): void => {
    clear();
    set({ ...m, ...to });
  };
  const at = (field: string) => (fault?.path.map(String).includes(field) ? fault : undefined);
  return (
    <form
      className="flex flex-wrap gap-4 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        void settle({ morning: m });
      }}
    >
      <label className="flex items-center gap-2 min-h-11 cursor-pointer basis-full">
        <input
          type="checkbox"
          className="w-6 h-6 accent-cobalt"
          checked={m.on}
          onChange={(e) => change({ on: e.target.checked })}
        />
        a word by mail in the morning, when there is something to do
      </label>
      <Field id="morning-to" label="to" fault={at("to")}>
        {(tied) => (
          <input
            {...tied}
            type="email"
            className="field w-64"
            value={m.to}
            maxLength={120}
            onChange={(e) => change({ to: e.target.value })}
          />
        )}
      </Field>
      <Field id="morning-at" label="what time; the calendar’s touches too" fault={at("at")}>
        {(tied) => (
          <input
            {...tied}
            type="time"
            className="field"
            value={m.at}
            onChange={(e) => change({ at: e.target.value })}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={sending || (m.on && m.to.trim() === "")}>
        keep the morning
      </button>
      <Kept kept={kept} />
    </form>
  );
}

/** How the household's weeks go: when it strains, when nobody is home, how high it lives, its morning's mail. */
export function HouseWeeks({ start }: { start: Said }) {
  return (
    <section aria-labelledby="weeks" className="grid grid-cols-1 gap-5">
      <h2 id="weeks" className="ruled-head">
        Its weeks
      </h2>
      <StrainDays start={start.strainDays} />
      <DaysAway start={start.away} />
      <MorningWord start={start.morning} />
      <Height start={start.heightM} />
    </section>
  );
}
