"use client";
import { Told } from "../kit/told";
import { useState } from "react";
import { MATERIALS } from "@/core/material/catalogue";
import type { Batch } from "@/core/journal/fold";
import { useDraft } from "../kit/draft";
import { When } from "../kit/when";
import { Refusal } from "./refusal";
import { useWrite } from "./write";

const POURED: ReadonlySet<string> = new Set(["vinegar", "honey", "spirit", "glycerin", "water", "syrup"]);
const liquids = [...MATERIALS.values()].filter(
  (m) => m.kind === "stuff" && POURED.has(m.row.class) && !m.row.tags?.includes("not-food"),
);

function TopUp({ batch }: { batch: Batch }) {
  const { write, insist, sending, fault, clear, when } = useWrite(batch.id, batch.seq);
  const first = batch.plan.steps
    .flatMap((s) => (s.do === "add" ? s.what : []))
    .find((l) => liquids.some((m) => m.row.id === l.material));
  const [amount, setAmount] = useState("");
  const [material, setMaterial] = useState(first?.material ?? "cider-vinegar");
  return (
    <form
      className="flex flex-wrap items-end gap-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void write("topped-up", {
          line: {
            // Its entry names it; two of a batch are never the same.
            id: "poured",
            material,
            amount,
            ...(first?.material === material && first.strength ? { strength: first.strength } : {}),
          },
        }).then((ok) => ok && setAmount(""));
      }}
    >
      <p>
        <label className="quiet block" htmlFor="topup">
          topped up with
        </label>
        <input
          id="topup"
          className="field w-28"
          placeholder="3 tbsp"
          value={amount}
          maxLength={60}
          aria-invalid={fault !== undefined}
          aria-describedby={fault ? "topup-wrong" : undefined}
          onChange={(e) => {
            clear();
            setAmount(e.target.value);
          }}
        />
      </p>
      <p>
        <label className="quiet block" htmlFor="topup-of">
          of
        </label>
        <select
          id="topup-of"
          className="field"
          value={material}
          onChange={(e) => setMaterial(e.target.value)}
        >
          {liquids.map((m) => (
            <option key={m.row.id} value={m.row.id}>
              {m.row.names[0]}
            </option>
          ))}
        </select>
      </p>
      <button type="submit" className="slab" disabled={sending || amount.trim() === ""}>
        Write it down
      </button>
      <When w={when} />
      {fault && (
        <Refusal id="topup-wrong" fault={fault} insist={insist} sending={sending} className="basis-full" />
      )}
    </form>
  );
}

function Note({ batch }: { batch: Batch }) {
  const { write, sending, fault, when } = useWrite(batch.id, batch.seq);
  // What is being typed outlives a reload, until the journal has it.
  const draft = useDraft(`jolly-note-${batch.id}`, "", (k) => (typeof k === "string" ? k : undefined));
  const [text, setText] = [draft.value, draft.set];
  return (
    <form
      className="py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void write("noted", { text: text.trim() }).then((ok) => ok && setText(""));
      }}
    >
      <label className="quiet block" htmlFor="note">
        a note: colour, smell, taste, what changed
      </label>
      <textarea
        id="note"
        className="field w-full h-20"
        value={text}
        maxLength={2000}
        onChange={(e) => setText(e.target.value)}
      />
      {fault && (
        <p role="alert" className="wrong">
          <Told of={fault.message} />
        </p>
      )}
      <button type="submit" className="plain min-h-11" disabled={sending || text.trim() === ""}>
        keep the note
      </button>{" "}
      <When w={when} />
    </form>
  );
}

function Discard({ batch }: { batch: Batch }) {
  const { write, sending, fault, when } = useWrite(batch.id, batch.seq);
  const [why, setWhy] = useState("");
  return (
    <details className="py-2">
      <summary className="plain inline-block min-h-11 pt-2">discard this batch</summary>
      <form
        className="pt-2"
        onSubmit={(e) => {
          e.preventDefault();
          void write("discarded", { why: why.trim() });
        }}
      >
        <label className="quiet block" htmlFor="discard">
          why; the journal keeps it
        </label>
        <input
          id="discard"
          className="field w-full"
          value={why}
          maxLength={300}
          onChange={(e) => setWhy(e.target.value)}
        />
        {fault && (
          <p role="alert" className="wrong">
            <Told of={fault.message} />
          </p>
        )}
        <button
          type="submit"
          className="slab bg-rust hover:bg-iron mt-2"
          disabled={sending || why.trim() === ""}
        >
          Discard
        </button>{" "}
        <When w={when} />
      </form>
    </details>
  );
}

/** What can be written about a batch besides its great steps. */
export function Actions({ batch }: { batch: Batch }) {
  return (
    <>
      {batch.state === "working" && <TopUp batch={batch} />}
      <Note batch={batch} />
      {batch.state !== "discarded" && batch.state !== "undone" && <Discard batch={batch} />}
    </>
  );
}
