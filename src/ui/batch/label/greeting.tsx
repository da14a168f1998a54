"use client";
import { useRouter } from "../../kit/router";
import { useState } from "react";
import type { Greeting } from "@/core/label/sorts";

/** Letters a name and a word may have: what a label has room for. */
const [NAME, WORD] = [60, 200];

/** The greeting as an address carries it. */
export const greetingQuery = (g: Greeting): string =>
  `${g.for ? `&for=${encodeURIComponent(g.for)}` : ""}${g.say ? `&say=${encodeURIComponent(g.say)}` : ""}`;

/** Whom the gift is for, and a word with it: they stand on its labels, and nowhere else. */
export function GreetingTyped({
  href,
  greeting,
  claim,
}: {
  /** This page’s address without them. */
  href: string;
  greeting: Greeting;
  /** A health claim in the word, where there is one. */
  claim: string | undefined;
}) {
  const router = useRouter();
  const [who, setWho] = useState(greeting.for ?? "");
  const [word, setWord] = useState(greeting.say ?? "");
  return (
    <form
      className="flex flex-wrap gap-4 items-end py-2"
      onSubmit={(e) => {
        e.preventDefault();
        router.push(`${href}${greetingQuery({ for: who.trim(), say: word.trim() })}`);
      }}
    >
      <p>
        <label className="quiet block" htmlFor="gift-for">
          for whom
        </label>
        <input
          id="gift-for"
          className="field w-56"
          value={who}
          maxLength={NAME}
          placeholder="the lock above"
          onChange={(e) => setWho(e.target.value)}
        />
      </p>
      <p className="grow">
        <label className="quiet block" htmlFor="gift-word">
          a word with it
        </label>
        <input
          id="gift-word"
          className="field w-full"
          value={word}
          maxLength={WORD}
          placeholder="A spoon in hot water, and a word to the heron."
          aria-describedby={claim ? "gift-claim" : undefined}
          onChange={(e) => setWord(e.target.value)}
        />
      </p>
      <button type="submit" className="plain min-h-11">
        write it on
      </button>
      {claim && (
        <p id="gift-claim" role="status" className="wrong basis-full">
          “{claim}” is a health claim, and stands on the label. Say what it is and how it is taken.
        </p>
      )}
    </form>
  );
}
