"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { Check } from "lucide-react";
import type { ToBatch } from "@/contract/writes";
import { capital, counted } from "@/core/words";
import type { TodaySort } from "./card";
import { send } from "../kit/send";
import { toBatch } from "../kit/writes";
import { useNow } from "../kitchen/kitchen";

interface Jar {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly why: string;
  readonly overdue: boolean;
}
export interface TodayItem {
  readonly sort: TodaySort;
  readonly words: string;
  readonly matters: boolean;
  readonly jars: readonly Jar[];
}

type Touch = ToBatch["touched"]["what"];

/** A touch written a moment ago, which can be taken back. */
interface Done {
  readonly name: string;
  readonly sort: TodaySort;
  readonly words: string;
  readonly jar: Jar;
  readonly entry: number;
  readonly seen: number;
}

/** Where a thing is done that is more than a touch; a touch is done right here. */
function pageOf(sort: TodaySort, id: string): string | undefined {
  switch (sort) {
    case "strain":
      return `/batch/${id}/strain`;
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

const PAST: Readonly<Partial<Record<TodaySort, string>>> = {
  shake: "Shaken",
  turn: "Turned",
  "push-under": "Pushed under",
  "let-out": "Gas let out",
  look: "Looked at",
};

const A_DAY = 24 * 60 * 60_000;

/** Writes touches and takes them back; one key for one touch of one jar, however often it is tapped. */
function useTouches() {
  const router = useRouter();
  const [done, setDone] = useState<readonly Done[]>([]);
  const now = useNow(60_000);
  const [away, setAway] = useState<ReadonlySet<string>>(new Set());
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const keys = useRef(new Map<string, string>());
  const keyOf = (name: string): string => {
    const key = keys.current.get(name) ?? crypto.randomUUID();
    keys.current.set(name, key);
    return key;
  };
  const one = async (item: TodayItem, jar: Jar): Promise<string> => {
    const name = `${item.sort}-${jar.id}`;
    const sent = await send(toBatch(jar.id, "touched", { what: item.sort as Touch }), keyOf(name));
    if (!sent.ok) return sent.fault.message;
    const { entry, seq } = sent.answer;
    const words = PAST[item.sort] ?? item.words;
    setDone((was) => [
      { name, sort: item.sort, words, jar, entry, seen: seq },
      ...was.filter((d) => d.name !== name),
    ]);
    return "";
  };
  const touch = async (item: TodayItem, jars: readonly Jar[]): Promise<void> => {
    const names = jars.map((j) => `${item.sort}-${j.id}`);
    setAway((was) => new Set([...was, ...names]));
    let failed = "";
    for (const jar of jars) failed = (await one(item, jar)) || failed;
    setAway((was) => new Set([...was].filter((x) => !names.includes(x))));
    setWrong((was) => ({ ...was, [item.sort]: failed }));
    router.refresh();
  };
  const undo = async (d: Done): Promise<void> => {
    const sent = await send(
      toBatch(d.jar.id, "corrected", { seq: d.entry, body: null }, { seen: d.seen }),
      keyOf(`undo-${d.name}-${d.entry}`),
    );
    setWrong((was) => ({ ...was, undo: sent.ok ? "" : sent.fault.message }));
    if (sent.ok) {
      // Touched again it is another touch, under a key of its own.
      keys.current.delete(d.name);
      setDone((was) => was.filter((x) => x.entry !== d.entry || x.jar.id !== d.jar.id));
    }
    router.refresh();
  };
  /** It was done, but the day before: the touch of today did not happen, and one of yesterday did. */
  const yesterday = async (d: Done): Promise<void> => {
    const name = `yesterday-${d.name}-${d.entry}`;
    const at = new Date(now - A_DAY).toISOString();
    const sent = await send(toBatch(d.jar.id, "touched", { what: d.sort as Touch }, { at }), keyOf(name));
    if (!sent.ok) return setWrong((was) => ({ ...was, undo: sent.fault.message }));
    await undo({ ...d, seen: sent.answer.seq });
  };
  return { done, away, wrong, touch, undo, yesterday };
}

type Touching = ReturnType<typeof useTouches>;

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

/** What wants doing today, in one list that can be done with one hand: each jar by itself, or all of a sort at once. */
export function Today({ items }: { items: readonly TodayItem[] }) {
  const t = useTouches();
  const written = new Set(t.done.map((d) => d.name));
  return (
    <>
      {items.length === 0 && t.done.length === 0 && (
        <p className="py-4">Nothing wants doing today. The jars work on by themselves.</p>
      )}
      <ul>
        {items.map((item) => {
          const open = item.jars.filter((j) => !written.has(`${item.sort}-${j.id}`));
          return open.length === 0 ? null : <OneSort key={item.sort} item={item} open={open} t={t} />;
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
  sending,
  touch,
}: {
  item: TodayItem;
  jar: Jar;
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
        <Link href={page ?? `/batch/${jar.id}`} className="font-semibold">
          {jar.code}
        </Link>{" "}
        {capital(jar.name)}
        {why}
      </span>
    </li>
  );
}
