"use client";
import { type Remote, wrap } from "comlink";
import { useEffect, useState } from "react";
import type { Choice } from "@/core/advice/fixes";
import type { Fix } from "@/core/advice/fixes";
import type { Wish } from "@/core/advice/wishes";
import type { Plan } from "@/core/plan/plan";
import type { Offered, Planning } from "@/workers/planning.worker";

/** How long the hand must rest before the worker is asked, ms; and how long an answer may take before it is said to fail. */
const RESTS = 350;
const GIVES_UP = 20_000;

export type Question =
  | { readonly ask: "what-if"; readonly plan: Plan; readonly wish: Wish }
  | { readonly ask: "fixes"; readonly plan: Plan; readonly free: readonly Choice[] };
export interface Answers {
  readonly "what-if": Offered;
  readonly fixes: readonly Fix[];
}
export type Asked<A> =
  | { readonly state: "nothing" | "looking" }
  | { readonly state: "failed"; readonly again: () => void }
  | { readonly state: "answered"; readonly answer: A };

/** The one worker of this page, made when it is first asked; a worker that failed is put away and made anew. */
let worker: Worker | undefined;
let remote: Remote<Planning> | undefined;
function planning(): Remote<Planning> {
  if (!remote) {
    worker = new Worker(new URL("../../workers/planning.worker.ts", import.meta.url), { type: "module" });
    remote = wrap<Planning>(worker);
  }
  return remote;
}
function putAway(): void {
  worker?.terminate();
  worker = undefined;
  remote = undefined;
}

function ask(q: Question): Promise<Answers[keyof Answers]> {
  const of = planning();
  const found = q.ask === "fixes" ? of.fixes(q.plan, q.free) : of["what-if"](q.plan, q.wish);
  const failed = new Promise<never>((_, no) => {
    worker!.onerror = (e) => no(new Error(e.message));
    setTimeout(() => no(new Error("no answer")), GIVES_UP);
  });
  return Promise.race([found, failed]);
}

interface Found<A> {
  readonly text: string;
  readonly answer: A | undefined;
}

/**
 * Asks the planning worker once the hand rests, and holds the newest answer to the very question asked last.
 * @param question what to ask; nothing to ask nothing. Compared by its text.
 */
export function useAsked<K extends keyof Answers>(
  question: Extract<Question, { ask: K }> | undefined,
): Asked<Answers[K]> {
  const [found, setFound] = useState<Found<Answers[K]> | undefined>();
  const [round, setRound] = useState(0);
  const text = question ? JSON.stringify(question) : "";
  useEffect(() => {
    if (text === "") return;
    let wanted = true;
    const soon = setTimeout(() => {
      ask(JSON.parse(text) as Question).then(
        (answer) => wanted && setFound({ text, answer: answer as Answers[K] }),
        () => {
          putAway();
          if (wanted) setFound({ text, answer: undefined });
        },
      );
    }, RESTS);
    return () => {
      wanted = false;
      clearTimeout(soon);
    };
  }, [text, round]);
  if (text === "") return { state: "nothing" };
  if (found?.text !== text) return { state: "looking" };
  if (found.answer === undefined)
    return {
      state: "failed",
      again: () => {
        setFound(undefined);
        setRound((n) => n + 1);
      },
    };
  return { state: "answered", answer: found.answer };
}

/** What stands while an answer is looked for, or where none came. */
export function Waiting({ of }: { of: Asked<unknown> }) {
  switch (of.state) {
    case "looking":
      return <p className="quiet">Looking …</p>;
    case "failed":
      return (
        <p className="wrong" role="alert">
          The search did not come to an end.{" "}
          <button type="button" className="plain min-h-8" onClick={of.again}>
            try again
          </button>
        </p>
      );
    case "nothing":
    case "answered":
      return null;
  }
}
