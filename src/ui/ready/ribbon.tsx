import type { ReadyBy } from "@/core/advice/ready-by";
import { type Day, addDays, addMonths, daysBetween, printDay } from "@/core/day";
import Link from "../kit/link";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import { fillOf } from "../figures/substance";

/** From today to the day wanted: what the ribbons are drawn along. */
export interface Along {
  readonly today: Day;
  readonly by: Day;
}

/** Where a day stands along it, in hundredths; what is past stands at its beginning. */
export function shareOf(day: Day, { today, by }: Along): number {
  const all = Math.max(1, daysBetween(today, by));
  return (100 * Math.min(all, Math.max(0, daysBetween(today, day)))) / all;
}

/** Px of a ribbon’s track. */
const TALL = 44;
/** Months that are named along it at the most. */
const NAMED = 8;

/** The months along the top, thinned where there are many. */
export function Months(at: Along) {
  const first = `${at.today.slice(0, 8)}01`;
  const firsts: Day[] = [];
  for (let d = addMonths(first, 1); d < at.by; d = addMonths(d, 1)) firsts.push(d);
  const step = Math.ceil(firsts.length / NAMED);
  return (
    <div className="md:ml-[19rem] relative h-8 quiet" aria-hidden="true">
      <span className="absolute left-0 bottom-0">today</span>
      {firsts.map((d, i) => {
        const share = shareOf(d, at);
        if (i % step !== 0 || share < 12 || share > 82) return null;
        return (
          <span
            key={d}
            className={`absolute bottom-0 -translate-x-1/2 ${share > 55 ? "max-[30rem]:hidden" : ""}`}
            style={{ left: `${share}%` }}
          >
            {printDay(d, "short", d).slice(2)}
          </span>
        );
      })}
      <strong className="absolute right-0 bottom-0 text-iron">{printDay(at.by, "short", at.today)}</strong>
    </div>
  );
}

/** The ribbon itself: back from the day to when it must be begun; pale, the days on which it may still be. */
function Drawn({ r, at }: { r: ReadyBy; at: Along }) {
  const [best, last] = [shareOf(r.best, at), shareOf(r.last, at)];
  const late = r.late === "too-late";
  return (
    <svg width="100%" height={TALL} aria-hidden="true" className="block overflow-visible">
      <rect x="0" y={TALL - 5} width="100%" height="1" fill="var(--color-rule)" />
      {late ? (
        <rect
          x="0"
          y="10"
          width="100%"
          height={TALL - 20}
          fill="none"
          stroke="var(--color-ash)"
          strokeDasharray="5 4"
        />
      ) : (
        <>
          <rect
            x={`${best}%`}
            y="10"
            width={`${100 - best}%`}
            height={TALL - 20}
            fill={fillOf(SUBSTANCE_OF[r.kind])}
            stroke="var(--color-iron)"
          />
          {last > best && (
            <rect
              x={`${best}%`}
              y="10"
              width={`${last - best}%`}
              height={TALL - 20}
              fill="var(--color-cobalt-pale)"
              stroke="var(--color-cobalt)"
            />
          )}
          <rect
            x={`${best}%`}
            y="3"
            width="6"
            height={TALL - 6}
            fill="var(--color-cobalt)"
            transform={best > 98 ? "translate(-6 0)" : undefined}
          />
        </>
      )}
    </svg>
  );
}

const LATE: Readonly<Record<ReadyBy["late"], string>> = {
  no: "",
  hurry: "past its best day; begun now it is strained early",
  "too-late": "too late",
};

function hrefOf(from: ReadyBy["from"]): string | undefined {
  if ("batch" in from) return `/bench?again=${from.batch}`;
  return "recipe" in from ? `/bench?recipe=${from.recipe}` : undefined;
}

/** When it is begun, in words. */
function beginWords(r: ReadyBy, { today }: Along): string {
  if (r.late === "too-late") return "";
  if (r.best <= addDays(today, 1)) return "begin today";
  return `begin ${printDay(r.best, "short", today)}`;
}

/** One remedy as a ribbon back from the day. */
export function Ribbon({ r, at }: { r: ReadyBy; at: Along }) {
  // A way needs its herb first: that is chosen on the Bench. What was made before has one.
  const href = r.late === "too-late" ? undefined : hrefOf(r.from);
  const late = r.late === "too-late";
  return (
    <li className="py-1.5 border-b border-rule grid md:grid-cols-[18rem_minmax(0,1fr)] gap-x-4 items-center">
      <span className="leading-snug">
        {href ? (
          <Link href={href} className="inline-grid content-center min-h-11">
            {r.name}
          </Link>
        ) : (
          <span className={late ? "text-ash" : ""}>{r.name}</span>
        )}
        <span className="block">
          <strong>{beginWords(r, at)}</strong>
          <span className="quiet">
            {late ? "" : "; "}
            {r.days.value > 0 ? `${r.days.value} days` : "in an afternoon"}
            {r.late === "no" && r.last !== r.best
              ? `, at the latest ${printDay(r.last, "short", at.today)}`
              : ""}
          </span>
        </span>
        {r.late !== "no" && <strong className="text-rust block">{LATE[r.late]}</strong>}
      </span>
      <Drawn r={r} at={at} />
    </li>
  );
}
