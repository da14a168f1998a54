"use client";
import { type RefObject, useRef } from "react";
import { useRem } from "../kit/tall";
import { useWidth } from "../kit/width";
import { GRIP, byKey, heldAt } from "./grip";
import { type Substance, fillOf } from "./substance";

export interface DialNotch {
  readonly at: number;
  readonly words: string;
}
/** A stretch under the bar in which the same holds. */
export interface DialStretch {
  readonly from: number;
  readonly to: number;
  readonly words: readonly string[];
  readonly tone: "good" | "plain" | "bad";
  /** Goes there. */
  readonly go: () => void;
  /** What going there does, after its words. */
  readonly label: string;
}

interface Props {
  readonly name: string;
  /** From 0 to `most`. */
  readonly at: number;
  readonly most: number;
  readonly notches: readonly DialNotch[];
  readonly stretches: readonly DialStretch[];
  readonly substance: Substance;
  /** What it says where it stands. */
  readonly says: string;
  readonly move: (to: number, notch: DialNotch | undefined) => void;
}

/** How near a notch the hand must be to settle on it, as a share of the bar. */
const SNAP = 0.014;
const TONES = { good: "bg-celadon", plain: "bg-glaze", bad: "bg-rust-pale" } as const;
/** A letter of a stretch's words, px. */
const LETTER = 8.6;

function keyed(
  key: string,
  far: boolean,
  at: number,
  most: number,
  notches: readonly DialNotch[],
): number | undefined {
  const by = most * (far ? 0.05 : 0.01);
  const places = notches.map((n) => n.at);
  switch (key) {
    case "ArrowRight":
    case "ArrowUp":
      return at + by;
    case "ArrowLeft":
    case "ArrowDown":
      return at - by;
    case "PageUp":
      return Math.min(...places.filter((n) => n > at + most * 1e-3), most);
    case "PageDown":
      return Math.max(...places.filter((n) => n < at - most * 1e-3), 0);
    case "Home":
      return 0;
    case "End":
      return most;
    default:
      return undefined;
  }
}

function anchored(share: number): string {
  if (share < 0.06) return "items-start";
  return share > 0.94 ? "items-end -translate-x-full" : "items-center -translate-x-1/2";
}

/** Notches whose names have room, from the left; the one it stands on always. */
function named(
  notches: readonly DialNotch[],
  most: number,
  width: number,
  at: number,
): ReadonlySet<DialNotch> {
  const kept: DialNotch[] = [];
  const span = (n: DialNotch): [number, number] => {
    const half = (n.words.length * LETTER) / 2 + 6;
    const x = Math.min(width - half, Math.max(half, (n.at / most) * width));
    return [x - half, x + half];
  };
  const near = (n: DialNotch): number => Math.abs(n.at - at);
  for (const n of [...notches].sort((a, b) => near(a) - near(b)))
    if (kept.every((k) => span(k)[1] < span(n)[0] || span(k)[0] > span(n)[1])) kept.push(n);
  return new Set(kept);
}

/** The schools above the bar, named where there is room. */
function NotchNames({
  notches,
  most,
  at,
  width,
}: Pick<Props, "notches" | "most" | "at"> & { width: number }) {
  const shown = named(notches, most, width, at);
  return (
    <div className="relative h-9 text-[1.0625rem]" aria-hidden="true">
      {notches.map((n) => (
        <span
          key={n.words}
          className={`absolute bottom-0 flex flex-col leading-none whitespace-nowrap ${anchored(n.at / most)} ${Math.abs(n.at - at) < most * 1e-3 ? "text-cobalt font-bold" : ""}`}
          style={{ left: `${(100 * n.at) / most}%` }}
        >
          {shown.has(n) ? n.words : ""}
          <span className="block mt-1 w-[2px] h-2 bg-iron" />
        </span>
      ))}
    </div>
  );
}

/** What each stretch of the bar comes to, each a place to go. */
function Stretches({
  stretches,
  most,
  at,
  width,
}: Pick<Props, "stretches" | "most" | "at"> & { width: number }) {
  return (
    <div className="relative h-14 border-x border-b-2 border-iron overflow-hidden">
      {stretches.map((s) => {
        const px = ((s.to - s.from) / most) * width;
        const fits = Math.max(...s.words.map((w) => w.length)) * LETTER < px - 12;
        const here = at >= s.from - 1e-9 && at <= s.to + 1e-9;
        return (
          <button
            key={s.from}
            type="button"
            aria-current={here || undefined}
            className={`absolute inset-y-0 text-left px-2 leading-tight overflow-hidden border-r border-iron ${TONES[s.tone]} ${here ? "font-bold" : "hover:bg-paper"}`}
            style={{ left: `${(100 * s.from) / most}%`, width: `${(100 * (s.to - s.from)) / most}%` }}
            onClick={s.go}
          >
            {s.words.map((w) => (
              <span key={w} className={fits ? "block truncate" : "sr-only"}>
                {w}{" "}
              </span>
            ))}
            <span className="sr-only">{s.label}</span>
          </button>
        );
      })}
    </div>
  );
}

/** The handle: dragged along its bar, or nudged by keys. */
function Handle({
  name,
  at,
  most,
  notches,
  says,
  move,
  bar,
}: Omit<Props, "stretches" | "substance"> & { bar: RefObject<HTMLDivElement | null> }) {
  const within = (to: number): number => Math.min(most, Math.max(0, to));
  const settle = (to: number): void => {
    const notch = notches.find((n) => Math.abs(n.at - within(to)) < SNAP * most);
    move(notch?.at ?? within(to), notch);
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuemin={0}
      aria-valuemax={Math.round(100 * most)}
      aria-valuenow={Math.round(100 * at)}
      aria-valuetext={says}
      className="absolute -top-1 h-[3.25rem] w-11 -ml-[1.375rem] cursor-ew-resize grid place-items-center touch-none z-10"
      style={{ left: `${(100 * within(at)) / most}%` }}
      {...GRIP}
      onPointerMove={(e) => {
        const x = heldAt(e, bar.current);
        if (x !== undefined) settle(x * most);
      }}
      onKeyDown={(e) =>
        byKey(e, keyed(e.key, e.shiftKey, at, most, notches), (to) => {
          const bounded = within(to);
          move(
            bounded,
            notches.find((n) => Math.abs(n.at - bounded) < 1e-9),
          );
        })
      }
    >
      <svg width="18" height="52" aria-hidden="true">
        <rect width="18" height="52" fill="var(--color-cobalt)" />
        <path d="M7 18v16M11 18v16" stroke="var(--color-on-cobalt)" strokeWidth="1.5" />
      </svg>
    </div>
  );
}

/** How much of one thing, as a bar to drag; under it what each stretch comes to, each a place to go. */
export function DialBar({ stretches, substance, ...dial }: Props) {
  const bar = useRef<HTMLDivElement>(null);
  const [ref, px] = useWidth<HTMLDivElement>(1200);
  // Where letters are set larger there is room for fewer of them.
  const width = (px * 16) / useRem();
  const { notches, most, at } = dial;
  const share = Math.min(1, Math.max(0, at / most));
  return (
    <div ref={ref} className="min-w-0">
      <NotchNames {...{ notches, most, at, width }} />
      <div ref={bar} className="relative h-11 touch-none select-none border border-iron bg-glaze">
        <svg className="absolute inset-y-0 left-0 h-full" width={`${100 * share}%`} aria-hidden="true">
          <rect width="100%" height="100%" fill={fillOf(substance)} />
        </svg>
        <Handle {...dial} bar={bar} />
      </div>
      <Stretches {...{ stretches, most, at, width }} />
    </div>
  );
}
