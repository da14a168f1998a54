"use client";
import { useEffect, useState } from "react";

/** How long the hand rests before the ear is told, ms: a sentence at every keystroke is heard by nobody. */
const REST = 900;

/** Says to a screen reader what became of the plan, once the hand rests. Nothing of it is seen. */
export function Spoken({ words }: { words: string }) {
  const [said, setSaid] = useState("");
  useEffect(() => {
    const soon = setTimeout(() => setSaid(words), REST);
    return () => clearTimeout(soon);
  }, [words]);
  return (
    <p role="status" className="sr-only" data-testid="spoken">
      {said}
    </p>
  );
}
