"use client";
import { useMemo } from "react";
import { reckonedPlan } from "@/core/formulary/reckoned";
import { CAME_FROM, type CameFrom } from "@/core/journal/events";
import { KIND } from "@/core/plan/kinds";
import { KINDS } from "@/core/plan/plan";
import { type StandContext, type StandForm, bottlesOf, jarsOf, understood } from "@/core/standing/form";
import { type Standing, planOfStanding } from "@/core/standing/standing";
import { vesselWords } from "@/core/vessel/vessel";
import { verdictHead } from "../plan/verdict-words";
import { Contents } from "./contents";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";
import { BY_HAND, type Row, type Rows } from "./use-rows";

const FROM_WORDS: Readonly<Record<CameFrom, string>> = {
  made: "made here",
  bought: "bought",
  given: "given to us",
};
/** Where a refusal of the house belongs among the fields. */
const FIELD_OF: Readonly<Record<string, keyof StandForm>> = {
  on: "on",
  at: "on",
  name: "name",
  kind: "kind",
  vessel: "jar",
  bottles: "each",
  opened: "opened",
  bestBy: "bestBy",
  note: "note",
  contents: "contents",
};

interface Of {
  readonly row: Row;
  readonly rows: Rows;
  readonly c: StandContext;
}

/** What is promised of it as far as it is known, before it is written down. */
function Promised({ standing, c }: { standing: Standing; c: StandContext }) {
  const made = useMemo(
    () => reckonedPlan(planOfStanding(standing, c.system, c.catalogue), c.catalogue),
    [standing, c],
  );
  if (!made)
    return <p className="wrong pt-3">What is said of it cannot all be so. Look at the amounts again.</p>;
  const { verdict, working } = made.reckoning;
  const head = verdictHead(verdict);
  if (standing.as === "jar")
    return (
      <p className="pt-3">
        {working.place === "room" ? "It may stand at room temperature" : "It belongs in the fridge"}:{" "}
        {working.words}. As it comes out of the cloth: <strong>{head.place}</strong> {head.life}
      </p>
    );
  return (
    <p className="pt-3">
      <strong>{head.place}</strong> {head.life}{" "}
      {standing.bestBy
        ? "By what is known; the day on its label is kept as its label’s."
        : "By what is known of it, and no longer."}
    </p>
  );
}

