import { memo } from "react";

export type DrawnLid =
  "metal" | "coated-metal" | "plastic" | "glass" | "cork" | "airlock" | "cloth" | "none" | "off";

/** cm of glass around the inside. */
export const GLASS = 0.28;
export const INK = "var(--color-iron)";

/** A vessel's mouth, where what closes or carries it is drawn. Lengths in pixels, but for cm where it says so. */
interface Mouth {
  readonly middle: number;
  readonly mouth: number;
  readonly k: number;
  readonly brimY: number;
  readonly lidCm: number;
  readonly bold: boolean;
}

function Handle({ m, y, handle }: { m: Mouth; y: number; handle: number }) {
  const half = (m.mouth + GLASS) * m.k;
  return (
    <>
      <path d={`M${m.middle + half} ${y}h${handle * m.k}`} stroke={INK} strokeWidth={m.bold ? 7 : 4} />
      <path d={`M${m.middle - half - 3} ${m.brimY}H${m.middle + half + 3}`} stroke={INK} strokeWidth="2.5" />
    </>
  );
}

function Cork({ middle, mouth, k, brimY, lidCm }: Mouth) {
  const [inY, outY] = [brimY + lidCm * 0.45 * k, brimY - lidCm * k * 0.55];
  const [inR, outR] = [mouth * k * 0.96, mouth * k * 1.12];
  return (
    <path
      d={`M${middle - inR} ${inY}L${middle - outR} ${outY}H${middle + outR}L${middle + inR} ${inY}Z`}
      fill="var(--color-cork)"
      stroke={INK}
      strokeWidth="1.4"
    />
  );
}

function Cloth({ middle, mouth, k, brimY }: Mouth) {
  const hem = brimY + 1.1 * k;
  const [edge, turn, top] = [(mouth + 0.5) * k, (mouth + 0.4) * k, mouth * k];
  return (
    <path
      d={`M${middle - edge} ${hem}Q${middle - turn} ${brimY - 5} ${middle - top} ${brimY - 6}H${middle + top}Q${middle + turn} ${brimY - 5} ${middle + edge} ${hem}`}
      fill="var(--color-paper)"
      stroke={INK}
      strokeWidth="1.4"
    />
  );
}

const CAP_FILL = {
  metal: "var(--color-tin)",
  "coated-metal": "var(--color-tin)",
  airlock: "var(--color-tin)",
  plastic: "var(--color-paper)",
  glass: "var(--color-glaze)",
} as const;

/** A lid over the rim; glass sits in a ring, metal has its thread. */
function Cap({ m, lid }: { m: Mouth; lid: keyof typeof CAP_FILL }) {
  const { middle, mouth, k, brimY, lidCm, bold } = m;
  const half = (mouth + GLASS + 0.15) * k;
  const ring = (mouth + GLASS + 0.05) * k;
  return (
    <>
      <rect
        x={middle - half}
        y={brimY - lidCm * k * 0.72}
        width={half * 2}
        height={lidCm * k * (lid === "glass" ? 0.72 : 1.15)}
        fill={CAP_FILL[lid]}
        stroke={INK}
        strokeWidth={bold ? 2 : 1.5}
      />
      {lid === "glass" && (
        <path
          d={`M${middle - ring} ${brimY + 1.5}h${ring * 2}`}
          stroke="var(--color-rubber)"
          strokeWidth={bold ? 4 : 2.5}
        />
      )}
      {(lid === "metal" || lid === "coated-metal") && (
        <path
          d={`M${middle - half} ${brimY - lidCm * k * 0.3}h${half * 2}`}
          stroke={INK}
          strokeWidth="0.8"
          strokeDasharray="2 3"
        />
      )}
    </>
  );
}

export function Closure({
  m,
  lid,
  handleY,
  handle,
}: {
  m: Mouth;
  lid: DrawnLid;
  handleY: number;
  handle: number;
}) {
  switch (lid) {
    case "off":
      return null;
    case "none":
      return <Handle m={m} y={handleY} handle={handle} />;
    case "cork":
      return <Cork {...m} />;
    case "cloth":
      return <Cloth {...m} />;
    case "metal":
    case "coated-metal":
    case "airlock":
    case "plastic":
    case "glass":
      return <Cap m={m} lid={lid} />;
  }
}

/** The glass, its lid or handle: they stay as they are while the levels move. */
export const Shell = memo(function Shell(
  p: Omit<Mouth, "bold"> & {
    readonly right: string;
    readonly left: string;
    readonly lid: DrawnLid;
    readonly measured: boolean;
    readonly handleY: number;
    readonly handle: number;
  },
) {
  return (
    <>
      <path
        d={`M${p.right}L${p.left}`}
        fill="none"
        stroke={INK}
        strokeWidth={p.measured ? 2 : 1.6}
        strokeLinejoin="round"
      />
      <Closure m={{ ...p, bold: p.measured }} lid={p.lid} handleY={p.handleY} handle={p.handle} />
    </>
  );
});
