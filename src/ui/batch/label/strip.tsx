"use client";
import { FileText } from "lucide-react";
import { useUnits } from "../../kit/units";
import type { LabelLayout } from "@/core/label/layout-item";
import { LabelFace } from "./face";

/** A strip to tape on the glass, at real size: the lines to pour to at their heights, its weeks to tick. */
export function Strip({ id, layout }: { id: string; layout: LabelLayout }) {
  const { ruler } = useUnits();
  const size = [layout.widthMm, layout.heightMm].map((mm) =>
    Number((mm / ruler.mm).toFixed(ruler.mm === 1 ? 0 : 2)),
  );
  return (
    <section aria-labelledby="strip" className="no-print">
      <h2 id="strip" className="text-[1.25rem]">
        A strip for the glass
      </h2>
      <p className="quiet max-w-[22rem] pb-2">
        {size.join(" × ")} {ruler.words}, printed at 100 %. Tape it upright, its long line level with the
        inside’s floor; then pour to its lines, and tick a week when it is done.
        {layout.leftOut.length > 0 ? ` No room on so low a jar for: ${layout.leftOut.join("; ")}.` : ""}
      </p>
      <div className="flex items-start gap-6">
        <LabelFace layout={layout} title="The strip" />
        <p className="grid gap-2">
          <a className="slab" href={`/batch/${id}/strip.pdf`} target="_blank" rel="noopener">
            <FileText size={18} aria-hidden="true" /> strip, PDF
          </a>
          <a
            className="inline-flex items-center min-h-11"
            href={`/batch/${id}/strip.svg`}
            target="_blank"
            rel="noopener"
          >
            strip, SVG
          </a>
        </p>
      </div>
    </section>
  );
}
