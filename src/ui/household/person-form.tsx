"use client";
import { Told } from "../kit/told";
import { useId, useState } from "react";
import { FLAGS, FLAG_WORDS, type Flag, type Person } from "@/core/people/person";
import { Field } from "../kit/field";
import { useKeep } from "../stores/keep";

export const CLEAR: Person = { name: "", flags: [], allergies: [] };

interface FormProps {
  readonly id: string;
  readonly start: Person;
  readonly seen?: number;
  readonly done: () => void;
}

type Typed = Record<"name" | "born" | "allergies" | "surgery", string>;

/** Someone as they are written down so far; what is typed stays until it is kept. */
function usePerson({ id, start, seen, done }: FormProps) {
  const { keep, sending, fault, clear } = useKeep();
  const [typed, setTyped] = useState<Typed>({
    ...{ name: start.name, born: start.born ?? "", surgery: start.surgery ?? "" },
    allergies: start.allergies.join(", "),
  });
  const [flags, setFlags] = useState<readonly Flag[]>(start.flags);
  const said = {
    what: "person" as const,
    name: typed.name.trim(),
    flags: [...flags],
    allergies: typed.allergies
      .split(",")
      .map((a) => a.trim())
      .filter((a) => a !== ""),
    ...(typed.born ? { born: typed.born } : {}),
    ...(typed.surgery ? { surgery: typed.surgery } : {}),
  };
  const at = fault && String(fault.path.at(-1) ?? "");
  return {
    ...{ typed, flags, setFlags, sending, fault },
    /** The field a fault is of, where it is one of these. */
    at: at !== undefined && at in typed ? at : undefined,
    type: (key: keyof Typed, value: string): void => {
      clear();
      setTyped({ ...typed, [key]: value });
    },
    send: (): void => void keep(id, said, seen).then((ok) => ok && done()),
  };
}

const FIELDS: readonly (readonly [keyof Typed, string, React.InputHTMLAttributes<HTMLInputElement>])[] = [
  ["name", "short name or role", { maxLength: 40, autoComplete: "off" }],
  ["born", "born, like 2026-03 or 1950", { placeholder: "where age matters", maxLength: 7 }],
  ["allergies", "allergic to", { placeholder: "ragweed, celery", maxLength: 200 }],
  ["surgery", "an operation to come, day", { type: "date" }],
];

function FlagBoxes({ flags, set }: { flags: readonly Flag[]; set: (to: readonly Flag[]) => void }) {
  return (
    <fieldset>
      <legend className="quiet">what the cautions should think of</legend>
      <div className="grid sm:grid-cols-2 lg:grid-cols-3 gap-x-6">
        {FLAGS.map((f) => (
          <label key={f} className="flex items-center gap-3 min-h-11 cursor-pointer">
            <input
              type="checkbox"
              className="accent-cobalt w-5 h-5 shrink-0"
              checked={flags.includes(f)}
              onChange={(e) => set(e.target.checked ? [...flags, f] : flags.filter((x) => x !== f))}
            />
            {FLAG_WORDS[f]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** Who someone is, as far as the cautions ask. */
export function PersonForm(p: FormProps) {
  const { typed, flags, setFlags, sending, fault, at, type, send } = usePerson(p);
  const id = useId();
  return (
    <form
      className="py-3 grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send();
      }}
    >
      <div className="flex flex-wrap gap-4">
        {FIELDS.map(([key, words, more]) => (
          <Field
            key={key}
            id={`${id}-${key}`}
            label={words}
            fault={at === key ? fault : undefined}
            className="min-w-40 grow"
          >
            {(tied) => (
              <input
                {...tied}
                {...more}
                className="field w-full"
                value={typed[key]}
                onChange={(e) => type(key, e.target.value)}
              />
            )}
          </Field>
        ))}
      </div>
      <FlagBoxes flags={flags} set={setFlags} />
      {fault && at === undefined && (
        <p role="alert" className="wrong">
          <Told of={fault.message} />
        </p>
      )}
      <p className="flex gap-5 items-center">
        <button type="submit" className="slab" disabled={sending}>
          {sending ? "Writing…" : "Keep it"}
        </button>
        <button type="button" className="plain" onClick={p.done}>
          leave it
        </button>
      </p>
    </form>
  );
}
