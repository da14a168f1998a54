"use client";
import { Told } from "../kit/told";
import { useRouter } from "../kit/router";
import { useId, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import { PLANT_CLASSES, type PlantClass } from "@/core/material/classes";
import type { PlantRow } from "@/core/material/rows";
import { closeToHurt, hurtOfName } from "@/core/reading/hurts";
import { LIKE, mayBe, writtenDown } from "@/core/stores/own";
import { listed } from "@/core/words";
import { Field } from "../kit/field";
import { useIntent } from "../kit/intent";
import { toStores } from "../kit/writes";

export interface WrittenDown {
  readonly row: PlantRow & { class: PlantClass };
}

interface Typed {
  readonly name: string;
  readonly latin: string;
  readonly like: PlantClass | "";
  readonly water: string;
}

/** A plant as it is typed so far, and its keeping in the stores. */
function useNewPlant(name: string, catalogue: Catalogue, done: (w: WrittenDown) => void) {
  const router = useRouter();
  const { send, sending, fault: refused } = useIntent();
  const [typed, setTyped] = useState<Typed>({ name, latin: "", like: "", water: "" });
  const [fault, setFault] = useState<Fault | undefined>();
  const [item] = useState(() => crypto.randomUUID());
  const keep = async (): Promise<void> => {
    const w = writtenDown(typed, catalogue);
    if (!w.ok) return setFault(w.faults[0]);
    setFault(undefined);
    const sent = await send(toStores(item, "kept", { item: { what: "material", row: w.value } }));
    if (!sent?.ok) return;
    done({ row: w.value });
    router.refresh();
  };
  const type = (to: Partial<Typed>): void => setTyped({ ...typed, ...to });
  return { typed, type, keep, sending, wrong: fault ?? refused };
}

/** Its name, its Latin, what it is like and how much of it is water. */
function PlantFields({
  typed,
  type,
  wrong,
}: {
  typed: Typed;
  type: (to: Partial<Typed>) => void;
  wrong: Fault | undefined;
}) {
  const id = useId();
  const fields = [
    ["name", "its name", 60],
    ["latin", "Latin, if you know it", 80],
    ["water", "water of it fresh, %, if looked up", 8],
  ] as const;
  const field = ([key, label, most]: (typeof fields)[number]) => (
    <Field id={`${id}-${key}`} label={label} fault={wrong?.path[0] === key ? wrong : undefined}>
      {(tied) => (
        <input
          {...tied}
          className="field w-full"
          value={typed[key]}
          inputMode={key === "water" ? "decimal" : undefined}
          maxLength={most}
          onChange={(e) => type({ [key]: e.target.value })}
        />
      )}
    </Field>
  );
  return (
    <div className="grid sm:grid-cols-2 gap-3">
      {field(fields[0])}
      {field(fields[1])}
      <Field id={`${id}-like`} label="it is like" fault={wrong?.path[0] === "like" ? wrong : undefined}>
        {(tied) => (
          <select
            {...tied}
            className="field w-full"
            value={typed.like}
            onChange={(e) => type({ like: e.target.value as PlantClass | "" })}
          >
            <option value="">say which part it is</option>
            {PLANT_CLASSES.map((c) => (
              <option key={c} value={c}>
                {LIKE[c]}
              </option>
            ))}
          </select>
        )}
      </Field>
      {field(fields[2])}
    </div>
  );
}

/** A plant nobody here knows, written down there and then: its name, its Latin if known, what it is like. It is kept in the stores. */
export function WriteDown({
  name,
  catalogue,
  done,
  cancel,
  keepWords = "Keep it, and add it",
}: {
  name: string;
  catalogue: Catalogue;
  done: (w: WrittenDown) => void;
  cancel?: () => void;
  keepWords?: string;
}) {
  const { typed, type, keep, sending, wrong } = useNewPlant(name, catalogue, done);
  const hurts =
    typed.name.trim() === ""
      ? undefined
      : (hurtOfName(typed.name, typed.latin) ?? closeToHurt(typed.name, typed.latin));
  const near = mayBe(typed.name, typed.latin, catalogue);
  return (
    <form
      className="border border-iron bg-paper p-4 my-2 grid gap-3"
      aria-label="Write down a plant"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <p className="font-semibold">A plant of your own</p>
      <PlantFields typed={typed} type={type} wrong={wrong} />
      <p>
        Nothing is known of it here
        {typed.like === "" ? "" : `: its figures are those of ${LIKE[typed.like]}`}. If you are not certain
        what it is, do not use it; its Latin name, genus and species, tells it from others of its name.
        {near.length > 0 && <> Names near it: {listed(near.map((m) => m.row.names[0]!))}.</>}
      </p>
      {hurts && <p className="wrong">{hurts}</p>}
      {wrong && !["name", "latin", "water", "like"].includes(String(wrong.path[0])) && (
        <p role="alert" className="wrong">
          <Told of={wrong.message} />
        </p>
      )}
      <p className="flex gap-6 items-center">
        <button type="submit" className="slab" disabled={sending}>
          {sending ? "Writing…" : keepWords}
        </button>
        {cancel && (
          <button type="button" className="plain min-h-11" onClick={cancel}>
            not now
          </button>
        )}
      </p>
    </form>
  );
}
