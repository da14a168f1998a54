"use client";
import { Told } from "../kit/told";
import { memo } from "react";
import type { Caution } from "@/core/cautions/caution";
import type { Care } from "@/core/care/care";
import { type Day, addDays, printDay } from "@/core/day";
import { bottlesWanted } from "@/core/cellar/fill";
import { type Closing, closingOf } from "@/core/keeping/closing";
import type { Kind } from "@/core/plan/plan";
import type { Reckoning } from "@/core/reckoning/reckon";
import { saidToKeep } from "@/core/exchange/said-to-keep";
import { smallRatio, spoonsIn } from "@/core/reckoning/plainly";
import { spoonOf } from "@/core/reckoning/spoon";
import { type Cost, printMoney } from "@/core/stores/cost";
import type { Empties } from "@/core/stores/item";
import { numberWord } from "@/core/words";
import { KeepingChart } from "../figures/keeping-chart";
import { useUnits } from "../kit/units";
import { distanceWords } from "@/core/keeping/reasons";
import { verdictHead } from "../plan/verdict-words";
import { Why } from "../plan/why";
import type { Went } from "@/core/reckoning/went";
import { LiquidWent } from "../plan/went";
import type { Doubt } from "@/core/advice/other-form";

interface Props {
  readonly r: Reckoning;
  readonly went: Went;
  readonly care: Care;
  readonly cost: Cost;
  readonly kind: Kind;
  readonly empties: readonly Empties[];
  readonly currency: string;
  readonly today: Day;
  readonly stale: boolean;
  /** The stop or never that stands against the plan. */
  readonly stop: Caution | undefined;
  readonly doubts: readonly Doubt[];
  /** How long others say it keeps. */
  readonly saidToKeep: string | undefined;
}

/** Grams of something in a spoon, as finely as a kitchen cares. */
function spoon(x: number): string {
  if (x < 0.05) return "0";
  return x < 10 ? x.toFixed(1) : x.toFixed(0);
}

/** The ground a life stands on; none is green while a stop stands. */
const GROUND = {
  cupboard: "bg-celadon px-1",
  fridge: "bg-cobalt-pale px-1",
  "do-not-keep": "bg-rust-pale px-1",
} as const;

/** Bottles for it in a few words: from those on hand, or a usual size where none are counted. */
const Bottles = memo(function Bottles({
  ml,
  kind,
  closing,
  empties,
}: {
  ml: number;
  kind: Kind;
  closing: Closing;
  empties: readonly Empties[];
}) {
  const units = useUnits();
  const { fills, lacking, leftMl } = bottlesWanted(kind, ml, empties, units.market, closing);
  const counts = new Map<string, number>();
  for (const f of fills) counts.set(f.vessel.size, (counts.get(f.vessel.size) ?? 0) + 1);
  const part = fills.find((f) => f.ml < 0.85 * f.vessel.fillMl);
  return (
    <>
      {[...counts].map(([size, n]) => (n > 1 ? `${n} × ${size}` : size)).join(" + ")}
      {part ? `, the last ${Math.round((100 * part.ml) / part.vessel.fillMl)} % full` : ""}
      {lacking.length > 0 && lacking.length < fills.length ? `; ${lacking.length} of them to get` : ""}
      {leftMl > 20 ? `; ${units.volume(leftMl)} left over` : ""}
    </>
  );
});

/** A row that is missed by one thing, and not by much: what would be gained is told. */
const NEARLY = 0.4;
function nearlyKept({ next }: Reckoning["verdict"]): Reckoning["verdict"]["next"] {
  const [lack, ...others] = next?.lacks ?? [];
  if (!lack || others.length > 0) return undefined;
  const { line } = lack.condition;
  return Math.abs(lack.at - line) / Math.abs(line) < NEARLY ? next : undefined;
}

/** How much it makes, and when it is ready. */
function YieldAndDay({ r, care, today }: Pick<Props, "r" | "care" | "today">) {
  const units = useUnits();
  const { value, low, high } = r.finished.ml;
  const w = care.window;
  return (
    <div className="grid grid-cols-2 gap-4 pt-2">
      <p>
        <span className="block text-[1.875rem] font-bold leading-tight" data-testid="yield">
          {units.volume(value)}
        </span>
        <span className="quiet">
          {units.display === "kitchen" && `${units.volumeExact(value)}, `}between{" "}
          {units.volumeExact(Math.round(low / 5) * 5)} and {units.volumeExact(Math.round(high / 5) * 5)}
        </span>
      </p>
      <p>
        <span className="block text-[1.875rem] font-bold leading-tight" data-testid="ready">
          {w ? printDay(addDays(today, w.best), "short", today) : "today"}
        </span>
        <span className="quiet">
          {w
            ? `strain ${printDay(addDays(today, w.earliest), "short", today)} to ${printDay(addDays(today, w.latest), "short", today)}`
            : "strained and bottled the same day"}
        </span>
      </p>
    </div>
  );
}

