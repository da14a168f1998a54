"use client";
import { Told } from "../../kit/told";
import { beforeFinish } from "@/core/reckoning/in-the-pot";
import type { Batch } from "@/core/journal/fold";
import { temperaturesOf } from "@/core/journal/forecast";
import { bottlesFor, fillPlan, type OnHand } from "@/core/cellar/fill";
import { closingOf } from "@/core/keeping/closing";
import type { Empties } from "@/core/stores/item";
import { agree, listed, numberWord, shareWords } from "@/core/words";
import { KeepingChart } from "../../figures/keeping-chart";
import { useUnits } from "../../kit/units";
import { verdictHead } from "../../plan/verdict-words";
import { Why } from "../../plan/why";
import { levelWords } from "./jug-words";
import { nameIn } from "./lines";
import type { Finishing } from "./use-finishing";

/** What to do with the line on the dial, and what that comes to. */
function PourHead({ f }: { f: Finishing }) {
  const units = useUnits();
  const { got } = f;
  const at = f.inIt.findIndex((l) => l.id === f.dialled);
  const line = f.inIt[at];
  const found = got?.reckoning.lines.find((l) => l.id === line?.id);
  if (!got || !line || !found)
    return (
      <h1 className="text-[2.25rem] leading-tight">
        {f.lines.length > 0 ? "Nothing more goes in." : "What goes into it?"}
      </h1>
    );
  const { finished } = got.reckoning;
  const standing = beforeFinish(got.program).ml;
  const name = nameIn(f.catalogue, line.material);
  const words = levelWords(units, [standing, ...f.levels]);
  const share = found.ml.value / Math.max(1, standing);
  return (
    <>
      <h1 className="text-[2.25rem] leading-tight">
        Pour in {name} to the {words(f.levels[at] ?? finished.ml.value)} line.
      </h1>
      <p className="text-[1.125rem] pt-1">
        {units.volumeBoth(found.ml.value)}, or {units.massExact(found.grams.value)}:{" "}
        {listed([
          `${shareWords(share)}${share > 0.97 && share < 1.03 ? " as" : " of"} the liquid`,
          `${shareWords(found.ml.value / Math.max(1, finished.ml.value))} of the bottle`,
        ])}
        . It comes to {finished.brix.value.toFixed(0)} % sugar by weight
        {finished.acid.value >= 0.1 ? `, ${finished.acid.value.toFixed(1)} % acid` : ""}
        {finished.abv.value >= 0.5 ? `, ${finished.abv.value.toFixed(1)} % alcohol` : ""}.
      </p>
    </>
  );
}

/** Raw honey keeps what it is only under this, °C; a cup one can hold. */
const HAND_WARM = 43;

/** Whether the pan is cool enough for the honey, by the last thing it was read. */
function WaitsForIt({ f, batch }: { f: Finishing; batch: Batch }) {
  const units = useUnits();
  const last = temperaturesOf(batch).at(-1);
  const honey = f.got?.program.lines.some(
    (l) => l.stuff.class === "honey" && f.inIt.some((x) => x.id === l.line.id),
  );
  if (!last || !honey || last.celsius <= HAND_WARM) return null;
  return (
    <p className="border-l-4 border-cobalt pl-3 my-2">
      It was {units.temperature(last.celsius)} when it was read last: let it cool under{" "}
      {units.temperature(HAND_WARM)}, a cup you can hold, before the honey goes in.
    </p>
  );
}

/** Which bottles it fills, of those on hand. */
function Fills({ ml, onHand }: { ml: number; onHand: readonly OnHand[] }) {
  const units = useUnits();
  const { fills, leftMl } = fillPlan(ml, onHand);
  const by = new Map<string, number>();
  for (const x of fills) by.set(x.vessel.size, (by.get(x.vessel.size) ?? 0) + 1);
  const words = [...by].map(([size, n]) => `${numberWord(n)} ${size} ${agree(n, "bottle", "bottles")}`);
  return (
    <p className="pt-2">
      {words.length > 0 ? `Fills ${listed(words)}` : "Too little for a bottle"}
      {leftMl > 3 ? `, ${units.volume(leftMl)} over.` : "."}
    </p>
  );
}

/** What it makes, and what that keeps; it follows every keystroke. */
export function FinishSays({
  f,
  batch,
  empties,
}: {
  f: Finishing;
  batch: Batch;
  empties: readonly Empties[];
}) {
  const units = useUnits();
  const { got } = f;
  const head = got && verdictHead(got.reckoning.verdict);
  // What must not be finished at all stands where else it says what to pour.
  const never = f.stops.cautions.find((c) => c.severity === "never");
  return (
    <div>
      <p className="quiet">
        {batch.making.strained?.stays === "all"
          ? "All of it stays in."
          : `${batch.making.strained?.how}, and measured: ${batch.measured}`}
        {got && batch.measured && batch.measured !== units.volumeExact(got.reckoning.strained.ml.value)
          ? ` (${units.volumeExact(got.reckoning.strained.ml.value)})`
          : ""}
      </p>
      {never ? (
        <h1 className="text-[2rem] leading-tight text-rust">
          <Told of={never.says} />
        </h1>
      ) : (
        <PourHead f={f} />
      )}
      <WaitsForIt f={f} batch={batch} />
      {got && head && (
        <section
          aria-label="What it makes"
          aria-live="polite"
          className="border-t-2 border-iron mt-3 pt-2 text-[1.0625rem]"
        >
          <h2 className="text-[1.625rem] leading-tight">
            {f.stops.stopped ? "Not as it stands." : `${head.place} ${head.life}`}
          </h2>
          <p className="font-semibold pt-1">Makes {units.volumeBoth(got.reckoning.finished.ml.value)}.</p>
          <ul className="pt-1">
            {f.stops.stopped &&
              f.stops.cautions
                .filter((c) => c.severity === "never" || c.severity === "stop")
                .slice(0, 1)
                .map((c) => (
                  <li key={c.says} className="font-semibold">
                    <Told of={c.says} />
                  </li>
                ))}
          </ul>
          <Why of={got.reckoning} />
          {got.reckoning.verdict.place !== "do-not-keep" && (
            <Fills
              ml={got.reckoning.finished.ml.value}
              onHand={bottlesFor(batch.plan.kind, empties, units.market, closingOf(got.reckoning.verdict))}
            />
          )}
        </section>
      )}
    </div>
  );
}

/** Where it stands among what keeps. */
export function FinishChart({ f }: { f: Finishing }) {
  const { got } = f;
  if (!got) return null;
  const head = verdictHead(got.reckoning.verdict);
  return (
    <KeepingChart
      strained={got.reckoning.strained}
      finished={got.reckoning.finished}
      words={`${head.place} ${head.life}`}
    />
  );
}
