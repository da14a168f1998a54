"use client";
import { memo } from "react";

import type { Fault } from "@/core/fault";

import { CUTS, type Cut, type Form } from "@/core/material/classes";
import { type Material, type Stuff, formsOf, isLiquid } from "@/core/material/material";

import { readAmount } from "@/core/reading/amounts";
import { printStrength } from "@/core/reading/strength";

import { useUnits } from "../../kit/units";

import type { LineActions } from "./line-actions";
import type { LineProps } from "./line-props";

/** What the bottle says where nothing else is typed. */
function usualStrength(m: Material | undefined): string {
  if (m?.kind !== "stuff") return "";
  if (m.row.tags?.includes("acetic-unknown")) return "? %";
  return printStrength(m.row.abv ?? 100 * (m.row.composition.acetic ?? 0));
}

/** Beside what was typed stands what it comes to: grams for what was scooped, the kitchen measure for what was solved or weighed. */
export function comesTo(p: LineProps, stuff: Stuff | undefined, units: ReturnType<typeof useUnits>): string {
  if (p.grams === undefined || !stuff) return "\u00a0";
  const [g, ml] = [p.grams, p.millilitres ?? 0];
  const read = readAmount(p.line.amount, p.system);
  const a = read.ok ? read.value : undefined;
  const said = a?.kind === "measure" || a?.kind === "count";
  const weighed = a?.kind === "measure" && a.dimension === "mass";
  if (weighed) return units.volume(ml);
  if (isLiquid(stuff)) return said ? units.volumeExact(ml) : units.volumeBoth(ml);
  return said ? units.massExact(g) : `${units.volume(ml)}, ${units.massExact(g)}`;
}

/** Its form and cut; drawn again only when they change. */
export const FormAndCut = memo(function FormAndCut({
  id,
  name,
  material,
  form,
  cut,
  reform,
}: {
  id: string;
  name: string;
  material: Material;
  form: Form;
  cut: Cut | undefined;
  reform: LineActions["reform"];
}) {
  return (
    <>
      <select
        aria-label={`${name}: form`}
        className="stitch font-normal py-0.5"
        value={form}
        onChange={(e) => reform(id, { form: e.target.value as Form })}
      >
        {formsOf(material).map((f) => (
          <option key={f}>{f}</option>
        ))}
      </select>
      {form !== "powdered" && (
        <>
          {", "}
          <select
            aria-label={`${name}: cut`}
            className="stitch font-normal py-0.5"
            value={cut}
            onChange={(e) => reform(id, { cut: e.target.value as Cut })}
          >
            {CUTS.map((c) => (
              <option key={c}>{c}</option>
            ))}
          </select>
        </>
      )}
    </>
  );
});

/** The strength on a bottle of vinegar or spirit, as typed. */
export function Strength({
  p,
  name,
  material,
  fault,
}: {
  p: LineProps;
  name: string;
  material: Material;
  fault: Fault | undefined;
}) {
  const { line, actions } = p;
  return (
    <>
      {", "}
      <input
        aria-label={`${name}: strength`}
        aria-invalid={fault !== undefined}
        aria-describedby={fault ? `line-${line.id}-strength-wrong` : undefined}
        className="stitch font-normal w-14 min-h-7 placeholder:text-cobalt"
        maxLength={40}
        placeholder={usualStrength(material)}
        value={line.strength ?? ""}
        onChange={(e) =>
          actions.change(
            line.id,
            ({ strength: _s, took = [], ...l }) => {
              const left = took.filter((t) => t !== "strength");
              const said = e.target.value === "" ? {} : { strength: e.target.value };
              return { ...l, ...said, ...(left.length > 0 ? { took: left } : {}) };
            },
            `${line.id}-strength`,
          )
        }
      />
    </>
  );
}
