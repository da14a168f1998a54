"use client";
import Link from "../kit/link";
import { useId, useState } from "react";
import type { Batch, Entry } from "@/core/journal/fold";
import type { Body, EventType } from "@/core/journal/events";
import { WRINGING, type Wringing } from "@/core/plan/plan";
import { WRINGING_WORDS } from "../plan/step-words";
import { When } from "../kit/when";
import { Refusal } from "./refusal";
import { useWrite } from "./write";

/** The one thing of an entry that is typed, as text and back into its body. */
interface Typed {
  readonly label: string;
  readonly text: string;
  readonly long?: boolean;
  readonly body: (text: string) => unknown;
}

function typedOf(e: Entry): Typed | undefined {
  switch (e.type) {
    case "strained": {
      const b = e.body as Body<"strained">;
      return { label: "what the jug showed", text: b.measured, body: (measured) => ({ ...b, measured }) };
    }
    case "added": {
      const b = e.body as Body<"added">;
      return { label: "how much went in", text: b.amount, body: (amount) => ({ ...b, amount }) };
    }
    case "topped-up": {
      const b = e.body as Body<"topped-up">;
      const body = (amount: string): unknown => ({ line: { ...b.line, amount } });
      return { label: "how much was poured on", text: b.line.amount, body };
    }
    case "extra": {
      const b = e.body as Body<"extra">;
      const body = (amount: string): unknown => ({ ...b, line: { ...b.line, amount } });
      return { label: "how much went in", text: b.line.amount, body };
    }
    case "noted": {
      const b = e.body as Body<"noted">;
      return { label: "the note", text: b.text, long: true, body: (text) => ({ text }) };
    }
    case "discarded":
      return {
        label: "why",
        text: (e.body as Body<"discarded">).why,
        body: (why) => ({ why }),
      };
    case "begun":
    case "left-out":
    case "swapped":
    case "touched":
    case "read":
    case "stepped":
    case "timed":
    case "stood":
    case "probed":
    case "tasted":
    case "rewindowed":
    case "pictured":
    case "finished":
    case "bottled":
    case "corrected":
      return undefined;
  }
}

/** What is put right on a page of its own, since it is more than one field. */
function pageFor(batch: Batch, e: Entry): readonly [href: string, words: string] | undefined {
  if (e.type === "finished") return [`/batch/${batch.id}/finish?right=${e.seq}`, "say again what went in"];
  if (e.type === "bottled") return [`/batch/${batch.id}/bottle?right=${e.seq}`, "say the bottles again"];
  if (e.type === "begun" && batch.state === "working")
    return [`/bench?right=${batch.id}`, "change the recipe on the Bench"];
  return undefined;
}

const NOT_HAPPENED: Readonly<Partial<Record<EventType, string>>> = {
  begun: "I did not make it",
  discarded: "it was not discarded",
};

/** Whether there is anything here that can be put right. */
export const canPutRight = (batch: Batch, e: Entry): boolean => {
  if (e.type === "corrected" || batch.state === "undone" || e.correctedBy?.undone) return false;
  return e.type !== "begun" || batch.state === "working";
};

/** How it was strained, and what the marc weighed, beside what the jug showed. */
function HowStrained({ is, put }: { is: Cloth; put: (c: Cloth) => void }) {
  const id = useId();
  return (
    <p className="flex flex-wrap gap-x-6 gap-y-2">
      <label className="quiet block" htmlFor={`${id}-how`}>
        how it was strained
        <select
          id={`${id}-how`}
          className="field block"
          value={is.how}
          onChange={(e) => put({ ...is, how: e.target.value as Wringing })}
        >
          {WRINGING.map((w) => (
            <option key={w} value={w}>
              {WRINGING_WORDS[w]}
            </option>
          ))}
        </select>
      </label>
      <label className="quiet block">
        what the marc weighed, if it was weighed
        <input
          className="field block w-32"
          maxLength={60}
          value={is.marc}
          onChange={(e) => put({ ...is, marc: e.target.value })}
        />
      </label>
    </p>
  );
}

