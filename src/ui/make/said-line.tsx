"use client";
import { useId, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Batch } from "@/core/journal/fold";
import type { Line } from "@/core/plan/plan";
import { lineOfSaid } from "@/core/plan/said-line";
import { readLine } from "@/core/reading/line";
import { contextIn } from "@/core/reading/said";
import { KIND } from "@/core/plan/kinds";
import { Field } from "../kit/field";
import { useMaterials } from "../kit/own-plants";

/** A line said in words, as on the Bench: understood, asked about, or told what would be right; never guessed. */
export function SaidLineField({
  label,
  batch,
  fault,
  sending,
  button,
  take,
}: {
  label: string;
  batch: Batch;
  fault: Fault | undefined;
  sending: boolean;
  button: string;
  take: (line: Line) => void;
}) {
  const id = useId();
  const [text, setText] = useState("");
  const catalogue = useMaterials(batch.plan);
  const [told, setTold] = useState<{ words: string; choices: readonly { words: string; text: string }[] }>();
  const say = (said: string): void => {
    const r = readLine(said, contextIn(batch.plan.units, { catalogue, usual: KIND[batch.plan.kind].usual }));
    switch (r.is) {
      case "line":
        if (!r.line.amount) return setTold({ words: "Say how much of it went in, like 40 g.", choices: [] });
        setTold(undefined);
        return take({ ...lineOfSaid(r.line), id: "said" });
      case "lines":
        return setTold({ words: "That is more than one thing. Say them one at a time.", choices: [] });
      case "ask":
        return setTold({ words: r.question, choices: r.choices });
      case "unknown":
        return setTold({
          words: `“${r.name}” is not known here. ${r.near.length > 0 ? "Is it one of these?" : "Write it down in the stores first."}`,
          choices: r.near.map((n) => ({ words: n.material.row.names[0]!, text: n.text })),
        });
      case "fault":
        return setTold({ words: r.fault.message, choices: [] });
    }
  };
  const shown = told ? { message: told.words } : fault;
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        say(text);
      }}
    >
      <Field id={id} label={label} fault={shown}>
        {(tied) => (
          <input
            {...tied}
            className="field w-72 max-w-full text-[1.25rem]"
            placeholder="2 tbsp dried thyme"
            value={text}
            maxLength={300}
            onChange={(e) => {
              setTold(undefined);
              setText(e.target.value);
            }}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={sending || text.trim() === ""}>
        {button}
      </button>
      {told && told.choices.length > 0 && (
        <p className="basis-full flex flex-wrap gap-x-5">
          {told.choices.map((c) => (
            <button
              key={c.text}
              type="button"
              className="plain min-h-11"
              onClick={() => {
                setText(c.text);
                say(c.text);
              }}
            >
              {c.words}
            </button>
          ))}
        </p>
      )}
    </form>
  );
}
