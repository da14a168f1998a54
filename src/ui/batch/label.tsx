"use client";
import Link from "next/link";
import { Printer } from "lucide-react";
import type { Label } from "@/core/label/label";

/** One label at its real size, 80 by 50 mm. */
export function LabelFace({ l }: { l: Label }) {
  return (
    <article className="label bg-white text-black overflow-hidden flex flex-col" style={{ width: "80mm", height: "50mm", padding: "3mm 3.5mm", border: "0.3mm solid #1f2125", fontSize: "2.75mm", lineHeight: 1.22 }} aria-label={`Label ${l.code}`}>
      <header className="flex justify-between items-baseline" style={{ borderBottom: "0.35mm solid #1c3d94", paddingBottom: "0.8mm", marginBottom: "1mm", gap: "2mm" }}>
        <strong style={{ fontSize: l.name.length > 34 ? "3.4mm" : "4.4mm", lineHeight: 1.1 }}>{l.name}</strong>
        <span className="stencil" style={{ fontSize: "4mm", whiteSpace: "nowrap" }}>{l.code}</span>
      </header>
      <p style={{ maxHeight: "6.8mm", overflow: "hidden" }}>{l.contents}. {l.volume}.</p>
      <p>Made {l.made}, strained {l.strained}.</p>
      <p style={{ fontSize: "3.5mm", margin: "0.7mm 0" }}><strong>Best by {l.bestBy}</strong>{l.ownDate ? " (the maker’s own date)" : ""}</p>
      <p><strong>{l.keep}</strong> {l.opened}</p>
      {l.taken && <p>{l.taken}</p>}
      <ul className="mt-auto" style={{ borderTop: l.cautions.length > 0 ? "0.2mm solid #1f2125" : undefined, paddingTop: "0.6mm" }}>{l.cautions.slice(0, 3).map((c) => <li key={c}>{c}</li>)}</ul>
    </article>
  );
}

/** All of a batch's labels, as they will be printed. */
export function LabelSheet({ id, code, name, labels }: { id: string; code: string; name: string; labels: readonly Label[] }) {
  return (
    <div className="pt-5">
      <div className="no-print">
        <p><Link href={`/batch/${id}`} className="stencil text-xl">{code}</Link> {name}</p>
        <h1 className="text-[2rem]">Labels</h1>
        <p className="py-2">{labels.length === 1 ? "One label" : `${labels.length} labels`}, 80 by 50 mm, shown at real size. Print at 100 %, not fitted to the page.</p>
        <p className="pb-5 flex flex-wrap gap-5 items-center"><button type="button" className="slab" onClick={() => window.print()}><Printer size={18} aria-hidden="true" /> Print</button><Link href="/">back to the Shelf</Link></p>
      </div>
      <div className="label-sheet flex flex-wrap gap-[3mm] print:p-[8mm] print:gap-[2mm]">{labels.map((l, i) => <LabelFace key={i} l={l} />)}</div>
    </div>
  );
}
