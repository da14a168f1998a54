"use client";
import { PAGES, gridCells } from "@/core/label/sheet";
import { useUnits } from "../../kit/units";
import { SHEETS, type Sheet } from "./sheets";

/** Px for a millimetre of paper, where its labels are large enough to be touched so. */
const SCALE = 0.9;
const FINGER = 44;
/** Px the page may be wide. */
const MOST = 330;

/** The sheet with its used labels dashed and what is printed on the free ones; a touch says which is the first free one. */
export function SheetDrawn({
  sheet,
  widthMm,
  heightMm,
  count,
  start,
  say,
}: {
  sheet: Exclude<Sheet, "single">;
  widthMm: number;
  heightMm: number;
  count: number;
  /** The first free label, from 1. */
  start: number;
  say: (start: number) => void;
}) {
  const { market } = useUnits();
  const page = PAGES[sheet];
  const one = gridCells(1, widthMm, heightMm, page, 0);
  const each = one.across * one.down;
  if (each < 1) return null;
  const k = Math.min(MOST / page.pageWmm, Math.max(SCALE, FINGER / Math.min(widthMm, heightMm)));
  const { cells } = gridCells(each, widthMm, heightMm, page, 0);
  const pages = Math.ceil((start - 1 + count) / each);
  const words = SHEETS[market].find(([of]) => of === sheet)?.[1] ?? sheet;
  return (
    <figure data-drawing="">
      <div
        role="group"
        aria-label={`${words}: touch its first free label`}
        className="relative bg-paper border-2 border-iron"
        style={{ width: page.pageWmm * k, height: page.pageHmm * k }}
      >
        {cells.map((c, i) => {
          const used = i < start - 1;
          const ours = !used && i - (start - 1) < count;
          const look = ours ? "bg-cobalt-pale border-cobalt" : "border-ash border-dashed";
          return (
            <button
              key={i}
              type="button"
              // The field beside is the way by keys; two dozen stops more would only be in the way.
              tabIndex={-1}
              aria-label={`first free: ${i + 1}`}
              aria-pressed={i === start - 1}
              className={`absolute border ${look} ${used ? "text-ash" : "text-cobalt"}`}
              style={{ left: c.x * k, top: c.y * k, width: widthMm * k, height: heightMm * k }}
              onClick={() => say(i + 1)}
            >
              <span className={ours ? "font-bold" : ""}>{used ? "used" : ""}</span>
              <span className="stencil text-lg">{ours ? i - start + 2 : ""}</span>
            </button>
          );
        })}
      </div>
      <figcaption className="quiet pt-1">
        touch the first free label{pages > 1 ? `; ${pages} sheets in all` : ""}
      </figcaption>
    </figure>
  );
}
