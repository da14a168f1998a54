"use client";
import { memo, useCallback, useMemo, useState } from "react";
import { type Told, keptOf, startsOf } from "@/core/season/told";
import type { KeptStart } from "@/core/season/events";
import { addDays, printDay } from "@/core/day";
import { useRem } from "../kit/tall";
import { useWidth } from "../kit/width";
import { BEFORE, NEXT_PIECE, alongOf, isDrawn, isNarrow, xOf } from "./along";
import { Bottles } from "./bottles";
import { Heads } from "./heads";
import { Pours } from "./pours";
import { Short } from "./short";
import { TermsForm } from "./terms";
import { ToBegin } from "./to-begin";
import { useSeason } from "./use-season";
import { useWriteSeason } from "./use-wish";
import { Vessels } from "./vessels";
import { WhatIfs } from "./what-if";
import { type Known, WishForm } from "./wish-form";

interface Props {
  readonly told: Told;
  readonly kept: readonly KeptStart[];
  readonly keptOn: string | undefined;
  readonly seq: number;
  readonly known: readonly Known[];
}

/** A year as one picture, and everything that pushes it about. */
export function SeasonView({ told, kept, keptOn, seq, known }: Props) {
  const season = useSeason(told, startsOf(kept, told));
  const [ref, width] = useWidth<HTMLDivElement>(1216);
  const [first, setFirst] = useState(0);
  const [open, setOpen] = useState<string | undefined>();
  const k = useRem() / 16;
  const { today, days } = told;
  const a = useMemo(() => alongOf(width, { today, days, first, k }), [width, today, days, first, k]);
  const toggle = useCallback((id: string): void => setOpen((o) => (o === id ? undefined : id)), []);
  const opened = told.remedies.find((r) => r.id === open);
  return (
    <div className="pt-5">
      <h1 className="sr-only">Season</h1>
      {isNarrow(a) && <Pieces first={first} to={setFirst} told={told} />}
      <div ref={ref} data-drawing="" className="relative overflow-x-clip">
        <TodayStroke a={a} />
        <Heads told={told} a={a} width={width} />
        {told.vessels.length === 0 ? (
          <p className="py-3">
            No jar or pot is written down. The Stores hold them; a plan wants to know in what it may be made.
          </p>
        ) : (
          <Vessels {...{ told, season, a, width }} />
        )}
        <h2 className="text-[1rem] text-ash font-normal pt-3">to be poured</h2>
        <Pours {...{ told, poured: season.poured, lived: season.lived, a, width, open, toggle }} />
      </div>
      {opened && (
        <Bottles
          told={told}
          r={opened}
          poured={season.poured[told.remedies.indexOf(opened)]!}
          a={a}
          width={width}
        />
      )}
      {opened && (
        <WishForm
          key={opened.id}
          {...{
            told,
            known,
            wish: opened.wish,
            of: opened.wish ? undefined : opened,
            done: () => setOpen(undefined),
          }}
        />
      )}
      {open === "new" && (
        <WishForm {...{ told, known, wish: undefined, of: undefined, done: () => setOpen(undefined) }} />
      )}
      {open === "terms" && <TermsForm told={told} done={() => setOpen(undefined)} />}
      <Foot {...{ told, season, seq, keptOn, toggle, open }} />
      <Short told={told} season={season} />
      <ToBegin told={told} season={season} />
      <WhatIfs told={told} season={season} />
    </div>
  );
}

/** Today: one brush stroke down the whole picture. */
function TodayStroke({ a }: { a: ReturnType<typeof alongOf> }) {
  if (!isDrawn(a, 0)) return null;
  return (
    <div
      aria-hidden="true"
      className="absolute top-0 bottom-0 w-[5px] bg-cobalt rounded-full pointer-events-none z-10 opacity-90"
      style={{ left: xOf(a, 0) - 2 }}
    />
  );
}

/** On a telephone the year is looked at in pieces. */
function Pieces({ first, to, told }: { first: number; to: (n: number) => void; told: Told }) {
  return (
    <div className="flex items-center justify-between">
      <button
        type="button"
        className="plain min-h-11"
        disabled={first <= -BEFORE}
        onClick={() => to(Math.max(-BEFORE, first - NEXT_PIECE))}
      >
        earlier
      </button>
      <span>from {printDay(addDays(told.today, first), "short", told.today)}</span>
      <button
        type="button"
        className="plain min-h-11"
        disabled={first + NEXT_PIECE >= told.days}
        onClick={() => to(first + NEXT_PIECE)}
      >
        later
      </button>
    </div>
  );
}

