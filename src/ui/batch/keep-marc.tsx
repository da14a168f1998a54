"use client";
import { useRouter } from "../kit/router";
import { useState } from "react";
import type { Result } from "@/core/fault";
import type { Day } from "@/core/day";
import type { PlantClass } from "@/core/material/classes";
import type { PlantRow } from "@/core/material/rows";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";
import { useKeep } from "../stores/keep";

type Marc = Result<PlantRow & { class: PlantClass }>;

/** The marc, dried and kept as a lot of the stores: what it weighs when it is dry. What may not be kept says why. */
export function KeepMarc({ marc, today }: { marc: Marc; today: Day }) {
  const units = useUnits();
  const router = useRouter();
  const { keep, sending, fault } = useKeep();
  const [open, setOpen] = useState(false);
  const [amount, setAmount] = useState("");
  const [done, setDone] = useState(false);
  const [lot] = useState(() => crypto.randomUUID());
  const [own] = useState(() => crypto.randomUUID());
  const [written, setWritten] = useState(false);
  if (!marc.ok)
    return marc.faults[0]!.name === "NotForKeeping" ? (
      <p className="quiet">{marc.faults[0]!.message}</p>
    ) : null;
  if (done)
    return (
      <p role="status">
        {marc.value.names[0]} lies in the <a href="/stores">stores</a>.
      </p>
    );
  if (!open)
    return (
      <p>
        <button type="button" className="plain min-h-11" onClick={() => setOpen(true)}>
          keep its marc, dried
        </button>
      </p>
    );
  const put = async (): Promise<void> => {
    // The plant first: the lot is of it. Sent again it is not written twice.
    if (!written && !(await keep(own, { what: "material", row: marc.value }))) return;
    setWritten(true);
    const item = {
      what: "lot",
      material: marc.value.id,
      form: "dried",
      amount: amount.trim(),
      got: today,
    } as const;
    if (await keep(lot, item)) {
      setDone(true);
      router.refresh();
    }
  };
  return (
    <form
      className="flex flex-wrap items-end gap-4 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <Field id="marc-dry" label="it weighs, once it is dry" fault={fault} className="w-44">
        {(tied) => (
          <input
            {...tied}
            className="field w-full"
            placeholder={units.calls.herb}
            maxLength={40}
            value={amount}
            onChange={(e) => setAmount(e.target.value)}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={sending || amount.trim() === ""}>
        Into the stores
      </button>
      <p className="quiet basis-full">
        Spread it thin, and dry it until it snaps. It is spent: for seasoning and a thin tea, not for another
        of the same strength.
      </p>
    </form>
  );
}
