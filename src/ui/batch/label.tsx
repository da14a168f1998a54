"use client";
import Link from "next/link";
import { useState } from "react";
import { FileText, Printer } from "lucide-react";
import { type LabelSort, SORT_SIZES } from "@/core/label/sorts";
import { type Item, type LabelLayout, MM_PER_PT } from "@/core/label/layout";
import { PAGES, gridCells } from "@/core/label/sheet";

const INKS = { iron: "#1f2125", cobalt: "#1c3d94" } as const;
const FAMILIES = {
  plain: "var(--font-sans)",
  bold: "var(--font-sans)",
  stencil: "var(--font-stencil)",
} as const;

/** One label at its real size, from the same layout as the PDF; with proportional figures, as the layout was measured. */
export function LabelFace({ layout: l, title }: { layout: LabelLayout; title: string }) {
  return (
    <svg
      className="label bg-white block"
      style={{
        width: `${l.widthMm}mm`,
        height: `${l.heightMm}mm`,
        outline: "0.2mm solid #1f2125",
        fontVariantNumeric: "normal",
      }}
      viewBox={`0 0 ${l.widthMm} ${l.heightMm}`}
      role="img"
      aria-label={`${title}: ${l.items.flatMap((i) => (i.kind === "text" ? [i.text] : [])).join(" ")}`}
    >
      {l.items.map((i, n) => (
        <OneItem key={n} item={i} />
      ))}
    </svg>
  );
}

/** One thing on a label. */
function OneItem({ item: i }: { item: Item }) {
  switch (i.kind) {
    case "rule":
      return <path d={`M${i.x1} ${i.y}H${i.x2}`} stroke={INKS[i.ink]} strokeWidth={i.width} />;
    case "circle":
      return <circle cx={i.x} cy={i.y} r={i.r} fill="none" stroke={INKS.iron} strokeWidth="0.2" />;
    case "code":
      return <path d={i.path ?? ""} fill="#000" data-code={i.text} />;
    case "text":
      return (
        <text
          x={i.x}
          y={i.y}
          fontSize={i.pt * MM_PER_PT}
          fontFamily={FAMILIES[i.face]}
          fontWeight={i.face === "plain" ? 400 : 700}
          fill={INKS[i.ink]}
          textAnchor={i.anchor}
        >
          {i.text}
        </text>
      );
  }
}

const SORT_WORDS: Readonly<Record<LabelSort, string>> = {
  bottle: "the bottle",
  jar: "the jar while it works",
  lid: "its lid",
  neck: "its neck",
  gift: "a gift",
};

interface Answered {
  readonly printed: number;
  readonly from: number;
  readonly why: string | null;
}

/** Sends the labels to the label printer; where it stops it says at which, and goes on from there. */
function OnThePrinter({
  batch,
  sort,
  size,
  many,
}: {
  batch: string;
  sort: LabelSort;
  size: string;
  many: number;
}) {
  const [busy, setBusy] = useState(false);
  const [out, setOut] = useState(0);
  const [told, setTold] = useState("");
  const print = async (): Promise<void> => {
    setBusy(true);
    const from = out >= many ? 1 : out + 1;
    try {
      const reply = await fetch("/api/labels", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ batch, sort, size, from }),
      });
      const said = (await reply.json()) as Answered & { fault?: { message: string } };
      if (!reply.ok) setTold(said.fault?.message ?? "It could not be printed just now.");
      else {
        const done = said.from - 1 + said.printed;
        setOut(done);
        const lies = done === 1 ? "1 lies" : `${done} lie`;
        setTold(
          said.why === null ? `${lies} in its tray.` : `${done} of ${many} lie in its tray: ${said.why}.`,
        );
      }
    } catch {
      setTold("The kitchen’s server does not answer. Try again when it is back.");
    }
    setBusy(false);
  };
  return (
    <p className="flex flex-wrap gap-x-4 items-center">
      <button type="button" className="plain min-h-11" disabled={busy} onClick={() => void print()}>
        {out > 0 && out < many ? `go on printing from label ${out + 1}` : "print on the label printer"}
      </button>
      <span role="status">{told}</span>
    </p>
  );
}

interface Props {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  /** By size, then by bottle. */
  readonly layouts: Readonly<Record<string, readonly LabelLayout[]>>;
  readonly sort: LabelSort;
  /** Sorts there are of it as it stands. */
  readonly may: readonly LabelSort[];
  /** Whether the house has a label printer. */
  readonly printer: boolean;
}