function Select({
  field,
  label,
  of: { row, rows },
  options,
  wrong,
  none,
}: {
  field: keyof StandForm;
  label: string;
  of: Of;
  options: readonly (readonly [string, string])[];
  wrong: string | undefined;
  none?: string;
}) {
  const id = `stands-${field}`;
  return (
    <Field id={id} label={label} fault={wrong ? { message: wrong } : undefined}>
      {(tied) => (
        <select
          {...tied}
          className="field max-w-full"
          value={String(row.form[field])}
          onChange={(e) => rows.edit(row.key, { [field]: e.target.value } as Partial<StandForm>)}
        >
          {none !== undefined && <option value="">{none}</option>}
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

function Text({
  field,
  label,
  of: { row, rows },
  wrong,
  type = "text",
  className = "",
  max,
  hint,
}: {
  field: keyof StandForm;
  label: string;
  hint?: string | undefined;
  of: Of;
  wrong: string | undefined;
  type?: "text" | "date";
  className?: string;
  max?: string;
}) {
  const id = `stands-${field}`;
  return (
    <Field id={id} label={label} fault={wrong ? { message: wrong } : undefined}>
      {(tied) => (
        <>
          <input
            {...tied}
            type={type}
            className={`field ${className}`}
            max={max}
            value={String(row.form[field])}
            onChange={(e) => rows.edit(row.key, { [field]: e.target.value } as Partial<StandForm>)}
          />
          {hint && <span className="quiet block">{hint}</span>}
        </>
      )}
    </Field>
  );
}

function sinceWords({ from, as }: StandForm): string {
  if (from !== "made") return "it came on";
  return as === "bottles" ? "made on" : "since";
}

/** What a jar is asked, and what bottles are. */
function Holds({ of, wrong }: { of: Of; wrong: (f: keyof StandForm) => string | undefined }) {
  const { market, calls } = useUnits();
  const { row, c } = of;
  if (row.form.as === "jar")
    return (
      <Select
        {...{ of, field: "jar", label: "it stands in", wrong: wrong("jar"), none: "which jar?" }}
        options={jarsOf(market).map((v) => [v.id, vesselWords(v)])}
      />
    );
  if (row.form.as !== "bottles") return null;
  return (
    <>
      <Text {...{ of, field: "count", label: "how many", wrong: wrong("count"), className: "w-20" }} />
      <Select
        {...{ of, field: "bottle", label: "bottles", wrong: wrong("bottle"), none: "which bottle?" }}
        options={bottlesOf(market).map((v) => [v.id, vesselWords(v)])}
      />
      <Text
        {...{ of, field: "each", wrong: wrong("each"), className: "w-32" }}
        label={`in each, like ${calls.bottle}`}
      />
      <Select
        {...{ of, field: "place", label: "where", wrong: wrong("place"), none: "where?" }}
        options={c.places.map((p) => [p.id, p.name])}
      />
      {row.form.kind === "syrup" && (
        <Select
          {...{ of, field: "heated", label: "over the heat", wrong: undefined, none: "not known, or never" }}
          options={[
            ["simmered", "simmered, then sweetened"],
            ["boiled", "all of it boiled, bottled hot"],
          ]}
        />
      )}
      <Text
        {...{
          of,
          field: "opened",
          label: "opened, if one is",
          wrong: wrong("opened"),
          type: "date",
          max: c.today,
        }}
      />
      <Text
        {...{ of, field: "bestBy", label: "best by, on its label", wrong: wrong("bestBy"), type: "date" }}
      />
    </>
  );
}

/** The facts of one that stands: what was read of its line, each to be put right, and what is still asked. */
export function StandingFacts({ row, rows, c }: Of) {
  const of = { row, rows, c };
  const fault = rows.refused[row.key];
  const faultAt = fault && (FIELD_OF[String(fault.path[0] ?? "")] ?? "name");
  // What was never touched is not told off: of a blank row nothing is asked yet.
  const blank =
    row.key === BY_HAND &&
    Object.values(row.form).every((v) => v === "" || typeof v !== "string" || v === "made" || v === "1");
  const wrong = (f: keyof StandForm): string | undefined => {
    if (faultAt === f) return fault!.message;
    return blank ? undefined : row.asked[f];
  };
  const { unknown } = useMemo(() => understood(row.form, c), [row.form, c]);
  return (
    <section aria-label="Its facts" className="border-t-2 border-iron mt-3 pt-3 max-w-4xl">
      <div className="flex flex-wrap gap-x-6 gap-y-3 items-start">
        <Text
          {...{ of, field: "name", label: "what it is", wrong: wrong("name"), className: "w-64 max-w-full" }}
        />
        <Select
          {...{ of, field: "kind", label: "kind", wrong: wrong("kind"), none: "what kind?" }}
          options={KINDS.map((k) => [k, KIND[k].name])}
        />
        <Select
          {...{ of, field: "as", label: "it is", wrong: wrong("as"), none: "jar or bottles?" }}
          options={[
            ["jar", "a jar at work"],
            ["bottles", "in bottles"],
          ]}
        />
        <Select
          {...{ of, field: "from", label: "it was", wrong: wrong("from") }}
          options={CAME_FROM.map((f) => [f, FROM_WORDS[f]])}
        />
        <Text
          {...{ of, field: "on", wrong: wrong("on"), type: "date", max: c.today }}
          label={sinceWords(row.form)}
          hint={row.about ? "its first day, since no day was said" : undefined}
        />
        <Holds of={of} wrong={wrong} />
      </div>
      <Contents row={row} rows={rows} c={c} unknown={unknown} wrong={wrong("parts")} />
      <div className="pt-3">
        <Text
          {...{
            of,
            field: "note",
            label: "what else was said of it",
            wrong: wrong("note"),
            className: "w-full max-w-2xl",
          }}
        />
      </div>
      {row.standing && <Promised standing={row.standing} c={c} />}
      <p className="pt-3 flex flex-wrap gap-x-5 items-center">
        <button
          type="button"
          className="slab"
          aria-disabled={row.standing === undefined || rows.busy}
          onClick={() => row.standing && !rows.busy && void rows.write([row])}
        >
          {rows.busy ? "Writing…" : "Write it down"}
        </button>
        {!row.standing && !blank && (
          <span className="quiet" role="status">
            {Object.values(row.asked)[0]}
          </span>
        )}
      </p>
    </section>
  );
}
