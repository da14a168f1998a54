"use client";
import { Told } from "../kit/told";
import { useState } from "react";
import type { Answer, Answers, PastedPart } from "@/core/exchange/pasted/parts";
import type { Catalogue } from "@/core/material/catalogue";
import { formsOf } from "@/core/material/material";
import { hurtOf, hurtOfName } from "@/core/reading/hurts";
import { type SaidLine, sayLine, sayReading } from "@/core/reading/said";
import { stepSentence } from "../plan/step-words";
import { WriteDown } from "../plan/write-down";

type Say = (key: string, answer: Answer | undefined) => void;
type Mark = "read" | "asks" | "left";

export const MARK: Readonly<Record<PastedPart["is"], Mark>> = {
  name: "read",
  heading: "read",
  fact: "read",
  line: "read",
  again: "read",
  step: "read",
  shake: "read",
  taken: "read",
  claim: "read",
  own: "read",
  ask: "asks",
  unknown: "asks",
  wrong: "asks",
  left: "asks",
  note: "left",
  struck: "left",
};
const SAID: Readonly<Record<Mark, string>> = { read: "understood", asks: "asks", left: "kept as a note" };

/** A tick, a ring or a dash: understood, asked about, left. */
export function Sign({ mark }: { mark: Mark }) {
  return (
    <svg
      width="22"
      height="22"
      viewBox="0 0 22 22"
      role="img"
      aria-label={SAID[mark]}
      className="mt-0.5 shrink-0"
    >
      {mark === "read" && (
        <path d="M3 12.5L8.5 18L19.5 4.5" fill="none" stroke="var(--color-celadon-deep)" strokeWidth="2.6" />
      )}
      {mark === "asks" && (
        <circle cx="11" cy="11" r="6.5" fill="none" stroke="var(--color-cobalt)" strokeWidth="2.8" />
      )}
      {mark === "left" && <path d="M4 11H18" stroke="var(--color-ash)" strokeWidth="2.6" />}
    </svg>
  );
}

const SHAKEN = {
  "twice-daily": "shaken twice a day",
  daily: "shaken every day",
  "every-few-days": "shaken every few days",
  "when-remembered": "shaken when you remember",
} as const;

function Choice({ words, beside = "", take }: { words: string; beside?: string; take: () => void }) {
  return (
    <button type="button" className="stitch min-h-11 mx-1" onClick={take}>
      {words}
      {beside !== "" && <span className="font-normal text-ash"> {beside}</span>}
    </button>
  );
}

/** What strikes some words out, or takes an answer back. */
function Strike({ part, say }: { part: { readonly key: string }; say: Say }) {
  return <Choice words="leave it out" take={() => say(part.key, { out: true })} />;
}

/** A line as it was read, with the forms it may be instead. */
function ReadLine({
  part,
  answers,
  say,
}: {
  part: Extract<PastedPart, { is: "line" }>;
  answers: Answers;
  say: Say;
}) {
  const { line, key } = part;
  const took = line.took.filter((t) => t.what === "form" || t.what === "kind" || t.what === "strength");
  const guessed = line.took.some((t) => t.what === "form");
  const others = guessed
    ? formsOf(line.material).filter((f) => f !== line.form && (f === "fresh" || f === "dried"))
    : [];
  const hurts = hurtOf({ is: "line", line });
  return (
    <>
      {lineWords(line)}
      {took.length > 0 && <span className="text-ash"> (taken as {took.map((t) => t.value).join(", ")})</span>}
      {line.notes.length > 0 && <span className="text-ash"> “{line.notes.join(", ")}”</span>}
      {others.map((form) => (
        <Choice key={form} words={form} take={() => say(key, { ...answers[key], form })} />
      ))}
      {part.answered && <Choice words="ask again" take={() => say(key, undefined)} />}
      {hurts && <span className="wrong block">{hurts}</span>}
    </>
  );
}
function lineWords(line: SaidLine): string {
  if (line.amount?.amount.kind === "of-liquid")
    return `${line.called ?? line.material.row.names[0]}, by the strained liquid: ${line.amount.text}`;
  const words = sayLine({ ...line, amount: line.amount?.text });
  return line.called ? `${words} (${line.material.row.names[0]})` : words;
}

