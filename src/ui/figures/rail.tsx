"use client";
import { type RefObject, memo, useRef } from "react";
import type { Rail, RailJoint, RailNotch, RailPart } from "@/core/advice/rail";
import { useRem } from "../kit/tall";
import { useWidth } from "../kit/width";
import { GRIP, byKey, heldAt } from "./grip";
import { type Substance, fillOf, substanceOf } from "./substance";

/** How near a notch the hand must be to settle on it, as a share of the two neighbours. */
const SNAP = 0.012;
const LEAST = 0.03;
const MOST = 0.97;

/** What a letter of a notch's name takes, rem. */
const LETTER_REM = 0.55;

interface Named {
  readonly notch: RailNotch;
  /** Where it stands along the bar, and how far its joint is from it. */
  readonly at: number;
  readonly off: number;
}

/**
 * The notches whose names have room beside each other along the whole bar; those their joints stand nearest to come first.
 * @param letter the share of the bar a letter takes
 */
function withRoom(all: readonly Named[], letter: number): ReadonlySet<RailNotch> {
  const kept: Named[] = [];
  const reach = (n: Named): [number, number] => {
    const half = (n.notch.name.length / 2 + 0.5) * letter;
    const middle = Math.min(1 - half, Math.max(half, n.at));
    return [middle - half, middle + half];
  };
  for (const n of [...all].sort((x, y) => x.off - y.off)) {
    const [from, to] = reach(n);
    if (
      kept.every((k) => {
        const [f, t] = reach(k);
        return to < f || from > t;
      })
    )
      kept.push(n);
  }
  return new Set(kept.map((k) => k.notch));
}

/** A name at the end of the bar is set inside it. */
function anchored(at: number): string {
  if (at < 0.05) return "items-start";
  return at > 0.95 ? "items-end -translate-x-full" : "items-center -translate-x-1/2";
}

const substanceAt = (p: RailPart): Substance =>
  p.of === "decoction" || p.of === "steam" ? p.of : substanceOf(p.of);

/**
 * The share a key asks for. Right and up move the joint to the right, and raise the value a reader speaks: the share of what stands left of it.
 * Page keys go to the next notch on that side, Home and End to the ends.
 */
function keyed(key: string, far: boolean, share: number, j: RailJoint): number | undefined {
  const by = far ? 0.05 : 0.01;
  const notches = j.notches.map((n) => n.share);
  switch (key) {
    case "ArrowRight":
    case "ArrowUp":
      return share - by;
    case "ArrowLeft":
    case "ArrowDown":
      return share + by;
    case "PageUp":
      return Math.max(...notches.filter((n) => n < share - 1e-3), j.least ?? LEAST);
    case "PageDown":
      return Math.min(...notches.filter((n) => n > share + 1e-3), j.most ?? MOST);
    case "Home":
      return j.most ?? MOST;
    case "End":
      return j.least ?? LEAST;
    default:
      return undefined;
  }
}

/** A rail as it lies along its bar: where everything begins, as shares of the whole. */
interface Laid {
  readonly rail: Rail;
  readonly total: number;
  readonly starts: readonly number[];
}

function laid(rail: Rail): Laid {
  const total = rail.parts.reduce((s, x) => s + x.parts, 0);
  const starts = rail.parts.map((_, i) => rail.parts.slice(0, i).reduce((s, x) => s + x.parts, 0) / total);
  return { rail, total, starts };
}

/** The neighbours of a joint: the share of the right one, and where the two begin and end along the bar. */
function neighbours(
  { rail, total, starts }: Laid,
  j: RailJoint,
): { share: number; from: number; to: number } {
  const [a, b] = [rail.parts[j.left]!.parts, rail.parts[j.left + 1]!.parts];
  const from = starts[j.left]!;
  return { share: b / (a + b), from, to: from + (a + b) / total };
}

const bounded = (j: RailJoint, share: number): number =>
  Math.min(j.most ?? MOST, Math.max(j.least ?? LEAST, share));
const settle = (j: RailJoint, share: number): number =>
  j.notches.find((n) => Math.abs(n.share - share) < SNAP)?.share ?? bounded(j, share);

