"use client";
import { Told } from "../kit/told";
import { useState } from "react";
import { type CourseStands, courseStands } from "@/core/cellar/course";
import { type Day, printDay } from "@/core/day";
import { type Fault, fault as faultOf } from "@/core/fault";
import { readMeasured } from "@/core/reading/amounts";
import { counted } from "@/core/words";
import { useUnits } from "../kit/units";
import { type InHand, courseWords } from "./bottle-words";
import type { Writing } from "./use-bottle";

const NOTHING_KNOWN = { sugar: 0, alcohol: 0, herb: 0 };

/** g in words, to what is worth saying. */
const grams = (g: number): string => (g < 10 ? `${g.toFixed(1)} g` : `${Math.round(g)} g`);

/** Where the course stands today. */
function stands(s: CourseStands, rest: number, today: Day): string {
  const last = `Its last day is ${printDay(s.last, "long", today)}${rest > 0 ? `, rest until ${printDay(s.restUntil, "long", today)}` : ""}.`;
  switch (s.stage) {
    case "to come":
      return last;
    case "running":
      return `Day ${s.day}. ${last}`;
    case "rest":
      return `At rest until ${printDay(s.restUntil, "long", today)}.`;
    case "done":
      return "It is done, and its rest is over.";
  }
}

/** What a day of the course holds. */
function dayHolds(s: CourseStands): string {
  const of = [
    s.sugar >= 0.05 ? `${grams(s.sugar)} of sugar` : "",
    s.alcohol >= 0.05 ? `${grams(s.alcohol)} of alcohol` : "",
    s.herb >= 0.005 ? `${s.herb < 1 ? `${s.herb.toFixed(2)} g` : grams(s.herb)} of dried herb` : "",
  ].filter((x) => x !== "");
  return of.length > 0 ? ` A day of it holds about ${of.join(", ")}.` : "";
}

/** How this bottle is taken: the maker’s own course, with what it comes to; counted by one touch. */
export function CourseOf({ p, w, today }: { p: InHand; w: Writing; today: Day }) {
  const units = useUnits();
  const [setting, setSetting] = useState(false);
  const { course } = p.bottle;
  if (setting) return <SetCourse p={p} w={w} today={today} done={() => setSetting(false)} />;
  if (!course)
    return (
      <p>
        <button type="button" className="plain min-h-11" onClick={() => setSetting(true)}>
          set a course
        </button>
      </p>
    );
  const s = courseStands(course, p.bottle.leftMl, p.perMl ?? NOTHING_KNOWN, p.bottle.taken, today);
  return (
    <section aria-label="Course" className="border-t border-rule py-2">
      <p>
        <strong>{courseWords(course)}</strong>
        {course.for && <span className="text-ash">, for {course.for}</span>}
      </p>
      <p>
        {stands(s, course.rest, today)} That is {units.volumeExact(s.dayMl)} a day.
        {p.perMl ? dayHolds(s) : ""}
      </p>
      <p className="quiet">
        In this bottle:{" "}
        {s.courses > 0
          ? counted(s.courses, "whole course", "whole courses")
          : `${counted(s.daysLeft, "day", "days")} of one`}
        {s.courses > 0 && s.overMl >= 1 ? `, and ${units.volume(s.overMl)} over` : ""}.
      </p>
      {p.minded.map((words) => (
        <p key={words} className="border-l-4 border-cobalt pl-3 my-2">
          {words}
        </p>
      ))}
      {s.stage === "running" && (
        <p className="pt-2 flex flex-wrap gap-x-4 items-center">
          <button
            type="button"
            className="slab min-h-14"
            disabled={w.sending}
            onClick={() =>
              void w.write("poured", {
                ml: course.ml,
                said: course.said,
                ...(course.for ? { for: course.for } : {}),
              })
            }
          >
            Taken
          </button>
          <span role="status">
            {s.today} of {course.times} today
            {s.more > 0 && `: ${s.more} more than the course says`}
          </span>
        </p>
      )}
      <p>
        <button type="button" className="plain min-h-11" onClick={() => setSetting(true)}>
          another course
        </button>
      </p>
    </section>
  );
}

const FIELDS = [
  ["amount", "at a time", "1 tbsp"],
  ["times", "times a day", "3"],
  ["days", "for days", "10"],
  ["rest", "then days of rest", "7"],
] as const;
type Typed = Readonly<Record<(typeof FIELDS)[number][0], string>>;

