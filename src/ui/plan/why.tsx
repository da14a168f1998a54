import { marginOf, plainNames } from "@/core/keeping/margins";
import type { Distance } from "@/core/keeping/verdict";
import type { Reckoning } from "@/core/reckoning/reckon";
import { Told } from "../kit/told";
import { figuresWhy, plainWhy } from "./verdict-words";

/** A bar is drawn to twice its line; what is more is no longer told apart. */
const MOST = 2;

/** One thing that keeps it, as a bar with its line. */
function Bar({ d }: { d: Distance }) {
  const { share, words } = marginOf(d);
  const wide = 100 * (Math.min(MOST, Math.max(0, share)) / MOST);
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_5.5rem] gap-x-3 items-center py-0.5">
      <span className={d.met ? "" : "text-rust font-bold"}>
        {plainNames(d.condition)}: {words}
      </span>
      <svg width="100%" height="14" aria-hidden="true" className="block">
        <rect x="0" y="2" width="100%" height="10" fill="var(--color-glaze)" />
        <rect
          x="0"
          y="2"
          width={`${wide}%`}
          height="10"
          fill={d.met ? "var(--color-celadon-deep)" : "var(--color-rust)"}
        />
        <rect x="50%" y="0" width="2" height="14" fill="var(--color-iron)" />
      </svg>
    </li>
  );
}

/** Why it keeps where it keeps: in plain words first, each thing as a bar with its line; the terms and figures at a touch. */
export function Why({ of }: { of: Pick<Reckoning, "verdict"> & Reckoning }) {
  const v = of.verdict;
  const figures = figuresWhy(v, of);
  const bars = v.place === "do-not-keep" ? [] : v.distances;
  return (
    <>
      <ul className="pt-1">
        {plainWhy(v).map((x) => (
          <li key={x}>
            <Told of={x} />
          </li>
        ))}
      </ul>
      {bars.length > 0 && (
        <ul className="pt-1">
          {bars.map((d, i) => (
            <Bar key={i} d={d} />
          ))}
        </ul>
      )}
      {figures.length > 0 && (
        <details>
          <summary className="quiet min-h-11 content-center">in figures</summary>
          {figures.map((x) => (
            <p key={x} className="text-[0.9375rem]">
              <Told of={x} />
            </p>
          ))}
        </details>
      )}
    </>
  );
}
