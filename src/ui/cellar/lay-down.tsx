"use client";
import { Told } from "../kit/told";
import { useState } from "react";
import type { CourseNow, HouseCourse } from "@/core/cellar/house-course";
import type { Day } from "@/core/day";
import { type Fault, fault as faultOf, isFault } from "@/core/fault";
import { KINDS, type Kind } from "@/core/plan/plan";
import { readMeasured } from "@/core/reading/amounts";
import type { UnitSystem } from "@/core/quantity/units";
import { Field, Wrong } from "../kit/field";
import { useUnits } from "../kit/units";
import { useKeep } from "../stores/keep";
import type { RemedyHere } from "./house-courses";

interface Props {
  readonly people: readonly string[];
  readonly remedies: readonly RemedyHere[];
  readonly today: Day;
  /** The course that is changed. */
  readonly was: CourseNow | undefined;
  readonly done: () => void;
}

/** Everything as it is typed: a measure beside each name, empty for who does not take it. */
interface Typed {
  readonly remedy: string;
  readonly measures: Readonly<Record<string, string>>;
  readonly another: string;
  readonly times: string;
  readonly from: string;
  readonly days: string;
  readonly rest: string;
}

const keyOf = (r: RemedyHere): string => `${r.kind} ${r.name}`;

function typedOf({ was, remedies, today }: Props): Typed {
  const c = was?.course;
  const of = c ? { name: c.remedy, kind: c.kind } : remedies[0];
  return {
    remedy: of ? keyOf(of) : "",
    measures: Object.fromEntries((c?.takers ?? []).map((t) => [t.who, t.said])),
    another: "",
    times: String(c?.times ?? 1),
    from: c?.from ?? today,
    days: c?.days === undefined ? "" : String(c.days),
    rest: String(c?.rest ?? 0),
  };
}

/** A number as it was typed; nothing where the field is empty. */
function whole(text: string, field: string, says: string): number | undefined | Fault {
  if (text.trim() === "") return undefined;
  const n = Number(text);
  return Number.isInteger(n) ? n : faultOf("NotACount", says, [field]);
}

/** The course that was typed, or what is wrong with it, by its field. */
function courseOf(t: Typed, names: readonly string[], units: UnitSystem): HouseCourse | Fault {
  const takers = [];
  for (const who of names) {
    const said = (t.measures[who] ?? "").trim();
    if (said === "") continue;
    const read = readMeasured(said, units);
    if (!read.ok) return { ...read.faults[0]!, path: ["takers", who] };
    if (read.value.dimension !== "volume")
      return faultOf("NotAVolume", "Say it as spoons or mL, like “1 tsp”.", ["takers", who]);
    takers.push({ who, ml: read.value.si.value, said });
  }
  if (takers.length === 0)
    return faultOf("Nobody", "Say how much at a time beside at least one name.", ["takers"]);
  const times = whole(t.times, "times", "Say how many times a day, like 1.");
  const days = whole(t.days, "days", "Say for how many days, or leave it empty.");
  const rest = whole(t.rest, "rest", "Say how many days of rest, 0 for none.");
  if (isFault(times)) return times;
  if (isFault(days)) return days;
  if (isFault(rest)) return rest;
  if (times === undefined) return faultOf("NotACount", "Say how many times a day, like 1.", ["times"]);
  if (t.from === "") return faultOf("NotADay", "Say from which day.", ["from"]);
  const space = t.remedy.indexOf(" ");
  const kind = KINDS.find((k): k is Kind => k === t.remedy.slice(0, space));
  if (!kind) return faultOf("NoSuchRemedy", "Choose a remedy that stands here.", ["remedy"]);
  return {
    ...{
      remedy: t.remedy.slice(space + 1),
      kind,
      takers,
      times,
      from: t.from,
      rest: rest ?? 0,
    },
    ...(days === undefined ? {} : { days }),
  };
}

/** The names that stand in the form: the household's, whoever takes it already, and one more. */
const namesOf = (p: Props, t: Typed): readonly string[] => [
  ...new Set([...p.people, ...Object.keys(t.measures), ...(t.another.trim() ? [t.another.trim()] : [])]),
];