/** A course as it is typed, and its keeping. */
function useCourse(p: InHand, w: Writing, today: Day, done: () => void) {
  const { household } = useUnits();
  const old = p.bottle.course;
  const [typed, setTyped] = useState<Typed>({
    amount: old?.said ?? "",
    times: old ? String(old.times) : "",
    days: old ? String(old.days) : "",
    rest: old ? String(old.rest) : "0",
  });
  const [whom, setWhom] = useState(old?.for ?? "");
  const [wrong, setWrong] = useState<Fault | undefined>();
  const whole = (key: "times" | "days" | "rest", words: string): number | Fault => {
    const n = Number(typed[key]);
    return typed[key].trim() !== "" && Number.isInteger(n) ? n : faultOf("NotACount", words, [key]);
  };
  const keep = async (): Promise<void> => {
    const read = readMeasured(typed.amount, household);
    if (!read.ok) return setWrong({ ...read.faults[0]!, path: ["amount"] });
    if (read.value.dimension !== "volume")
      return setWrong(faultOf("NotAVolume", "Say it as spoons or mL, like “1 tbsp”.", ["amount"]));
    const counts = [
      whole("times", "Say how many times a day, like 3."),
      whole("days", "Say for how many days, like 10."),
      whole("rest", "Say how many days of rest, 0 for none."),
    ];
    const bad = counts.find((c) => typeof c !== "number");
    if (bad !== undefined && typeof bad !== "number") return setWrong(bad);
    const [times, days, rest] = counts as [number, number, number];
    setWrong(undefined);
    const body = { ml: read.value.si.value, said: typed.amount.trim(), times, days, rest, from: today };
    if (await w.write("coursed", { ...body, ...(whom ? { for: whom } : {}) })) done();
  };
  const type = (key: keyof Typed, text: string): void => {
    setWrong(undefined);
    w.clear();
    setTyped({ ...typed, [key]: text });
  };
  const counted = ["times", "days", "rest", "ml", "for"];
  const refused = w.refused("coursed")?.path.some((x) => counted.includes(String(x))) ? w.fault : undefined;
  return { typed, type, whom, setWhom, keep, said: wrong ?? refused };
}

function SetCourse({ p, w, today, done }: { p: InHand; w: Writing; today: Day; done: () => void }) {
  const { typed, type, whom, setWhom, keep, said } = useCourse(p, w, today, done);
  return (
    <form
      aria-label="A course"
      className="border-t border-rule py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <div className="flex flex-wrap gap-3">
        {FIELDS.map(([key, label, example]) => (
          <p key={key}>
            <label htmlFor={`course-${key}`} className="quiet block">
              {label}
            </label>
            <input
              id={`course-${key}`}
              className="field w-24"
              inputMode={key === "amount" ? undefined : "numeric"}
              maxLength={key === "amount" ? 60 : 4}
              placeholder={example}
              value={typed[key]}
              aria-invalid={said?.path.includes(key) ?? false}
              aria-describedby={said ? "course-wrong" : undefined}
              onChange={(e) => type(key, e.target.value)}
            />
          </p>
        ))}
        {p.people.length > 0 && (
          <ForWhom
            id="course-for"
            people={p.people}
            whom={whom}
            wrong={said?.path.includes("for") ? "course-wrong" : undefined}
            set={(name) => {
              w.clear();
              setWhom(name);
            }}
          />
        )}
      </div>
      {said && (
        <p id="course-wrong" role="alert" className="wrong">
          <Told of={said.message} />
        </p>
      )}
      <p className="flex flex-wrap gap-x-4 pt-2 items-center">
        <button type="submit" className="slab" disabled={w.sending}>
          Keep the course
        </button>
        <button type="button" className="plain min-h-11" onClick={done}>
          leave it
        </button>
      </p>
      <p className="quiet">Your own words and numbers; sums are done on them and nothing more.</p>
    </form>
  );
}

/** For whom of the household; anyone, where nobody is named. */
export function ForWhom({
  id,
  people,
  whom,
  wrong,
  set,
}: {
  id: string;
  people: readonly string[];
  whom: string;
  /** Where it is said why they may not. */
  wrong?: string | undefined;
  set: (name: string) => void;
}) {
  return (
    <p>
      <label htmlFor={id} className="quiet block">
        for
      </label>
      <select
        id={id}
        className="field"
        value={whom}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong}
        onChange={(e) => set(e.target.value)}
      >
        <option value="">anyone</option>
        {people.map((n) => (
          <option key={n} value={n}>
            {n}
          </option>
        ))}
      </select>
    </p>
  );
}
