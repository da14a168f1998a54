"use client";
import { useRouter } from "next/navigation";
import { useId, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import { PLANT_CLASSES, type PlantClass } from "@/core/material/classes";
import type { PlantRow } from "@/core/material/rows";
import { LIKE, mayBe, writtenDown } from "@/core/stores/own";
import { listed } from "@/core/words";
import { Field } from "../kit/field";
import { useIntent } from "../kit/intent";

export interface WrittenDown {
  readonly row: PlantRow & { class: PlantClass };
}

/** A plant nobody here knows, written down there and then: its name, its Latin if known, what it is like. It is kept in the stores. */
export function WriteDown({
  name: typed,
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
  const id = useId();
  const router = useRouter();
  const { send, sending, fault: refused } = useIntent();
  const [name, setName] = useState(typed);
  const [latin, setLatin] = useState("");
  const [like, setLike] = useState<PlantClass>("leaf");
  const [water, setWater] = useState("");
  const [fault, setFault] = useState<Fault | undefined>();
  const [item] = useState(() => crypto.randomUUID());
  const wrong = fault ?? refused;
  const at = (field: string): Fault | undefined => (wrong?.path[0] === field ? wrong : undefined);
  const near = mayBe(name, latin, catalogue);
  const keep = async (): Promise<void> => {
    const w = writtenDown({ name, latin, like, water }, catalogue);
    if (!w.ok) return setFault(w.faults[0]);
    setFault(undefined);
    const sent = await send("/api/stores", {
      id: item,
      type: "kept",
      body: { item: { what: "material", row: w.value } },
    });
    if (!sent?.ok) return;
    done({ row: w.value });
    router.refresh();
  };
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
      <div className="grid sm:grid-cols-2 gap-3">
        <Field id={`${id}-name`} label="its name" fault={at("name")}>
          {(tied) => (
            <input
              {...tied}
              className="field w-full"
              value={name}
              maxLength={60}
              onChange={(e) => setName(e.target.value)}
            />
          )}
        </Field>
        <Field id={`${id}-latin`} label="Latin, if you know it" fault={at("latin")}>
          {(tied) => (
            <input
              {...tied}
              className="field w-full"
              value={latin}
              maxLength={80}
              onChange={(e) => setLatin(e.target.value)}
            />
          )}
        </Field>
        <Field id={`${id}-like`} label="it is like">
          {(tied) => (
            <select
              {...tied}
              className="field w-full"
              value={like}
              onChange={(e) => setLike(e.target.value as PlantClass)}
            >
              {PLANT_CLASSES.map((c) => (
                <option key={c} value={c}>
                  {LIKE[c]}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field id={`${id}-water`} label="water of it fresh, %, if looked up" fault={at("water")}>
          {(tied) => (
            <input
              {...tied}
              className="field w-full"
              value={water}
              inputMode="decimal"
              maxLength={8}
              onChange={(e) => setWater(e.target.value)}
            />
          )}
        </Field>
      </div>
      <p>
        Nothing is known of it here: its figures are those of {LIKE[like]}, and no caution speaks of it. If
        you are not certain what it is, do not use it.
        {near.length > 0 && <> Names near it: {listed(near.map((m) => m.row.names[0]!))}.</>}
      </p>
      {wrong && !["name", "latin", "water"].includes(String(wrong.path[0])) && (
        <p role="alert" className="wrong">
          {wrong.message}
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
