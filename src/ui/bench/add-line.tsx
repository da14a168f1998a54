"use client";
import { memo, useId, useRef, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Household } from "@/core/quantity/units";
import type { Line } from "@/core/remedy/plan";
import { search } from "@/core/material/catalogue";
import type { Material } from "@/core/material/material";
import { readIngredient, takeApart } from "@/core/remedy/ingredient";

/** One field to add what goes in: type an amount and a name, choose among what is found, or press Enter for the first. */
export const AddLine = memo(function AddLine({ household, add, example = "1½ cups hyssop, dried" }: { household: Household; add: (line: Line) => void; example?: string }) {
  const [text, setText] = useState("");
  const [fault, setFault] = useState<Fault | undefined>();
  const [at, setAt] = useState(-1);
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const spoken = text.trim() === "" ? undefined : takeApart(text, household);
  const name = spoken?.ok ? spoken.value.name : "";
  const found = name.length >= 2 ? search(name, undefined, 6) : [];
  const offers = found.map((f) => f.material);

  const take = (chosen?: Material): void => {
    const line = readIngredient(text, household, undefined, chosen);
    if (!line.ok) {
      setFault(line.faults[0]);
      return;
    }
    add(line.value);
    setText("");
    setFault(undefined);
    setAt(-1);
    input.current?.focus();
  };

  return (
    <div className="relative py-2">
      <label htmlFor={id} className="sr-only">Add what goes in</label>
      <input
        ref={input}
        id={id}
        className="w-full min-h-11 bg-transparent border-b border-dashed border-ash px-0.5 placeholder:text-ash"
        placeholder={`add: type “${example}”`}
        value={text}
        maxLength={200}
        role="combobox"
        aria-expanded={offers.length > 0}
        aria-controls={`${id}-offers`}
        aria-autocomplete="list"
        aria-activedescendant={at >= 0 ? `${id}-${at}` : undefined}
        aria-invalid={fault !== undefined}
        aria-describedby={fault ? `${id}-wrong` : undefined}
        autoComplete="off"
        onChange={(e) => {
          setText(e.target.value);
          setFault(undefined);
          setAt(-1);
        }}
        onKeyDown={(e) => {
          if (e.key === "ArrowDown" && offers.length > 0) {
            e.preventDefault();
            setAt((at + 1) % offers.length);
          } else if (e.key === "ArrowUp" && offers.length > 0) {
            e.preventDefault();
            setAt((at - 1 + offers.length) % offers.length);
          } else if (e.key === "Escape") {
            setText("");
            setFault(undefined);
          } else if (e.key === "Enter" && text.trim() !== "") {
            e.preventDefault();
            take(at >= 0 ? offers[at] : undefined);
          }
        }}
      />
      {offers.length > 0 && (
        <ul id={`${id}-offers`} role="listbox" aria-label="Found among the materials" className="absolute z-10 left-0 right-0 bg-paper border border-iron">
          {offers.map((m, i) => (
            <li key={m.row.id} id={`${id}-${i}`} role="option" aria-selected={i === at} className={`px-3 py-2 cursor-pointer flex justify-between gap-3 ${i === at ? "bg-cobalt-pale" : "hover:bg-glaze"}`} onPointerDown={(e) => { e.preventDefault(); take(m); }}>
              <span>{m.row.names[0]}</span>
              {m.kind === "plant" && m.row.latin ? <span className="text-ash italic text-[0.9375rem]">{m.row.latin}</span> : null}
            </li>
          ))}
        </ul>
      )}
      {fault && (
        <p id={`${id}-wrong`} className="wrong pt-1" role="alert">
          {fault.message} {fault.suggestion && <button type="button" className="plain" onClick={() => { setText(fault.suggestion!); setFault(undefined); input.current?.focus(); }}>Use “{fault.suggestion}”</button>}
        </p>
      )}
    </div>
  );
});
