"use client";
import { useState } from "react";
import type { PastedPart } from "@/core/exchange/pasted/parts";
import type { Pasted } from "@/core/exchange/pasted/pasted";
import type { Catalogue } from "@/core/material/catalogue";
import { formsOf } from "@/core/material/material";
import type { Plan } from "@/core/plan/plan";
import { type SaidLine, sayLine } from "@/core/reading/said";
import { stepSentence } from "../plan/step-words";
import { WriteDown } from "../plan/write-down";

type Put = (from: number, to: number, text: string) => void;
type Mark = "read" | "asks" | "left";

const MARK: Readonly<Record<PastedPart["is"], Mark>> = {
  name: "read",
  heading: "read",
  line: "read",
  again: "read",
  step: "read",
  shake: "read",
  taken: "read",
  claim: "read",
  ask: "asks",
  unknown: "asks",
  wrong: "asks",
  note: "left",
};
const SAID: Readonly<Record<Mark, string>> = { read: "understood", asks: "asks", left: "kept as a note" };

/** A tick, a ring or a dash: understood, asked about, left. */
function Sign({ mark }: { mark: Mark }) {
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

function Choice({ words, take }: { words: string; take: () => void }) {
  return (
    <button type="button" className="stitch min-h-9 mx-1" onClick={take}>
      {words}
    </button>
  );
}

/** A line as it was read, with the forms it may be instead. */
function ReadLine({ line, say }: { line: SaidLine; say: (text: string) => () => void }) {
  const took = line.took.filter((t) => t.what === "form" || t.what === "kind" || t.what === "strength");
  const guessed = line.took.some((t) => t.what === "form");
  const others = guessed
    ? formsOf(line.material).filter((f) => f !== line.form && (f === "fresh" || f === "dried"))
    : [];
  const { material, cut, strength } = line;
  const words = { amount: line.amount?.text, material, cut, strength };
  return (
    <>
      {line.amount?.amount.kind === "of-liquid"
        ? `${material.row.names[0]}, by the strained liquid: ${line.amount.text}`
        : sayLine({ ...words, form: line.form })}
      {!line.amount && <span className="text-ash">, as much as is usual</span>}
      {took.length > 0 && <span className="text-ash"> (taken as {took.map((t) => t.value).join(", ")})</span>}
      {others.map((f) => (
        <Choice key={f} words={f} take={say(sayLine({ ...words, form: f }))} />
      ))}
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
  say: (text: string) => () => void;
  catalogue: Catalogue;
}) {
  const [writing, setWriting] = useState(false);
  const done = (): void => setWriting(false);
  return (
    <>
      “{part.name}” is not known here.
      {part.near.map((n) => (
        <Choice key={n.text} words={n.words} take={say(n.text)} />
      ))}
      {writing ? (
        <WriteDown name={part.name} catalogue={catalogue} cancel={done} done={done} />
      ) : (
        <Choice words="write it down as new" take={() => setWriting(true)} />
      )}
    </>
  );
}

/** What one part came to, with what may be answered. */
function Part({ part, put, catalogue }: { part: PastedPart; put: Put; catalogue: Catalogue }) {
  const say = (text: string) => () => put(part.from, part.to, text);
  switch (part.is) {
    case "name":
      return <>its name: {part.name}</>;
    case "heading":
      return <span className="text-ash">a heading</span>;
    case "line":
      return <ReadLine line={part.line} say={say} />;
    case "again":
      return <>{part.material.row.names[0]} goes in</>;
    case "step":
      return <>{stepSentence({ id: "", ...part.step } as never)}</>;
    case "shake":
      return <>{SHAKEN[part.shake]}</>;
    case "taken":
      return <>how it is taken, for the label</>;
    case "claim":
      return <>how long the writer says it keeps</>;
    case "ask":
      return (
        <>
          {part.question}
          {part.choices.map((c) => (
            <Choice key={c.text} words={c.words} take={say(c.text)} />
          ))}
        </>
      );
    case "unknown":
      return <Unknown part={part} say={say} catalogue={catalogue} />;
    case "wrong":
      return (
        <>
          {part.fault.message}
          {part.fault.suggestion && (
            <Choice words={part.fault.suggestion} take={say(part.fault.suggestion)} />
          )}
        </>
      );
    case "note":
      return <span className="text-ash">kept as a note</span>;
  }
}

/** Each row of the text, and beside it what was understood, asked about, or left. */
export function Understood({
  pasted,
  whole,
  put,
  catalogue,
}: {
  pasted: Pasted;
  whole: Plan | undefined;
  put: Put;
  catalogue: Catalogue;
}) {
  if (pasted.rows.length === 0)
    return (
      <p className="quiet pt-6">
        Paste a list or a page of prose, or drop a file on it. What it says is read line by line; nothing is
        dropped, and what is not understood asks.
      </p>
    );
  return (
    <>
      <h3 className="quiet">{whole ? "a whole plan, which says" : "what was understood"}</h3>
      <ul aria-label="What was understood" className="max-h-[44rem] overflow-y-auto" tabIndex={0}>
        {pasted.rows.map((r) => (
          <li key={r.from} className="border-b border-rule py-1">
            <p className="text-ash text-[0.875rem] truncate">{r.text}</p>
            {r.parts.map((p, i) => (
              <div key={`${p.from}-${p.is}-${i}`} className="flex gap-2">
                <Sign mark={MARK[p.is]} />
                <div className="min-w-0 break-words">
                  <Part part={p} put={put} catalogue={catalogue} />
                </div>
              </div>
            ))}
          </li>
        ))}
      </ul>
    </>
  );
}