type Season = ReturnType<typeof useSeason>;

/** How far the search has come, in words. */
function searchWords({ searching }: Season): string {
  const { found, running, failed } = searching;
  if (failed) return "The search could not be carried out. The plan stands as it was; try once more.";
  if (!found) return running ? "Looking for a plan…" : "";
  const near = found.bound > 0 ? (found.points - found.bound) / found.bound : undefined;
  const within = (): string => {
    if (found.points < 1) return "nothing is left to better";
    if (near === undefined) return "how good it could be is not known yet";
    return near < 0.005
      ? "as good as any plan by weeks could be"
      : `within ${Math.ceil(near * 100)} % of the best there could be`;
  };
  const looked = `${found.tried} pieces looked at, ${found.better} made better`;
  return `${running ? "Looking on: " : ""}${looked}; ${within()}.`;
}

/** One more batch of a remedy, set on the first day that suits. */
const OneMore = memo(function OneMore({
  told,
  act,
  year,
}: {
  told: Told;
  act: Season["act"];
  year: Season["year"];
}) {
  if (told.remedies.length === 0) return null;
  return (
    <select
      className="field"
      aria-label="Begin one more of"
      value=""
      onChange={(e) => e.target.value && act({ do: "add", remedy: e.target.value, year })}
    >
      <option value="">one more of…</option>
      {told.remedies
        .filter((r) => r.making)
        .map((r) => (
          <option key={r.id} value={r.id}>
            {r.name}
          </option>
        ))}
    </select>
  );
});

/** Ways to say what is wanted, and what can be done. */
function Openers({ open, toggle }: { open: string | undefined; toggle: (id: string) => void }) {
  return (
    <>
      <button
        type="button"
        className="plain min-h-11"
        aria-expanded={open === "new"}
        onClick={() => toggle("new")}
      >
        what is wanted, and when
      </button>
      <button
        type="button"
        className="plain min-h-11"
        aria-expanded={open === "terms"}
        onClick={() => toggle("terms")}
      >
        room, hours and days
      </button>
    </>
  );
}

/** How far the search has come, and whether what is drawn is kept. */
function Standing({ told, season, keptOn }: { told: Told; season: Season; keptOn: string | undefined }) {
  const { searching, hand } = season;
  const said = searchWords(season);
  return (
    <>
      <p role="status" className="min-h-6" data-searching={searching.running ? "yes" : "no"}>
        {said}
      </p>
      <p className="quiet">
        {keptOn ? `Kept ${printDay(keptOn, "long", told.today)}` : "No plan is kept yet"}
        {hand.changed ? "; what is drawn differs from it." : "."} Planned at the use that four years in five
        stay under; the pale band is where eight in ten of five hundred years, as they might go, have it. All
        of it is an estimate.
      </p>
    </>
  );
}

function Foot({
  told,
  season,
  seq,
  keptOn,
  toggle,
  open,
}: {
  told: Told;
  season: Season;
  seq: number;
  keptOn: string | undefined;
  toggle: (id: string) => void;
  open: string | undefined;
}) {
  const { hand, act, searching, mend, enough } = season;
  const { write, sending, fault } = useWriteSeason();
  const keep = async (): Promise<void> => {
    if (await write("planned", { starts: keptOf(hand.starts, told) }, seq)) act({ do: "kept" });
  };
  return (
    <div className="border-t-2 border-iron mt-3 pt-3 grid gap-2">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <button
          type="button"
          className="slab"
          disabled={sending || !hand.changed}
          onClick={() => void keep()}
        >
          keep this plan
        </button>
        {searching.running ? (
          <button type="button" className="plain min-h-11" onClick={enough}>
            good enough
          </button>
        ) : (
          <button
            type="button"
            className="plain min-h-11"
            disabled={told.remedies.length === 0}
            onClick={mend}
          >
            {hand.starts.length === 0 ? "make a plan" : "mend it"}
          </button>
        )}
        {hand.past.length > 0 && (
          <button type="button" className="plain min-h-11" onClick={() => act({ do: "back" })}>
            step back
          </button>
        )}
        <Openers {...{ open, toggle }} />
        <OneMore told={told} act={act} year={season.year} />
        <a href="/season/year.pdf" className="inline-grid content-center min-h-11">
          on paper
        </a>
      </div>
      <Standing {...{ told, season, keptOn }} />
      {fault && (
        <p role="alert" className="wrong">
          {fault.message}
        </p>
      )}
    </div>
  );
}
