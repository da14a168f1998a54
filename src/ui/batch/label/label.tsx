"use client";
import { useUnits } from "../../kit/units";
import Link from "../../kit/link";
import { useState } from "react";
import { FileText, Printer } from "lucide-react";
import type { LabelLayout } from "@/core/label/layout-item";
import { PAGES, gridCells } from "@/core/label/sheet";
import type { Greeting, LabelSort } from "@/core/label/sorts";
import { LabelFace } from "./face";
import { type Bottle, OnTheBottle } from "./on-the-bottle";
import { SheetDrawn } from "./sheet-drawn";
import { Strip } from "./strip";
import { GreetingTyped, greetingQuery } from "./greeting";
import { type Setting, Settings } from "./settings";
import { Large } from "./large";
import { OtherSize } from "./other-size";
import { OnThePrinter } from "./on-the-printer";

const SORT_WORDS: Readonly<Record<LabelSort, string>> = {
  bottle: "the bottle",
  jar: "the jar while it works",
  lid: "its lid",
  neck: "its neck",
  gift: "a gift",
};

/** Another batch whose labels may stand on the same sheet, and whether they do. */
interface Other {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly on: boolean;
}

interface Props {
  /** The strip for the glass, where a jar works. */
  readonly strip: LabelLayout | undefined;
  readonly id: string;
  readonly code: string;
  readonly name: string;
  /** By size, then by bottle; those of this batch first. */
  readonly layouts: Readonly<Record<string, readonly LabelLayout[]>>;
  /** Sizes that are laid out, mm; one of the household’s own first. */
  readonly sizes: readonly string[];
  /** The bottle or the jar its labels go on. */
  readonly vessel: Bottle | undefined;
  readonly sort: LabelSort;
  /** What goes with a gift. */
  readonly greeting: Greeting;
  readonly claim: string | undefined;
  /** Sorts there are of it as it stands. */
  readonly may: readonly LabelSort[];
  /** Whether the house has a label printer. */
  readonly printer: boolean;
  /** How many of the labels are this batch’s. */
  readonly own: number;
  readonly others: readonly Other[];
}

/** The address of this page for a sort of label, with others on its sheet. */
function address(id: string, sort: LabelSort, others: readonly Other[], greeting: Greeting = {}): string {
  const beside = withOf(others);
  return `/batch/${id}/label?sort=${sort}${beside ? `&with=${beside}` : ""}${greetingQuery(greeting)}`;
}
const withOf = (others: readonly Other[]): string =>
  others
    .filter((o) => o.on)
    .map((o) => o.id)
    .join(",");

/** What lies on glass, so that it is drawn on it. */
const ON_GLASS: ReadonlySet<LabelSort> = new Set(["bottle", "jar"]);

/** What the labels are put on. */
function Sorts({ id, sort, may, others }: Pick<Props, "id" | "sort" | "may" | "others">) {
  if (may.length < 2) return null;
  return (
    <nav aria-label="What it is put on" className="flex flex-wrap gap-x-5 pt-1">
      <span className="quiet self-center">for</span>
      {may.map((s) => (
        <Link
          key={s}
          href={address(id, s, others)}
          aria-current={s === sort ? "page" : undefined}
          className={`inline-flex items-center min-h-11 min-w-11 ${s === sort ? "font-bold no-underline text-iron" : ""}`}
        >
          {SORT_WORDS[s]}
        </Link>
      ))}
    </nav>
  );
}

