"use client";
import { Told } from "../kit/told";
import { useMemo, useState } from "react";
import type { Day } from "@/core/day";
import type { Catalogue } from "@/core/material/catalogue";
import type { Nameless } from "@/core/plan/ids";
import type { Line } from "@/core/plan/plan";
import type { UnitSystem } from "@/core/quantity/units";
import { readAmount } from "@/core/reading/amounts";
import { contextIn } from "@/core/reading/said";
import { AddLine } from "../plan/add-line";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";
import { useKeep } from "./keep";
import { readPrice } from "./price";

type Said = Nameless<Line>;
interface Props {
  readonly household: UnitSystem;
  readonly currency: string;
  readonly today: Day;
  readonly catalogue: Catalogue;
}

/** What the Bench would fill in is no weight; a lot wants to be weighed, measured or counted. */
function weighed(l: Said, household: UnitSystem): boolean {
  const a = readAmount(l.amount, household);
  return a.ok && (a.value.kind === "measure" || a.value.kind === "count");
}

const strong = (l: Said, catalogue: Catalogue): boolean => {
  const m = catalogue.get(l.material);
  return m?.kind === "stuff" && (m.row.class === "vinegar" || m.row.class === "spirit");
};

/** What is said of a lot once it is known what it is, and its keeping. */
function useLot(line: Said, p: Props, done: () => void) {
  const { keep, sending, fault, clear } = useKeep();
  const [price, setPrice] = useState("");
  const [from, setFrom] = useState("");
  const [strength, setStrength] = useState(line.strength ?? "");
  const [id] = useState(() => crypto.randomUUID());
  const { paid, wrong } = readPrice(price, p.currency);
  const at = (field: string) => (fault?.path.map(String).includes(field) ? fault : undefined);
  // Where there is no field for it, it is said below rather than nowhere.
  const elsewhere = fault && !(at("strength") && strong(line, p.catalogue)) ? fault : undefined;
  const put = async (): Promise<void> => {
    if (wrong) return;
    const ok = await keep(id, {
      what: "lot",
      material: line.material,
      amount: line.amount,
      got: p.today,
      ...(line.form ? { form: line.form } : {}),
      ...(line.cut ? { cut: line.cut } : {}),
      ...(strength.trim() ? { strength: strength.trim() } : {}),
      ...(paid === undefined ? {} : { price: paid }),
      ...(from.trim() ? { from: from.trim() } : {}),
    });
    if (ok) done();
  };
  const strengthen = (to: string): void => {
    clear();
    setStrength(to);
  };
  return { price, setPrice, from, setFrom, strength, strengthen, wrong, at, elsewhere, put, sending };
}

/** The rest of what is said of a lot once it is known what it is. */
function Bought({ line, p, done }: { line: Said; p: Props; done: () => void }) {
  const { price, setPrice, from, setFrom, strength, strengthen, wrong, at, elsewhere, put, sending } = useLot(
    line,
    p,
    done,
  );
  return (
    <form
      className="flex flex-wrap gap-4 items-end pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <p className="basis-full">
        <strong>
          {line.amount} {p.catalogue.get(line.material)?.row.names[0]}
        </strong>
        {line.form ? `, ${line.form}` : ""}{" "}
        <button type="button" className="plain ml-3" onClick={done}>
          not that
        </button>
      </p>
      {strong(line, p.catalogue) && (
        <Field id="lot-strength" label="strength, off the bottle" fault={at("strength")} put={strengthen}>
          {(tied) => (
            <input
              {...tied}
              className="field w-32"
              value={strength}
              placeholder="5 %"
              maxLength={40}
              onChange={(e) => strengthen(e.target.value)}
            />
          )}
        </Field>
      )}
      <Field
        id="lot-price"
        label={`paid for all of it, ${p.currency}`}
        fault={wrong === undefined ? undefined : { message: wrong }}
      >
        {(tied) => (
          <input
            {...tied}
            inputMode="decimal"
            className="field w-32"
            value={price}
            placeholder="gathered: 0"
            maxLength={10}
            onChange={(e) => setPrice(e.target.value)}
          />
        )}
      </Field>
      <Field id="lot-from" label="from">
        {(tied) => (
          <input
            {...tied}
            className="field w-56"
            value={from}
            maxLength={80}
            onChange={(e) => setFrom(e.target.value)}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={sending}>
        {sending ? "Writing…" : "Put it on the shelf"}
      </button>
      {elsewhere && (
        <p role="alert" className="wrong basis-full">
          <Told of={elsewhere.message} />
        </p>
      )}
    </form>
  );
}

/** Something has come in: what, how much, what was paid. */
export function Incoming(p: Props) {
  const { calls } = useUnits();
  const [line, setLine] = useState<Said | undefined>();
  const [wrong, setWrong] = useState<string | undefined>();
  const context = useMemo(
    () => contextIn(p.household, { catalogue: p.catalogue }),
    [p.household, p.catalogue],
  );
  const take = (lines: readonly Said[], names: string): void => {
    const first = lines[0]!;
    if (lines.length > 1) return setWrong("One thing at a time: each lot has its own weight and price.");
    if (!weighed(first, p.household))
      return setWrong(`Say how much ${names} there is: “${calls.herb}”, “${calls.liquid}”, “20 cloves”.`);
    setWrong(undefined);
    setLine(first);
  };
  return (
    <div className="border-b border-rule pb-3">
      {line ? (
        <Bought key={line.material} line={line} p={p} done={() => setLine(undefined)} />
      ) : (
        <>
          <AddLine
            context={context}
            example={`${calls.herb} hyssop, dried`}
            add={take}
            writtenDown={() => {}}
          />
          {wrong && (
            <p role="alert" className="wrong">
              {wrong}
            </p>
          )}
        </>
      )}
    </div>
  );
}
