"use client";
import { memo } from "react";
import type { Catalogue } from "@/core/material/catalogue";
import { type Material, formsOf } from "@/core/material/material";
import type { Form } from "@/core/material/classes";
import type { Line } from "@/core/plan/plan";
import { saying } from "@/core/reckoning/restate";
import type { Taken } from "@/core/reading/said";
import type { LineActions } from "./line-actions";

/** Other materials that bear the wider name a line was typed by. */
function others(m: Material, catalogue: Catalogue): Material[] {
  const words = new Set((m.row.loose ?? []).flatMap((n) => n.split(" ")));
  return [...catalogue.values()]
    .filter(
      (x) =>
        x !== m &&
        x.row.class === m.row.class &&
        x.row.names.some((n) => n.split(" ").some((w) => words.has(w))),
    )
    .slice(0, 4);
}

function valueOf(what: Taken, line: Line, m: Material): string {
  switch (what) {
    case "form":
      return line.form ?? "";
    case "kind":
      return m.row.names[0]!;
    case "strength":
      return m.kind === "stuff"
        ? `${Number((m.row.abv ?? 100 * (m.row.composition.acetic ?? 0)).toFixed(1))} %`
        : "";
    case "amount":
      return line.amount;
    case "unit":
      return line.amount;
    case "cut":
      return line.cut ?? "";
  }
}

/** It was read wrong, not changed: as much as was typed, of the other form. */
const readAs =
  (form: Form) =>
  (l: Line): Line =>
    saying({ ...l, form }, "form");

/** What was taken for granted on a line, each put right or agreed to with one touch. */
export const Took = memo(function Took({
  line,
  material,
  catalogue,
  actions,
}: {
  line: Line;
  material: Material;
  catalogue: Catalogue;
  actions: LineActions;
}) {
  const name = material.row.names[0]!;
  const took = line.took ?? [];
  if (took.length === 0) return null;
  return (
    <ul className="col-start-2 col-span-4 flex flex-wrap gap-x-5" aria-label={`${name}: taken for granted`}>
      {took.map((what) => (
        <li key={what} className="quiet">
          taken as {valueOf(what, line, material)}
          {what === "form" &&
            formsOf(material)
              .filter((f) => f !== line.form && f !== "wilted")
              .map((form) => (
                <button
                  key={form}
                  type="button"
                  className="plain pl-2 min-h-7"
                  aria-label={`${name}: ${form}, not ${line.form}`}
                  onClick={() => actions.change(line.id, readAs(form), `${line.id}-form`)}
                >
                  {form}
                </button>
              ))}
          {what === "kind" &&
            others(material, catalogue).map((m) => (
              <button
                key={m.row.id}
                type="button"
                className="plain pl-2 min-h-7"
                aria-label={`${m.row.names[0]}, not ${name}`}
                onClick={() =>
                  actions.change(
                    line.id,
                    ({ took: t = [], ...l }) => ({
                      ...l,
                      material: m.row.id,
                      took: t.filter((x) => x !== "kind"),
                    }),
                    `${line.id}-kind`,
                  )
                }
              >
                {m.row.names[0]}
              </button>
            ))}
          <button
            type="button"
            className="plain pl-2 min-h-7"
            aria-label={`${name}: ${what} is right`}
            onClick={() => actions.confirm(line.id, what)}
          >
            right
          </button>
        </li>
      ))}
    </ul>
  );
});
