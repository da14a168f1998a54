"use client";
import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from "react";
import { Volume2 } from "lucide-react";
import { useKitchen, useNow } from "../kitchen/kitchen";
import { readClock } from "../kitchen/clock";
import { spoken } from "./spoken";

/*
 * Make, read aloud by the browser's own voice on this device: the move and its amount when it comes, and the bell. Off until it is asked for.
 */
const NAME = "jolly-aloud";
const hasVoice = (): boolean => "speechSynthesis" in window;
const noNews = (): (() => void) => () => undefined;

function say(text: string): void {
  if (text === "") return;
  // What is said already is no longer what is to be done.
  window.speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.lang = "en";
  window.speechSynthesis.speak(said);
}
/** What stands large on the page: the move, and how much. */
const shown = (): string =>
  spoken([...document.querySelectorAll<HTMLElement>("[data-aloud]")].map((e) => e.innerText).join(". "));

/** Whether this device reads aloud, as it was said last. */
function useSwitch(): readonly [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setOn(localStorage.getItem(NAME) === "yes"), 0);
    return () => clearTimeout(timer);
  }, []);
  const turn = (to: boolean): void => {
    localStorage.setItem(NAME, to ? "yes" : "no");
    if (!to) window.speechSynthesis.cancel();
    setOn(to);
  };
  return [on, turn];
}

/** Says each clock that rings, once. */
function useBellSaid(on: boolean): void {
  const { clocks } = useKitchen();
  const now = useNow(1000);
  const told = useRef(new Set<string>());
  const ringing = clocks.filter((c) => readClock(c, now).bell === "rings");
  useEffect(() => {
    if (!on) return;
    for (const c of ringing) {
      const name = `${c.batch} ${c.clock} ${c.startedAt}`;
      if (told.current.has(name)) continue;
      told.current.add(name);
      say(spoken(`The clock rings: ${c.words}.`));
    }
  }, [on, ringing]);
}

/** @param at what stands in hand: said anew when it is another */
export function Aloud({ at }: { at: string }) {
  const here = useSyncExternalStore(noNews, hasVoice, () => false);
  const [on, turn] = useSwitch();
  const again = useCallback(() => say(shown()), []);
  useBellSaid(on);
  useEffect(() => {
    if (on) again();
  }, [on, at, again]);
  useEffect(() => {
    if (!on) return undefined;
    const onKey = (e: KeyboardEvent): void => {
      if (e.key !== "r" || e.ctrlKey || e.metaKey || e.altKey || e.repeat) return;
      if (e.target instanceof HTMLElement && e.target.closest("input, textarea, select, [role=dialog]"))
        return;
      again();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [on, again]);
  if (!here) return null;
  if (!on)
    return (
      <button
        type="button"
        className="plain min-h-11 inline-flex items-center gap-2"
        onClick={() => turn(true)}
      >
        <Volume2 size={22} aria-hidden="true" /> read it aloud
      </button>
    );
  return (
    <p className="flex flex-wrap items-center gap-x-5">
      <button
        type="button"
        className="min-h-14 px-5 border-2 border-cobalt text-cobalt text-[1.25rem] inline-flex items-center gap-3"
        onClick={again}
      >
        <Volume2 size={26} aria-hidden="true" /> say it again
      </button>
      <button type="button" className="plain min-h-11" onClick={() => turn(false)}>
        be quiet
      </button>
    </p>
  );
}
