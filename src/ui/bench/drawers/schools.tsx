"use client";
import { questionsFor, schoolName, schoolOf } from "@/core/advice/schools";
import type { Plan } from "@/core/plan/plan";
import { useUnits } from "../../kit/units";

/** The questions makers disagree on, one line each: what this plan does, and why some do. */
export function SchoolsDrawer({ plan, take }: { readonly plan: Plan; readonly take: (plan: Plan) => void }) {
  const units = useUnits();
  return (
    <ul>
      {questionsFor(plan).map((q) => {
        const now = schoolOf(q, plan);
        return (
          <li
            key={q.id}
            className="grid sm:grid-cols-[14rem_minmax(0,18rem)_1fr] gap-x-4 items-baseline border-b border-rule py-1.5"
          >
            <label htmlFor={`school-${q.id}`} className="text-ash">
              {q.asks}
            </label>
            <select
              id={`school-${q.id}`}
              className="stitch py-1 max-w-full justify-self-start"
              value={now?.id ?? ""}
              onChange={(e) => {
                const s = q.schools.find((x) => x.id === e.target.value);
                if (s) take(s.make(plan));
              }}
            >
              {!now && <option value="">a way of your own</option>}
              {q.schools.map((s) => (
                <option key={s.id} value={s.id}>
                  {schoolName(s, units)}
                  {s.cautious ? " (cautious)" : ""}
                </option>
              ))}
            </select>
            <span>{now?.why}</span>
          </li>
        );
      })}
    </ul>
  );
}
