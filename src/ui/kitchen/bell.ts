"use client";
import { useEffect, useRef } from "react";
import { type KitchenClock, readClock } from "./clock";
import { useKitchen, useNow } from "./kitchen";

let audio: AudioContext | undefined;

/** A browser lets a page sound only once it was touched; the first touch readies it. */
function ready(): void {
  try {
    audio ??= new AudioContext();
    if (audio.state === "suspended") void audio.resume();
  } catch {
    // No sound here: the title, the line and the notification ring.
  }
}

/** Two strokes of a small bell. */
function strike(): void {
  if (!audio || audio.state !== "running") return;
  for (const [i, hz] of [880, 660].entries()) {
    const t = audio.currentTime + i * 0.28;
    const tone = audio.createOscillator();
    const loud = audio.createGain();
    tone.frequency.value = hz;
    loud.gain.setValueAtTime(0.25, t);
    loud.gain.exponentialRampToValueAtTime(0.001, t + 0.9);
    tone.connect(loud).connect(audio.destination);
    tone.start(t);
    tone.stop(t + 0.9);
  }
}

function notify(c: KitchenClock): void {
  if (typeof Notification === "undefined" || Notification.permission !== "granted") return;
  new Notification(`${c.code}: ${c.words}`, { body: c.name, tag: `${c.batch}-${c.clock}` });
}

/** Between strokes of a bell nobody has touched, ms. */
const AGAIN = 4000;

/** Rings what is due: sound, the page's title, a notification where it is allowed; again and again until it is touched. */
export function useBells(): void {
  const { clocks } = useKitchen();
  const any = clocks.length > 0;
  const now = useNow(1000);
  const told = useRef(new Set<string>());
  const struck = useRef(0);
  const loud = clocks.filter((c) => readClock(c, now).bell === "rings");
  const first = clocks.filter((c) => readClock(c, now).bell === "first");
  // No sound is readied, and no device woken, where nothing can ring.
  useEffect(() => {
    if (!any) return undefined;
    window.addEventListener("pointerdown", ready);
    window.addEventListener("keydown", ready);
    return () => {
      window.removeEventListener("pointerdown", ready);
      window.removeEventListener("keydown", ready);
    };
  }, [any]);
  useEffect(() => {
    for (const [bell, of] of [["first", first] as const, ["last", loud] as const])
      for (const c of of) {
        const name = `${c.batch} ${c.clock} ${c.startedAt} ${bell}`;
        if (told.current.has(name)) continue;
        told.current.add(name);
        strike();
        notify(c);
      }
    if (loud.length > 0 && now - struck.current >= AGAIN) {
      struck.current = now;
      strike();
    }
  }, [now, loud, first]);
  const ringing = loud[0];
  useEffect(() => {
    if (!ringing) return undefined;
    const was = document.title;
    document.title = `It rings: ${ringing.words} · ${ringing.code}`;
    return () => {
      document.title = was;
    };
  }, [ringing]);
}
