import type { LabelLayout } from "@/core/label/layout-item";
import { LabelItems } from "./face";

/** Room over a tag for its cord, mm. */
const CORD = 16;

/** What lies on no glass, larger than it is: a gift’s tag on its cord, a neck’s, a lid’s round. */
export function Large({ layout: l, cord }: { layout: LabelLayout; cord: boolean }) {
  const top = cord ? CORD : 2;
  return (
    <figure data-drawing="" className="min-w-0">
      <svg
        viewBox={`-2 ${-top} ${l.widthMm + 4} ${l.heightMm + top + 2}`}
        className="w-full max-w-[36rem] max-h-[70vh] block mx-auto"
        style={{ fontVariantNumeric: "normal" }}
        aria-hidden="true"
      >
        <rect
          width={l.widthMm}
          height={l.heightMm}
          fill="#fff"
          stroke="var(--color-iron)"
          strokeWidth="0.4"
        />
        <LabelItems items={l.items} />
        {cord && (
          <path
            d={`M${l.widthMm / 2} 1.2C${l.widthMm / 2 - 14} ${-CORD * 0.8} ${l.widthMm / 2 - 4} ${-CORD} ${l.widthMm / 2 + 2} ${-CORD + 2}S${l.widthMm / 2 + 8} -4 ${l.widthMm / 2} 1.2`}
            fill="none"
            stroke="var(--color-cobalt)"
            strokeWidth="0.7"
          />
        )}
      </svg>
      <figcaption className="quiet text-center pt-1">larger than it is</figcaption>
    </figure>
  );
}