/** Labels of other batches on the same sheet, so that none of it is wasted. */
function OnTheSheet({ id, sort, others, greeting }: Pick<Props, "id" | "sort" | "others" | "greeting">) {
  if (others.length === 0) return null;
  return (
    <details open={others.some((o) => o.on)}>
      <summary className="plain inline-block min-h-11 pt-2">
        labels of other batches on the same sheet
      </summary>
      <ul className="flex flex-wrap gap-x-6">
        {others.map((o) => (
          <li key={o.id}>
            <Link
              href={address(
                id,
                sort,
                others.map((x) => (x.id === o.id ? { ...x, on: !x.on } : x)),
                greeting,
              )}
              aria-current={o.on ? "true" : undefined}
              className="inline-flex items-center gap-2 min-h-11"
            >
              {o.on ? "take off" : "put on"} {o.code} {o.name}
            </Link>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** How many there are, at what size, and what has no room or no letter. */
function Told({ labels }: { labels: readonly LabelLayout[] }) {
  const noGlyph = [...new Set(labels.flatMap((l) => l.noGlyph ?? []))];
  const leftOut = [...new Set(labels.flatMap((l) => l.leftOut))];
  return (
    <>
      <p className="quiet pb-4">
        {labels.length === 1 ? "One label" : `${labels.length} labels`} at real size, running text{" "}
        {labels[0]!.pt} pt. Print at 100 %, not fitted to the page.
        {leftOut.length > 0 ? ` No room at this size for: ${leftOut.join("; ")}.` : ""}
      </p>
      {noGlyph.length > 0 && (
        <p role="status" className="wrong pb-4">
          The PDF’s fonts do not have {noGlyph.join(" ")}: a “?” stands in its place. Print this page instead,
          which uses the fonts of this machine, or say the name in other letters.
        </p>
      )}
    </>
  );
}

/** The labels at real size, each of this batch’s with a way to its file. */
function Faces({
  labels,
  own,
  id,
  sort,
  size,
  greeting,
}: Pick<Props, "own" | "id" | "sort" | "greeting"> & { labels: readonly LabelLayout[]; size: string }) {
  return (
    <div className="label-sheet flex flex-wrap gap-[3mm] print:p-[8mm] print:gap-[2mm]">
      {labels.map((l, i) => (
        <figure key={i}>
          <LabelFace layout={l} title={`Label ${i + 1}`} />
          <figcaption className="no-print quiet pt-1">
            {i < own && (
              <a
                href={`/batch/${id}/label.svg?sort=${sort}&size=${size}&bottle=${i + 1}${greetingQuery(greeting)}`}
                target="_blank"
                rel="noopener"
                className="inline-flex items-center min-h-11 min-w-11"
              >
                SVG
              </a>
            )}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

/** The labels as they come out: singly at real size, on their sheet, and the strip of a jar. */
function Printed({
  p,
  labels,
  said,
  each,
  start,
  say,
}: {
  p: Props;
  labels: readonly LabelLayout[];
  said: Setting;
  each: number;
  start: number;
  say: (to: Partial<Setting>) => void;
}) {
  return (
    <div className="flex flex-wrap items-start justify-between gap-8">
      <Faces {...p} labels={labels} size={said.size} />
      {said.sheet !== "single" && each > 0 && (
        <div className="no-print">
          <SheetDrawn
            sheet={said.sheet}
            widthMm={labels[0]!.widthMm}
            heightMm={labels[0]!.heightMm}
            count={labels.length}
            start={start}
            say={(to) => say({ start: String(to) })}
          />
        </div>
      )}
      {p.strip && <Strip id={p.id} layout={p.strip} />}
    </div>
  );
}

const NoSuchLabel = ({ each }: { each: number }) => (
  <p id="start-wrong" role="alert" className="wrong">
    This sheet has {each} labels; the first free one is one of 1 to {each}.
  </p>
);

/** All of a batch's labels, as they will be printed: singly, or on a sheet from any cell, with those of others where that is wanted. */
export function LabelSheet(p: Props) {
  const { id, sort, layouts, others, own } = p;
  const { market } = useUnits();
  const [said, setSaid] = useState<Setting>({
    size: p.sizes[0]!,
    sheet: market === "us" ? "letter" : "a4",
    start: "1",
  });
  const { size, sheet, start } = said;
  const labels = layouts[size]!;
  const first = labels[0]!;
  const grid =
    sheet === "single" ? undefined : gridCells(labels.length, first.widthMm, first.heightMm, PAGES[sheet], 0);
  const each = grid ? grid.across * grid.down : 1;
  const n = Number(start);
  const wrong = sheet !== "single" && !(Number.isInteger(n) && n >= 1 && n <= each);
  const beside = withOf(others);
  const href = `/batch/${id}/label.pdf?sort=${sort}&size=${size}&sheet=${sheet}&start=${wrong ? 1 : n}${beside ? `&with=${beside}` : ""}${greetingQuery(p.greeting)}`;
  return (
    <div className="pt-4 grid grid-cols-1 gap-x-10 gap-y-6 print:block lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
      <div className="no-print min-w-0 lg:sticky lg:top-4 lg:self-start">
        {p.vessel && ON_GLASS.has(sort) ? (
          <OnTheBottle vessel={p.vessel} label={first} />
        ) : (
          <Large layout={first} cord={sort === "gift"} />
        )}
      </div>
      <div className="min-w-0">
        <div className="no-print">
          <p>
            <Link href={`/batch/${id}`} className="stencil text-xl">
              {p.code}
            </Link>{" "}
            {p.name}
          </p>
          <h1 className="text-[2rem]">Labels</h1>
          <Sorts {...p} />
          {sort === "gift" && (
            <GreetingTyped href={address(id, sort, others)} greeting={p.greeting} claim={p.claim} />
          )}
          <div className="flex flex-wrap gap-x-8 gap-y-2 py-3 items-end">
            <Settings
              {...{ sort, sizes: p.sizes, said, each, wrong }}
              say={(to) => setSaid((was) => ({ ...was, ...to }))}
            />
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
          {wrong && <NoSuchLabel each={each} />}
          {p.printer && (
            <OnThePrinter
              key={`${sort} ${size}`}
              batch={id}
              sort={sort}
              size={size}
              many={own}
              greeting={p.greeting}
            />
          )}
          <OtherSize id={id} sort={sort} beside={beside} />
          <OnTheSheet {...p} />
          <Told labels={labels} />
        </div>
        <Printed
          {...{ p, labels, said, each }}
          start={wrong ? 1 : n}
          say={(to) => setSaid({ ...said, ...to })}
        />
      </div>
    </div>
  );
}
