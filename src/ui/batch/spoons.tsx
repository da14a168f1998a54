"use client";
import { type KeyboardEvent, type PointerEvent, useId } from "react";
import { fillOf } from "../figures/substance";
import { GRIP } from "../figures/grip";
import { HOW_STRONG, TASTES } from "./entry-words";

type Taste = (typeof TASTES)[number];
/** How strong each taste was said to be, from none up; what is not said is not there. */
export type Tastes = Readonly<Partial<Record<Taste, number>>>;

const MOST = HOW_STRONG.length - 1;
/** Px of a spoon: its bowl stands at the foot, as deep as the strongest taste. */
const [WIDE, TALL, BOWL] = [60, 196, 124];
const TOP = TALL - 6 - BOWL;
/** The bowl’s outline: an egg, its point at the foot. */
const EGG = `M${WIDE / 2} ${TALL - 6}C${WIDE / 2 - 16} ${TALL - 6} 6 ${TOP + BOWL * 0.62} 6 ${TOP + BOWL * 0.36}C6 ${TOP + BOWL * 0.1} ${WIDE / 2 - 14} ${TOP} ${WIDE / 2} ${TOP}C${WIDE / 2 + 14} ${TOP} ${WIDE - 6} ${TOP + BOWL * 0.1} ${WIDE - 6} ${TOP + BOWL * 0.36}C${WIDE - 6} ${TOP + BOWL * 0.62} ${WIDE / 2 + 16} ${TALL - 6} ${WIDE / 2} ${TALL - 6}Z`;

/** Where a strength stands in the bowl, px from the top of the drawing. */
const yOf = (n: number): number => TALL - 6 - (BOWL * n) / MOST;

/** What a key makes of a strength; nothing where it is not one of ours, `null` where it takes the word back. */
function byKey(key: string, was: number | undefined): number | null | undefined {
  switch (key) {
    case "ArrowUp":
    case "ArrowRight":
      return Math.min(MOST, (was ?? -1) + 1);
    case "ArrowDown":
    case "ArrowLeft":
      return Math.max(0, (was ?? 1) - 1);
    case "Home":
      return 0;
    case "End":
      return MOST;
    case "Delete":
    case "Backspace":
      return null;
    default:
      return undefined;
  }
}

/** Where a pointer stands in the bowl, as a strength. */
function atPointer(e: PointerEvent<HTMLElement>): number {
  const box = e.currentTarget.getBoundingClientRect();
  const share = (box.top + (yOf(0) * box.height) / TALL - e.clientY) / ((BOWL * box.height) / TALL);
  return Math.max(0, Math.min(MOST, Math.round(share * MOST)));
}

interface SpoonProps {
  readonly taste: Taste;
  readonly is: number | undefined;
  /** As it was tasted the time before. */
  readonly before: number | undefined;
  readonly say: (to: number | undefined) => void;
}

function Spoon({ taste, is, before, say }: SpoonProps) {
  const clip = useId();
  return (
    <div className="grid justify-items-center">
      <div
        role="slider"
        tabIndex={0}
        aria-label={taste}
        aria-orientation="vertical"
        aria-valuemin={0}
        aria-valuemax={MOST}
        aria-valuenow={is ?? 0}
        aria-valuetext={is === undefined ? "not said" : HOW_STRONG[is]}
        className="cursor-pointer touch-none"
        onKeyDown={(e: KeyboardEvent) => {
          const to = byKey(e.key, is);
          if (to === undefined) return;
          e.preventDefault();
          say(to ?? undefined);
        }}
        {...GRIP}
        onPointerDown={(e) => {
          GRIP.onPointerDown(e);
          const to = atPointer(e);
          say(to === is ? undefined : to);
        }}
        onPointerMove={(e) => {
          if (!e.currentTarget.hasPointerCapture(e.pointerId) || e.movementY === 0) return;
          say(atPointer(e));
        }}
      >
        <svg viewBox={`0 0 ${WIDE} ${TALL}`} width={WIDE} height={TALL} className="block" aria-hidden="true">
          <clipPath id={clip}>
            <path d={EGG} />
          </clipPath>
          <path
            d={`M${WIDE / 2} ${TOP}V6`}
            stroke="var(--color-iron)"
            strokeWidth="7"
            strokeLinecap="round"
          />
          <path d={EGG} fill="var(--color-paper)" />
          {is !== undefined && is > 0 && (
            <rect
              className="vessel-level"
              clipPath={`url(#${clip})`}
              x="0"
              y={yOf(is)}
              width={WIDE}
              height={TALL - yOf(is)}
              fill={fillOf("honey")}
            />
          )}
          <path d={EGG} fill="none" stroke="var(--color-iron)" strokeWidth="2.5" />
          {HOW_STRONG.slice(1, -1).map((how, i) => (
            <path
              key={how}
              d={`M${WIDE / 2 - 6} ${yOf(i + 1)}h12`}
              stroke="var(--color-cobalt)"
              strokeWidth="1.5"
            />
          ))}
          {before !== undefined && (
            <path
              d={`M2 ${yOf(before)}H${WIDE - 2}`}
              stroke="var(--color-ash)"
              strokeWidth="2"
              strokeDasharray="4 3"
            />
          )}
        </svg>
      </div>
      <strong>{taste}</strong>
      <span className={is === undefined ? "quiet" : "text-cobalt font-semibold"}>
        {is === undefined ? "not said" : HOW_STRONG[is]}
      </span>
    </div>
  );
}

/** Five spoons, each filled as far as the taste is strong; dashed where the time before it stood. */
export function FiveSpoons({
  said,
  before,
  say,
}: {
  readonly said: Tastes;
  readonly before: Tastes | undefined;
  readonly say: (to: Tastes) => void;
}) {
  return (
    <div className="grid grid-cols-5 max-w-[26rem] gap-x-1" data-drawing="">
      {TASTES.map((t) => (
        <Spoon
          key={t}
          taste={t}
          is={said[t]}
          before={before?.[t]}
          say={(to) => {
            const { [t]: _, ...rest } = said;
            say(to === undefined ? rest : { ...said, [t]: to });
          }}
        />
      ))}
    </div>
  );
}
