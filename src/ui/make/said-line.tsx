"use client";
import { useId, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Batch } from "@/core/journal/fold";
import type { Line } from "@/core/plan/plan";
import { lineOfSaid } from "@/core/plan/said-line";
import { readLine } from "@/core/reading/line";
import { hurtOf } from "@/core/reading/hurts";
import { type Choice, type Reading, contextIn } from "@/core/reading/said";
import { KIND } from "@/core/plan/kinds";
import { capital } from "@/core/words";
import { useHold } from "./in-hand";
import { Field } from "../kit/field";
import { useMaterials } from "../kit/own-plants";

interface Told {
  readonly words: string;
  readonly choices: readonly Choice[];
}
interface Props {
  readonly label: string;
  readonly batch: Batch;
  readonly fault: Fault | undefined;
  readonly sending: boolean;
  readonly button: string;
  readonly take: (line: Line) => void;
}

const told = (words: string, choices: Told["choices"] = []): Told => ({ words, choices });

/** What a reading comes to here: the line, or what is told instead of it. */
function understood(r: Reading): Line | Told {
  switch (r.is) {
    case "line":
      return r.line.amount
        ? { ...lineOfSaid(r.line), id: "said" }
        : told("Say how much of it went in, like 40 g.");
    case "lines":
      return told("That is more than one thing. Say them one at a time.");
    case "ask":
      return told(r.question, r.choices);
    case "unknown":
      return told(
        hurtOf(r) ??
          `“${r.name}” is not known here. ${r.near().length > 0 ? "Is it one of these?" : "Write it down in the stores first."}`,
        r.near(),
      );
    case "fault":
      return told(r.fault.message);
  }
}

/** A line said in words, as on the Bench: understood, asked about, or told what would be right; never guessed. */
export function SaidLineField({ label, batch, fault, sending, button, take }: Props) {
  const id = useId();
  const [text, setText] = useState("");
  useHold(`${id}-form`, text.trim() === "" ? undefined : capital(button));
  const catalogue = useMaterials(batch.plan);
  const [instead, setInstead] = useState<Told>();
  const follow = (r: Reading): void => {
    const is = understood(r);
    if ("choices" in is) return setInstead(is);
    setInstead(undefined);
    take(is);
  };
  const say = (said: string): void =>
    follow(readLine(said, contextIn(batch.plan.units, { catalogue, usual: KIND[batch.plan.kind].usual })));
  return (
    <form
      id={`${id}-form`}
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        say(text);
      }}
    >
      <Field id={id} label={label} fault={instead ? { message: instead.words } : fault}>
        {(tied) => (
          <input
            {...tied}
            className="field w-72 max-w-full text-[1.25rem]"
            placeholder="2 tbsp dried thyme"
            value={text}
            maxLength={300}
            onChange={(e) => {
              setInstead(undefined);
              setText(e.target.value);
            }}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={sending || text.trim() === ""}>
        {button}
      </button>
      {instead && instead.choices.length > 0 && (
        <p className="basis-full flex flex-wrap gap-x-5">
          {instead.choices.map((c) => (
            <button key={c.words} type="button" className="plain min-h-11" onClick={() => follow(c.reading)}>
              {c.words}
            </button>
          ))}
        </p>
      )}
    </form>
  );
}