/** Where it keeps and how long, why, and what is in doubt or nearly reached. */
function WhereItKeeps({ r, stop, doubts }: Pick<Props, "r" | "stop" | "doubts">) {
  const head = verdictHead(r.verdict);
  const near = nearlyKept(r.verdict);
  return (
    <>
      <h3 className="pt-3 text-[1.25rem] font-bold leading-snug" data-testid="verdict">
        {stop ? (
          <span className="bg-rust-pale px-1">Not as it stands.</span>
        ) : (
          <>
            {head.place} {head.life && <span className={GROUND[r.verdict.place]}>{head.life}</span>}
          </>
        )}
      </h3>
      <div className="pt-1" data-testid="why">
        {stop ? (
          <p className="font-semibold">
            <Told of={stop.says} />
          </p>
        ) : (
          <Why of={r} />
        )}
      </div>
      {doubts.map((d) => (
        <p key={d.line} className="pt-1 font-semibold" data-testid="doubt">
          Were the {d.name} {d.form}: {d.place === "do-not-keep" ? "not to keep" : `${d.place}, ${d.life}`}.
          Say which it is.
        </p>
      ))}
      {near && (
        <p className="quiet pt-1">
          For{" "}
          {near.row.cupboard
            ? `${near.row.cupboard.words} in a cupboard`
            : `${near.row.fridge.words} in the fridge`}
          : {near.lacks.map(distanceWords).join("; ")}.
        </p>
      )}
    </>
  );
}

/** A ratio as it is said: “two to one”; in figures where no small numbers are true of it. */
function ratioWords(x: number): string {
  const small = smallRatio(x);
  return small ? `${numberWord(small[0])} to ${numberWord(small[1])}` : `${Number(x.toFixed(2))} to 1`;
}

/** How many spoons there are in it, and what one a day of them comes to. */
function Spoons({ r }: { r: Reckoning }) {
  const { value, low, high } = spoonsIn(r);
  const near = (x: number): number => (x > 100 ? Math.round(x / 5) * 5 : Math.round(x));
  const [least, most] = [near(low), near(high)];
  return (
    <>
      about {near(value)} spoons{least < most ? `, ${least} to ${most}` : ""}
    </>
  );
}

/** What others say of its keeping, beside ours; theirs is never believed. */
function OthersSay({ words, r }: { words: string; r: Reckoning }) {
  const { units } = useUnits();
  const { is } = saidToKeep(words, r.verdict, units);
  const BESIDE: Readonly<Record<typeof is, string>> = {
    longer: "longer than is reckoned here. Keep to the shorter.",
    shorter: "shorter than is reckoned here. Keep to theirs if you trust them.",
    "as ours": "much the same as is reckoned here.",
    unsaid: "no length of time to set beside ours.",
  };
  return (
    <p className="pt-1" data-testid="others-say">
      They say “{words}”: <strong className={is === "longer" ? "bg-rust-pale px-1" : ""}>{BESIDE[is]}</strong>
    </p>
  );
}

/** What a spoon holds, the bottles, the cost and the sweetener, a line each. */
function InFigures({
  r,
  cost,
  kind,
  empties,
  currency,
}: Pick<Props, "r" | "cost" | "kind" | "empties" | "currency">) {
  const { herb, sugar, alcohol } = spoonOf(r);
  const priced = cost.priced !== "none" && cost.batch.value > 0;
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5 border-t border-rule pt-2 mt-1">
      <dt className="text-ash">a spoon</dt>
      <dd className="text-right">
        {spoon(herb.value)} g herb&ensp;{spoon(sugar.value)} g sugar
        {r.finished.abv.value > 0.1 ? <>&ensp;{spoon(alcohol.value)} g alcohol</> : null}
      </dd>
      <dt className="text-ash">bottles</dt>
      <dd className="text-right" data-testid="bottles">
        <Bottles
          ml={Math.round(r.finished.ml.value / 5) * 5}
          kind={kind}
          closing={closingOf(r.verdict)}
          empties={empties}
        />
      </dd>
      {priced && (
        <>
          <dt className="text-ash">cost</dt>
          <dd className="text-right" data-testid="cost">
            {printMoney(cost.batch.value, currency)}
            {cost.unpriced.length > 0 ? ` without ${cost.unpriced.join(", ")}` : ""},{" "}
            {printMoney(cost.perSpoon.value, currency)} a spoon
          </dd>
        </>
      )}
      <dt className="text-ash">in all</dt>
      <dd className="text-right" data-testid="spoons">
        <Spoons r={r} />
      </dd>
      {r.shares && (
        <>
          <dt className="text-ash">sweetener</dt>
          <dd className="text-right" data-testid="sweetener">
            {ratioWords(r.shares.honeyOfLiquid)} of liquid as poured,{" "}
            {Math.round(100 * r.shares.honeyOfFinished)} % of bottle,{" "}
            {Math.round(100 * r.shares.sugarByWeight)} % sugar by weight
          </dd>
        </>
      )}
    </dl>
  );
}

/** What you will have: yield, ready day, where it keeps and why, bottles, cost, and what a spoon holds. */
export const Outcome = memo(function Outcome(p: Props) {
  const { r, went, stale } = p;
  const head = verdictHead(r.verdict);
  return (
    <section aria-labelledby="outcome" className={stale ? "opacity-60" : ""}>
      <h2 id="outcome" className="ruled-head">
        What you will have
      </h2>
      <YieldAndDay {...p} />
      <WhereItKeeps {...p} />
      {p.saidToKeep && <OthersSay words={p.saidToKeep} r={r} />}
      <div className="pt-3">
        <KeepingChart strained={r.strained} finished={r.finished} words={`${head.place} ${head.life}`} />
      </div>
      <InFigures {...p} />
      <LiquidWent went={went} head="Where the liquid goes" />
    </section>
  );
});
