"use client";
import { Told } from "../kit/told";
import { useRouter } from "../kit/router";
import { useState } from "react";
import { type Fault, type Result, fail } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import type { UnitSystem } from "@/core/quantity/units";
import type { Stored } from "@/core/stores/events";
import { counted } from "@/core/words";
import type { StoreRow } from "@/exchange/store-rows";
import { ChooseFile } from "../kit/choose-file";
import { Wrong } from "../kit/field";
import { send } from "../kit/send";
import { toStores } from "../kit/writes";

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

/** More than this is no table of stores. */
const MOST_BYTES = 5_000_000;
const faultOf = (name: string, message: string): Fault => ({ name, message, path: [] });

/** A table from a file, read row by row. */
async function readTable(file: File, p: Props): Promise<Result<readonly StoreRow[]>> {
  if (file.size > MOST_BYTES)
    return fail(faultOf("TooLarge", "That is over 5 MB, which is no table of stores."));
  let text: string;
  try {
    text = new TextDecoder("utf-8", { fatal: true }).decode(await file.arrayBuffer());
  } catch {
    return fail(faultOf("NotUtf8", `${file.name} is not in UTF-8. Save it again as CSV in UTF-8.`));
  }
  const { readStoreTable } = await import("@/exchange/store-rows");
  return readStoreTable(text, p.household, p.catalogue, p.today);
}

/** Keeps rows one after the other. @returns how many were kept, and why no more */
async function keepRows(rows: readonly StoreRow[]): Promise<{ kept: number; fault: Fault | undefined }> {
  let kept = 0;
  for (const r of rows) {
    if (r.becomes.is !== "lot") continue;
    const sent = await send(
      toStores(r.id && UUID.test(r.id) ? r.id : crypto.randomUUID(), "kept", { item: r.becomes.lot }),
      crypto.randomUUID(),
    );
    if (!sent.ok) {
      const message = `Row ${r.line}: ${sent.fault.message} The ${kept} before it are kept.`;
      return { kept, fault: { ...sent.fault, message } };
    }
    kept++;
  }
  return { kept, fault: undefined };
}

/** A table in the hand: what its rows would become, and the keeping of those that are new. */
function useTable(p: Props) {
  const router = useRouter();
  const [rows, setRows] = useState<readonly StoreRow[]>([]);
  const [fault, setFault] = useState<Fault | undefined>();
  const [told, setTold] = useState("");
  const [sending, setSending] = useState(false);
  const take = async (file: File): Promise<void> => {
    setFault(undefined);
    setTold("");
    setRows([]);
    const read = await readTable(file, p);
    if (read.ok) setRows(read.value);
    else setFault(read.faults[0]);
  };
  const fresh = rows.filter((r) => r.becomes.is === "lot" && !isThere(r, p.items));
  const keep = async (): Promise<void> => {
    setSending(true);
    const done = await keepRows(fresh);
    setSending(false);
    setFault(done.fault);
    setTold(`${counted(done.kept, "lot", "lots")} kept.`);
    setRows([]);
    router.refresh();
  };
  return { rows, fresh, fault, told, sending, take, keep, leave: () => setRows([]) };
}

/** What each row would become, before anything is kept. */
function Rows({ t, items }: { t: ReturnType<typeof useTable>; items: Props["items"] }) {
  return (
    <section aria-label="What each row would become" className="pt-2">
      <ul className="border-t border-rule max-h-96 overflow-y-auto" tabIndex={0}>
        {t.rows.map((r) => (
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
          disabled={t.sending || t.fresh.length === 0}
          onClick={() => void t.keep()}
        >
          {t.fresh.length === 0 ? "nothing new in it" : `keep ${counted(t.fresh.length, "lot", "lots")}`}
        </button>
        <button type="button" className="plain min-h-11" onClick={t.leave}>
          leave it
        </button>
      </p>
    </section>
  );
}

/** A table of lots from a file: what each row would become is shown first, and what cannot be one says why. */
export function BringIn(p: Props) {
  const t = useTable(p);
  return (
    <div className="pt-3">
      <p className="flex flex-wrap gap-x-4 items-center">
        <ChooseFile
          words="bring in a table"
          label="a table of stores, as CSV"
          accept=".csv,text/csv"
          take={(file) => void t.take(file)}
        />
        <a className="inline-flex items-center min-h-11" href="/export/table?of=stores" download>
          carry the stores out as one
        </a>
      </p>
      {t.fault && <Wrong fault={t.fault} />}
      {t.told !== "" && <p role="status">{t.told}</p>}
      {t.rows.length > 0 && <Rows t={t} items={p.items} />}
    </div>
  );
}

function Becomes({ row, there }: { row: StoreRow; there: boolean }) {
  if (there) return <span className="text-ash">is there already, and stays as it is</span>;
  if (row.becomes.is === "wrong")
    return (
      <span className="text-rust">
        <Told of={row.becomes.fault.message} />
      </span>
    );
  const { lot, name } = row.becomes;
  return (
    <span>
      new: {lot.amount} {name}
      {lot.form ? `, ${lot.form}` : ""}, come {lot.got}
    </span>
  );
}
