import { type KitchenClock, leftWords, readClock } from "../kitchen/clock";

/** Pixels of a whole candle, and of its pin above the dish. */
const [TALL, PIN] = [112, 26];

/** A clock as a candle that burns down to its pin; a range has a line where it may be enough. */
export function Candle({
  clock,
  nowMs,
}: {
  clock: Pick<KitchenClock, "low" | "high" | "startedAt" | "words">;
  nowMs: number;
}) {
  const { bell, minutes, burnt } = readClock(clock, nowMs);
  const left = PIN + (TALL - PIN) * (1 - burnt);
  const base = 150;
  const first = PIN + (TALL - PIN) * (1 - (clock.high > 0 ? clock.low / clock.high : 1));
  const out = bell === "rings";
  const says = out ? "it rings" : leftWords(minutes);
  return (
    <div className="flex items-end gap-3 min-w-0" role="timer" aria-label={`${clock.words}: ${says}`}>
      <svg width="68" height="160" viewBox="0 0 68 160" aria-hidden="true" className="shrink-0">
        <rect
          x="18"
          y={base - TALL}
          width="32"
          height={TALL}
          fill="none"
          stroke="var(--color-ash)"
          strokeDasharray="3 3"
        />
        <rect
          className="vessel-level"
          x="18"
          y={base - left}
          width="32"
          height={left}
          fill="var(--color-paper)"
          stroke="var(--color-iron)"
          strokeWidth="2"
        />
        {clock.low < clock.high && !out && burnt < clock.low / clock.high && (
          <path d={`M18 ${base - first}h32`} stroke="var(--color-ash)" strokeDasharray="3 3" />
        )}
        {!out && (
          <path
            d={`M34 ${base - left - 4}q-8-10 0-24q8 14 0 24z`}
            fill="#dc9b2e"
            stroke="var(--color-iron)"
            strokeWidth="1.5"
          />
        )}
        <circle cx="6" cy={base - PIN} r="5" fill={out ? "var(--color-rust)" : "var(--color-cobalt)"} />
        <path
          d={`M6 ${base - PIN}h32`}
          stroke={out ? "var(--color-rust)" : "var(--color-cobalt)"}
          strokeWidth="3"
        />
        <path d={`M8 ${base + 6}q26-10 52 0z`} fill="var(--color-iron)" />
      </svg>
      <p className="pb-2 leading-tight min-w-0">
        <strong className={`block text-[1.625rem] ${out ? "text-rust" : ""}`}>{says}</strong>
        <span className="text-[1.125rem]">{clock.words}</span>
      </p>
    </div>
  );
}
