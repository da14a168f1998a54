"use client";
import { useId, useState } from "react";
import { type Day } from "@/core/day";
import { FLAGS, FLAG_WORDS, type Flag, type Person, isChild, isInfant } from "@/core/people/person";
import type { Stored } from "@/core/stores/events";
import { useKeep } from "./keep";
import { NoLongerHere, PuttingAway } from "./put-away";

const CLEAR: Person = { name: "", flags: [], allergies: [] };

interface FormProps {
  readonly id: string;
  readonly start: Person;
  readonly seen?: number;
  readonly done: () => void;
}

/** Who someone is, as far as the cautions ask. What is typed stays until it is kept. */
function PersonForm({ id, start, seen, done }: FormProps) {
  const { keep, sending, fault, clear } = useKeep();
  const [name, setName] = useState(start.name);
  const [born, setBorn] = useState(start.born ?? "");
  const [flags, setFlags] = useState<readonly Flag[]>(start.flags);
  const [allergies, setAllergies] = useState(start.allergies.join(", "));
  const [surgery, setSurgery] = useState(start.surgery ?? "");
  const at = useId();
  const wrong = (field: string): string | undefined =>
    fault && String(fault.path.at(-1) ?? "") === field ? fault.message : undefined;
  const elsewhere =
    fault && !["name", "born", "surgery"].includes(String(fault.path.at(-1) ?? ""))
      ? fault.message
      : undefined;
  const field = (
    key: string,
    words: string,
    value: string,
    set: (v: string) => void,
    more: React.InputHTMLAttributes<HTMLInputElement> = {},
  ): React.ReactNode => (
    <p className="min-w-40 grow">
      <label htmlFor={`${at}-${key}`} className="quiet block">
        {words}
      </label>
      <input
        id={`${at}-${key}`}
        className="field w-full"
        value={value}
        aria-invalid={wrong(key) !== undefined}
        aria-describedby={wrong(key) ? `${at}-${key}-wrong` : undefined}
        onChange={(e) => {
          clear();
          set(e.target.value);
        }}
        {...more}
      />
      {wrong(key) && (
        <span id={`${at}-${key}-wrong`} role="alert" className="wrong block">
          {wrong(key)}
        </span>
      )}
    </p>
  );
  return (
    <form
      className="py-3 grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        const list = allergies
          .split(",")
          .map((a) => a.trim())
          .filter((a) => a !== "");
        void keep(
          id,
          {
            what: "person",
            name: name.trim(),
            flags: [...flags],
            allergies: list,
            ...(born ? { born } : {}),
            ...(surgery ? { surgery } : {}),
          },
          seen,
        ).then((ok) => ok && done());
      }}
    >
      <div className="flex flex-wrap gap-4">
        {field("name", "short name or role", name, setName, { maxLength: 40, autoComplete: "off" })}
        {field("born", "born, like 2026-03 or 1950", born, setBorn, {
          placeholder: "where age matters",
          maxLength: 7,
        })}
        {field("allergies", "allergic to", allergies, setAllergies, {
          placeholder: "ragweed, celery",
          maxLength: 200,
        })}
        {field("surgery", "an operation to come, day", surgery, setSurgery, { type: "date" })}
      </div>
      <fieldset>
        <legend className="quiet">what the cautions should think of</legend>
        <div className="grid sm:grid-cols-2 lg:grid-cols-3 gap-x-6">
          {FLAGS.map((f) => (
            <label key={f} className="flex items-center gap-3 min-h-9 cursor-pointer">
              <input
                type="checkbox"
                className="accent-cobalt w-5 h-5 shrink-0"
                checked={flags.includes(f)}
                onChange={(e) => setFlags(e.target.checked ? [...flags, f] : flags.filter((x) => x !== f))}
              />
              {FLAG_WORDS[f]}
            </label>
          ))}
        </div>
      </fieldset>
      {elsewhere && (
        <p role="alert" className="wrong">
          {elsewhere}
        </p>
      )}
      <p className="flex gap-5 items-center">
        <button type="submit" className="slab" disabled={sending}>
          {sending ? "Writing…" : "Keep it"}
        </button>
        <button type="button" className="plain" onClick={done}>
          leave it
        </button>
      </p>
    </form>
  );
}

function ageWords(p: Person, today: string): string {
  if (isInfant(p, today)) return ", under twelve months";
  return isChild(p, today) ? ", a child" : "";
}

/** Who lives here; the cautions think of them. */
export function People({ people, today }: { people: readonly Stored[]; today: Day }) {
  const [open, setOpen] = useState<string | undefined>();
  const [fresh, setFresh] = useState("");
  return (
    <PuttingAway>
      <section aria-labelledby="people">
        <h2 id="people" className="ruled-head">
          Who lives here
        </h2>
        {people.length === 0 && (
          <p className="py-3 max-w-prose">
            Nobody is written down. A short name or a role is enough; say what the cautions should think of,
            and choose at the Bench whom a remedy is meant for.
          </p>
        )}
        <ul>
          {people.map((s) => {
            if (s.item.what !== "person") return null;
            const { what: _, ...p } = s.item;
            const says = [
              p.born ? `born ${p.born}${ageWords(p, today)}` : "",
              ...p.flags.map((f) => FLAG_WORDS[f]),
              p.allergies.length > 0 ? `allergic to ${p.allergies.join(", ")}` : "",
              p.surgery ? `an operation on ${p.surgery}` : "",
            ].filter((x) => x !== "");
            return (
              <li key={s.id} className="border-b border-rule py-2">
                <div className="flex flex-wrap items-baseline gap-x-5">
                  <span className="font-semibold">{p.name}</span>
                  <span className="grow text-ash">
                    {says.length > 0 ? says.join("; ") : "nothing to think of"}
                  </span>
                  <button
                    type="button"
                    className="plain"
                    aria-expanded={open === s.id}
                    onClick={() => setOpen(open === s.id ? undefined : s.id)}
                  >
                    change<span className="sr-only"> {p.name}</span>
                  </button>
                  <NoLongerHere id={s.id} words={p.name} why="moved out" seq={s.seq} />
                </div>
                {open === s.id && (
                  <PersonForm key={s.seq} id={s.id} start={p} seen={s.seq} done={() => setOpen(undefined)} />
                )}
              </li>
            );
          })}
        </ul>
        {fresh !== "" ? (
          <PersonForm key={fresh} id={fresh} start={CLEAR} done={() => setFresh("")} />
        ) : (
          <button type="button" className="plain min-h-11" onClick={() => setFresh(crypto.randomUUID())}>
            write someone down
          </button>
        )}
      </section>
    </PuttingAway>
  );
}