/** A question with every answer, and where each leads. */
function Ask({
  part,
  answers,
  say,
}: {
  part: Extract<PastedPart, { is: "ask" }>;
  answers: Answers;
  say: Say;
}) {
  const path = answers[part.key]?.path ?? [];
  return (
    <>
      {part.question}
      {part.choices.map((c, i) => {
        const leads = sayReading(c.reading);
        const beside = leads === c.words || leads === "" ? "" : `→ ${leads}`;
        return (
          <Choice
            key={c.words}
            words={c.words}
            beside={beside}
            take={() => say(part.key, { path: [...path, i] })}
          />
        );
      })}
      {part.key !== "" && <Strike part={part} say={say} />}
    </>
  );
}

/** A name nobody knows here: near ones to choose, or written down as new. */
function Unknown({
  part,
  say,
  catalogue,
}: {
  part: Extract<PastedPart, { is: "unknown" }>;
  say: Say;
  catalogue: Catalogue;
}) {
  const [writing, setWriting] = useState(false);
  const done = (): void => setWriting(false);
  const { name } = part.unknown;
  const hurts = hurtOfName(name);
  return (
    <>
      {hurts ? <span className="wrong block">{hurts}</span> : `“${name}” is not known here.`}
      {part.unknown.near().map((c, i) => (
        <Choice key={c.words} words={c.words} take={() => say(part.key, { path: [i] })} />
      ))}
      {writing ? (
        <WriteDown name={name} catalogue={catalogue} cancel={done} done={done} />
      ) : (
        !hurts && <Choice words="write it down as new" take={() => setWriting(true)} />
      )}
      <Strike part={part} say={say} />
    </>
  );
}

export interface PartProps {
  readonly answers: Answers;
  readonly say: Say;
  readonly put: (from: number, to: number, text: string) => void;
  readonly catalogue: Catalogue;
}

/** What one part came to, with what may be answered. */
export function Part({
  part,
  words,
  answers,
  say,
  put,
  catalogue,
}: PartProps & { part: PastedPart; /** As they stand in the text. */ words: string }) {
  switch (part.is) {
    case "name":
      return <>its name: {part.name}</>;
    case "heading":
      return <span className="text-ash">a heading</span>;
    case "fact":
      return <span className="text-ash">told of the recipe; nothing of it goes in</span>;
    case "line":
      return <ReadLine part={part} answers={answers} say={say} />;
    case "again":
      return <>{words.trim() || part.material.row.names[0]}: goes in</>;
    case "step":
      return <>{stepSentence({ id: "", ...part.step } as never)}</>;
    case "shake":
      return <>{SHAKEN[part.shake]}</>;
    case "taken":
      return <>how it is taken, for the label</>;
    case "claim":
      return <>how long the writer says it keeps</>;
    case "own":
      return <>kept in its own words, at this place in the making</>;
    case "ask":
      return <Ask part={part} answers={answers} say={say} />;
    case "unknown":
      return <Unknown part={part} say={say} catalogue={catalogue} />;
    case "wrong":
      return (
        <>
          <Told of={part.fault.message} />
          {part.fault.suggestion && (
            <Choice
              words={part.fault.suggestion}
              take={() => put(part.from, part.to, part.fault.suggestion!)}
            />
          )}
        </>
      );
    case "left":
      return (
        <>
          “{part.words}” is in nothing that was understood. Say it otherwise, or
          <Strike part={part} say={say} />
        </>
      );
    case "struck":
      return (
        <>
          <s className="text-ash">{part.key}</s> stays out
          <Choice words="take it back" take={() => say(part.key, undefined)} />
        </>
      );
    case "note":
      return <span className="text-ash">kept as a note</span>;
  }
}
