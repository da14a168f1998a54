"use client";
import type { Went } from "@/core/reckoning/went";
import { useWidth } from "../kit/width";
import { type Substance, fillOf } from "./substance";

interface Part {
  readonly words: string;
  readonly ml: number;
  readonly fill: Substance | undefined;
}

const [BAR, GAP] = [34, 30];
/** A word stands in the drawing where its part is at least so wide, pixels a letter. */
const LETTER = 8;

/** What went in over what became of it, to one scale: the same length twice, since nothing is lost. */
export function WentBars({ went }: { went: Went }) {
  const [ref, width] = useWidth<HTMLDivElement>(420);
  const rows: readonly (readonly Part[])[] = [
    [
      { words: "poured", ml: went.poured, fill: "water" },
      { words: "from the plants", ml: went.fromPlants, fill: "leaf-fresh" },
    ],
    [
      { words: "comes out", ml: went.out, fill: "decoction" },
      { words: "left in the herb", ml: went.held, fill: "marc" },
      { words: "cloth and pot", ml: went.onCloth, fill: undefined },
      { words: "boiled off", ml: went.boiledOff, fill: "steam" },
      { words: "closed up", ml: went.closedUp, fill: undefined },
    ],
  ];
  const all = Math.max(1, went.poured + went.fromPlants);
  const k = (width - 4) / all;
  return (
    <div ref={ref} className="w-full pt-2">
      <svg
        width={width}
        height={2 * (BAR + GAP)}
        viewBox={`0 0 ${width} ${2 * (BAR + GAP)}`}
        className="max-w-full"
        aria-hidden="true"
      >
        {rows.map((parts, row) => (
          <Row key={row} parts={parts.filter((p) => p.ml >= 1)} y={row * (BAR + GAP)} k={k} />
        ))}
      </svg>
    </div>
  );
}

function Row({ parts, y, k }: { parts: readonly Part[]; y: number; k: number }) {
  const from = parts.map((_, i) => parts.slice(0, i).reduce((s, p) => s + p.ml, 0));
  return (
    <g>
      {parts.map((p, i) => (
        <g key={p.words}>
          <rect
            x={2 + from[i]! * k}
            y={y + 1}
            width={Math.max(1, p.ml * k)}
            height={BAR}
            fill={p.fill ? fillOf(p.fill) : "var(--color-glaze)"}
            stroke="var(--color-iron)"
            strokeWidth="1.2"
          />
          {p.ml * k > p.words.length * LETTER && (
            <text x={4 + from[i]! * k} y={y + BAR + 19} fontSize="15" fill="var(--color-ash)">
              {p.words}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}
