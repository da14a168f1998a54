"use client";
import { GRAVE_SIGNS, SIGNS, type Sign } from "@/core/cellar/bottle";
import { capital } from "@/core/words";
import { SIGN_WORDS } from "../../cellar/bottle-words";
import { JugFigure } from "../../figures/jug";
import { JUG_OVER, besideJug, jugSize, jugSystem } from "../../figures/jug-frame";
import { VesselFigure } from "../../figures/vessel";
import { lidHeight } from "../../figures/vessel-frame";
import type { Card } from "../../shelf/card";
import { useUnits } from "../../kit/units";
import { useRem } from "../../kit/tall";
import { useWidth } from "../../kit/width";
import type { Straining } from "./use-straining";

/** Where on the jar each is looked for, as shares of its height from the shelf and of its half width; over one is above the brim. */
const SPOTS: Readonly<Partial<Record<Sign, readonly [up: number, out: number]>>> = {
  mould: [0.8, -0.3],
  gas: [0.55, 0],
  slime: [0.3, -0.4],
  "wrong-smell": [1.07, 0.2],
  "lid-bulged": [1.0, -0.75],
};
/** From the mouth down, so that no line to the jar crosses another. */
const GRAVE = SIGNS.filter((s) => GRAVE_SIGNS.has(s)).sort(
  (a, b) => (SPOTS[b]?.[0] ?? 0) - (SPOTS[a]?.[0] ?? 0),
);

/** What ends a jar, looked and smelled for before the cloth: each a touch. */
export function Signs({ s, className = "" }: { s: Straining; className?: string }) {
  const change = (sign: Sign, on: boolean): void =>
    s.put({ signs: on ? [...s.signs, sign] : s.signs.filter((x) => x !== sign) });
  return (
    <fieldset className={className}>
      <legend className="sr-only">
        Before the cloth: look at it and smell it, and touch what is not right
      </legend>
      {GRAVE.map((sign) => (
        <label key={sign} className="flex items-center gap-2 min-h-12 cursor-pointer leading-tight">
          <input
            type="checkbox"
            className="w-5 h-5 accent-rust shrink-0"
            checked={s.signs.includes(sign)}
            onChange={(e) => change(sign, e.target.checked)}
          />
          <span className="text-cobalt font-semibold border-b border-dashed border-cobalt">
            {capital(SIGN_WORDS[sign])}
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** The jar as it stands in its drawing, px: how wide, how high its brim is over its foot, and how far down its foot is. */
interface Standing {
  readonly width: number;
  readonly brim: number;
  readonly foot: number;
}

/** Lines from the words of each sign to where on the jar it is looked for. */
function Leaders({ jar, at, rem }: { jar: Standing; at: number; rem: number }) {
  const head = 3 * rem;
  return (
    <svg aria-hidden="true" className="absolute inset-0 w-full h-full pointer-events-none overflow-visible">
      {GRAVE.map((sign, i) => {
        const [up, out] = SPOTS[sign] ?? [0.5, 0];
        const [x, y] = [at + jar.width / 2 + (out * jar.width) / 2, jar.foot - up * jar.brim];
        const from = head + (i + 0.5) * 3 * rem;
        return (
          <g key={sign} stroke="var(--color-cobalt)" fill="none" strokeWidth="1.4">
            <path d={`M${at - 0.5 * rem} ${from}H${Math.min(at + 4, x)}L${x} ${y}`} />
            <circle cx={x} cy={y} r="8" fill="var(--color-paper)" strokeWidth="2.4" />
          </g>
        );
      })}
    </svg>
  );
}

/** Room for the words of what is looked for, rem; narrower than so many, they stand under the drawing. */
const [LOOKED, WIDE] = [10, 46];

/** The jar, the cloth and the jug on one board and to one scale; the jug is touched where the liquid stands. */
export function StrainDrawn({ s, card, tallPx }: { s: Straining; card: Card; tallPx: number }) {
  const units = useUnits();
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const rem = useRem();
  const { expects, got } = s;
  if (!expects) return null;
  const system = jugSystem(units);
  const ml = got?.reckoning.strained.ml.value;
  const holds = Math.max(expects.high, ml ?? 0) * 1.15;
  const size = jugSize(holds, system);
  const isWide = width >= WIDE * rem;
  const all = s.stays === "all";
  // What stays in stays where it is.
  const full = all || ml === undefined;
  const showsJar = all || width >= 34 * rem;
  const jarWide = Math.max(...card.profile.map(([, d]) => d)) + 0.8 + (card.lid === "none" ? 3.2 : 0);
  const jarTall = card.profile.at(-1)![0] + lidHeight(card.lid, card.profile.at(-1)![0]) + 0.4;
  const words = isWide ? LOOKED * rem : 0;
  const beside = words + besideJug(!showsJar) + (showsJar ? 24 : 0);
  const k = Math.max(
    5,
    Math.min(
      (tallPx - JUG_OVER) / Math.max(size.tall, showsJar ? jarTall : 0),
      (width - beside) / (size.wide + (showsJar ? jarWide : 0)),
    ),
  );
  const band = `${units.volumeExact(expects.low)} to ${units.volumeExact(expects.high)}`;
  const level = {
    words: "from the cloth",
    more: `${units.volumeExact(expects.low)} to`,
    rest: `${units.volumeExact(expects.high)} likely`,
  };
  const high = Math.max(jarTall * k + 8, isWide ? 18.5 * rem : 0);
  const jar = { width: jarWide * k, brim: card.profile.at(-1)![0] * k, foot: high - 6 };
  const touch = (to: number): void => s.type("measured", units.volumeExact(to));
  return (
    <div ref={ref} data-drawing="" className="relative">
      <div className="flex items-end gap-x-6 border-b-[6px] border-iron">
        {showsJar && (
          <div className="relative shrink-0 flex items-end" style={{ height: high }}>
            {isWide && (
              <div className="absolute left-0 top-0 w-[10rem] text-base">
                <p className="h-12 quiet leading-tight">Look it over; touch what is not right.</p>
                <Signs s={s} />
              </div>
            )}
            <div style={{ marginLeft: words }}>
              <VesselFigure
                profile={card.profile}
                layers={full ? card.layers : []}
                lid={card.lid === "none" ? "none" : "off"}
                scale={k}
                title={`${card.size}${full ? "" : ", empty"}`}
              />
            </div>
            {isWide && full && <Leaders jar={jar} at={words} rem={rem} />}
          </div>
        )}
        {!all && (
          <JugFigure
            layers={
              ml === undefined
                ? []
                : [{ ...level, toMl: ml, substance: "decoction", figure: units.volumeExact(ml) }]
            }
            foreseen={expects}
            holds={holds}
            system={system}
            scale={k}
            little={!showsJar}
            cloth={ml === undefined ? "empty" : "full"}
            touch={touch}
            title={`The jug under the cloth; ${band} is likely`}
          />
        )}
      </div>
      {!isWide && <Signs s={s} className="grid grid-cols-1 min-[22rem]:grid-cols-2 gap-x-4 pt-2 text-base" />}
    </div>
  );
}