/** All of a batch's labels, as they will be printed: singly, or on a sheet from any cell. */
export function LabelSheet({ id, code, name, layouts, sort, may, printer }: Props) {
  const [size, setSize] = useState<string>(SORT_SIZES[sort][0]!);
  const [sheet, setSheet] = useState<"single" | keyof typeof PAGES>("a4");
  const [start, setStart] = useState("1");
  const labels = layouts[size]!;
  const first = labels[0]!;
  const grid =
    sheet === "single" ? undefined : gridCells(labels.length, first.widthMm, first.heightMm, PAGES[sheet], 0);
  const each = grid ? grid.across * grid.down : 1;
  const n = Number(start);
  const wrong =
    sheet !== "single" && !(Number.isInteger(n) && n >= 1 && n <= each)
      ? `This sheet has ${each} cells; start at one of 1 to ${each}.`
      : undefined;
  const href = `/batch/${id}/label.pdf?sort=${sort}&size=${size}&sheet=${sheet}&start=${wrong ? 1 : n}`;
  const noGlyph = [...new Set(labels.flatMap((l) => l.noGlyph ?? []))];
  const leftOut = [...new Set(labels.flatMap((l) => l.leftOut))];
  return (
    <div className="pt-5">
      <div className="no-print">
        <p>
          <Link href={`/batch/${id}`} className="stencil text-xl">
            {code}
          </Link>{" "}
          {name}
        </p>
        <h1 className="text-[2rem]">Labels</h1>
        {may.length > 1 && (
          <nav aria-label="What it is put on" className="flex flex-wrap gap-x-5 pt-1">
            <span className="quiet self-center">for</span>
            {may.map((s) => (
              <Link
                key={s}
                href={`/batch/${id}/label?sort=${s}`}
                aria-current={s === sort ? "page" : undefined}
                className={`inline-flex items-center min-h-11 ${s === sort ? "font-bold no-underline text-iron" : ""}`}
              >
                {SORT_WORDS[s]}
              </Link>
            ))}
          </nav>
        )}
        <div className="flex flex-wrap gap-x-8 gap-y-2 py-3 items-end">
          <p>
            <label className="quiet block" htmlFor="size">
              label, mm
            </label>
            <select id="size" className="field" value={size} onChange={(e) => setSize(e.target.value)}>
              {SORT_SIZES[sort].map((s) => (
                <option key={s} value={s}>
                  {sort === "lid" ? `${s.split("x")[0]} round` : s.replace("x", " by ")}
                </option>
              ))}
            </select>
          </p>
          <p>
            <label className="quiet block" htmlFor="sheet">
              on
            </label>
            <select
              id="sheet"
              className="field"
              value={sheet}
              onChange={(e) => setSheet(e.target.value as typeof sheet)}
            >
              <option value="a4">a sheet, A4</option>
              <option value="letter">a sheet, Letter</option>
              <option value="single">single labels</option>
            </select>
          </p>
          {sheet !== "single" && (
            <p>
              <label className="quiet block" htmlFor="start">
                first cell, of {each}
              </label>
              <input
                id="start"
                type="number"
                min="1"
                max={each}
                className="field w-24"
                value={start}
                aria-invalid={wrong !== undefined}
                aria-describedby={wrong ? "start-wrong" : undefined}
                onChange={(e) => setStart(e.target.value)}
              />
            </p>
          )}
          <a className="slab" href={href} target="_blank" rel="noopener">
            <FileText size={18} aria-hidden="true" /> PDF
          </a>
          <button
            type="button"
            className="plain min-h-11 inline-flex items-center gap-2"
            onClick={() => window.print()}
          >
            <Printer size={18} aria-hidden="true" /> print this page
          </button>
        </div>
        {printer && (
          <OnThePrinter key={`${sort} ${size}`} batch={id} sort={sort} size={size} many={labels.length} />
        )}
        {wrong && (
          <p id="start-wrong" role="alert" className="wrong">
            {wrong}
          </p>
        )}
        <p className="quiet pb-4">
          {labels.length === 1 ? "One label" : `${labels.length} labels`} at real size, running text{" "}
          {first.pt} pt. Print at 100 %, not fitted to the page.
          {leftOut.length > 0 ? ` No room at this size for: ${leftOut.join("; ")}.` : ""}
        </p>
        {noGlyph.length > 0 && (
          <p role="status" className="wrong pb-4">
            The PDF’s fonts do not have {noGlyph.join(" ")}: a “?” stands in its place. Print this page
            instead, which uses the fonts of this machine, or say the name in other letters.
          </p>
        )}
      </div>
      <div className="label-sheet flex flex-wrap gap-[3mm] print:p-[8mm] print:gap-[2mm]">
        {labels.map((l, i) => (
          <figure key={i}>
            <LabelFace layout={l} title={`Label ${i + 1}`} />
            <figcaption className="no-print quiet pt-1">
              <a
                href={`/batch/${id}/label.svg?sort=${sort}&size=${size}&bottle=${i + 1}`}
                target="_blank"
                rel="noopener"
              >
                SVG
              </a>
            </figcaption>
          </figure>
        ))}
      </div>
    </div>
  );
}