interface Cloth {
  readonly how: Wringing | undefined;
  readonly marc: string;
}
const clothOf = (e: Entry): Cloth => {
  const { how, marc = "" } = e.body as Partial<Body<"strained">>;
  return { how, marc };
};

/** What is said of an entry now: its text, of a straining how and the marc, and why. */
function useSaidAgain(entry: Entry) {
  const typed = typedOf(entry);
  const [text, setText] = useState(typed?.text ?? "");
  const [cloth, setCloth] = useState(clothOf(entry));
  const [why, setWhy] = useState("");
  const body = (): unknown => {
    const is = typed!.body(text.trim());
    if (entry.type !== "strained") return is;
    const { marc: _, ...rest } = is as Body<"strained">;
    const marc = cloth.marc.trim();
    return { ...rest, how: cloth.how, ...(marc === "" ? {} : { marc }) };
  };
  return { typed, text, setText, cloth, setCloth, why, setWhy, body };
}

/** An entry put right: said again, or taken back. What it was stays in the journal beside it. */
export function PutRight({ batch, entry, done }: { batch: Batch; entry: Entry; done: () => void }) {
  const { putRight, insist, sending, fault, clear, router, when } = useWrite(batch.id, batch.seq);
  const { typed, text, setText, cloth, setCloth, why, setWhy, body } = useSaidAgain(entry);
  const page = pageFor(batch, entry);
  const unsaid = typed !== undefined && text.trim() === "";
  const id = useId();
  const finish = (): void => (done(), router.refresh());
  const field = {
    id: `${id}-is`,
    className: `field ${typed?.long ? "w-full h-20" : "w-48"}`,
    value: text,
    "aria-invalid": fault !== undefined,
    "aria-describedby": fault ? `${id}-wrong` : undefined,
    onChange: (e: { target: { value: string } }) => {
      clear();
      setText(e.target.value);
    },
  };
  return (
    <form
      className="pl-4 py-2 border-l-4 border-cobalt mt-2 grid gap-2"
      aria-label="Put right"
      onSubmit={(e) => {
        e.preventDefault();
        if (typed || when.on) void putRight(entry.seq, typed ? body() : entry.body, why, finish);
      }}
    >
      {page && <Link href={page[0]}>{page[1]}</Link>}
      {typed && (
        <p>
          <label className="quiet block" htmlFor={`${id}-is`}>
            {typed.label}
          </label>
          {typed.long ? <textarea maxLength={2000} {...field} /> : <input maxLength={300} {...field} />}
        </p>
      )}
      {entry.type === "strained" && (
        <HowStrained
          is={cloth}
          put={(c) => {
            clear();
            setCloth(c);
          }}
        />
      )}
      {entry.type !== "begun" && <When w={when} stands={entry.day} />}
      <p>
        <label className="quiet block" htmlFor={`${id}-why`}>
          why, if you like
        </label>
        <input
          id={`${id}-why`}
          className="field w-full"
          value={why}
          maxLength={300}
          onChange={(e) => setWhy(e.target.value)}
        />
      </p>
      {fault && <Refusal id={`${id}-wrong`} fault={fault} insist={insist} sending={sending} />}
      <p className="flex flex-wrap items-center gap-x-5 gap-y-1">
        {(typed || when.on) && (
          <button type="submit" className="slab" disabled={sending || unsaid}>
            Put it right
          </button>
        )}
        <button
          type="button"
          className="plain min-h-11"
          disabled={sending}
          onClick={() => void putRight(entry.seq, null, why, finish)}
        >
          {NOT_HAPPENED[entry.type] ?? "it did not happen"}
        </button>
        <button type="button" className="plain min-h-11" onClick={done}>
          leave as it is
        </button>
      </p>
    </form>
  );
}
