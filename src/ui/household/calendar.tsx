"use client";
import { useRouter } from "../kit/router";
import { useState } from "react";
import type { FeedAnswer } from "@/contract/writes";
import { send } from "../kit/send";
import { toFeed } from "../kit/writes";

/** 32 bytes nobody guesses, as they stand in an address. */
function newSecret(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(32));
  return btoa(String.fromCharCode(...bytes))
    .replaceAll("+", "-")
    .replaceAll("/", "_")
    .replaceAll("=", "");
}

/** The calendar: a file to keep, and a feed whose address is told once. */
export function CalendarOut({ on }: { on: boolean }) {
  const router = useRouter();
  const [told, tell] = useState<FeedAnswer | undefined>();
  const [wrong, setWrong] = useState("");
  const [sending, setSending] = useState(false);
  const change = async (secret: string): Promise<void> => {
    setSending(true);
    const sent = await send(toFeed(secret), crypto.randomUUID());
    setSending(false);
    setWrong(sent.ok ? "" : sent.fault.message);
    tell(sent.ok && secret !== "" ? sent.answer : undefined);
    router.refresh();
  };
  return (
    <section aria-labelledby="calendar" className="grid grid-cols-1 gap-3">
      <h2 id="calendar" className="ruled-head">
        Calendar
      </h2>
      <p className="max-w-prose">
        What to shake and when, straining windows and days, days to start by, best-by days of bottles.{" "}
        <a href="/calendar.ics" download className="inline-flex items-center min-h-11">
          keep it as a file
        </a>
      </p>
      <p className="flex flex-wrap gap-x-6 gap-y-1 items-center">
        <button type="button" className="slab" disabled={sending} onClick={() => void change(newSecret())}>
          {on ? "another address for the feed" : "make an address for a feed"}
        </button>
        {on && (
          <button type="button" className="plain min-h-11" disabled={sending} onClick={() => void change("")}>
            close the feed
          </button>
        )}
        <span className="quiet" role="status">
          {on && !told ? "There is a feed. Its address was told once; another one closes it." : ""}
        </span>
      </p>
      {wrong && (
        <p role="alert" className="wrong">
          {wrong}
        </p>
      )}
      {told && (
        <div role="status" className="grid gap-3 border-l-[6px] border-cobalt pl-4">
          <p>
            Give this address to your calendar. It is told only now; whoever has it can read what you make.
          </p>
          <p className="font-semibold break-all">{told.address}</p>
          <img
            src={`data:image/svg+xml;utf8,${encodeURIComponent(told.qr)}`}
            alt="The address as a code to be read by a camera"
            width={220}
            height={220}
          />
          <p className="quiet">It is served on this machine alone, to calendars that run on it.</p>
        </div>
      )}
    </section>
  );
}
