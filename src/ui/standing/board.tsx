"use client";
import { useToday } from "../kit/when";
import Link from "../kit/link";
import { useMemo, useState } from "react";
import { printDay } from "@/core/day";
import type { Measures } from "@/core/reading/measures";
import type { UnitSystem } from "@/core/quantity/units";
import type { StandContext } from "@/core/standing/form";
import { MOST_LINES } from "@/core/standing/listed";
import type { Stored } from "@/core/stores/events";
import type { Place } from "@/core/stores/settings";
import { storesOf } from "@/core/stores/stores";
import { capital, counted } from "@/core/words";
import { useUnits } from "../kit/units";
import { StandingFacts } from "./facts";
import { Stands } from "./stands";
import { BY_HAND, type Row, type Rows, useRows } from "./use-rows";

/** A list as it may be written, with the jars and bottles of this household's country. */
const example = ({ jar, bottle }: Measures["calls"]): string =>
  [
    `fire cider, ${jar}, since 2 November`,
    `3 bottles of thyme syrup, ${bottle}, made in October, fridge`,
    "hyssop oxymel from my aunt, one bottle, opened last week",
  ].join("\n");

/** What still wants saying of a row, in three words. */
function wants(row: Row): string {
  if (row.standing) return "";
  const fields = Object.keys(row.asked);
  const WORDS: Readonly<Record<string, string>> = {
    as: "jar or bottle?",
    name: "what is it?",
    kind: "what kind?",
    on: "since when?",
    jar: "which jar?",
    bottle: "which bottle?",
    place: "where?",
    parts: "which part?",
    each: "how much?",
    count: "how many?",
  };
  return WORDS[fields[0] ?? ""] ?? "look at it";
}

/** A jar or bottles on the board: touched, its facts are beneath. */
function OnBoard({ row, chosen, choose }: { row: Row; chosen: boolean; choose: () => void }) {
  const today = useToday();
  const { form, standing } = row;
  const ask = wants(row);
  const name = form.name === "" ? "another" : form.name;
  return (
    <li className="min-w-0 flex-none">
      <button
        type="button"
        aria-pressed={chosen}
        className={`group flex flex-col items-center w-36 ${chosen ? "bg-glaze" : ""}`}
        onClick={choose}
      >
        <span aria-hidden="true" className="flex items-end justify-center h-[170px] -mb-[5px] w-full">
          <Stands form={form} known={standing !== undefined} />
        </span>
        <span className="block w-full h-1.5 bg-iron" aria-hidden="true" />
        <span className="text-center px-1 pt-1.5 break-words max-w-full leading-snug group-hover:underline">
          {capital(name)}
        </span>
        {form.on !== "" && <span className="text-ash">since {printDay(form.on, "short", today)}</span>}
        {ask !== "" && form.name !== "" && <span className="font-bold text-cobalt">{ask}</span>}
      </button>
    </li>
  );
}

function JustWritten({ rows }: { rows: Rows }) {
  if (rows.written.length === 0) return null;
  return (
    <div role="status" className="bg-celadon px-3 py-2 mt-4">
      Written down:{" "}
      {rows.written.map((w, i) => (
        <span key={w.id}>
          {i > 0 ? ", " : ""}
          <Link href={`/batch/${w.id}`} className="inline-flex items-center min-h-11">
            {w.code} {w.name}
          </Link>
        </span>
      ))}
      . Jars stand on the <Link href="/">Shelf</Link>, bottles in the <Link href="/cellar">Cellar</Link>.
    </div>
  );
}

/** The list on one side, the board with what it says on the other, and the facts of the one that is picked. */
export function StandingBoard({
  items,
  places,
  today,
  system,
}: {
  items: readonly Stored[];
  places: readonly Place[];
  today: string;
  system: UnitSystem;
}) {
  const { market, volumeExact, calls } = useUnits();
  const catalogue = useMemo(() => storesOf(items).catalogue, [items]);
  const c: StandContext = useMemo(
    () => ({ today, system, catalogue, market, places }),
    [today, system, catalogue, market, places],
  );
  const rows = useRows(c, volumeExact);
  const [picked, pick] = useState<string | undefined>();
  const row = rows.rows.find((r) => r.key === picked) ?? rows.rows[0]!;
  const ready = rows.rows.filter((r) => r.standing && r.key !== BY_HAND);
  const many = rows.text.split("\n").filter((l) => l.trim() !== "").length;
  return (
    <div className="pt-5 grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-[21rem_minmax(0,1fr)]">
      <section aria-labelledby="stands" className="min-w-0">
        <h1 id="stands">What stands already</h1>
        <p className="pt-1">
          Write a jar or some bottles a line, as you would on a list. Their days run on from there.
        </p>
        <label htmlFor="stands-list" className="quiet block pt-3">
          the list
        </label>
        <textarea
          id="stands-list"
          className="field w-full min-h-40"
          rows={7}
          placeholder={example(calls)}
          value={rows.text}
          onChange={(e) => rows.type(e.target.value)}
        />
        {many > MOST_LINES && (
          <p role="alert" className="wrong">
            The first {MOST_LINES} lines are read; the others stay in the list until those are written down.
          </p>
        )}
        {ready.length > 1 && (
          <p className="pt-3">
            <button
              type="button"
              className="slab"
              disabled={rows.busy}
              onClick={() => void rows.write(ready)}
            >
              {rows.busy ? "Writing…" : `Write all ${ready.length} down`}
            </button>
          </p>
        )}
        <JustWritten rows={rows} />
      </section>
      <section aria-label="On the board" className="min-w-0">
        <ul className="flex gap-x-0 overflow-x-auto lg:flex-wrap lg:gap-y-4" aria-label="On the board">
          {rows.rows.map((r, i) => (
            // By its place: a line that is being typed is the same jar at every letter.
            <OnBoard
              key={r.key === BY_HAND ? r.key : i}
              row={r}
              chosen={r.key === row.key}
              choose={() => pick(r.key)}
            />
          ))}
        </ul>
        <p className="quiet pt-2">
          {many === 0 ? "Touch the empty jar to say one by hand." : counted(many, "line")}
        </p>
        <StandingFacts key={row.key} row={row} rows={rows} c={c} />
      </section>
    </div>
  );
}
