import { BAR_FILL, type Item, type LabelLayout, stripesOf } from "@/core/label/layout-item";
import { MM_PER_PT } from "@/core/label/layout";

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
      className="label bg-white block not-print:max-w-full"
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
      <LabelItems items={l.items} />
    </svg>
  );
}

/** What stands on a label, mm. */
export const LabelItems = ({ items }: { items: readonly Item[] }) =>
  items.map((i, n) => <OneItem key={n} item={i} />);

/** One thing on a label. */
function OneItem({ item: i }: { item: Item }) {
  switch (i.kind) {
    case "rule":
      return <path d={`M${i.x1} ${i.y}H${i.x2}`} stroke={INKS[i.ink]} strokeWidth={i.width} />;
    case "circle":
      return <circle cx={i.x} cy={i.y} r={i.r} fill="none" stroke={INKS.iron} strokeWidth="0.2" />;
    case "box":
      return (
        <rect
          x={i.x}
          y={i.y}
          width={i.width}
          height={i.height}
          fill="none"
          stroke={INKS.iron}
          strokeWidth="0.25"
        />
      );
    case "bar":
      return (
        <g>
          <rect x={i.x} y={i.y} width={i.width} height={i.height} fill={BAR_FILL[i.of]} />
          {stripesOf(i).map((x) => (
            <path key={x} d={`M${x} ${i.y}v${i.height}`} stroke={INKS.iron} strokeWidth="0.3" />
          ))}
        </g>
      );
    case "upright":
      return <path d={`M${i.x} ${i.y1}V${i.y2}`} stroke={INKS.iron} strokeWidth={i.width} />;
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
