"use client";
import Link from "../kit/link";
import { Check } from "lucide-react";
import { capital, counted } from "@/core/words";
import type { TodaySort } from "./touches";
import { type Jar, type TodayItem, type Touching, useTouches } from "./use-touches";
import type { Stop } from "./stops";

/** Where a thing is done that is more than a touch; a touch is done right here. */
function pageOf(sort: TodaySort, id: string): string | undefined {
  switch (sort) {
    case "strain":
      return `/batch/${id}/strain`;
    case "make":
      return `/batch/${id}/make`;
    case "finish":
    case "mend":
    case "top-up":
      return `/batch/${id}`;
    case "taste":
      return `/batch/${id}#taste`;
    case "shake":
    case "turn":
    case "push-under":
    case "let-out":
    case "look":
      return undefined;
  }
}

/** One sort of touch: each jar that wants it, and all of them at once. */
function OneSort({ item, open, t }: { item: TodayItem; open: readonly Jar[]; t: Touching }) {
  const touched = pageOf(item.sort, "") === undefined;
  return (
    <li className="border-b border-rule py-3">
      <p className="flex flex-wrap items-baseline gap-x-4">
        <span className={`font-bold ${item.matters ? "text-rust" : ""}`}>
          {item.words}
          {open.length > 1 ? ` ${counted(open.length, "jar")}` : ""}
        </span>
        {touched && open.length > 1 && (
          <button
            type="button"
            className="plain min-h-11"
            disabled={t.away.size > 0}
            onClick={() => void t.touch(item, open)}
          >
            {open.length === 2 ? "both done" : `all ${open.length} done`}
          </button>
        )}
      </p>
      <ul>
        {open.map((j) => (
          <OneJar
            key={j.id}
            item={item}
            jar={j}
            sending={t.away.has(`${item.sort}-${j.id}`)}
            touch={() => void t.touch(item, [j])}
          />
        ))}
      </ul>
      {t.wrong[item.sort] && (
        <p role="alert" className="wrong">
          {t.wrong[item.sort]}
        </p>
      )}
    </li>
  );
}

/** What was done a moment ago, and the ways to take it back or put it on the day before. */
function JustDone({ t }: { t: Touching }) {
  return (
    <div role="status">
      {t.done.map((d) => (
        <p key={d.name} className="flex items-center gap-x-3 text-ash">
          <Check size={20} className="text-celadon-deep shrink-0" aria-hidden="true" />
          <span className="min-w-0 break-words">
            {d.words}: {d.jar.code}
          </span>
          <button
            type="button"
            className="plain min-h-11 ml-auto"
            aria-label={`yesterday: ${d.words}, ${d.jar.code}`}
            onClick={() => void t.yesterday(d)}
          >
            yesterday
          </button>
          <button
            type="button"
            className="plain min-h-11"
            aria-label={`Undo: ${d.words}, ${d.jar.code}`}
            onClick={() => void t.undo(d)}
          >
            undo
          </button>
        </p>
      ))}
    </div>
  );
}

/** One jar that wants several things: all of them at the one stop, each a touch, or all at once. */
function OneStop({ stop, items, t }: { stop: Stop; items: readonly TodayItem[]; t: Touching }) {
  const { id, code, name } = stop.jar!;
  const here = items.filter((x) => pageOf(x.sort, "") === undefined);
  const wrong = items.map((x) => t.wrong[x.sort]).find((w) => w);
  const all = async (): Promise<void> => {
    for (const item of here) await t.touch(item, item.jars);
  };
  return (
    <li className="border-b border-rule py-3">
      <p className="flex flex-wrap items-baseline gap-x-4">
        <span className="flex items-center gap-x-2">
          <Link href={`/batch/${id}`} className="font-semibold inline-flex items-center min-h-11 min-w-11">
            {code}
          </Link>{" "}
          <strong className="min-w-0">{capital(name)}</strong>
        </span>
        {here.length > 1 && (
          <button
            type="button"
            className="plain min-h-11"
            disabled={t.away.size > 0}
            onClick={() => void all()}
          >
            {here.length === 2 ? "both done" : `all ${here.length} done`}
          </button>
        )}
      </p>
      <ul>
        {items.map((item) => (
          <OneJar
            key={item.sort}
            item={item}
            jar={item.jars[0]!}
            stops
            sending={t.away.has(`${item.sort}-${id}`)}
            touch={() => void t.touch(item, item.jars)}
          />
        ))}
      </ul>
      {wrong && (
        <p role="alert" className="wrong">
          {wrong}
        </p>
      )}
    </li>
  );
}

/** What is still open of a thing: what was touched a moment ago is told below. */
const openOf = (item: TodayItem, written: ReadonlySet<string>): TodayItem => ({
  ...item,
  jars: item.jars.filter((j) => !written.has(`${item.sort}-${j.id}`)),
});

/** What wants doing today, in one list that can be done with one hand: a jar by itself with all it wants, or all of a sort at once. */
export function Today({ stops }: { stops: readonly Stop[] }) {
  const t = useTouches();
  const written = new Set(t.done.map((d) => d.name));
  return (
    <>
      {stops.length === 0 && t.done.length === 0 && (
        <p className="py-4">Nothing wants doing today. The jars work on by themselves.</p>
      )}
      <ul>
        {stops.map((stop) => {
          const open = stop.items.map((x) => openOf(x, written)).filter((x) => x.jars.length > 0);
          const [item] = open;
          if (!item) return null;
          if (stop.jar) return <OneStop key={stop.jar.id} stop={stop} items={open} t={t} />;
          return <OneSort key={item.sort} item={item} open={item.jars} t={t} />;
        })}
      </ul>
      <JustDone t={t} />
      {t.wrong["undo"] && (
        <p role="alert" className="wrong">
          {t.wrong["undo"]}
        </p>
      )}
    </>
  );
}

function OneJar({
  item,
  jar,
  stops = false,
  sending,
  touch,
}: {
  item: TodayItem;
  jar: Jar;
  /** The jar is named over it: here stands what it wants. */
  stops?: boolean;
  sending: boolean;
  touch: () => void;
}) {
  const page = pageOf(item.sort, jar.id);
  const why =
    jar.overdue || page ? <span className={jar.overdue ? "text-rust" : "text-ash"}>, {jar.why}</span> : null;
  return (
    <li className="flex items-center gap-3 min-h-11">
      {!page && (
        <button
          type="button"
          className={`w-11 h-11 shrink-0 grid place-items-center`}
          disabled={sending}
          aria-label={`${item.words} ${jar.code}, ${jar.name}: done`}
          onClick={touch}
        >
          <span
            className={`w-7 h-7 border-2 bg-paper grid place-items-center ${item.matters ? "border-rust" : "border-cobalt"}`}
          >
            {sending && <Check size={20} className="text-celadon-deep" aria-hidden="true" />}
          </span>
        </button>
      )}
      <span className="min-w-0 break-words">
        {!stops && (
          <>
            <Link href={page ?? `/batch/${jar.id}`} className="font-semibold">
              {jar.code}
            </Link>{" "}
            {capital(jar.name)}
          </>
        )}
        {stops && page && (
          <Link href={page} className="inline-flex items-center min-h-11 min-w-11">
            {item.words}
          </Link>
        )}
        {stops && !page && (
          <span className={item.matters ? "text-rust font-semibold" : ""}>{item.words}</span>
        )}
        {why}
      </span>
    </li>
  );
}
