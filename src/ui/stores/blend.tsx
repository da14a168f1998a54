"use client";
import { Told } from "../kit/told";
import { useRouter } from "../kit/router";
import { useMemo, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import type { Form } from "@/core/material/classes";
import type { PlantRow } from "@/core/material/rows";
import type { UnitSystem } from "@/core/quantity/units";
import { BLENDED, type TypedBlend, blendOf } from "@/core/stores/blend";
import { listed } from "@/core/words";
import { Field } from "../kit/field";
import { useIntent } from "../kit/intent";
import { toStores } from "../kit/writes";

/** What a blend is made of, most first: “thyme 50 %, sage 30 %”. */
export const blendWords = (row: PlantRow, catalogue: Catalogue): string =>
  listed(
    (row.holds ?? []).map(
      (h) => `${catalogue.get(h.material)?.row.names[0] ?? h.material} ${Math.round(100 * h.share)} %`,
    ),
  );

/** A blend as it is typed, what it comes to as it is, and its keeping. */
function useBlend(catalogue: Catalogue, system: UnitSystem, done: () => void) {
  const router = useRouter();
  const { send, sending, fault: refused } = useIntent();
  const [typed, setTyped] = useState<TypedBlend>({ name: "", form: "dried", parts: "" });
  const [asked, setAsked] = useState(false);
  const [item] = useState(() => crypto.randomUUID());
  const made = useMemo(() => blendOf(typed, catalogue, system), [typed, catalogue, system]);
  const keep = async (): Promise<void> => {
    setAsked(true);
    if (!made.ok) return;
    const sent = await send(toStores(item, "kept", { item: { what: "material", row: made.value } }));
    if (!sent?.ok) return;
    done();
    router.refresh();
  };
  const wrong: Fault | undefined = asked && !made.ok ? made.faults[0] : refused;
  const type = (to: Partial<TypedBlend>): void => {
    setAsked(false);
    setTyped({ ...typed, ...to });
  };
  return { typed, type, made, keep, sending, wrong };
}

function NameAndForm({
  typed,
  type,
  wrong,
}: {
  typed: TypedBlend;
  type: (to: Partial<TypedBlend>) => void;
  wrong: Fault | undefined;
}) {
  return (
    <div className="flex flex-wrap gap-4">
      <Field id="blend-name" label="what you call it" fault={wrong}>
        {(tied) => (
          <input
            {...tied}
            className="field w-64 max-w-full"
            value={typed.name}
            maxLength={60}
            placeholder="winter tea"
            onChange={(e) => type({ name: e.target.value })}
          />
        )}
      </Field>
      <Field id="blend-form" label="it is kept">
        {(tied) => (
          <select
            {...tied}
            className="field"
            value={typed.form}
            onChange={(e) => type({ form: e.target.value as Form })}
          >
            {BLENDED.map((f) => (
              <option key={f} value={f}>
                {f}
              </option>
            ))}
          </select>
        )}
      </Field>
    </div>
  );
}

/** A blend of the household’s own: what it is called, what is in it, a line each. It is an ingredient from then on. */
export function Blend({
  catalogue,
  system,
  done,
}: {
  catalogue: Catalogue;
  system: UnitSystem;
  done: () => void;
}) {
  const { typed, type, made, keep, sending, wrong } = useBlend(catalogue, system, done);
  const at = (field: string): Fault | undefined => (wrong?.path.at(-1) === field ? wrong : undefined);
  return (
    <form
      aria-label="A blend of your own"
      className="py-3 grid gap-3 max-w-xl"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <NameAndForm {...{ typed, type }} wrong={at("name") ?? at("row")} />
      <Field id="blend-parts" label="its parts, a line each" fault={at("parts")}>
        {(tied) => (
          <textarea
            {...tied}
            className="field w-full min-h-32"
            rows={5}
            placeholder={"2 parts thyme\n1 part sage\n1 part peppermint"}
            maxLength={4000}
            value={typed.parts}
            onChange={(e) => type({ parts: e.target.value })}
          />
        )}
      </Field>
      {made.ok && (
        <p role="status">
          By weight: {blendWords(made.value, catalogue)}. What is to be minded of each of them is minded of
          the blend, and its label names them.
        </p>
      )}
      {wrong && !at("name") && !at("parts") && !at("row") && (
        <p role="alert" className="wrong">
          <Told of={wrong.message} />
        </p>
      )}
      <p className="flex flex-wrap gap-x-4 items-center">
        <button type="submit" className="slab" disabled={sending}>
          Keep the blend
        </button>
        <button type="button" className="plain min-h-11" onClick={done}>
          leave it
        </button>
      </p>
    </form>
  );
}
