"use client";
import { usePathname } from "next/navigation";
import { useRouter } from "./router";
import { useEffect, useRef, useState } from "react";
import { heard as houseHeard } from "./device";
import { keptSince } from "./kept-since";
import { useLatest } from "./latest";
import { wasMine } from "./sent-keys";

/** What others write in a moment is fetched once. */
const GATHER_MS = 120;
/** Pages on which one step of a batch is typed: looked at again, what stands typed there might have no place any more. */
const ONE_STEP = /^\/batch\/([0-9a-f-]{36})\/(?:strain|finish|bottle)$/;

/**
 * Listens to what is written while the page is seen, since a browser holds few lines open to one house. What was written meanwhile, from the page's making
 * on, is told when the line opens.
 * @param view of the database, of which the page was made
 */
function useHeard(view: string, heard: (said: string) => void, cameBack: () => void): void {
  const [now, back] = [useLatest(heard), useLatest(cameBack)];
  const made = useRef(view);
  useEffect(() => {
    let line: EventSource | undefined;
    let at = made.current;
    let first = true;
    const listen = (): void => {
      if (document.visibilityState !== "visible" || line) return;
      line = new EventSource(`/api/live?view=${encodeURIComponent(at)}`);
      line.onmessage = (e: MessageEvent<string>) => {
        at = e.lastEventId || at;
        now()(e.data);
      };
      line.onopen = () => {
        houseHeard(true);
        // A page that was away, or that this device kept, is made anew for its clocks and its day.
        if (!first || keptSince() !== undefined) back()();
        first = false;
      };
    };
    const seen = (): void => {
      if (document.visibilityState === "visible") return listen();
      line?.close();
      line = undefined;
    };
    listen();
    document.addEventListener("visibilitychange", seen);
    return () => {
      document.removeEventListener("visibilitychange", seen);
      line?.close();
    };
  }, [now, back]);
}

/**
 * Keeps an open page abreast of what is written elsewhere: another tablet, another window, the house itself. What is typed is the page's own and stays;
 * where a step of a batch is typed it is said that the batch was changed, and the page is looked at again when the maker says so.
 */
export function Live({ view }: { view: string }) {
  const router = useRouter();
  const path = usePathname();
  const [changed, setChanged] = useState("");
  const step = ONE_STEP.exec(path);
  const soon = useLatest(() => router.refresh());
  const [timer, setTimer] = useState<ReturnType<typeof setTimeout> | undefined>();
  const look = (): void => {
    clearTimeout(timer);
    setTimer(setTimeout(() => soon()(), GATHER_MS));
  };
  useHeard(
    view,
    (said) => {
      // Where something may have been missed, no stream is said.
      const [key = "", stream] = said.split(" ");
      if (wasMine(key)) return;
      if (!step) return look();
      if (stream === undefined || stream === step[1]) setChanged(path);
    },
    () => {
      if (!step) look();
    },
  );
  if (changed !== path || !step) return null;
  return (
    <p
      role="status"
      className="fixed z-30 top-16 inset-x-0 mx-auto w-fit max-w-[92vw] bg-paper border-2 border-cobalt px-4"
    >
      This batch was changed elsewhere.{" "}
      <button
        type="button"
        className="plain min-h-11"
        onClick={() => {
          setChanged("");
          router.refresh();
        }}
      >
        look again
      </button>
    </p>
  );
}
