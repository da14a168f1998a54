"use client";
import { useEffect, useRef, useState } from "react";
import type { Answers, Question } from "@/workers/planning.worker";

/** How long the hand must rest before the worker is asked, ms. */
const RESTS = 350;

/**
 * Asks the planning worker once the hand rests, and holds the newest answer to the very question asked last.
 * @param question what to ask; nothing to ask nothing. Compared by its text.
 * @returns the answer, or `undefined` while it is being found
 */
export function useAsked<K extends keyof Answers>(question: Extract<Question, { ask: K }> | undefined): Answers[K] | undefined {
  const [found, setFound] = useState<{ text: string; answer: Answers[K] } | undefined>();
  const worker = useRef<Worker | undefined>(undefined);
  const n = useRef(0);
  const text = question ? JSON.stringify(question) : "";
  useEffect(() => () => { worker.current?.terminate(); worker.current = undefined; }, []);
  useEffect(() => {
    if (text === "") return;
    const soon = setTimeout(() => {
      worker.current ??= new Worker(new URL("../../workers/planning.worker.ts", import.meta.url), { type: "module" });
      const mine = ++n.current;
      worker.current.onmessage = (e: MessageEvent<{ n: number; answer: Answers[K] }>) => {
        if (e.data.n === mine) setFound({ text, answer: e.data.answer });
      };
      worker.current.postMessage({ n: mine, question: JSON.parse(text) as Question });
    }, RESTS);
    return () => clearTimeout(soon);
  }, [text]);
  return found?.text === text ? found.answer : undefined;
}
