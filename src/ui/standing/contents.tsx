"use client";
import { useMemo } from "react";
import { type StandContext, type Understood, understood } from "@/core/standing/form";
import { NOT_KNOWN } from "@/core/reading/print";
import { Field } from "../kit/field";
import type { Row, Rows } from "./use-rows";

/** A thing in it as it was understood: its form, how much, or which part of a plant is asked. */
function Thing({ x, row, rows, id }: { x: Understood; row: Row; rows: Rows; id: string }) {
  if (x.materials.length > 1)
    return (
      <li className="flex flex-wrap items-baseline gap-x-2">
        <label htmlFor={id}>{x.typed}: which part?</label>
        <select
          id={id}
          className="field"
          value={row.form.parts[x.typed] ?? ""}
          onChange={(e) => rows.edit(row.key, { parts: { ...row.form.parts, [x.typed]: e.target.value } })}
        >
          <option value="">say which</option>
          {x.materials.map((m) => (
            <option key={m.row.id} value={m.row.id}>
              {m.row.names[0]}
            </option>
          ))}
        </select>
      </li>
    );
  const name = x.materials[0]!.row.names[0]!;
  const { form, took, amount } = x.line ?? {};
  return (
    <li>
      {name}
      {name.toLowerCase() === x.typed.toLowerCase() ? "" : ` (${x.typed})`}
      {form ? `, ${took?.includes("form") ? `taken as ${form}` : form}` : ""}:{" "}
      <span className={amount === NOT_KNOWN ? "text-ash" : ""}>
        {amount === NOT_KNOWN || amount === undefined ? "how much is not known" : amount}
      </span>
    </li>
  );
}

/** What is in it, as far as anybody knows. */
export function Contents({
  row,
  rows,
  c,
  unknown,
  wrong,
}: {
  row: Row;
  rows: Rows;
  c: StandContext;
  unknown: readonly string[];
  wrong: string | undefined;
}) {
  const { things } = useMemo(() => understood(row.form, c), [row.form, c]);
  return (
    <div className="pt-3">
      <Field
        id="stands-contents"
        label="what is in it, as far as you know; with how much, where you know that"
        fault={wrong ? { message: wrong } : undefined}
      >
        {(tied) => (
          <input
            {...tied}
            className="field w-full max-w-2xl"
            placeholder="garlic, 1 cup ginger, dried thyme, cider vinegar"
            value={row.form.contents}
            onChange={(e) => rows.edit(row.key, { contents: e.target.value })}
          />
        )}
      </Field>
      <ul className="pt-1">
        {things.map((x, i) => (
          <Thing key={`${x.typed} ${i}`} {...{ x, row, rows }} id={`stands-part-${i}`} />
        ))}
        {unknown.map((w) => (
          <li key={w} className="text-rust">
            “{w}” is nothing known here: it stays in the note, and is judged as what nobody knows.
          </li>
        ))}
      </ul>
      <label className="inline-flex items-center gap-2 min-h-11">
        <input
          type="checkbox"
          className="w-6 h-6"
          checked={row.form.more || unknown.length > 0}
          disabled={unknown.length > 0}
          onChange={(e) => rows.edit(row.key, { more: e.target.checked })}
        />
        there is more in it, or nobody knows what
      </label>
    </div>
  );
}
