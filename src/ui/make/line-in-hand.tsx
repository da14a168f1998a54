"use client";
import { useId, useState } from "react";
import type { Batch } from "@/core/journal/fold";
import type { BatchReckoning } from "@/core/journal/reckon";
import type { WalkedMove } from "@/core/journal/walk";
import { isLiquid } from "@/core/material/material";
import { linesOf } from "@/core/plan/edit";
import type { Line } from "@/core/plan/plan";
import { readAmount } from "@/core/reading/amounts";
import { printAmount } from "@/core/reading/print";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";
import { namedMaterial } from "../batch/entry-words";
import { SaidLineField } from "./said-line";
import { useHold } from "./in-hand";
import type { Making } from "./making";

/** As it was typed, and what that weighs or measures; a liquid poured to a mark says so. */
export function HowMuch({
  line,
  r,
  batch,
  markCm,
}: {
  line: Line;
  r: BatchReckoning;
  batch: Batch;
  markCm?: number | undefined;
}) {
  const units = useUnits();
  const found = r.reckoning.lines.find((x) => x.id === line.id);
  const stuff = r.program.lines.find((x) => x.line.id === line.id)?.stuff;
  if (!found || !stuff) return <>{line.amount}</>;
  const typed = readAmount(line.amount, batch.plan.units);
  const said = typed.ok && (typed.value.kind === "measure" || typed.value.kind === "count");
  const first = said ? printAmount(typed.value, batch.plan.units) : units.volume(found.ml.value);
  const exact = isLiquid(stuff) ? units.volumeExact(found.ml.value) : units.massExact(found.grams.value);
  const how = [stuff.form, stuff.cut].filter(Boolean).join(", ");
  return (
    <>
      {first}
      {first === exact ? "" : `, ${exact}`}
      {how && <span className="text-ash">, {how}</span>}
      {markCm !== undefined && (
        <>
          . Pour to the <strong>{units.length(markCm)}</strong> mark
        </>
      )}
    </>
  );
}

type Doing = "other" | "left-out" | "instead";
const WAYS: readonly (readonly [Doing, string])[] = [
  ["other", "another amount"],
  ["left-out", "left out"],
  ["instead", "something else instead"],
];

interface Way {
  readonly id: string;
  readonly line: Line;
  readonly making: Making;
  /** Called with what was sent. */
  readonly done: (sent: Promise<boolean>) => void;
}

/** Another amount of it went in. */
function AnotherAmount({ id, line, making, done }: Way) {
  const [text, setText] = useState(line.amount);
  const f = making.fault;
  const form = `${id}-form`;
  useHold(form, text.trim() === "" ? undefined : "It went in");
  return (
    <form
      id={form}
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        done(making.write("added", { line: line.id, amount: text.trim() }));
      }}
    >
      <Field
        id={id}
        label={`how much ${namedMaterial(line.material)} went in; ${line.amount} was planned`}
        fault={f?.name === "Odd" ? undefined : f}
      >
        {(tied) => (
          <input
            {...tied}
            className="field w-44 text-[1.25rem]"
            value={text}
            maxLength={100}
            autoFocus
            onChange={(e) => setText(e.target.value)}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={making.sending || text.trim() === ""}>
        it went in
      </button>
    </form>
  );
}

/** None of it went in. */
function LeftOut({ id, line, making, done }: Way) {
  const [why, setWhy] = useState("");
  const said = why.trim();
  const form = `${id}-form`;
  useHold(form, "Leave it out");
  return (
    <form
      id={form}
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        done(making.write("left-out", { line: line.id, ...(said ? { why: said } : {}) }));
      }}
    >
      <Field id={id} label="why, if you like" fault={making.fault}>
        {(tied) => (
          <input
            {...tied}
            className="field w-64"
            value={why}
            maxLength={300}
            onChange={(e) => setWhy(e.target.value)}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={making.sending}>
        leave it out
      </button>
    </form>
  );
}

/** What else may become of a line than going in as planned. */
export function LineInHand({ move, batch, making }: { move: WalkedMove; batch: Batch; making: Making }) {
  const [doing, setDoing] = useState<Doing>();
  const id = useId();
  const line = linesOf(batch.begunPlan).find((l) => l.id === move.lines[0]);
  if (!line) return null;
  const done = (sent: Promise<boolean>): void => void sent.then((ok) => ok && setDoing(undefined));
  const hand: Way = { id, line, making, done };
  return (
    <div className="text-base pt-2">
      <p className="flex flex-wrap gap-x-6">
        {WAYS.map(([way, words]) => (
          <button
            key={way}
            type="button"
            className="plain min-h-11"
            aria-expanded={doing === way}
            onClick={() => {
              making.clear();
              setDoing(doing === way ? undefined : way);
            }}
          >
            {words}
          </button>
        ))}
      </p>
      {doing === "other" && <AnotherAmount {...hand} />}
      {doing === "left-out" && <LeftOut {...hand} />}
      {doing === "instead" && (
        <SaidLineField
          label={`what went in for ${namedMaterial(line.material)}, and how much`}
          batch={batch}
          fault={making.fault}
          sending={making.sending}
          button="it went in instead"
          take={(instead) => done(making.write("swapped", { line: line.id, for: instead }))}
        />
      )}
    </div>
  );
}
