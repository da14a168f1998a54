"use client";
import { printMoney } from "@/core/stores/cost";
import { useUnits } from "../kit/units";
import Link from "../kit/link";
import type { CameOfIt as Came } from "@/core/formulary/came-of-it";
import { counted, sweetness } from "@/core/words";

interface Rail {
  readonly name: string;
  readonly low: string;
  readonly high: string;
  readonly from: number;
  readonly to: number;
  readonly at: (c: Came) => number | undefined;
  readonly words: (n: number) => string;
}

const taste =
  (k: keyof Came["tastes"]) =>
  (c: Came): number | undefined =>
    c.tastes[k];
const TASTED = ["no", "a little", "some", "much", "very much"] as const;
const tasted = (n: number): string => TASTED[n] ?? String(n);

const RAILS: readonly Rail[] = [
  {
    name: "came out",
    low: "60 % of what was foreseen",
    high: "120 %",
    from: 60,
    to: 120,
    at: (c) => c.out,
    words: (n) => `${Math.round(n)} % of what was foreseen`,
  },
  {
    name: "sweetness",
    low: "none",
    high: sweetness(80),
    from: 0,
    to: 80,
    at: (c) => c.brix,
    words: sweetness,
  },
  {
    name: "sharpness",
    low: "none",
    high: "6 % acid",
    from: 0,
    to: 6,
    at: (c) => c.acid,
    words: (n) => `${n.toFixed(1)} % acid`,
  },
  {
    name: "stood",
    low: "0 days",
    high: "70",
    from: 0,
    to: 70,
    at: (c) => c.days,
    words: (n) => counted(n, "day", "days"),
  },
  { name: "tasted sweet", low: "faint", high: "plain", from: 0, to: 4, at: taste("sweet"), words: tasted },
  { name: "tasted sharp", low: "faint", high: "plain", from: 0, to: 4, at: taste("sharp"), words: tasted },
  { name: "tasted hot", low: "faint", high: "plain", from: 0, to: 4, at: taste("hot"), words: tasted },
  { name: "tasted bitter", low: "faint", high: "plain", from: 0, to: 4, at: taste("bitter"), words: tasted },
  {
    name: "tasted of the herb",
    low: "faint",
    high: "plain",
    from: 0,
    to: 4,
    at: taste("herb"),
    words: tasted,
  },
];

const [LEFT, RIGHT, HIGH] = [6, 334, 52];

/** One rail: a brush stroke a batch, under the number of its version; the likely range pale. */
function OneRail({ rail, came }: { rail: Rail; came: readonly Came[] }) {
  const found = came.flatMap((c) => {
    const n = rail.at(c);
    return n === undefined ? [] : [{ c, n }];
  });
  if (found.length === 0) return null;
  const x = (n: number): number =>
    LEFT + ((Math.min(rail.to, Math.max(rail.from, n)) - rail.from) / (rail.to - rail.from)) * (RIGHT - LEFT);
  const band = rail.name === "came out" ? found.at(-1)!.c.band : undefined;
  const said = found.map(({ c, n }) => `${c.code}, version ${c.version}: ${rail.words(n)}`).join("; ");
  return (
    <div className="grid grid-cols-[6.5rem_minmax(0,1fr)] gap-x-3 items-center">
      <span>{rail.name}</span>
      <svg
        viewBox={`0 0 340 ${HIGH}`}
        className="w-full max-w-[26rem]"
        role="img"
        aria-label={`${rail.name}: ${said}`}
      >
        {band && (
          <rect
            x={x(band[0])}
            y={17}
            width={Math.max(2, x(band[1]) - x(band[0]))}
            height={15}
            fill="var(--color-cobalt-pale)"
          />
        )}
        <path d={`M${LEFT} 24.5H${RIGHT}`} stroke="var(--color-iron)" strokeWidth="1.6" />
        {found.map(({ c, n }) => (
          <g key={c.id} aria-hidden="true">
            <path
              d={`M${x(n) - 2.4} 34.5L${x(n) - 1} 14.5h5L${x(n) + 2.2} 34.5Z`}
              fill="var(--color-cobalt)"
            />
            <text
              x={x(n) + 1}
              y={10}
              textAnchor="middle"
              fontSize="14"
              fontFamily="var(--font-stencil)"
              fill="var(--color-cobalt)"
            >
              {c.version}
            </text>
          </g>
        ))}
        <text x={LEFT} y={49} fontSize="14" fill="var(--color-ash)">
          {rail.low}
        </text>
        <text x={RIGHT} y={49} fontSize="14" fill="var(--color-ash)" textAnchor="end">
          {rail.high}
        </text>
      </svg>
    </div>
  );
}

/** Every batch of a recipe on the same rails, and each by its code. */
export function CameOfIt({ came, currency, all }: { came: readonly Came[]; currency: string; all: number }) {
  const by = useUnits().pricedBy;
  if (came.length === 0) return <p className="quiet pt-2">Nothing yet. Set it on the Bench and begin it.</p>;
  return (
    <>
      <div className="pt-2">
        {RAILS.map((r) => (
          <OneRail key={r.name} rail={r} came={came} />
        ))}
      </div>
      <ul className="pt-2">
        {[...came].reverse().map((c) => (
          <li key={c.id} className="flex flex-wrap gap-x-3 py-0.5 items-baseline">
            <Link href={`/batch/${c.id}`} className="stencil inline-flex items-center min-h-8">
              {c.code}
            </Link>
            <span className="quiet">
              version {c.version}, {c.state}
              {c.cost !== undefined && `, ${printMoney((c.cost * by.ml) / 100, currency)} for ${by.words}`}
            </span>
            {c.said.slice(-1).map((s) => (
              <q key={s} className="basis-full">
                {s}
              </q>
            ))}
          </li>
        ))}
      </ul>
      {all > came.length && (
        <p className="quiet">{counted(all - came.length, "older batch", "older batches")} besides these.</p>
      )}
      {came.length > 1 && (
        <Link
          className="inline-flex items-center min-h-11"
          href={`/compare?${came
            .slice(-4)
            .map((c) => `b=${c.id}`)
            .join("&")}`}
        >
          the last {Math.min(4, came.length)} side by side
        </Link>
      )}
    </>
  );
}
