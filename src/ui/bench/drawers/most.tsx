"use client";
import { Told } from "../../kit/told";
import { useMemo, useState } from "react";
import type { Plan } from "@/core/plan/plan";
import { type Reckoning, reckonProgram } from "@/core/reckoning/reckon";
import type { Program } from "@/core/reckoning/program";
import { resolve } from "@/core/reckoning/resolve";
import type { Scaled } from "@/core/advice/scale";
import { usualBottle } from "@/core/cellar/fill";
import type { Empties } from "@/core/stores/item";
import type { LotOnHand } from "@/core/stores/stores";
import { offeredIn } from "@/core/vessel/catalogue";
import { vesselWords } from "@/core/vessel/vessel";
import { type Wanted, lineAt, scaledTo } from "./most-goal";
import { useUnits } from "../../kit/units";
import { verdictHead } from "../../plan/verdict-words";

interface Props {
  readonly plan: Plan;
  readonly program: Program;
  readonly lots: readonly LotOnHand[];
  readonly empties: readonly Empties[];
  readonly take: (plan: Plan) => void;
}

const factorWords = (x: number): string =>
  x < 1 ? `${Math.round(100 * x)} %` : `${Number(x.toFixed(2))} times`;

/** What the plan comes to, scaled, before it is taken. */
function ScaledPlan({
  scaled,
  reckoning,
  program,
  take,
}: {
  scaled: Scaled;
  reckoning: Reckoning;
  program: Program;
  take: () => void;
}) {
  const units = useUnits();
  const head = verdictHead(reckoning.verdict);
  const same = Math.abs(scaled.factor - 1) < 0.005;
  const plants = new Set(program.lines.filter((l) => l.stuff.plant).map((l) => l.line.id));
  const said = reckoning.lines.map(
    (x) => `${x.name} ${plants.has(x.id) ? units.massExact(x.grams.value) : units.volumeExact(x.ml.value)}`,
  );
  return (
    <>
      <p className="font-semibold">
        {same
          ? "It is that already."
          : `${factorWords(scaled.factor)} of the plan makes ${units.volumeExact(reckoning.finished.ml.value)}. ${head.place} ${head.life}`}
      </p>
      <p>{said.join(", ")}.</p>
      {scaled.tell.map((t) => (
        <p key={t} className="quiet">
          <Told of={t} />
        </p>
      ))}
      {!same && (
        <button type="button" className="plain min-h-11" onClick={take}>
          do this
        </button>
      )}
    </>
  );
}

type Line = Program["lines"][number];
interface FieldProps {
  readonly wanted: Wanted;
  readonly change: (to: Partial<Wanted>) => void;
  readonly wrong: boolean;
}

/** How much of a line there is: typed, or all the stores have. */
function InHand({ line: l, heldG, wanted, change, wrong }: FieldProps & { line: Line; heldG: number }) {
  const units = useUnits();
  const ml = heldG / l.stuff.density;
  return (
    <p className="pt-2">
      <label htmlFor="in-hand" className="quiet block">
        how much {l.stuff.name} there is
      </label>
      <input
        id="in-hand"
        className="field w-full"
        value={wanted.amount}
        placeholder={l.stuff.plant ? units.massExact(200) : units.volume(1.5 * 236.588)}
        maxLength={60}
        aria-invalid={wrong}
        aria-describedby={wrong ? "most-wrong" : undefined}
        onChange={(e) => change({ amount: e.target.value })}
      />
      {heldG > 0 && (
        <button
          type="button"
          className="plain"
          onClick={() =>
            change({
              amount: l.stuff.plant ? units.massExact(Math.floor(heldG)) : units.volumeExact(Math.floor(ml)),
            })
          }
        >
          all in the stores: {l.stuff.plant ? units.massExact(heldG) : units.volumeExact(ml)}
        </button>
      )}
    </p>
  );
}

/** So many bottles of a size. */
function SoManyBottles({ empties, wanted, change, wrong }: FieldProps & { empties: readonly Empties[] }) {
  const units = useUnits();
  return (
    <p className="pt-2 flex gap-3 items-end">
      <span>
        <label htmlFor="how-many" className="quiet block">
          how many
        </label>
        <input
          id="how-many"
          inputMode="numeric"
          className="field w-20"
          value={wanted.count}
          maxLength={3}
          aria-invalid={wrong}
          aria-describedby={wrong ? "most-wrong" : undefined}
          onChange={(e) => change({ count: e.target.value })}
        />
      </span>
      <span className="grow min-w-0">
        <label htmlFor="bottle-size" className="quiet block">
          of
        </label>
        <select
          id="bottle-size"
          className="field w-full"
          value={wanted.size}
          onChange={(e) => change({ size: e.target.value })}
        >
          {offeredIn(units.market, wanted.size)
            .filter((v) => v.sort === "bottle" || v.sort === "dropper")
            .map((v) => {
              const counted = empties.find((x) => x.vessel === v.id);
              return (
                <option key={v.id} value={v.id}>
                  {vesselWords(v)}
                  {counted ? `, ${counted.count} on hand` : ""}
                </option>
              );
            })}
        </select>
      </span>
    </p>
  );
}

