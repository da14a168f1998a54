"use client";
import { useEffect, useRef, useState, useSyncExternalStore } from "react";
import { counted } from "@/core/words";
import type { Letter } from "@/outbox/letter";
import { clockTime } from "../kitchen/time";
import { useLastWord, useTimeOf } from "../kitchen/kitchen";
import { device, forgets } from "./device";
import { useKept } from "./kept";
import { keptSince } from "./kept-since";
import { letterWords, pageOf } from "./letter-words";
import Link from "./link";
import { useRouter } from "./router";
import { Told } from "./told";
import { listenToWants } from "./wants-house";

/** A letter that has lain so long is told of, ms: one that is on its way is no news. */
const NEWS_MS = 3000;

/** Whether something lies here longer than it takes to send it; once that is told, until the last of it is sent. */
function useLain(waiting: readonly Letter[], isAway: boolean): boolean {
  const some = waiting.length > 0;
  const [lain, setLain] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLain(some), some && !isAway ? NEWS_MS : 0);
    return () => clearTimeout(timer);
  }, [some, isAway]);
  return some && (isAway || lain);
}

/** Pages are made anew once the last of what lay here is sent. */
function useSentInTheEnd(waiting: number, isAway: boolean): void {
  const router = useRouter();
  const was = useRef(false);
  useEffect(() => {
    if (isAway && waiting > 0) was.current = true;
    if (!was.current || isAway || waiting > 0) return;
    was.current = false;
    router.refresh();
  }, [waiting, isAway, router]);
}

/** What the house would not take, beside why: it is said again, or dropped; nothing of it vanishes by itself. */
function Refused({ letter, zone }: { letter: Letter; zone: string }) {
  const router = useRouter();
  const timeOf = useTimeOf();
  const fault = letter.fault!;
  const decide = async (how: "again" | "drop"): Promise<void> => {
    const { outbox } = await device();
    if (how === "drop") await outbox.drop(letter.n);
    else
      await outbox.again(
        letter.n,
        fault.name === "Odd" ? { sure: true } : { seen: letter.seen ?? undefined },
      );
    router.refresh();
  };
  return (
    <li className="py-1">
      <Link href={pageOf(letter)}>{letterWords(letter)}</Link>, written here at{" "}
      {clockTime(timeOf(letter.wroteAt), zone)}, was not taken: <Told of={fault.message} />{" "}
      <button type="button" className="plain min-h-11 px-2" onClick={() => void decide("again")}>
        {fault.name === "Odd" ? "it is so" : "say it again"}
      </button>
      <button type="button" className="plain min-h-11 px-2" onClick={() => void decide("drop")}>
        drop it
      </button>
    </li>
  );
}

/** When the page was fetched, where this device kept it; asked once the page stands, since the house cannot know. */
function useKeptSince(): number | undefined {
  return useSyncExternalStore(noNews, keptSince, () => undefined);
}
const noNews = (): (() => void) => () => undefined;

/** The page that was asked for and cannot be shown just now. */
function useWanted(isAway: boolean): string {
  const [wanted, setWanted] = useState("");
  useEffect(() => listenToWants(setWanted), []);
  return isAway ? wanted : "";
}

/** Everything that waits here, in the order it was written. */
function WhatIsKept({ letters }: { letters: readonly Letter[] }) {
  return (
    <details>
      <summary className="plain inline-flex items-center min-h-11">what is kept</summary>
      <ol className="pb-2">
        {letters.map((l) => (
          <li key={l.n}>
            <Link href={pageOf(l)} className="inline-flex items-center min-h-11">
              {letterWords(l)}
            </Link>
          </li>
        ))}
      </ol>
    </details>
  );
}

/** What this device wrote and the house does not have yet, in one line; nothing where all is sent. */
export function KeptLine({ zone }: { zone: string }) {
  const { letters, reached } = useKept();
  const lastWord = useLastWord();
  const timeOf = useTimeOf();
  const isAway = reached === false;
  const waiting = letters.filter((l) => l.state === "waiting");
  const refused = letters.filter((l) => l.state === "refused");
  const handed = letters.filter((l) => l.state === "handed");
  const lain = useLain(waiting, isAway);
  const wanted = useWanted(isAway);
  useSentInTheEnd(waiting.length, isAway);
  const kept = useKeptSince();
  if (!lain && refused.length + handed.length === 0 && wanted === "" && !(isAway && kept !== undefined))
    return null;
  return (
    <section aria-label="Kept here" className="no-print bg-glaze border-b border-iron px-4 sm:px-8 py-1">
      {lain && (
        <p role="status">
          <strong>{counted(waiting.length, "thing")} kept here</strong>, since{" "}
          {clockTime(timeOf(waiting[0]!.wroteAt), zone)}; the last word from the house came at{" "}
          {clockTime(timeOf(lastWord), zone)}.
          {forgets() && " This browser keeps nothing for long: leave this page open until it is sent."}{" "}
          <button
            type="button"
            className="plain min-h-11 px-2"
            onClick={() => void device().then((d) => d.outbox.flush())}
          >
            send it now
          </button>
        </p>
      )}
      {lain && <WhatIsKept letters={waiting} />}
      {isAway && kept !== undefined && (
        <p role="status">
          The house does not answer. This page is as it stood at {clockTime(timeOf(kept), zone)}.
        </p>
      )}
      {handed.length > 0 && (
        <p role="status">
          This device was sent away. {counted(handed.length, "thing")} it had written{" "}
          {handed.length === 1 ? "was" : "were"} left with a keeper of the house.
        </p>
      )}
      {wanted !== "" && (
        <p role="status">The house is away, and that page is not kept here. What is open stays.</p>
      )}
      {refused.length > 0 && (
        <ul aria-label="Not taken">
          {refused.map((l) => (
            <Refused key={l.n} letter={l} zone={zone} />
          ))}
        </ul>
      )}
    </section>
  );
}
