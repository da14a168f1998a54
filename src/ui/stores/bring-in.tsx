"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import type { UnitSystem } from "@/core/quantity/units";
import type { Stored } from "@/core/stores/events";
import { counted } from "@/core/words";
import type { StoreRow } from "@/exchange/store-rows";
import { Wrong } from "../kit/field";
import { send } from "../kit/send";

interface Props {
  readonly household: UnitSystem;
  readonly catalogue: Catalogue;
  readonly today: string;
  readonly items: readonly Stored[];
}

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
/** Whether a row is in the stores already, by its id; what stands there is left alone. */
const isThere = (row: StoreRow, items: readonly Stored[]): boolean =>
  row.id !== undefined && items.some((s) => s.id === row.id);

/** A table of lots from a file: what each row would become is shown first, and what cannot be one says why. */
export function BringIn({ household, catalogue, today, items }: Props) {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [rows, setRows] = useState<readonly StoreRow[]>([]);
  const [fault, setFault] = useState<Fault | undefined>();
  const [told, setTold] = useState("");
  const [sending, setSending] = useState(false);
  const take = async (file: File): Promise<void> => {
    setFault(undefined);
    setTold("");
    setRows([]);
    if (file.size > 5_000_000)
      return setFault({
        name: "TooLarge",
        message: "That is over 5 MB, which is no table of stores.",
        path: [],
      });
    let text: string;
    try {
      text = new TextDecoder("utf-8", { fatal: true }).decode(await file.arrayBuffer());
    } catch {
      return setFault({
        name: "NotUtf8",
        message: `${file.name} is not in UTF-8. Save it again as CSV in UTF-8.`,
        path: [],
      });
    }
    const { readStoreTable } = await import("@/exchange/store-rows");
    const read = readStoreTable(text, household, catalogue, today);
    if (!read.ok) return setFault(read.faults[0]);
    setRows(read.value);
  };
  const fresh = rows.filter((r) => r.becomes.is === "lot" && !isThere(r, items));
  const keep = async (): Promise<void> => {
    setSending(true);
    let kept = 0;
    for (const r of fresh) {
      if (r.becomes.is !== "lot") continue;
      const sent = await send("/api/stores", {
        key: crypto.randomUUID(),
        id: UUID.test(r.id ?? "") ? r.id : crypto.randomUUID(),
        type: "kept",
        body: { item: r.becomes.lot },
      });
      if (!sent.ok) {
        setFault({
          ...sent.fault,
          message: `Row ${r.line}: ${sent.fault.message} The ${kept} before it are kept.`,
        });
        break;
      }
      kept++;
    }
    setSending(false);
    setTold(`${counted(kept, "lot", "lots")} kept.`);
    setRows([]);
    router.refresh();
  };
  return (
    <div className="pt-3">
      <p className="flex flex-wrap gap-x-4 items-center">
        <button type="button" className="plain min-h-9" onClick={() => input.current?.click()}>
          bring in a table
        </button>
        <a className="inline-flex items-center min-h-9" href="/export/table?of=stores" download>
          carry the stores out as one
        </a>
        <input
          ref={input}
          type="file"
          className="sr-only"
          tabIndex={-1}
          aria-label="a table of stores, as CSV"
          accept=".csv,text/csv"
          onChange={(e) => {
            const [chosen] = e.target.files ?? [];
            if (chosen) void take(chosen);
            e.target.value = "";
          }}
        />
      </p>
      {fault && <Wrong fault={fault} />}
      {told !== "" && <p role="status">{told}</p>}
      {rows.length > 0 && (
        <section aria-label="What each row would become" className="pt-2">
          <ul className="border-t border-rule max-h-96 overflow-y-auto" tabIndex={0}>
            {rows.map((r) => (
              <li
                key={r.line}
                className="border-b border-rule py-1.5 grid grid-cols-[3rem_minmax(0,1fr)_minmax(0,1.4fr)] gap-x-3"
              >
                <span className="text-ash">{r.line}</span>
                <span className="break-words">{r.said}</span>
                <Becomes row={r} there={isThere(r, items)} />
              </li>
            ))}
          </ul>
          <p className="pt-3 flex flex-wrap gap-x-5 items-center">
            <button
              type="button"
              className="slab"
              disabled={sending || fresh.length === 0}
              onClick={() => void keep()}
            >
              {fresh.length === 0 ? "nothing new in it" : `keep ${counted(fresh.length, "lot", "lots")}`}
            </button>
            <button type="button" className="plain min-h-11" onClick={() => setRows([])}>
              leave it
            </button>
          </p>
        </section>
      )}
    </div>
  );
}

function Becomes({ row, there }: { row: StoreRow; there: boolean }) {
  if (there) return <span className="text-ash">is there already, and stays as it is</span>;
  if (row.becomes.is === "wrong") return <span className="text-rust">{row.becomes.fault.message}</span>;
  const { lot, name } = row.becomes;
  return (
    <span>
      new: {lot.amount} {name}
      {lot.form ? `, ${lot.form}` : ""}, come {lot.got}
    </span>
  );
}
