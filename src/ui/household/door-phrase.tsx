"use client";
import { useState } from "react";
import type { ToDoor } from "@/contract/writes";
import { Field } from "../kit/field";
import type { Door } from "./use-door";

/** The phrase: told when it is made, and never again. */
export function Phrase({ has, d }: { has: boolean; d: Door }) {
  const [told, tell] = useState("");
  const [own, setOwn] = useState<string | undefined>();
  const make = async (what: ToDoor): Promise<void> => {
    const answer = await d.act(what);
    if (!answer?.phrase) return;
    tell(answer.phrase);
    setOwn(undefined);
  };
  return (
    <div>
      <h3 className="quiet">the phrase a device says to be let in</h3>
      {told !== "" && (
        <p role="status" className="border-l-[6px] border-cobalt pl-4 my-2">
          <strong className="text-[1.375rem] break-words">{told}</strong>
          <span className="quiet block">It is told only now. Write it where only the household looks.</span>
        </p>
      )}
      <p className="flex flex-wrap gap-x-6 items-center">
        <button
          type="button"
          className="plain min-h-11"
          disabled={d.sending}
          onClick={() => void make({ do: "make-phrase" })}
        >
          {has ? "another phrase; every device is sent away" : "make five words"}
        </button>
        <button
          type="button"
          className="plain min-h-11"
          aria-expanded={own !== undefined}
          onClick={() => setOwn(own === undefined ? "" : undefined)}
        >
          five words of our own
        </button>
      </p>
      {own !== undefined && (
        <form
          className="flex flex-wrap gap-4 items-end"
          onSubmit={(e) => {
            e.preventDefault();
            void make({ do: "own-phrase", phrase: own });
          }}
        >
          <Field
            id="own-phrase"
            label="five words"
            fault={d.fault?.name === "NoPhrase" ? d.fault : undefined}
          >
            {(tied) => (
              <input
                {...tied}
                className="field w-80"
                autoComplete="off"
                value={own}
                maxLength={200}
                onChange={(e) => {
                  d.clear();
                  setOwn(e.target.value);
                }}
              />
            )}
          </Field>
          <button type="submit" className="slab" disabled={d.sending || own.trim() === ""}>
            keep them
          </button>
        </form>
      )}
    </div>
  );
}
