"use client";
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState } from "react";
import { heard } from "../kit/device";
import { keptSince } from "../kit/kept-since";
import { useLatest } from "../kit/latest";
import type { KitchenClock } from "./clock";

interface Said {
  readonly now: string;
  readonly frozen: boolean;
  readonly seq: number | null;
  readonly clocks: readonly KitchenClock[];
}
const isRecord = (x: unknown): x is Record<string, unknown> => typeof x === "object" && x !== null;
const TEXTS = ["batch", "code", "name", "clock", "words", "startedAt"];
const isClock = (x: unknown): x is KitchenClock =>
  isRecord(x) &&
  TEXTS.every((k) => typeof x[k] === "string") &&
  typeof x["low"] === "number" &&
  typeof x["high"] === "number";
/** Read by hand: a schema’s reader would weigh more than all else that every page loads. */
const isSaid = (x: unknown): x is Said =>
  isRecord(x) &&
  typeof x["now"] === "string" &&
  typeof x["frozen"] === "boolean" &&
  (x["seq"] === null || typeof x["seq"] === "number") &&
  Array.isArray(x["clocks"]) &&
  x["clocks"].every(isClock);

/** What the server's clock shows against this browser's. */
interface Tells {
  readonly serverMs: number;
  readonly hereMs: number;
  readonly frozen: boolean;
}

interface Kitchen {
  readonly clocks: readonly KitchenClock[];
  readonly tells: Tells;
  /** How far the watched batch's journal had got when last asked. */
  readonly seq: number | undefined;
  readonly ask: () => Promise<void>;
  readonly watch: (batch: string | undefined) => void;
  /** Whether this house has instruments to listen to. */
  readonly instruments: boolean;
}

const Context = createContext<Kitchen | undefined>(undefined);

/** Asked again so often while the page is seen, ms; slower while nothing runs. */
const [OFTEN, SELDOM] = [4000, 15_000];

/** Clocks of every batch, by the server's time, kept fresh on every page. */
export function KitchenProvider({
  now,
  frozen,
  clocks: first,
  instruments,
  children,
}: {
  now: string;
  frozen: boolean;
  clocks: readonly KitchenClock[];
  instruments: boolean;
  children: React.ReactNode;
}) {
  const [clocks, setClocks] = useState(first);
  const [seq, setSeq] = useState<number | undefined>();
  const [tells, setTells] = useState<Tells>(() => ({
    serverMs: Date.parse(now),
    // A page that this device kept tells the time of the day it was made.
    hereMs: keptSince() ?? Date.now(),
    frozen,
  }));
  const [watched, watch] = useState<string | undefined>();
  const asked = useRef(0);
  const ask = useCallback(async (): Promise<void> => {
    const mine = ++asked.current;
    try {
      const reply = await fetch(`/api/kitchen${watched ? `?batch=${watched}` : ""}`, { cache: "no-store" });
      if (!reply.ok) return;
      const said: unknown = await reply.json();
      if (!isSaid(said)) return;
      // An answer that was overtaken by a later one says nothing new.
      if (mine !== asked.current) return;
      setTells({ serverMs: Date.parse(said.now), hereMs: Date.now(), frozen: said.frozen });
      setClocks(said.clocks);
      setSeq(said.seq ?? undefined);
      heard(true);
    } catch {
      // The server is away: clocks go on by what is known.
      heard(false);
    }
  }, [watched]);
  const every = clocks.length > 0 || watched ? OFTEN : SELDOM;
  useEffect(() => {
    const timer = setInterval(() => document.visibilityState === "visible" && void ask(), every);
    const seen = (): void => {
      if (document.visibilityState === "visible") void ask();
    };
    document.addEventListener("visibilitychange", seen);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", seen);
    };
  }, [ask, every]);
  const is = useMemo(
    () => ({ clocks, tells, seq, ask, watch, instruments }),
    [clocks, tells, seq, ask, instruments],
  );
  return <Context.Provider value={is}>{children}</Context.Provider>;
}

export function useKitchen(): Kitchen {
  const k = useContext(Context);
  if (!k) throw new Error("the kitchen is provided by the layout");
  return k;
}

const timeBy = (t: Tells, hereMs = Date.now()): number =>
  t.frozen ? t.serverMs : t.serverMs + hereMs - t.hereMs;

/** The house's time of an instant of this device, ms; the same function until the house tells its time anew by more than a little. */
export function useTimeOf(): (hereMs: number) => number {
  const { tells } = useKitchen();
  const ahead = Math.round((tells.serverMs - tells.hereMs) / 2000);
  const first = useLatest(tells);
  // A clock told anew every four seconds is the same clock.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  return useMemo(() => (hereMs: number) => timeBy(first(), hereMs), [ahead, tells.frozen, first]);
}

/** When the house last told its time, ms by this device's clock. */
export const useLastWord = (): number => useKitchen().tells.hereMs;

/** The server's time, ms, told again every so many ms. */
export function useNow(every: number): number {
  const { tells } = useKitchen();
  const [now, set] = useState(tells.serverMs);
  useEffect(() => {
    const tick = (): void => set(timeBy(tells));
    const first = setTimeout(tick, 0);
    const timer = setInterval(tick, every);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [tells, every]);
  return now;
}
