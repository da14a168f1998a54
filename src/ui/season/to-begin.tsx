import { memo } from "react";
import type { Told } from "@/core/season/told";
import { type Start, type Year, fillsOf } from "@/core/season/year";
import { addDays } from "@/core/day";
import Link from "../kit/link";
import { useUnits } from "../kit/units";
import type { Act } from "./state";
import type { SeasonInHand } from "./use-season";
import { brokenWords, dayWords, nameOf, vesselOf } from "./words";

/** Where a start is begun: its recipe in its vessel, on its day. */
export function benchOf(told: Told, s: Start): string | undefined {
  const from = told.remedies.find((r) => r.id === s.remedy)?.from;
  if (!from) return undefined;
  const what = "recipe" in from ? `recipe=${from.recipe}` : `again=${from.batch}`;
  return `/bench?${what}&into=${s.vessel}&fill=${s.fill}&on=${addDays(told.today, s.day)}`;
}

const FILLS: Readonly<Record<string, string>> = { "1": "full", "0.5": "half full", "0.25": "a quarter full" };

interface Line {
  readonly s: Start;
  readonly told: Told;
  readonly year: Year;
  readonly act: (a: Act) => void;
  readonly chosen: boolean;
  /** What about it cannot be, a line each. */
  readonly wrong: string;
}
const One = memo(function One({ s, told, year, act, chosen, wrong }: Line) {
  const { about } = useUnits();
  const w = year.wanted.find((x) => x.id === s.remedy);
  const v = year.vessels.find((x) => x.id === s.vessel);
  const href = benchOf(told, s);
  const name = nameOf(told, s.remedy);
  const ml = w?.making && v ? v.ml * s.fill * w.making.gives.value : 0;
  return (
    <li className={`border-b border-rule py-2 ${chosen ? "bg-cobalt-pale" : ""}`} data-to-begin={s.id}>
      <div className="grid gap-x-6 md:grid-cols-[9rem_minmax(0,1fr)_auto] items-center">
        <strong>{dayWords(told, s.day)}</strong>
        <span>
          {name} in the {vesselOf(told, s.vessel)}
          {s.fill < 1 ? `, ${FILLS[String(s.fill)] ?? ""}` : ""}: {about(ml)}
          {s.strain > s.day ? `, strained ${dayWords(told, s.strain)}` : ", had the same day"}
          {s.in === "cupboard" ? "" : `; ${s.in === "fridge" ? "in the fridge" : "in the ice box"}`}
        </span>
        <span className="flex flex-wrap gap-x-4">
          {href && (
            <Link href={href} className="inline-grid content-center min-h-11">
              onto the Bench
            </Link>
          )}
          <label className="flex items-center gap-2 min-h-11">
            <input
              type="checkbox"
              className="w-6 h-6 accent-cobalt"
              aria-label={`${name}, ${dayWords(told, s.day)}: stays there`}
              checked={s.pinned === true}
              onChange={(e) => act({ do: "pin", id: s.id, pinned: e.target.checked })}
            />
            stays there
          </label>
          {w?.making?.pot && (
            <select
              className="field"
              aria-label={`How full: ${name}, ${dayWords(told, s.day)}`}
              value={s.fill}
              onChange={(e) => act({ do: "fill", id: s.id, fill: Number(e.target.value) })}
            >
              {fillsOf(w.making).map((f) => (
                <option key={f} value={f}>
                  {FILLS[String(f)]}
                </option>
              ))}
            </select>
          )}
          <button
            type="button"
            className="plain min-h-11"
            aria-label={`Take out: ${name}, ${dayWords(told, s.day)}`}
            onClick={() => act({ do: "drop", id: s.id })}
          >
            take out
          </button>
        </span>
      </div>
      {wrong !== "" &&
        wrong.split("\n").map((w) => (
          <p key={w} className="wrong">
            {w}
          </p>
        ))}
    </li>
  );
});

/** What is to be begun, first to last. */
export function ToBegin({ told, season }: { told: Told; season: SeasonInHand }) {
  const { hand, year, act, breaks } = season;
  const all = [...hand.starts].sort((a, b) => a.day - b.day);
  const wrongOf = (s: Start): string =>
    [...new Set(breaks.flatMap((b) => (b.start === s.id ? [brokenWords(told, hand.starts, b)] : [])))].join(
      "\n",
    );
  return (
    <section aria-labelledby="season-begin" className="pt-4">
      <h2 id="season-begin" className="ruled-head">
        To begin
      </h2>
      {all.length === 0 ? (
        <p className="py-2">Nothing is planned. Say what is wanted, and let a plan be made.</p>
      ) : (
        <ul>
          {all.map((s) => (
            <One key={s.id} {...{ s, told, year, act, chosen: hand.chosen === s.id, wrong: wrongOf(s) }} />
          ))}
        </ul>
      )}
    </section>
  );
}