/** The schools along the bar, each at its notch; named where there is room. */
function Notches({ of }: { of: Laid }) {
  const all = of.rail.joints.flatMap((j) => {
    const { share, from, to } = neighbours(of, j);
    return j.notches.map((notch) => ({
      key: `${j.left}-${notch.name}`,
      notch,
      at: to - notch.share * (to - from),
      off: Math.abs(notch.share - share),
    }));
  });
  const [ref, width] = useWidth<HTMLDivElement>(1000);
  const rem = useRem();
  const said = withRoom(all, (LETTER_REM * rem) / Math.max(1, width));
  return (
    <div ref={ref} className="relative h-9 text-[0.9375rem]" aria-hidden="true">
      {all.map(({ key, notch, at }) => (
        <span
          key={key}
          className={`absolute bottom-0 flex flex-col leading-none whitespace-nowrap ${anchored(at)}`}
          style={{ left: `${100 * at}%` }}
        >
          {said.has(notch) ? notch.name : ""}
          <span className="block mt-1 w-[2px] h-2 bg-iron" />
        </span>
      ))}
    </div>
  );
}

/** The parts at their lengths, each in its substance and named. */
function Lengths({ of: { rail, total, starts } }: { of: Laid }) {
  return (
    <>
      <svg className="absolute inset-0 w-full h-9 top-0.5" aria-hidden="true">
        {rail.parts.map((s, i) => (
          <rect
            key={s.name}
            x={`${100 * starts[i]!}%`}
            y="0.5"
            width={`${(100 * s.parts) / total}%`}
            height="34"
            fill={fillOf(substanceAt(s))}
            stroke="var(--color-iron)"
          />
        ))}
      </svg>
      {rail.parts.map((s, i) => (
        <span
          key={s.name}
          className="absolute top-2 pl-2 pr-3 max-w-full overflow-hidden pointer-events-none"
          style={{
            left: `calc(${100 * starts[i]!}% + ${i === 0 ? 0 : 6}px)`,
            width: `calc(${(100 * s.parts) / total}% - 10px)`,
          }}
        >
          {s.words !== "" && (
            <span className="bg-glaze px-1.5 font-semibold whitespace-nowrap text-[0.9375rem] inline-block max-w-full overflow-hidden text-ellipsis align-top">
              {s.words}
            </span>
          )}
        </span>
      ))}
    </>
  );
}

/** Made once: the same element is not drawn again. */
const HANDLE = (
  <svg width="16" height="44" aria-hidden="true">
    <rect width="16" height="44" fill="var(--color-cobalt)" />
    <path d="M6 14v16M10 14v16" stroke="var(--color-on-cobalt)" strokeWidth="1.5" />
  </svg>
);

type Move = (joint: RailJoint, share: number, dragging: boolean) => void;

/** A joint in the hand: dragged, nudged by keys. @param bar what the pointer's place is measured along */
function Joint({
  of,
  j,
  bar,
  move,
}: {
  of: Laid;
  j: RailJoint;
  bar: RefObject<HTMLDivElement | null>;
  move: Move;
}) {
  const { share, from, to } = neighbours(of, j);
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={j.name}
      aria-valuemin={Math.round(100 * (1 - (j.most ?? MOST)))}
      aria-valuemax={Math.round(100 * (1 - (j.least ?? LEAST)))}
      aria-valuenow={Math.round(100 * (1 - share))}
      aria-valuetext={[of.rail.parts[j.left]!, of.rail.parts[j.left + 1]!]
        .map((x) => x.words || `no ${x.name}`)
        .join(", ")}
      className="absolute -top-0.5 h-11 w-6 -ml-3 pointer-coarse:w-11 pointer-coarse:-ml-[22px] cursor-ew-resize grid place-items-center touch-none"
      style={{ left: `${100 * of.starts[j.left + 1]!}%` }}
      {...GRIP}
      onPointerMove={(e) => {
        const x = heldAt(e, bar.current);
        const next = x === undefined ? share : settle(j, (to - x) / (to - from));
        if (Math.abs(next - share) > 1e-6) move(j, next, true);
      }}
      onKeyDown={(e) =>
        byKey(e, keyed(e.key, e.shiftKey, share, j), (next) => move(j, bounded(j, next), false))
      }
    >
      {HANDLE}
    </div>
  );
}

/**
 * The ratio as a bar whose joints are dragged, nudged with arrow keys, or settled on a school's notch.
 * @param move called with a joint's new share; `dragging` while a pointer holds it
 */
export const PartsRail = memo(function PartsRail({ rail, move }: { rail: Rail; move: Move }) {
  const bar = useRef<HTMLDivElement>(null);
  const of = laid(rail);
  if (!(of.total > 0)) return null;
  return (
    <section aria-label={rail.title} data-drawing="" className="pt-1">
      <p className="quiet">{rail.title}</p>
      <Notches of={of} />
      <div ref={bar} className="relative h-10 touch-none select-none">
        <Lengths of={of} />
        {rail.joints.map((j) => (
          <Joint key={j.left} of={of} j={j} bar={bar} move={move} />
        ))}
      </div>
    </section>
  );
});
