"use client";
import { type Day, addDays, daysBetween, printDay } from "@/core/day";
import type { Care } from "@/core/care/care";
import { bandDays } from "./band-days";
import { useWidth } from "../kit/width";

type Anchor = "start" | "middle" | "end";

/** A word near an end of the band is set inside it. */
function anchorAt(x: number, W: number): Anchor {
  if (x < 50) return "start";
  return x > W - 40 ? "end" : "middle";
}

/** Where the words over the band stand: today is always named, and gives way to the best day where the two come near. */
function above(
  best: number,
  now: number,
  W: number,
): readonly { readonly of: "best" | "today"; readonly x: number; readonly anchor: Anchor }[] {
  const apart = now - best;
  if (apart === 0) return [{ of: "best", x: best, anchor: anchorAt(best, W) }];
  if (Math.abs(apart) > 90)
    return [
      { of: "best", x: best, anchor: best > W - 70 ? "end" : "middle" },
      { of: "today", x: now, anchor: anchorAt(now, W) },
    ];
  const [left, right]: readonly [Anchor, Anchor] = ["end", "start"];
  return [
    { of: "best", x: apart < 0 ? best - 4 : best + 4, anchor: apart < 0 ? right : left },
    { of: "today", x: apart < 0 ? now + 2 : now - 2, anchor: apart < 0 ? left : right },
  ];
}

/** The days on which it is to be shaken or turned, from its beginning. */
function shakenOn(care: Care, latest: number): readonly number[] {
  const shake = care.rules.find((r) => r.sort === "shake" || r.sort === "turn");
  if (!shake) return [];
  const n = Math.max(0, Math.floor((Math.min(shake.to, latest) - shake.from) / shake.every) + 1);
  return Array.from({ length: n }, (_, i) => shake.from + i * shake.every);
}

/** One line for a batch from begun to latest: the strain window thick, care days as ticks, today a brush stroke. */
export function WindowBand({
  begun,
  today,
  care,
  doneDays = [],
}: {
  begun: Day;
  today: Day;
  care: Care;
  doneDays?: readonly Day[];
}) {
  const [ref, W] = useWidth<HTMLDivElement>(760);
  const w = care.window;
  if (!w) return null;
  const now = daysBetween(begun, today);
  const end = bandDays(care, now);
  const x = (d: number): number => 20 + (Math.min(end, Math.max(0, d)) / end) * (W - 40);
  const ticks = shakenOn(care, w.latest);
  const label = (d: number, words: string, y: number, anchor: "start" | "middle" | "end" = "middle") => (
    <text x={x(d)} y={y} textAnchor={anchor} fontSize="14" fill="var(--color-iron)">
      {words}
    </text>
  );
  return (
    <div ref={ref} data-drawing="">
      <svg
        width={W}
        height={92}
        viewBox={`0 0 ${W} 92`}
        className="block max-w-full"
        role="img"
        aria-label={`Begun ${printDay(begun, "long", today)}. Strain between ${printDay(addDays(begun, w.earliest), "long", today)} and ${printDay(addDays(begun, w.latest), "long", today)}, best ${printDay(addDays(begun, w.best), "long", today)}. Today is day ${now}.`}
      >
        <path d={`M${x(0)} 46H${x(end)}`} stroke="var(--color-iron)" strokeWidth="2" />
        <rect
          x={x(w.earliest)}
          y="37"
          width={Math.max(4, x(w.latest) - x(w.earliest))}
          height="18"
          fill="var(--color-celadon)"
          stroke="var(--color-celadon-deep)"
          strokeWidth="1.5"
        />
        <path d={`M${x(w.best)} 33v26`} stroke="var(--color-celadon-deep)" strokeWidth="3" />
        {ticks.map((d) => (
          <path
            key={d}
            d={`M${x(d)} 43v6`}
            stroke={doneDays.includes(addDays(begun, d)) ? "var(--color-cobalt)" : "#8b877f"}
            strokeWidth={doneDays.includes(addDays(begun, d)) ? 3 : 1.2}
          />
        ))}
        <path
          d={`M${x(now) - 3} 24q5 20 1 44q6-4 5-22q0-16-6-22z`}
          fill={now > w.latest ? "#9a2f1b" : "var(--color-cobalt)"}
        />
        {label(0, `begun ${printDay(begun, "short", today)}`, 84, "start")}
        {x(w.earliest) - x(0) > 190 &&
          label(w.earliest, printDay(addDays(begun, w.earliest), "short", today), 84)}
        {above(x(w.best), x(now), W).map((a) => (
          <text key={a.of} x={a.x} y="20" textAnchor={a.anchor} fontSize="14" fill="var(--color-iron)">
            {a.of === "best" ? `best ${printDay(addDays(begun, w.best), "short", today)}` : "today"}
            {a.of === "best" && now === w.best ? ", today" : ""}
          </text>
        ))}
        {x(w.latest) - x(w.earliest) > 90 &&
          label(
            w.latest,
            printDay(addDays(begun, w.latest), "short", today),
            84,
            x(w.latest) > W - 50 ? "end" : "middle",
          )}
      </svg>
    </div>
  );
}