/** So many people, what each takes in a day, and for how long. */
function SoManyPeople({ wanted, change, wrong }: FieldProps) {
  const field = (key: "people" | "each" | "days", label: string, width: string) => (
    <span>
      <label htmlFor={`most-${key}`} className="quiet block">
        {label}
      </label>
      <input
        id={`most-${key}`}
        inputMode={key === "each" ? "text" : "numeric"}
        className={`field ${width}`}
        value={wanted[key]}
        maxLength={20}
        aria-invalid={wrong}
        aria-describedby={wrong ? "most-wrong" : undefined}
        onChange={(e) => change({ [key]: e.target.value })}
      />
    </span>
  );
  return (
    <p className="pt-2 flex gap-3 items-end">
      {field("people", "people", "w-20")}
      {field("each", "each, a day", "w-28")}
      {field("days", "days", "w-20")}
    </p>
  );
}

/** What may be made the most of: the jar, anything that is in hand, or a number of bottles. */
function MostOf({ program, wanted, change }: { program: Program } & Omit<FieldProps, "wrong">) {
  return (
    <>
      <label htmlFor="most" className="quiet block">
        make the most of
      </label>
      <select
        id="most"
        className="field w-full"
        value={wanted.of}
        onChange={(e) => change({ of: e.target.value, amount: "" })}
      >
        <option value="jar">this {program.vessel ? vesselWords(program.vessel) : "jar"}</option>
        {program.lines.map((x, i) =>
          x.stuff.class === "water" || (x.stage !== "jar" && !x.stuff.plant) ? null : (
            <option key={i} value={`line-${i}`}>
              the {x.stuff.name} in hand
            </option>
          ),
        )}
        <option value="bottles">bottles wanted</option>
        <option value="people">so many people</option>
      </select>
    </>
  );
}

/** Make the most of this jar, of what is in hand, or for so many bottles; shown before it is taken. */
export function MostDrawer({ plan, program, lots, empties, take }: Props) {
  const { market } = useUnits();
  const usual = {
    of: "jar",
    amount: "",
    size: empties[0]?.vessel ?? usualBottle(plan.kind, market, "shut").id,
    ...{ count: "4", people: "4", each: "1 tsp", days: "30" },
  };
  const [wanted, setWanted] = useState<Wanted>(usual);
  const change = (to: Partial<Wanted>): void => setWanted({ ...wanted, ...to });
  const l = lineAt(program, wanted.of);
  const scaled = useMemo(() => scaledTo(plan, program, wanted), [plan, program, wanted]);
  const done = scaled && "done" in scaled ? scaled.done : undefined;
  const wrong = scaled && "wrong" in scaled ? scaled.wrong : undefined;
  const made = useMemo(() => {
    const p = done && resolve(done.plan);
    return p?.ok ? { program: p.value, r: reckonProgram(p.value) } : undefined;
  }, [done]);
  const held = lots.filter((x) => x.material === l?.stuff.id).reduce((s, x) => s + x.leftG, 0);
  const fields = { wanted, change, wrong: wrong !== undefined };
  return (
    <div className="grid gap-x-10 gap-y-2 md:grid-cols-[minmax(0,24rem)_1fr]">
      <div>
        <MostOf program={program} wanted={wanted} change={change} />
        {l && <InHand line={l} heldG={held} {...fields} />}
        {wanted.of === "bottles" && <SoManyBottles empties={empties} {...fields} />}
        {wanted.of === "people" && <SoManyPeople {...fields} />}
        {wrong && (
          <p id="most-wrong" role="alert" className="wrong pt-1">
            <Told of={wrong.message} />
          </p>
        )}
      </div>
      <div aria-live="polite" className="min-h-28" data-testid="most">
        {made && done && (
          <ScaledPlan
            scaled={done}
            reckoning={made.r}
            program={made.program}
            take={() => take({ ...done.plan, name: plan.name })}
          />
        )}
        {!done && program.lines.some((x) => x.stuff.class !== "water") && (
          <p className="quiet">Choose what there is, and everything else is reckoned to go with it.</p>
        )}
      </div>
    </div>
  );
}
