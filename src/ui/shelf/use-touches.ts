"use client";
import { useRouter } from "../kit/router";
import { useRef, useState } from "react";
import type { ToBatch } from "@/contract/writes";
import { send } from "../kit/send";
import { toBatch } from "../kit/writes";
import { useNow } from "../kitchen/kitchen";
import type { TodaySort, TouchOfDay } from "./touches";

export type TodayItem = TouchOfDay;
export type Jar = TouchOfDay["jars"][number];
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

const PAST: Readonly<Partial<Record<TodaySort, string>>> = {
  shake: "Shaken",
  turn: "Turned",
  "push-under": "Pushed under",
  "let-out": "Gas let out",
  look: "Looked at",
};

const A_DAY = 24 * 60 * 60_000;

/** Writes touches and takes them back; one key for one touch of one jar, however often it is tapped. */
export function useTouches() {
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

export type Touching = ReturnType<typeof useTouches>;