function useLayDown(p: Props) {
  const { household } = useUnits();
  const { keep, sending, fault, clear } = useKeep();
  const [typed, setTyped] = useState<Typed>(() => typedOf(p));
  const [wrong, setWrong] = useState<Fault | undefined>();
  const [id] = useState(() => p.was?.id ?? crypto.randomUUID());
  const names = namesOf(p, typed);
  const put = (to: Partial<Typed>): void => {
    clear();
    setWrong(undefined);
    setTyped({ ...typed, ...to });
  };
  const send = async (): Promise<void> => {
    const c = courseOf(typed, names, household);
    if ("message" in c) return setWrong(c);
    if (await keep(id, { what: "course", ...c }, p.was?.seq)) p.done();
  };
  const said = wrong ?? fault;
  /** What is wrong beside a field: of those who take it, beside the name. */
  const at = (field: string, who?: string): Fault | undefined => {
    if (!said) return undefined;
    const [, first, second] = said.path[0] === "item" ? said.path : ["", ...said.path];
    if (first !== field) return undefined;
    if (who === undefined) return second === undefined ? said : undefined;
    const taking = names.filter((n) => (typed.measures[n] ?? "").trim() !== "");
    return second === who || taking[Number(second)] === who ? said : undefined;
  };
  const fields = ["remedy", "takers", "times", "from", "days", "rest"];
  const [head, next] = [String(said?.path[0] ?? ""), String(said?.path[1] ?? "")];
  const elsewhere = said && !fields.includes(head) && !fields.includes(next) ? said : undefined;
  return { typed, put, names, send, sending, at, elsewhere };
}

function Measures({ l }: { l: ReturnType<typeof useLayDown> }) {
  return (
    <fieldset>
      <legend className="quiet">how much at a time, beside who takes it</legend>
      <ul className="flex flex-wrap gap-x-6 gap-y-2">
        {l.names.map((who, i) => (
          <li key={who}>
            <Field id={`takes-${i}`} label={who} fault={l.at("takers", who)}>
              {(tied) => (
                <input
                  {...tied}
                  className="field w-28"
                  placeholder="1 tsp"
                  maxLength={60}
                  value={l.typed.measures[who] ?? ""}
                  onChange={(e) => l.put({ measures: { ...l.typed.measures, [who]: e.target.value } })}
                />
              )}
            </Field>
          </li>
        ))}
        <li>
          <Field id="takes-another" label="or somebody else">
            {(tied) => (
              <input
                {...tied}
                className="field w-40"
                placeholder="a name"
                maxLength={60}
                value={l.typed.another}
                onChange={(e) => l.put({ another: e.target.value })}
              />
            )}
          </Field>
        </li>
      </ul>
      {l.at("takers") && <Wrong fault={l.at("takers")!} />}
    </fieldset>
  );
}

/** A course for the household: of what, who how much, how often, from when and for how long. */
export function LayDown(p: Props) {
  const l = useLayDown(p);
  const { typed, put } = l;
  const number = (field: "times" | "days" | "rest", label: string, placeholder: string) => (
    <Field id={`course-house-${field}`} label={label} fault={l.at(field)}>
      {(tied) => (
        <input
          {...tied}
          className="field w-24"
          inputMode="numeric"
          maxLength={4}
          placeholder={placeholder}
          value={typed[field]}
          onChange={(e) => put({ [field]: e.target.value })}
        />
      )}
    </Field>
  );
  return (
    <form
      aria-label="A course for the household"
      className="py-2 grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void l.send();
      }}
    >
      {p.was ? (
        <strong>{p.was.course.remedy}</strong>
      ) : (
        <Field id="course-house-remedy" label="of" fault={l.at("remedy")}>
          {(tied) => (
            <select
              {...tied}
              className="field max-w-full"
              value={typed.remedy}
              onChange={(e) => put({ remedy: e.target.value })}
            >
              {p.remedies.map((r) => (
                <option key={keyOf(r)} value={keyOf(r)}>
                  {r.name}
                </option>
              ))}
            </select>
          )}
        </Field>
      )}
      <Measures l={l} />
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        {number("times", "times a day", "1")}
        <Field id="course-house-from" label="from" fault={l.at("from")}>
          {(tied) => (
            <input
              {...tied}
              type="date"
              className="field"
              value={typed.from}
              onChange={(e) => put({ from: e.target.value })}
            />
          )}
        </Field>
        {number("days", "for days; empty: until ended", "")}
        {number("rest", "then days of rest", "0")}
      </div>
      {l.elsewhere && (
        <p role="alert" className="wrong">
          <Told of={l.elsewhere.message} />
        </p>
      )}
      <p className="flex flex-wrap gap-x-4 items-center">
        <button type="submit" className="slab" disabled={l.sending}>
          {p.was ? "Keep it so" : "Lay it down"}
        </button>
        <button type="button" className="plain min-h-11" onClick={p.done}>
          leave it
        </button>
      </p>
    </form>
  );
}
